import {
  askLift,
  boughtMember,
  explainComplaint,
  jobBuyersLook,
  jobDemand,
  jobLine,
  jobSpots,
  knownFrame,
  liftBasis,
  tryUsualLifts,
  usualLifts,
  knownNothing,
  workJob,
  recorded,
  isBroken,
  recordedAgainst,
  type Evidence,
  type JobRecords,
  type MemberWork,
} from '.';
import { fingerprint } from '../quantity';
import { defaultFrame, facesOf, familyOf, standName, typicalLoads, type Frame, type Notice } from '../frame';
import { boltGrade, DEFAULT_PRACTICE, proofLoadN, tensileStressAreaMm2 } from '../reference';
import { ksiToMpa, inchesToMm, lbfToNewtons, STANDARD_GRAVITY } from '../quantity';
import type { Reading } from '../probe';
import type { Complaint, LiftPlan, Look, Sign, SignDetail } from '../walk';
import type { KeptCuts } from '../weigh';

const AT = '2026-01-01T00:00:00Z';
let made = 0;
const stamp = () => ({
  id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  by: 'RK',
  at: AT,
  note: '',
});
const frame: Frame = (() => {
  const bare = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel: 'hot-rolled-50',
    datum: 'hole',
  });
  return { ...bare, loads: { items: typicalLoads(bare, 5000) } };
})();
const L = frame.lengthMm;

const base: JobRecords = {
  frame,
  practice: DEFAULT_PRACTICE,
  evidence: [],
  strikes: [],
  repairs: [],
};
/** Everything looked at and struck with a hammer, found good. */
const allSeen = (but: Partial<Record<string, Look['result']>> = {}): Evidence[] =>
  jobSpots(base).map(({ spot }): Look => {
    const result = but[spot.id] ?? 'sound';
    return {
      kind: 'look',
      ...stamp(),
      spotId: spot.id,
      title: spot.title,
      memberId: spot.memberId!,
      stationMm: (spot.fromMm! + spot.toMm!) / 2,
      result,
      ways: result === 'not seen' ? [] : ['eye', 'hammer'],
      ...(result === 'not seen' && { why: 'behind a tank' as const }),
    };
  });
/** Both rails read all along, a share of the wall kept between two stations. */
function read(kept: number, fromMm: number, toMm: number): Reading[] {
  return frame.members
    .filter((member) => member.role === 'rail')
    .flatMap((rail) =>
      Array.from({ length: 31 }, (_, k) => (k * rail.lengthMm) / 30).flatMap((stationMm) =>
        facesOf(rail.shape).flatMap((face) =>
          [0.15, 0.5, 0.85].map((share): Reading => ({
            kind: 'reading',
            ...stamp(),
            memberId: rail.id,
            stationMm,
            face: face.id,
            heightMm: share * face.widthMm,
            method: 'ultrasonic',
            thicknessMm: rail.shape.thicknessMm * (stationMm > fromMm && stationMm < toMm ? kept : 1),
          })),
        ),
      ),
    );
}
const isMeasured = (record: Evidence): boolean => record.kind === 'reading' || record.kind === 'crack';
const withWalk = (records: JobRecords, walk: readonly Evidence[]): JobRecords => ({
  ...records,
  evidence: [...records.evidence.filter(isMeasured), ...walk],
});
const withReadings = (records: JobRecords, readings: readonly Reading[]): JobRecords => ({
  ...records,
  evidence: [...readings, ...records.evidence.filter((record) => record.kind !== 'reading')],
});
const withMore = (records: JobRecords, more: readonly Evidence[]): JobRecords => ({
  ...records,
  evidence: [...records.evidence, ...more],
});

const worked = new Map<string, Map<string, MemberWork>>();
/** What was found rests on all evidence: worked out once for each set of it. */
function worksOf(records: JobRecords): Map<string, MemberWork> {
  const key = fingerprint(records.evidence.map(({ id }) => id));
  const known =
    worked.get(key) ??
    new Map(workJob(records).map((work): [string, MemberWork] => [work.picture.member.id, work]));
  worked.set(key, known);
  return known;
}
const damageOf = (works: ReadonlyMap<string, MemberWork>) =>
  new Map(
    [...works].map(([id, work]) => [
      id,
      { zones: work.picture.zones.length, against: recordedAgainst(work), isBroken: isBroken(work) },
    ]),
  );
const pads = (frontMm: number, rearMm: number, ratingN = 40_000): LiftPlan['points'] =>
  (
    [
      ['front', frontMm],
      ['rear', rearMm],
    ] as const
  ).flatMap(([name, stationMm]) =>
    (['left', 'right'] as const).map((side) => ({ id: `${name} ${side}`, side, stationMm, ratingN })),
  );
const plan = (more: Partial<LiftPlan> = {}): LiftPlan => ({
  way: 'two-post pads',
  points: pads(0.2 * L, 0.78 * L),
  wheelsDown: [],
  unloaded: false,
  slopeAlongDeg: 0,
  slopeAcrossDeg: 0,
  ...more,
});
const asked = (records: JobRecords, of: LiftPlan = plan(), notices: Notice[] = []) =>
  askLift(records, notices, worksOf(records), of);
const codes = (reply: ReturnType<typeof askLift>, weight?: string) =>
  reply.reasons.filter((reason) => !weight || reason.weight === weight).map((reason) => reason.code);
const soundJob: JobRecords = { ...base, evidence: [...read(1, 0, 0), ...allSeen()] };

test('lifts asked one after another of changing metal, cuts kept, answer as if none had been kept', () => {
  const kept: KeptCuts = new WeakMap();
  const known = new Map<string, MemberWork>();
  const rotten: JobRecords = { ...base, evidence: [...read(0.3, 2000, 3400), ...allSeen()] };
  for (const records of [soundJob, rotten, base, soundJob]) {
    const works = new Map(workJob(records, known).map((work) => [work.picture.member.id, work]));
    jobDemand(records, works, undefined, undefined, { ...knownFrame(), cuts: kept });
    expect(askLift(records, [], works, plan(), kept)).toEqual(askLift(records, [], works, plan()));
    expect(tryUsualLifts(records, [], works, kept)).toEqual(tryUsualLifts(records, [], works));
  }
});

describe('asked again of a job that goes on, what is known is taken over', () => {
  const known = knownNothing();
  const [thin] = read(0.3, -1, L).filter(({ face, stationMm }) => face === 'bottom' && stationMm > 2000);
  const rotten = withMore(soundJob, [thin!]);
  const { practice } = soundJob;
  const stopped: Notice = {
    id: 'n',
    by: 'TM',
    at: '2026-01-02T00:00:00Z',
    words: 'do not lift',
    unitId: 'u',
  };
  const strike = {
    id: 's',
    evidenceId: rotten.evidence.at(-1)!.id,
    by: 'TM',
    at: '2026-01-03T00:00:00Z',
    why: 'slip',
  };
  test.each<[string, JobRecords, Notice[]]>([
    ['as it is', soundJob, []],
    ['more was read', rotten, []],
    ['a standing notice', rotten, [stopped]],
    ['one of them struck', { ...rotten, strikes: [...rotten.strikes, strike] }, []],
    [
      'another bump',
      { ...rotten, practice: { ...practice, loadFactors: { ...practice.loadFactors, bumpG: 9 } } },
      [],
    ],
    ['what counts as sound', { ...rotten, practice: { ...practice, soundFraction: 0.2 } }, []],
    ['as it was again', soundJob, []],
  ])('%s', (_, records, notices) => {
    const works = new Map(workJob(records, known.works).map((work) => [work.picture.member.id, work]));
    const lifts = usualLifts(records, notices, works, known.lifts);
    expect(lifts).toEqual(tryUsualLifts(records, notices, works));
    expect(usualLifts(records, [...notices], works, known.lifts)).toBe(lifts);
    const line = jobLine(records);
    expect(jobLine(records, { ...knownNothing(), weighed: known.weighed })).toEqual(line);
    expect(jobLine(records, known)).toEqual(line);
  });
  test('a member none of whose records changed is not judged again', () => {
    const other = soundJob.frame.members.find(({ role }) => role === 'crossmember')!.id;
    jobLine(soundJob, known);
    const before = known.weighed.get(other);
    const rail = known.weighed.get('rail-left');
    jobLine(rotten, known);
    expect(known.weighed.get(other)).toBe(before);
    expect(known.weighed.get('rail-left')).not.toBe(rail);
  });
});

describe('the lift gate', () => {
  test('a sound frame, seen and measured, rated points: lift here', () => {
    const reply = asked(soundJob);
    expect(codes(reply, 'refused')).toEqual([]);
    expect(codes(reply, 'unknown')).toEqual([]);
    expect(reply.answer).toBe('Lift here');
  });

  test('reactions add up to what stands on the frame and balance about its middle', () => {
    const { supports } = asked(soundJob).facts;
    const steelKg = frame.members.reduce(
      (sum, member) =>
        sum +
        facesOf(member.shape).reduce((a, face) => a + face.widthMm * face.wallMm, 0) *
          member.lengthMm *
          7.85e-6,
      0,
    );
    const loadsKg = frame.loads!.items.reduce((sum, item) => sum + item.massKg, 0);
    const upN = supports.reduce((sum, support) => sum + support.upN, 0);
    expect(upN / ((loadsKg + steelKg) * STANDARD_GRAVITY)).toBeCloseTo(1, 2);
    const rear = supports
      .filter(({ stand }) => standName(stand).startsWith('rear'))
      .reduce((sum, support) => sum + support.upN, 0);
    const front = { x: 0.2 * L, rear: 0.78 * L };
    const momentKg =
      frame.loads!.items.reduce(
        (sum, item) => sum + item.massKg * ((item.fromMm + item.toMm) / 2 - front.x),
        0,
      ) +
      steelKg * (L / 2 - front.x);
    expect(rear / ((momentKg * STANDARD_GRAVITY) / (front.rear - front.x))).toBeCloseTo(1, 1);
  });

  test('soft metal under a pad: not here, with better places away from it', () => {
    const soft: Sign = {
      kind: 'sign',
      ...stamp(),
      memberId: 'rail-right',
      stationMm: 0.78 * L + 100,
      face: 'web',
      heightMm: 30,
      detail: { sign: 'struck', tool: 'hammer', answer: 'gave way' },
    };
    const reply = asked(withMore(soundJob, [soft]));
    expect(reply.reasons).toContainEqual(
      expect.objectContaining({ code: 'failed near', weight: 'refused', pointId: 'rear right' }),
    );
    expect(reply.answer).toBe('Not here');
    expect(reply.better.length).toBeGreaterThan(0);
    for (const { plan: better } of reply.better)
      for (const point of better.points) {
        expect(Math.abs(point.stationMm - soft.stationMm)).toBeGreaterThan(DEFAULT_PRACTICE.walk.reachMm);
        // Neither in the middle nor at the very ends.
        expect(Math.abs(point.stationMm / L - 0.5)).toBeGreaterThan(0.019);
        expect(point.stationMm / L).toBeLessThan(0.97);
        expect(point.stationMm / L).toBeGreaterThan(0.05);
      }
  });

  test('lifting by the ends breaks the soft middle: good metal under every pad, refused all the same', () => {
    const thin = withReadings(soundJob, read(0.3, 0.42 * L, 0.6 * L));
    const reply = asked(thin, plan({ points: pads(0.06 * L, 0.94 * L) }));
    const over = reply.reasons.filter(({ code }) => code === 'demand over' || code === 'carries nothing');
    expect(over.length).toBeGreaterThan(0);
    for (const reason of over.filter((each) => each.memberId?.startsWith('rail'))) {
      expect(reason.stationMm! / L).toBeGreaterThan(0.38);
      expect(reason.stationMm! / L).toBeLessThan(0.64);
    }
    expect(reply.reasons.filter((reason) => reason.pointId && reason.weight === 'refused')).toEqual([]);
    expect(reply.answer).not.toBe('Lift here');
    const whole = asked(soundJob, plan({ points: pads(0.06 * L, 0.94 * L) }));
    const most = (of: typeof reply) =>
      Math.max(
        ...of.facts.members
          .filter((member) => member.memberId.startsWith('rail'))
          .map((member) => member.utilisation),
      );
    expect(most(reply)).toBeGreaterThan(1.8 * most(whole));
  });

  test('unknown counts as unknown: an unseen critical spot, an unrated point, a notice or no loads keep it shut', () => {
    const unseen = jobSpots(base).find(
      ({ spot }) => spot.critical && spot.memberId === 'rail-left' && spot.ruleId === 'hanger',
    )!.spot;
    // Read all round it, the place still was not seen: said, and no more, since the metal was.
    const missing = allSeen({ [unseen.id]: 'not seen' });
    const measured = asked(withWalk(soundJob, missing));
    expect(measured.answer).toBe('Lift here');
    expect(measured.reasons).toContainEqual(
      expect.objectContaining({ code: 'unseen critical', weight: 'note', name: unseen.title }),
    );
    // With a hammer and no gauge it decides, by name; struck like the rest it does not.
    const byHand = asked(withMore(base, missing));
    expect(byHand.answer).toBe('Not known');
    expect(byHand.reasons).toContainEqual(
      expect.objectContaining({ code: 'decided by', weight: 'unknown', name: unseen.title }),
    );
    expect(codes(asked(withMore(base, allSeen())), 'note')).toContain('stands without');
    expect(asked(withMore(base, allSeen())).answer).toBe('Lift here');
    expect(
      codes(
        asked(soundJob, plan({ points: plan().points.map(({ ratingN: _, ...point }) => point) })),
        'unknown',
      ),
    ).toEqual(['no rating']);
    expect(
      asked(soundJob, plan(), [
        { id: 'n', unitId: 'u', words: 'Do not lift behind the cab', by: 'RK', at: AT },
      ]).answer,
    ).toBe('Not known');
    expect(codes(asked({ ...soundJob, frame: { ...frame, loads: { items: [] } } }), 'unknown')).toContain(
      'loads unknown',
    );
    expect(codes(asked(base), 'unknown')).toEqual(expect.arrayContaining(['unseen under', 'decided by']));
    expect(asked(base).answer).toBe('Not known');
  });

  test('each reaction is held against its rating, and all against the hoist’s', () => {
    const reply = asked(soundJob, plan({ points: pads(0.2 * L, 0.78 * L, 3000), hoistRatingN: 20_000 }));
    expect(codes(reply, 'refused')).toEqual(expect.arrayContaining(['rating over', 'hoist over']));
    expect(reply.instead).toEqual(expect.arrayContaining(['more points']));
  });

  test('by the axles each wheel’s load is held against what each stand is rated for', () => {
    const by = (ratingN?: number) =>
      asked(
        soundJob,
        plan({ way: 'by the axles', points: [], ...(ratingN !== undefined && { hoistRatingN: ratingN }) }),
      );
    const heaviest = Math.max(...by().facts.supports.map((support) => support.upN));
    expect(codes(by(), 'unknown')).toEqual(['no rating']);
    expect(codes(by(0.9 * heaviest), 'refused')).toEqual(['rating over']);
    expect(by(1.1 * heaviest).answer).toBe('Lift here');
  });

  test('pads all on one end tip it; a steep slope slides it', () => {
    expect(codes(asked(soundJob, plan({ points: pads(0.1 * L, 0.25 * L) })), 'refused')).toContain('tips');
    // A fifth of its load sideways: 11.3°.
    expect(codes(asked(soundJob, plan({ slopeAlongDeg: 12 })), 'refused')).toContain('slides');
    expect(codes(asked(soundJob, plan({ slopeAlongDeg: 10.5 })), 'refused')).not.toContain('slides');
    const [flat, sloped] = [asked(soundJob), asked(soundJob, plan({ slopeAlongDeg: 4 }))].map((reply) =>
      reply.facts.supports
        .filter(({ stand }) => standName(stand).startsWith('front'))
        .reduce((sum, each) => sum + each.upN, 0),
    );
    expect(sloped).not.toBeCloseTo(flat!, -1);
    expect(codes(asked(soundJob, plan({ points: [] })), 'refused')).toContain('no points');
    expect(
      codes(asked(soundJob, plan({ points: [{ id: 'air', side: 'left', stationMm: 39_000 }] })), 'refused'),
    ).toContain('nothing there');
  });

  test('an open crack on what the lift loads is against it; on its own wheels it stands as it came', () => {
    const cracks: Evidence[] = [
      {
        kind: 'crack',
        ...stamp(),
        memberId: 'rail-left',
        path: [
          { stationMm: 0.5 * L, face: 'bottom' as const, heightMm: 5 },
          { stationMm: 0.5 * L, face: 'bottom' as const, heightMm: 30 },
        ],
        startFound: true,
        finishFound: true,
        seenBy: 'eye' as const,
      },
    ];
    expect(codes(asked(withMore(soundJob, cracks)), 'refused')).toContain('crack on what it loads');
    const onWheels = asked(withMore(soundJob, cracks), plan({ way: 'four-post', hoistRatingN: 90_000 }));
    expect(codes(onWheels, 'refused')).toEqual([]);
    expect(codes(onWheels, 'unknown')).toEqual(['crack on what it loads']);
    expect(asked(soundJob, plan({ way: 'four-post', hoistRatingN: 90_000 })).answer).toBe('Lift here');
    expect(codes(asked(withMore(soundJob, cracks), plan({ way: 'hitched' })), 'refused')).toContain(
      'crack on what it loads',
    );
  });

  test('a jack in the middle stands under a crossmember: on the crossmember’s metal, not the rails’, and nowhere between two', () => {
    const cross = frame.members.find(({ id }) => id === 'cross-5')!;
    const wheelsDown = frame.fittings
      .filter(({ kind, name }) => kind === 'axle' && name !== 'Rear axle')
      .flatMap(({ id }) => [`${id} left`, `${id} right`]);
    const jack = (stationMm: number) =>
      plan({
        way: 'jack',
        points: [{ id: 'jack', side: 'centre', stationMm, ratingN: 120_000 }],
        wheelsDown,
        hoistRatingN: 120_000,
      });
    const under = asked(soundJob, jack(cross.atMm!));
    const jackN = under.facts.supports.find(({ stand }) => standName(stand) === 'jack')!.upN;
    expect(jackN).toBeGreaterThan(0);
    // A crossmember was never made to carry half a truck by its middle: that is said of the crossmember.
    const over = under.reasons.filter(({ code }) => code === 'demand over' || code === 'carries nothing');
    expect(over.map(({ memberId }) => memberId)).toContain('cross-5');
    expect(codes(asked(soundJob, jack(cross.atMm! + 400)), 'refused')).toContain('nothing there');
    expect(codes(asked(soundJob, jack(cross.atMm! + 60)), 'refused')).not.toContain('nothing there');

    const soft: Sign = {
      kind: 'sign',
      ...stamp(),
      memberId: 'cross-5',
      stationMm: cross.lengthMm / 2,
      face: 'web',
      heightMm: 30,
      detail: { sign: 'struck', tool: 'hammer', answer: 'gave way' },
    };
    expect(asked(withMore(soundJob, [soft]), jack(cross.atMm!)).reasons).toContainEqual(
      expect.objectContaining({ code: 'failed near', memberId: 'cross-5', pointId: 'jack' }),
    );
  });

  describe('where a jack had better be', () => {
    const [rearAxle, frontAxle] = ['Rear axle', 'Front axle'].map((name) =>
      frame.fittings.find((mark) => mark.name === name)!,
    );
    /** Empty, so that little is asked of the metal. */
    const light: JobRecords = {
      ...soundJob,
      frame: { ...frame, loads: { ...frame.loads!, items: typicalLoads(frame, 300) } },
    };
    type Side = LiftPlan['points'][number]['side'];
    const jackedAt = (stationMm: number, sides: readonly Side[]) =>
      plan({
        way: 'jack',
        points: sides.map((side) => ({ id: side, side, stationMm, ratingN: 120_000 })),
        wheelsDown: [`${frontAxle!.id} left`, `${frontAxle!.id} right`],
        hoistRatingN: 120_000,
      });
    const better = (records: JobRecords, of: LiftPlan) =>
      asked(records, of).better.map(({ plan: moved }) => moved.points);
    const atMm = rearAxle!.stationMm - 600;

    test('on its own rail, off the soft metal, no further than one would roll it; two stay across from each other', () => {
      const soft: Sign = {
        kind: 'sign',
        ...stamp(),
        memberId: 'rail-right',
        stationMm: atMm,
        face: 'web',
        heightMm: 30,
        detail: { sign: 'struck', tool: 'hammer', answer: 'gave way' },
      };
      const places = better(withMore(light, [soft]), jackedAt(atMm, ['left', 'right']));
      expect(places.length).toBeGreaterThan(0);
      for (const points of places) {
        expect(points.map(({ side }) => side)).toEqual(['left', 'right']);
        expect(new Set(points.map(({ stationMm }) => stationMm)).size).toBe(1);
        const off = Math.abs(points[0]!.stationMm - atMm);
        expect(off).toBeGreaterThan(DEFAULT_PRACTICE.walk.reachMm);
        expect(off).toBeLessThan(1500);
      }
    });
    test('one in the middle under another crossmember, where one carries it; no place between two', () => {
      const crosses = frame.members.filter(({ role }) => role === 'crossmember');
      const between = crosses.find(({ id }) => id === 'cross-5')!.atMm! + 400;
      const places = better(light, jackedAt(between, ['centre'])).flat();
      expect(places.length).toBeGreaterThan(0);
      for (const { side, stationMm } of places) {
        expect(side).toBe('centre');
        expect(crosses.some(({ atMm: middle }) => Math.abs(middle! - stationMm) < 1)).toBe(true);
      }
    });
  });

  test('a jack on one corner takes a share of that corner, the other wheels the rest; order of work by axle', () => {
    const rearAxle = frame.fittings.find((mark) => mark.name === 'Rear axle')!;
    const frontAxle = frame.fittings.find((mark) => mark.name === 'Front axle')!;
    const jack = plan({
      way: 'jack',
      points: [{ id: 'jack', side: 'right', stationMm: rearAxle.stationMm - 600, ratingN: 40_000 }],
      wheelsDown: [`${frontAxle.id} left`, `${frontAxle.id} right`, `${rearAxle.id} left`],
    });
    const reply = asked(soundJob, jack);
    const whole = asked(soundJob).facts.supports.reduce((sum, each) => sum + each.upN, 0);
    const jackN = reply.facts.supports.find(({ stand }) => standName(stand) === 'jack')!.upN;
    expect(jackN / whole).toBeGreaterThan(0.2);
    // Raised until its wheel hangs free it takes more than the corner stood with: a stiff frame brings its neighbours along.
    expect(jackN / whole).toBeLessThan(0.75);
    expect(reply.facts.supports.reduce((sum, each) => sum + each.upN, 0) / whole).toBeCloseTo(1, 1);
    expect(reply.steps.map((step) => step.does)).toEqual([
      'chock',
      'raise',
      'stand',
      'spring',
      'pin',
      'look again',
    ]);
  });

  test('what it rests on changes with evidence, not with answers or photos', () => {
    const basis = liftBasis(soundJob, []);
    const answer = {
      kind: 'lift' as const,
      ...stamp(),
      plan: plan(),
      answer: 'Lift here' as const,
      reasons: [],
      basis,
    };
    expect(liftBasis(withMore(soundJob, [answer]), [])).toBe(basis);
    expect(liftBasis(withMore(soundJob, [...allSeen().slice(0, 1)]), [])).not.toBe(basis);
    expect(liftBasis(withReadings(soundJob, recorded(soundJob, 'reading').slice(1)), [])).not.toBe(basis);
  });
});

describe('verdicts fed by the walk', () => {
  const rails = (records: JobRecords) =>
    Object.fromEntries(workJob(records).map((work) => [work.picture.member.id, work.verdict]));
  const has = (records: JobRecords, member: string, code: string) =>
    rails(records)[member]!.findings.find((finding) => finding.code === code);
  const sign = (detail: SignDetail, more: Partial<Sign> = {}): Sign => ({
    kind: 'sign',
    ...stamp(),
    memberId: 'rail-left',
    stationMm: 1000,
    face: 'web',
    heightMm: 50,
    detail,
    ...more,
  });
  const withSigns = (...signs: Sign[]): JobRecords => withMore(soundJob, [...signs]);

  test('a member whose critical spots were not seen is never left on its readings', () => {
    expect(rails(soundJob)['rail-left']!.verdict).toBe('Leave');
    const hangers = jobSpots(base)
      .filter(({ spot }) => spot.memberId === 'rail-left' && spot.critical)
      .map(({ spot }) => [spot.id, 'not seen'] as const);
    const blind = withWalk(soundJob, allSeen(Object.fromEntries(hangers)));
    expect(rails(blind)['rail-left']!.verdict).toBe('Can’t say');
    expect(has(blind, 'rail-left', 'spots-unseen')).toMatchObject({ value: 1, limit: 0.25 });
    expect(
      rails({ ...blind, practice: { ...blind.practice, walk: { ...blind.practice.walk, unseenShare: 1 } } })[
        'rail-left'
      ]!.verdict,
    ).toBe('Leave');
  });

  test('both sides: its twin is bad and nobody looked here', () => {
    const spot = jobSpots(base).find(
      (state) => state.spot.memberId === 'rail-left' && state.spot.ruleId === 'hanger',
    )!.spot;
    const records = withWalk(soundJob, allSeen({ [spot.id]: 'soft', [spot.twinId!]: 'not seen' }));
    expect(has(records, 'rail-right', 'twin-unseen')).toMatchObject({ verdict: 'Can’t say' });
    expect(has(records, 'rail-left', 'looked-failed')).toMatchObject({ verdict: 'Mend' });
    expect(
      has(withWalk(records, allSeen({ [spot.id]: 'soft' })), 'rail-right', 'twin-unseen'),
    ).toBeUndefined();
  });

  test.each<[SignDetail, string, string]>([
    [{ sign: 'struck', tool: 'pick', answer: 'gave way' }, 'struck-failed', 'Mend'],
    [{ sign: 'layers', counted: 3, expected: 1 }, 'layered-repair', 'Can’t say'],
    [{ sign: 'old repair', cover: 'skin over rust' }, 'layered-repair', 'Can’t say'],
    [{ sign: 'coating', coat: 'thick rubber over a seam' }, 'coated-over', 'Can’t say'],
    [{ sign: 'fastener', is: 'bolt', state: 'missing', clamps: '' }, 'fastener', 'Mend'],
    [{ sign: 'maker’s weld', state: 'missing' }, 'maker-weld', 'Mend'],
    [{ sign: 'welded solid', joint: 'shackle' }, 'welded-solid', 'Watch'],
  ])('%j: %s, %s', (detail, code, verdict) =>
    expect(has(withSigns(sign(detail)), 'rail-left', code)).toMatchObject({
      verdict,
      source: expect.any(String),
    }),
  );

  test('fastenings at several places are one reason that counts them all, from the first to the last', () => {
    const fastener = (state: 'loose' | 'missing' | 'bent' | 'sound', stationMm: number, toMm?: number) =>
      sign(
        { sign: 'fastener', is: 'bolt', state, clamps: '' },
        { stationMm, ...(toMm !== undefined && { toMm }) },
      );
    const found = (...signs: Sign[]) => has(withSigns(...signs), 'rail-left', 'fastener');
    expect(found(fastener('loose', 900))).toMatchObject({
      value: 1,
      name: 'bolt loose',
      at: { fromMm: 900, toMm: 900 },
    });
    const all = [
      fastener('loose', 2000),
      fastener('missing', 1200),
      fastener('loose', 1500, 2600),
      fastener('sound', 300),
    ];
    expect(found(...all)).toMatchObject({
      value: 3,
      name: 'bolt loose; bolt missing',
      at: { fromMm: 1200, toMm: 2600 },
    });
    expect(found(...all, fastener('bent', 1300))!.name).toBe('bolt loose; bolt missing; and 1 more');
  });

  test('harmless signs give no reason, and a cover looked beneath afterwards is done with', () => {
    for (const detail of [
      { sign: 'struck', tool: 'hammer', answer: 'even ring' },
      { sign: 'fastener', is: 'bolt', state: 'sound', clamps: '' },
      { sign: 'coating', coat: 'sound paint' },
    ] as const)
      expect(rails(withSigns(sign(detail)))['rail-left']!.verdict).toBe('Leave');
    const cover = sign({ sign: 'coating', coat: 'thick rubber over a seam' }, { toMm: 1400 });
    const coated = (...later: Sign[]) => has(withSigns(cover, ...later), 'rail-left', 'coated-over');
    const [before, after] = ['2025-12-02T00:00:00Z', '2026-01-02T00:00:00Z'];
    const opened = (at: string) =>
      sign({ sign: 'opened', how: 'cover taken off' }, { stationMm: 900, toMm: 1500, at });
    const tapped = sign(
      { sign: 'struck', tool: 'hammer', answer: 'even ring' },
      { stationMm: 1200, at: after },
    );
    expect(coated(opened(after))).toBeUndefined();
    expect(coated(opened(before))).toBeDefined();
    expect(coated(tapped)).toBeDefined();
  });
});

describe('the complaint', () => {
  const complaint = (more: Partial<Complaint>): Complaint => ({
    kind: 'complaint',
    ...stamp(),
    what: 'sag',
    where: 'middle',
    memberIds: ['rail-left', 'rail-right'],
    ...more,
  });
  const thin = withReadings(soundJob, read(0.35, 0.35 * L, 0.65 * L));
  const works = worksOf(thin);
  const damage = damageOf(works);
  const demand = jobDemand(thin, works, ['as built', 'as found']);
  const { movement } = explainComplaint(thin, damage, demand, complaint({ movementMm: 5 }));

  test('rust makes it sag more, and what the model moves accounts for as much and no more', () => {
    expect(movement!.foundMm).toBeGreaterThan(1.1 * movement!.builtMm);
    const of = (movementMm: number) =>
      explainComplaint(thin, damage, demand, complaint({ movementMm })).standing;
    // As made it moves so much, but nobody is told that while damage on its path is on record.
    const asMade = complaint({ movementMm: 0.9 * movement!.builtMm });
    expect(of(asMade.movementMm!)).toBe('damage there, not computed');
    expect(explainComplaint(thin, new Map(), demand, asMade).standing).toBe('moves so as made');
    expect(of(1.2 * movement!.foundMm)).toBe('accounted for');
    expect(of(3 * movement!.foundMm)).toBe('unexplained, keep looking');
  });

  test('play at a hanger is none that the steering’s push explains', () => {
    const of = (where: string) => explainComplaint(thin, damage, demand, complaint({ what: 'play', where }));
    expect(of('steering gear').movement?.from).toBe('steering gear under a push');
    expect(of('rear hanger').movement).toBeUndefined();
  });

  test('unmeasured or beyond beams it stays open, and lists what is unseen on its path', () => {
    expect(explainComplaint(thin, damage, demand, complaint({})).standing).toBe('damage there, not computed');
    expect(
      explainComplaint(soundJob, damageOf(worksOf(soundJob)), undefined, complaint({ what: 'squeak' }))
        .standing,
    ).toBe('nothing found there yet');
    const blind = withWalk(thin, []);
    const { unseen } = explainComplaint(blind, damage, demand, complaint({ memberIds: ['cross-2'] }));
    expect(unseen.map((state) => state.spot.memberId)).toEqual(['cross-2', 'cross-2']);
  });
});

describe('a cracked hanger on a sound rail', () => {
  const hanger = jobSpots(base).find(
    ({ spot }) => spot.memberId === 'rail-left' && spot.ruleId === 'hanger',
  )!.spot;
  const looks = (on?: 'fitting' | 'member') =>
    withMore(
      base,
      allSeen({ [hanger.id]: 'cracked' }).map((record) =>
        record.kind === 'look' && record.spotId === hanger.id && on ? { ...record, on } : record,
      ),
    );
  const railOf = (records: JobRecords) => worksOf(records).get('rail-left')!;
  test('condemns the rail only where it was said of the rail, or of nothing in particular', () => {
    expect(railOf(looks('fitting')).verdict.findings.map(({ code }) => code)).not.toContain(
      'crack-not-traced',
    );
    for (const on of ['member', undefined] as const)
      expect(railOf(looks(on)).verdict.findings.map(({ code }) => code)).toContain('crack-not-traced');
  });
  test('is told to the Yard, the complaint, the lift gate and the buyer', () => {
    const found = looks('fitting');
    expect(jobLine(found)).toMatchObject({
      toAct: [{ name: hanger.title, verdict: 'Renew' }],
      next: { is: 'by hand', name: hanger.title },
    });
    const squeak = { kind: 'complaint', ...stamp(), what: 'squeak', where: 'rear' } as const;
    const onTheRail = { ...squeak, memberIds: ['rail-left'] };
    expect(explainComplaint(found, new Map(), undefined, onTheRail)).toMatchObject({
      standing: 'a break on its path',
      broken: [hanger.title],
    });
    expect(
      explainComplaint(found, new Map(), undefined, { ...squeak, memberIds: ['rail-right'] }).standing,
    ).toBe('nothing found there yet');
    expect(codes(asked(found), 'refused')).toContain('fitting failed');
    const look = jobBuyersLook(found, [...worksOf(found).values()].map(boughtMember));
    expect(JSON.stringify(look.whys)).toContain(hanger.title);
  });
  test('a tap on the hanger is none on the rail', () => {
    const spot = jobSpots(looks('fitting')).find((state) => state.spot.id === hanger.id)!;
    expect(spot.look!.ways).toContain('hammer');
    const said = railOf(looks('fitting')).picture.account.sayings.filter(
      ({ where }) => where === hanger.title,
    );
    expect(said.map(({ claim }) => claim)).toEqual(['seen']);
  });
});

describe('the look before buying', () => {
  test('nothing found and all seen; too little seen; something to take off the price; walk away', () => {
    const answerOf = (records: JobRecords) => jobBuyersLook(records, workJob(records).map(boughtMember));
    const body = jobSpots(soundJob, true)
      .filter(({ spot }) => spot.memberId === undefined)
      .map(({ spot }): Look => ({
        kind: 'look',
        ...stamp(),
        spotId: spot.id,
        title: spot.title,
        result: 'sound',
        ways: ['eye'],
      }));
    const good = withMore(soundJob, [...body]);
    expect(answerOf(good)).toMatchObject({ answer: 'no reason recorded against it', unseen: [], found: [] });
    expect(answerOf(base)).toMatchObject({ answer: 'do not decide yet' });
    const rusted = withReadings(good, read(0.5, 0.4 * L, 0.5 * L));
    const look = answerOf(rusted);
    expect(look.answer).toBe('only with its price taken off');
    expect(look.money[1]).toBeGreaterThan(look.money[0]);
    expect(look.money[0]).toBeCloseTo(look.hours[0] * 110, 6);
    expect(answerOf(withReadings(good, read(0.05, -1, 2 * L)))).toMatchObject({
      answer: 'walk away',
      worst: 'Retire',
    });
  });

  test('a claim not borne out is a reason, the last word on it counting', () => {
    const claim = (standing: 'not borne out' | 'borne out', at = stamp().at) => ({
      kind: 'claim' as const,
      ...{ ...stamp(), at },
      claimId: '00000000-0000-4000-8000-00000000cccc',
      words: 'metalwork done',
      standing,
    });
    const of = (...claims: ReturnType<typeof claim>[]) =>
      JSON.stringify(
        jobBuyersLook(withMore(soundJob, [...claims]), workJob(soundJob).map(boughtMember)).whys,
      );
    expect(of(claim('not borne out'))).toContain('metalwork done');
    expect(of(claim('not borne out'), claim('borne out'))).not.toContain('metalwork done');
    expect(of(claim('not borne out'), claim('borne out', '2020-01-01T00:00:00Z'))).toContain(
      'metalwork done',
    );
  });
});

describe('bolts by their head marks (SAE J429, from memory)', () => {
  test.each([
    [0, 1 / 2, '2', 55, 74],
    [3, 1 / 2, '5', 85, 120],
    [3, 1, '5', 85, 120],
    [3, 1.25, '5', 74, 105],
    [6, 1.5, '8', 120, 150],
  ])('%d marks, %d in: grade %s', (marks, inches, grade, proof, tensile) => {
    const found = boltGrade(marks, inchesToMm(inches))!;
    expect(found.grade).toBe(grade);
    expect(found.proofMpa).toBeCloseTo(ksiToMpa(proof), 6);
    expect(found.tensileMpa).toBeCloseTo(ksiToMpa(tensile), 6);
  });
  // Tensile stress areas and proof loads as the standard’s table prints them (from memory): 1/2-13 0.1419 in², 5/8-11 0.2260 in²; 12,050 and 27,100 lbf.
  test('stress areas and proof loads', () => {
    expect(tensileStressAreaMm2(inchesToMm(1 / 2))! / inchesToMm(1) ** 2).toBeCloseTo(0.1419, 4);
    expect(tensileStressAreaMm2(inchesToMm(5 / 8))! / inchesToMm(1) ** 2).toBeCloseTo(0.226, 3);
    expect(Math.abs(proofLoadN(3, inchesToMm(1 / 2))! / lbfToNewtons(12_050) - 1)).toBeLessThan(0.005);
    expect(Math.abs(proofLoadN(6, inchesToMm(5 / 8))! / lbfToNewtons(27_100) - 1)).toBeLessThan(0.005);
    expect(boltGrade(4, 12)).toBeUndefined();
    expect(proofLoadN(6, 13.1)).toBeUndefined();
  });
});
