import { polygonArea, type Point } from '../../geometry';
import { boltHoleMm, STEEL_DENSITY_KG_PER_MM3, type MetalPractice, type Ways } from '../../reference';
import { startsAtMm, surfaceOf, type Member } from '../../frame';
import { foldsBetween, type DamageZone } from '../../weigh';
import { bendAllowanceMm } from './bend';
import { boltRowsAt, boltStationsMm, isBolted } from '../bolting';
import { LIP_MM, drainsOf } from '../drains';
import { holesUnder } from '../holes';
import { plugLayout } from '../plugs';
import { coverage, isInside, lengthsOf, outlineOnStrip, type Piece, type Repair } from '../repair';
import { flatFindings } from './findings';
import { blankOfPiece } from './piece-blank';
import type { FlatHole, FlatPattern } from './pattern';

import { relieved } from './relief';
import type { Blank } from './blank';
import { clippedAlong, type Opening } from './opening';

/** What of the shop's practice shapes a flat; pockets are drained where nothing is said. */
type FlatPractice = Pick<
  MetalPractice,
  'bendRadiusPerThickness' | 'bendK' | 'drainDiameterMm' | 'drainLipMm'
> &
  Partial<Pick<MetalPractice, 'weld'>> &
  Partial<Pick<Ways, 'drains'>> & {
    /** Damage under the piece: where it is cut out, its water stands. */
    readonly zones?: readonly DamageZone[];
    readonly openings?: readonly Opening[];
  };

/** Flats of a piece's lengths, front to rear; of a piece without a joint one. */
export const flatPatterns = (
  member: Member,
  repair: Repair,
  piece: Piece,
  practice: FlatPractice,
): FlatPattern[] => {
  const lengths = lengthsOf(piece);
  return lengths.map((span, k) => ({
    ...flatPattern(member, repair, piece, practice, span),
    ...(lengths.length > 1 && { length: { nth: k + 1, of: lengths.length } }),
  }));
};

/** Everything that is cut for a repair's plates, each length by itself. */
export const blanksOfRepair = (member: Member, repair: Repair, practice: FlatPractice): Blank[] =>
  repair.pieces.flatMap((piece) => flatPatterns(member, repair, piece, practice).map(blankOfPiece));

/** The flat of a piece, or of the part of it between two of its joints. */
export function flatPattern(
  member: Member,
  repair: Repair,
  piece: Piece,
  practice: FlatPractice,
  { fromMm, toMm } = { fromMm: piece.startMm, toMm: piece.endMm },
): FlatPattern {
  const surface = surfaceOf(member.shape);
  const whole = coverage(member.shape, piece);
  const insideRadiusMm = practice.bendRadiusPerThickness * piece.thicknessMm;
  const allowanceMm = bendAllowanceMm(Math.PI / 2, insideRadiusMm, piece.thicknessMm, practice.bendK);
  const isRound = member.shape.kind === 'tube';
  const folds = isRound ? [] : foldsBetween(surface, whole.uFromMm, whole.uToMm);
  // Rolled round a tube it is as long as the circle through the middle of its own wall.
  const rolled = isRound ? 1 + piece.thicknessMm / member.shape.depthMm : 1;
  // Laid inside, its own corner lies a wall and its own thickness in from the rail's.
  const cornerMm = insideRadiusMm + (isInside(piece) ? member.shape.thicknessMm + piece.thicknessMm : 0);
  const toV = (uMm: number) => rolled * flattened(uMm, whole.uFromMm, folds, cornerMm, allowanceMm);
  const toFlat = ([stationMm, uMm]: readonly [number, number]): Point => [stationMm - fromMm, toV(uMm)];
  const asCut = relieved(piece, { folds, cornerMm, ...whole });
  const outline = outlineOnStrip(member, asCut, { fromMm, toMm }).map(toFlat);
  const isHere = (xMm: number, reachMm: number) => xMm + reachMm > 0 && xMm - reachMm < toMm - fromMm;
  const pattern = {
    piece,
    memberName: member.name,
    ...(member.side && { side: member.side }),
    memberStartsMm: startsAtMm(member),
    drainLipMm: practice.drainLipMm ?? LIP_MM,
    outline,
    isRelieved: asCut !== piece,
    openings: (practice.openings ?? [])
      .filter(({ pieceId }) => pieceId === piece.id)
      .flatMap((opening) => clippedAlong(opening.outline, fromMm, toMm))
      .map((outlined) => outlined.map(toFlat)),
    othersEndAtXMm: othersEndAt(repair, piece, fromMm).filter((xMm) => xMm > 0 && xMm < toMm - fromMm),
    startMm: fromMm,
    lengthMm: toMm - fromMm,
    widthMm: toV(whole.uToMm),
    bends: folds.map((fold) => ({
      startVMm: toV(fold - cornerMm),
      endVMm: toV(fold + cornerMm),
      ...spanAcross(outline, toV(fold)),
    })),
    holes: holesOf(member, repair, piece, practice)
      .map(({ stationMm, uMm, ...hole }) => ({ ...hole, xMm: stationMm - fromMm, vMm: toV(uMm) }))
      .filter(({ xMm, diameterMm }) => isHere(xMm, diameterMm / 2)),
    insideRadiusMm,
    bendAllowanceMm: allowanceMm,
    massKg: Math.abs(polygonArea(outline)) * piece.thicknessMm * STEEL_DENSITY_KG_PER_MM3,
  };
  return { ...pattern, findings: flatFindings(pattern, member, repair) };
}

/** Where other plates of a repair end over or under a piece, from where its flat begins. */
const othersEndAt = ({ pieces }: Repair, { id }: Piece, fromMm: number): number[] =>
  pieces
    .filter((other) => other.id !== id)
    .flatMap((other) => [other.startMm - fromMm, other.endMm - fromMm]);

/** A hole of a piece where it lies on its member's wall. */
type WrappedHole = Omit<FlatHole, 'vMm' | 'xMm'> & { readonly uMm: number; readonly stationMm: number };

const holesOf = (member: Member, repair: Repair, piece: Piece, practice: FlatPractice): WrappedHole[] => [
  ...drainsOf(member, repair, piece, { practice, zones: practice.zones ?? [] }).map(
    ({ stationMm, uMm, diameterMm }): WrappedHole => ({
      stationMm,
      uMm,
      diameterMm,
      purpose: 'drain',
    }),
  ),
  ...plugs(member, repair, piece, practice),
  ...keptHoles(member, piece),
  ...boltHoles(member, repair, piece),
];

/** Flat coordinate of a wrapped one: what lies within `cornerMm` of each fold, up to the bend's tangent lines, becomes one bend allowance. */
export function flattened(
  uMm: number,
  uFromMm: number,
  folds: readonly number[],
  cornerMm: number,
  allowanceMm: number,
): number {
  let v = uMm - uFromMm;
  for (const fold of folds) {
    const into = Math.min(Math.max(uMm - (fold - cornerMm), 0), 2 * cornerMm);
    v -= into * (1 - allowanceMm / (2 * cornerMm));
  }
  return v;
}

/** Where a line of constant v crosses the outline, outermost. */
function spanAcross(outline: readonly Point[], v: number): { fromXMm: number; toXMm: number } {
  const crossings: number[] = [];
  outline.forEach(([x, y], k) => {
    const [nextX, nextY] = outline[(k + 1) % outline.length]!;
    if (y > v !== nextY > v) crossings.push(x + ((v - y) * (nextX - x)) / (nextY - y));
  });
  return crossings.length
    ? { fromXMm: Math.min(...crossings), toXMm: Math.max(...crossings) }
    : { fromXMm: 0, toXMm: 0 };
}

/** The maker's holes beneath a piece are repeated in it: none that drains, locates or is looked through is covered. */
const keptHoles = (member: Member, piece: Piece): WrappedHole[] =>
  holesUnder(member, piece)
    .filter(({ is }) => is === 'under it')
    .map(({ hole, uMm }) => ({
      stationMm: hole.stationMm,
      uMm,
      diameterMm: hole.diameterMm,
      purpose: 'kept hole',
    }));

/** Holes of a piece's bolts, drilled through the wall at the same places. */
const boltHoles = (member: Member, repair: Repair, piece: Piece): WrappedHole[] =>
  isBolted(repair)
    ? boltStationsMm(repair, piece).flatMap((stationMm) =>
        boltRowsAt(member, repair, piece, stationMm).map((uMm): WrappedHole => ({
          stationMm,
          uMm,
          diameterMm: boltHoleMm(repair.bolts.diameterMm),
          purpose: 'bolt',
        })),
      )
    : [];

/** Plug holes of one row after another, in the piece's flat. */
function plugs(member: Member, repair: Repair, piece: Piece, { weld }: FlatPractice): WrappedHole[] {
  if (!repair.plugs || isBolted(repair)) return [];
  const { rowsUMm, fromMm, pitchMm, diameterMm, count } = plugLayout(member, piece, weld);
  return rowsUMm.flatMap((uMm) =>
    Array.from({ length: count }, (_, k): WrappedHole => ({
      stationMm: piece.startMm + fromMm + k * pitchMm,
      uMm,
      diameterMm,
      purpose: 'plug weld',
    })),
  );
}
