import type { Point } from '../../geometry';
import type { LimitSource } from '../../reference';
import type { Piece } from '../piece';

export const FLAT_FINDING_CODES = [
  'radius-tight',
  'corner-stands-off',
  'leg-short',
  'hole-near-bend',
  'bend-relieved',
  'rolled',
] as const;
export type FlatFindingCode = (typeof FLAT_FINDING_CODES)[number];

/** What a brake or a table would say of a flat. Deviation: stated, and the shop's to answer for; note: know it. */
export interface FlatFinding {
  readonly code: FlatFindingCode;
  readonly weight: 'deviation' | 'note';
  /** Lengths, mm. */
  readonly value?: number;
  readonly limit?: number;
  readonly source: LimitSource;
}

export interface FlatHole {
  readonly xMm: number;
  readonly vMm: number;
  readonly diameterMm: number;
  readonly purpose: 'drain' | 'plug weld' | 'kept hole' | 'bolt';
}

/** A bend's tangent lines, and over which length it runs. */
export interface FlatBend {
  readonly startVMm: number;
  readonly endVMm: number;
  readonly fromXMm: number;
  readonly toXMm: number;
}

/**
 * A piece, or one of its lengths, laid flat. x runs along the rail from its front end, v across it from its first edge:
 *
 *      v=0 ┌──╲____________╱──┐      bends are drawn at both tangent lines and the middle;
 *          │  ·· bend ····     │     v is shorter than the wrapped width by what each bend saves
 *          └──╱‾‾‾‾‾‾‾‾‾‾‾‾╲──┘
 */
export interface FlatPattern {
  readonly piece: Piece;
  readonly memberName: string;
  readonly side?: 'left' | 'right';
  /** Where its member begins, mm behind the datum: stations on the plate are read from there. */
  readonly memberStartsMm: number;
  /** How far its drains' edges are turned down. */
  readonly drainLipMm: number;
  readonly outline: readonly Point[];
  /** A recess that ends in a bend was cut past it, so that the bend ends at an edge. */
  readonly isRelieved: boolean;
  readonly bends: readonly FlatBend[];
  /** What is cut out beneath it. */
  readonly openings: readonly (readonly Point[])[];
  /** Where other plates of its repair end over or under it, from its own front end. */
  readonly othersEndAtXMm: readonly number[];
  readonly holes: readonly FlatHole[];
  /** Which of its piece's lengths it is, from the front; absent where the piece is of one. */
  readonly length?: { readonly nth: number; readonly of: number };
  /** Station of its member where it begins. */
  readonly startMm: number;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly insideRadiusMm: number;
  readonly bendAllowanceMm: number;
  readonly massKg: number;
  /** What a brake or a table would say of it. */
  readonly findings: readonly FlatFinding[];
}
