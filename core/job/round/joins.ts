import { minus, unit, type Vector } from '../../geometry';
import { boltsOf, coverageAt, drainsOf, isBolted, taperLengthMm, type Piece } from '../../shape';
import { platePoint } from '../../weigh';
import type { WorkedRepair } from '../worked-repair';
import type { RoundFace } from './face';
import { inRound, outOf, platedStations, type Stretch } from './stretch';

/** Welds go half as far as their plate when it is pulled off: they are made of both. */
const half = ([x, y, z]: Vector): Vector => [0.5 * x, 0.5 * y, 0.5 * z];

type Line = WorkedRepair['joined']['lines'][number];

/** Fillets of a repair: along each edge where it lands, in runs where it is welded in runs, and at each end that is welded. What stays open has none. */
export function weldFaces(
  stretch: Stretch,
  { repair, pieces, joined }: Pick<WorkedRepair, 'repair' | 'pieces' | 'joined'>,
): RoundFace[] {
  return repair.pieces.flatMap((piece) => {
    const lines = joined.lines.filter(
      ({ pieceId, kind, leftOpen }) => pieceId === piece.id && kind === 'fillet' && leftOpen === undefined,
    );
    const seen = pieces.find((each) => each.piece.id === piece.id);
    if (lines.length === 0 || !seen) return [];
    const legMm = Math.max(...lines.map((line) => line.legMm));
    return fillets(stretch, piece, { lines, legMm });
  });
}

/** An edge of a piece between two stations is welded where a line of it lies there, a run of it where it is welded in runs. */
function isWelded(lines: readonly Line[], piece: Piece, side: 0 | 1, stationMm: number): boolean {
  const taper = taperLengthMm(piece);
  if (stationMm < piece.startMm + taper || stationMm > piece.endMm - taper)
    return lines.some(
      ({ place, fromMm, toMm }) =>
        (place === 'front end' || place === 'rear end') && stationMm >= fromMm - 1 && stationMm <= toMm + 1,
    );
  const along = lines.filter(
    ({ place, fromMm, toMm }) =>
      !place.endsWith('end') && stationMm >= fromMm && stationMm <= toMm && sideOf(place) !== 1 - side,
  );
  return along.some(({ runs, fromMm }) => !runs || (stationMm - fromMm) % runs.pitchMm < runs.lengthMm);
}

/** Which lengthwise edge a line's place is, where its name tells: the first one lies higher. */
const sideOf = (place: Line['place']): 0 | 1 | undefined =>
  place === 'upper edge' ? 0 : place === 'lower edge' || place === 'flange tip' ? 1 : undefined;

function fillets(
  stretch: Stretch,
  piece: Piece,
  { lines, legMm }: { readonly lines: readonly Line[]; readonly legMm: number },
): RoundFace[] {
  const { member, surface } = stretch.picture;
  const place = inRound(member);
  const out = half(outOf(stretch, piece));
  const at = (stationMm: number, u: number, offMm: number): Vector =>
    place(stationMm, platePoint(surface, u, offMm, piece.inside) as readonly [number, number]);
  const faces: RoundFace[] = [];
  const stations = platedStations(stretch, piece);
  stations.slice(1).forEach((toMm, k) => {
    const fromMm = stations[k]!;
    const [a, b] = [fromMm + 1e-3, toMm - 1e-3].map((mm) => coverageAt(member, piece, mm));
    if (!a || !b) return;
    for (const side of [0, 1] as const) {
      if (!isWelded(lines, piece, side, (fromMm + toMm) / 2)) continue;
      const [u, v, away] = side === 0 ? [a.uFromMm, b.uFromMm, -legMm] : [a.uToMm, b.uToMm, legMm];
      const corners = [
        at(fromMm, u, legMm),
        at(toMm, v, legMm),
        at(toMm, v + away, 0),
        at(fromMm, u + away, 0),
      ];
      faces.push({ part: 'weld', corners, out });
    }
  });
  for (const [station, place_, step] of [
    [piece.startMm, 'front end', -1],
    [piece.endMm, 'rear end', 1],
  ] as const) {
    const cover = coverageAt(member, piece, station - step * 1e-3);
    if (!cover || !lines.some((line) => line.place === place_)) continue;
    const us = Array.from({ length: 7 }, (_, n) => cover.uFromMm + ((cover.uToMm - cover.uFromMm) * n) / 6);
    us.slice(1).forEach((u, n) => {
      const before = us[n]!;
      const beyond = station + step * legMm;
      faces.push({
        part: 'weld',
        corners: [at(station, before, legMm), at(station, u, legMm), at(beyond, u, 0), at(beyond, before, 0)],
        out,
      });
    });
  }
  return faces;
}

/** A round thing on a piece's outside: a disc of so many corners. */
function disc(centre: Vector, normal: Vector, radiusMm: number, corners = 10): Vector[] {
  const along: Vector = [1, 0, 0];
  const across = unit([
    normal[1] * along[2] - normal[2] * along[1],
    normal[2] * along[0] - normal[0] * along[2],
    normal[0] * along[1] - normal[1] * along[0],
  ]);
  return Array.from({ length: corners }, (_, k): Vector => {
    const [c, s] = [Math.cos((2 * Math.PI * k) / corners), Math.sin((2 * Math.PI * k) / corners)];
    return [0, 1, 2].map(
      (n) => centre[n]! + radiusMm * (c * along[n]! + s * across[n]!),
    ) as unknown as Vector;
  });
}

/** Above the skin by so much, so that neither hides the other, mm. */
const ABOVE_MM = 0.6;

/** Drains of a repair's caps, as dark rounds in their underside. */
export function drainFaces(stretch: Stretch, { repair }: WorkedRepair): RoundFace[] {
  const { picture } = stretch;
  const { member, surface } = picture;
  const place = inRound(member);
  return repair.pieces.flatMap((piece) =>
    drainsOf(member, repair, piece, {
      practice: { ...picture.practice, drains: picture.ways.drains },
      zones: picture.zones,
    }).map(({ stationMm, uMm, diameterMm }): RoundFace => {
      const on = (off: number) =>
        place(stationMm, platePoint(surface, uMm, off, piece.inside) as readonly [number, number]);
      const centre = on(piece.thicknessMm + ABOVE_MM);
      return {
        part: 'drain',
        corners: disc(centre, unit(minus(centre, on(0))), diameterMm / 2),
        out: outOf(stretch, piece),
      };
    }),
  );
}

/** Bolt heads, six-sided, once and a half as wide as their bolt and two thirds as high. */
export function boltFaces(stretch: Stretch, { repair }: WorkedRepair): RoundFace[] {
  if (!isBolted(repair)) return [];
  const { member, surface } = stretch.picture;
  const place = inRound(member);
  const { diameterMm } = repair.bolts;
  return boltsOf(member, repair).flatMap(({ stationMm, uMm, pieceIds }) => {
    const piece = repair.pieces.find(({ id }) => id === pieceIds[0])!;
    const on = (off: number) =>
      place(stationMm, platePoint(surface, uMm, off, piece.inside) as readonly [number, number]);
    const [foot, head] = [on(piece.thicknessMm), on(piece.thicknessMm + 0.65 * diameterMm)];
    const normal = unit(minus(head, foot));
    const [low, high] = [foot, head].map((centre) => disc(centre, normal, 0.75 * diameterMm, 6)) as [
      Vector[],
      Vector[],
    ];
    const sides = low.map((corner, k) => [corner, low[(k + 1) % 6]!, high[(k + 1) % 6]!, high[k]!]);
    const [x, y, z] = outOf(stretch, piece);
    const out: Vector = [1.4 * x, 1.4 * y, 1.4 * z];
    return [high, ...sides].map((corners): RoundFace => ({ part: 'bolt', corners, out }));
  });
}
