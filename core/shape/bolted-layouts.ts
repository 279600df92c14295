import { inchesToMm } from '../quantity';
import { leastEdgeMm, leastPitchMm, PLATE_BOLTS_MM } from '../reference';
import { isClosed } from '../frame';
import { goneHeights } from '../metal';
import { nominalMm } from '../probe';
import type { MemberPicture } from '../weigh';
import { crackHeights, roundDown, roundUp, type Laid, type PieceLayout, type Target } from './layouts';
import type { Bolts } from './repair';

/** Rails from this up take 5/8 in bolts, lighter plate 1/2 in, sheet 3/8 in (common practice, no source). */
const HEAVY_MM = inchesToMm(1 / 4);
const LIGHT_MM = inchesToMm(1 / 8);

/** Bolts to begin with: by the wall they go through, of grade 8 on a rail that is stronger than mild steel. */
export function firstBolts({ built, steel }: Pick<MemberPicture, 'built' | 'steel'>): Bolts {
  const wallMm = built.thicknessMm;
  const [light, , middle, heavy] = PLATE_BOLTS_MM as [number, number, number, number];
  const diameterMm = wallMm >= HEAVY_MM - 0.1 ? heavy : wallMm >= LIGHT_MM - 0.1 ? middle : light;
  return {
    diameterMm,
    marks: steel.weldRepair === 'yes' ? 3 : 6,
    pitchMm: roundUp(Math.max(4 * diameterMm, leastPitchMm(diameterMm))),
  };
}

/**
 * Plates on both sides of an open wall, bolted through it: over what is bad on the side alone where the flanges are sound, over all of the side, and
 * round the bottom corner where the flange is bad too, which then is drilled.
 */
export function boltedLayoutsFor(picture: MemberPicture, target: Target, bolts: Bolts): PieceLayout[] {
  const { shape } = picture.member;
  if (isClosed(shape)) return [];
  const whole = wholeSide(picture);
  const local = aroundDamage(picture, target, bolts, whole);
  const sandwiches = [...(local ? [local] : []), whole].map(sandwich);
  const isBottom = target.zone?.bottomFlange ?? false;
  if (shape.kind !== 'channel' && shape.kind !== 'angle') return sandwiches;
  const corner = sandwich({
    kind: 'bottom L',
    lowerEdgeMm: 0,
    upperEdgeMm: Math.min(whole.upperEdgeMm, roundUp(0.75 * shape.depthMm)),
  });
  return isBottom ? [corner, ...sandwiches] : [...sandwiches, corner];
}

const sandwich = (outside: Laid): PieceLayout => [outside, { ...outside, inside: true }];

/** All of the flat side that a plate inside leaves its corner's radius. */
function wholeSide({ member: { shape } }: MemberPicture): Laid {
  const cornerMm = (id: 'top' | 'bottom') => roundUp(2 * nominalMm({ shape }, id));
  return {
    kind: 'side plate',
    lowerEdgeMm: cornerMm('bottom'),
    upperEdgeMm: roundDown(shape.depthMm - cornerMm('top')),
  };
}

/** Past a hole or a crack in the side by two edges' distances: a row of bolts on each side of it. */
function aroundDamage(
  picture: MemberPicture,
  target: Target,
  { diameterMm }: Bolts,
  whole: Laid,
): Laid | undefined {
  const heights = target.zone
    ? goneHeights(picture.account, picture.member, target)
    : crackHeights(picture, target);
  if (!heights) return undefined;
  const pastMm = 2 * leastEdgeMm(diameterMm);
  const [lowerEdgeMm, upperEdgeMm] = [
    Math.max(whole.lowerEdgeMm, roundDown(heights.lowMm - pastMm)),
    Math.min(whole.upperEdgeMm, roundUp(heights.highMm + pastMm)),
  ];
  const isWhole = lowerEdgeMm <= whole.lowerEdgeMm && upperEdgeMm >= whole.upperEdgeMm;
  return isWhole || upperEdgeMm <= lowerEdgeMm ? undefined : { kind: 'side plate', lowerEdgeMm, upperEdgeMm };
}
