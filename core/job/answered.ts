import type { Notice } from '../frame';
import type { Priced } from '../weigh';
import { fourAnswers, plannedOn } from './answers';
import type { FourAnswers } from './question';
import { judgedJob, knownNothing, type KnownJob } from './demand';
import { usualLifts } from './lift';
import type { MemberWork } from './member';
import type { JobRecords } from './records';
import { waysOut } from './ways-out';

/** Every member worked out and judged, the four answers from it, and what each way out costs: what papers print. */
export function answeredJob(
  records: JobRecords,
  notices: readonly Notice[],
  today: string,
  known: KnownJob = knownNothing(),
): { readonly works: MemberWork[]; readonly four: FourAnswers; readonly ways: Priced[] } {
  const { works, demand } = judgedJob(records, known);
  const byId = new Map(works.map((work) => [work.picture.member.id, work]));
  const weighed = new Map(
    works.map((work) => [work.picture.member.id, { verdict: work.verdict, plan: plannedOn(work) }]),
  );
  const lifts = usualLifts(records, notices, byId, known.lifts, known.frame.cuts);
  const four = fourAnswers(records, { weighed, demand, lifts, notices, today });
  return { works, four, ways: waysOut(records, weighed) };
}
