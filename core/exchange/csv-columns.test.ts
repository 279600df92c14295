import { guessColumns, peekCsv } from '.';
import { valueOf } from '../quantity';
import { delimiterOf, mappedRow } from './csv-columns';

test.each([
  ['a,b;c,d', ','],
  ['a;b,c;d', ';'],
  ['a\tb\tc,d', '\t'],
  // As many of one as of another: the comma, which is usual, then the semicolon.
  ['a,b;c', ','],
  ['a;b\tc', ';'],
  ['word', ','],
  ['', ','],
  // Only the first line speaks.
  ['a,b\nc;d;e;f', ','],
  ['a;b\r\nc,d,e', ';'],
])('%j is parted by %j', (text, mark) => expect(delimiterOf(text)).toBe(mark));

test('a peek shows five rows where nothing else is asked; one column is no table, two are', () => {
  const text = `a,b\n${Array.from({ length: 9 }, (_, k) => `${k},x`).join('\n')}`;
  expect(valueOf(peekCsv(text)).rows).toHaveLength(5);
  expect(valueOf(peekCsv(text, 1)).rows).toEqual([['0', 'x']]);
  expect(peekCsv('one\n1').ok).toBe(false);
  expect(valueOf(peekCsv('one,two')).rows).toEqual([]);
});

test.each([
  ['member', ['Member', 'RAIL', 'part', 'Component', 'location', 'Asset']],
  ['station', ['sta', 'Distance', 'position', 'Pos', 'X', 'along', 'chainage']],
  ['face', ['Side', 'surface', 'Wall_Face']],
  ['height', ['H', 'y', 'Up', 'elevation', 'offset', 'across']],
  ['thickness', ['thk', 'T', 'reading', 'value', 'wall', 'measured', 'Result']],
  ['unit', ['Units', 'UOM']],
  ['method', ['tool', 'Instrument', 'mode']],
  ['note', ['notes', 'Comment', 'comments', 'remark', 'Remarks']],
] as const)('a column for %s is known by each name of it', (field, names) => {
  for (const name of names) expect(guessColumns([name])).toEqual({ [field]: { column: name } });
});

test('a column serves one field only; a unit of its own is heard before a bracket', () => {
  // `location` is the member’s; `wall` the thickness’s; nothing is left for the face.
  expect(guessColumns(['location', 'wall'])).toEqual({
    member: { column: 'location' },
    thickness: { column: 'wall' },
  });
  expect(guessColumns(['thickness (mm)', 'unit']).unit).toEqual({ column: 'unit' });
  expect(guessColumns(['thickness (mils)']).unit).toBeUndefined();
});

test('decimal commas become points at the start of a cell only, and only where the file has them', () => {
  const columns = { thickness: { column: ' THK ' }, note: { column: 'note' }, unit: { always: 'mm' } };
  const row = { thk: ' -4,90', note: 'from 1,5 on' };
  expect(mappedRow(row, columns, true)).toEqual({ unit: 'mm', thickness: ' -4.90', note: 'from 1,5 on' });
  expect(mappedRow(row, columns, false)).toMatchObject({ thickness: ' -4,90' });
  expect(mappedRow({}, columns, true)).toMatchObject({ thickness: undefined });
});
