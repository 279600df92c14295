import { defaultFrame, familyOf } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import type { Crack } from '../trace';
import { toWeldShut, workJob, type Evidence, type MemberWork } from '.';

const work = (steel: string, path: Crack['path']): MemberWork => {
  const frame = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel: 'a36',
    datum: 'hole',
  });
  const crack: Evidence = {
    kind: 'crack',
    id: '00000000-0000-4000-8000-000000000001',
    memberId: 'rail-left',
    path,
    startFound: true,
    finishFound: true,
    seenBy: 'eye',
    by: 'RK',
    at: '2026-11-10T08:00:00Z',
    note: '',
  };
  const members = frame.members.map((member) => ({ ...member, steel: steel as typeof member.steel }));
  const job = {
    frame: { ...frame, members },
    practice: DEFAULT_PRACTICE,
    evidence: [crack],
    strikes: [],
    repairs: [],
  };
  return workJob(job).find(({ picture }) => picture.member.id === 'rail-left')!;
};
const across: Crack['path'] = [
  { stationMm: 1500, face: 'bottom', heightMm: 60 },
  { stationMm: 1500, face: 'bottom', heightMm: 20 },
];

test.each([
  ['a36', 1],
  ['hot-rolled-50', 1],
  ['heat-treated-110', 0],
  ['unknown', 0],
])('a crack in %s steel: %d to grind and weld', (steel, count) =>
  expect(toWeldShut(work(steel, across))).toHaveLength(count),
);

test('what is cut out with the metal is not welded; a crack that runs on past the cut is', () => {
  const { picture } = work('a36', across);
  const zone = { fromMm: 1300, toMm: 1700 };
  const cut = {
    repair: {
      id: 'r',
      memberId: 'rail-left',
      cutOut: true,
      pieces: [
        {
          id: 'p',
          kind: 'bottom L' as const,
          startMm: 1000,
          endMm: 2000,
          thicknessMm: 6,
          lowerEdgeMm: 0,
          upperEdgeMm: 100,
          taperMm: 0,
        },
      ],
      weldStyle: 'continuous' as const,
      plugs: false,
      onBench: false,
      by: 'RK',
      at: '2026-11-11T08:00:00Z',
    },
  };
  const withZone = { ...picture, zones: [{ ...picture.zones[0], ...zone }] } as MemberWork['picture'];
  const shut = (of: MemberWork['picture'], cutOut: boolean) =>
    toWeldShut({ picture: of, repairs: [{ repair: { ...cut.repair, cutOut } }] as never }).length;
  expect(shut(withZone, true)).toBe(0);
  expect(shut(withZone, false)).toBe(1);
  const high = withZone.cracks.map((crack) => ({
    ...crack,
    path: [...crack.path, { stationMm: 1500, face: 'web' as const, heightMm: 150 }],
  }));
  expect(shut({ ...withZone, cracks: high }, true)).toBe(1);
});
