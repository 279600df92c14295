import {
  circleContour,
  contourArea,
  contourLength,
  extentOf,
  flattenContour,
  mirroredContour,
  placedContour,
  type Contour,
  type Point,
} from '../../geometry';
import { STEEL_DENSITY_KG_PER_MM3 } from '../../reference';

/** A round hole of a blank: as it is cut, and what it becomes where its edge is turned down. */
export interface BlankHole {
  readonly xMm: number;
  readonly yMm: number;
  readonly cutMm: number;
  readonly purpose: 'drain' | 'plug weld' | 'kept hole' | 'bolt' | 'hole';
  readonly flaredMm?: number;
  readonly lipMm?: number;
}

/**
 * A bend across a blank: its middle line, and how far its tangent lines lie to both sides. Bends go down, away from the face that is marked,
 * unless they go up.
 */
export interface BlankBend {
  readonly from: Point;
  readonly to: Point;
  readonly halfWidthMm: number;
  readonly angleRad: number;
  readonly way: 'down' | 'up';
  readonly insideRadiusMm: number;
  readonly allowanceMm: number;
}

/** What lies beneath a blank when it is held in its place, drawn on it to lay it by. */
export interface BlankScribe {
  readonly what: 'opening' | 'other plate ends';
  readonly path: readonly Point[];
  readonly isClosed: boolean;
}

/** Where a blank sits, said on it: stations told from the datum. */
export interface BlankPlace {
  readonly memberName: string;
  /** What is said of its side, where it has one. */
  readonly side?: 'left' | 'right';
  /** Which end of the blank lies to the front, the marked face towards whoever looks. */
  readonly front: 'left' | 'right';
  readonly ticks: readonly { readonly xMm: number; readonly stationMm: number }[];
  /** The marked face lies against the wall instead of looking out. */
  readonly isAgainstWall: boolean;
  /** Edge that lies upwards when it is fitted: along the top of the blank, or neither. */
  readonly up?: 'top edge';
}

/** Something to be cut from sheet. x right, y up, mm, from its lower left corner: the outline's box begins at 0, 0. */
export interface Blank {
  readonly id: string;
  readonly name: string;
  /** What it is for, in a word or two. */
  readonly for: string;
  readonly thicknessMm: number;
  readonly count: number;
  readonly outline: Contour;
  readonly cutouts: readonly Contour[];
  readonly holes: readonly BlankHole[];
  readonly bends: readonly BlankBend[];
  readonly scribes: readonly BlankScribe[];
  /** Middles of holes that are drilled once it is fitted: only marked. */
  readonly drillLater?: readonly { readonly at: Point; readonly diameterMm: number }[];
  readonly place?: BlankPlace;
  /** Rolled round a tube instead of bent. */
  readonly isRolled?: boolean;
}

/** Figures of a blank: size, area of metal, length cut and times pierced, mass of one. */
export interface BlankFigures {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly areaMm2: number;
  readonly cutMm: number;
  readonly pierces: number;
  readonly massKg: number;
}

export const holeContour = ({ xMm, yMm, cutMm }: BlankHole): Contour => circleContour(xMm, yMm, cutMm / 2);

/** Everything that is cut within its outline. */
export const innerContours = ({ holes, cutouts }: Pick<Blank, 'holes' | 'cutouts'>): Contour[] => [
  ...cutouts,
  ...holes.map(holeContour),
];

export function blankFigures(blank: Blank): BlankFigures {
  const { outline, thicknessMm } = blank;
  const inner = innerContours(blank);
  const box = extentOf(flattenContour(outline, 0.01));
  const areaMm2 =
    Math.abs(contourArea(outline)) - inner.reduce((sum, contour) => sum + Math.abs(contourArea(contour)), 0);
  return {
    lengthMm: box.maxX - box.minX,
    widthMm: box.maxY - box.minY,
    areaMm2,
    cutMm: [outline, ...inner].reduce((sum, contour) => sum + contourLength(contour), 0),
    pierces: 1 + inner.length,
    massKg: areaMm2 * thicknessMm * STEEL_DENSITY_KG_PER_MM3,
  };
}

/** The other hand of a blank: turned over left to right, everything on it, and said so of its side and its front. */
export function mirroredBlank(blank: Blank): Blank {
  const { lengthMm } = blankFigures(blank);
  const turn = ([x, y]: Point): Point => [lengthMm - x, y];
  const { place, drillLater } = blank;
  return {
    ...blank,
    outline: mirroredContour(blank.outline, lengthMm),
    cutouts: blank.cutouts.map((cutout) => mirroredContour(cutout, lengthMm)),
    holes: blank.holes.map((hole) => ({ ...hole, xMm: lengthMm - hole.xMm })),
    bends: blank.bends.map((bend) => ({ ...bend, from: turn(bend.from), to: turn(bend.to) })),
    scribes: blank.scribes.map((scribe) => ({ ...scribe, path: scribe.path.map(turn) })),
    ...(drillLater && { drillLater: drillLater.map((hole) => ({ ...hole, at: turn(hole.at) })) }),
    ...(place && { place: mirroredPlace(place, lengthMm) }),
  };
}

const mirroredPlace = (place: BlankPlace, lengthMm: number): BlankPlace => ({
  ...place,
  ...(place.side && { side: place.side === 'left' ? 'right' : 'left' }),
  front: place.front === 'left' ? 'right' : 'left',
  ticks: place.ticks.map((tick) => ({ ...tick, xMm: lengthMm - tick.xMm })),
});

/** A contour moved so that its box begins at 0, 0, and how far it went. */
export function fromCorner(contour: Contour): { readonly contour: Contour; readonly moved: Point } {
  const { minX, minY } = extentOf(flattenContour(contour, 0.01));
  return { contour: placedContour(contour, 0, [-minX, -minY]), moved: [-minX, -minY] };
}
