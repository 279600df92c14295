import { ONE_SIDED_95 } from '../quantity';
import { baseMetalStrengthNPerMm, filletStrengthNPerMm } from '../mechanics';
import { BESIDE_TOE_MM, boltHoleMm, chosenLegMm, FILLER_TENSILE_MPA } from '../reference';
import { cellIs, columnsUnder, type CellIs } from '../metal';
import { edgeAt, KNOWN, wallAt, type WallProfile } from '../probe';
import { developedWidthMm, faceAtU, heightOnFace, onSheet, type Face, type Member } from '../frame';
import { unrolledPath, type Crack } from '../trace';
import { type CutBand, type MemberPicture, type PlateBand, type SectionChange } from '../weigh';
import { formOf } from './forms';
import {
  boltRowsAt,
  boltsOf,
  boltStationsMm,
  boltStrengthN,
  isBolted,
  isInMakersHole,
  platesThrough,
  type Bolt,
  type BoltedRepair,
} from './bolting';
import { coverageAt, isInside, taperLengthMm, type Bolts, type Piece, type Repair } from './repair';

/** Share of yield a plate is counted at when nothing is known of the load: 0.67 Fy (common practice, no source). */
export const PLATE_STRESS_SHARE = 0.67;

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

/** So far from a wrapped piece's end its end weld lies at least, mm. */
const END_RING_MM = 25;

/**
 * A piece that goes all the way round bears on what is beneath at a quarter's distance; at its ends each quarter of the ring must be sound for the end
 * weld. What does not land stands first.
 */
function ringsAt(picture: MemberPicture, piece: Piece, stationMm: number): EdgeLanding[] {
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
    const lands = under.thicknessMm >= picture.soundMm;
    return { ...base, wallMm: under.lowerMm, lands, why: lands ? 'sound' : 'unsound' };
  });
  return quarters.sort((a, b) => Number(a.lands) - Number(b.lands));
}

/**
 * Development of a wrapped piece, mm: its end weld takes the whole force in at once where it is strong enough all round; else nothing of it counts.
 */
function ringedInMm(picture: MemberPicture, piece: Piece, end: 'start' | 'finish'): number {
  const stationMm = end === 'start' ? piece.startMm : piece.endMm;
  const ring = ringsAt(picture, piece, stationMm);
  const longer = piece.taperMm > 0 ? Math.SQRT2 : 1;
  const takesN = ring
    .filter(({ lands }) => lands)
    .reduce((sum, edge) => sum + edgeStrengthNPerMm(picture, piece, edge) * edge.face.widthMm * longer, 0);
  return takesN >= plateForceN(picture, piece) ? Math.max(END_RING_MM, taperLengthMm(piece)) : Infinity;
}

/** What of a repair says how its plates are held. */
export type Joined = Pick<Repair, 'pieces' | 'bolts'>;

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
  const sound = under.thicknessMm >= picture.soundMm;
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
  const sound = under.thicknessMm >= picture.soundMm;
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

/** Where bad metal is cut away: over the zone, from the plate's covered side up to the sound edge's bound. */
export function cutsAt(picture: MemberPicture, repair: Repair, stationMm: number): CutBand[] {
  if (!repair.cutOut || isBolted(repair)) return [];
  const zone = picture.zones.find(
    (candidate) => stationMm >= candidate.fromMm && stationMm <= candidate.toMm,
  );
  if (!zone) return [];
  return repair.pieces
    .filter((piece) => formOf(piece.kind).replaces)
    .flatMap((piece) => {
      const cover = coverageAt(picture.member, piece, stationMm);
      if (!cover) return [];
      const laps = landingsAt(picture, repair, piece, stationMm);
      const trim = (edge: EdgeLanding) => (edge.lapMm !== undefined && edge.lapMm > 0 ? edge.lapMm : 0);
      const [first, last] = laps;
      return first && last ? [{ uFromMm: cover.uFromMm + trim(first), uToMm: cover.uToMm - trim(last) }] : [];
    });
}

/** Whether a crack goes with the metal that a repair cuts away, all of it. */
export function cutsAway(picture: MemberPicture, repair: Repair, crack: Pick<Crack, 'path'>): boolean {
  const { shape } = picture.member;
  const aroundMm = developedWidthMm(shape);
  return unrolledPath(shape, crack.path).every(([stationMm, u]) =>
    cutsAt(picture, repair, stationMm).some(({ uFromMm, uToMm }) =>
      [u - aroundMm, u, u + aroundMm].some((at) => at > uFromMm && at < uToMm),
    ),
  );
}

/** A station's change by a repair. A plate counts only beyond the development length from both its ends. */
export function repairedChange(picture: MemberPicture, repair: Repair): (stationMm: number) => SectionChange {
  const reach = repair.pieces.map((piece) => ({ piece, ...carryingReach(picture, repair, piece) }));
  return (stationMm) => ({
    cuts: cutsAt(picture, repair, stationMm),
    plates: reach
      .filter(({ startMm, endMm }) => stationMm >= startMm && stationMm <= endMm)
      .flatMap(({ piece }) => plateBand(picture, repair, piece, stationMm)),
  });
}

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

/** What drilling leaves of a plate's width, smeared over it; a welded one keeps all. */
function keptBesideHoles(member: Member, repair: Repair, piece: Piece, stationMm: number): number {
  const cover = coverageAt(member, piece, stationMm);
  if (!isBolted(repair) || !cover) return 1;
  const drilledMm = boltRowsAt(member, repair, piece, stationMm).length * boltHoleMm(repair.bolts.diameterMm);
  return Math.max(0, 1 - drilledMm / Math.max(1e-6, cover.uToMm - cover.uFromMm));
}

/** The wall with what drilling takes out of it at a station, every row as if a bolt stood there. */
export function drilledWall(
  { member, surface }: MemberPicture,
  repairs: readonly Repair[],
  stationMm: number,
  wall: WallProfile,
): WallProfile {
  const halfMm = (repair: BoltedRepair) => boltHoleMm(repair.bolts.diameterMm) / 2;
  const bands = repairs.filter(isBolted).flatMap((repair) =>
    repair.pieces
      .flatMap((piece) => boltRowsAt(member, repair, piece, stationMm))
      .map((uMm) => onSheet(member.shape, uMm))
      .filter((uMm, k, all) => all.findIndex((each) => Math.abs(each - uMm) < 1) === k)
      .map((uMm) => [uMm - halfMm(repair), uMm + halfMm(repair)] as const),
  );
  if (bands.length === 0) return wall;
  const thicknessMm = wall.thicknessMm.map((mm, row) => {
    const [from, to] = [surface.edgeUMm[row]!, surface.edgeUMm[row + 1]!];
    const goneMm = bands.reduce(
      (sum, [low, high]) => sum + Math.max(0, Math.min(to, high) - Math.max(from, low)),
      0,
    );
    return mm * Math.max(0, 1 - goneMm / (to - from));
  });
  return { ...wall, thicknessMm };
}

function plateBand(picture: MemberPicture, repair: Repair, piece: Piece, stationMm: number): PlateBand[] {
  const cover = coverageAt(picture.member, piece, stationMm);
  if (!cover) return [];
  const weldedAtUMm = landingsAt(picture, repair, piece, stationMm)
    .filter((edge) => edge.lands)
    .map((edge) => edge.uMm);
  const { uFromMm, uToMm } = cover;
  return [
    {
      uFromMm,
      uToMm,
      thicknessMm: piece.thicknessMm * keptBesideHoles(picture.member, repair, piece, stationMm),
      weldedAtUMm,
      carries: true,
      ...(isInside(piece) && { inside: true }),
      ...(formOf(piece.kind).wraps && { closes: true }),
    },
  ];
}
