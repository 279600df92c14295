import { boltHoleMm } from '../reference';
import type { WallProfile } from '../probe';
import { developedWidthMm, onSheet, type Member } from '../frame';
import { unrolledPath, type Crack } from '../trace';
import type { CutBand, MemberPicture, PlateBand, SectionChange } from '../weigh';
import { formOf } from './forms';
import { boltRowsAt, isBolted, type BoltedRepair } from './bolting';
import { carryingReach } from './development';
import { landingsAt, type EdgeLanding } from './landing';
import { coverageAt, isInside, type Piece, type Repair } from './repair';

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
