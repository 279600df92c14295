import { roundedContour } from '@/core/geometry';
import type { ToCut } from '@/core/job';
import { countOf, piecesOf, readNest, startTyped, thicknessesOf } from './nest-form';

const cut = (id: string, thicknessMm: number, more: Partial<ToCut> = {}): ToCut => ({
  blank: {
    id,
    name: id,
    for: 'rail',
    thicknessMm,
    count: 2,
    outline: roundedContour(
      [
        [0, 0],
        [100, 0],
        [100, 50],
        [0, 50],
      ],
      5,
    ),
    cutouts: [],
    holes: [],
    bends: [],
    scribes: [],
  },
  broken: 0,
  findings: [],
  isProposal: false,
  ...more,
});
const all = [cut('a', 6.35), cut('b', 4.76), cut('c', 6.3, { broken: 1 })];

test('thicknesses there are, thickest first, gauges that are one as one', () =>
  expect(thicknessesOf(all)).toEqual([6.35, 4.76]));

test('as many as are asked for; what breaks a rule is none until somebody says how many', () => {
  expect(piecesOf(all, {}, 6.35).map(({ id, count }) => [id, count])).toEqual([['a', 2]]);
  expect(countOf({}, all[2]!)).toEqual({ here: 0, twin: 0 });
  const counts = { c: { here: 1, twin: 3 } };
  expect(piecesOf(all, counts, 6.35).map(({ id, count }) => [id, count])).toEqual([
    ['a', 2],
    ['c', 1],
    ['c twin', 3],
  ]);
});

describe('what is typed', () => {
  const shelf = [{ thicknessMm: 6.35, lengthMm: 1000, widthMm: 500, count: 1 }];
  const read = (change: Partial<ReturnType<typeof startTyped>>, on = shelf) =>
    readNest({ ...startTyped('in'), ...change }, { shelf: on, thicknessMm: 6.35, system: 'in' });
  test('the start is taken: shelf first, then sheets to buy', () => {
    const made = read({});
    expect(made).toMatchObject({ ok: true });
    if (made.ok) {
      expect(made.value.sheets.map(({ id }) => id)).toEqual(['shelf 0', 'buy']);
      expect(made.value.ways.kerfMm).toBeCloseTo(25.4 / 16, 9);
    }
  });
  test.each([
    ['a kerf that is no length', { kerf: 'wide' }, 'kerf'],
    ['a negative gap', { gap: '-1' }, 'gap'],
    ['half a sheet', { buyCount: '1.5' }, 'whole number'],
    ['more sheets than a shop buys', { buyCount: '21' }, 'whole number'],
    ['a sheet of no length', { buyLong: '0' }, 'sheet to buy, length'],
    ['a sheet longer than a table', { buyLong: '601' }, 'sheet to buy, length'],
  ])('%s is named', (_, change, words) =>
    expect(read(change)).toMatchObject({ ok: false, reason: expect.stringContaining(words) as string }),
  );
  test('none to buy and none on the shelf is named; with some on the shelf it is fine', () => {
    expect(read({ buyCount: '0' })).toMatchObject({ ok: true });
    expect(read({ buyCount: '' }, [])).toMatchObject({ ok: false });
    expect(read({ buyCount: '20' }).ok).toBe(true);
  });
});
