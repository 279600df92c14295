import { DEFAULT_PRACTICE, NO_LISTS, type Practice } from '@/core/reference';
import {
  addUnit,
  bundleOf,
  changePractice,
  changeShopLists,
  changeShopPractice,
  closeJob,
  correctUnit,
  currentPractice,
  evidenceMark,
  importBundle,
  jobFile,
  keepEvidence,
  keepStrike,
  newestPractice,
  openDatabase,
  openJob,
  shopHistory,
  shopLists,
  shopPractice,
  type Db,
} from '@/data';
import { demoBundle } from '.';

const stamp = { by: 'RK', at: '2026-11-20T08:00:00Z' };
const section: Practice = {
  ...DEFAULT_PRACTICE,
  ways: {
    ...DEFAULT_PRACTICE.ways,
    everywhere: { ...DEFAULT_PRACTICE.ways.everywhere, approach: 'section' },
  },
};
const gritter = demoBundle('GR-7');
let db: Db;
beforeEach(() => {
  db = openDatabase(':memory:');
  importBundle(db, gritter!);
});
afterEach(() => db.close());
const jobId = gritter!.job.id;
const problem = (outcome: { ok: boolean; problem?: { code: string } }) => outcome.problem?.code;
const another = () => {
  const id = crypto.randomUUID();
  const job = { ...gritter!.job, id, title: 'another one' };
  expect(openJob(db, job, { frame: gritter!.frame }).ok).toBe(true);
  return id;
};

describe('the shop’s practice, revision by revision', () => {
  test('it starts as the product does, and is changed once for the same change', () => {
    expect(shopPractice(db)).toEqual({ revision: 0, part: DEFAULT_PRACTICE });
    expect(changeShopPractice(db, { basedOn: 0, to: section, ...stamp }).ok).toBe(true);
    expect(changeShopPractice(db, { basedOn: 0, to: section, ...stamp }).ok).toBe(true);
    expect(shopPractice(db)).toEqual({ revision: 1, part: section, ...stamp });
    expect(shopHistory(db)).toEqual([{ revision: 1, ...stamp }]);
  });
  test('an older page overwrites nothing', () => {
    changeShopPractice(db, { basedOn: 0, to: section, ...stamp });
    expect(problem(changeShopPractice(db, { basedOn: 0, to: { ...section, bendK: 0.5 }, ...stamp }))).toBe(
      'stale',
    );
    expect(shopPractice(db).part).toEqual(section);
  });
  test('a job that is there keeps to the revision it had; one opened after it has the new one, by its unit', () => {
    const before = jobFile(db, jobId)!;
    changeShopPractice(db, { basedOn: 0, to: section, ...stamp });
    const after = jobFile(db, jobId)!;
    expect(after.practice).toEqual(before.practice);
    expect(after.evidence).toEqual(before.evidence);
    expect(after.shop).toMatchObject({ revision: 0, newest: 1 });
    const opened = jobFile(db, another())!;
    expect(opened.shop).toMatchObject({ revision: 1, newest: 1 });
    expect(opened.practice.ways.everywhere.approach).toBe('section');
    expect(opened.practice.legal.chosen).toBe('us-commercial');
  });
  test('taking it up: what the job says otherwise stays, with its reason; a revision that is none is refused', () => {
    const own = { ...DEFAULT_PRACTICE, leaveFraction: 0.95 };
    changePractice(db, jobId, { basedOn: 1, to: own, why: 'hauls people', ...stamp });
    expect(jobFile(db, jobId)!.shop!.why).toBe('hauls people');
    // A change made elsewhere, without a word, does not take the reason away.
    changePractice(db, jobId, { basedOn: 2, to: { ...own, bendK: 0.44 }, ...stamp });
    changePractice(db, jobId, { basedOn: 3, to: own, ...stamp });
    expect(jobFile(db, jobId)!.shop!.why).toBe('hauls people');
    changeShopPractice(db, { basedOn: 0, to: section, ...stamp });
    const to = { ...section, leaveFraction: 0.95 };
    expect(problem(changePractice(db, jobId, { basedOn: 4, to, shopRevision: 7, ...stamp }))).toBe('invalid');
    expect(
      changePractice(db, jobId, { basedOn: 4, to, shopRevision: 1, why: 'hauls people', ...stamp }).ok,
    ).toBe(true);
    const { practice, shopRevision, shop, why } = currentPractice(db, jobId)!;
    expect({ practice, shopRevision, shop, why }).toEqual({
      practice: to,
      shopRevision: 1,
      shop: section,
      why: 'hauls people',
    });
    const row = db
      .prepare('SELECT overrides FROM job_practice WHERE revision = 5 AND job_id = ?')
      .get(jobId) as {
      overrides: string;
    };
    expect(JSON.parse(row.overrides)).toEqual({ leaveFraction: 0.95 });
  });
  describe('read for the kind and use of a unit', () => {
    const pickup = {
      ...gritter!.unit,
      id: crypto.randomUUID(),
      tag: 'PK-1',
      kind: 'pickup',
      duty: 'competition',
    } as const;
    const open = () => {
      addUnit(db, pickup);
      const id = crypto.randomUUID();
      openJob(db, { ...gritter!.job, id, unitId: pickup.id }, { frame: gritter!.frame });
      return id;
    };
    const overridesIn = (id: string) =>
      JSON.parse(
        (
          db
            .prepare('SELECT overrides FROM job_practice WHERE job_id = ? ORDER BY revision DESC')
            .get(id) as { overrides: string }
        ).overrides,
      ) as object;
    test('its profile and load factors are the shop’s for it, and nothing of them is the job’s own', () => {
      const { practice, shop } = jobFile(db, open())!;
      expect(practice.legal.chosen).toBe('none');
      expect(practice.loadFactors.bumpG).toBe(4);
      expect(shop!.practice).toEqual(practice);
      expect(overridesIn(open())).toEqual({});
    });
    test('what the shop changes reaches it whole, read for it again', () => {
      const id = open();
      const dearer = { ...section, dutyFactors: { competition: { bumpG: 5 } } };
      changeShopPractice(db, { basedOn: 0, to: dearer, ...stamp });
      const { practice, shopRevision } = newestPractice(db, id)!;
      expect(practice.loadFactors.bumpG).toBe(5);
      expect(practice.legal.chosen).toBe('none');
      expect(jobFile(db, id)!.practice.loadFactors.bumpG).toBe(4);
      changePractice(db, id, { basedOn: 1, to: practice, shopRevision, ...stamp });
      expect(jobFile(db, id)!.practice).toEqual(practice);
      expect(overridesIn(id)).toEqual({});
    });
    test('a unit corrected later changes no job that is there', () => {
      const id = open();
      const before = jobFile(db, id)!.practice;
      expect(correctUnit(db, pickup, { ...pickup, kind: 'truck', duty: 'work' }).ok).toBe(true);
      expect(jobFile(db, id)!.practice).toEqual(before);
    });
    test('a row from before is the shop’s practice as it stands, for no unit', () => {
      db.exec(
        'DROP TRIGGER IF EXISTS job_practice_keeps; UPDATE job_practice SET unit_kind = NULL, unit_duty = NULL',
      );
      expect(jobFile(db, open())!.practice.loadFactors.bumpG).toBe(4);
      expect(jobFile(db, jobId)!.practice).toEqual(gritter!.practice);
    });
  });
  test('a bundle brings its own practice to another shop, said as this job’s own', () => {
    const there = openDatabase(':memory:');
    changeShopPractice(there, { basedOn: 0, to: section, ...stamp });
    expect(importBundle(there, bundleOf(db, jobId)!).ok).toBe(true);
    const file = jobFile(there, jobId)!;
    expect(file.practice).toEqual(jobFile(db, jobId)!.practice);
    expect(file.shop!.practice).toEqual(section);
    there.close();
  });
  test('no revision is changed or erased', () => {
    changeShopPractice(db, { basedOn: 0, to: section, ...stamp });
    expect(() => db.exec("UPDATE shop_practice SET by_whom = 'ZZ'")).toThrow('never changed');
    expect(() => db.exec('DELETE FROM shop_practice')).toThrow('never erased');
  });
});

test('geometry goes with the unit: another job’s measures come along, struck ones do not, and its line in the yard is stale', () => {
  const id = another();
  const before = evidenceMark(db, id);
  const own = jobFile(db, jobId)!.evidence.filter(({ kind }) => kind === 'geometry');
  expect(jobFile(db, id)!.measuredElsewhere!.geometry).toEqual(own);
  expect(jobFile(db, jobId)!.measuredElsewhere).toEqual({ geometry: [], figures: [] });
  const strike = { id: crypto.randomUUID(), evidenceId: own[0]!.id, why: 'slipped', ...stamp };
  expect(keepStrike(db, jobId, strike).ok).toBe(true);
  expect(jobFile(db, id)!.measuredElsewhere!.geometry).toEqual(own.slice(1));
  expect(evidenceMark(db, id)).not.toBe(before);
});

test('a closed job stands as it was closed: what was measured of the unit later it hears once it is opened again', () => {
  const id = another();
  const heard = () => jobFile(db, id)!.measuredElsewhere!.geometry.map(({ at }) => at);
  const all = heard();
  expect(all.length).toBeGreaterThan(1);
  const [first, second] = [...all].sort();
  expect(first! < second!).toBe(true);
  const say = (closed: boolean, at: string) =>
    expect(closeJob(db, id, { id: crypto.randomUUID(), closed, by: 'RK', at }).ok).toBe(true);
  say(true, first!);
  expect(heard()).toEqual(all.filter((at) => at <= first!));
  say(false, '2027-01-01T08:00:00Z');
  expect(heard()).toEqual(all);
});

test('hours of another job correct the norms once it is closed, its last word, while it stands', () => {
  const id = another();
  const took = (hours: number) => ({
    kind: 'hours taken' as const,
    id: crypto.randomUUID(),
    way: 'mend' as const,
    hours,
    foreseen: [10, 40] as [number, number],
    ...stamp,
    note: '',
  });
  const [first, last] = [took(400), took(40)];
  expect(keepEvidence(db, id, [first, last]).ok).toBe(true);
  const learnt = () => jobFile(db, jobId)!.hoursLearnt;
  expect(learnt()).toBeUndefined();
  expect(closeJob(db, id, { id: crypto.randomUUID(), closed: true, ...stamp }).ok).toBe(true);
  expect(learnt()).toEqual({ factor: expect.closeTo(2 ** (1 / 3), 9), jobs: 1 });
  // Its own price is not corrected by itself.
  expect(jobFile(db, id)!.hoursLearnt).toBeUndefined();
  keepStrike(db, id, {
    id: crypto.randomUUID(),
    evidenceId: last.id,
    why: 'two days counted twice',
    ...stamp,
  });
  expect(learnt()!.factor).toBe(2);
  closeJob(db, id, { id: crypto.randomUUID(), closed: false, ...stamp });
  expect(learnt()).toBeUndefined();
});

describe('what the shop has', () => {
  const lists = { ...NO_LISTS, people: [{ name: 'RK', role: 'welder', welds: true, qualification: '' }] };
  test('kept as the next revision; stale is refused; never changed or erased', () => {
    expect(shopLists(db)).toEqual({ revision: 0, part: NO_LISTS });
    expect(changeShopLists(db, { basedOn: 0, to: lists, ...stamp }).ok).toBe(true);
    expect(shopLists(db)).toEqual({ revision: 1, part: lists, ...stamp });
    expect(problem(changeShopLists(db, { basedOn: 0, to: NO_LISTS, ...stamp }))).toBe('stale');
    expect(() => db.exec("UPDATE shop_lists SET by_whom = 'ZZ'")).toThrow('never changed');
    expect(() => db.exec('DELETE FROM shop_lists')).toThrow('never erased');
    expect(shopLists(db).part).toEqual(lists);
    const kit = { name: 'rail cap', family: '', coversMm: 900, edgeMm: 60, thicknessMm: 5 };
    changeShopLists(db, { basedOn: 1, to: { ...lists, kits: [kit] }, ...stamp });
    expect(jobFile(db, jobId)!.kits).toEqual([kit]);
  });
});
