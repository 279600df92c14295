import { demoBundle } from '@/demo';
import type { Photo } from '@/core/walk';
import { bookPages, photoBookPdf, ROWS_A_PAGE, type BookChapter } from '@/ui/print/photo-book';
import { photoBook } from './photo-book';

const file = demoBundle('BM-2');
const photo = (id: string, more: Partial<Photo> = {}): Photo => ({
  kind: 'photo',
  id,
  by: 'TM',
  at: '2026-11-25T10:00:00Z',
  note: '',
  memberId: 'rail-left',
  stationMm: 1000,
  caption: id,
  moment: 'as it is',
  picture: { hash: 'a'.repeat(64), widthPx: 4, heightPx: 3 },
  ...more,
});
const chapters = (photos: readonly Photo[]) =>
  photoBook(file, photos, { system: 'in', read: () => Promise.resolve(undefined) }).chapters.map(
    ({ heading, rows }) => ({
      heading,
      rows: rows.map(({ left, right }) => [left, right].map((each) => each?.words.split(/[.(]/)[0]!.trim())),
    }),
  );

describe('what stands where in the book', () => {
  test('the unit first, members in the order of the frame, one that is gone last', () => {
    const of = (memberId?: string) => ({ ...photo(memberId ?? 'no member'), memberId });
    const unit = ({ memberId: _, stationMm: __, ...bare }: Photo): Photo => bare;
    expect(
      chapters([of('gone'), of('rail-right'), of('rail-left'), unit(photo('all of it'))] as Photo[]).map(
        ({ heading }) => heading,
      ),
    ).toEqual(['The unit', 'Left rail', 'Right rail', 'Members that are no longer on the frame']);
  });
  test('pairs side by side along the member, then the others two by two, an odd one alone', () => {
    const photos = [
      photo('c', { stationMm: 3000 }),
      photo('was far', { moment: 'before', stationMm: 2500 }),
      photo('is far', { moment: 'after', pairOf: 'was far', stationMm: 2500 }),
      photo('a', { stationMm: 100 }),
      photo('is near', { moment: 'after', pairOf: 'was near', stationMm: 400 }),
      photo('was near', { moment: 'before', stationMm: 400 }),
      photo('b', { stationMm: 200 }),
    ];
    expect(chapters(photos)[0]!.rows).toEqual([
      ['before: was near', 'after: is near'],
      ['before: was far', 'after: is far'],
      ['a', 'b'],
      ['c', undefined],
    ]);
  });
  test('every photo that stands is printed, whatever it is paired with', () => {
    const photos = [
      photo('1', { moment: 'before' }),
      photo('2', { moment: 'after', pairOf: '1' }),
      photo('3', { moment: 'after', pairOf: '1' }),
      photo('4', { moment: 'after', pairOf: 'struck' }),
      photo('5', { moment: 'after', pairOf: '1', memberId: 'rail-right' }),
    ];
    const printed = chapters(photos).flatMap(({ rows }) => rows.flat());
    for (const words of ['before: 1', 'after: 2', 'after: 3', 'after: 4', 'after: 5'])
      expect(printed).toContain(words);
    expect(chapters([])).toEqual([]);
  });
});

describe('the book as PDF', () => {
  const asked: number[] = [];
  const row = (k: number) => ({
    left: { words: `picture ${k}`, read: () => (asked.push(k), Promise.resolve(undefined)) },
  });
  const of = (count: number): BookChapter[] => [
    { heading: 'Left rail', rows: Array.from({ length: count }, (_, k) => row(k)) },
  ];
  test('a full page holds so many rows, one more begins the next', () => {
    expect(bookPages(of(ROWS_A_PAGE)).map(({ rows }) => rows.length)).toEqual([ROWS_A_PAGE]);
    expect(bookPages(of(ROWS_A_PAGE + 1)).map(({ rows }) => rows.length)).toEqual([ROWS_A_PAGE, 1]);
    expect(bookPages([...of(1), ...of(1)])).toHaveLength(2);
  });
  test('a picture is not asked for before the page ahead of it was taken', async () => {
    const book = photoBookPdf({ title: 'BM-2: photos', under: '', chapters: of(12 * ROWS_A_PAGE) });
    const first = await book.next();
    expect(Buffer.from(first.value as Uint8Array).toString('latin1')).toMatch(/^%PDF-/);
    const early = asked.length;
    expect(early).toBeLessThanOrEqual(2 * ROWS_A_PAGE);
    let last = '';
    for await (const piece of book) last = Buffer.from(piece).toString('latin1');
    expect(asked).toHaveLength(12 * ROWS_A_PAGE);
    expect(last).toContain('%%EOF');
  });
});
