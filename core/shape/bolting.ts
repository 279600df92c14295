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
import { coverageAt, isInside, reachOf, taperLengthMm, type Bolts, type Piece, type Repair } from './repair';

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
 * Where a piece's rows of bolts lie at a station, developed coordinates: an edge's distance inside it, square to the edge where that slants, and between these
 * so many that no two lie farther apart than keeps the thinnest plate's faces together. Plates on both sides of the wall share their bolts: the narrower one
 * there decides for both. Where two rows would crowd each other one runs down the middle; none where not even that has its edge distance.
 */
export function boltRowsAt(member: Member, repair: BoltedRepair, piece: Piece, stationMm: number): number[] {
  const shared = sharedBand(member, repair, piece, stationMm);
  if (!shared) return [];
  const { band, pieces } = shared;
  const { diameterMm } = repair.bolts;
  const runsStraight = pieces.every((each) => isStraightAt(each, stationMm));
  const edgeMm = (edge: 'uFromMm' | 'uToMm') =>
    runsStraight ? leastEdgeMm(diameterMm) : slantedEdgeMm(member, repair, { piece, stationMm, edge });
  const [first, last] = [band.uFromMm + edgeMm('uFromMm'), band.uToMm - edgeMm('uToMm')];
  if (last - first < leastPitchMm(diameterMm)) return last >= first - 1e-6 ? [(first + last) / 2] : [];
  const thicknesses = pieces.map(({ thicknessMm }) => thicknessMm);
  const gaps = Math.max(1, Math.ceil((last - first) / widestBoltPitchMm(Math.min(...thicknesses)) - 1e-6));
  const folds = foldsWithin(member.shape, band.uFromMm, band.uToMm);
  // A nut or a washer sits on the flat: clear of a bend by its own half width and the bend's radius.
  const clearMm = diameterMm + 2 * Math.max(...thicknesses);
  return Array.from({ length: gaps + 1 }, (_, k) =>
    offFolds(first + ((last - first) * k) / gaps, folds, clearMm),
  );
}

/** A bolt's edge distance along the developed width, where the shared edge runs straight or slants towards a nose. */
function slantedEdgeMm(
  member: Member,
  repair: BoltedRepair,
  at: { readonly piece: Piece; readonly stationMm: number; readonly edge: 'uFromMm' | 'uToMm' },
): number {
  const [before, after] = [-HALF_LOOK_MM, HALF_LOOK_MM].map(
    (mm) => sharedBand(member, repair, at.piece, at.stationMm + mm)?.band[at.edge],
  );
  const slope = before === undefined || after === undefined ? 0 : (after - before) / (2 * HALF_LOOK_MM);
  return leastEdgeMm(repair.bolts.diameterMm) * Math.hypot(1, slope);
}
const HALF_LOOK_MM = 0.5;

/** Between its tapers, and away from the sides of its notches. */
function isStraightAt(piece: Piece, stationMm: number): boolean {
  const taperMm = taperLengthMm(piece) + HALF_LOOK_MM;
  return (
    stationMm >= piece.startMm + taperMm &&
    stationMm <= piece.endMm - taperMm &&
    (piece.notches ?? []).every(({ fromMm, toMm }) =>
      [fromMm, toMm].every((side) => Math.abs(side - stationMm) > HALF_LOOK_MM),
    )
  );
}

/** Folds strictly within a run; only open sections are bolted. */
const foldsWithin = (shape: MemberShape, uFromMm: number, uToMm: number): number[] =>
  facesOf(shape)
    .map(({ uStartMm }) => uStartMm)
    .filter((uMm) => uMm > Math.max(0, uFromMm) + 1e-6 && uMm < uToMm - 1e-6);

function offFolds(uMm: number, folds: readonly number[], clearMm: number): number {
  const near = folds.find((fold) => Math.abs(fold - uMm) < clearMm);
  return near === undefined ? uMm : near + (uMm < near ? -clearMm : clearMm);
}

/** What a piece and those that lie on the wall's other side beneath it cover together at a station, and which these are. */
function sharedBand(member: Member, repair: BoltedRepair, piece: Piece, stationMm: number) {
  const own = coverageAt(member, piece, stationMm);
  if (!own) return undefined;
  const beneath = acrossFrom(repair, piece).flatMap((other) => {
    const cover = coverageAt(member, other, stationMm);
    return cover && cover.uFromMm < own.uToMm && cover.uToMm > own.uFromMm ? [{ other, cover }] : [];
  });
  const band = {
    uFromMm: Math.max(own.uFromMm, ...beneath.map(({ cover }) => cover.uFromMm)),
    uToMm: Math.min(own.uToMm, ...beneath.map(({ cover }) => cover.uToMm)),
  };
  return { band, pieces: [piece, ...beneath.map(({ other }) => other)] };
}

/** Pieces of a repair on the wall's other side. */
const acrossFrom = ({ pieces }: BoltedRepair, piece: Piece): Piece[] =>
  pieces.filter((other) => isInside(other) !== isInside(piece));

/**
 * Stations of a piece's bolts: one grid through all its repair's pieces, from their middle, an edge's distance inside its ends and none nearer than that to an
 * end of a plate across the wall: there it would go through a plate that has no metal left for its hole, or its washer would ride on the plate's edge.
 */
export function boltStationsMm(repair: BoltedRepair, piece: Piece): number[] {
  const { diameterMm, pitchMm } = repair.bolts;
  const { fromMm, toMm } = reachOf(repair);
  const middleMm = (fromMm + toMm) / 2;
  const edgeMm = leastEdgeMm(diameterMm);
  const [first, last] = [
    Math.ceil((piece.startMm + edgeMm - middleMm) / pitchMm - 1e-6),
    Math.floor((piece.endMm - edgeMm - middleMm) / pitchMm + 1e-6),
  ];
  const ends = acrossFrom(repair, piece).flatMap(({ startMm, endMm }) => [startMm, endMm]);
  return Array.from(
    { length: Math.max(0, last - first + 1) },
    (_, k) => middleMm + (first + k) * pitchMm,
  ).filter((mm) => ends.every((end) => Math.abs(end - mm) >= edgeMm - 1e-6));
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
