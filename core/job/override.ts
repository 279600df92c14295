import { severity, type Override, type Verdict } from '../weigh';
import { lastWord } from '../frame';
import { stands, type JobRecords } from './records';

/** What a technician said last of each member, by member. Where two devices disagree which that was, the harsher. */
export function overridesOf(records: Pick<JobRecords, 'evidence' | 'strikes'>): Map<string, Override> {
  const all = stands(records, 'override');
  return new Map(
    all.map(({ memberId }) => [
      memberId,
      lastWord(
        all.filter((each) => each.memberId === memberId),
        ({ verdict }) => severity(verdict),
      )!,
    ]),
  );
}

/** The harsher of what was computed and what somebody said: nobody's word makes an answer milder. */
export const harsher = (computed: Verdict, said: Override | undefined): Verdict =>
  said && severity(said.verdict) > severity(computed) ? said.verdict : computed;
