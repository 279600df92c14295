import { acrossForce, baseMetalStrengthNPerMm, filletStrengthNPerMm } from '../mechanics';
import { chosenLegMm, FILLER_TENSILE_MPA } from '../reference';
import { developedWidthMm, type Face } from '../frame';
import type { MemberPicture } from '../weigh';
import { formOf } from './forms';
import {
  boltsOf,
  boltStationsMm,
  boltStrengthN,
  isBolted,
  platesThrough,
  type Bolt,
  type BoltedRepair,
} from './bolting';
import { END_RING_MM, landingsAt, ringsAt, type EdgeLanding, type Joined } from './landing';
import { coverageAt, taperLengthMm, type Piece } from './repair';

/** Share of yield a plate is counted at when nothing is known of the load: 0.67 Fy (common practice, no source). */
export const PLATE_STRESS_SHARE = 0.67;

/** Strength of the weld along one edge, N/mm: the weaker of fillet and lower-bound base metal. */
export function edgeStrengthNPerMm(picture: MemberPicture, piece: Piece, edge: EdgeLanding): number {
  const legMm = chosenLegMm(piece.thicknessMm, picture.built.thicknessMm);
  const base = baseMetalStrengthNPerMm(
    Math.min(edge.wallMm, piece.thicknessMm),
    picture.steel.yieldMpa,
    picture.steel.tensileMpa,
  );
  return Math.min(filletStrengthNPerMm(legMm, FILLER_TENSILE_MPA), base);
}

/**
 * Development length of a piece from one of its ends, mm: the run of welds needed to bring its full allowable force in,
 * L_d = 0.67 Fy A / Σq_w. Without the frame's demand the plate is taken at its full allowable stress. Infinite when no weld lands there.
 */
export function developmentMm(
  picture: MemberPicture,
  repair: Joined,
  piece: Piece,
  end: 'start' | 'finish',
): number {
  if (isBolted(repair)) return boltedInMm(picture, repair, piece, end);
  if (formOf(piece.kind).wraps) return ringedInMm(picture, piece, end);
  const insideMm = Math.min(picture.member.shape.depthMm / 2, (piece.endMm - piece.startMm) / 2);
  const stationMm = end === 'start' ? piece.startMm + insideMm : piece.endMm - insideMm;
  const strength = landingsAt(picture, repair, piece, stationMm)
    .filter((edge) => edge.lands)
    .reduce((sum, edge) => sum + edgeStrengthNPerMm(picture, piece, edge), 0);
  return strength > 0 ? plateForceN(picture, piece) / strength : Infinity;
}

/**
 * Development of a wrapped piece, mm: its end weld takes the whole force in at once where it is strong enough all round; else nothing of it counts.
 */
function ringedInMm(picture: MemberPicture, piece: Piece, end: 'start' | 'finish'): number {
  const stationMm = end === 'start' ? piece.startMm : piece.endMm;
  const { longer } = ringEnd(picture, piece);
  const takesN = ringsAt(picture, piece, stationMm)
    .filter(({ lands }) => lands)
    .reduce((sum, { wallMm, face }) => {
      const { filler, wall } = ringNPerMm(picture, piece, wallMm);
      return sum + Math.min(filler, wall) * face.widthMm * longer;
    }, 0);
  return takesN >= endForceN(picture, piece) ? Math.max(END_RING_MM, taperLengthMm(piece)) : Infinity;
}

/**
 * The end weld of a wrapped piece, unrolled: from its nose it falls back on both sides to where the halves meet, half way round. How much longer it is than
 * the circle, and at which angle it runs to the force along the tube.
 */
function ringEnd({ member }: MemberPicture, piece: Piece): { longer: number; angleRad: number } {
  const halfMm = developedWidthMm(member.shape) / 2;
  const backMm = taperLengthMm(piece);
  return { longer: Math.hypot(halfMm, backMm) / halfMm, angleRad: Math.atan2(halfMm, backMm) };
}

/** Strength of a wrapped piece's end weld, N per mm of it: of the fillet pulled across, and of the wall beside it. `wallMm`: lower bound beneath it. */
export function ringNPerMm(
  picture: MemberPicture,
  piece: Piece,
  wallMm: number,
): { readonly filler: number; readonly wall: number } {
  const { filletTimes, wallOfYield } = acrossForce(ringEnd(picture, piece).angleRad);
  const legMm = chosenLegMm(piece.thicknessMm, picture.built.thicknessMm);
  return {
    filler: filletTimes * filletStrengthNPerMm(legMm, FILLER_TENSILE_MPA),
    wall: wallOfYield * picture.steel.yieldMpa * Math.min(wallMm, piece.thicknessMm),
  };
}

/** From an end inward to the bolt by which the plate's whole force is in it, mm. Infinite where its bolts together cannot. */
function boltedInMm(
  picture: MemberPicture,
  repair: BoltedRepair,
  piece: Piece,
  end: 'start' | 'finish',
): number {
  const isStart = end === 'start';
  const stations = boltStationsMm(repair, piece);
  let left = plateForceN(picture, piece);
  for (const stationMm of isStart ? stations : stations.reverse()) {
    left -= boltsAt(picture, repair, piece, stationMm).reduce((sum, { strengthN }) => sum + strengthN, 0);
    if (left <= 0) return isStart ? stationMm - piece.startMm : piece.endMm - stationMm;
  }
  return Infinity;
}

/** A piece's bolts at one of its stations that are counted: where they land, and what each may carry for it. */
export const boltsAt = (
  picture: MemberPicture,
  repair: BoltedRepair,
  piece: Piece,
  stationMm: number,
): { readonly uMm: number; readonly face: Face; readonly strengthN: number }[] =>
  landingsAt(picture, repair, piece, stationMm)
    .filter(({ lands }) => lands)
    .map(({ uMm, face, wallMm }) => ({
      uMm,
      face,
      strengthN: boltStrengthN(picture, repair, piece, {
        wallMm,
        plates: platesThrough(picture.member, repair, stationMm, uMm),
        stationMm,
      }),
    }));

/** Every bolt of a repair, each with what it may carry for one plate, where it is counted. */
export const strengthOfBolts = (
  picture: MemberPicture,
  repair: BoltedRepair,
): (Bolt & { readonly strengthN?: number })[] =>
  boltsOf(picture.member, repair).map((bolt) => {
    const piece = repair.pieces.find(({ id }) => id === bolt.pieceIds[0])!;
    const held = boltsAt(picture, repair, piece, bolt.stationMm).find(
      ({ uMm }) => Math.abs(uMm - bolt.uMm) < 0.5,
    );
    return { ...bolt, ...(held && { strengthN: held.strengthN }) };
  });

/** What a piece's counted bolts between two stations may bring into it, N. */
export const boltedForceN = (
  picture: MemberPicture,
  repair: BoltedRepair,
  piece: Piece,
  [lowMm, highMm]: readonly [number, number],
): number =>
  boltStationsMm(repair, piece)
    .filter((stationMm) => stationMm >= lowMm - 1e-6 && stationMm <= highMm + 1e-6)
    .flatMap((stationMm) => boltsAt(picture, repair, piece, stationMm))
    .reduce((sum, { strengthN }) => sum + strengthN, 0);

/** The force the plate can ask of its ends, N. */
export function plateForceN(picture: MemberPicture, piece: Piece): number {
  const cover = coverageAt(picture.member, piece, (piece.startMm + piece.endMm) / 2)!;
  return PLATE_STRESS_SHARE * picture.steel.yieldMpa * piece.thicknessMm * (cover.uToMm - cover.uFromMm);
}

/** What one end must bring into a piece, N: its whole allowable force; round a tube no more than the tube itself, as it was made, can bring there. */
export function endForceN(picture: MemberPicture, piece: Piece): number {
  const plateN = plateForceN(picture, piece);
  if (!formOf(piece.kind).wraps) return plateN;
  const { member, steel, built } = picture;
  const tubeN = WALL_STRESS_SHARE * steel.yieldMpa * built.thicknessMm * developedWidthMm(member.shape);
  return Math.min(plateN, tubeN);
}
/** Share of yield that a wall may be pulled at (AISC ASD, from memory). */
const WALL_STRESS_SHARE = 0.6;

/** The run over which a piece carries its full share. An end at the member's own end has nothing beyond it to develop from. */
export function carryingReach(
  picture: MemberPicture,
  repair: Joined,
  piece: Piece,
): { startMm: number; endMm: number } {
  const atStart = piece.startMm <= 1;
  const atEnd = piece.endMm >= picture.member.lengthMm - 1;
  return {
    startMm: atStart ? piece.startMm : piece.startMm + developmentMm(picture, repair, piece, 'start'),
    endMm: atEnd ? piece.endMm : piece.endMm - developmentMm(picture, repair, piece, 'finish'),
  };
}
