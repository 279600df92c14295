import type { Practice } from '../reference';
import type { Verdict } from '../weigh';
import { answeredJob } from './answered';
import { QUESTIONS, type AnswerIs, type Question } from './question';
import type { JobRecords } from './records';
import type { Notice } from '../frame';

/** What a change of practice would do to a job: members whose verdict, and questions whose answer, would be another. */
export interface Tried {
  readonly members: readonly { readonly memberId: string; readonly from: Verdict; readonly to: Verdict }[];
  readonly answers: readonly {
    readonly question: Question;
    readonly from: AnswerIs;
    readonly to: AnswerIs;
  }[];
}

/** Judges a job by another practice beside its own. Evidence is the same; nothing is kept. */
export function triedPractice(
  records: JobRecords,
  practice: Practice,
  notices: readonly Notice[],
  today: string,
): Tried {
  const [now, then] = [records, { ...records, practice }].map((each) => answeredJob(each, notices, today));
  const before = new Map(now!.works.map((work) => [work.picture.member.id, work.verdict.verdict]));
  return {
    members: then!.works.flatMap(({ picture: { member }, verdict }) => {
      const from = before.get(member.id);
      return from !== undefined && from !== verdict.verdict
        ? [{ memberId: member.id, from, to: verdict.verdict }]
        : [];
    }),
    answers: QUESTIONS.flatMap((question) => {
      const [from, to] = [now!.four[question].is, then!.four[question].is];
      return from === to ? [] : [{ question, from, to }];
    }),
  };
}
