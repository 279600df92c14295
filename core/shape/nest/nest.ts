import type { Contour, Point } from '../../geometry';

/** A piece to lay on a sheet: what is cut, so many times. */
export interface NestPart {
  readonly id: string;
  readonly outline: Contour;
  readonly inner: readonly Contour[];
  readonly count: number;
}

/** A sheet or an offcut there is: a rectangle, its length to the right, so many times. */
export interface NestSheet {
  readonly id: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly count: number;
  /** It is not there yet: nothing is bought while the shelf has room. */
  readonly isBought?: boolean;
}

export const TURNS = ['lengthwise', 'quarter turns', 'every 15°'] as const;
export type Turns = (typeof TURNS)[number];
const DEGREES: Readonly<Record<Turns, readonly number[]>> = {
  lengthwise: [0, 180],
  'quarter turns': [0, 90, 180, 270],
  'every 15°': Array.from({ length: 24 }, (_, k) => 15 * k),
};
export const turnsRad = (turns: Turns): number[] =>
  DEGREES[turns].map((degrees) => (degrees * Math.PI) / 180);

/** How pieces are laid: what the cut itself takes, what stays between two cuts, what stays at a sheet's edge, and how they may be turned. */
export interface NestWays {
  readonly kerfMm: number;
  readonly gapMm: number;
  readonly edgeMm: number;
  readonly turns: Turns;
}

/** A piece where it lies: its outline turned counter-clockwise about its own corner, then moved so that its box begins at `at`. */
export interface Laid {
  readonly partId: string;
  readonly sheet: number;
  readonly turnRad: number;
  readonly at: Point;
}

/** A sheet that is cut from: which one, and how far along it and across it pieces lie. */
export interface CutSheet {
  readonly sheetId: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly usedLengthMm: number;
  readonly usedWidthMm: number;
}

export interface Nest {
  readonly laid: readonly Laid[];
  readonly sheets: readonly CutSheet[];
  /** Pieces there was no room for, one entry a piece. */
  readonly left: readonly string[];
  /** Of those, pieces larger than any sheet however they are turned. */
  readonly tooLarge: readonly string[];
}
