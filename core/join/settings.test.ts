import { arcStart, cutStart, wireRow } from '../reference';
import { benchTime, consumed, startFrom, usualSpool, whyNotWeld, type ScrapTest, type WeldLine } from '.';

const inch = (inches: number) => 25.4 * inches;
const ASKED = {
  thicknessMm: inch(1 / 8),
  wire: '0.030 solid',
  gas: '75 Ar 25 CO2',
  position: 'flat',
} as const;

describe('a start for scrap', () => {
  test('1/8 in flat with 0.030 wire: about 125 A, 20 V, 250 in/min (common practice; volts IEC 60974-1, from memory)', () => {
    const start = arcStart(inch(1 / 8), '0.030 solid', '75 Ar 25 CO2', 'flat');
    expect(start).toMatchObject({ ok: true, amps: 125, volts: 14 + 0.05 * 125 });
    expect(start.ok && (start.feedMmS * 60) / 25.4).toBeCloseTo(250, 6);
  });
  test('thicker metal is filled in passes: 1/4 in begins as 3/16 in does', () => {
    const at = (inches: number) => arcStart(inch(inches), '0.035 solid', '75 Ar 25 CO2', 'vertical');
    expect(at(1 / 4)).toEqual(at(3 / 16));
  });
  test('less against gravity; a volt or two more in straight CO2', () => {
    const amps = (position: 'flat' | 'vertical' | 'overhead') => {
      const start = arcStart(inch(1 / 8), '0.030 solid', 'CO2', position);
      return start.ok ? start.amps : NaN;
    };
    expect(amps('vertical')).toBeCloseTo(0.85 * amps('flat'), 9);
    expect(amps('overhead')).toBeCloseTo(0.9 * amps('flat'), 9);
    const [mixed, straight] = (['75 Ar 25 CO2', 'CO2'] as const).map((gas) =>
      arcStart(inch(1 / 8), '0.030 solid', gas, 'flat'),
    );
    expect(straight!.ok && mixed!.ok && straight!.volts - mixed!.volts).toBe(1.5);
  });
  test.each([
    [145 / 1000, '0.030 solid', '75 Ar 25 CO2', true],
    [146 / 1000, '0.030 solid', '75 Ar 25 CO2', 'wire too thin'],
    [50 / 1000, '0.035 solid', 'CO2', true],
    [49 / 1000, '0.035 solid', 'CO2', 'wire too thick'],
    [0.1, '0.030 flux-cored', 'CO2', 'gas does not go with the wire'],
    [0.1, '0.030 flux-cored', 'none', true],
    [0.1, '0.030 solid', 'none', 'gas does not go with the wire'],
  ] as const)('%s in, %s, %s: %s', (inches, wire, gas, says) => {
    const start = arcStart(inch(inches), wire, gas, 'flat');
    expect(start.ok ? true : start.why).toBe(says);
  });
});

const tried = (more: Partial<ScrapTest>): ScrapTest => ({
  kind: 'scrap test',
  id: 'x',
  ...ASKED,
  amps: 110,
  volts: 19,
  held: true,
  by: 'RK',
  at: '2026-11-20T08:00:00Z',
  note: '',
  ...more,
});
describe('what held in this shop', () => {
  test('is where it begins, the newest of it; what broke is said', () => {
    const { start, own, broke } = startFrom(ASKED, [
      tried({ amps: 100 }),
      tried({}),
      tried({ amps: 140, held: false }),
    ]);
    expect(own!.amps).toBe(110);
    expect(start).toMatchObject({ ok: true, amps: 110, volts: 19 });
    expect(broke.map(({ amps }) => amps)).toEqual([140]);
  });
  test('another wire, gas, position or thickness says nothing of it', () => {
    for (const other of [
      { wire: '0.035 solid' as const },
      { gas: 'CO2' as const },
      { position: 'overhead' as const },
      { thicknessMm: 1.16 * ASKED.thicknessMm },
    ])
      expect(startFrom(ASKED, [tried(other)]).own).toBeUndefined();
    expect(startFrom(ASKED, [tried({ thicknessMm: 1.14 * ASKED.thicknessMm })]).own).toBeDefined();
  });
  test('what broke alone is no start', () => {
    const { own, start } = startFrom(ASKED, [tried({ held: false })]);
    expect(own).toBeUndefined();
    expect(start).toMatchObject({ ok: true, amps: 125 });
  });
});

describe('what a spool lasts is reckoned by', () => {
  test('what held last, at the feed that was noted, or by its amps', () => {
    const tests = [
      tried({ feedMmS: 90 }),
      tried({ wire: '0.035 flux-cored', gas: 'none', amps: 140, feedMmS: 77 }),
    ];
    expect(usualSpool(tests)).toEqual({ wire: '0.035 flux-cored', gas: 'none', feedMmS: 77 });
    const spool = usualSpool([...tests, tried({ amps: 110 }), tried({ amps: 60, held: false })]);
    expect(spool).toEqual({
      wire: '0.030 solid',
      gas: '75 Ar 25 CO2',
      feedMmS: expect.closeTo((110 * 2 * 25.4) / 60, 9),
    });
  });
  test('where nothing held, the commonest wire as it runs upright in 3/16 in: never no feed, so never no gas', () => {
    const start = arcStart(inch(3 / 16), '0.035 solid', '75 Ar 25 CO2', 'vertical');
    if (!start.ok) throw new Error(start.why);
    for (const none of [[], [tried({ held: false })]]) {
      const spool = usualSpool(none);
      expect(spool).toMatchObject({ wire: '0.035 solid', gas: '75 Ar 25 CO2' });
      expect(Math.abs(spool.feedMmS / start.feedMmS - 1)).toBeLessThan(0.01);
    }
  });
});

test('consumables by hand: 1 m of 5 mm fillet', () => {
  const volumeMm3 = 12.5 * 1000;
  const feedMmS = 100;
  const takes = consumed({ volumeMm3, lengthMm: 1000, lapMm: 1000 }, { ...ASKED, feedMmS });
  expect(takes.wireKg).toBeCloseTo((12.5 * 1000 * 7.849e-6) / 0.93, 9);
  const area = (Math.PI * wireRow('0.030 solid').diameterMm ** 2) / 4;
  expect(takes.arcMinutes).toBeCloseTo(volumeMm3 / 0.93 / (area * feedMmS) / 60, 9);
  expect(takes.gasL).toBeCloseTo(takes.arcMinutes * 17.5, 9);
  expect(takes.discs).toBe(1);
  expect(consumed({ volumeMm3, lengthMm: 3001, lapMm: 0 }, { ...ASKED, feedMmS })).toMatchObject({
    discs: 2,
    primerMl: 0,
  });
  const cored = consumed(
    { volumeMm3, lengthMm: 1000, lapMm: 0 },
    { wire: '0.030 flux-cored', gas: 'none', feedMmS },
  );
  expect(cored.gasL).toBe(0);
  expect(cored.wireKg).toBeGreaterThan(takes.wireKg);
});

test('cutting: thicker slower, over half an inch another torch', () => {
  expect(cutStart(inch(1 / 8))!.amps).toBe(30);
  expect(cutStart(inch(0.13))!.amps).toBe(40);
  expect(cutStart(inch(1 / 2))).toBeDefined();
  expect(cutStart(inch(0.51))).toBeUndefined();
});

describe('who may weld it', () => {
  const steel = { id: 'a36', weldRepair: 'yes' } as const;
  const legal = { weldAsMaker: false, welderQualified: false };
  const person = { name: 'TM', role: 'welder', welds: true, qualification: '' };
  const why = (
    of: Parameters<typeof whyNotWeld>[0],
    by: Parameters<typeof whyNotWeld>[1],
    who: Partial<Parameters<typeof whyNotWeld>[2]> = {},
  ) => whyNotWeld(of, by, { welder: 'TM', person, makersLeave: '', ...who });
  test('mild steel, somebody named: nothing against it', () => expect(why(steel, legal)).toEqual([]));
  test('nobody named, or somebody who does not weld', () => {
    expect(why(steel, legal, { welder: ' ' })).toEqual(['nobody named']);
    expect(why(steel, legal, { person: { ...person, welds: false } })).toEqual(['does not weld']);
    expect(why(steel, legal, { person: undefined })).toEqual([]);
  });
  test('a profile that asks for a paper, and one that asks for the maker’s leave', () => {
    const asks = { weldAsMaker: true, welderQualified: true };
    expect(why(steel, asks)).toEqual(['no paper', 'no leave of the maker']);
    expect(
      why(steel, asks, { person: { ...person, qualification: 'D1.3, to 2027' }, makersLeave: 'bulletin 12' }),
    ).toEqual([]);
    expect(why(steel, asks, { person: undefined, makersLeave: 'bulletin 12' })).toEqual(['no paper']);
  });
  test('aluminium, heat-treated and unknown steel each by its own name, whoever asks', () => {
    const not = { weldRepair: 'only as the maker allows' } as const;
    expect(why({ ...not, id: 'aluminium-6061', youngsMpa: 69_000 }, legal)).toEqual(['aluminium']);
    expect(why({ ...not, id: 'heat-treated-110' }, legal)).toEqual(['not this steel']);
    expect(why({ ...not, id: 'unknown' }, legal)).toEqual(['steel unknown']);
  });
});

test('the bench: flat everywhere, off and back added; poor access and overhead take longer on the vehicle', () => {
  const line = (more: Partial<WeldLine>) =>
    ({ kind: 'fillet', lengthMm: 1000, position: 'flat', access: 'good', ...more }) as WeldLine;
  const norms = { weldPerMetre: [1, 2] as const };
  expect(benchTime([line({})], 1, norms)).toEqual({ onVehicle: [1, 2], onBench: [1.5, 3.5] });
  expect(benchTime([line({ position: 'overhead' })], 1, norms).onVehicle).toEqual([2, 4]);
  expect(benchTime([line({ position: 'overhead', access: 'poor' })], 1, norms).onVehicle).toEqual([3, 6]);
  expect(benchTime([line({ leftOpen: 'x' }), line({ kind: 'plug' })], 2, norms)).toEqual({
    onVehicle: [0, 0],
    onBench: [1, 3],
  });
});
