import type { LimitSource } from '../reference';
import type { Quantity } from '../weigh';

export const REPAIR_FINDING_CODES = [
  'steel-not-welded',
  'not-this-school',
  'edge-not-on-sound-metal',
  'edge-above-corner',
  'edge-not-measured',
  'edge-struck-only',
  'edge-left-free',
  'lap-short',
  'run-out-short',
  'development-short',
  'square-end',
  'plate-too-long',
  'plate-over-longest',
  'wall-too-thin-to-weld',
  'plate-thinner-than-wall',
  'strength-not-restored',
  'overlay-stiff-abrupt',
  'overlay-stiff-tapered',
  'flange-cut-between-axles',
  'free-edge-slender',
  'end-near-weld',
  'end-in-critical-zone',
  'crack-beneath',
  'rust-enclosed',
  'not-straight-beneath',
  'zinc-beneath',
  'seam-not-continuous',
  'weld-as-maker',
  'pocket-sealed',
  'crack-welded-only',
  'no-shelf',
  'in-the-way',
  'cut-beneath',
  'off-and-back',
  'hole-half-covered',
  'hole-kept',
  'heat-near',
  'crack-uncovered',
  'skin-beneath',
  'skin-off',
  'skin-stays',
  'ends-level',
  'wide-between-welds',
  'no-bolt-holds',
  'bolts-unread',
  'bolts-struck',
  'bolts-not-counted',
  'bolts-far-apart',
  'edge-unbolted',
  'drilled-weaker',
  'flange-drilled',
  'plate-of-its-steel',
  'bolted-not-allowed',
  'coat-between',
  'rust-between',
  'crack-stays',
  'face-hidden',
  'no-drain-room',
  'plates-overlaid',
  'joint-through',
  'joint-over-damage',
  'joint-near-weld',
  'joint-in-critical-zone',
  'joint-level',
  'joint-at-hole',
  'length-short',
  'seat-off-level',
  'inside-not-reached',
  'inside-first',
  'crack-tip-close',
  'not-in-stock',
] as const;
export type RepairFindingCode = (typeof REPAIR_FINDING_CODES)[number];

/** Broken: change it. Deviation: stated and kept. Note: know it. */
export type Weight = 'broken' | 'deviation' | 'note';

export interface RepairFinding {
  readonly code: RepairFindingCode;
  readonly weight: Weight;
  readonly pieceId?: string;
  readonly quantity: Quantity;
  readonly value?: number;
  readonly limit?: number;
  readonly source: LimitSource;
  readonly at?: { readonly fromMm: number; readonly toMm: number };
  /** Words the sentence needs: a fitting's or a face's name. */
  readonly name?: string;
}
