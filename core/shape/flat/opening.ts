import { rectClip } from 'clipper2-ts';
import type { Point } from '../../geometry';
import type { MemberPicture } from '../../weigh';
import { formOf } from '../forms';
import { cutsAt } from '../plating';
import type { Repair } from '../repair';

/** Bad metal that is cut out beneath a piece, on the Strip: closed, (station, u). */
export interface Opening {
  readonly pieceId: string;
  readonly outline: readonly Point[];
}

/** Nearer than this to a straight line a corner is none, mm. */
const STRAIGHT_MM = 0.05;

/** What each piece's opening is, zone by zone. An overlay has none. */
export function openingsOf(picture: MemberPicture, repair: Repair): Opening[] {
  if (!repair.cutOut) return [];
  const columns = [...(picture.found?.stationsMm ?? [])];
  return repair.pieces
    .filter(({ kind }) => formOf(kind).replaces)
    .flatMap((piece) =>
      picture.zones.flatMap(({ fromMm, toMm }): Opening[] => {
        const [from, to] = [Math.max(fromMm, piece.startMm), Math.min(toMm, piece.endMm)];
        if (!(to > from)) return [];
        const stations = [from, ...columns.filter((mm) => mm > from && mm < to), to];
        const bands = stations.flatMap((stationMm) =>
          cutsAt(picture, { ...repair, pieces: [piece] }, stationMm)
            .slice(0, 1)
            .map(({ uFromMm, uToMm }) => ({ stationMm, uFromMm, uToMm })),
        );
        if (bands.length < 2) return [];
        const outline = [
          ...bands.map(({ stationMm, uFromMm }): Point => [stationMm, uFromMm]),
          ...[...bands].reverse().map(({ stationMm, uToMm }): Point => [stationMm, uToMm]),
        ];
        return [{ pieceId: piece.id, outline: withoutStraight(outline) }];
      }),
    );
}

/** Corners that lie on the line between their neighbours are left out. */
function withoutStraight(points: readonly Point[]): Point[] {
  const kept: Point[] = [];
  points.forEach((at, k) => {
    const before = kept[kept.length - 1] ?? points[points.length - 1]!;
    const after = points[(k + 1) % points.length]!;
    const chord = Math.hypot(after[0] - before[0], after[1] - before[1]);
    const off =
      Math.abs((after[0] - before[0]) * (at[1] - before[1]) - (after[1] - before[1]) * (at[0] - before[0])) /
      Math.max(1e-9, chord);
    if (off > STRAIGHT_MM) kept.push(at);
  });
  return kept;
}

/** Wider than any wall is round, mm. */
const ALL_ROUND_MM = 1e5;
/** Clipping is done in whole ten-thousandths of a millimetre: the library takes a rectangle that begins at a whole number for one in whole numbers. */
const PER_MM = 1e4;
const whole = (mm: number): number => Math.round(mm * PER_MM);

/** What of an opening lies between two stations. */
export const clippedAlong = (outline: readonly Point[], fromMm: number, toMm: number): Point[][] =>
  rectClip(
    { left: whole(fromMm), top: whole(-ALL_ROUND_MM), right: whole(toMm), bottom: whole(ALL_ROUND_MM) },
    outline.map(([x, y]) => ({ x: whole(x), y: whole(y) })),
  ).map((path) => path.map(({ x, y }): Point => [x / PER_MM, y / PER_MM]));
