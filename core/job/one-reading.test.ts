import { jobDemand, jobSpots, verdictWithDemand, workJob, type Evidence, type JobRecords } from '.';
import { defaultFrame, facesOf, familyOf, typicalLoads, type FaceId } from '../frame';
import type { Reading } from '../probe';
import { DEFAULT_PRACTICE } from '../reference';
import { severity } from '../weigh';

/** A truck looked at by eye and hammer, every spot sound; then one reading. */
const { typical } = familyOf('open-channel ladder');
const bare = defaultFrame({
  ...typical,
  family: 'open-channel ladder',
  steel: 'hot-rolled-50',
  datum: 'hole',
});
const frame = { ...bare, loads: { items: typicalLoads(bare, 0.4 * typical.grossKg) } };
const job = (evidence: readonly Evidence[]): JobRecords => ({
  ...{ frame, practice: DEFAULT_PRACTICE },
  ...{ evidence, strikes: [], repairs: [] },
});
const stamp = (k: number) => ({
  id: `00000000-0000-4000-8000-${String(k).padStart(12, '0')}`,
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  note: '',
});
const looks = jobSpots(job([])).map(
  ({ spot }, k) =>
    ({
      kind: 'look',
      ...stamp(k),
      spotId: spot.id,
      title: spot.title,
      ...(spot.memberId && { memberId: spot.memberId, stationMm: (spot.fromMm! + spot.toMm!) / 2 }),
      result: 'sound',
      ways: ['eye', 'hammer'],
    }) as Evidence,
);
const readOn = (memberId: string, faceId: FaceId, kept: number): Reading => {
  const member = frame.members.find(({ id }) => id === memberId)!;
  const face = facesOf(member.shape).find(({ id }) => id === faceId)!;
  return {
    kind: 'reading',
    ...stamp(900),
    memberId,
    face: faceId,
    stationMm: 0.25 * member.lengthMm,
    heightMm: 0.5 * face.widthMm,
    thicknessMm: kept * face.wallMm,
    method: 'ultrasonic',
  };
};
function verdictOf(memberId: string, evidence: readonly Evidence[]) {
  const records = job(evidence);
  const works = new Map(workJob(records).map((work) => [work.picture.member.id, work]));
  const demand = jobDemand(records, works, ['as built', 'as found', 'least']);
  return verdictWithDemand(works.get(memberId)!.picture, demand);
}

test.each<[memberId: string, face: FaceId]>([
  ['cross-2', 'web'],
  ['cross-4', 'web'],
  ['cross-4', 'bottom'],
  ['rail-left', 'web'],
])('one reading on %s, %s: a good one says nothing worse, one far below does', (memberId, face) => {
  const before = verdictOf(memberId, looks);
  expect(before.verdict).toBe('Watch');
  for (const kept of [0.96, 0.93])
    expect([kept, verdictOf(memberId, [...looks, readOn(memberId, face, kept)]).verdict]).toEqual([
      kept,
      'Watch',
    ]);
  const thin = verdictOf(memberId, [...looks, readOn(memberId, face, 0.3)]);
  expect(severity(thin.verdict)).toBeGreaterThan(severity(before.verdict));
});
