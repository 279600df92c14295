import type { Point } from '../geometry';
import type { FaceId } from '../frame';
import type { SeamType } from '../shape';
import type { BoltSet } from './bolt-set';

export type WeldPlace =
  | 'upper edge'
  | 'lower edge'
  | 'flange tip'
  | 'edge on the flange'
  | 'seam'
  | 'joint'
  | 'front end'
  | 'rear end'
  | 'plugs';
export const WELD_POSITIONS = ['flat', 'horizontal', 'vertical', 'overhead'] as const;
export type WeldPosition = (typeof WELD_POSITIONS)[number];

/** Whether torch, eye and hand come to it. */
export const WELD_ACCESS = ['good', 'poor'] as const;
export type WeldAccess = (typeof WELD_ACCESS)[number];

/** Intermittent runs: each `lengthMm` long, `pitchMm` from centre to centre. */
export interface Runs {
  readonly lengthMm: number;
  readonly pitchMm: number;
}

/** One weld of a repair. Forces are allowable ones; strength per mm of weld. */
export interface WeldLine {
  /** What is written beside it on the steel: A1. */
  readonly id: string;
  /** What records of it name: piece, place, and which of them there from the front. */
  readonly key: string;
  readonly pieceId: string;
  readonly kind: 'fillet' | 'plug';
  readonly type: SeamType;
  readonly place: WeldPlace;
  readonly face: FaceId;
  /** Its course on the member's unrolled wall, (station, u); of plugs, the middle of each. */
  readonly path: readonly Point[];
  readonly fromMm: number;
  readonly toMm: number;
  readonly lengthMm: number;
  /** Of an end: how much of it lies on metal that can hold it; all of it where absent. */
  readonly countedMm?: number;
  /** As it is laid: grown by a gap. */
  readonly legMm: number;
  readonly minimumLegMm: number;
  readonly maximumLegMm: number;
  /** The thinner of plate and wall, as made. */
  readonly thinnerMm: number;
  /** Lower-bound wall beneath. */
  readonly wallMm: number;
  readonly style: 'continuous' | 'runs to continuous' | 'skip';
  readonly runs?: Runs;
  readonly position: WeldPosition;
  readonly access: WeldAccess;
  /** Gap that somebody recorded between plate and wall. */
  readonly gapMm?: number;
  /** Why it is left open on purpose. */
  readonly leftOpen?: string;
  readonly fillerNPerMm: number;
  readonly baseNPerMm: number;
  /** Flow the line must carry at the design shear; absent when the unit's weight is unknown or the line is an end. */
  readonly flowNPerMm?: number;
  readonly plugs?: { readonly count: number; readonly diameterMm: number; readonly strengthN: number };
}

export const strengthNPerMm = (line: Pick<WeldLine, 'fillerNPerMm' | 'baseNPerMm'>): number =>
  Math.min(line.fillerNPerMm, line.baseNPerMm);

/** What one end of a piece must bring into the plate, and what its welds or bolts can. */
export interface EndDemand {
  readonly pieceId: string;
  readonly end: 'front end' | 'rear end';
  readonly forceN: number;
  readonly capacityN: number;
  /** Of the end weld itself: how much of it is counted; all of it where absent. */
  readonly endShare?: number;
  /** Weld within this run counts: from the end to the damage. */
  readonly runMm: number;
}

export interface Joining {
  readonly lines: readonly WeldLine[];
  readonly ends: readonly EndDemand[];
  readonly totalWeldMm: number;
  /** Bolts, where it is bolted on: it then has no weld lines. */
  readonly bolts: readonly BoltSet[];
  /** What the shear along the plates asks of one bolt, of its strength; absent where there is none or the weight is unknown. */
  readonly boltShare?: number;
}
