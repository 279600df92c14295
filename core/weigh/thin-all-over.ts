import { isJudged, type SectionKept } from './kept';
import type { MemberPicture } from './picture';
import { JUDGED } from './rules/kept-section';
import type { MemberVerdict } from './verdict';

/** Along a member, mm. */
interface Stretch {
  readonly fromMm: number;
  readonly toMm: number;
}

/** From where to where less of the section is kept than the shop leaves, though no wall is bad: nothing is cut there, and something may be laid over it. */
export function thinAllOver(
  { zones, cracks, sections, practice, steel }: MemberPicture,
  { verdict, findings }: Pick<MemberVerdict, 'verdict' | 'findings'>,
): Stretch | undefined {
  if (verdict !== 'Mend' || zones.length + cracks.length > 0 || steel.weldRepair !== 'yes') return undefined;
  if (findings.find((each) => each.verdict === verdict)?.source !== 'retained') return undefined;
  return shortStretch(sections, practice.leaveFraction);
}

const leastKept = ({ kept }: SectionKept): number =>
  Math.min(...JUDGED.flatMap((key) => kept[key]?.value ?? []));

/** The stretch about the worst station in which less than `limit` is kept of some figure, mm along the member; undefined where nowhere is. */
export function shortStretch(sections: readonly SectionKept[], limit: number): Stretch | undefined {
  // What is mostly guessed is neither damage nor soundness.
  const least = sections.map((each) => (isJudged(each) ? leastKept(each) : Infinity));
  const isShort = (k: number) => (least[k] ?? Infinity) < limit;
  let first = least.indexOf(Math.min(...least));
  if (!isShort(first)) return undefined;
  let last = first;
  while (isShort(first - 1)) first--;
  while (isShort(last + 1)) last++;
  return { fromMm: sections[first]!.stationMm, toMm: sections[last]!.stationMm };
}
