import { surfacePoint, type Face, type MemberShape, type Surface } from '../frame';
import { foldsBetween, platePoint, type PlateBand, type SectionChange } from './wall-section';

/** A closed outline in the section's own plane, mm: x to the side, y up. */
export type Ring = readonly (readonly [x: number, y: number])[];

/** A strip of wall from one developed place to another, drawn inward from its outside. */
export function wallRing(
  shape: MemberShape,
  face: Face,
  [uFromMm, uToMm]: readonly [number, number],
  thicknessMm: number,
): Ring {
  const [a, b] = [surfacePoint(shape, face, uFromMm), surfacePoint(shape, face, uToMm)];
  const inner = (p: readonly [number, number]) => {
    const [nx, ny] =
      shape.kind === 'tube' ? [(2 * p[0]) / shape.depthMm - 1, (2 * p[1]) / shape.depthMm - 1] : face.outward;
    return [p[0] - nx * thicknessMm, p[1] - ny * thicknessMm] as const;
  };
  return [a, b, inner(b), inner(a)];
}

/** A plate round the corners it goes over, on the outside of the wall or on its inner side. */
export function plateRing(
  surface: Surface,
  { uFromMm, uToMm, inside }: Pick<PlateBand, 'uFromMm' | 'uToMm' | 'inside'>,
  thicknessMm: number,
): Ring {
  const stops = [uFromMm, ...foldsBetween(surface, uFromMm, uToMm), uToMm];
  return [
    ...stops.map((u) => platePoint(surface, u, 0, inside)),
    ...[...stops].reverse().map((u) => platePoint(surface, u, thicknessMm, inside)),
  ];
}

/** A section as it is drawn: its wall where there is some, what is cut out of it, its plates. */
export interface DrawnSection {
  readonly wall: readonly Ring[];
  readonly plates: readonly Ring[];
}

/** Metal thinner than this is not drawn, mm. */
const GONE_MM = 0.05;

/** Walls and plates made so many times as thick, to be seen on paper. */
export function drawnSection(
  surface: Surface,
  wallMm: ArrayLike<number>,
  change: SectionChange,
  exaggeration: number,
): DrawnSection {
  const isCut = (u: number) => change.cuts.some((cut) => u > cut.uFromMm && u < cut.uToMm);
  return {
    wall: surface.rowFace.flatMap((face, row) => {
      const [from, to] = [surface.edgeUMm[row]!, surface.edgeUMm[row + 1]!];
      return wallMm[row]! > GONE_MM && !isCut((from + to) / 2)
        ? [wallRing(surface.shape, face, [from, to], wallMm[row]! * exaggeration)]
        : [];
    }),
    plates: change.plates.map((plate) => plateRing(surface, plate, plate.thicknessMm * exaggeration)),
  };
}
