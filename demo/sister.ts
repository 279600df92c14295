import { memberOf, type Frame, type Unit } from '@/core/frame';
import type { JobBundle } from '@/core/exchange';
import type { Evidence } from '@/core/job';
import { taskId, type TaskWhat } from '@/core/order';
import { layPattern, patternOf, type Pattern } from '@/core/patterns';
import { inchesToMm, poundsToKg } from '@/core/quantity';
import { repairSchema, type Repair } from '@/core/shape';
import { boatTrailer } from './boat-trailer';
import { seeded, seededId } from './seeded';
import { every, survey } from './survey';
import { looks } from './walked';

/** How far the sister's right rear hangers stand behind the left ones: welded on anew once, by somebody who did not measure. */
const ASTRAY_MM = inchesToMm(2);

const stampsOf = (seed: number) => {
  const random = seeded(seed);
  return { random, id: () => seededId(random) };
};

/** The older boat-moving trailer: made like the one in the yard, but that its right hangers stand astray. */
function sister(): { readonly unit: Unit; readonly frame: Frame } {
  const { id } = stampsOf(501);
  const { frame } = boatTrailer();
  const unit: Unit = {
    id: id(),
    tag: 'BM-1',
    description: 'Boat-moving trailer, the older sister',
    kind: 'trailer',
    exposure: 'dips in the sea',
    duty: 'work',
    grossMassKg: poundsToKg(6400),
    builtYear: 2009,
  };
  const fittings = frame.fittings.flatMap((fitting) =>
    fitting.kind === 'spring hanger'
      ? [
          { ...fitting, side: 'left' as const },
          {
            ...fitting,
            id: `${fitting.id}-r`,
            side: 'right' as const,
            stationMm: fitting.stationMm + ASTRAY_MM,
          },
        ]
      : [fitting],
  );
  return { unit, frame: { ...frame, fittings } };
}

/** The cap that the left rail got. */
const capOn = (id: string, at: string): Repair =>
  repairSchema.parse({
    id,
    memberId: 'rail-left',
    cutOut: true,
    pieces: [
      {
        id: 'cap-1',
        kind: 'bottom U',
        startMm: inchesToMm(130),
        endMm: inchesToMm(203),
        thicknessMm: inchesToMm(3 / 16),
        lowerEdgeMm: 0,
        upperEdgeMm: inchesToMm(4),
        taperMm: inchesToMm(4),
      },
    ],
    weldStyle: 'runs to continuous',
    plugs: false,
    onBench: false,
    beneath: ['mark-7 left', 'cross-5 start', 'mark-9 left'].map((hostId) => ({
      hostId,
      way: 'off and back',
    })),
    by: 'RK',
    at,
  });

/** Each task of a cap: what it was planned at, how many hands, and when it was begun and done, hours after eight. */
const TASKS: readonly {
  readonly what: TaskWhat;
  readonly title: string;
  readonly planned: [number, number];
  readonly hands: 1 | 2;
  readonly fromH: number;
  readonly toH: number;
}[] = [
  { what: 'make plate', title: 'Cap made', planned: [0.6, 1.8], hands: 1, fromH: 0, toH: 1.7 },
  { what: 'fit', title: 'Cap fitted', planned: [0.4, 1.2], hands: 2, fromH: 24, toH: 24.6 },
  { what: 'tack', title: 'Cap tacked', planned: [0.25, 0.77], hands: 2, fromH: 25, toH: 25.3 },
  { what: 'weld', title: 'Cap welded', planned: [1.45, 4.3], hands: 2, fromH: 48, toH: 50.2 },
];
const WORKED_H = TASKS.reduce((sum, { fromH, toH }) => sum + toH - fromH, 0);
/** The plan as it was kept before the first cap was made. */
const planOf = (id: () => string, repairIds: readonly string[]): Evidence => ({
  kind: 'job plan',
  id: id(),
  by: 'RK',
  at: '2024-05-13T14:00:00Z',
  note: '',
  tasks: repairIds.flatMap((repairId) =>
    TASKS.map(({ what, title, planned, hands }) => ({
      id: taskId(what, repairId),
      title,
      hours: planned,
      hands,
      after: [],
    })),
  ),
  basis: 'two caps',
  meanwhile: '',
});
function ticked(id: () => string, repairId: string, day: string): Evidence[] {
  const begins = Date.parse(`${day}T08:00:00Z`);
  const said = (what: TaskWhat, title: string, is: 'started' | 'done', atH: number): Evidence => ({
    kind: 'task',
    id: id(),
    by: 'TM',
    at: new Date(begins + atH * 3_600_000).toISOString(),
    note: '',
    taskId: taskId(what, repairId),
    title,
    is,
  });
  return TASKS.flatMap(({ what, title, fromH, toH }) => [
    said(what, title, 'started', fromH),
    said(what, title, 'done', toH),
  ]);
}

/** The sound metal above the rot, read where the caps land. */
const readAlong = (frame: Frame, memberId: string) =>
  survey(
    memberOf(frame, memberId)!,
    [],
    {
      by: 'RK',
      startedAt: '2024-05-13T11:00:00Z',
      stationsIn: every(3, 112, 214),
      spots: [
        ['outer', 4.5],
        ['outer', 3],
        ['inner', 4.5],
        ['inner', 3],
        ['top', 1.5],
      ],
    },
    seeded(memberId === 'rail-left' ? 506 : 507),
  );

/** What was measured before the first cut and after the last weld: lines along both rails, diagonals, bunks, twist, and how far the deck gave. */
function measuredTwice(id: () => string, frame: Frame): Evidence[] {
  const lineOn = (
    memberId: string,
    direction: 'up' | 'across',
    at: string,
    offIn: readonly number[],
  ): Evidence => {
    const { lengthMm } = memberOf(frame, memberId)!;
    const marks = offIn.map((off, k) => ({
      stationMm: lengthMm * (0.02 + (0.96 * k) / (offIn.length - 1)),
      offMm: inchesToMm(off),
    }));
    return {
      kind: 'geometry',
      id: id(),
      by: 'RK',
      at,
      note: '',
      instrument: 'laser line',
      checkedOn: '2024-02-05',
      stood: 'on its wheels, empty',
      measure: { of: 'line', memberId, direction, marks },
    };
  };
  const diagonals = (at: string, oneIn: number, otherIn: number): Evidence => ({
    kind: 'geometry',
    id: id(),
    by: 'RK',
    at,
    note: '',
    instrument: 'trammel',
    stood: 'on its wheels, empty',
    measure: {
      of: 'diagonals',
      place: 'hanger to hanger',
      oneMm: inchesToMm(oneIn),
      otherMm: inchesToMm(otherIn),
    },
  });
  const shared = { by: 'RK', note: '', stood: 'on its wheels, empty' } as const;
  /** The four brackets that the bunks stand on, from the left front one. */
  const bunks = (at: string, offMm: readonly (readonly [number, number, number])[]): Evidence => ({
    kind: 'geometry',
    id: id(),
    at,
    ...shared,
    instrument: 'trammel',
    measure: {
      of: 'mounts',
      set: 'bunk brackets',
      points: BUNKS.map(([name, xMm, yMm], k) => ({
        name,
        xMm: xMm + offMm[k]![0],
        yMm: yMm + offMm[k]![1],
        zMm: offMm[k]![2],
      })),
    },
  });
  const twist = (at: string, degrees: readonly number[]): Evidence => ({
    kind: 'geometry',
    id: id(),
    at,
    ...shared,
    instrument: 'spirit level',
    measure: {
      of: 'level across',
      stations: degrees.map((each, k) => ({ stationMm: inchesToMm(20 + 58 * k), degrees: each })),
    },
  });
  const gave = (at: string, gaveMm: number): Evidence => ({
    kind: 'flex',
    id: id(),
    by: 'TM',
    at,
    note: '',
    place: 'left rail over the rear spring, against the floor',
    push: 'jack under the tail, 500 lb on its gauge',
    state: 'empty, on its wheels',
    gaveMm,
    plusMinusMm: 0.5,
    changed: '',
  });
  const [was, is] = ['2024-05-13T16:00:00Z', '2024-05-24T09:00:00Z'];
  return [
    lineOn('rail-left', 'up', was, [2, 1.98, 1.86, 1.94, 2]),
    lineOn('rail-right', 'up', was, [2, 1.97, 1.91, 1.95, 2]),
    lineOn('rail-left', 'across', was, [3, 3.02, 3.05, 3.03, 3]),
    lineOn('rail-right', 'across', was, [3, 3.01, 3.04, 3.01, 3]),
    diagonals(was, 88.5, 88.4375),
    bunks(was, [
      [0, 0, 0],
      [1, 0.5, 1],
      [-0.5, 1, 0],
      [0.5, 0, 0.5],
    ]),
    twist(was, [0.1, 0.12, 0.2, 0.22]),
    gave(was, 11),
    lineOn('rail-left', 'up', is, [2, 1.99, 1.93, 1.97, 2]),
    lineOn('rail-right', 'up', is, [2, 1.98, 1.94, 1.97, 2]),
    lineOn('rail-left', 'across', is, [3, 3.03, 3.08, 3.04, 3]),
    lineOn('rail-right', 'across', is, [3, 3.01, 3.05, 3.02, 3]),
    diagonals(is, 88.5, 88.46875),
    bunks(is, [
      [0, 0, 0],
      [1, 0.5, 0.5],
      [0.5, 2, 0.5],
      [0.5, 0, 2],
    ]),
    twist(is, [0.1, 0.14, 0.15, 0.16]),
    gave(is, 6.5),
  ];
}

const BUNKS = [
  ['left front', 0, 0],
  ['left rear', 1830, 0],
  ['right front', 0, 1250],
  ['right rear', 1830, 1250],
] as const;

const CAPPED_AT = '2024-05-13T12:00:00Z';
/** The shop's own pattern: the sister's left cap. */
export function demoPattern(): Pattern {
  const { id } = stampsOf(502);
  const { unit, frame } = sister();
  const jobId = cappedIds().jobId;
  return patternOf(frame, memberOf(frame, 'rail-left')!, capOn(cappedIds().left, CAPPED_AT), {
    id: id(),
    name: 'Cap under the rear springs',
    note: 'Wash the rail out and open its drains first; the hangers come off with the springs.',
    from: { jobId, tag: unit.tag },
    workedH: WORKED_H,
    photos: [],
    by: 'RK',
    at: '2024-05-16T15:00:00Z',
  });
}

function cappedIds() {
  const { id } = stampsOf(503);
  return { jobId: id(), left: `cap ${id().slice(0, 8)}`, right: `cap ${id().slice(0, 8)}` };
}

/** The sister's two jobs: both rails capped, the right one by the left one's pattern; looked at a year later. */
export function sisterBundles(): { readonly capped: JobBundle; readonly lookedAt: JobBundle } {
  const { unit, frame } = sister();
  const { random, id } = stampsOf(504);
  const { jobId, left, right } = cappedIds();
  const laid = layPattern(demoPattern(), frame, memberOf(frame, 'rail-right')!);
  if (!laid.ok) throw new Error(laid.reason);
  const beneath = ['mark-7-r right', 'cross-5 end', 'mark-9-r right'].map((hostId) => ({
    hostId,
    way: 'off and back' as const,
  }));
  const before = boatTrailer();
  const shared = { ...before, unit, frame, notices: [], strikes: [] };
  const job = { ...before.job, unitId: unit.id, openedBy: 'RK' };
  const capped: JobBundle = {
    ...shared,
    repairs: [
      capOn(left, CAPPED_AT),
      { ...laid.value.repair, id: right, beneath, by: 'RK', at: '2024-05-14T09:00:00Z' },
    ],
    evidence: [
      ...looks(
        frame,
        {
          by: 'RK',
          startedAt: '2024-05-13T09:00:00Z',
          findings: [
            [/^front-foot rail-right/, { result: 'scaling', cause: 'trapped wet dirt' }],
            [/hanger.*left/i, { result: 'soft', cause: 'sealed drain' }],
            [/hanger.*right/i, { result: 'scaling', cause: 'sealed drain' }],
          ],
        },
        random,
      ),
      ...['rail-left', 'rail-right'].flatMap((memberId) => readAlong(frame, memberId)),
      planOf(id, [left, right]),
      ...ticked(id, left, '2024-05-14'),
      ...ticked(id, right, '2024-05-20'),
      ...measuredTwice(stampsOf(505).id, frame),
    ],
    job: {
      ...job,
      id: jobId,
      title: 'Both rails capped under the springs',
      complaint: 'Rails soft at the hangers',
      openedAt: '2024-05-13T08:00:00Z',
    },
  };
  const lookedAt: JobBundle = {
    ...shared,
    repairs: [],
    evidence: looks(
      frame,
      {
        by: 'TM',
        startedAt: '2025-06-02T09:00:00Z',
        findings: [
          [/right/i, { result: 'not seen', why: 'no time' }],
          [/hanger/i, { result: 'sound' }],
        ],
      },
      random,
    ),
    job: {
      ...job,
      id: id(),
      title: 'Caps looked at after a year',
      purpose: 'follow-up',
      complaint: '',
      openedBy: 'TM',
      openedAt: '2025-06-02T08:30:00Z',
    },
  };
  return { capped, lookedAt };
}
