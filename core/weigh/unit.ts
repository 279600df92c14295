import type { Member } from '../frame';
import { severity, type Verdict } from './finding';
import { isMended } from './mended';
import type { MemberVerdict } from './verdict';

/** Of its length, more than this gone, and a rail has nothing left to land on (common practice, no source). */
const PAST_RENEWING = 0.5;

/** A member as the unit is judged by it. */
export interface JudgedMember {
  readonly member: Pick<Member, 'id' | 'name' | 'role' | 'lengthMm'>;
  readonly verdict: MemberVerdict;
}
export interface UnitVerdict {
  /** *Retire* is said of the unit alone: no way out passes. Else the worst of its members. */
  readonly verdict: Verdict;
  /** Members that leave nothing to land on. */
  readonly nothingToLandOn: readonly string[];
  /** Members, worst first, as they came among equals. */
  readonly ranked: readonly JudgedMember[];
}

/** What is to be done with the unit, by what each of its members asks for. */
export function unitVerdict(members: readonly JudgedMember[]): UnitVerdict {
  const ranked = [...members].sort((a, b) => severity(b.verdict.verdict) - severity(a.verdict.verdict));
  const gone = members.filter(leavesNothingToLandOn).map(({ member }) => member.name);
  return {
    verdict: gone.length ? 'Retire' : (ranked[0]?.verdict.verdict ?? 'Can’t say'),
    nothingToLandOn: gone,
    ranked,
  };
}

/** A rail or sill whose top, or all, is gone over more than half its length: neither plate nor splice finds metal there. */
const leavesNothingToLandOn = ({ member, verdict }: JudgedMember): boolean =>
  isMended(member) &&
  verdict.findings.some(({ code, value, at }) => {
    if (code === 'top-flange-gone' || code === 'both-flanges-gone') return value! > PAST_RENEWING;
    return (
      code === 'parted-by-hand' && at !== undefined && at.toMm - at.fromMm > PAST_RENEWING * member.lengthMm
    );
  });
