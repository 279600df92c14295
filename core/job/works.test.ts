import { defaultFrame, facesOf, familyOf, hostsOf, typicalLoads, type Frame } from '../frame';
import { DEFAULT_PRACTICE, STEEL_DENSITY_KG_PER_MM3 } from '../reference';
import { sectionProperties } from '../mechanics';
import type { Reading } from '../probe';
import {
  repairSchema,
  startMeasures,
  stateSection,
  workForm,
  weldOf,
  workPlace,
  worksAt,
  type Measures,
  type Work,
  type WorkId,
} from '../shape';
import type { Find } from '../walk';
import { workHours } from '../order';
import { orderScene } from './order/scene';
import { steelOfWorksKg, stepsOfWork } from './works';
import {
  besideRepairs,
  brokenIn,
  fourAnswers,
  inputsOf,
  letInOn,
  quantitiesOf,
  sortedRecords,
  toBuy,
  toCut,
  workCandidates,
  workMember,
  workPhotos,
  workSpot,
  worksOf,
  worksOn,
  type Evidence,
  type JobRecords,
} from '.';

const made = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const LADDER: Frame = { ...made, loads: { items: typicalLoads(made, 2500) } };
let count = 0;
const id = () => `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`;
const at = (minute: number) => `2026-11-10T08:${String(minute).padStart(2, '0')}:00Z`;

function work(
  form: WorkId,
  on: Work['on'],
  hostId: string,
  more: { readonly measures?: Measures; readonly minute?: number; readonly stationMm?: number } = {},
): Work {
  const place = workPlace(LADDER, DEFAULT_PRACTICE, { on, hostId, stationMm: more.stationMm })!;
  return {
    kind: 'work',
    id: id(),
    form,
    on,
    hostId,
    measures: { ...startMeasures(workForm(form), place), ...more.measures },
    memberIds: [place.member.id],
    ...(more.stationMm !== undefined && { stationMm: more.stationMm }),
    by: 'MR',
    at: at(more.minute ?? 0),
    note: '',
  };
}
const records = (evidence: readonly Evidence[], frame = LADDER): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: [],
  repairs: [],
  grossMassKg: 2500,
});
const hanger = hostsOf(LADDER).find(({ kind, side }) => kind === 'spring hanger' && side === 'left')!;

describe('works that somebody specified', () => {
  test('the last of a form at a host counts; another form beside it does too; struck, the one before stands again', () => {
    const [first, second] = [
      work('gusset', 'fitting', hanger.id, { measures: { alongMm: 80 } }),
      work('gusset', 'fitting', hanger.id, { measures: { alongMm: 120 }, minute: 1 }),
    ];
    const doubler = work('hole doubler', 'fitting', hanger.id);
    const all = worksOf(records([first, second, doubler]));
    expect(all.map(({ work: { id: each } }) => each)).toEqual([second.id, doubler.id]);
    const struck = worksOf({
      ...records([first, second]),
      strikes: [{ id: id(), evidenceId: second.id, by: 'MR', at: at(2), why: 'slip' }] as never,
    });
    expect(struck.map(({ work: { id: each } }) => each)).toEqual([first.id]);
  });
  test('put right since, it is done, and its steel is bought no more', () => {
    const planned = work('gusset', 'fitting', hanger.id, { minute: 5 });
    const find = (minute: number): Find => ({
      kind: 'find',
      id: id(),
      on: 'fitting',
      hostId: hanger.id,
      title: 'Hanger',
      part: 'plate',
      state: { is: 'put right', done: 'renewed whole' },
      memberIds: ['rail-left'],
      by: 'MR',
      at: at(minute),
      note: '',
    });
    const steel = (of: JobRecords) => quantitiesOf(of, new Map()).steelKg;
    expect(worksOf(records([planned, find(4)]))[0]!.isDone).toBe(false);
    expect(steel(records([planned, find(4)]))).toBeGreaterThan(0);
    expect(worksOf(records([planned, find(6)]))[0]!.isDone).toBe(true);
    expect(steel(records([planned, find(6)]))).toBe(0);
  });
  test('a frame that lost the host loses the work, not the job; steel that is no longer welded breaks it', () => {
    const planned = work('gusset', 'fitting', hanger.id);
    expect(worksOf(records([planned], { ...LADDER, fittings: [] }))).toEqual([]);
    const hard: Frame = {
      ...LADDER,
      members: LADDER.members.map((member) => ({ ...member, steel: 'heat-treated-110' as const })),
    };
    const [now] = worksOf(records([planned], hard));
    expect(now!.whyNot).toBe('the steel is not welded');
    expect(brokenIn(now!).map(({ code }) => code)).toEqual(['the steel is not welded']);
  });
  test('whoever asks whether it can be repaired hears of a work that breaks a rule, until it is changed or done', () => {
    const said = (evidence: readonly Evidence[]) =>
      fourAnswers(records(evidence), { weighed: new Map(), today: '2026-11-11' }).repair.reasons.flatMap(
        (each) => (each.why === 'work breaks a rule' ? each.names : []),
      );
    const bad = work('gusset', 'fitting', hanger.id, { measures: { fromEdgeMm: 0 } });
    expect(said([bad])).toEqual([`gusset, ${hanger.name.toLowerCase()}`]);
    expect(said([bad, work('gusset', 'fitting', hanger.id, { minute: 1 })])).toEqual([]);
  });
  test('a member hears of its own works only', () => {
    const works = worksOf(records([work('gusset', 'fitting', hanger.id)]));
    expect(worksOn(works, 'rail-left')).toHaveLength(1);
    expect(worksOn(works, 'rail-right')).toEqual([]);
  });
});

/** The left rail read all over, half of its wall gone between two stations. */
const readings = (): Reading[] => {
  const rail = LADDER.members.find(({ id: own }) => own === 'rail-left')!;
  return Array.from({ length: 30 }, (_, k) => 150 * k).flatMap((stationMm) =>
    facesOf(rail.shape).flatMap((face) =>
      [0.1, 0.5, 0.9].map((share): Reading => ({
        kind: 'reading',
        id: id(),
        memberId: 'rail-left',
        stationMm,
        face: face.id,
        heightMm: face.widthMm * share,
        thicknessMm: face.wallMm * (stationMm >= 2250 && stationMm <= 2550 ? 0.4 : 1),
        method: 'ultrasonic',
        by: 'RK',
        at: at(0),
        note: '',
      })),
    ),
  );
};
const onRail = (of: JobRecords) => {
  const sorted = sortedRecords(of);
  return {
    inputs: inputsOf(
      sorted,
      LADDER.members.find(({ id: own }) => own === 'rail-left')!,
    ),
  };
};

describe('works side by side at a place', () => {
  const place = workPlace(LADDER, DEFAULT_PRACTICE, { on: 'fitting', hostId: hanger.id })!;
  const { norms } = DEFAULT_PRACTICE.money;
  const all = workCandidates(place, norms, ['hole doubler']);
  test('each that goes there once, none that does not', () => {
    const goes = worksAt(place).flatMap(({ id: each, whyNot }) => (whyNot ? [] : [each]));
    expect(all.map(({ id: each }) => each).sort()).toEqual([...goes].sort());
    expect(all.length).toBeGreaterThan(3);
  });
  test('what mends what was found first, then what breaks less, then what takes fewer hours', () => {
    expect(all[0]).toMatchObject({ id: 'hole doubler', isSuited: true });
    const broken = all.map(
      ({ judged }) => judged.findings.filter(({ weight }) => weight === 'broken').length,
    );
    const rest = all.slice(1).map(({ hours }, k) => [broken[k + 1]!, hours[0] + hours[1]] as const);
    expect(rest).toEqual([...rest].sort((a, b) => a[0] - b[0] || a[1] - b[1]));
    expect(workCandidates(place, norms)[0]!.isSuited).toBe(false);
  });
  test('each with the weld, steel and hours of its own parts', () => {
    for (const { id: each, judged, weldMm, massKg, hours } of all) {
      expect(weldMm).toBeCloseTo(weldOf(judged.seams), 9);
      expect(massKg > 0).toBe(judged.parts.length > 0);
      expect(hours[1]).toBeGreaterThan(hours[0]);
      expect(hours).toEqual(workHours(norms, { form: each, carries: [], ...stepsOfWork(judged) }));
    }
  });
  test('bonding takes its own time where something is bonded, or screwed on, and nowhere else', () => {
    const { judged } = all[0]!;
    const [seam] = judged.seams;
    const bonded = (...types: NonNullable<typeof seam>['type'][]) =>
      stepsOfWork({ parts: [], seams: types.map((type) => ({ ...seam!, type })) }).isBonded;
    expect([bonded('bond'), bonded('screws'), bonded('fillet', 'bond')]).toEqual([true, true, true]);
    expect([bonded('fillet'), bonded()]).toEqual([false, false]);
  });
  test('photos of a work stay with it when its measures are changed; another form’s are its own', () => {
    const [first, second] = [
      work('gusset', 'fitting', hanger.id),
      work('gusset', 'fitting', hanger.id, { measures: { alongMm: 120 }, minute: 1 }),
    ];
    const photo = (of: Work, k: number) =>
      ({
        kind: 'photo',
        id: id(),
        caption: `p${k}`,
        moment: 'before',
        spotId: workSpot(of),
        by: 'MR',
        at: at(k),
        note: '',
      }) as const;
    const [own, other] = [photo(first, 1), photo(work('hole doubler', 'fitting', hanger.id), 2)];
    const kept = records([own, other] as never);
    expect(workPhotos(kept, second).map(({ caption }) => caption)).toEqual(['p1']);
    const strike = { id: id(), evidenceId: own.id, by: 'MR', at: at(3), why: 'slip' };
    expect(workPhotos({ ...kept, strikes: [strike] as never }, second)).toEqual([]);
  });
});

describe('an opening planned into a closed rail', () => {
  const BOXED = defaultFrame({
    ...familyOf('boxed ladder').typical,
    family: 'boxed ladder',
    steel: 'a36',
    datum: 'hole',
  });
  const place = workPlace(BOXED, DEFAULT_PRACTICE, { on: 'member', hostId: 'rail-left', stationMm: 2000 })!;
  const opening = (measures: Measures = {}): Work => ({
    ...work('access opening', 'member', 'rail-left', { stationMm: 2000 }),
    measures: { ...startMeasures(workForm('access opening'), place), atMm: 2000, longMm: 150, ...measures },
  });
  const rail = BOXED.members.find(({ id: each }) => each === 'rail-left')!;
  const of = (evidence: readonly Evidence[]) => besideRepairs(records(evidence, BOXED), rail).accesses;
  test('lets hand and torch into it there; one that breaks a rule, or was struck, does not', () => {
    const planned = opening();
    expect(of([planned])).toEqual([{ fromMm: 1925, toMm: 2075 }]);
    expect(of([opening({ highMm: rail.shape.depthMm })])).toEqual([]);
    const strike = { id: id(), evidenceId: planned.id, by: 'MR', at: at(9), why: 'slip' };
    const struck = { ...records([planned], BOXED), strikes: [strike] as never };
    expect(besideRepairs(struck, rail).accesses).toEqual([]);
  });
  test('a plate inside the rail hears of it: broken without, told to be welded first with it', () => {
    const repair = repairSchema.parse({
      id: 'mine',
      memberId: 'rail-left',
      cutOut: false,
      plugs: false,
      weldStyle: 'continuous',
      onBench: false,
      by: 'RK',
      at: at(1),
      pieces: [
        {
          id: 'p',
          kind: 'side plate',
          inside: true,
          startMm: 1850,
          endMm: 2150,
          thicknessMm: 4.7625,
          lowerEdgeMm: 30,
          upperEdgeMm: 90,
          taperMm: 60,
        },
      ],
    });
    const codes = (evidence: readonly Evidence[]) => {
      const sorted = sortedRecords({ ...records(evidence, BOXED), repairs: [repair] });
      const { repairs } = workMember(inputsOf(sorted, rail));
      return repairs.find(({ isProposal }) => !isProposal)!.findings.map(({ code }) => code);
    };
    expect(codes([])).toContain('inside-not-reached');
    expect(codes([opening()])).toContain('inside-first');
    expect(codes([opening()])).not.toContain('inside-not-reached');
  });
});

describe('a length let in', () => {
  const good = { fromMm: 1980, toMm: 2820, cut: 0, twinApartMm: 200 };
  const planned = (measures: Measures) =>
    work('splice', 'member', 'rail-left', { stationMm: 2400, measures });
  const area = (done: ReturnType<typeof workMember>, state: string, mm: number) => {
    const found = done.states.find(({ id: own }) => own === state);
    return found ? (sectionProperties(stateSection(done.picture, found, mm))?.areaMm2 ?? 0) : undefined;
  };
  const found = readings();

  test('as repaired its metal is new, cut open there is none, and no plate is proposed over what goes with it', () => {
    const splice = planned(good);
    expect(brokenIn(worksOf(records([splice]))[0]!)).toEqual([]);
    const before = workMember(onRail(records(found)).inputs);
    const done = workMember(onRail(records([...found, splice])).inputs);
    expect(before.repairs.length + before.notOffered.length).toBeGreaterThan(0);
    expect([...done.repairs, ...done.notOffered]).toEqual([]);
    expect(area(done, 'as repaired', 2400)!).toBeCloseTo(area(done, 'as built', 2400)!, 6);
    expect(area(done, 'as found', 2400)!).toBeLessThan(0.6 * area(done, 'as built', 2400)!);
    expect(area(done, 'cut open', 2400)).toBe(0);
    expect(area(done, 'cut open', 1000)!).toBeGreaterThan(0);
    expect(area(done, 'as repaired', 1000)!).toBeCloseTo(area(done, 'as found', 1000)!, 6);
  });
  test('square across it breaks a rule, and nothing counts on it', () => {
    const splice = planned({ ...good, cut: 2 });
    expect(letInOn(worksOf(records([splice])), 'rail-left')).toEqual([]);
    const done = workMember(onRail(records([...found, splice])).inputs);
    expect(done.repairs.length + done.notOffered.length).toBeGreaterThan(0);
  });
  test('that covers half of the damage leaves the rest to be plated', () => {
    const done = workMember(onRail(records([...found, planned({ ...good, toMm: 2380 })])).inputs);
    expect(done.repairs.length + done.notOffered.length).toBeGreaterThan(0);
  });
  test('in the plan it lies from joint to joint; what has no ends of its own, six inches either way', () => {
    const inPlan = (evidence: readonly Evidence[]) =>
      orderScene(records(evidence), new Map()).works.map(({ fromMm, toMm }) => [fromMm, toMm]);
    expect(inPlan([planned(good)])).toEqual([[1980, 2820]]);
    const straightened = work('straightening', 'member', 'rail-left', { stationMm: 2400 });
    expect(inPlan([straightened])).toEqual([[2250, 2550]]);
    // Near the member’s end it begins there.
    expect(inPlan([work('access opening', 'member', 'rail-left', { stationMm: 100 })])).toEqual([[0, 250]]);
  });
  test('the member’s work is done anew when it comes, and when it goes', () => {
    const marks = [[], [planned(good)]].map((more) => onRail(records([...found, ...more])).inputs.mark);
    expect(marks[0]).not.toBe(marks[1]);
  });
});

describe('an outline taken from an opening', () => {
  const outline = {
    kind: 'outline' as const,
    id: id(),
    name: 'floor patch',
    memberId: LADDER.members[0]!.id,
    thicknessMm: 2,
    points: [
      { xMm: 0, yMm: 0 },
      { xMm: 300, yMm: 0 },
      { xMm: 300, yMm: 200 },
      { xMm: 0, yMm: 200 },
    ],
    from: 'measured' as const,
    by: 'RK',
    at: at(1),
    note: '',
  };
  test('is cut with the rest, and its steel is priced with the rest; struck it is neither', () => {
    const bare = records([]);
    const kept = records([outline]);
    const massKg = 300 * 200 * 2 * STEEL_DENSITY_KG_PER_MM3;
    expect(toCut([], kept).map(({ blank }) => blank.name)).toEqual(['floor patch']);
    expect(steelOfWorksKg(kept) - steelOfWorksKg(bare)).toBeCloseTo(massKg, 9);
    const strike = { id: id(), evidenceId: outline.id, why: 'measured anew', by: 'RK', at: at(2) };
    const struck = { ...kept, strikes: [strike] };
    expect(toCut([], struck)).toEqual([]);
    expect(steelOfWorksKg(struck)).toBeCloseTo(steelOfWorksKg(bare), 9);
  });
  test('works’ parts are cut too, and what is bought to length is listed apart', () => {
    const hanger = hostsOf(LADDER).find(({ kind }) => kind === 'spring hanger')!;
    const gusset = work('gusset', 'fitting', hanger.id);
    const brace = work('cross-brace', 'fitting', hanger.id);
    const planned = records([gusset, brace]);
    expect(toCut([], planned).map(({ blank }) => blank.name)).toEqual(['gusset']);
    expect(toBuy(planned).map(({ name }) => name)).toEqual(['tube']);
  });
});
