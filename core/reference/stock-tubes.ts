import { inchesToMm } from '../quantity';

/** A square or rectangular structural tube, outside sizes and wall, mm. */
export interface StockTube {
  readonly depthMm: number;
  readonly widthMm: number;
  /** As it is sold. */
  readonly nominalMm: number;
  /** What it is counted with: welded tube is made to the light side, 0.93 of its nominal (AISC 360 B4.2, from memory). */
  readonly thicknessMm: number;
}

const DESIGN_SHARE = 0.93;

/** Sizes that steel yards keep, inches: depth, width, wall (common practice, no source). A shop that has others adds none here yet. */
const SIZES_IN: readonly (readonly [number, number, number])[] = [
  [1.5, 1.5, 1 / 8],
  [2, 2, 1 / 8],
  [2, 2, 3 / 16],
  [2, 3, 1 / 8],
  [2, 3, 3 / 16],
  [2, 4, 3 / 16],
  [2.5, 2.5, 3 / 16],
  [3, 2, 1 / 8],
  [3, 2, 3 / 16],
  [3, 3, 3 / 16],
  [3, 3, 1 / 4],
  [3, 4, 1 / 4],
  [4, 2, 3 / 16],
  [4, 3, 3 / 16],
  [4, 3, 1 / 4],
  [4, 4, 3 / 16],
  [4, 4, 1 / 4],
  [5, 3, 1 / 4],
  [5, 5, 1 / 4],
  [6, 3, 1 / 4],
  [6, 4, 1 / 4],
];

export const STOCK_TUBES: readonly StockTube[] = SIZES_IN.map(([depth, width, wall]) => ({
  depthMm: inchesToMm(depth),
  widthMm: inchesToMm(width),
  nominalMm: inchesToMm(wall),
  thicknessMm: DESIGN_SHARE * inchesToMm(wall),
}));
