import {
  jobDemand,
  jobSpots,
  knownNothing,
  verdictWithDemand,
  workJob,
  type Evidence,
  type JobRecords,
} from '.';
import {
  defaultFrame,
  facesOf,
  FAMILY_IDS,
  familyOf,
  typicalLoads,
  type FaceId,
  type Frame,
  type Member,
} from '../frame';
import type { Reading } from '../probe';
import { DEFAULT_PRACTICE } from '../reference';
import { severity, weigh, type Verdict } from '../weigh';

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
  ['rail-left', 'bottom'],
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

test.each<[face: FaceId, kept: number, verdict: Verdict]>([
  ['bottom', 0.79, 'Mend'],
  ['bottom', 0.82, 'Watch'],
  ['top', 0.79, 'Splice'],
  ['top', 0.82, 'Watch'],
  ['web', 0.79, 'Mend'],
  ['web', 0.82, 'Watch'],
])(
  'one reading on the %s face of a rail, at %d of its wall, and nothing read around it: %s',
  (face, kept, verdict) =>
    expect(verdictOf('rail-left', [...looks, readOn('rail-left', face, kept)]).verdict).toBe(verdict),
);

test('struck all over, one reading short of Leave is watched, one at it is left by hand', () => {
  const rail = frame.members.find(({ id }) => id === 'rail-left')!;
  const struck = facesOf(rail.shape).map(
    ({ id }, k) =>
      ({
        kind: 'sign',
        ...stamp(800 + k),
        memberId: rail.id,
        face: id,
        stationMm: 0,
        toMm: rail.lengthMm,
        heightMm: 0,
        detail: { sign: 'struck', tool: 'hammer', answer: 'even ring' },
      }) as Evidence,
  );
  const read = (kept: number) =>
    verdictOf(rail.id, [...looks, ...struck, readOn(rail.id, 'bottom', kept)]).verdict;
  expect([read(0.89), read(0.91)]).toEqual(['Watch', 'Leave by hand']);
});

test('read all round a thin place the section is judged there: a small part of a flange is no reason of its own', () => {
  const rail = frame.members.find(({ id }) => id === 'rail-left')!;
  const whole = facesOf(rail.shape).flatMap((face) =>
    Array.from({ length: Math.ceil(rail.lengthMm / 100) }, (_, k) => 100 * k).flatMap((stationMm) =>
      [0.05, 0.35, 0.65, 0.95].map(
        (share, k) =>
          ({
            ...readOn(rail.id, face.id, 1),
            ...stamp(10_000 + stationMm * 10 + k + 5 * facesOf(rail.shape).indexOf(face)),
            stationMm,
            heightMm: share * face.widthMm,
          }) as Reading,
      ),
    ),
  );
  const codes = (of: readonly Evidence[]) => verdictOf(rail.id, of).findings.map(({ code }) => code);
  const thin = readOn(rail.id, 'bottom', 0.7);
  expect(codes([...looks, thin])).toContain('thin-read');
  expect(codes([...looks, ...whole, thin])).not.toContain('thin-read');
}, 300_000);

/** One of every kind of member of a family, by its part in the frame and its section. */
function kindsOf(of: Frame): Member[] {
  const seen = new Set<string>();
  return of.members.filter(({ role, shape }) => {
    const kind = `${role} ${shape.kind}`;
    return !seen.has(kind) && seen.add(kind);
  });
}

test.each(FAMILY_IDS)(
  '%s: metal read at under a third asks for more than a look, on every face of every kind of member',
  (family) => {
    const of = defaultFrame({ ...familyOf(family).typical, family, steel: 'hot-rolled-50', datum: 'hole' });
    const known = knownNothing();
    for (const member of kindsOf(of))
      for (const face of facesOf(member.shape)) {
        const at = { memberId: member.id, face: face.id, stationMm: 0.4 * member.lengthMm };
        const thin = { heightMm: 0.5 * face.widthMm, thicknessMm: 0.3 * face.wallMm };
        const reading: Reading = { kind: 'reading', ...stamp(900), ...at, ...thin, method: 'ultrasonic' };
        const works = workJob({ ...job([reading]), frame: of }, known.works);
        const { picture } = works.find((work) => work.picture.member.id === member.id)!;
        const asked = weigh(picture).findings.map(({ verdict }) => verdict);
        expect([member.id, face.id, asked.some((verdict) => severity(verdict) >= severity('Mend'))]).toEqual([
          member.id,
          face.id,
          true,
        ]);
      }
  },
);
