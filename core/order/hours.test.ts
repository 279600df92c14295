import { DEFAULT_NORMS, type Norms } from '../reference';
import { WORK_IDS } from '../shape';
import { draftOf, plateHours, TASK_PHASES, workHours, type Task } from '.';
import { aRepair, aWork, emptyScene } from './scene-for-tests';

/** Hours that forms are told apart by are those their plan then counts. */
const hoursIn = (tasks: readonly Task[], ofId: string): [number, number] =>
  [0, 1].map((k) =>
    tasks.filter(({ of }) => of.id === ofId).reduce((sum, { hours }) => sum + hours[k]!, 0),
  ) as [number, number];
const twice = (
  norms: Norms,
  key: 'plate' | 'weldPerMetre' | 'boltedPlate' | 'makeReady' | 'fitting',
): Norms => ({
  ...norms,
  [key]: norms[key].map((hours) => 2 * hours),
});

describe('a repair', () => {
  test.each([
    ['cut out and welded', {}],
    ['laid over', { isCutOut: false }],
    ['bolted', { isBolted: true, isCutOut: false, weldM: 0 }],
    ['bought', { isBought: true }],
  ])('%s: the sum of its own tasks', (_, more) => {
    const repair = aRepair(more);
    const { tasks } = draftOf({ ...emptyScene(), repairs: [repair] });
    const [least, most] = hoursIn(tasks, repair.id);
    const told = plateHours(emptyScene().norms, { ...repair, offAndBack: 0 });
    expect(told[0]).toBeCloseTo(least, 9);
    expect(told[1]).toBeCloseTo(most, 9);
    expect(least).toBeGreaterThan(0);
  });
  test('what comes off its way and goes back is one strip-down each', () => {
    const of = (offAndBack: number) => plateHours(DEFAULT_NORMS, { ...aRepair(), offAndBack });
    expect(of(2)[0] - of(0)[0]).toBeCloseTo(2 * DEFAULT_NORMS.stripDown[0], 9);
    expect(of(2)[1] - of(0)[1]).toBeCloseTo(2 * DEFAULT_NORMS.stripDown[1], 9);
  });
  test('a bought cap is not made, only fitted; it is waited for where it is fitted', () => {
    const tasksOf = (isBought: boolean) =>
      draftOf({ ...emptyScene(), repairs: [aRepair({ isBought })] }).tasks.filter(({ of }) => of.id === 'r1');
    expect(tasksOf(true).map(({ what }) => what)).not.toContain('make plate');
    expect(tasksOf(true).find(({ what }) => what === 'fit')!.partKey).toBe('kit r1');
    expect(tasksOf(false).find(({ what }) => what === 'make plate')!.partKey).toBe(aRepair().steelKey);
    expect(tasksOf(false).find(({ what }) => what === 'fit')!.partKey).toBeUndefined();
  });
});

describe('a work', () => {
  test.each(WORK_IDS.flatMap((form) => [0, 0.8].map((weldM) => [form, weldM] as const)))(
    '%s with %d m of weld: the sum of its own tasks',
    (form, weldM) => {
      const work = aWork({ form, weldM });
      // What is measured before it is cut is no step of the work's own.
      const tasks = draftOf({ ...emptyScene(), works: [work] }).tasks.filter(
        ({ what }) => TASK_PHASES[what] !== 'measure',
      );
      const [least, most] = hoursIn(tasks, work.id);
      const told = workHours(emptyScene().norms, work);
      expect(told[0]).toBeCloseTo(least, 9);
      expect(told[1]).toBeCloseTo(most, 9);
    },
  );
  const of = (more: Parameters<typeof aWork>[0], norms = DEFAULT_NORMS) => workHours(norms, aWork(more));
  test('more parts and more weld take more; a bigger gusset is no bracket renewed', () => {
    expect(of({ parts: 4 })[0]).toBeGreaterThan(of({ parts: 2 })[0]);
    expect(of({ weldM: 2 })[1]).toBeGreaterThan(of({ weldM: 1 })[1]);
    expect(of({ parts: 3 })[0] - of({ parts: 2 })[0]).toBeCloseTo(DEFAULT_NORMS.plate[0], 9);
    expect(of({ weldM: 2 })[1] - of({ weldM: 1 })[1]).toBeCloseTo(DEFAULT_NORMS.weldPerMetre[1], 9);
    expect(of({ form: 'bracket renewed' })[1]).toBeGreaterThan(of({ form: 'gusset' })[1]);
  });
  test('what is bought, with no part to make, is fitted like one plate and bolted up like one', () => {
    const none = of({ form: 'through plates', parts: 0, weldM: 0 });
    const one = of({ form: 'through plates', parts: 1, weldM: 0 });
    const two = of({ form: 'through plates', parts: 2, weldM: 0 });
    // Only the making differs between none and one: 0.4 of a plate; between one and two all three do.
    expect(one[0] - none[0]).toBeLessThan(two[0] - one[0]);
    expect(none[0]).toBeGreaterThan(0);
  });
  test('each by the norms it is made of, and by no other', () => {
    const differs = (
      form: 'gusset' | 'splice' | 'through plates',
      key: Parameters<typeof twice>[1],
      weldM = 0.5,
    ) => of({ form, weldM }, twice(DEFAULT_NORMS, key))[0] > of({ form, weldM })[0];
    expect(differs('gusset', 'plate')).toBe(true);
    expect(differs('gusset', 'weldPerMetre')).toBe(true);
    expect(differs('gusset', 'makeReady')).toBe(true);
    expect(differs('gusset', 'fitting')).toBe(false);
    expect(differs('through plates', 'boltedPlate', 0)).toBe(true);
    expect(differs('splice', 'plate')).toBe(false);
    expect(of({ form: 'splice', weldM: 3 })).toEqual(of({ form: 'splice', weldM: 1 }));
  });
  const stepsOf = (more: Parameters<typeof aWork>[0]) =>
    draftOf({ ...emptyScene(), works: [aWork(more)] }).tasks.filter(({ of }) => of.id === 'w1');
  test('an axle is out from when its place comes off; what carries none leaves it', () => {
    const out = (carries: readonly string[]) =>
      stepsOf({ carries: carries as never }).find(({ what }) => what === 'old out')!.axleOut;
    expect(out(['axle location'])).toBe(true);
    expect(out(['body'])).toBeUndefined();
  });
  test('half the fitting of a captive mount is tried dry, before it is fitted', () => {
    const steps = stepsOf({ form: 'captive mount' });
    const hours = (what: string) => steps.find((each) => each.what === what)!.hours;
    expect(hours('dry fit')[0]).toBeCloseTo(hours('fit')[0] / 2, 9);
    expect(hours('dry fit')[1]).toBeCloseTo(hours('fit')[1] / 2, 9);
  });
  test('bonded takes what tacking and welding a bracket would; bolted by the norm for bolting', () => {
    const joining = (isBonded: boolean, norms: Norms) => {
      const work = aWork({ form: 'sheet patch', weldM: 0, isBonded });
      const { tasks } = draftOf({ ...emptyScene(), norms, works: [work] });
      return tasks.find(({ what }) => what === (isBonded ? 'bond' : 'bolt up'))!.hours[0];
    };
    const { fitting, boltedPlate } = DEFAULT_NORMS;
    expect(joining(true, { ...DEFAULT_NORMS, fitting: [2 * fitting[0], fitting[1]] })).toBeCloseTo(
      2 * joining(true, DEFAULT_NORMS),
      9,
    );
    expect(joining(false, { ...DEFAULT_NORMS, fitting: [2 * fitting[0], fitting[1]] })).toBeCloseTo(
      joining(false, DEFAULT_NORMS),
      9,
    );
    const twiceBolted = { ...DEFAULT_NORMS, boltedPlate: [2 * boltedPlate[0], boltedPlate[1]] } as Norms;
    expect(joining(false, twiceBolted)).toBeCloseTo(2 * joining(false, DEFAULT_NORMS), 9);
    expect(joining(true, twiceBolted)).toBeCloseTo(joining(true, DEFAULT_NORMS), 9);
  });
  test('what is bought whole is fitted all the same', () =>
    expect(of({ parts: 0 })[0]).toBeGreaterThan(of({ parts: 0 }, { ...DEFAULT_NORMS, plate: [0, 0] })[0]));
});
