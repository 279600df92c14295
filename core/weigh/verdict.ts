import { decidingAt, sayingName } from '../metal';
import { severity, type Finding, type FindingCode, type Verdict } from './finding';
import { demandFindings, type DemandPair } from './demand-findings';
import { isRemovalTested } from './least';
import type { MemberPicture } from './picture';
import { preserved } from './preserved';
import { RULES } from './rules';
import { isHeldByHand, isKnownByHand } from './rules/survey';
import { isReadShort } from './rules/thin-read';

export interface MemberVerdict {
  readonly verdict: Verdict;
  /** The reasons, worst first; the first one governs. */
  readonly findings: readonly Finding[];
}

/** Reasons that ask for nothing but knowing more of the metal: the removal test may answer them. */
const ASK_TO_KNOW: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'not-measured',
  'mostly-guessed',
  'face-unknown',
  'spots-unseen',
  'twin-unseen',
  'looked-doubtful',
  'layered-repair',
  'coated-over',
]);
/** Of these, what a hammer on every face answers too. */
const ANSWERED_BY_HAND: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'not-measured',
  'mostly-guessed',
  'face-unknown',
]);
/** Kept by the best estimate and not by its lower bound: it asks for readings, and nobody knows less of the metal than before there was one. */
const isKeptAtBest = ({ source, verdict, value, limit }: Finding): boolean =>
  source === 'retained' && verdict !== 'Leave' && value! >= limit!;
const asksToKnow = (finding: Finding): boolean => ASK_TO_KNOW.has(finding.code) || isKeptAtBest(finding);
const isOpen = (finding: Finding): boolean =>
  ASK_TO_KNOW.has(finding.code) || (isKeptAtBest(finding) && finding.verdict === 'Can’t say');

/** The worst reason governs. Without the frame's demand, Leave carries the finding that it rests on the section alone. */
export function weigh(picture: MemberPicture, demand?: DemandPair): MemberVerdict {
  const found = [
    ...RULES.flatMap((rule) => rule(picture)),
    ...(demand ? demandFindings(picture, demand) : []),
  ];
  const findings = withRemovalTest(picture, preserved(picture, found, demand), demand).sort(
    (a, b) => severity(b.verdict) - severity(a.verdict),
  );
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

/**
 * The removal test. Where all metal that is doubtful, hidden or unseen is taken away and the member still carries what it is asked for, not
 * knowing it asks for no more than a look again: *Leave by hand* where every face was struck or felt, else *Watch*. Where it does not, the place
 * that decides is named.
 */
function withRemovalTest(
  picture: MemberPicture,
  found: readonly Finding[],
  demand: DemandPair | undefined,
): Finding[] {
  const least = demand?.least?.worst;
  if (!least || !isRemovalTested(picture) || !found.some(asksToKnow)) return [...found];
  // Metal that was read is not said to be unknown: without it a member may fall, and that decides nothing.
  if (!(least.utilisation <= 1))
    return found.some(isOpen) ? [...found, fallsWithout(picture, least)] : [...found];
  const answered = found.map((finding) =>
    asksToKnow(finding) ? { ...finding, verdict: answer(picture, finding) } : finding,
  );
  return [...answered, standsWithout(least)];
}

/** A face out of reach that does not decide leaves the member to what its other faces say. */
const answer = (picture: MemberPicture, finding: Finding): Verdict => {
  if (finding.code === 'face-unknown') return 'Leave';
  // What a gauge read and found short of Leave is not left by a hand that never struck it.
  const isByHand = isKeptAtBest(finding)
    ? isHeldByHand(picture)
    : ANSWERED_BY_HAND.has(finding.code) && isKnownByHand(picture) && !isReadShort(picture);
  return isByHand ? 'Leave by hand' : 'Watch';
};

type Least = NonNullable<NonNullable<DemandPair['least']>['worst']>;
const removal = (least: Least): Omit<Finding, 'code' | 'verdict'> => ({
  quantity: 'fraction',
  value: least.utilisation,
  limit: 1,
  source: 'demand',
  firmness: 'firm',
  at: { fromMm: least.stationMm, toMm: least.stationMm },
});

const standsWithout = (least: Least): Finding => ({
  ...removal(least),
  code: 'stands-without',
  verdict: 'Leave',
  name: least.caseId,
});

function fallsWithout(picture: MemberPicture, least: Least): Finding {
  const saying = decidingAt(picture.account, least.stationMm, picture.practice.walk.reachMm);
  return {
    ...removal(least),
    code: 'falls-without',
    verdict: 'Can’t say',
    ...(saying && { name: sayingName(saying) }),
    firmness: 'could flip with one more reading',
  };
}
