import type { Vector } from '../../geometry';
import { evenWall, surfacePoint, type Member } from '../../frame';
import { KNOWN, wallAt } from '../../probe';
import { coverageAt, cutsAt, reachOf, type Piece, type Repair } from '../../shape';
import { platePoint, type MemberPicture } from '../../weigh';
import { STAYS, type RoundFace } from './face';

/** A stretch of a member as it is looked at. */
export interface Stretch {
  readonly picture: MemberPicture;
  readonly fromMm: number;
  readonly toMm: number;
  /** Steps along it at most. */
  readonly mostSteps: number;
}

/** Rail shown past a repair's plates, mm. */
const PAST_MM = 220;
/** Longest step along the member, mm. */
const STEP_MM = 30;

/** A point of a member's section in the picture: a right-hand member's outer side lies to the right. */
export const inRound =
  ({ side }: Pick<Member, 'side'>) =>
  (stationMm: number, [x, y]: readonly [number, number]): Vector => [stationMm, y, side === 'right' ? x : -x];

export function stretchOf(picture: MemberPicture, pieces: readonly Piece[], mostSteps: number): Stretch {
  const { fromMm, toMm } = reachOf({ pieces });
  return {
    picture,
    mostSteps,
    fromMm: Math.max(0, fromMm - PAST_MM),
    toMm: Math.min(picture.member.lengthMm, toMm + PAST_MM),
  };
}

/** Even stations over a stretch, ends with them. */
export function stationsOver({ fromMm, toMm, mostSteps }: Omit<Stretch, 'picture'>): number[] {
  const steps = Math.max(1, Math.min(mostSteps, Math.ceil((toMm - fromMm) / STEP_MM)));
  return Array.from({ length: steps + 1 }, (_, k) => fromMm + ((toMm - fromMm) * k) / steps);
}

/** The member's wall, cell by cell: shaded by what is left of it, without what a repair cuts out. */
export function wallFaces(stretch: Stretch, repairs: readonly Repair[]): RoundFace[] {
  const { picture } = stretch;
  const { member, surface } = picture;
  const place = inRound(member);
  const made = evenWall(surface, picture.built.thicknessMm);
  const stations = stationsOver(stretch);
  return stations.slice(1).flatMap((toMm, k) => {
    const fromMm = stations[k]!;
    const middle = (fromMm + toMm) / 2;
    const wall = picture.found && wallAt(picture.found, middle);
    const cuts = repairs.flatMap((repair) => cutsAt(picture, repair, middle));
    return surface.rowFace.flatMap((face, row): RoundFace[] => {
      const [u0, u1] = [surface.edgeUMm[row]!, surface.edgeUMm[row + 1]!];
      const u = (u0 + u1) / 2;
      if (cuts.some(({ uFromMm, uToMm }) => u > uFromMm && u < uToMm)) return [];
      const isKnown = wall !== undefined && wall.known[row] !== KNOWN.guess;
      const kept = isKnown ? Math.max(0, Math.min(1, wall.thicknessMm[row]! / made[row]!)) : undefined;
      const at = (stationMm: number, uMm: number) => place(stationMm, surfacePoint(member.shape, face, uMm));
      const corners = [at(fromMm, u0), at(toMm, u0), at(toMm, u1), at(fromMm, u1)];
      // What is rusted away is a hole one looks through.
      return kept !== undefined && kept < GONE
        ? []
        : [{ part: 'wall', corners, out: STAYS, ...(kept !== undefined && { kept }) }];
    });
  });
}
/** Less of a wall than this is none. */
const GONE = 0.03;

/** Which way a piece is pulled off: the mean of the faces it lies on, outward, or inward from inside. */
export function outOf({ picture }: Stretch, piece: Piece): Vector {
  const { member, surface } = picture;
  const place = inRound(member);
  const middle = (piece.startMm + piece.endMm) / 2;
  const cover = coverageAt(member, piece, middle);
  if (!cover) return STAYS;
  const us = Array.from(
    { length: 9 },
    (_, k) => cover.uFromMm + ((cover.uToMm - cover.uFromMm) * (k + 0.5)) / 9,
  );
  const pull = us.reduce<[number, number]>(
    ([x, y], u) => {
      const near = platePoint(surface, u, 0, piece.inside);
      const far = platePoint(surface, u, 1, piece.inside);
      return [x + far[0] - near[0], y + far[1] - near[1]];
    },
    [0, 0],
  );
  const length = Math.hypot(...pull) || 1;
  const [, y, z] = place(0, [pull[0] / length, pull[1] / length]);
  return [0, y, z];
}

/** A hair inside a station, so that a piece's ends and steps are those of the stretch beside. */
const HAIR_MM = 1e-3;

/** Edges of the wall's rows between two developed coordinates; a closed section's go on round. */
function rowsBetween(surface: MemberPicture['surface'], fromUMm: number, toUMm: number): number[] {
  const around = surface.edgeUMm[surface.edgeUMm.length - 1]!;
  const turns = surface.closed ? [-around, 0, around] : [0];
  return [...new Set(turns.flatMap((turn) => [...surface.edgeUMm].map((u) => u + turn)))]
    .filter((u) => u > fromUMm && u < toUMm)
    .sort((a, b) => a - b);
}

/** Developed coordinates a piece is drawn through at a station: its edges, and every row of the wall between. */
function stopsAt(member: Member, piece: Piece, stationMm: number, rows: readonly number[]) {
  const cover = coverageAt(member, piece, stationMm);
  if (!cover) return undefined;
  const clamped = rows.map((u) => Math.min(Math.max(u, cover.uFromMm), cover.uToMm));
  return [cover.uFromMm, ...clamped, cover.uToMm];
}

/** A plate as a slab: outer and inner skin, its lengthwise edges, its ends. */
export function plateFaces(stretch: Stretch, piece: Piece): RoundFace[] {
  const { picture } = stretch;
  const { member, surface } = picture;
  const place = inRound(member);
  const out = outOf(stretch, piece);
  const whole = coverageAt(member, piece, (piece.startMm + piece.endMm) / 2)!;
  const rows = rowsBetween(surface, whole.uFromMm, whole.uToMm);
  const at = (stationMm: number, u: number, offMm: number): Vector =>
    place(stationMm, platePoint(surface, u, offMm, piece.inside) as readonly [number, number]);
  const t = piece.thicknessMm;
  const face = (corners: Vector[]): RoundFace => ({ part: 'plate', corners, out });
  const stations = platedStations(stretch, piece);
  const faces: RoundFace[] = [];
  stations.slice(1).forEach((toMm, k) => {
    const fromMm = stations[k]!;
    const [a, b] = [fromMm + HAIR_MM, toMm - HAIR_MM].map((mm) => stopsAt(member, piece, mm, rows));
    if (!a || !b) return;
    for (let n = 1; n < a.length; n++) {
      if (a[n]! - a[n - 1]! < 1e-6 && b[n]! - b[n - 1]! < 1e-6) continue;
      for (const off of [t, 0])
        faces.push(
          face([
            at(fromMm, a[n - 1]!, off),
            at(toMm, b[n - 1]!, off),
            at(toMm, b[n]!, off),
            at(fromMm, a[n]!, off),
          ]),
        );
    }
    for (const [u, v] of [
      [a[0]!, b[0]!],
      [a[a.length - 1]!, b[b.length - 1]!],
    ] as const)
      faces.push(face([at(fromMm, u, 0), at(toMm, v, 0), at(toMm, v, t), at(fromMm, u, t)]));
  });
  for (const [station, inward] of [
    [piece.startMm, HAIR_MM],
    [piece.endMm, -HAIR_MM],
  ] as const) {
    const stops = stopsAt(member, piece, station + inward, rows);
    stops?.slice(1).forEach((u, n) => {
      const before = stops[n]!;
      if (u - before > 1e-6)
        faces.push(
          face([at(station, before, 0), at(station, u, 0), at(station, u, t), at(station, before, t)]),
        );
    });
  }
  return faces;
}

/** Even stations under a piece, and where its outline turns. */
export function platedStations(stretch: Stretch, { startMm, endMm, taperMm, notches = [] }: Piece): number[] {
  const even = stationsOver(stretch).filter((mm) => mm > startMm && mm < endMm);
  const taper = Math.min(taperMm, 0.45 * (endMm - startMm));
  const all = [
    startMm,
    startMm + taper,
    endMm - taper,
    endMm,
    ...notches.flatMap(({ fromMm, toMm }) => [fromMm, toMm]),
    ...even,
  ];
  return [...new Set(all)]
    .filter((mm) => mm >= startMm && mm <= endMm)
    .sort((a, b) => a - b)
    .filter((mm, k, sorted) => k === 0 || mm - sorted[k - 1]! > 0.1);
}
