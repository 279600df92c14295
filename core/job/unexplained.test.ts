import { defaultFrame, facesOf, familyOf } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import type { Complaint, LookResult } from '../walk';
import { workJob } from './member';
import type { Evidence, JobRecords } from '.';
import { jobSpots } from './inputs';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const by = { by: 'RK', at: '2026-11-10T08:00:00Z', note: '' };
let made = 0;
const id = () => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`;
const sag: Complaint = {
  kind: 'complaint',
  id: id(),
  what: 'sag',
  where: 'behind the cab',
  memberIds: ['rail-left', 'rail-right'],
  ...by,
};
const records = (evidence: readonly Evidence[]): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: [],
  repairs: [],
});
const asked = (evidence: readonly Evidence[]) =>
  workJob(records(evidence))
    .filter(({ verdict }) => verdict.findings.some(({ code }) => code === 'complaint-unexplained'))
    .map(({ picture }) => picture.member.id);

const reading = (memberId: string, thicknessMm: number): Evidence => ({
  kind: 'reading',
  id: id(),
  memberId,
  stationMm: 900,
  face: 'web',
  heightMm: 60,
  thicknessMm,
  method: 'caliper',
  ...by,
});
const looked = (memberId: string, result: LookResult): Evidence => {
  const { spot } = jobSpots(records([])).find((each) => each.spot.memberId === memberId)!;
  return {
    kind: 'look',
    id: id(),
    spotId: spot.id,
    result,
    ways: ['eye'],
    title: spot.title,
    on: 'member',
    ...by,
  };
};
const cross = frame.members.find(({ role }) => role === 'crossmember')!.id;
const wallMm = frame.members.find(({ id: each }) => each === 'rail-left')!.shape.thicknessMm;

test('a complaint with nothing on its path asks of every member of it, and of no other', () => {
  expect(asked([sag])).toEqual(['rail-left', 'rail-right']);
  expect(asked([])).toEqual([]);
});

test.each<[string, Evidence, readonly string[]]>([
  ['a thin reading on one rail', reading('rail-right', 0.79 * wallMm), []],
  ['a sound reading', reading('rail-right', 0.81 * wallMm), ['rail-left', 'rail-right']],
  ['a rail seen through', looked('rail-left', 'through'), []],
  ['a rail seen sound', looked('rail-left', 'sound'), ['rail-left', 'rail-right']],
  ['a crossmember off the path seen through', looked(cross, 'through'), ['rail-left', 'rail-right']],
])('%s', (_, evidence, members) => expect(asked([sag, evidence])).toEqual(members));

test.each([
  [0.79, []],
  [0.81, ['rail-left', 'rail-right']],
])('a beam’s thick flange read at %d of its own wall, more than its web was made of', (kept, members) => {
  const semi = defaultFrame({
    ...familyOf('semi trailer').typical,
    ...{ family: 'semi trailer', steel: 'a36', datum: 'hole' },
  });
  const { shape } = semi.members.find(({ id: each }) => each === 'rail-left')!;
  const { wallMm: flangeMm } = facesOf(shape).find(({ id: face }) => face === 'bottom')!;
  const read = { ...reading('rail-left', kept * flangeMm), face: 'bottom' } as Evidence;
  const found = workJob({ ...records([sag, read]), frame: semi }).filter(({ verdict }) =>
    verdict.findings.some(({ code }) => code === 'complaint-unexplained'),
  );
  expect(found.map(({ picture }) => picture.member.id)).toEqual(members);
});
