import { memberOf, ofKind, standing } from '../frame';
import { crackDated, sayingsOf, stillThere } from '../metal';
import { cracksAsSeen, type SeenCrack } from '../trace';
import { stands, type JobRecords } from './records';
import { stillSaid } from './undone';

/** Every crack of a job that nobody struck through, as it was seen last; one that was welded, plated or renewed since is among them. */
export const jobCracks = (records: Pick<JobRecords, 'frame' | 'evidence' | 'strikes'>): SeenCrack[] =>
  cracksAsSeen(records.frame, stands(records, 'crack'), stands(records, 'crack look'));

/** Those of them that are there still: what was put right over the whole of one since, and not looked at again since, answers it. */
export function openCracks(records: JobRecords): SeenCrack[] {
  const kept = new Map(records.evidence.map(({ id }, k) => [id, k]));
  const said = stillSaid(records, standing(records.evidence, records.strikes)).evidence;
  const signs = ofKind(said, 'sign');
  return jobCracks(records).filter((crack) => {
    const member = memberOf(records.frame, crack.memberId);
    if (!member) return true;
    const own = signs.filter(({ memberId }) => memberId === member.id);
    const sayings = sayingsOf(member, { signs: own, cracks: [], kept }, records.practice.hand);
    return stillThere(sayings, kept)(crackDated(crack));
  });
}
