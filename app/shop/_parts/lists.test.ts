import { DEFAULT_WEEK, NO_LISTS, type ShopLists } from '@/core/reference';
import { turned } from '../../_parts/turned';
import { readWeek } from './week';
import { readLists, turnedLists, typedLists } from './lists';

const LISTS: ShopLists = {
  people: [{ name: 'RK', role: 'welder', welds: true, qualification: 'own test piece, 2026' }],
  bays: [
    { name: 'North', hasLift: true, longestMm: 254 * 30 },
    { name: 'South', hasLift: false },
  ],
  kits: [
    {
      name: 'lower cap',
      family: 'boxed ladder',
      coversMm: 914.4,
      edgeMm: 76.2,
      thicknessMm: 4.7625,
      price: 180,
    },
  ],
  consumables: [{ name: 'wire', unit: 'spool', price: 45 }],
  shelf: [{ thicknessMm: 4.7625, lengthMm: 1219.2, widthMm: 304.8, count: 2 }],
  week: { ...DEFAULT_WEEK, days: [1, 2, 3, 4, 6], shut: ['2026-12-25'] },
};

describe('what the shop has, typed', () => {
  test('as it stands, typed and read again', () => {
    expect(readLists(typedLists(LISTS, 'mm'), 'mm')).toEqual({ ok: true, value: LISTS });
    expect(readLists(typedLists(NO_LISTS, 'in'), 'in')).toEqual({ ok: true, value: NO_LISTS });
  });
  test('empty rows are passed over', () => {
    const typed = typedLists(LISTS, 'mm');
    expect(readLists({ ...typed, people: [{}, ...typed.people, { name: ' ' }] }, 'mm')).toEqual({
      ok: true,
      value: LISTS,
    });
  });
  test.each([
    ['people', { name: 'RK' }, /People, row 1: role/],
    ['people', { name: 'Somebody With A Whole Name', role: 'boss' }, /People, row 1, initials.*whole name/],
    ['shelf', { thicknessMm: '1/8', lengthMm: '10', widthMm: 'wide', count: '1' }, /Steel.*row 1: width/],
    ['shelf', { thicknessMm: '1/8', lengthMm: '10', widthMm: '4', count: '1.5' }, /how many/],
    ['consumables', { name: 'wire', unit: 'spool', price: '-1' }, /price.*at least 0/],
    ['consumables', { name: 'wire', unit: 'spool', price: 'dear' }, /price: a number/],
  ] as const)('%s %#: refused by list and row', (name, row, reason) =>
    expect(readLists({ ...typedLists(NO_LISTS, 'in'), [name]: [row] }, 'in')).toMatchObject({
      ok: false,
      at: name,
      reason: expect.stringMatching(reason),
    }),
  );
  test('other units: what stands is the same steel', () => {
    const inMm = turnedLists(typedLists(LISTS, 'in'), (text) => turned(text, 'in', 'mm'));
    expect(readLists(inMm, 'mm')).toEqual({ ok: true, value: LISTS });
  });
  test('one name twice is one too many', () => {
    const typed = typedLists(LISTS, 'mm');
    expect(
      readLists({ ...typed, people: [...typed.people, { ...typed.people[0], name: 'rk' }] }, 'mm'),
    ).toMatchObject({
      ok: false,
      reason: expect.stringContaining('one name'),
    });
  });
});

describe('when the shop works, typed', () => {
  const week = { days: [5, 1], fromHour: '8', hoursADay: '7,5', shut: '2026-12-25 2027-01-01' };
  test('days in their order, either comma, shut days apart', () =>
    expect(readWeek(week)).toEqual({
      ok: true,
      value: { days: [1, 5], fromHour: 8, hoursADay: 7.5, shut: ['2026-12-25', '2027-01-01'] },
    }));
  test.each([
    [{ days: [] }, /days: a shop works one day/],
    [{ hoursADay: '0' }, /hours a day/],
    [{ hoursADay: '25' }, /hours a day/],
    [{ hoursADay: '' }, /hours a day/],
    [{ fromHour: '24' }, /from/],
    [{ shut: 'christmas' }, /shut on/],
  ])('%j is refused with the reason', (more, reason) => {
    const read = readWeek({ ...week, ...more });
    expect(!read.ok && read.reason).toMatch(reason);
  });
});
