import { schoolMarginMm, weldableMm } from '../../reference';
import { edgeAt, marginAtMm, wallAt } from '../../probe';
import { faceOf, heightOnFace } from '../../frame';
import { ONE_SIDED_95, inchesToMm } from '../../quantity';
import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';
import { actOn } from '../mended';

/** Sound metal left below the top corner against what the shop's school wants to weld to. */
export function soundEdgeMargin(picture: MemberPicture): Finding[] {
  const limit = schoolMarginMm(picture.ways.margin);
  const least = picture.edges
    .flatMap((edge) =>
      edge.columns
        .filter(
          (column) =>
            column.kind === 'bracketed' || column.kind === 'felt' || column.kind === 'no sound metal read',
        )
        .map((column) => ({
          stationMm: column.stationMm,
          marginMm: marginAtMm(edge, column.stationMm)!,
          bracketMm: column.upperMm - column.lowerMm,
        })),
    )
    .sort((a, b) => a.marginMm - b.marginMm)[0];
  if (!least) return [];
  const short = least.marginMm < limit;
  return [
    {
      code: short ? 'margin-short' : 'margin-enough',
      verdict: actOn(picture),
      quantity: 'length',
      value: least.marginMm,
      plusMinus: least.bracketMm,
      limit,
      source: 'school',
      at: { fromMm: least.stationMm, toMm: least.stationMm },
      firmness:
        short && least.marginMm + least.bracketMm >= limit ? 'could flip with one more reading' : 'firm',
    },
  ];
}

/** Columns in a damaged zone whose edge has no bottom or no top to its bracket. */
export function edgeNotBracketed(picture: MemberPicture): Finding[] {
  const open = picture.edges.flatMap((edge) =>
    edge.columns.filter(
      (column) =>
        column.kind === 'no sound metal read' ||
        (column.kind === 'not read further down' &&
          picture.zones.some((zone) => column.stationMm >= zone.fromMm && column.stationMm <= zone.toMm)),
    ),
  );
  if (open.length === 0) return [];
  const stations = open.map((column) => column.stationMm);
  return [
    {
      code: 'edge-not-bracketed',
      verdict: 'Can’t say',
      quantity: 'count',
      value: open.length,
      limit: 0,
      source: 'practice',
      at: { fromMm: Math.min(...stations), toMm: Math.max(...stations) },
      firmness: 'open',
    },
  ];
}

/** Columns farther apart than this leave the edge between them open: 12 in, from trials on seeded rails (our judgement). */
const OPEN_FROM_MM = inchesToMm(12);

/** In a damaged zone, columns so far apart that the edge may climb between them unseen. */
export function edgeOpenBetween(picture: MemberPicture): Finding[] {
  const gaps = picture.edges.flatMap(({ columns }) =>
    columns.slice(1).flatMap((column, k) => {
      const before = columns[k]!;
      const isOpen =
        column.stationMm - before.stationMm > OPEN_FROM_MM &&
        !(column.kind === 'sound to the corner' && before.kind === 'sound to the corner') &&
        picture.zones.some((zone) => zone.fromMm < column.stationMm && zone.toMm > before.stationMm);
      return isOpen ? [{ fromMm: before.stationMm, toMm: column.stationMm }] : [];
    }),
  );
  const widest = gaps.sort((a, b) => b.toMm - b.fromMm - (a.toMm - a.fromMm))[0];
  if (!widest) return [];
  return [
    {
      code: 'edge-open-between',
      verdict: 'Can’t say',
      quantity: 'length',
      value: widest.toMm - widest.fromMm,
      limit: OPEN_FROM_MM,
      source: 'practice',
      at: widest,
      firmness: 'open',
    },
  ];
}

/** The band above the sound edge must be thick enough to weld by its lower bound, or the edge weld lands on foil. */
export function thinLanding(picture: MemberPicture): Finding[] {
  const { map, practice } = picture;
  if (!map) return [];
  const limit = weldableMm(picture.member.shape.thicknessMm, practice);
  let worst: { stationMm: number; thicknessMm: number; errorMm: number } | undefined;
  for (const zone of picture.zones) {
    for (const stationMm of map.stationsMm) {
      if (stationMm < zone.fromMm || stationMm > zone.toMm) continue;
      const landing = landingAt(picture, stationMm);
      if (landing && (!worst || landing.thicknessMm - landing.errorMm < worst.thicknessMm - worst.errorMm))
        worst = { stationMm, ...landing };
    }
  }
  if (!worst || worst.thicknessMm - ONE_SIDED_95 * worst.errorMm >= limit) return [];
  return [
    {
      code: 'thin-landing',
      verdict: worst.thicknessMm < limit ? 'Splice' : 'Can’t say',
      quantity: 'thickness',
      value: worst.thicknessMm,
      plusMinus: ONE_SIDED_95 * worst.errorMm,
      limit,
      source: 'sound',
      at: { fromMm: worst.stationMm, toMm: worst.stationMm },
      firmness: 'could flip with one more reading',
    },
  ];
}

/** The thinnest row in the inch above the edge's conservative bound. */
function landingAt(
  picture: MemberPicture,
  stationMm: number,
): { thicknessMm: number; errorMm: number } | undefined {
  const wall = wallAt(picture.map!, stationMm);
  let thinnest: { thicknessMm: number; errorMm: number } | undefined;
  for (const edge of picture.edges) {
    const at = edgeAt(edge, stationMm);
    const face = faceOf(picture.member.shape, edge.face)!;
    if (!at || at.kind === 'no sound metal read') continue;
    picture.surface.rowFace.forEach((rowFace, row) => {
      const height = heightOnFace(face, picture.surface.uMm[row]!);
      if (rowFace.id !== face.id || height < at.upperMm || height > at.upperMm + inchesToMm(1)) return;
      const here = { thicknessMm: wall.thicknessMm[row]!, errorMm: wall.errorMm[row]! };
      if (!thinnest || here.thicknessMm - here.errorMm < thinnest.thicknessMm - thinnest.errorMm)
        thinnest = here;
    });
  }
  return thinnest;
}
