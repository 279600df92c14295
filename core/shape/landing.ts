import { ONE_SIDED_95 } from '../quantity';
import { BESIDE_TOE_MM, chosenLegMm } from '../reference';
import { cellIs, columnsUnder, type CellIs } from '../metal';
import { edgeAt, KNOWN, soundThresholdMm, wallAt, type WallProfile } from '../probe';
import { faceAtU, heightOnFace, onSheet, type Face } from '../frame';
import type { MemberPicture } from '../weigh';
import { formOf } from './forms';
import { boltRowsAt, isBolted, isInMakersHole } from './bolting';
import { coverageAt, isInside, taperLengthMm, type Bolts, type Piece, type Repair } from './repair';

/** An edge of a piece at a station, or a row of its bolts, and whether its weld or its bolt lands there. */
export interface EdgeLanding {
  readonly uMm: number;
  readonly face: Face;
  readonly lands: boolean;
  readonly why:
    | 'sound'
    | 'struck'
    | 'unsound'
    | 'not measured'
    | 'above the corner'
    | 'meets the other cap'
    | 'in a hole';
  /** Sound metal from the edge's conservative bound to the plate's edge; uprights only. */
  readonly lapMm?: number;
  /** Lower-bound wall under the weld. */
  readonly wallMm: number;
}

/** Both lengthwise edges of a piece at a station, or its rows of bolts. Empty beyond its ends or when nothing was measured. */
export function landingsAt(
  picture: MemberPicture,
  repair: Joined,
  piece: Piece,
  stationMm: number,
): EdgeLanding[] {
  const cover = coverageAt(picture.member, piece, stationMm);
  if (!cover || !picture.found) return [];
  if (isBolted(repair)) {
    const wall = wallAt(picture.found, stationMm);
    return boltRowsAt(picture.member, repair, piece, stationMm).map((uMm) =>
      boltLanding(picture, repair.bolts, { wall, stationMm, uMm }),
    );
  }
  if (formOf(piece.kind).wraps) return ringsAt(picture, piece, stationMm);
  const wall = wallAt(picture.account.welded, stationMm);
  const legMm = chosenLegMm(piece.thicknessMm, picture.built.thicknessMm);
  const edges = [
    landing(picture, { wall, stationMm, legMm }, cover.uFromMm, -1),
    landing(picture, { wall, stationMm, legMm }, cover.uToMm, 1),
  ];
  return edges.map((edge) =>
    meetsAnotherPiece(picture, repair, piece, { uMm: edge.uMm, stationMm, legMm })
      ? { ...edge, lands: true, why: 'meets the other cap', wallMm: piece.thicknessMm }
      : edge,
  );
}

/** What of a repair says how its plates are held. */
export type Joined = Pick<Repair, 'pieces' | 'bolts'>;

/** So far from a wrapped piece's end its end weld lies at least, mm. */
export const END_RING_MM = 25;

/**
 * A piece that goes all the way round bears on what is beneath at a quarter's distance; at its ends each quarter of the ring must be sound for the end
 * weld. What does not land stands first.
 */
export function ringsAt(picture: MemberPicture, piece: Piece, stationMm: number): EdgeLanding[] {
  const { surface, member } = picture;
  const reachMm = Math.max(END_RING_MM, taperLengthMm(piece));
  const isAtEnd =
    (piece.startMm > 1 && stationMm - piece.startMm <= reachMm) ||
    (piece.endMm < member.lengthMm - 1 && piece.endMm - stationMm <= reachMm);
  const wall = wallAt(picture.account.welded, stationMm);
  const quarters = surface.faces.map((face): EdgeLanding => {
    const base = { uMm: face.uStartMm, face };
    if (!isAtEnd) return { ...base, lands: true, why: 'meets the other cap', wallMm: piece.thicknessMm };
    const under = bandUnder(picture, wall, face, face.uStartMm, face.uStartMm + face.widthMm);
    if (under.guessed) {
      const heldMm = heldUnder(picture, stationMm, under.rows);
      return heldMm === undefined
        ? { ...base, wallMm: under.lowerMm, lands: false, why: 'not measured' }
        : { ...base, wallMm: heldMm, lands: true, why: 'struck' };
    }
    const lands = under.thicknessMm >= soundThresholdMm(face.wallMm, picture.practice);
    return { ...base, wallMm: under.lowerMm, lands, why: lands ? 'sound' : 'unsound' };
  });
  return quarters.sort((a, b) => Number(a.lands) - Number(b.lands));
}

/** A bolt grips as far as its washer: that much of the wall must be sound, and no hole of the maker's in it. */
function boltLanding(
  picture: MemberPicture,
  bolts: Bolts,
  { wall, stationMm, uMm }: { readonly wall: WallProfile; readonly stationMm: number; readonly uMm: number },
): EdgeLanding {
  const { shape } = picture.member;
  const sheetU = onSheet(shape, uMm);
  const face = faceAtU(shape, sheetU);
  const under = bandUnder(picture, wall, face, sheetU - bolts.diameterMm, sheetU + bolts.diameterMm);
  const base = { uMm, face, wallMm: under.lowerMm };
  if (isInMakersHole(picture.member, bolts, stationMm, uMm))
    return { ...base, lands: false, why: 'in a hole' };
  const edge =
    face.upright && under.guessed ? picture.edges.find((each) => each.face === face.id) : undefined;
  const at = edge && edgeAt(edge, stationMm);
  // Between readings far apart the bracketed edge says where rust surely ends.
  if (at && at.kind !== 'not read further down') {
    const isAbove = at.upperMm <= 0 || heightOnFace(face, sheetU) - bolts.diameterMm >= at.upperMm - 1e-6;
    if (!isAbove) return { ...base, lands: false, why: 'unsound' };
  }
  if (under.guessed) {
    const heldMm = heldUnder(picture, stationMm, under.rows);
    return heldMm === undefined
      ? { ...base, lands: false, why: 'not measured' }
      : { ...base, lands: true, why: 'struck', wallMm: heldMm };
  }
  const sound = under.thicknessMm >= soundThresholdMm(face.wallMm, picture.practice);
  return { ...base, lands: sound, why: sound ? 'sound' : 'unsound' };
}

/** Whether another piece's edge lies within one shared weld of this one. */
function meetsAnotherPiece(
  picture: MemberPicture,
  repair: Pick<Repair, 'pieces'>,
  piece: Piece,
  {
    uMm: edgeUMm,
    stationMm,
    legMm,
  }: { readonly uMm: number; readonly stationMm: number; readonly legMm: number },
): boolean {
  const sheetU = onSheet(picture.member.shape, edgeUMm);
  return repair.pieces.some((other) => {
    const isBeside = other.id !== piece.id && isInside(other) === isInside(piece);
    const cover = isBeside && coverageAt(picture.member, other, stationMm);
    return (
      cover &&
      [cover.uFromMm, cover.uToMm].some(
        (uMm) => Math.abs(onSheet(picture.member.shape, uMm) - sheetU) <= 2.2 * legMm,
      )
    );
  });
}

/**
 * The weld along an edge covers `legMm` of wall outside the plate; it and 1/8 in to each side must be sound.
 * `outward` is +1 where the wall outside the plate lies at greater u.
 */
function landing(
  picture: MemberPicture,
  {
    wall,
    stationMm,
    legMm,
  }: { readonly wall: WallProfile; readonly stationMm: number; readonly legMm: number },
  uMm: number,
  outward: 1 | -1,
): EdgeLanding {
  const sheetU = onSheet(picture.member.shape, uMm);
  const face = faceAtU(picture.member.shape, sheetU - outward * 1e-3);
  const under = bandUnder(
    picture,
    wall,
    face,
    sheetU - outward * BESIDE_TOE_MM,
    sheetU + outward * (legMm + BESIDE_TOE_MM),
  );
  const base = { uMm, face, wallMm: under.lowerMm };
  const upright = face.upright && uprightLanding(picture, face, sheetU, sheetU + outward * legMm, stationMm);
  if (upright && !(upright.lands && under.guessed)) return { ...base, ...upright };
  if (under.guessed) {
    const heldMm = heldUnder(picture, stationMm, under.rows);
    const known = { ...base, ...(upright && upright.lapMm !== undefined && { lapMm: upright.lapMm }) };
    return heldMm === undefined
      ? { ...known, lands: false, why: 'not measured' }
      : { ...known, lands: true, why: 'struck', wallMm: heldMm };
  }
  const sound = under.thicknessMm >= soundThresholdMm(face.wallMm, picture.practice);
  return { ...base, lands: sound, why: sound ? 'sound' : 'unsound' };
}

/** Thinnest row that a band of u touches on one face. */
function bandUnder(picture: MemberPicture, wall: WallProfile, face: Face, one: number, other: number) {
  const [low, high] = [Math.min(one, other), Math.max(one, other)];
  let thicknessMm = Infinity,
    lowerMm = Infinity,
    guessed = false;
  const rows: number[] = [];
  picture.surface.rowFace.forEach((rowFace, row) => {
    if (
      rowFace.id !== face.id ||
      picture.surface.edgeUMm[row]! >= high ||
      picture.surface.edgeUMm[row + 1]! <= low
    )
      return;
    rows.push(row);
    thicknessMm = Math.min(thicknessMm, wall.thicknessMm[row]!);
    lowerMm = Math.min(lowerMm, Math.max(0, wall.thicknessMm[row]! - ONE_SIDED_95 * wall.errorMm[row]!));
    guessed ||= wall.known[row] === KNOWN.guess;
  });
  return { thicknessMm, lowerMm: Number.isFinite(lowerMm) ? lowerMm : 0, guessed, rows };
}

/** The least that hammer or finger vouch for under a weld that nobody read; undefined where they do not. */
function heldUnder(
  { account }: MemberPicture,
  stationMm: number,
  rows: readonly number[],
): number | undefined {
  const [column] = columnsUnder(account.stationsMm, stationMm, stationMm);
  const isHeld = rows.every((row) => HELD.has(cellIs(account, row, column)));
  if (!isHeld || rows.length === 0) return undefined;
  return Math.min(...rows.map((row) => account.leastMm[row * account.stationsMm.length + column]!));
}
const HELD: ReadonlySet<CellIs> = new Set<CellIs>(['held', 'measured']);

/** On an upright face the bracketed edge decides, where it was read; else the map does. The weld lies from the plate's edge to its toe. */
function uprightLanding(
  picture: MemberPicture,
  face: Face,
  edgeUMm: number,
  toeUMm: number,
  stationMm: number,
): Pick<EdgeLanding, 'lands' | 'why' | 'lapMm'> | undefined {
  const edge = picture.edges.find((candidate) => candidate.face === face.id);
  const at = edge && edgeAt(edge, stationMm);
  const heights = [heightOnFace(face, edgeUMm), heightOnFace(face, toeUMm)];
  const [lowMm, highMm] = [Math.min(...heights), Math.max(...heights)];
  if (highMm + BESIDE_TOE_MM > face.widthMm + 1e-6) return { lands: false, why: 'above the corner' };
  if (!at || at.kind === 'not read further down') return undefined;
  // Sound down to the corner: an edge that tapers over the corner has sound metal under it all the way.
  const lands = at.upperMm <= 0 || lowMm - BESIDE_TOE_MM >= at.upperMm - 1e-6;
  return { lands, why: lands ? 'sound' : 'unsound', lapMm: heights[0]! - at.upperMm };
}
