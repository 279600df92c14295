import { interimKind } from './records';
import { lookDue } from './until';

const told = {
  at: '2026-11-01T08:00:00Z',
  answer: 'restricted' as const,
  everyDays: 14,
  everyKm: 300,
};

describe('when a unit that waits is looked at again', () => {
  const due = (more = {}, look?: string, trips: { at: string; km: number }[] = [], today = '2026-11-10') =>
    lookDue({ ...told, ...more }, look, trips, today);
  test('days after it was told', () =>
    expect(due()).toEqual({ on: '2026-11-15', leftKm: 300, isOver: false }));
  test('the day itself is due, the day before is not', () => {
    expect(due({}, undefined, [], '2026-11-14')!.isOver).toBe(false);
    expect(due({}, undefined, [], '2026-11-15')!.isOver).toBe(true);
  });
  test('a look since begins it anew; one from before does not', () => {
    expect(due({}, '2026-11-09T08:00:00Z')!.on).toBe('2026-11-23');
    expect(due({}, '2026-10-30T08:00:00Z')!.on).toBe('2026-11-15');
  });
  test('distance told since counts, and all of it gone is over', () => {
    const trip = (km: number, at = '2026-11-05T08:00:00Z') => ({ km, at });
    expect(due({}, undefined, [trip(299)])).toMatchObject({ leftKm: 1, isOver: false });
    expect(due({}, undefined, [trip(300)])).toMatchObject({ leftKm: 0, isOver: true });
    expect(due({}, undefined, [trip(300, '2026-10-31T08:00:00Z')])!.leftKm).toBe(300);
    expect(due({}, '2026-11-06T08:00:00Z', [trip(300)])!.leftKm).toBe(300);
  });
  test('by distance alone there is no day', () =>
    expect(due({ everyDays: undefined })).toEqual({ leftKm: 300, isOver: false }));
  test('where no look was asked for none is due', () =>
    expect(due({ answer: 'to the shop only', everyDays: undefined, everyKm: undefined })).toBeUndefined());
  test('what stands still is not looked at for its use', () =>
    expect(due({ answer: 'do not move' })).toBeUndefined());
});

describe('what may be told', () => {
  const interim = {
    kind: 'interim',
    id: '00000000-0000-4000-8000-000000000001',
    by: 'RK',
    at: told.at,
    answer: 'restricted',
    advice: 'empty, under 50 km/h',
    everyDays: 14,
  };
  test.each([
    ['with a look', {}, true],
    ['used, and never looked at again', { everyDays: undefined }, false],
    ['by distance', { everyDays: undefined, everyKm: 200 }, true],
    ['it stands: nothing to look at', { answer: 'do not move', everyDays: undefined, advice: '' }, true],
    ['to the shop, and there it stays', { answer: 'to the shop only', everyDays: undefined }, true],
    ['to the shop, nobody says how', { answer: 'to the shop only', advice: '' }, false],
    ['restricted, nobody says how', { advice: ' ' }, false],
    ['nothing against it, no words', { answer: 'no reason recorded against it', advice: '' }, true],
    ['every day', { everyDays: 1 }, true],
    ['no days', { everyDays: 0 }, false],
    ['a year', { everyDays: 365 }, true],
    ['more than a year', { everyDays: 366 }, false],
    ['no distance', { everyKm: 0 }, false],
  ])('%s', (_, more, good) =>
    expect(interimKind.schema.safeParse({ ...interim, ...more }).success).toBe(good),
  );
});
