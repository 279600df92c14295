import { defaultFrame, facesOf, familyOf, hostsOf, typicalLoads, type Member } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import { MOVE_ANSWERS } from '../trace';
import { LIFT_ANSWERS, type LiftPlan } from '../walk';
import { severity, unitVerdict } from '../weigh';
import {
  askLift,
  jobDemand,
  jobSpots,
  knownNothing,
  mayMove,
  verdictWithDemand,
  workJob,
  type Evidence,
  type JobRecords,
} from '.';

/**
 * A unit as somebody found it, and then one thing after another, drawn by lot: nothing bad that is found makes any answer milder, nothing good makes one
 * harsher, and the order in which records arrive changes nothing.
 */
const chance = (seed: number) => (): number => {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
};
const next = chance(20261130);
const pick = <Item>(among: readonly Item[]): Item => among[Math.floor(next() * among.length)]!;

const { typical } = familyOf('open-channel ladder');
const bare = defaultFrame({
  ...typical,
  family: 'open-channel ladder',
  steel: 'hot-rolled-50',
  datum: 'hole',
});
const frame = { ...bare, loads: { items: typicalLoads(bare, 0.4 * typical.grossKg) } };
const job = (evidence: readonly Evidence[], of = frame): JobRecords => ({
  frame: of,
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: [],
  repairs: [],
});
const spots = jobSpots(job([]));
const stands: LiftPlan = {
  way: 'stands',
  wheelsDown: [],
  unloaded: false,
  slopeAlongDeg: 0,
  slopeAcrossDeg: 0,
  points: [0.2, 0.78].flatMap((share) =>
    (['left', 'right'] as const).map((side) => ({
      id: `${side} ${share}`,
      side,
      stationMm: share * frame.lengthMm,
      ratingN: 500_000,
    })),
  ),
};

/** Every answer as how harsh it is, by what it is asked of. */
function answers(evidence: readonly Evidence[], of = frame, kept = known): ReadonlyMap<string, number> {
  const records = job(evidence, of);
  const works = new Map(workJob(records, kept.works).map((work) => [work.picture.member.id, work]));
  const demand = jobDemand(records, works, ['as built', 'as found', 'least'], kept.demand, kept.frame);
  kept.demand = demand;
  const weighed = new Map(
    [...works].map(([id, work]) => [id, { ...work, verdict: verdictWithDemand(work.picture, demand) }]),
  );
  const all = [...weighed.values()];
  const unit = unitVerdict(all.map(({ picture, verdict }) => ({ member: picture.member, verdict }))).verdict;
  const lift = LIFT_ANSWERS.indexOf(askLift(records, [], works, stands).answer);
  return new Map([
    ...all.map(({ picture, verdict }) => [picture.member.id, severity(verdict.verdict)] as const),
    ['unit', severity(unit)],
    // Not here and not at all yet are both a no.
    ['lift', Math.min(lift, LIFT_ANSWERS.indexOf('Not here'))],
    ['drive', MOVE_ANSWERS.indexOf(mayMove(records, '2026-11-30T00:00:00Z', { weighed }).answer)],
  ]);
}
/** What did not change is taken over from the step before, as on screen. */
const known = knownNothing();

let last = 0;
const stamped = () => ({
  id: `00000000-0000-4000-8000-${String(++last).padStart(12, '0')}`,
  by: 'RK',
  at: '2026-11-01T00:00:00Z',
  note: '',
});
const struck = (member: Member, face: string): Evidence =>
  ({
    kind: 'sign',
    ...stamped(),
    memberId: member.id,
    face,
    stationMm: 0,
    toMm: member.lengthMm,
    heightMm: 0,
    detail: { sign: 'struck', tool: 'hammer', answer: 'even ring' },
  }) as Evidence;
const place = () => {
  const member = pick(frame.members);
  const face = pick(facesOf(member.shape));
  return { member, face, stationMm: next() * member.lengthMm, heightMm: next() * face.widthMm };
};
const read = (lowest: number, most: number): Evidence => {
  const { member, face, stationMm, heightMm } = place();
  const thicknessMm = face.wallMm * (lowest + (most - lowest) * next());
  const at = { memberId: member.id, face: face.id, stationMm, heightMm };
  return { kind: 'reading', ...stamped(), ...at, thicknessMm, method: 'ultrasonic' };
};
const looked = (result: 'sound' | 'soft' | 'through' | 'cracked'): Evidence => {
  const { spot } = pick(spots);
  const on = spot.memberId && {
    memberId: spot.memberId,
    stationMm: (spot.fromMm! + spot.toMm!) / 2,
  };
  return {
    kind: 'look',
    ...stamped(),
    spotId: spot.id,
    title: spot.title,
    ...on,
    result,
    ways: ['eye', 'hammer'],
  } as Evidence;
};
const found = (state: object): Evidence => {
  const { on, id, name, spans } = pick(hostsOf(frame));
  const about = { on, hostId: id, title: name, memberIds: spans.map(({ memberId }) => memberId) };
  return { kind: 'find', ...stamped(), ...about, part: 'weld', state } as Evidence;
};

const noted = (detail: object): Evidence => {
  const { member, face, stationMm, heightMm } = place();
  const at = { memberId: member.id, face: face.id, stationMm, heightMm };
  return { kind: 'sign', ...stamped(), ...at, detail } as Evidence;
};
const crossed = (): Evidence => {
  const { member, face, stationMm, heightMm } = place();
  const path = [0.5 * heightMm, heightMm].map((mm) => ({ stationMm, face: face.id, heightMm: mm }));
  const ends = { startFound: next() < 0.7, finishFound: next() < 0.7 };
  return { kind: 'crack', ...stamped(), memberId: member.id, path, ...ends, seenBy: 'dye penetrant' };
};

const BAD = [
  () => read(0.1, 0.6),
  crossed,
  () => noted({ sign: 'struck', tool: 'hammer', answer: pick(['dull', 'dead', 'gave way']) }),
  () => noted({ sign: 'delamination', deepMm: 2 }),
  () => noted({ sign: 'hole', acrossMm: 10 + 50 * next() }),
  () => noted({ sign: 'dent', deepMm: 5 + 25 * next(), acrossMm: 80 }),
  () => noted({ sign: 'out of shape', is: pick(['bent', 'twisted', 'torn']), offMm: 5 + 25 * next() }),
  () => noted({ sign: 'old repair', cover: pick(['skin over rust', 'filler', 'added angle or flat']) }),
  () => looked(pick(['soft', 'through', 'cracked'])),
  () => found(pick([{ is: 'broken' }, { is: 'missing' }, { is: 'cracked' }])),
];
const GOOD = [
  () => read(0.92, 1),
  () => looked('sound'),
  () => found({ is: 'sound', ways: ['hammer'] }),
  () => {
    const { member, face } = place();
    return struck(member, face.id);
  },
];
/** Struck in part, looked at in most places. */
const start = [
  ...frame.members
    .filter(() => next() < 0.8)
    .flatMap((member) => facesOf(member.shape).map(({ id }) => struck(member, id))),
  ...spots.filter(() => next() < 0.9).map(() => looked('sound')),
];
const drawn = (from: readonly (() => Evidence)[], count: number) =>
  Array.from({ length: count }, () => pick(from)());

/** The answers after each of the records is laid on what was there. */
function walked(base: readonly Evidence[], laid: readonly Evidence[]) {
  return [0, ...laid.map((_, k) => k + 1)].map((count) => answers([...base, ...laid.slice(0, count)]));
}
const bad = drawn(BAD, 7);

test('nothing bad that is found makes an answer milder', () => {
  const steps = walked(start, bad);
  steps.slice(1).forEach((after, k) => {
    const milder = [...after].filter(([of, harsh]) => harsh < steps[k]!.get(of)!);
    expect({ found: bad[k], milder }).toEqual({ found: bad[k], milder: [] });
  });
  expect(steps[bad.length]!.get('unit')).toBeGreaterThan(steps[0]!.get('unit')!);
});

test('nothing good that is found makes one harsher', () => {
  const good = drawn(GOOD, 5);
  const steps = walked([...start, ...bad.slice(0, 1)], good);
  steps.slice(1).forEach((after, k) => {
    const harsher = [...after].filter(([of, harsh]) => harsh > steps[k]!.get(of)!);
    expect({ found: good[k], harsher }).toEqual({ found: good[k], harsher: [] });
  });
});

const otherSide = (text: string): string =>
  text.replace(/left|right/g, (side) => (side === 'left' ? 'right' : 'left'));
/** The unit as a mirror shows it: of the same measures and loads on both sides, only some of what hangs on it changes sides. */
const inMirror = {
  ...frame,
  fittings: frame.fittings.map((fitting) => ({
    ...fitting,
    ...(fitting.side && { side: otherSide(fitting.side) as typeof fitting.side }),
  })),
};
const spotsInMirror = jobSpots(job([], inMirror));
/** Where a place comes to lie in the mirror: a crossmember runs from side to side. */
const mirroredMm = (memberId: string, mm: number): number => {
  const { role, lengthMm } = frame.members.find(({ id }) => id === memberId)!;
  return role === 'crossmember' ? lengthMm - mm : mm;
};

/** The record that somebody would make of the unit in the mirror. */
function mirrored(record: Evidence): Evidence {
  switch (record.kind) {
    case 'find': {
      const ends = /^(\S+) (start|end)$/.exec(record.hostId);
      const hostId = ends ? `${ends[1]} ${ends[2] === 'start' ? 'end' : 'start'}` : otherSide(record.hostId);
      const { name, spans } = hostsOf(inMirror).find(({ id }) => id === hostId)!;
      return { ...record, hostId, title: name, memberIds: spans.map((span) => span.memberId) };
    }
    case 'look': {
      const memberId = otherSide(record.memberId!);
      const stationMm = mirroredMm(memberId, record.stationMm!);
      const kind = record.spotId.split(' ')[0]!;
      const { spot } = spotsInMirror.find(
        (each) =>
          each.spot.memberId === memberId &&
          each.spot.id.startsWith(kind) &&
          Math.abs((each.spot.fromMm! + each.spot.toMm!) / 2 - stationMm) < 1e-6,
      )!;
      return { ...record, memberId, stationMm, spotId: spot.id, title: spot.title };
    }
    case 'crack': {
      const memberId = otherSide(record.memberId);
      const path = record.path.map((spot) => ({ ...spot, stationMm: mirroredMm(memberId, spot.stationMm) }));
      return { ...record, memberId, path };
    }
    default: {
      const placed = record as Extract<Evidence, { kind: 'reading' | 'sign' }>;
      const memberId = otherSide(placed.memberId);
      // What is struck over a member’s whole length is so in a mirror.
      const isWhole = 'toMm' in placed && placed.toMm !== undefined;
      return { ...placed, memberId, ...(!isWhole && { stationMm: mirroredMm(memberId, placed.stationMm) }) };
    }
  }
}

test('the unit in a mirror gets the same answers, the other way round', () => {
  const all = [...start, ...bad];
  const seen = answers(all.map(mirrored), inMirror, knownNothing());
  for (const [of, harsh] of answers(all)) expect([of, seen.get(otherSide(of))]).toEqual([of, harsh]);
});

test('records that arrive in another order say the same', () => {
  const all = [...start, ...bad];
  const shuffled = all.map((record) => [next(), record] as const).sort(([a], [b]) => a - b);
  expect(answers(shuffled.map(([, record]) => record))).toEqual(answers(all));
});
