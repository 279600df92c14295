import { severity } from '@/core/weigh';
import type { Progress } from '@/core/walk';
import type { MemberSummary } from '../../_desk';

/** How much is open in each verb, as the head of a job says it. */
export interface OpenCounts {
  readonly walked: Progress;
  readonly members: number;
  readonly readings: number;
  readonly cracks: number;
  /** Somebody signed it off; whether that holds is Prove's to say. */
  readonly isSigned: boolean;
  /** Tasks of the order that were done. */
  readonly done: number;
  readonly summaries: readonly MemberSummary[];
  /** Whether every member is worked out. */
  readonly isWorked: boolean;
}

const some = (n: number, one: string): string =>
  n === 0 ? `no ${one}s` : `${n} ${n === 1 ? one : `${one}s`}`;

function weighed(summaries: readonly MemberSummary[]): string {
  const toAct = summaries.filter(({ verdict }) => severity(verdict.verdict) >= severity('Mend')).length;
  if (toAct) return `${toAct} to act on`;
  const unknown = summaries.filter(({ verdict }) => verdict.verdict === 'Can’t say').length;
  return unknown ? `${unknown} can’t say` : 'nothing to act on';
}

/** The verbs in the order of the job: address, name, what is open. */
export function openInVerbs(
  counts: OpenCounts,
): readonly (readonly [verb: string, word: string, open: string])[] {
  const { walked, summaries } = counts;
  const once = (words: string) => (counts.isWorked ? words : 'working…');
  const total = (of: (summary: MemberSummary) => number) =>
    summaries.reduce((sum, each) => sum + of(each), 0);
  return [
    ['walk', 'Walk', `${walked.seen} of ${walked.spots} seen`],
    ['frame', 'Frame', some(counts.members, 'member')],
    ['probe', 'Probe', some(counts.readings, 'reading')],
    ['trace', 'Trace', some(counts.cracks, 'crack')],
    ['weigh', 'Weigh', once(weighed(summaries))],
    [
      'shape',
      'Shape',
      once(
        some(
          total(({ flats }) => flats.length),
          'plate',
        ),
      ),
    ],
    [
      'join',
      'Join',
      once(
        some(
          total(({ weldLines }) => weldLines),
          'weld',
        ),
      ),
    ],
    ['order', 'Order', counts.done === 0 ? 'nothing done' : `${counts.done} done`],
    ['prove', 'Prove', counts.isSigned ? 'signed' : 'not signed'],
  ];
}
