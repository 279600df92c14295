import { defaultFrame, familyOf } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import { renewalTubes, type Renewal } from '../shape';
import { countedRenewed, plannedTube } from './renewals';
import type { JobRecords } from '.';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const cross = frame.members.find(({ role }) => role === 'crossmember')!;
const planned = (tube: Renewal['tube']): Renewal => ({
  kind: 'renewal',
  id: '00000000-0000-4000-8000-000000000001',
  memberId: cross.id,
  tube,
  by: 'RK',
  at: '2026-11-20T08:00:00Z',
  note: '',
});
const records = (tube: Renewal['tube']): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence: [planned(tube)],
  strikes: [],
  repairs: [],
});
const sizes = ({ tube: { depthMm, widthMm, nominalMm } }: ReturnType<typeof renewalTubes>[number]) => ({
  depthMm,
  widthMm,
  nominalMm,
});
const tubes = renewalTubes(frame, cross);

test('a tube as strong as the old one was made counts in the repaired frame; a weaker one, or one on no list, does not', () => {
  const strong = tubes.find(({ whyNot }) => whyNot.length === 0)!;
  const weak = tubes.find(({ whyNot }) => whyNot.includes('weaker'))!;
  expect([...countedRenewed(records(sizes(strong)))]).toEqual([cross.id]);
  expect([...countedRenewed(records(sizes(weak)))]).toEqual([]);
  expect([...countedRenewed(records({ ...sizes(strong), nominalMm: 1 }))]).toEqual([]);
  expect(plannedTube({ frame }, planned(sizes(weak)))!.whyNot).toContain('weaker');
});
test.each([
  ['26 mm beneath', 26, true],
  ['25 mm beneath: less than an inch', 25, false],
  ['deeper than the rail is clear', -1, false],
])('a tube as strong, with %s: counts %s', (_, beneathMm, counts) => {
  const strong = tubes.find(({ whyNot }) => whyNot.length === 0)!;
  const shallower = strong.beneathMm - beneathMm;
  const members = frame.members.map((member) =>
    member.role === 'rail'
      ? { ...member, shape: { ...member.shape, depthMm: member.shape.depthMm - shallower } }
      : member,
  );
  const job = { ...records(sizes(strong)), frame: { ...frame, members } };
  expect(countedRenewed(job).size).toBe(counts ? 1 : 0);
});
test('struck, it counts no more; where there is no such member it counts for nothing', () => {
  const strong = sizes(tubes.find(({ whyNot }) => whyNot.length === 0)!);
  const struck = {
    id: 's',
    evidenceId: planned(strong).id,
    why: 'slip',
    by: 'RK',
    at: '2026-11-21T08:00:00Z',
  };
  expect([...countedRenewed({ ...records(strong), strikes: [struck] })]).toEqual([]);
  const gone = {
    ...records(strong),
    frame: { ...frame, members: frame.members.filter(({ id }) => id !== cross.id) },
  };
  expect([...countedRenewed(gone)]).toEqual([]);
});
