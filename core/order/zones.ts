import { inchesToMm } from '../quantity';
import { overlap, type Along, type OrderScene, type ScenePart } from './scene';

/** Work this near each other along the unit is reached by one strip-down, mm (ours: a bed, a tank or a floor sheet is at least so long). */
export const ONE_STRIPPING_MM = 610;
/** What minds heat, this near a seam, is moved or covered, mm (common practice, no source: 12 in). */
export const HEAT_REACH_MM = inchesToMm(12);

/** A stretch of the unit, both its sides, that is stripped and opened as one. */
export interface Zone extends Along {
  /**
   * The 2 ft of the frame that it begins in, lettered from the datum: a stretch decided later, elsewhere, takes no other’s name, and what was recorded of a
   * zone stays with its place.
   */
  readonly id: string;
  readonly repairs: OrderScene['repairs'];
  readonly cracks: OrderScene['cracks'];
  readonly works: OrderScene['works'];
  readonly renewals: OrderScene['renewals'];
  readonly aligns: OrderScene['aligns'];
  /** What hangs or lies in it, or near enough to mind its heat. */
  readonly parts: readonly ScenePart[];
}

type Placed = Pick<Zone, 'repairs' | 'cracks' | 'works' | 'renewals' | 'aligns'>;
const KINDS = ['repairs', 'cracks', 'works', 'renewals', 'aligns'] as const;

/** Everything planned, gathered into stretches that are stripped together, from the front. */
export function zonesOf(scene: OrderScene): Zone[] {
  const all = KINDS.flatMap((kind) => scene[kind].map((of: Along) => ({ kind, of })));
  const sorted = all.sort((a, b) => a.of.fromMm - b.of.fromMm);
  const runs: { fromMm: number; toMm: number; of: typeof all }[] = [];
  for (const each of sorted) {
    const last = runs.at(-1);
    if (last && each.of.fromMm <= last.toMm + ONE_STRIPPING_MM) {
      last.toMm = Math.max(last.toMm, each.of.toMm);
      last.of.push(each);
    } else runs.push({ fromMm: each.of.fromMm, toMm: each.of.toMm, of: [each] });
  }
  return runs.map(({ fromMm, toMm, of }) => ({
    id: zoneName(Math.floor(fromMm / ONE_STRIPPING_MM)),
    fromMm,
    toMm,
    ...(Object.fromEntries(
      KINDS.map((kind) => [kind, of.filter((each) => each.kind === kind).map((each) => each.of)]),
    ) as unknown as Placed),
    parts: scene.parts.filter((part) => overlap(part, { fromMm, toMm }, HEAT_REACH_MM)),
  }));
}

/** A … Z, then AA …; ahead of the datum 0A, 0B …. No two zones begin within one stretch: they are farther apart than it is long. */
export const zoneName = (k: number): string =>
  k < 0
    ? `0${zoneName(-k - 1)}`
    : k < 26
      ? String.fromCharCode(65 + k)
      : `${zoneName(Math.floor(k / 26) - 1)}${zoneName(k % 26)}`;
