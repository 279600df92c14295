import { hostsOf, type Frame, type HostOn } from '@/core/frame';
import { inchesToMm, poundsToKg } from '@/core/quantity';
import {
  hotSpots,
  TRADE_SPOTS,
  type Find,
  type HotSpot,
  type Look,
  type LookResult,
  type SignDetail,
  type Way,
} from '@/core/walk';
import type { Evidence } from '@/core/job';
import { seeded, seededId } from './seeded';

type Seen = Pick<Look, 'result'> & Partial<Pick<Look, 'why' | 'ways' | 'note' | 'cause'>>;
/** What was found at a spot, by what its id or title says; the first that fits counts. */
type Findings = readonly (readonly [fits: RegExp, seen: Seen])[];

export interface Round {
  readonly by: string;
  readonly startedAt: string;
  readonly findings: Findings;
  readonly ways?: readonly Way[];
  readonly usual?: LookResult;
  readonly beforeBuying?: boolean;
  /** Only so many spots were reached. */ readonly upTo?: number;
}

/** A round of looks along the walking order, half a minute apart. */
export function looks(frame: Frame, round: Round, random: () => number): Evidence[] {
  const spots = hotSpots(frame, TRADE_SPOTS, round.beforeBuying).slice(0, round.upTo);
  return spots.map((spot, k): Look => {
    const seen = round.findings.find(([fits]) => fits.test(`${spot.id} ${spot.title}`))?.[1] ?? {
      result: round.usual ?? 'surface rust',
    };
    return {
      kind: 'look',
      id: seededId(random),
      spotId: spot.id,
      title: spot.title,
      ...placeOf(spot),
      ways: seen.result === 'not seen' ? [] : [...(round.ways ?? ['eye', 'hammer'])],
      by: round.by,
      at: new Date(Date.parse(round.startedAt) + k * 30_000).toISOString(),
      note: '',
      ...seen,
    };
  });
}
const placeOf = (spot: HotSpot) =>
  spot.memberId === undefined ? {} : { memberId: spot.memberId, stationMm: (spot.fromMm! + spot.toMm!) / 2 };

type Place = {
  readonly memberId: string;
  readonly stationIn: number;
  readonly toIn?: number;
  readonly face: 'web' | 'bottom' | 'top' | 'outer' | 'inner';
  readonly heightIn: number;
};
const sign = (
  random: () => number,
  { memberId, stationIn, toIn, face, heightIn }: Place,
  detail: SignDetail,
  by: string,
  at: string,
  more: { cause?: 'sealed drain' | 'dam' | 'trapped wet dirt' | 'weld defect'; note?: string } = {},
): Evidence => ({
  kind: 'sign',
  id: seededId(random),
  memberId,
  stationMm: inchesToMm(stationIn),
  ...(toIn !== undefined && { toMm: inchesToMm(toIn) }),
  face,
  heightMm: inchesToMm(heightIn),
  detail,
  by,
  at,
  note: more.note ?? '',
  ...(more.cause && { cause: more.cause }),
});
/** Something found of a thing that is no wall, by its name on this frame. */
function find(
  frame: Frame,
  random: () => number,
  [on, name]: readonly [HostOn, string],
  { part, state, note = '' }: Pick<Find, 'part' | 'state'> & { readonly note?: string },
  by: string,
  at: string,
): Evidence {
  const host = hostsOf(frame).find((each) => each.on === on && each.name === name);
  if (!host) throw new Error(`${name} is not on this frame`);
  const memberIds = [...new Set(host.spans.map(({ memberId }) => memberId))];
  return {
    kind: 'find',
    id: seededId(random),
    on,
    hostId: host.id,
    title: host.name,
    part,
    state,
    memberIds,
    note,
    by,
    at,
  };
}
const leaves = (
  random: () => number,
  by: string,
  at: string,
  given: Readonly<Record<'hammer' | 'scrape' | 'drill', boolean>>,
): Evidence[] =>
  (['hammer', 'scrape', 'drill'] as const).map((act) => ({
    kind: 'leave',
    id: seededId(random),
    act,
    given: given[act],
    by,
    at,
    note: '',
  }));

export function gritterWalk(frame: Frame): Evidence[] {
  const random = seeded(107);
  return [
    ...leaves(random, 'RK', '2026-11-16T08:25:00Z', { hammer: true, scrape: true, drill: false }),
    ...looks(
      frame,
      {
        by: 'RK',
        startedAt: '2026-11-16T08:30:00Z',
        findings: [
          [/^tank-strap/, { result: 'not seen', why: 'behind a tank' }],
          [
            /^lower-flange rail-right 2/,
            {
              result: 'through',
              ways: ['eye', 'hammer', 'light through'],
              cause: 'trapped wet dirt',
              note: 'behind the hopper, hammer went in',
            },
          ],
          [/^lower-flange rail-right 3/, { result: 'delaminating', ways: ['eye', 'pick'] }],
          [/^lower-flange rail-left/, { result: 'surface rust', ways: ['eye', 'hammer'] }],
          [/^cross-end cross-4 1/, { result: 'through', ways: ['light through'], cause: 'dam' }],
          [
            /Rear spring, front hanger, right/,
            { result: 'cracked', ways: ['eye'], note: 'dye showed it, see Trace' },
          ],
        ],
      },
      random,
    ),
    sign(
      random,
      { memberId: 'rail-right', stationIn: 95, toIn: 110, face: 'bottom', heightIn: 1.4 },
      { sign: 'old repair', cover: 'added angle or flat' },
      'RK',
      '2026-11-16T08:41:00Z',
      { note: 'flat bar, no finish between' },
    ),
    sign(
      random,
      { memberId: 'rail-right', stationIn: 104, face: 'web', heightIn: 1 },
      { sign: 'struck', tool: 'hammer', answer: 'gave way' },
      'RK',
      '2026-11-16T08:43:00Z',
      { cause: 'trapped wet dirt' },
    ),
    sign(
      random,
      { memberId: 'rail-right', stationIn: 60, face: 'web', heightIn: 4 },
      { sign: 'struck', tool: 'hammer', answer: 'even ring' },
      'RK',
      '2026-11-16T08:44:00Z',
    ),
    sign(
      random,
      { memberId: 'rail-left', stationIn: 104, face: 'web', heightIn: 1 },
      { sign: 'struck', tool: 'hammer', answer: 'even ring' },
      'RK',
      '2026-11-16T08:45:00Z',
    ),
    sign(
      random,
      { memberId: 'rail-right', stationIn: 158, face: 'web', heightIn: 2.5 },
      {
        sign: 'fastener',
        is: 'rivet',
        state: 'loose',
        sizeMm: inchesToMm(5 / 8),
        clamps: 'rear spring, front hanger',
      },
      'RK',
      '2026-11-16T08:50:00Z',
    ),
    sign(
      random,
      { memberId: 'rail-left', stationIn: 112, face: 'bottom', heightIn: 1.2 },
      { sign: 'access', off: 'fuel tank and its straps', to: 'see' },
      'RK',
      '2026-11-16T08:52:00Z',
    ),
    {
      kind: 'complaint',
      id: seededId(random),
      what: 'sag',
      where: 'cab gap when loaded',
      movementMm: inchesToMm(5 / 8),
      memberIds: ['rail-left', 'rail-right'],
      by: 'RK',
      at: '2026-11-16T08:20:00Z',
      note: 'laser at cab mount, empty against loaded',
    },
  ];
}

/** Not through yet: the front and the right side were looked at, the rest waits. */
export function boatTrailerWalk(frame: Frame): Evidence[] {
  const random = seeded(102);
  return [
    ...leaves(random, 'TM', '2026-11-20T09:55:00Z', { hammer: true, scrape: true, drill: true }),
    ...looks(
      frame,
      {
        by: 'TM',
        startedAt: '2026-11-20T10:00:00Z',
        upTo: 9,
        findings: [
          [/^front-foot rail-right/, { result: 'scaling' }],
          [/hanger.*right/i, { result: 'sound', ways: ['eye'] }],
        ],
      },
      random,
    ),
    sign(
      random,
      { memberId: 'rail-left', stationIn: 150, toIn: 176, face: 'outer', heightIn: 2.2 },
      { sign: 'debris', full: 0.4, wet: 'wet', outKg: poundsToKg(14), waterLineMm: inchesToMm(2.4) },
      'TM',
      '2026-11-20T10:10:00Z',
      { cause: 'sealed drain' },
    ),
    sign(
      random,
      { memberId: 'rail-left', stationIn: 120, face: 'outer', heightIn: 3 },
      { sign: 'light through', shows: 'dark' },
      'TM',
      '2026-11-20T10:14:00Z',
    ),
    find(
      frame,
      random,
      ['pocket', 'Inside the left rail'],
      { part: 'inside', state: { is: 'packed', wet: true }, note: 'sand and shell' },
      'TM',
      '2026-11-20T10:16:00Z',
    ),
    ...(['Inside the left rail', 'Inside the right rail'] as const).map((name, k) =>
      find(
        frame,
        random,
        ['pocket', name],
        { part: 'drain', state: { is: 'blocked' } },
        'TM',
        `2026-11-20T10:1${7 + k}:00Z`,
      ),
    ),
  ];
}

export function libraryWalk(frame: Frame): Evidence[] {
  const random = seeded(111);
  return [
    ...looks(
      frame,
      {
        by: 'RK',
        startedAt: '2026-11-12T09:05:00Z',
        usual: 'sound',
        findings: [
          [/^outrigger outrigger-left-4/, { result: 'cracked', ways: ['eye'], cause: 'weld defect' }],
          [/^trailer-tank/, { result: 'not seen', why: 'behind a tank' }],
        ],
      },
      random,
    ),
    {
      kind: 'complaint',
      id: seededId(random),
      what: 'sag',
      where: 'floor beside the door',
      movementMm: inchesToMm(3 / 8),
      memberIds: ['rail-left', 'outrigger-left-4'],
      by: 'RK',
      at: '2026-11-12T09:00:00Z',
      note: '',
    },
    find(
      frame,
      random,
      ['fitting', 'Equaliser between axles 1 and 2, left'],
      {
        part: 'pin',
        state: { is: 'worn', foundMm: inchesToMm(0.47), madeMm: inchesToMm(9 / 16) },
        note: 'bush dry, pin stepped',
      },
      'RK',
      '2026-11-12T09:40:00Z',
    ),
  ];
}

export function diversWalk(frame: Frame): Evidence[] {
  const random = seeded(113);
  return [
    ...looks(
      frame,
      {
        by: 'TM',
        startedAt: '2026-11-18T08:05:00Z',
        usual: 'sound',
        findings: [
          [/^stud/, { result: 'not seen', why: 'inside, no way in' }],
          [/^upright upright-left 1/, { result: 'scaling' }],
        ],
      },
      random,
    ),
    sign(
      random,
      { memberId: 'rail-left', stationIn: 62, toIn: 78, face: 'bottom', heightIn: 2 },
      { sign: 'old repair', cover: 'plate, welded all round' },
      'TM',
      '2026-11-18T08:30:00Z',
      { note: 'square ends' },
    ),
    {
      kind: 'complaint',
      id: seededId(random),
      what: 'gap',
      where: 'front wall to floor, when hitched',
      movementMm: inchesToMm(5 / 8),
      memberIds: ['rail-left', 'rail-right', 'upright-left', 'upright-right'],
      by: 'TM',
      at: '2026-11-18T08:00:00Z',
      note: '',
    },
    ...(
      [
        [3, '2026-11-18T08:34:00Z'],
        [5.5, '2026-11-24T08:10:00Z'],
      ] as const
    ).map(([longIn, at]) =>
      find(
        frame,
        random,
        ['panel', 'Left front wall skin'],
        {
          part: 'sheet',
          state: { is: 'cracked', longMm: inchesToMm(longIn) },
          note: 'from the corner of the bay',
        },
        'TM',
        at,
      ),
    ),
  ];
}

export function vanWalk(frame: Frame): Evidence[] {
  const random = seeded(117);
  const claimId = seededId(random);
  const claim = (standing: 'to be checked' | 'not borne out', at: string): Evidence => ({
    kind: 'claim',
    id: seededId(random),
    claimId,
    words: 'Sills done, both sides',
    standing,
    by: 'RK',
    at,
    note: standing === 'not borne out' ? 'a skin over rust on the right' : '',
  });
  return [
    ...leaves(random, 'RK', '2026-11-19T13:02:00Z', { hammer: true, scrape: false, drill: false }),
    claim('to be checked', '2026-11-19T13:03:00Z'),
    ...looks(
      frame,
      {
        by: 'RK',
        startedAt: '2026-11-19T13:05:00Z',
        beforeBuying: true,
        findings: [
          [/^sill sill-right/, { result: 'soft', ways: ['eye', 'hammer'], cause: 'sealed drain' }],
          [/^sill sill-left/, { result: 'patched before', ways: ['eye', 'ring'] }],
          [/^rail-end rail-right-front 1/, { result: 'through', ways: ['eye', 'finger'] }],
          [/^rail-end rail-left/, { result: 'surface rust', ways: ['eye'] }],
          [/^jacking.*right/, { result: 'soft', ways: ['hammer'] }],
          [/^carpet/, { result: 'not seen', why: 'leave refused' }],
          [/^floor-rail/, { result: 'surface rust', ways: ['eye'] }],
          [/^fender.*right/, { result: 'pitted', ways: ['eye'] }],
          [/^roll-bar/, { result: 'not seen', why: 'inside, no way in' }],
        ],
      },
      random,
    ),
    sign(
      random,
      { memberId: 'sill-right', stationIn: 20, toIn: 34, face: 'outer', heightIn: 2 },
      { sign: 'layers', counted: 3, expected: 2, pickDeepMm: inchesToMm(5 / 8) },
      'RK',
      '2026-11-19T13:40:00Z',
    ),
    sign(
      random,
      { memberId: 'sill-right', stationIn: 18, toIn: 36, face: 'bottom', heightIn: 1 },
      { sign: 'coating', coat: 'thick rubber over a seam' },
      'RK',
      '2026-11-19T13:42:00Z',
    ),
    claim('not borne out', '2026-11-19T13:50:00Z'),
  ];
}

export function vanWalkBefore(frame: Frame): Evidence[] {
  const random = seeded(119);
  return [
    ...looks(
      frame,
      {
        by: 'RK',
        startedAt: '2024-10-07T08:10:00Z',
        usual: 'sound',
        findings: [[/^sill sill-left 1/, { result: 'through' }]],
      },
      random,
    ),
    sign(
      random,
      { memberId: 'cross-seat', stationIn: 20, face: 'bottom', heightIn: 1.5 },
      { sign: 'light through', shows: 'it lights up' },
      'RK',
      '2024-10-07T09:00:00Z',
      { cause: 'trapped wet dirt' },
    ),
  ];
}
