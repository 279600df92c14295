import {
  askLift,
  brokenRules,
  boughtMember,
  jobBuyersLook,
  jobDemand,
  jobSpots,
  mayMove,
  knownFrame,
  verdictWithDemand,
  workJob,
  worksForMember,
  type KnownFrame,
  type Evidence,
  type JobDemand,
  type JobRecords,
  type MemberWork,
} from '.';
import {
  defaultFrame,
  facesOf,
  familyOf,
  hostsOf,
  typicalLoads,
  type Family,
  type Frame,
  type Member,
} from '../frame';
import { standingAgainst } from '../metal';
import { DEFAULT_PRACTICE } from '../reference';
import type { Reading } from '../probe';
import { renewalTubes, workPlace } from '../shape';
import { MOVE_ANSWERS, type Crack, type MoveAnswer } from '../trace';
import type { LiftPlan, Look, LookResult, Sign, SignDetail, Way } from '../walk';
import { severity, unitVerdict, type Verdict } from '../weigh';

/** What lift gate, verdicts, buyer and work order must say of a unit as somebody found it, with eye, hammer, finger and gauge. */
let made = 0;
const stamp = (day = 1) => ({
  id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  by: 'RK',
  at: `2026-01-${String(day).padStart(2, '0')}T00:00:00Z`,
  note: '',
});
const FRAMES = new Map<string, Frame>();
const frameOf = (family: Family, payloadKg: number): Frame => {
  const key = `${family} ${payloadKg}`;
  const bare = defaultFrame({ ...familyOf(family).typical, family, steel: 'hot-rolled-50', datum: 'hole' });
  const frame = FRAMES.get(key) ?? { ...bare, loads: { items: typicalLoads(bare, payloadKg) } };
  FRAMES.set(key, frame);
  return frame;
};
const jobOn = (frame: Frame): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence: [],
  strikes: [],
  repairs: [],
});
const rails = (frame: Frame): Member[] =>
  frame.members.filter(({ role, side }) => (role === 'rail' || role === 'sill') && side !== undefined);

/** A tall web is read more often. */
const heightsOn = (widthMm: number): number[] =>
  widthMm > 400 ? [0.1, 0.3, 0.5, 0.7, 0.9] : [0.2, 0.5, 0.8];
type Kept = (member: Member, share: number, face: string) => number;
const read = (frame: Frame, members: readonly Member[], kept: Kept, faces?: readonly string[]): Reading[] =>
  members.flatMap((member) =>
    Array.from({ length: 17 }, (_, k) => k / 16).flatMap((share) =>
      facesOf(member.shape)
        .filter((face) => !faces || faces.includes(face.id))
        .flatMap((face) =>
          heightsOn(face.widthMm).map((up): Reading => ({
            kind: 'reading',
            ...stamp(),
            memberId: member.id,
            stationMm: share * member.lengthMm,
            face: face.id,
            heightMm: up * face.widthMm,
            method: 'ultrasonic',
            thicknessMm: face.wallMm * kept(member, share, face.id),
          })),
        ),
    ),
  );
const looks = (
  job: JobRecords,
  say: (spot: { title: string; memberId?: string; ruleId: string; share: number }) => LookResult | undefined,
  ways: Way[] = ['eye', 'hammer'],
): Look[] =>
  jobSpots(job).flatMap(({ spot }) => {
    const member = job.frame.members.find((each) => each.id === spot.memberId);
    const middle = member ? (spot.fromMm! + spot.toMm!) / 2 / member.lengthMm : 0;
    const result = say({ ...spot, share: middle });
    if (result === undefined) return [];
    return [
      {
        kind: 'look',
        ...stamp(),
        spotId: spot.id,
        title: spot.title,
        ...(spot.memberId && { memberId: spot.memberId, stationMm: (spot.fromMm! + spot.toMm!) / 2 }),
        result,
        ways: result === 'not seen' ? [] : ways,
        ...(result === 'not seen' && { why: 'behind a tank' as const }),
      },
    ];
  });
const sign = (member: Member, share: number, face: string, detail: SignDetail, more: object = {}): Sign =>
  ({
    kind: 'sign',
    ...stamp(2),
    memberId: member.id,
    stationMm: share * member.lengthMm,
    face,
    heightMm: 10,
    detail,
    ...more,
  }) as Sign;
const struck: SignDetail = { sign: 'struck', tool: 'hammer', answer: 'even ring' };
const gaveWay: SignDetail = { sign: 'struck', tool: 'hammer', answer: 'gave way' };
const skin: SignDetail = { sign: 'old repair', cover: 'skin over rust' };
const skinOn = (rail: Member): Sign => sign(rail, 0.4, 'bottom', skin, { toMm: 0.5 * rail.lengthMm });
const skinOff = (rail: Member): Sign =>
  sign(
    rail,
    0.39,
    'bottom',
    { sign: 'opened', how: 'cover taken off' },
    {
      toMm: 0.51 * rail.lengthMm,
      at: '2026-01-08T00:00:00Z',
    },
  );
/** Struck along a member's whole length, every face of it. */
const struckAlong = (member: Member): Sign[] =>
  facesOf(member.shape).map((face) => sign(member, 0, face.id, struck, { toMm: member.lengthMm }));
const crack = (
  member: Member,
  share: number,
  path: readonly (readonly [face: string, height: number])[],
): Crack =>
  ({
    kind: 'crack',
    ...stamp(3),
    memberId: member.id,
    path: path.map(([face, heightMm], k) => ({ stationMm: share * member.lengthMm + k, face, heightMm })),
    startFound: true,
    finishFound: true,
    seenBy: 'dye penetrant',
  }) as Crack;
const pads = (frame: Frame, front = 0.2, rear = 0.78): LiftPlan => ({
  way: 'two-post pads',
  points: (
    [
      ['front', front],
      ['rear', rear],
    ] as const
  ).flatMap(([name, share]) =>
    (['left', 'right'] as const).map((side) => ({
      id: `${name} ${side}`,
      side,
      stationMm: share * frame.lengthMm,
      ratingN: 100_000,
    })),
  ),
  wheelsDown: [],
  unloaded: false,
  slopeAlongDeg: 0,
  slopeAcrossDeg: 0,
});

interface Answers {
  readonly lift: string;
  /** Verdict of the left rail, or the first sill. */
  readonly rail: string;
  readonly unit: string;
  readonly buyer: string;
  /** Whether the work order lists anything found by hand. */
  readonly listed: boolean;
  readonly better: boolean;
  readonly move: MoveAnswer;
}
/** As built a frame is the same whatever was found on it. */
const AS_BUILT = new Map<Frame, { demand?: JobDemand; readonly frame: KnownFrame }>();
function answersOf(
  job: JobRecords,
  plan: LiftPlan | undefined,
  railId: string,
  worked: readonly MemberWork[] = workJob(job),
): Answers {
  const works = new Map(worked.map((work) => [work.picture.member.id, work]));
  const known = AS_BUILT.get(job.frame) ?? { frame: knownFrame() };
  const demand = jobDemand(job, works, ['as built', 'as found', 'least'], known.demand, known.frame);
  AS_BUILT.set(job.frame, { ...known, demand: { 'as built': demand['as built']! } });
  const judged = [...works.values()].map((work) => ({
    ...work,
    verdict: verdictWithDemand(work.picture, demand),
  }));
  const reply = plan && askLift(job, [], works, plan);
  return {
    lift: reply?.answer ?? 'not asked',
    better: (reply?.better.length ?? 0) > 0,
    rail: judged.find(({ picture }) => picture.member.id === railId)!.verdict.verdict,
    unit: unitVerdict(judged.map(({ picture, verdict }) => ({ member: picture.member, verdict }))).verdict,
    buyer: jobBuyersLook(job, judged.map(boughtMember)).answer,
    listed: judged.some(({ picture }) => standingAgainst(picture.account).length > 0),
    move: mayMove(job, '2026-02-01T00:00:00Z', {
      weighed: new Map(judged.map((work) => [work.picture.member.id, work])),
    }).answer,
  };
}

interface Stage {
  readonly job: JobRecords;
  readonly frame: Frame;
  readonly rail: Member;
  readonly both: readonly Member[];
  /** Every spot struck and found sound, but where told otherwise. */
  readonly sound: (but?: Parameters<typeof looks>[1], ways?: Way[]) => Look[];
}
type Row = readonly [
  what: string,
  family: Family,
  found: (stage: Stage) => readonly Evidence[],
  says: Partial<Answers>,
  fact: string,
  plan?: (frame: Frame) => LiftPlan,
];
const PAYLOAD: Readonly<Record<Family, number>> = {
  'open-channel ladder': 2500,
  'boxed ladder': 800,
  'mixed ladder': 800,
  'I-beam trailer': 1500,
  'gooseneck trailer': 1500,
  'semi trailer': 6000,
  unibody: 400,
};
const O = 'open-channel ladder';
const B = 'boxed ladder';
const T = 'I-beam trailer';
const M = 'mixed ladder';
const U = 'unibody';
const asNew =
  (kept = 1): Row[2] =>
  ({ frame, both, sound }) => [...read(frame, both, () => kept), ...sound()];

const throughInTheMiddle: Row[2] = ({ rail, sound }) =>
  sound(({ memberId, share }) =>
    memberId === rail.id && share > 0.33 && share < 0.67 ? 'through' : 'sound',
  );
/** One front hanger found bad, whatever was noted of the rail then, and another round that finds all of it sound. */
const twoRounds =
  (bad: LookResult, ...between: readonly (readonly [SignDetail, number, number, at?: string])[]): Row[2] =>
  ({ rail, sound }) => [
    ...sound(({ memberId, ruleId, share }) =>
      memberId === rail.id && ruleId === 'hanger' && share < 0.35 ? bad : 'sound',
    ),
    ...between.map(([detail, from, to, at = '2026-01-01T00:00:00Z']) =>
      sign(rail, from, 'bottom', detail, { toMm: to * rail.lengthMm, at }),
    ),
    ...sound(),
  ];
const renewedThere: SignDetail = { sign: 'put right', done: 'renewed' };
const flaking: SignDetail = { sign: 'not a crack', was: 'flaking coating' };
const hammeredThrough: Row[2] = ({ rail, sound }) => [
  ...sound(),
  ...[0.35, 0.45, 0.55, 0.65].map((at) => sign(rail, at, 'bottom', gaveWay)),
];
const TABLE: readonly Row[] = [
  // As new, gauged all over and struck: passes everywhere.
  [
    'as new',
    O,
    asNew(),
    {
      lift: 'Lift here',
      rail: 'Leave',
      unit: 'Watch',
      buyer: 'no reason recorded against it',
      listed: false,
    },
    'measured: Leave at 0.90 and utilisation to 1',
  ],
  ['as new', B, asNew(), { lift: 'Lift here', rail: 'Leave', unit: 'Watch' }, 'measured: Leave'],
  ['as new', M, asNew(), { lift: 'Lift here', rail: 'Leave' }, 'measured: Leave'],
  ['as new', T, asNew(), { lift: 'Lift here', rail: 'Leave' }, 'measured: Leave'],
  ['as new', 'semi trailer', asNew(), { rail: 'Leave' }, 'measured: Leave'],
  ['as new', 'gooseneck trailer', asNew(), { rail: 'Leave' }, 'measured: Leave'],
  ['as new, sheet metal', U, asNew(), { lift: 'Lift here', rail: 'Leave' }, 'an as-new 16 ga rail is sound'],
  ['rolled 4 % under', O, asNew(0.96), { lift: 'Lift here', rail: 'Leave' }, 'mill tolerance is no rust'],
  ['rolled 4 % under', B, asNew(0.96), { lift: 'Lift here', rail: 'Leave' }, 'mill tolerance is no rust'],
  [
    'surface rust everywhere, gauged full',
    O,
    ({ frame, both, sound }) => [...read(frame, both, () => 1), ...sound(() => 'surface rust')],
    { lift: 'Lift here', rail: 'Leave', listed: false },
    'appearance is not the measure',
  ],
  ...([0.5, 1] as const).map((share): Row => [
    `struck along every face, then gauged as new in ${share === 1 ? 'the whole' : 'half'} of it`,
    O,
    ({ frame, both, rail, sound }) => [
      ...sound(),
      ...both.flatMap(struckAlong),
      ...read(frame, [rail], () => 1).filter(({ stationMm }) => stationMm <= share * rail.lengthMm),
    ],
    { lift: 'Lift here', rail: share === 1 ? 'Leave' : 'Leave by hand' },
    'a good reading takes nothing from what a hammer vouched for',
  ]),
  ...[1, 0.97, 0.93].map((left): Row => [
    `struck along every face, then gauged at one place with ${100 * left} % left`,
    O,
    ({ frame, both, rail, sound }) => [
      ...sound(),
      ...both.flatMap(struckAlong),
      ...read(frame, [rail], () => left).filter(({ stationMm }) => stationMm === 0.5 * rail.lengthMm),
    ],
    { lift: 'Lift here', rail: 'Leave by hand' },
    'a good reading takes nothing from what a hammer vouched for',
  ]),
  // A second round.
  ...([true, false] as const).map((isRailFirst): Row => {
    const at: Parameters<Stage['sound']>[0] = ({ ruleId, share }) =>
      ruleId === 'hanger' && share < 0.35 ? 'soft' : 'sound';
    return [
      `a hanger cracked, and its rail soft there, said ${isRailFirst ? 'before' : 'after'} it`,
      O,
      ({ rail, sound }) => {
        const isThere = (look: Look) => look.memberId === rail.id && look.result === 'soft';
        const said = sound(at).map((look): Look => (isThere(look) ? { ...look, on: 'member' } : look));
        const hanger = said
          .filter(isThere)
          .map((look): Look => ({ ...look, ...stamp(), on: 'fitting', result: 'cracked' }));
        return isRailFirst ? [...said, ...hanger] : [...hanger, ...said];
      },
      { lift: 'Not at all yet', rail: 'Mend', listed: true, move: 'to the shop only' },
      'a hanger is not the rail it hangs on: each keeps what was found of it',
    ];
  }),
  [
    'through, and called sound on the next round',
    O,
    twoRounds('through'),
    { lift: 'Not at all yet', rail: 'Mend', listed: true, move: 'to the shop only' },
    'failed metal is cleared by work or a strike-through alone',
  ],
  [
    'through, something else put right, and called sound',
    O,
    twoRounds('through', [renewedThere, 0.5, 0.9]),
    { rail: 'Mend', listed: true, move: 'to the shop only' },
    'failed metal is cleared by work on it',
  ],
  [
    'through, put right and looked at again',
    O,
    twoRounds('through', [renewedThere, 0, 0.35]),
    { lift: 'Lift here', rail: 'Watch', listed: false },
    'old evidence of that extent ends that day',
  ],
  ...['2025-12-31T00:00:00Z', '2026-01-02T00:00:00Z'].map((at): Row => [
    `through, and put right by a clock that says ${at.startsWith('2025') ? 'before' : 'after both looks'}`,
    O,
    twoRounds('through', [renewedThere, 0, 0.35, at]),
    { listed: true, rail: 'Mend' },
    'what clears counts from the earlier of its two places',
  ]),
  [
    'a crack that was flaking coating',
    O,
    twoRounds('cracked', [flaking, 0, 0.35]),
    { lift: 'Lift here', rail: 'Watch', listed: false, move: 'no reason recorded against it' },
    'what looks like a crack may be flaking coating',
  ],
  [
    'through, and flaking coating beside it',
    O,
    twoRounds('through', [flaking, 0, 0.35]),
    { rail: 'Mend', listed: true },
    'flaking coating is no answer to a hole',
  ],
  [
    'delaminating, and struck sound on the next round',
    O,
    twoRounds('delaminating'),
    { lift: 'Lift here', rail: 'Watch', listed: false },
    'doubtful metal is answered by as good a look',
  ],
  // The gauge comes out at the one bad place first, and nowhere else.
  ...([O, B, T, M] as const).map((family): Row => [
    'struck all over, one bad place gauged',
    family,
    ({ frame, both, rail, sound }) => [
      ...sound(),
      ...both.flatMap(struckAlong),
      ...read(frame, [rail], () => 0.3).filter(
        ({ face, stationMm }) => face.startsWith('bottom') && stationMm === 0.5 * rail.lengthMm,
      ),
    ],
    { lift: 'Lift here' },
    'a guess between readings makes no failure: the rest of the rail is as it was struck',
  ]),
  // Old, rusty and usable: hammer and eye, no gauge.
  [
    'struck at every spot',
    O,
    ({ sound }) => sound(),
    { lift: 'Lift here', rail: 'Watch', buyer: 'no reason recorded against it' },
    'still stands with the unseen taken away',
  ],
  [
    'surface rust, struck',
    O,
    ({ sound }) => sound(() => 'surface rust'),
    { lift: 'Lift here', rail: 'Watch' },
    'surface rust is seen, not measured',
  ],
  [
    'struck along every face',
    O,
    ({ both, sound }) => [...sound(), ...both.flatMap(struckAlong)],
    { lift: 'Lift here', rail: 'Leave by hand' },
    'struck: at least 0.65 of made',
  ],
  [
    'struck along every face',
    B,
    ({ both, sound }) => [...sound(), ...both.flatMap(struckAlong)],
    { lift: 'Lift here', rail: 'Leave by hand' },
    'struck: at least 0.65 of made',
  ],
  [
    'struck at every spot',
    B,
    ({ sound }) => sound(),
    { lift: 'Lift here', rail: 'Watch' },
    'still stands without the rest',
  ],
  [
    'struck at every spot',
    M,
    ({ sound }) => sound(),
    { lift: 'Lift here', rail: 'Watch' },
    'still stands without the rest',
  ],
  [
    'struck at every spot',
    T,
    ({ sound }) => sound(),
    { lift: 'Lift here', rail: 'Leave by hand' },
    'every face struck',
  ],
  [
    'struck at every spot',
    U,
    ({ sound }) => sound(),
    { lift: 'Lift here', rail: 'Watch' },
    'still stands without the rest',
  ],
  [
    'scale over a hanger, chipped off and struck',
    O,
    ({ rail, sound }) => [
      ...sound(({ ruleId }) => (ruleId === 'hanger' ? 'scaling' : 'sound')),
      ...struckAlong(rail),
    ],
    { rail: 'Leave by hand' },
    'cleaned and then struck without yielding it is struck',
  ],
  [
    'a dent in the web',
    O,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.5, 'web', { sign: 'dent', deepMm: 6, acrossMm: 40 }, { heightMm: 100 }),
    ],
    { lift: 'Lift here', rail: 'Watch', listed: true },
    'doubtful that passes the removal test: Watch',
  ],
  // The same with a limit on the other side.
  [
    'looked at by eye alone',
    B,
    ({ sound }) => sound(undefined, ['eye']),
    { lift: 'Not known', rail: 'Can’t say' },
    'closed sections rust from inside',
  ],
  [
    'looked at by eye alone',
    O,
    ({ sound }) => sound(undefined, ['eye']),
    { lift: 'Lift here', rail: 'Watch' },
    'seen, not measured; no thickness',
  ],
  [
    'nobody looked',
    O,
    () => [],
    { lift: 'Not known', rail: 'Can’t say', buyer: 'do not decide yet', listed: false },
    'not seen is never fine',
  ],
  ['nobody looked', B, () => [], { lift: 'Not known', rail: 'Can’t say' }, 'not seen is never fine'],
  ['nobody looked', U, () => [], { lift: 'Not known', rail: 'Can’t say' }, 'not seen is never fine'],
  // Failed metal by eye, hammer and finger.
  [
    'through in its middle third',
    O,
    throughInTheMiddle,
    {
      lift: 'Not at all yet',
      rail: 'Mend',
      buyer: 'only with its price taken off',
      listed: true,
      better: false,
    },
    'the soft place that gives way may be far from the pad',
  ],
  [
    'through in its middle third',
    B,
    throughInTheMiddle,
    { lift: 'Not at all yet', rail: 'Mend', listed: true, better: false },
    'lifting bends the whole rail',
  ],
  [
    'through in its middle third',
    T,
    throughInTheMiddle,
    { lift: 'Not at all yet', rail: 'Mend', listed: true },
    'lifting bends the whole rail',
  ],
  [
    'hammered through in four places',
    O,
    hammeredThrough,
    { lift: 'Not known', rail: 'Mend', buyer: 'only with its price taken off', listed: true },
    'metal that yields to a light tap counts as failed',
  ],
  [
    'hammered through in four places',
    B,
    hammeredThrough,
    { lift: 'Not known', rail: 'Mend', listed: true },
    'metal that yields to a light tap counts as failed',
  ],
  [
    'hammered through under a pad',
    O,
    ({ rail, sound }) => [...sound(), sign(rail, 0.2, 'bottom', gaveWay)],
    { lift: 'Not at all yet', rail: 'Mend', better: false },
    'no lifting point before it has been seen and tapped',
  ],
  [
    'hammered through under a pad, struck sound all round it',
    O,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.2, 'bottom', gaveWay),
      sign(rail, 0.17, 'bottom', struck, { toMm: 0.23 * rail.lengthMm, at: '2026-01-09T00:00:00Z' }),
    ],
    { lift: 'Not here', rail: 'Mend', better: true },
    'places offered as better pass the same test',
  ],
  [
    'light shines through a crossmember’s rail end',
    B,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.2, 'bottom', { sign: 'light through', shows: 'it lights up' }),
    ],
    { lift: 'Not at all yet', rail: 'Mend', listed: true },
    'a rusted-through tube lights up',
  ],
  [
    'a drain hole glows',
    B,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.2, 'bottom', { sign: 'light through', shows: 'a drain glows' }),
    ],
    { lift: 'Lift here', rail: 'Watch', listed: false },
    'a small drain hole glows',
  ],
  [
    'delaminating everywhere',
    O,
    ({ sound }) => sound(() => 'delaminating'),
    { lift: 'Not known', rail: 'Can’t say', buyer: 'do not decide yet', listed: true },
    'low unknown',
  ],
  [
    'delaminating everywhere',
    B,
    ({ sound }) => sound(() => 'delaminating'),
    { lift: 'Not known', rail: 'Can’t say', buyer: 'do not decide yet', listed: true },
    'low unknown',
  ],
  [
    'delaminating everywhere',
    U,
    ({ sound }) => sound(() => 'delaminating'),
    { lift: 'Not known', rail: 'Can’t say', listed: true },
    'low unknown',
  ],
  [
    'scaling everywhere, never cleaned',
    O,
    ({ sound }) => sound(() => 'scaling'),
    { lift: 'Not known', rail: 'Can’t say', listed: true },
    'scale is doubtful until it is off',
  ],
  [
    'dead under all four pads',
    O,
    ({ both, sound }) => [
      ...sound(),
      ...both.flatMap((rail) =>
        [0.2, 0.78].map((at) => sign(rail, at, 'bottom', { sign: 'struck', tool: 'hammer', answer: 'dead' })),
      ),
    ],
    { lift: 'Not known', listed: true },
    'a dead note where filler hides a hole',
  ],
  [
    'soft at one hanger, pads elsewhere',
    O,
    ({ rail, sound }) =>
      sound(({ memberId, ruleId, share }) =>
        memberId === rail.id && ruleId === 'hanger' && share < 0.35 ? 'soft' : 'sound',
      ),
    { rail: 'Mend', listed: true },
    'soft: failed',
  ],
  [
    'wet debris packed along the floor of the box',
    B,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.3, 'bottom', { sign: 'debris', full: 0.5, wet: 'wet' }, { toMm: 0.7 * rail.lengthMm }),
    ],
    { lift: 'Not known', rail: 'Can’t say', listed: true },
    'wet packed debris: doubtful',
  ],
  [
    'a little dry sand',
    B,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.3, 'bottom', { sign: 'debris', full: 0.1, wet: 'dry' }, { toMm: 0.7 * rail.lengthMm }),
    ],
    { lift: 'Lift here', rail: 'Watch', listed: false },
    'a full rail means blocked drains',
  ],
  [
    'webs read, flanges never',
    O,
    ({ frame, both }) => read(frame, both, () => 1, ['web']),
    { lift: 'Not known', rail: 'Can’t say' },
    'a reading speaks of its own face only',
  ],
  [
    'sides read, top and bottom never',
    B,
    ({ frame, both }) => read(frame, both, () => 1, ['outer', 'inner']),
    { lift: 'Not known', rail: 'Can’t say' },
    'a reading speaks of its own face only',
  ],
  [
    'flanges 70 % gone, webs good',
    O,
    ({ frame, both }) => read(frame, both, (_, __, face) => (face === 'web' ? 1 : 0.3)),
    { lift: 'Not at all yet', rail: 'Renew', unit: 'Retire', buyer: 'walk away' },
    'a C that has become a flat strip',
  ],
  // Covers.
  [
    'skin over rust, tapped and ringing',
    O,
    ({ rail, sound }) => [
      ...sound(),
      skinOn(rail),
      sign(rail, 0.45, 'bottom', struck, { at: '2026-01-09T00:00:00Z' }),
    ],
    { lift: 'Not known', rail: 'Can’t say', listed: true },
    'a tap on the cover confirms the cover',
  ],
  [
    'skin over rust, read at full thickness',
    O,
    ({ frame, both, rail, sound }) => [
      ...sound(),
      skinOn(rail),
      ...read(frame, both, () => 1).map((each) => ({ ...each, at: '2026-01-09T00:00:00Z' })),
    ],
    { rail: 'Can’t say', listed: true },
    'read on a skin it is the skin’s',
  ],
  [
    'the skin off, metal beneath struck',
    O,
    ({ rail, sound }) => [
      ...sound(),
      skinOn(rail),
      skinOff(rail),
      sign(rail, 0.39, 'bottom', struck, { toMm: 0.51 * rail.lengthMm, at: '2026-01-09T00:00:00Z' }),
    ],
    { lift: 'Lift here', rail: 'Watch', listed: false },
    'until a record says beneath',
  ],
  [
    'the skin off, holes beneath',
    O,
    ({ rail, sound }) => [
      ...sound(),
      skinOn(rail),
      skinOff(rail),
      sign(
        rail,
        0.45,
        'bottom',
        { sign: 'hole', acrossMm: 40, longMm: 120 },
        { at: '2026-01-09T00:00:00Z', heightMm: 35 },
      ),
    ],
    { rail: 'Mend', listed: true },
    'the rot goes on under it',
  ],
  // Holes and wear.
  [
    'a factory hole at its size',
    O,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.5, 'web', { sign: 'hole', acrossMm: 20, expectedMm: 20 }, { heightMm: 90 }),
    ],
    { lift: 'Lift here', rail: 'Watch', listed: false },
    'made holes are made',
  ],
  [
    'a factory hole worn oval',
    O,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.5, 'web', { sign: 'hole', acrossMm: 20, longMm: 24, expectedMm: 20 }, { heightMm: 90 }),
    ],
    { rail: 'Mend', listed: true },
    'worn, not there where it should be',
  ],
  // Cracks.
  [
    'a crack all round the box',
    B,
    ({ rail, sound }) => [
      ...sound(),
      crack(rail, 0.5, [
        ['top', 5],
        ['top', 60],
        ['outer', 100],
        ['outer', 20],
        ['bottom', 5],
        ['bottom', 60],
        ['inner', 20],
        ['inner', 100],
      ]),
    ],
    { lift: 'Not at all yet', rail: 'Splice', listed: true },
    'all round: parted',
  ],
  [
    'a crack across the bottom of the box',
    B,
    ({ rail, sound }) => [
      ...sound(),
      crack(rail, 0.5, [
        ['bottom', 5],
        ['bottom', 60],
      ]),
    ],
    { lift: 'Not at all yet', rail: 'Mend', listed: true, move: 'to the shop only' },
    'not used cracked, however short (49 CFR 393.201)',
  ],
  [
    'a short crack in a channel’s web',
    O,
    ({ rail, sound }) => [
      ...sound(),
      crack(rail, 0.5, [
        ['web', 80],
        ['web', 110],
      ]),
    ],
    { lift: 'Not at all yet', rail: 'Mend', listed: true },
    'a crack lies in a part loaded anew',
  ],
  [
    'the same crack, held by its wheels',
    O,
    ({ rail, sound }) => [
      ...sound(),
      crack(rail, 0.5, [
        ['web', 80],
        ['web', 110],
      ]),
    ],
    { lift: 'Not known', rail: 'Mend' },
    'loaded as it came in',
    (frame) => ({ ...pads(frame), way: 'four-post', points: [], hoistRatingN: 1e6 }),
  ],
  [
    'cracked at a hanger, not traced',
    O,
    ({ rail, sound }) =>
      sound(({ memberId, ruleId, share }) =>
        memberId === rail.id && ruleId === 'hanger' && share < 0.35 ? 'cracked' : 'sound',
      ),
    { lift: 'Not at all yet', rail: 'Mend', listed: true, move: 'to the shop only' },
    'a crack without its ends is longer than it looks',
  ],
  // A hanger is not the rail it hangs on.
  [
    'a hanger cracked, its rail sound',
    O,
    ({ rail, sound }) =>
      sound(({ memberId, ruleId, share }) =>
        memberId === rail.id && ruleId === 'hanger' && share < 0.35 ? 'cracked' : 'sound',
      ).map((look) => (look.result === 'cracked' ? { ...look, on: 'fitting' as const } : look)),
    {
      lift: 'Not at all yet',
      rail: 'Watch',
      buyer: 'only with its price taken off',
      move: 'to the shop only',
    },
    'failed fittings do not condemn a sound rail; what hangs on them governs',
  ],
  // Bent, torn, and put right.
  [
    'a flange torn',
    O,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.5, 'bottom', { sign: 'out of shape', is: 'torn', offMm: 10 }),
    ],
    { rail: 'Mend', listed: true },
    'torn: nothing carries there',
  ],
  [
    'a flange bent',
    O,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.5, 'bottom', { sign: 'out of shape', is: 'bent', offMm: 10 }),
    ],
    { listed: true },
    'bent: doubtful until straightened and checked',
  ],
  [
    'hammered through, and struck even afterwards',
    O,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.5, 'bottom', gaveWay),
      sign(rail, 0.5, 'bottom', struck, { at: '2026-01-09T00:00:00Z' }),
    ],
    { rail: 'Mend', listed: true },
    'a gave-way is cleared only by work or a strike-through',
  ],
  [
    'hammered through, and renewed since',
    O,
    ({ rail, sound }) => [
      ...sound(),
      sign(rail, 0.5, 'bottom', gaveWay),
      sign(
        rail,
        0.45,
        'bottom',
        { sign: 'put right', done: 'renewed' },
        { toMm: 0.55 * rail.lengthMm, at: '2026-01-09T00:00:00Z' },
      ),
    ],
    { lift: 'Lift here', rail: 'Watch', listed: false },
    'old evidence of that extent ends that day',
  ],
  // The body, before buying.
  [
    'body items through',
    B,
    ({ job, sound }) => [
      ...sound(),
      ...jobSpots(job, true)
        .filter(({ spot }) => !spot.memberId)
        .map(({ spot }): Look => ({
          kind: 'look',
          ...stamp(),
          spotId: spot.id,
          title: spot.title,
          result: 'through',
          ways: ['eye'],
        })),
    ],
    { buyer: 'only with its price taken off' },
    'fenders, sills, floor, body mounts are worth a line',
  ],
];

const stageOf = (family: Family): Stage => {
  const frame = frameOf(family, PAYLOAD[family]);
  const job = jobOn(frame);
  const both = rails(frame);
  return {
    job,
    frame,
    rail: both[0]!,
    both,
    sound: (but = () => 'sound', ways) => looks(job, (spot) => but(spot) ?? 'sound', ways),
  };
};

/** Whatever asks to be mended has an answer in Shape: a repair that passes, or why none does and what else would. */
function expectAnswersInShape(records: JobRecords, works: readonly MemberWork[]): void {
  for (const { picture, verdict, repairs, notOffered } of works) {
    const { member } = picture;
    if (severity(verdict.verdict) < severity('Mend')) continue;
    const place = workPlace(records.frame, records.practice, { on: 'member', hostId: member.id })!;
    // Without its ends nothing is drawn over a crack: Shape says so.
    if (verdict.findings.some(({ code }) => code === 'crack-not-traced')) continue;
    const others = [
      ...worksForMember(place, verdict),
      ...(member.role === 'crossmember' ? renewalTubes(records.frame, member) : []),
    ];
    // Only where nobody read what its welds land on is one drawn that breaks a rule, and then that is said.
    const broken = repairs.filter(
      (each) => brokenRules(each).length > 0 && !each.unchecked.includes('landing'),
    );
    expect([member.id, repairs.length + notOffered.length + others.length > 0]).toEqual([member.id, true]);
    expect([member.id, broken.map((each) => brokenRules(each).map(({ code }) => code))]).toEqual([
      member.id,
      [],
    ]);
    for (const tried of notOffered) expect(tried.against.length).toBeGreaterThan(0);
  }
}

test('there are at least sixty', () => expect(TABLE.length).toBeGreaterThanOrEqual(60));

test.each(TABLE.map((row) => [`${row[1]}, ${row[0]}`, row] as const))(
  '%s',
  (_name, [, family, found, says, , plan]) => {
    const stage = stageOf(family);
    const asked = says.lift !== undefined || says.better !== undefined;
    const records = { ...stage.job, evidence: found(stage) };
    const works = workJob(records);
    const lifted = asked ? (plan ?? pads)(stage.frame) : undefined;
    const said = answersOf(records, lifted, stage.rail.id, works);
    expect(said).toMatchObject(says);
    expectAnswersInShape(records, works);
    // What is to be spliced or renewed does not go unheard; what is left as it is stops nobody.
    const mild = said.move === 'no reason recorded against it';
    if (['Splice', 'Renew', 'Retire'].includes(said.rail)) expect(mild).toBe(false);
    if (says.lift === 'Lift here' && said.rail.startsWith('Leave')) expect(mild).toBe(true);
  },
);

describe('on an open-channel truck, whatever is found by chance', () => {
  const stage = stageOf(O);
  const LIFT = ['Lift here', 'Not known', 'Not here', 'Not at all yet'];
  const rank = ({ lift, unit, move }: Answers) =>
    [Math.min(LIFT.indexOf(lift), 2), severity(unit as Verdict), MOVE_ANSWERS.indexOf(move)] as const;
  const of = (evidence: readonly Evidence[], strikes: JobRecords['strikes'] = []) =>
    answersOf({ ...stage.job, evidence, strikes }, pads(stage.frame), stage.rail.id);
  const bad: readonly SignDetail[] = [
    gaveWay,
    { sign: 'struck', tool: 'hammer', answer: 'dull' },
    { sign: 'hole', acrossMm: 30 },
    { sign: 'delamination' },
    { sign: 'out of shape', is: 'torn', offMm: 8 },
    skin,
  ];
  /** Numbers from 0 to 1, the same ones every time (mulberry32). */
  const chance = (seed: number) => () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };

  test.each([11, 41])('one more bad thing never makes the unit’s answers milder (seed %d)', (seed) => {
    const next = chance(seed);
    const pick = <Each>(all: readonly Each[]): Each => all[Math.floor(next() * all.length)]!;
    let evidence: Evidence[] =
      next() < 0.5 ? stage.sound() : [...stage.sound(), ...stage.both.flatMap(struckAlong)];
    let before = rank(of(evidence));
    const byWall = () =>
      sign(pick(stage.both), 0.05 + 0.9 * next(), pick(['top', 'web', 'bottom']), pick(bad), {
        at: '2026-01-05T00:00:00Z',
      });
    const byHost = (): Evidence => {
      const host = pick(hostsOf(stage.frame).filter(({ on }) => on === 'fitting' || on === 'joint'));
      return {
        kind: 'find',
        id: `find ${seed}`,
        on: host.on,
        hostId: host.id,
        title: host.name,
        part: 'weld',
        state: { is: 'cracked' },
        memberIds: host.spans.map(({ memberId }) => memberId),
        note: '',
        by: 'RK',
        at: '2026-01-05T00:00:00Z',
      };
    };
    for (const found of [byWall(), byWall(), byHost()]) {
      evidence = [...evidence, found];
      const after = rank(of(evidence));
      expect(after[0]).toBeGreaterThanOrEqual(before[0]);
      expect(after[1]).toBeGreaterThanOrEqual(before[1]);
      expect(after[2]).toBeGreaterThanOrEqual(before[2]);
      before = after;
    }
  });

  test('not seen never makes them milder, and a struck-through find leaves exactly what stood', () => {
    const sound = stage.sound();
    const before = of(sound);
    const unseen = of(stage.sound(({ ruleId }) => (ruleId === 'hanger' ? 'not seen' : 'sound')));
    expect(rank(unseen)[0]).toBeGreaterThanOrEqual(rank(before)[0]);
    expect(rank(unseen)[1]).toBeGreaterThanOrEqual(rank(before)[1]);
    const slip = sign(stage.rail, 0.4, 'bottom', gaveWay);
    expect(of([...sound, slip])).not.toEqual(before);
    const strike = { id: 's', evidenceId: slip.id, why: 'slip', by: 'RK', at: '2026-01-06T00:00:00Z' };
    expect(of([...sound, slip], [strike])).toEqual(before);
  });

  test('a guess between readings is never harsher than can’t say', () => {
    const thinAtOnePlace = read(stage.frame, [stage.rail], (_, share) => (share === 0.5 ? 0.85 : 1));
    const { rail } = of([...stage.sound(), ...thinAtOnePlace.filter(({ face }) => face === 'bottom')]);
    expect(severity(rail as Verdict)).toBeLessThanOrEqual(severity('Can’t say'));
  });
});
