import {
  crossingsOn,
  defaultFrame,
  facesOf,
  familyOf,
  hostsOf,
  typicalLoads,
  usualStands,
  type Frame,
  type Hole,
} from '../frame';
import {
  demandOf,
  judgedJob,
  knownNothing,
  jobDemand,
  knownFrame,
  calmerPlace,
  plateEndsOf,
  verdictWithDemand,
  workJob,
  type JobDemand,
  type JobRecords,
  type MemberWork,
} from '.';
import type { Reading } from '../probe';
import { inchesToMm, STANDARD_GRAVITY } from '../quantity';
import type { Find } from '../walk';
import { BETWEEN_HEAT_ZONES_MM, DEFAULT_PRACTICE, fatigue, type Practice } from '../reference';
import { demandFindings, nearest, type MemberDemand } from '../weigh';

const base = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'hot-rolled-50',
  datum: 'hole',
});
const loaded = (kg: number): Frame => ({
  ...base,
  loads: { items: typicalLoads(base, kg), takenOff: ['payload'], stands: usualStands(base) },
});

/** The right rail read in columns; its lower part keeps a share of the wall between two stations. */
function records(frame: Frame, left: number): JobRecords {
  const rail = frame.members.find((member) => member.id === 'rail-right')!;
  const readings: Reading[] = [];
  for (let stationMm = 0; stationMm <= rail.lengthMm; stationMm += 200)
    for (const face of facesOf(rail.shape))
      for (let k = 0; k < 5; k++) {
        const heightMm = (face.widthMm * (k + 0.5)) / 5;
        const isRusty =
          stationMm > 2400 &&
          stationMm < 3400 &&
          (face.id === 'bottom' || (face.id === 'web' && heightMm < 70));
        readings.push({
          kind: 'reading',
          id: `${left} ${readings.length}`,
          memberId: rail.id,
          stationMm,
          face: face.id,
          heightMm,
          thicknessMm: rail.shape.thicknessMm * (isRusty ? left : 0.99),
          method: 'ultrasonic',
          by: 'RK',
          at: '2026-01-01T00:00:00Z',
          note: '',
        });
      }
  return {
    frame,
    practice: DEFAULT_PRACTICE,
    evidence: readings,
    strikes: [],
    repairs: [],
    grossMassKg: 7000,
  };
}
const worked = (of: JobRecords) =>
  new Map(workJob(of).map((work): [string, MemberWork] => [work.picture.member.id, work]));
const rusted = records(loaded(6000), 0.35);
const works = worked(rusted);
const demand = jobDemand(rusted, works);
const rail = (state: 'as built' | 'as found' | 'cut open' | 'tacked' | 'as repaired'): MemberDemand =>
  demand[state]!.members.find((each) => each.memberId === 'rail-right')!;

test('rust asks more of what is left, the plate takes it back, cutting open asks the most', () => {
  const at = (state: Parameters<typeof rail>[0]) => nearest(rail(state).along, 2900);
  expect(at('as found').utilisation).toBeGreaterThan(1.4 * at('as built').utilisation);
  expect(at('as repaired').utilisation).toBeLessThan(1.2 * at('as built').utilisation);
  expect(at('as repaired').utilisation).toBeLessThan(0.7 * at('as found').utilisation);
});

describe('welded on while it stands under its own weight', () => {
  const plated = (of: JobRecords) =>
    jobDemand(of, worked(of), ['as repaired'])
      ['as repaired']!.members.find((each) => each.memberId === 'rail-right')!
      .along.filter(({ lockedIn }) => lockedIn !== undefined);
  const proposal = works.get('rail-right')!.repairs[0]!.repair;
  const from = Math.min(...proposal.pieces.map(({ startMm }) => startMm));
  const to = Math.max(...proposal.pieces.map(({ endMm }) => endMm));
  const off = (ids: readonly string[]) => ({
    ...rusted,
    frame: { ...rusted.frame, loads: { ...rusted.frame.loads!, takenOff: [...ids] } },
  });
  const middle = (along: ReturnType<typeof plated>) => nearest(along, 2900);
  const everything = plated(off(rusted.frame.loads!.items.map(({ id }) => id)));
  const nothing = plated(off([]));
  test('only where there are plates; old metal keeps what stood on it, so jacking off buys something', () => {
    expect(nothing.length).toBeGreaterThan(3);
    for (const { stationMm } of nothing) {
      expect(stationMm).toBeGreaterThan(from - 80);
      expect(stationMm).toBeLessThan(to + 80);
    }
    expect(middle(nothing).lockedIn!).toBeGreaterThan(1.05 * middle(nothing).utilisation);
  });
  test('the more is off while it is welded, the less is locked in; all of it off, next to nothing is', () => {
    expect(middle(everything).lockedIn!).toBeLessThan(middle(nothing).lockedIn!);
    const some = plated(rusted);
    expect(middle(some).lockedIn!).toBeLessThan(middle(nothing).lockedIn!);
    expect(middle(some).lockedIn!).toBeGreaterThan(middle(everything).lockedIn!);
  });
});

test('a plate’s ends are places where cracks start, once it is on; a square end is worse than a tapered one', () => {
  const ends = (of: MemberDemand) => of.spots.filter((spot) => spot.atPlateEnd);
  expect(ends(rail('as found'))).toEqual([]);
  const plated = ends(rail('as repaired'));
  expect(plated.map(({ category }) => category)).toEqual(plated.map(() => 'E'));
  expect(plated.length).toBeGreaterThanOrEqual(2);
  const proposal = works.get('rail-right')!.repairs[0]!.repair;
  const square = {
    ...rusted,
    repairs: [{ ...proposal, id: 'own', pieces: proposal.pieces.map((piece) => ({ ...piece, taperMm: 0 })) }],
  };
  const worse = ends(
    jobDemand(square, worked(square))['as repaired']!.members.find((each) => each.memberId === 'rail-right')!,
  );
  expect(worse.map(({ category }) => category)).toEqual(worse.map(() => 'E′'));
});

describe('while it is cut', () => {
  const standsKg = (of: typeof demand, state: 'cut open' | 'tacked') =>
    of[state]!.stands!.reduce((sum, { upN }) => sum + upN, 0) / STANDARD_GRAVITY;
  test('it stands on its stands with a fifth more than what is left on it, and is in no other case', () => {
    const onWheels = demand['as found']!.wheels.reduce((sum, wheel) => sum + wheel.loadKg, 0);
    const payload = rusted.frame.loads!.items.find(({ id }) => id === 'payload')!.massKg;
    for (const state of ['cut open', 'tacked'] as const) {
      expect(standsKg(demand, state) / (1.2 * (onWheels - payload))).toBeCloseTo(1, 2);
      expect(new Set(rail(state).along.map(({ caseId }) => caseId))).toEqual(new Set(['on stands']));
      expect(demand[state]!.wheels).toEqual([]);
    }
  });
  test('cut open it is asked more than tacked or whole on the same stands, and the weak place is under the cut', () => {
    const worst = rail('cut open').worst!;
    const proposal = works.get('rail-right')!.repairs[0]!.repair;
    const from = Math.min(...proposal.pieces.map(({ startMm }) => startMm));
    const to = Math.max(...proposal.pieces.map(({ endMm }) => endMm));
    expect(worst.stationMm).toBeGreaterThan(from - 300);
    expect(worst.stationMm).toBeLessThan(to + 300);
  });
  const standing = (stands: NonNullable<NonNullable<Frame['loads']>['stands']>) => {
    const of = { ...rusted, frame: { ...rusted.frame, loads: { ...rusted.frame.loads!, stands } } };
    return jobDemand(of, works, ['cut open'])['cut open']!;
  };
  test('nobody said where the stands are: it is asked for, not guessed', () => {
    expect(standing([]).unsolved).toEqual([{ id: 'on stands', why: { kind: 'no stands' } }]);
    expect(standing([]).members.flatMap(({ along }) => along)).toEqual([]);
  });
  test('stands under one end tip it; a stand that would have to pull is let go', () => {
    const [a, b, c, d] = usualStands(base);
    const behind = (mm: number) =>
      [a!, b!, c!, d!].map((stand, k) => ({ ...stand, stationMm: mm + 200 * k }));
    expect(standing(behind(5200)).unsolved[0]!.why.kind).toMatch(/tips|mechanism/);
    const extra = standing([...usualStands(base), { id: 'end', side: 'left', stationMm: 6000 }]);
    expect(extra.stands!.every(({ upN }) => upN >= 0)).toBe(true);
  });
  test('close round the cut its ends hang over and bend it harder than stands that share what it carries', () => {
    const apart = (frontMm: number, rearMm: number) =>
      standing(
        [frontMm, rearMm].flatMap((stationMm) =>
          (['left', 'right'] as const).map((side) => ({ id: `${side} ${stationMm}`, side, stationMm })),
        ),
      ).members.find(({ memberId }) => memberId === 'rail-right')!.worst!.utilisation;
    expect(apart(2100, 3700)).toBeGreaterThan(1.3 * apart(900, 5000));
  });
});

test('raised, a rusted flange buckles by itself, not once a plate backs it', () => {
  expect(rail('as found').lifted!.why).toBe('wall buckling');
  expect(rail('as repaired').lifted!.why).not.toBe('wall buckling');
});

test('only the states that are there, and only those asked for', () => {
  const sound = records(loaded(6000), 0.99);
  expect(Object.keys(jobDemand(sound, worked(sound)))).toEqual(['as built', 'as found', 'least']);
  expect(Object.keys(jobDemand(rusted, works, ['as found']))).toEqual(['as found']);
});

test('a hole in the lower flange is net section there and nowhere else', () => {
  const hole: Hole = { id: 'h', stationMm: 4200, face: 'bottom', heightMm: 40, diameterMm: 30 };
  const drilled = {
    ...rusted,
    frame: {
      ...rusted.frame,
      members: rusted.frame.members.map((member) =>
        member.id === 'rail-right' ? { ...member, holes: [hole] } : member,
      ),
    },
  };
  const along = jobDemand(drilled, worked(drilled), ['as built'])['as built']!.members.find(
    (each) => each.memberId === 'rail-right',
  )!.along;
  const plain = rail('as built').along;
  expect(nearest(along, 4200).rangeMpa).toBeGreaterThan(1.08 * nearest(plain, 4200).rangeMpa);
  expect(nearest(along, 3500).rangeMpa / nearest(plain, 3500).rangeMpa).toBeCloseTo(1, 1);
});

describe('verdicts with what the frame asks', () => {
  const codes = (id: string, of = demand) =>
    verdictWithDemand(works.get(id)!.picture, of).findings.map((finding) => finding.code);
  test('no Leave rests on the section alone any more; of what was not read nothing is claimed', () => {
    expect(codes('rail-right')).toContain('demand-over');
    expect(codes('rail-right')).not.toContain('section-alone');
    expect(codes('rail-left').filter((code) => code.startsWith('demand'))).toEqual([]);
    expect(verdictWithDemand(works.get('rail-left')!.picture, demand).verdict).toBe('Can’t say');
    expect(codes('rail-right', {})).not.toContain('demand-over');
  });

  test('over as found but not as made is rust’s doing; over as made too is for the loads to answer', () => {
    const { picture } = works.get('rail-right')!;
    const pair = (found: number, made: number) => {
      const of = (utilisation: number): MemberDemand => ({
        ...rail('as found'),
        worst: { ...rail('as found').worst!, utilisation },
        lifted: { ...rail('as found').worst!, utilisation: 0.5 },
        pads: [],
        spots: [],
      });
      return demandFindings(picture, { found: of(found), built: of(made) })[0]!;
    };
    expect(pair(1.4, 0.8)).toMatchObject({ code: 'demand-over', verdict: 'Mend', firmness: 'firm' });
    expect(pair(1.4, 1.35)).toMatchObject({ code: 'demand-over-as-made', verdict: 'Watch' });
    expect(pair(2.4, 1.35)).toMatchObject({ code: 'demand-over', verdict: 'Mend' });
    expect(pair(0.95, 0.8)).toMatchObject({
      code: 'demand-near',
      verdict: 'Watch',
      firmness: 'could flip with one more reading',
    });
    expect(pair(0.4, 0.4)).toMatchObject({ code: 'demand-within', verdict: 'Leave', firmness: 'firm' });
  });

  test('over its allowable on a jack alone is watched, with the case named', () => {
    const { picture } = works.get('rail-right')!;
    const of = (raised: number): MemberDemand => ({
      ...rail('as found'),
      worst: { ...rail('as found').worst!, utilisation: 0.3 },
      lifted: { ...rail('as found').worst!, caseId: 'on a jack', utilisation: raised },
      pads: [],
      spots: [],
    });
    const codes = (raised: number) =>
      demandFindings(picture, { found: of(raised), built: of(0.3) }).map(({ code, verdict, name }) => [
        code,
        verdict,
        name,
      ]);
    expect(codes(1.6)).toContainEqual(['lift-over', 'Watch', 'on a jack']);
    expect(codes(0.9).map(([code]) => code)).toEqual(['demand-within']);
    expect(
      rail('as found').along.some((each) => each.caseId === 'on a jack' || each.caseId === 'on a lift'),
    ).toBe(false);
    expect(rail('as found').lifted).toBeDefined();
  });

  test('twice the load never makes a milder verdict; a report’s job is judged the same way', () => {
    const heavy = { ...rusted, frame: loaded(12_000) };
    const both = [rusted, heavy].map((of) =>
      judgedJob(of)
        .works.find((work) => work.picture.member.id === 'rail-right')!
        .verdict.findings.find((finding) => finding.code.startsWith('demand'))!,
    );
    expect(both[1]!.value!).toBeGreaterThan(both[0]!.value!);
    expect(both[0]!.value).toBeCloseTo(rail('as found').worst!.utilisation, 9);
  });
});

test('the frame as made, solved once and kept: the same answers as solved anew, and solved again when the frame changes', () => {
  const known = knownFrame();
  const asMade = (of: JobRecords, its = worked(of)) => known.asMade({ records: of, works: its, hosts: [] });
  const first = asMade(rusted, works);
  expect(asMade(rusted, works)).toBe(first);
  const kept = jobDemand(rusted, works, ['as built', 'as found'], {}, known);
  expect(kept['as found']).toEqual(demand['as found']);
  // More rust is another frame as found, and the same as made.
  const worse = records(rusted.frame, 0.2);
  expect(asMade(worse)).toBe(first);
  const heavier = records(loaded(7000), 0.35);
  const heavierWorks = worked(heavier);
  expect(asMade(heavier, heavierWorks)).not.toBe(first);
  expect(jobDemand(heavier, heavierWorks, ['as found'], {}, known)).toEqual(
    jobDemand(heavier, heavierWorks, ['as found']),
  );
});

test('a job known already: what still rests on the same records is the same object, and the rest is as if nothing had been known', () => {
  const known = knownNothing();
  const first = judgedJob(rusted, known);
  expect(judgedJob(rusted, known).demand['as found']).toBe(first.demand['as found']);
  const [read] = rusted.evidence as Reading[];
  const more = { ...rusted, evidence: [...rusted.evidence, { ...read!, id: 'more', thicknessMm: 2 }] };
  const then = judgedJob(more, known);
  const plain = ({ works: all, demand: asked }: ReturnType<typeof judgedJob>) => [
    all.map(({ states: _, ...work }) => work),
    asked,
  ];
  expect(plain(then)).toEqual(plain(judgedJob(more)));
  expect(then.demand['as built']).toBe(first.demand['as built']);
  expect(then.demand['as found']).not.toBe(first.demand['as found']);
  const [before, after] = [first, then].map(({ works: all }) =>
    all.find(({ picture }) => picture.member.id === 'cross-1'),
  );
  expect(after!.picture).toBe(before!.picture);
  const stricter = more.practice.loadFactors;
  const other = {
    ...more,
    practice: { ...more.practice, loadFactors: { ...stricter, bumpG: stricter.bumpG + 1 } },
  };
  expect(plain(judgedJob(other, known))).toEqual(plain(judgedJob(other)));
});

describe('a frame asked again and again keeps its cuts, and answers as if it had kept none', () => {
  const STATES = ['as built', 'as found', 'cut open', 'tacked', 'as repaired', 'least'] as const;
  const known = knownNothing();
  const cross = base.members.find(({ role }) => role === 'crossmember')!;
  const joint = hostsOf(base).find(
    ({ on, spans }) => on === 'joint' && spans.some(({ memberId }) => memberId === cross.id),
  )!;
  const letGo: Find = {
    kind: 'find',
    id: '00000000-0000-4000-8000-000000000001',
    by: 'RK',
    at: '2026-01-02T00:00:00Z',
    note: '',
    on: 'joint',
    hostId: joint.id,
    title: joint.name,
    part: 'weld',
    state: { is: 'broken' },
    memberIds: joint.spans.map(({ memberId }) => memberId),
  };
  const proposal = works.get('rail-right')!.repairs[0]!.repair;
  const drilled = {
    ...rusted.frame,
    members: rusted.frame.members.map((member) =>
      member.id === 'rail-right'
        ? {
            ...member,
            holes: [{ id: 'h', stationMm: 4200, face: 'web', heightMm: 60, diameterMm: 25 } as Hole],
          }
        : member,
    ),
  };
  const heavier = { ...rusted.frame, loads: { ...rusted.frame.loads!, items: typicalLoads(base, 7500) } };
  test.each<[string, JobRecords]>([
    ['as it is', rusted],
    ['half as much left', records(rusted.frame, 0.2)],
    ['a crossmember’s joint broken: it braces nothing', { ...rusted, evidence: [...rusted.evidence, letGo] }],
    [
      'thicker plates kept',
      {
        ...rusted,
        repairs: [
          {
            ...proposal,
            id: 'own',
            pieces: proposal.pieces.map((piece) => ({ ...piece, thicknessMm: 9.5 })),
          },
        ],
      },
    ],
    ['a hole drilled', { ...rusted, frame: drilled }],
    ['more on board', { ...rusted, frame: heavier }],
    ['as it was again', rusted],
  ])('%s', (_, now) => {
    expect(demandOf(now, STATES, known).demand).toEqual(jobDemand(now, worked(now), STATES));
  });
});

describe('a plate made in lengths', () => {
  const practice: Practice = {
    ...rusted.practice,
    ways: {
      ...rusted.practice.ways,
      everywhere: { ...rusted.practice.ways.everywhere, longestPlateMm: 900 },
    },
  };
  const of = { ...rusted, practice };
  const works = worked(of);
  const { repair } = works.get('rail-right')!.repairs[0]!;
  const joints = repair.pieces.flatMap((piece) => piece.joints ?? []);
  const demand = jobDemand(of, works);
  const ends = plateEndsOf(demand, 'rail-right', repair)!;
  test('cracks at its joints too: each is judged as an end is, a groove’s category, beside what the maker put there', () => {
    expect(joints.length).toBeGreaterThan(0);
    expect(ends.filter(({ isJoint }) => isJoint).map(({ stationMm }) => stationMm)).toEqual(
      expect.arrayContaining(joints),
    );
    expect(ends.filter(({ isJoint }) => !isJoint).length).toBeGreaterThan(0);
    const spots = demand['as repaired']!.members.find(({ memberId }) => memberId === 'rail-right')!.spots;
    for (const mm of joints)
      expect(spots.find(({ stationMm, atPlateEnd }) => atPlateEnd && stationMm === mm)).toMatchObject({
        category: 'D',
        what: expect.stringContaining('joint'),
      });
  });
  test.each([
    [1, true],
    [-1, true],
    [1.1, false],
    [-1.1, false],
  ])('ends %d mm off where they were judged are those ends: %s', (offMm, are) => {
    const pieces = repair.pieces.map(({ joints: _, ...piece }) => ({
      ...piece,
      startMm: piece.startMm + offMm,
      endMm: piece.endMm + offMm,
    }));
    expect(plateEndsOf(demand, 'rail-right', { pieces })!.length > 0).toBe(are);
  });
  test('without loads nothing is judged', () => {
    expect(plateEndsOf(undefined, 'rail-right', repair)).toBeUndefined();
    expect(plateEndsOf(demand, 'nobody', repair)).toBeUndefined();
  });
});

describe('a calmer place for a plate’s end', () => {
  const { picture } = works.get('rail-right')!;
  const { member } = picture;
  const free = { frame: { ...rusted.frame, members: [member] }, member };
  /** A rail on which the road asks so much at each station; nothing of the maker’s nearby. */
  const asking = (rangeAt: (mm: number) => number, frame = free) => {
    const along = Array.from({ length: Math.floor(member.lengthMm / 10) }, (_, k) => ({
      stationMm: 10 * k,
      rangeMpa: rangeAt(10 * k),
    }));
    const of = { memberId: member.id, along, spots: [] };
    const demand = {
      'as built': { members: [of] },
      'as repaired': { members: [of], isDriven: true },
    } as unknown as JobDemand;
    return (stationMm: number, pieces = [{ startMm: 1500, endMm: 2500 }]) =>
      calmerPlace(demand, frame, { pieces } as never, {
        says: 'worse than nearby',
        stationMm,
        isJoint: false,
        category: 'E',
      });
  };
  const threshold = fatigue('E').thresholdMpa;
  const fallsFrom = (mm: number) => (at: number) => (at >= mm ? threshold - 1 : threshold + 1);
  test('is the first one outward where the road stays under its threshold', () => {
    const to = asking(fallsFrom(2600))(2500)!;
    expect(to).toBeGreaterThanOrEqual(2595);
    expect(to).toBeLessThan(2625);
    const front = asking((mm) => (mm <= 1400 ? threshold - 1 : threshold + 1))(1500)!;
    expect(front).toBeLessThanOrEqual(1405);
    expect(front).toBeGreaterThan(1375);
  });
  test('no farther than three depths, nor off the member', () => {
    const { depthMm } = member.shape;
    expect(asking(fallsFrom(2500 + 3 * depthMm - 30))(2500)).toBeDefined();
    expect(asking(fallsFrom(2500 + 3 * depthMm + 30))(2500)).toBeUndefined();
    expect(asking(() => threshold + 1)(2500)).toBeUndefined();
    const near = [{ startMm: 1500, endMm: member.lengthMm - 100 }];
    expect(asking(fallsFrom(member.lengthMm))(near[0]!.endMm, near)).toBeUndefined();
  });
  test('clear of a crossmember’s weld', () => {
    const crossing = crossingsOn(rusted.frame, member).find(({ stationMm }) => stationMm > 1600)!.stationMm;
    const pieces = [{ startMm: 1000, endMm: crossing - 150 }];
    const whole = { frame: rusted.frame, member };
    const to = asking(fallsFrom(crossing - 20), whole)(pieces[0]!.endMm, pieces)!;
    expect(to - crossing).toBeGreaterThan(75);
    expect(asking(fallsFrom(crossing - 20))(pieces[0]!.endMm, pieces)! - crossing).toBeLessThan(20);
  });
  test('as near to a crossmember’s weld as two heats may lie, and a step for looking; no nearer', () => {
    const crossing = crossingsOn(rusted.frame, member).find(({ stationMm }) => stationMm > 1600)!.stationMm;
    const stepMm = inchesToMm(1);
    const first = (offMm: number) => {
      const endMm = crossing + BETWEEN_HEAT_ZONES_MM + offMm;
      const whole = { frame: rusted.frame, member };
      return asking(() => 0, whole)(endMm, [{ startMm: 1000, endMm }])! - endMm;
    };
    expect(first(0.01)).toBeCloseTo(stepMm, 6);
    expect(first(-0.01)).toBeCloseTo(2 * stepMm, 6);
  });
  test.each([
    [2501, true],
    [2501.1, false],
    [1499, true],
    [1498.9, false],
  ])('an end from 1500 to 2500 mm judged at %d mm is that end: %s', (mm, isIt) =>
    expect(asking(() => 0)(mm) !== undefined).toBe(isIt),
  );
  test('none of a station where no end lies, nor before the frame is worked out', () => {
    expect(asking(() => 0)(2000)).toBeUndefined();
    const end = { says: 'worse than nearby', stationMm: 2500, isJoint: false, category: 'E' } as const;
    expect(
      calmerPlace(undefined, free, { pieces: [{ startMm: 0, endMm: 2500 }] } as never, end),
    ).toBeUndefined();
  });
});
