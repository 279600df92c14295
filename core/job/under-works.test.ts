import { defaultFrame, facesOf, familyOf, hostsOf, typicalLoads, type Frame } from '../frame';
import type { Reading } from '../probe';
import { DEFAULT_PRACTICE, type StockTube } from '../reference';
import {
  pieceSchema,
  renewalTubes,
  startMeasures,
  workForm,
  workPlace,
  type Measures,
  type Renewal,
  type Repair,
  type Work,
  type WorkId,
} from '../shape';
import type { Crack } from '../trace';
import { orderScene } from './order/scene';
import { endsOn } from './renewals';
import {
  brokenIn,
  fourAnswers,
  foundUnder,
  inputsOf,
  plannedOn,
  sortedRecords,
  toBuy,
  toCut,
  underWorks,
  withMetal,
  workJob,
  workMember,
  worksOf,
  type Evidence,
  type JobRecords,
} from '.';

const made = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  ...{ family: 'open-channel ladder', steel: 'a36', datum: 'hole' },
});
const LADDER: Frame = { ...made, loads: { items: typicalLoads(made, 2500) } };
const rail = LADDER.members.find(({ id }) => id === 'rail-left')!;
const hanger = hostsOf(LADDER).find(({ kind, side }) => kind === 'spring hanger' && side === 'left')!;
const { fromMm: HANGS_FROM, toMm: HANGS_TO } = hanger.spans.find(({ memberId }) => memberId === rail.id)!;
const by = { by: 'RK', at: '2026-11-10T08:00:00Z', note: '' };
let count = 0;
const id = () => `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`;

/** The rail read all over every 50 mm: thin between two stations, else as made. */
const readThin = (fromMm: number, toMm: number, kept = 0.4): Reading[] =>
  Array.from({ length: 40 }, (_, k) => 50 * Math.round((fromMm - 1000) / 50) + 50 * k)
    .filter((mm) => mm > 0 && mm < rail.lengthMm)
    .flatMap((stationMm) =>
      facesOf(rail.shape).flatMap((face) =>
        [0.1, 0.5, 0.9].map((share): Reading => ({
          ...{ kind: 'reading', id: id(), memberId: rail.id, stationMm, face: face.id, method: 'ultrasonic' },
          heightMm: face.widthMm * share,
          thicknessMm: face.wallMm * (stationMm >= fromMm && stationMm <= toMm ? kept : 1),
          ...by,
        })),
      ),
    );
const crackAt = (stationMm: number): Crack => ({
  ...{ kind: 'crack', id: id(), memberId: rail.id, startFound: true, finishFound: true, seenBy: 'eye' },
  path: [20, 60].map((heightMm) => ({ stationMm, face: 'web' as const, heightMm })),
  ...by,
});
function planned(
  form: WorkId,
  on: { readonly hostId: string; readonly stationMm?: number },
  measures: Measures = {},
): Work {
  const at = { on: on.hostId === rail.id ? ('member' as const) : ('fitting' as const), ...on };
  const place = workPlace(LADDER, DEFAULT_PRACTICE, at)!;
  return {
    ...{ kind: 'work', id: id(), form, memberIds: [...place.memberIds], ...at, ...by },
    measures: { ...startMeasures(workForm(form), place), ...measures },
  };
}
const records = (evidence: readonly Evidence[], repairs: readonly Repair[] = []): JobRecords => ({
  ...{ frame: LADDER, practice: DEFAULT_PRACTICE, evidence, strikes: [], repairs: [...repairs] },
  grossMassKg: 2500,
});
const onRail = (of: JobRecords) => workMember(inputsOf(sortedRecords(of), rail));
const said = (of: JobRecords) =>
  onRail(of).underWorks.map(({ finding: { weight, code } }) => `${weight} ${code}`);

const BAD = ['broken bad metal under it'];
const CRACKED = ['broken cracked under it'];

describe('a bracket’s gusset, by the metal of the rail where the bracket hangs', () => {
  const gusset = planned('gusset', { hostId: hanger.id });
  test.each<[string, string[], Evidence[]]>([
    ['nothing read', [], []],
    ['read as made', [], readThin(HANGS_FROM, HANGS_TO, 1)],
    ['read at 78 %, the shop’s sound being 80', BAD, readThin(HANGS_FROM - 200, HANGS_TO + 200, 0.78)],
    ['read at 82 %', [], readThin(HANGS_FROM - 200, HANGS_TO + 200, 0.82)],
    ['thin a foot further on', [], readThin(HANGS_TO + 300, HANGS_TO + 600)],
    ['cracked there', CRACKED, [crackAt(HANGS_TO)]],
    ['cracked a foot further on', [], [crackAt(HANGS_TO + 300)]],
  ])('%s', (_, expected, found) => expect(said(records([gusset, ...found]))).toEqual(expected));

  const plate = (more: object): Repair =>
    ({
      ...{
        id: 'plate',
        memberId: rail.id,
        cutOut: false,
        plugs: true,
        weldStyle: 'continuous',
        onBench: false,
      },
      ...by,
      pieces: [
        pieceSchema.parse({
          ...{ id: 'p', kind: 'side plate', startMm: HANGS_FROM - 400, endMm: HANGS_TO + 400 },
          ...{ thicknessMm: 6.35, lowerEdgeMm: 25, upperEdgeMm: 180, taperMm: 100 },
          ...more,
        }),
      ],
    }) as Repair;
  const thin = readThin(HANGS_FROM - 25, HANGS_TO + 25);
  test('under a plate that breaks a rule or does not reach it, it is as bad as without', () => {
    expect(said(records([gusset, ...thin], [plate({})]))).toEqual(BAD);
    expect(said(records([gusset, ...thin], [plate({ startMm: HANGS_TO + 100 })]))).toEqual(BAD);
  });
  test('under a plate that breaks none, the plate goes on first', () => {
    const onWeb = thin.filter(({ face }) => face === 'web');
    const done = onRail(records([...onWeb, gusset], [plate({})]));
    const sound = { ...done.repairs[0]!, isProposal: false, findings: [], joinFindings: [] };
    const { under, footing } = {
      under: { picture: done.picture, repairs: [sound] },
      footing: { memberId: rail.id, fromMm: HANGS_FROM, toMm: HANGS_TO, overPlate: true },
    };
    const { startMm, endMm } = sound.repair.pieces[0]!;
    expect(startMm).toBeLessThan(HANGS_FROM);
    expect(endMm).toBeGreaterThan(HANGS_TO);
    const codes = (on: typeof footing, repairs = under.repairs) =>
      underWorks({ ...under, repairs }, [on]).map(({ finding }) => `${finding.weight} ${finding.code}`);
    expect(codes(footing)).toEqual(['note plated first']);
    expect(codes(footing, [{ ...sound, isProposal: true }])).toEqual(BAD);
    // A plate on the web mends no flange.
    const all = onRail(records([...thin, gusset], [plate({})])).picture;
    expect(
      underWorks({ picture: all, repairs: [sound] }, [footing]).map(({ finding: { code } }) => code),
    ).toEqual(['bad metal under it']);
    expect(codes({ ...footing, overPlate: false })).toEqual(BAD);
  });
});

describe('a length let in, by the metal that its joints and plates lie on', () => {
  const [FROM, TO] = [2000, 2800];
  const splice = planned('splice', { hostId: rail.id, stationMm: 2400 }, { fromMm: FROM, toMm: TO, cut: 0 });
  const past = splice.measures.pastMm!;
  test.each<[string, string[], Evidence[]]>([
    ['rot between the cuts', [], readThin(FROM + 100, TO - 100)],
    ['rot across a cut', BAD, readThin(FROM - 50, FROM + 300)],
    ['rot under a fish plate', BAD, readThin(TO + 100, TO + 200)],
    ['rot past the fish plate', [], readThin(TO + past + 100, TO + past + 400)],
    ['a crack at a cut', CRACKED, [crackAt(TO + 10)]],
    ['a crack between the cuts', [], [crackAt(TO - 10)]],
  ])('%s', (_, expected, found) => {
    const done = onRail(records([splice, ...found]));
    expect(done.underWorks.map(({ finding: { weight, code } }) => `${weight} ${code}`)).toEqual(expected);
    // The repaired frame counts on it only where its joints hold.
    expect(done.letIn).toHaveLength(expected.length === 0 ? 1 : 0);
  });
});

test.each<[string, string[], Work, Evidence[]]>([
  [
    'pressed back through thin metal',
    BAD,
    planned('straightening', { hostId: rail.id, stationMm: 2400 }),
    readThin(2700, 2800),
  ],
  [
    'pressed back through a crack',
    CRACKED,
    planned('straightening', { hostId: rail.id, stationMm: 2400 }),
    [crackAt(2100)],
  ],
  [
    'pressed back beside thin metal',
    [],
    planned('straightening', { hostId: rail.id, stationMm: 2400 }, { overMm: 400 }),
    readThin(2800, 2900),
  ],
  [
    'a doubler round a hole in thin metal',
    BAD,
    planned('hole doubler', { hostId: rail.id, stationMm: 2400 }, { acrossMm: 120 }),
    readThin(2350, 2450),
  ],
  [
    'a doubler beside thin metal',
    [],
    planned('hole doubler', { hostId: rail.id, stationMm: 2400 }, { acrossMm: 120 }),
    readThin(2500, 2600),
  ],
])('%s', (_, expected, work, found) => expect(said(records([work, ...found]))).toEqual(expected));

describe('a crossmember made anew, by the rail’s metal at its ends', () => {
  const cross = LADDER.members.find(({ role }) => role === 'crossmember')!;
  const [end] = endsOn(LADDER, { memberId: cross.id }).filter(({ memberId }) => memberId === rail.id);
  const good = renewalTubes(LADDER, cross).find(({ whyNot }) => whyNot.length === 0)!.tube;
  const weak = renewalTubes(LADDER, cross).find(({ whyNot }) => whyNot.length === 1)!.tube;
  const renewalOf = ({ depthMm, widthMm, nominalMm }: StockTube): Renewal => ({
    ...{ kind: 'renewal', id: id(), memberId: cross.id, ...by },
    tube: { depthMm, widthMm, nominalMm },
  });
  const renewal = renewalOf(good);
  const done: Evidence = {
    ...{ kind: 'sign', id: id(), memberId: cross.id, stationMm: 100, face: 'web', ...by },
    ...{ at: '2026-11-20T08:00:00Z', detail: { sign: 'put right', done: 'renewed' } },
  } as Evidence;
  const told = (found: readonly Evidence[], planned = renewal) => {
    const job = records([planned, ...found]);
    const works = workJob(job);
    const weighed = new Map(
      works.map((work) => [work.picture.member.id, { verdict: work.verdict, plan: plannedOn(work) }]),
    );
    const { reasons } = fourAnswers(job, { weighed, today: '2026-11-25' }).repair;
    const scene = orderScene(job, new Map(works.map((work) => [work.picture.member.id, work])));
    return [
      scene.renewals.map(({ brokenRules }) => brokenRules).join(),
      reasons.some(({ why }) => why === 'work breaks a rule') ? 'not so' : '',
      toBuy(job).length,
    ];
  };
  test.each<[string, unknown[], readonly Evidence[]]>([
    ['nothing read', ['0', '', 1], []],
    ['read as made', ['0', '', 1], readThin(end!.fromMm, end!.toMm, 1)],
    ['thin at its end', ['1', 'not so', 1], readThin(end!.fromMm, end!.toMm)],
    ['thin a foot further on', ['0', '', 1], readThin(end!.toMm + 300, end!.toMm + 500)],
    ['cracked at its end', ['1', 'not so', 1], [crackAt(end!.toMm)]],
    ['cracked just past it', ['0', '', 1], [crackAt(end!.toMm + 1)]],
    ['done since, over thin metal', ['', '', 0], [done, ...readThin(end!.fromMm, end!.toMm)]],
  ])('%s', (_, expected, found) => expect(told(found)).toEqual(expected));
  test('a tube that will not do is said to break a rule whatever the metal is', () =>
    expect(told([], renewalOf(weak))).toEqual(['1', 'not so', 1]));
});

test('who must hear of it does: the answers, the plan, what is cut, and what is said of the work itself', () => {
  const gusset = planned('gusset', { hostId: hanger.id });
  const told = (found: Evidence[]) => {
    const job = records([gusset, ...found]);
    const works = workJob(job);
    const byId = new Map(works.map((work) => [work.picture.member.id, work]));
    const weighed = new Map(
      works.map((work) => [work.picture.member.id, { verdict: work.verdict, plan: plannedOn(work) }]),
    );
    const [one] = worksOf(job);
    const underIt = foundUnder(works, gusset.id);
    const judged = withMetal(one!.judged, underIt);
    return {
      broken: brokenIn(one!, underIt).length,
      answered: fourAnswers(job, { weighed, today: '2026-11-25' }).repair.reasons.some(
        ({ why }) => why === 'work breaks a rule',
      ),
      gated: JSON.stringify(orderScene(job, byId).works.map(({ brokenRules }) => brokenRules)),
      cut: toCut([], job, works).map(({ broken }) => broken),
      isUnchecked: judged.unchecked.includes('metal under it'),
    };
  };
  expect(told([])).toEqual({ broken: 0, answered: false, gated: '[0]', cut: [0], isUnchecked: true });
  expect(told(readThin(HANGS_FROM, HANGS_TO))).toEqual({
    ...{ broken: 1, answered: true, gated: '[1]', cut: [1], isUnchecked: false },
  });
});
