import { defaultFrame, familyOf, typicalLoads } from '@/core/frame';
import { candidates, inputsOf, sortedRecords, workMember, type Evidence, type JobFile } from '@/core/job';
import { DEFAULT_PRACTICE } from '@/core/reference';
import { jobEngine, type JobEngine, type KeptWork, type Report } from './job-engine';

const AT = '2026-01-01T00:00:00Z';
const id = (k: number) => `00000000-0000-4000-8000-${String(k).padStart(12, '0')}`;
const bare = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'hot-rolled-50',
  datum: 'hole',
});
const frame = { ...bare, loads: { items: typicalLoads(bare, 5000) } };
const LEFT = 'rail-left';
const reading = (k: number, more: object = {}): Evidence => ({
  kind: 'reading',
  id: id(k),
  memberId: LEFT,
  stationMm: 150 + ((k * 371) % 5000),
  face: (['web', 'top', 'bottom'] as const)[k % 3]!,
  heightMm: 20 + ((k * 7) % 30),
  thicknessMm: 6 - (k % 5) * 0.2,
  method: 'ultrasonic',
  by: 'RK',
  at: AT,
  note: '',
  ...more,
});
const file: JobFile = {
  frame,
  practice: DEFAULT_PRACTICE,
  evidence: Array.from({ length: 40 }, (_, k) => reading(k)),
  strikes: [],
  repairs: [],
  repairChanges: {},
  notices: [],
  frameRevision: 1,
  practiceRevision: 1,
  closed: false,
  unit: { id: id(900), tag: 'T-1', description: 'truck', kind: 'truck', exposure: 'road salt', duty: 'work' },
  job: {
    id: id(901),
    unitId: id(900),
    title: 'look',
    purpose: 'repair',
    complaint: '',
    openedBy: 'RK',
    openedAt: AT,
  },
};

/** An engine on a clock of its own, whose every report is written down. */
function opened(shelf: Map<string, KeptWork> = new Map(), whilePut: (engine: JobEngine) => void = () => {}) {
  const reports: Report[] = [];
  let clock = 0;
  const engine: JobEngine = jobEngine({
    report: (report) => void reports.push(report),
    shelf: {
      get: async (jobId) => structuredClone(shelf.get(jobId)),
      put: async (jobId, kept) => {
        shelf.set(jobId, structuredClone(kept));
        await new Promise((resolve) => setTimeout(resolve, 5));
        whilePut(engine);
        await new Promise((resolve) => setTimeout(resolve, 5));
      },
    },
    breathe: () => new Promise((resolve) => setTimeout(resolve, 0)),
    wait: async (ms) => void (clock += ms),
    now: () => clock,
  });
  const atRest = async () => {
    for (;;) {
      const last = reports.at(-1);
      if (last?.kind === 'progress' && last.of === 0) return reports.splice(0);
      await new Promise((resolve) => setTimeout(resolve, 2));
    }
  };
  return { engine, atRest, shelf, clock: () => clock };
}
const members = (reports: readonly Report[]) =>
  reports.flatMap((report) => (report.kind === 'summary' ? [report.summary.memberId] : []));
const views = (reports: readonly Report[]) =>
  reports.flatMap((report) => (report.kind === 'view' ? [report.view.picture.member.id] : []));
const verdicts = (reports: readonly Report[]) =>
  Object.fromEntries(
    reports.flatMap((report) =>
      report.kind === 'frame' ? report.verdicts.map(([member, { verdict }]) => [member, verdict]) : [],
    ),
  );

test('a job begun: the member in sight first, every member in few words, whole only those in view, then the frame', async () => {
  const { engine, atRest } = opened();
  await engine.begin(file, LEFT);
  const reports = await atRest();
  expect(members(reports)[0]).toBe(LEFT);
  expect([...members(reports)].sort()).toEqual(frame.members.map((member) => member.id).sort());
  expect([...new Set(views(reports))].sort()).toEqual([LEFT, 'rail-right']);
  expect(Object.keys(verdicts(reports)).sort()).toEqual(frame.members.map((member) => member.id).sort());
  const kinds = reports.map((report) => report.kind);
  expect(kinds.lastIndexOf('summary')).toBeLessThan(kinds.indexOf('frame'));
});

test('what is heard while results are being kept is worked out too', async () => {
  let told = 0;
  const { engine, atRest } = opened(new Map(), (each) => {
    if (told++ === 0) each.hear({ kind: 'evidence', record: reading(100, { thicknessMm: 1 }) });
  });
  await engine.begin(file, LEFT);
  const reports = await atRest();
  expect(members(reports).filter((member) => member === LEFT)).toHaveLength(2);
});

test('a reading: sketched at once, then its member alone is worked out after the pause, and the found frame', async () => {
  const { engine, atRest, clock } = opened();
  await engine.begin(file, LEFT);
  await atRest();
  const before = clock();
  engine.hear({ kind: 'evidence', record: reading(100, { thicknessMm: 1 }) });
  const reports = await atRest();
  expect(reports[0]).toMatchObject({ kind: 'view' });
  expect(members(reports)).toEqual([LEFT]);
  expect(views(reports)).toEqual([LEFT, LEFT]);
  expect(reports.filter((report) => report.kind === 'frame')).toHaveLength(1);
  expect(clock() - before).toBeGreaterThanOrEqual(350);
});

test('as built is not solved again for a reading; as found is', async () => {
  const { engine, atRest } = opened();
  await engine.begin(file, LEFT);
  const demandIn = (reports: readonly Report[]) =>
    reports.flatMap((report) => (report.kind === 'frame' ? [report.demand!] : [])).at(-1)!;
  const first = demandIn(await atRest());
  engine.hear({ kind: 'evidence', record: reading(101, { thicknessMm: 4 }) });
  const second = demandIn(await atRest());
  expect(second['as built']).toBe(first['as built']);
  expect(second['as found']).not.toBe(first['as found']);
});

test.each([
  ['an hourly rate', { money: { ...DEFAULT_PRACTICE.money, ratePerHour: 7, currency: '$' } }, []],
  ['what counts as sound', { soundFraction: 0.7 }, frame.members.map((member) => member.id)],
] as const)('%s changed works out anew what it touches', async (_what, practice, stale) => {
  const { engine, atRest } = opened();
  await engine.begin(file, LEFT);
  await atRest();
  const changed = { ...file, practice: { ...file.practice, ...practice } };
  engine.hear({ kind: 'file', file: changed });
  const reports = await atRest();
  expect([...members(reports)].sort()).toEqual([...stale].sort());
  if (stale.length === 0) expect(reports.filter((report) => report.kind === 'frame')).toEqual([]);
});

test('opened again unchanged: everything from the shelf, nothing worked out; a changed member alone is', async () => {
  const { engine, atRest, shelf } = opened();
  await engine.begin(file, LEFT);
  const first = verdicts(await atRest());
  const again = opened(shelf);
  await again.engine.begin(file, LEFT);
  const reports = await again.atRest();
  expect(verdicts(reports)).toEqual(first);
  expect(reports.filter((report) => report.kind === 'progress' && report.of > 0)).toEqual([]);
  const changed = opened(shelf);
  await changed.engine.begin({ ...file, evidence: [...file.evidence, reading(200)] }, LEFT);
  const after = await changed.atRest();
  expect(members(after).filter((member) => member === LEFT)).toHaveLength(1);
  expect(members(after).at(-1)).toBe(LEFT);
});

test('a shelf that fails is no hindrance', async () => {
  const failing = jobEngine({
    report: () => undefined,
    shelf: { get: () => Promise.reject(new Error('no room')), put: () => Promise.reject(new Error('full')) },
    breathe: async () => undefined,
    wait: async () => undefined,
    now: () => 0,
  });
  await failing.begin(file, LEFT);
  const reply = await failing.askLift({
    way: 'four-post',
    points: [],
    wheelsDown: [],
    unloaded: false,
    slopeAlongDeg: 0,
    slopeAcrossDeg: 0,
    hoistRatingN: 90_000,
  });
  expect(reply.facts.supports.length).toBeGreaterThan(0);
});

test('forms for damage are answered once members are worked out; of a member that is not there none', async () => {
  const { engine } = opened();
  const rotten: JobFile = {
    ...file,
    evidence: Array.from({ length: 90 }, (_, k) =>
      reading(k, { stationMm: 60 * k, heightMm: 30 + (k % 3), thicknessMm: k > 30 && k < 40 ? 2 : 6 }),
    ),
  };
  await engine.begin(rotten, LEFT);
  const run = { fromMm: 0, toMm: 40_000 };
  const told = await Promise.all(
    frame.members.map(async ({ id }) => [id, (await engine.forms(id, run)).length] as const),
  );
  for (const [id, count] of told) {
    const member = frame.members.find((each) => each.id === id)!;
    const { picture } = workMember(inputsOf(sortedRecords(rotten), member));
    expect(count).toBe(candidates(picture, run).length);
  }
  expect(told.some(([, count]) => count > 2)).toBe(true);
  expect(await engine.forms('nobody', run)).toEqual([]);
});

test('shown another member, it and its twin come whole; what is stopped goes on at the next change', async () => {
  const { engine, atRest } = opened();
  await engine.begin(file, LEFT);
  await atRest();
  engine.show('cross-1');
  expect(views(await atRest())).toEqual(['cross-1']);
  const stopped = opened();
  await stopped.engine.begin(file, LEFT);
  stopped.engine.stop();
  const some = await stopped.atRest();
  expect(members(some).length).toBeLessThan(frame.members.length);
  stopped.engine.hear({ kind: 'evidence', record: reading(300) });
  const rest = await stopped.atRest();
  expect(new Set([...members(some), ...members(rest)]).size).toBe(frame.members.length);
});

test('a member that cannot be worked out is said once, by name, and the others are', async () => {
  const broken = { ...file, repairs: [{ id: 'r', memberId: 'rail-right' } as JobFile['repairs'][number]] };
  const { engine, atRest } = opened();
  await engine.begin(broken, LEFT);
  const reports = await atRest();
  const failed = reports.flatMap((report) => (report.kind === 'failed' ? [report.what] : []));
  expect(failed.filter((what) => what === 'Right rail')).toHaveLength(1);
  expect(members(reports)).toContain(LEFT);
});
