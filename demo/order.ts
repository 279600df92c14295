import type { JobBundle } from '@/core/exchange';
import { jobOrder, workJob, type Evidence, type JobFile } from '@/core/job';
import { planBasis, snapshotOf, type Task, type TaskSaid } from '@/core/order';
import { DEFAULT_WEEK, type ShopLists } from '@/core/reference';
import { inchesToMm } from '@/core/quantity';
import { seeded, seededId } from './seeded';

/** Who works at Slipway Frame Works, where, and what lies on its shelf. */
export const DEMO_LISTS: ShopLists = {
  people: [
    { name: 'RK', role: 'foreman', welds: true, qualification: 'own test piece, March 2026' },
    { name: 'TM', role: 'fitter', welds: true, qualification: 'own test piece, June 2026' },
    { name: 'AL', role: 'helper', welds: false, qualification: '' },
  ],
  bays: [
    { name: 'North', hasLift: true, longestMm: inchesToMm(420) },
    { name: 'South', hasLift: false },
  ],
  kits: [
    {
      name: 'rail cap, 4 ft',
      family: 'open-channel ladder',
      coversMm: inchesToMm(48),
      edgeMm: inchesToMm(4),
      thicknessMm: inchesToMm(1 / 4),
      pieces: 2,
      price: 95,
      instructions: 'middle joint first, seams in runs',
      leadDays: 6,
    },
  ],
  consumables: [
    { name: 'wire 0.035', unit: 'spool', price: 48 },
    { name: 'flap disc', unit: 'piece', price: 6 },
    { name: 'weld-through primer', unit: 'can', price: 21 },
  ],
  shelf: [],
  week: { ...DEFAULT_WEEK, shut: ['2026-12-25', '2027-01-01'] },
};

export const fileOf = (bundle: JobBundle): JobFile => ({
  ...bundle,
  closed: false,
  frameRevision: 1,
  practiceRevision: 1,
  repairChanges: {},
});
const orderOf = (bundle: JobBundle) => {
  const file = fileOf(bundle);
  const works = new Map(workJob(file).map((work) => [work.picture.member.id, work]));
  return jobOrder(file, works, Date.parse(bundle.job.openedAt));
};

/** What the engine proposed for a member, taken over as it is. */
function takenOver(bundle: JobBundle, memberId: string, by: string, at: string): JobBundle {
  const random = seeded(301);
  const work = workJob(fileOf(bundle)).find(({ picture }) => picture.member.id === memberId);
  const repairs = (work?.repairs ?? []).map(({ repair }) => ({ ...repair, id: seededId(random), by, at }));
  return { ...bundle, repairs: [...bundle.repairs, ...repairs] };
}

const titleOf = ({ what, of, zoneId }: Task): string =>
  `${what}: ${of.name}${zoneId ? `, zone ${zoneId}` : ''}`;

interface Ticks {
  readonly seed: number;
  readonly by: string;
  /** When the first was done; each of the others an hour later. */
  readonly from: string;
}
/** Tasks said to be done, in the plan's own order, an hour apart. */
function ticked(tasks: readonly Task[], { seed, by, from }: Ticks): TaskSaid[] {
  const random = seeded(seed);
  return tasks.map((task, k) => ({
    kind: 'task',
    id: seededId(random),
    taskId: task.id,
    title: titleOf(task).slice(0, 160),
    is: 'done',
    by,
    at: new Date(Date.parse(from) + k * 3_600_000).toISOString(),
    note: '',
  }));
}

const withEvidence = (bundle: JobBundle, more: readonly Evidence[]): JobBundle => ({
  ...bundle,
  evidence: [...bundle.evidence, ...more],
});

/** The plan as it stands, kept for the shop's calendar. */
function withPlanKept(
  bundle: JobBundle,
  { seed, by, at }: { seed: number; by: string; at: string },
): JobBundle {
  const random = seeded(seed);
  const { plan, progress } = orderOf(bundle);
  return withEvidence(bundle, [
    {
      kind: 'job plan',
      id: seededId(random),
      tasks: snapshotOf(plan, progress, titleOf, []),
      basis: planBasis(plan),
      lengthMm: bundle.frame.lengthMm,
      meanwhile: '',
      by,
      at,
      note: '',
    },
  ]);
}

const MEASURE_AND_STRIP = new Set<Task['what']>([
  'wheelbase',
  'diagonals',
  'ride height',
  'laser marks',
  'part places',
  'photos before',
  'battery off',
  'clear',
  'crack ends',
  'make plate',
]);

/** DV-3: plate decided, stripped, at the gate of hot work, which nobody has opened. */
export function diversAtTheGate(before: JobBundle): JobBundle {
  const bundle = takenOver(before, 'rail-left', 'TM', '2026-11-24T09:00:00Z');
  const { plan } = orderOf(bundle);
  const random = seeded(302);
  const off = plan.tasks.filter(({ what }) => what === 'take off');
  const stripped = withEvidence(bundle, [
    ...ticked(
      plan.tasks.filter(({ what }) => MEASURE_AND_STRIP.has(what)),
      { seed: 303, by: 'TM', from: '2026-11-25T08:00:00Z' },
    ),
    ...off.map((task, k): Evidence => ({
      kind: 'removal',
      id: seededId(random),
      partId: task.of.id,
      name: task.of.name,
      place: k === 0 ? 'rack behind South' : 'coiled in the cabin',
      bag: `DV ${k + 1}`,
      fate: 'goes back',
      by: 'TM',
      at: '2026-11-25T16:30:00Z',
      note: '',
    })),
    {
      kind: 'slot',
      id: seededId(random),
      startOn: '2026-11-30',
      bay: 'South',
      chance: 0.8,
      by: 'TM',
      at: '2026-11-25T16:40:00Z',
      note: '',
    },
  ]);
  return withPlanKept(stripped, { seed: 304, by: 'TM', at: '2026-11-25T16:45:00Z' });
}

/** BM-2: nothing is planned; its owner was told how it gets here, and when somebody looks at it again. */
export const boatTrailerWaits = (bundle: JobBundle): JobBundle =>
  withEvidence(bundle, [
    {
      kind: 'interim',
      id: seededId(seeded(321)),
      answer: 'to the shop only',
      advice: 'empty, under 30 mph (48 km/h), no farther than here; then it stands',
      everyDays: 14,
      by: 'TM',
      at: '2026-11-20T16:00:00Z',
      note: '',
    },
  ]);

/** GR-7: stripping begun for the crack, a second layer found beneath the flat bar, the owner's yes; plates still to be decided. */
export function gritterInMidPlan(bundle: JobBundle): JobBundle {
  const { plan } = orderOf(bundle);
  const random = seeded(311);
  const zoneId = plan.zones[0]?.id ?? 'A';
  const extraId = seededId(random);
  const more = withEvidence(bundle, [
    ...ticked(
      plan.tasks.filter(({ what }) =>
        ['battery off', 'ride height', 'photos before', 'take off load'].includes(what),
      ),
      { seed: 312, by: 'RK', from: '2026-11-24T08:00:00Z' },
    ),
    {
      kind: 'removal',
      id: seededId(random),
      partId: 'load tank',
      name: 'Fuel',
      place: 'open shed across the yard',
      bag: 'GR 1',
      fate: 'goes back',
      isOutside: true,
      level: 'a quarter',
      by: 'RK',
      at: '2026-11-24T13:00:00Z',
      note: '',
    },
    {
      kind: 'extra',
      id: extraId,
      zoneId,
      memberId: 'rail-right',
      grows: true,
      what: 'a second flat beneath the old bar, its weld torn',
      hours: [1.5, 3],
      money: [165, 330],
      by: 'RK',
      at: '2026-11-24T14:00:00Z',
      note: '',
    },
    {
      kind: 'extra answer',
      id: seededId(random),
      extraId,
      answer: 'yes',
      who: 'owner',
      how: 'by telephone',
      by: 'RK',
      at: '2026-11-24T14:35:00Z',
      note: '',
    },
    {
      kind: 'slot',
      id: seededId(random),
      startOn: '2026-12-01',
      bay: 'North',
      chance: 0.8,
      downtimePerDay: 240,
      by: 'RK',
      at: '2026-11-24T15:00:00Z',
      note: '',
    },
  ]);
  return withPlanKept(more, { seed: 313, by: 'RK', at: '2026-11-24T15:05:00Z' });
}
