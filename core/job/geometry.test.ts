import { defaultFrame, familyOf, type Frame } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import type { Geometry, GeometryMeasure, Stood } from '../weigh';
import type { Repair } from '../shape';
import {
  fourAnswers,
  inputsOf,
  jobGeometry,
  mayMove,
  plannedOn,
  quantitiesOf,
  sortedRecords,
  straightenedFirst,
  waysOut,
  workMember,
  type AnsweredMember,
  type Evidence,
  type JobRecords,
} from '.';

const frame: Frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'hot-rolled-50',
  datum: 'hole',
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;
const TODAY = '2026-11-27';
let made = 0;
const measured = (measure: GeometryMeasure, stood: Stood = 'on its wheels, empty', day = 20): Geometry => ({
  kind: 'geometry',
  id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  measure,
  instrument:
    measure.of === 'line' ? 'laser line' : measure.of === 'level across' ? 'angle finder' : 'trammel',
  stood,
  by: 'RK',
  at: `2026-11-${day}T08:00:00Z`,
  note: '',
});
const records = (...evidence: Evidence[]): JobRecords => ({
  frame,
  practice: DEFAULT_PRACTICE,
  evidence,
  strikes: [],
  repairs: [],
});
const limitMm = rail.lengthMm / 480;
/** The left rail bowed to a side by so many times its limit. */
const bowed = (times: number, day = 20) =>
  measured(
    {
      of: 'line',
      memberId: rail.id,
      direction: 'across',
      marks: [0, 0.5, 1].map((share) => ({
        stationMm: share * rail.lengthMm,
        offMm: 100 + (share === 0.5 ? times * limitMm : 0),
      })),
    },
    'on its wheels, empty',
    day,
  );
const work = (of: JobRecords, memberId = rail.id) =>
  workMember(
    inputsOf(
      sortedRecords(of),
      of.frame.members.find(({ id }) => id === memberId)!,
    ),
  );
const weighed = (of: JobRecords) =>
  new Map(
    of.frame.members.map((member): [string, AnsweredMember] => {
      const whole = work(of, member.id);
      return [member.id, { verdict: whole.verdict, plan: plannedOn(whole) }];
    }),
  );
const codes = (of: JobRecords, memberId?: string) =>
  work(of, memberId).verdict.findings.map(({ code }) => code);

describe('who hears that a rail is bowed', () => {
  test.each([
    [0.5, 'straight'],
    [1, 'straight-undecided'],
    [1.5, 'not-straight'],
  ])('%d of its limit: %s, and only on that rail', (times, code) => {
    expect(codes(records(bowed(times)))).toContain(code);
    expect(codes(records(bowed(times)), 'rail-right')).not.toContain(code);
  });
  test('out of straight it is to be mended, a crossmember renewed; straight adds nothing harsher; undecided is watched', () => {
    const asked = (times: number) =>
      work(records(bowed(times))).verdict.findings.find(({ code }) => code.includes('straight'))!.verdict;
    expect([0.5, 1, 1.5].map(asked)).toEqual(['Leave', 'Watch', 'Mend']);
    expect(work(records(bowed(1.5))).verdict.verdict).toBe('Mend');
  });
  test('measured again and straight, nothing is left of it', () => {
    const again = records(bowed(3, 20), bowed(0.2, 21));
    expect(codes(again)).toContain('straight');
    expect(codes(again)).not.toContain('not-straight');
    expect(straightenedFirst(again)).toEqual([]);
  });
  test('driving: slowly where it is out, to the shop only where something moved, no word where it is undecided', () => {
    const answer = (times: number) =>
      mayMove(records(bowed(times)), TODAY, { weighed: new Map() }).reasons.map((reason) => [
        reason.why,
        reason.answer,
      ]);
    expect(answer(1)).toEqual([]);
    expect(answer(2)).toEqual([['out of true', 'restricted']]);
    expect(answer(3.9)).toEqual([['out of true', 'restricted']]);
    expect(answer(4.2)).toEqual([['out of true', 'to the shop only']]);
  });
  test('repair: straightened first, by name', () => {
    const of = records(bowed(2));
    const { repair } = fourAnswers(of, { weighed: weighed(of), today: TODAY });
    expect(repair.reasons).toContainEqual({
      says: 'with limits',
      why: 'straightened first',
      names: [rail.name],
    });
  });
  test('money: hours to press it back, and no plates for a rail that is only bent', () => {
    const [straight, out] = [records(bowed(0.2)), records(bowed(2))];
    expect(quantitiesOf(out, weighed(out))).toMatchObject({ straighten: 1, stretches: 0 });
    expect(quantitiesOf(straight, weighed(straight))).toMatchObject({ straighten: 0 });
    const mend = waysOut(out, weighed(out)).find(({ way }) => way === 'mend')!;
    expect(mend.ok && mend.money.drivers.map(({ name }) => name)).toContain('straightening');
  });
  test.each([
    [1.5, 'deviation'],
    [1.9, 'deviation'],
    [2.1, 'broken'],
  ])('a plate over a rail bowed %d times its limit: %s; beside the bow nothing', (times, weight) => {
    const repair: Repair = {
      id: '00000000-0000-4000-8000-00000000aaaa',
      memberId: rail.id,
      version: 1,
      cutOut: false,
      pieces: [
        {
          id: 'a',
          kind: 'side plate',
          thicknessMm: rail.shape.thicknessMm,
          startMm: 1000,
          endMm: 1600,
          topEdgeMm: 40,
          bottomEdgeMm: 40,
          taperMm: 150,
        } as unknown as Repair['pieces'][number],
      ],
      by: 'RK',
      at: '2026-11-20T08:00:00Z',
      note: '',
    } as unknown as Repair;
    const found = work({ ...records(bowed(times)), repairs: [repair] }).repairs[0]!.findings;
    expect(found.filter(({ code }) => code === 'not-straight-beneath')).toMatchObject([{ weight }]);
    const straight = work({ ...records(bowed(0.5)), repairs: [repair] }).repairs[0]!.findings;
    expect(straight.map(({ code }) => code)).not.toContain('not-straight-beneath');
  });
});

describe('what is measured of the whole frame', () => {
  const diagonals = (differMm: number) =>
    measured({ of: 'diagonals', place: 'cab mounts', oneMm: 2000, otherMm: 2000 + differMm });
  test('a twist read on a lift says nothing against it; on its wheels it does', () => {
    const twisted = (stood: Stood) =>
      measured(
        {
          of: 'level across',
          stations: [
            { stationMm: 0, degrees: 0 },
            { stationMm: 3000, degrees: 2 },
          ],
        },
        stood,
      );
    const why = (stood: Stood) =>
      mayMove(records(twisted(stood)), TODAY, { weighed: new Map() }).reasons.length;
    expect(why('on a lift')).toBe(0);
    expect(why('on its wheels, empty')).toBe(1);
  });
  test('struck through it is gone; the shop’s own limit decides', () => {
    const record = diagonals(6);
    expect(straightenedFirst(records(record))).toEqual(['cab mounts']);
    const struck = {
      id: record.id.replace(/^0/, '1'),
      evidenceId: record.id,
      why: 'slip',
      by: 'RK',
      at: record.at,
    };
    expect(jobGeometry({ ...records(record), strikes: [struck] })).toEqual([]);
    const wide = {
      ...DEFAULT_PRACTICE,
      geometry: { ...DEFAULT_PRACTICE.geometry, diagonalsMm: 8 },
    };
    expect(jobGeometry({ ...records(record), practice: wide })[0]!.is).toBe('straight');
  });
  test('a bracket off its twin is put right first, and keeps nobody from driving', () => {
    const twins = measured({
      of: 'twins',
      place: 'step',
      left: { alongMm: 900, upMm: 0 },
      right: { alongMm: 912, upMm: 0 },
    });
    expect(straightenedFirst(records(twins))).toEqual(['step']);
    expect(mayMove(records(twins), TODAY, { weighed: new Map() }).reasons).toEqual([]);
  });
  test('what another job of the unit measured out is out here, until it is measured again', () => {
    const elsewhere = { geometry: [bowed(2, 10)], figures: [] };
    const here = { ...records(), measuredElsewhere: elsewhere };
    expect(codes(here)).toContain('not-straight');
    expect(codes(here, 'rail-right')).not.toContain('not-straight');
    expect(straightenedFirst(here)).toEqual([rail.name]);
    const again = { ...records(bowed(0.2, 21)), measuredElsewhere: elsewhere };
    expect(codes(again)).toContain('straight');
    expect(straightenedFirst(again)).toEqual([]);
    const marks = [records(), here].map((of) => inputsOf(sortedRecords(of), rail).metalMark);
    expect(marks[0]).not.toBe(marks[1]);
  });
  test('what has no place on this frame is another frame’s', () => {
    const stray = bowed(2);
    const measure = { ...stray.measure, memberId: 'rail-nowhere' } as GeometryMeasure;
    const here = { ...records(), measuredElsewhere: { geometry: [{ ...stray, measure }], figures: [] } };
    expect(jobGeometry(here)).toEqual([]);
  });
  test('an unmeasured frame says nothing', () => expect(jobGeometry(records())).toEqual([]));
});
