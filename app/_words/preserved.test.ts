import { defaultFrame, familyOf } from '@/core/frame';
import { debrisTrends, type Preserved } from '@/core/prove';
import { coatTakesWords, debrisWords, visitWords } from './preserved';

const family = 'boxed ladder';
const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const words = (...kg: number[]) =>
  debrisWords(
    frame,
    debrisTrends(
      kg.map((each, k) => ({ memberId: 'rail-left', at: `${2020 + k}-06-01T08:00:00Z`, kg: each })),
    )[0]!,
    'mm',
  );
const visit = (more: Partial<Preserved>): string =>
  visitWords(
    frame,
    {
      kind: 'preserved',
      id: 'v',
      by: 'RK',
      at: '2026-01-01',
      note: '',
      memberId: 'rail-left',
      washed: false,
      ...more,
    },
    'mm',
  );

test('what came out, how much a month, and whether it is more', () => {
  expect(words(0)).toBe('Left rail: nothing on Mon 1 Jun 2020 came out.');
  expect(words(2)).toContain('2.00 kg on Mon 1 Jun 2020 came out; how long that had gathered nobody knows');
  expect(words(2, 12)).toMatch(/1\.00 kg a month \(± 0\.\d+ kg\) since the visit before\.$/);
  expect(words(2, 2, 12)).toContain('MORE COMES IN THAN BEFORE: look at its drains');
  expect(words(2, 12, 2)).toContain('less comes in than before');
  expect(words(2, 2, 2)).toContain('as much comes in as before');
});
test('a visit says what was done, and a coat that cannot have reached everything', () => {
  expect(visit({ washed: true, debrisKg: 0 })).toBe('Left rail: washed; nothing came out');
  expect(visit({ coat: { product: 'wax', litres: 0.01 } })).toContain('LESS THAN COVERS ALL OF IT');
  expect(visit({ coat: { product: 'wax', litres: 20 }, note: 'ran out at the tail' })).toBe(
    'Left rail: 20 l of wax; ran out at the tail',
  );
  expect(coatTakesWords(frame, 'rail-left', 'in')).toMatch(
    /^All of Left rail takes \d.* qt to .* for 100 µm once dry/,
  );
  expect(coatTakesWords(frame, 'nowhere', 'in')).toBeUndefined();
});
