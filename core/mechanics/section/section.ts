/**
 * A thin-walled section: straight strips between midline nodes, any shape — open, closed, branched, several cells.
 *
 *        y up                      node k ●──strip (k,l), thickness t──● node l
 *        │                         s runs from `from` to `to`
 *        └── x right               the wall reaches t/2 to either side of the midline
 *
 * Arrays run in parallel: strip e joins node `from[e]` to node `to[e]`.
 */
export interface Midline {
  readonly xMm: Float64Array;
  readonly yMm: Float64Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly lengthMm: Float64Array;
  /** How the strips hang together when none is gone: worked out once for the many stations of one shape. */
  readonly whole: Wiring;
}

/**
 * A midline with a thickness for every strip.
 *   thickness 0          the strip is gone (rusted through, cut out)
 *   thickness WELD_LINK  a rigid joint without metal of its own: it carries shear flow across a weld line
 */
export interface Section extends Midline {
  readonly thicknessMm: Float64Array;
}

export const WELD_LINK = Number.POSITIVE_INFINITY;

export type MidlineNode = readonly [xMm: number, yMm: number];
export type Strip = readonly [fromNode: number, toNode: number, thicknessMm: number];

/**
 * How the strips hang together: a spanning forest plus one cycle per independent cell.
 * `visited` lists nodes parents first; a root's `parentStrip` is -1. Only strips with thickness > 0 take part.
 */
export interface Wiring {
  readonly visited: Int32Array;
  readonly parentStrip: Int32Array;
  readonly parentNode: Int32Array;
  readonly depth: Int32Array;
  /** The strip that closes each cell. */
  readonly chords: readonly number[];
  readonly cycles: readonly Cycle[];
  readonly pieces: number;
}

/** One independent cell: its strips in order of travel, +1 where travelled from → to. */
export interface Cycle {
  readonly strips: Int32Array;
  readonly signs: Int8Array;
}

export const hasMetal = (thicknessMm: number): boolean => thicknessMm > 0 && thicknessMm !== WELD_LINK;
