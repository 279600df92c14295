import { severity, type Finding, type Verdict } from './finding';
import { demandFindings, type DemandPair } from './demand-findings';
import type { MemberPicture } from './picture';
import { RULES } from './rules';

export interface MemberVerdict {
  readonly verdict: Verdict;
  /** The reasons, worst first; the first one governs. */
  readonly findings: readonly Finding[];
}

/** The worst reason governs. Without the frame's demand, Leave carries the finding that it rests on the section alone. */
export function weigh(picture: MemberPicture, demand?: DemandPair): MemberVerdict {
  const findings = [
    ...RULES.flatMap((rule) => rule(picture)),
    ...(demand ? demandFindings(picture, demand) : []),
  ].sort((a, b) => severity(b.verdict) - severity(a.verdict));
  const verdict = findings[0]?.verdict ?? 'Can’t say';
  if (verdict !== 'Leave' || demand) return { verdict, findings };
  const restsOn: Finding = {
    code: 'section-alone',
    verdict: 'Leave',
    quantity: 'count',
    source: 'retained',
    firmness: 'open',
  };
  return { verdict, findings: [restsOn, ...findings] };
}
