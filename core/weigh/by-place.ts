import { severity, type Finding } from './finding';

/** Findings that lie together along a member; without a place, or over most of it, they are of the whole. */
export interface Place {
  readonly at?: { readonly fromMm: number; readonly toMm: number };
  readonly findings: readonly Finding[];
}

/** So much of a member and a finding is of the whole of it. */
const MOST = 0.5;

/** Findings grouped by where they are, places within `reachMm` of each other as one; the place of the worst first, each place's worst first. */
export function byPlace(findings: readonly Finding[], lengthMm: number, reachMm: number): Place[] {
  const isOfPlace = ({ at }: Finding) => at !== undefined && at.toMm - at.fromMm < MOST * lengthMm;
  const whole = findings.filter((finding) => !isOfPlace(finding));
  const placed = findings.filter(isOfPlace).sort((a, b) => a.at!.fromMm - b.at!.fromMm);
  const places = placed.reduce<(Place & Required<Pick<Place, 'at'>>)[]>((groups, finding) => {
    const last = groups.at(-1);
    const { fromMm, toMm } = finding.at!;
    if (!last || fromMm > last.at.toMm + reachMm)
      return [...groups, { at: { fromMm, toMm }, findings: [finding] }];
    const at = { fromMm: last.at.fromMm, toMm: Math.max(last.at.toMm, toMm) };
    return [...groups.slice(0, -1), { at, findings: [...last.findings, finding] }];
  }, []);
  // In the order they were given within one word: the first of them governs.
  const order = new Map(findings.map((finding, k) => [finding, k]));
  const worseFirst = (a: Finding, b: Finding) =>
    severity(b.verdict) - severity(a.verdict) || order.get(a)! - order.get(b)!;
  const groups: Place[] = [...places, ...(whole.length > 0 ? [{ findings: whole }] : [])].map((place) => ({
    ...place,
    findings: [...place.findings].sort(worseFirst),
  }));
  return groups.sort((a, b) => worseFirst(a.findings[0]!, b.findings[0]!));
}
