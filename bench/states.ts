/** A reading more on every demo unit: its member worked out anew and the whole frame solved in all its states, against the same from nothing. */
import { demandOf, knownNothing, workJob, type JobRecords } from '@/core/job';
import { ofKind } from '@/core/frame';
import type { Reading } from '@/core/probe';
import { demoBundles } from '@/demo';

const STATES = ['as built', 'as found', 'cut open', 'tacked', 'as repaired', 'least'] as const;
const timed = <T>(work: () => T): readonly [ms: number, answer: T] => {
  const since = performance.now();
  const answer = work();
  return [performance.now() - since, answer];
};
const withOneMore = (records: JobRecords, k: number): JobRecords => {
  const last = ofKind(records.evidence, 'reading').at(-1)!;
  const more: Reading = {
    ...last,
    id: `00000000-0000-4000-8000-00000000000${k}`,
    stationMm: last.stationMm + 3 + k,
  };
  return { ...records, evidence: [...records.evidence, more] };
};
const median = (all: readonly number[]) => all.toSorted((a, b) => a - b)[all.length >> 1]!;

for (const bundle of demoBundles()) {
  let records: JobRecords = bundle;
  const known = knownNothing();
  const [fromNothing] = timed(() => demandOf(records, STATES, known));
  const members: number[] = [],
    frames: number[] = [];
  for (let k = 0; k < 5; k++) {
    records = withOneMore(records, k);
    members.push(timed(() => workJob(records, known.works))[0]);
    frames.push(timed(() => demandOf(records, STATES, known))[0]);
  }
  console.log(
    `${bundle.unit.tag}: ${records.frame.members.length} members, from nothing ${fromNothing.toFixed(0)} ms; a reading more: its member ${median(members).toFixed(0)} ms, all states ${median(frames).toFixed(0)} ms`,
  );
}
