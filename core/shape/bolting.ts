import {
  bearingAtHoleN,
  boltHoleMm,
  boltShearN,
  leastEdgeMm,
  leastPitchMm,
  widestBoltPitchMm,
} from '../reference';
import {
  faceAtU,
  faceOf,
  facesOf,
  onSheet,
  uOnFace,
  type Face,
  type FaceId,
  type Member,
  type MemberShape,
} from '../frame';
import type { MemberPicture } from '../weigh';
import { coverageAt, isInside, type Bolts, type Piece, type Repair } from './repair';

/** A repair that is bolted on. */
export type BoltedRepair = Pick<Repair, 'pieces'> & { readonly bolts: Bolts };
export const isBolted = <Rep extends Pick<Repair, 'bolts'>>(repair: Rep): repair is Rep & { bolts: Bolts } =>
  repair.bolts !== undefined;

/** One bolt of a repair: where its middle is, and the plates it goes through beside the wall. */
export interface Bolt {
  readonly stationMm: number;
  readonly uMm: number;
  readonly face: FaceId;
  readonly pieceIds: readonly string[];
}

/**
 * Where a piece's rows of bolts lie at a station, developed coordinates: an edge's distance inside it, and between these so many that no two lie
 * farther apart than keeps the faces together. Plates on both sides of the wall share their bolts, so the narrower one there decides. Where two rows
 * would crowd each other one runs down the middle; none where not even that has its edge distance.
 */
export function boltRowsAt(member: Member, repair: BoltedRepair, piece: Piece, stationMm: number): number[] {
  const band = sharedBand(member, repair, piece, stationMm);
  if (!band) return [];
  const { diameterMm } = repair.bolts;
  const edgeMm = leastEdgeMm(diameterMm);
  const [first, last] = [band.uFromMm + edgeMm, band.uToMm - edgeMm];
  if (last - first < leastPitchMm(diameterMm)) return last >= first - 1e-6 ? [(first + last) / 2] : [];
  const gaps = Math.max(1, Math.ceil((last - first) / widestBoltPitchMm(piece.thicknessMm) - 1e-6));
  const folds = foldsWithin(member.shape, band.uFromMm, band.uToMm);
  return Array.from({ length: gaps + 1 }, (_, k) =>
    offFolds(first + ((last - first) * k) / gaps, folds, clearOfFoldMm(repair, piece)),
  );
}

/** Folds strictly within a run; only open sections are bolted. */
const foldsWithin = (shape: MemberShape, uFromMm: number, uToMm: number): number[] =>
  facesOf(shape)
    .map(({ uStartMm }) => uStartMm)
    .filter((uMm) => uMm > Math.max(0, uFromMm) + 1e-6 && uMm < uToMm - 1e-6);

/** A nut or a washer sits on the flat: clear of a bend by its own half width and the bend's radius. */
const clearOfFoldMm = ({ bolts: { diameterMm } }: BoltedRepair, { thicknessMm }: Piece): number =>
  diameterMm + 2 * thicknessMm;

function offFolds(uMm: number, folds: readonly number[], clearMm: number): number {
  const near = folds.find((fold) => Math.abs(fold - uMm) < clearMm);
  return near === undefined ? uMm : near + (uMm < near ? -clearMm : clearMm);
}

/** What a piece and those that lie on the wall's other side beneath it cover together at a station. */
function sharedBand(member: Member, { pieces }: BoltedRepair, piece: Piece, stationMm: number) {
  const own = coverageAt(member, piece, stationMm);
  if (!own) return undefined;
  return pieces.reduce((band, other) => {
    const cover = isInside(other) !== isInside(piece) && coverageAt(member, other, stationMm);
    if (!cover || cover.uFromMm >= band.uToMm || cover.uToMm <= band.uFromMm) return band;
    return {
      ...band,
      uFromMm: Math.max(band.uFromMm, cover.uFromMm),
      uToMm: Math.min(band.uToMm, cover.uToMm),
    };
  }, own);
}

/** Stations of a piece's bolts: one grid through all its repair's pieces, from their middle, an edge's distance inside its ends. */
export function boltStationsMm(repair: BoltedRepair, piece: Piece): number[] {
  const { diameterMm, pitchMm } = repair.bolts;
  const [from, to] = [
    Math.min(...repair.pieces.map(({ startMm }) => startMm)),
    Math.max(...repair.pieces.map(({ endMm }) => endMm)),
  ];
  const middleMm = (from + to) / 2;
  const edgeMm = leastEdgeMm(diameterMm);
  const [first, last] = [
    Math.ceil((piece.startMm + edgeMm - middleMm) / pitchMm - 1e-6),
    Math.floor((piece.endMm - edgeMm - middleMm) / pitchMm + 1e-6),
  ];
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, k) => middleMm + (first + k) * pitchMm);
}

/** Every bolt of a repair, each once: the plates on both sides of the wall share theirs. */
export function boltsOf(member: Member, repair: BoltedRepair): Bolt[] {
  const bolts = new Map<string, Bolt>();
  for (const piece of repair.pieces)
    for (const stationMm of boltStationsMm(repair, piece))
      for (const uMm of boltRowsAt(member, repair, piece, stationMm)) {
        const key = `${Math.round(stationMm * 10)} ${Math.round(onSheet(member.shape, uMm) * 10)}`;
        const before = bolts.get(key);
        bolts.set(key, {
          stationMm,
          uMm,
          face: faceAtU(member.shape, onSheet(member.shape, uMm)).id,
          pieceIds: [...(before?.pieceIds ?? []), piece.id],
        });
      }
  return [...bolts.values()].sort((a, b) => a.stationMm - b.stationMm || a.uMm - b.uMm);
}

/** Whether a bolt would run into a hole that the maker left, or crowd it. */
export function isInMakersHole(
  member: Member,
  { diameterMm }: Bolts,
  stationMm: number,
  uMm: number,
): boolean {
  return (member.holes ?? []).some((hole) => {
    const face = faceOf(member.shape, hole.face);
    const awayMm = face && Math.hypot(hole.stationMm - stationMm, uOnFace(face, hole.heightMm) - uMm);
    return awayMm !== undefined && awayMm < hole.diameterMm / 2 + 1.5 * diameterMm;
  });
}

/**
 * Allowable force of one bolt on one plate, N: its shear in that plane, or the least of what plate and wall take at their holes. The wall's share is
 * the less the more plates pull at it.
 */
export function boltStrengthN(
  picture: MemberPicture,
  repair: BoltedRepair,
  piece: Piece,
  {
    wallMm,
    plates,
    stationMm,
  }: { readonly wallMm: number; readonly plates: number; readonly stationMm: number },
): number {
  const { diameterMm, marks, pitchMm } = repair.bolts;
  const holeMm = boltHoleMm(diameterMm);
  const toNextMm = pitchMm - holeMm;
  const toEndMm = Math.min(stationMm - piece.startMm, piece.endMm - stationMm) - holeMm / 2;
  const taken = (thicknessMm: number, clearMm: number) =>
    bearingAtHoleN(diameterMm, thicknessMm, picture.steel.tensileMpa, clearMm);
  return Math.min(
    boltShearN(marks, diameterMm) ?? 0,
    taken(piece.thicknessMm, Math.min(toNextMm, toEndMm)),
    taken(wallMm, toNextMm) / Math.max(1, plates),
  );
}

/** How many plates of a repair a bolt at a place goes through. */
export const platesThrough = (
  member: Member,
  { pieces }: Pick<Repair, 'pieces'>,
  stationMm: number,
  uMm: number,
) =>
  pieces.filter((each) => {
    const cover = coverageAt(member, each, stationMm);
    return cover && uMm > cover.uFromMm && uMm < cover.uToMm;
  }).length;

/** Faces that a piece's bolts go through. */
export function facesBoltedOn(member: Member, repair: BoltedRepair, piece: Piece): Face[] {
  const faces = boltStationsMm(repair, piece).flatMap((stationMm) =>
    boltRowsAt(member, repair, piece, stationMm).map((uMm) =>
      faceAtU(member.shape, onSheet(member.shape, uMm)),
    ),
  );
  return [...new Map(faces.map((face) => [face.id, face])).values()];
}
