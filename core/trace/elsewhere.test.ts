import { DEFAULT_HAND_PRACTICE } from '../reference';
import { openFinds, type Find, type FindState } from '../walk';
import { cracksElsewhere, type CrackElsewhere } from '.';

let last = 0;
const find = (day: string, state: FindState, more: Partial<Find> = {}): Find => ({
  kind: 'find',
  id: `find-${++last}`,
  on: 'fitting',
  hostId: 'mark-3 left',
  title: 'Rear hanger',
  part: 'weld',
  state,
  memberIds: ['rail-left'],
  note: '',
  by: 'RK',
  at: `${day}T09:00:00Z`,
  ...more,
});
const cracked = (day: string, longMm: number | undefined, usedKm?: number, more: object = {}) =>
  find(day, {
    is: 'cracked',
    ...(longMm !== undefined && { longMm }),
    ...(usedKm !== undefined && { usedKm }),
    ...more,
  });
const trip = (day: string, km: number) =>
  ({ kind: 'trip', id: day, km, by: 'RK', at: `${day}T00:00:00Z`, note: '' }) as const;
const elsewhere = (finds: Find[], trips: ReturnType<typeof trip>[] = []): CrackElsewhere | undefined =>
  cracksElsewhere(openFinds(finds, DEFAULT_HAND_PRACTICE), trips)[0];

describe('a crack with a length and no path', () => {
  test('grows by its last two looks, by what the unit did between them', () => {
    const three = elsewhere([
      cracked('2026-01-01', 10, 1000),
      cracked('2026-03-01', 14, 2000),
      cracked('2026-05-01', 24, 4000),
    ])!;
    expect(three).toMatchObject({ sinceLastMm: 10, pace: 0.005, basis: 'km', is: 'cracked' });
    expect(three.open.grownMm).toBe(14);
    expect(three.looks.map(({ longMm }) => longMm)).toEqual([10, 14, 24]);
  });
  test('one look, no length, no distance: no pace', () => {
    expect(elsewhere([cracked('2026-01-01', 10, 1000)])).not.toHaveProperty('sinceLastMm');
    expect(elsewhere([cracked('2026-01-01', undefined), cracked('2026-02-01', 9, 9)])).not.toHaveProperty(
      'pace',
    );
    const still = elsewhere([cracked('2026-01-01', 10), cracked('2026-02-01', 12)])!;
    expect(still.sinceLastMm).toBe(2);
    expect(still).not.toHaveProperty('pace');
  });
  test('what nobody saw themselves sets no pace', () =>
    expect(
      elsewhere([cracked('2026-01-01', 10, 1000), cracked('2026-03-01', 40, 2000, { seenBy: 'told' })]),
    ).not.toHaveProperty('pace'));
  test('an odometer that runs backwards is said and gives no pace', () => {
    const back = elsewhere([cracked('2026-01-01', 10, 2000), cracked('2026-03-01', 14, 1999)])!;
    expect(back.looks[1]!.flags).toEqual(['odometer backwards']);
    expect(back).not.toHaveProperty('pace');
    expect(
      elsewhere([cracked('2026-01-01', 10, 2000), cracked('2026-03-01', 14, 2000)])!.looks[1]!.flags,
    ).toEqual([]);
  });
  test('shorter than before is said; kept as entered', () => {
    const shrunk = elsewhere([cracked('2026-01-01', 10, 1), cracked('2026-03-01', 9.9, 2)])!;
    expect(shrunk.looks[1]).toMatchObject({ longMm: 9.9, flags: ['shorter than before'] });
    expect(shrunk).not.toHaveProperty('sinceLastMm');
    expect(
      elsewhere([cracked('2026-01-01', 10, 1), cracked('2026-03-01', 9.96, 2)])!.looks[1]!.flags,
    ).toEqual([]);
  });
  test('a look dated before the first is put in its place by day, and said', () => {
    const early = elsewhere([cracked('2026-03-01', 14, 2000), cracked('2026-01-01', 10, 1000)])!;
    expect(early.looks.map(({ flags }) => flags)).toEqual([['before the first'], []]);
    expect(early.pace).toBeCloseTo(0.004, 12);
  });
  test('trips stand in for an odometer that a trailer does not have; hours where more looks have them', () => {
    const trips = [trip('2026-01-15', 300), trip('2026-02-15', 200)];
    expect(elsewhere([cracked('2026-01-01', 10), cracked('2026-03-01', 15)], trips)!.pace).toBeCloseTo(
      0.01,
      12,
    );
    const hours = elsewhere([
      cracked('2026-01-01', 10, 5, { usedHours: 100 }),
      cracked('2026-03-01', 15, undefined, { usedHours: 200 }),
    ])!;
    expect(hours).toMatchObject({ basis: 'hours', pace: 0.05 });
  });
  test('a gap runs on too; what does not is not listed; work ends it', () => {
    const gap = (day: string, openMm: number) =>
      find(day, { is: 'gap', openMm }, { on: 'panel', hostId: 'floor', part: 'sheet' });
    expect(elsewhere([gap('2026-01-01', 2), gap('2026-02-01', 5)])).toMatchObject({
      is: 'gap',
      sinceLastMm: 3,
    });
    expect(elsewhere([find('2026-01-01', { is: 'missing' }, { part: 'pin' })])).toBeUndefined();
    const mended = find('2026-02-01', { is: 'put right', done: 'welded anew' });
    expect(elsewhere([cracked('2026-01-01', 10, 1), mended])).toBeUndefined();
    expect(
      elsewhere([cracked('2026-01-01', 10, 1), mended, cracked('2026-03-01', 4, 9)])!.looks,
    ).toHaveLength(1);
  });
});
