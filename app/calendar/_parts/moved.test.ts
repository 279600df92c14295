import { DEFAULT_WEEK } from '@/core/reference';
import type { Slot } from '@/core/order';
import { movedBay, movedDay, movedSlot } from './moved';

test.each([
  ['2026-12-04', 1, '2026-12-07'],
  ['2026-12-07', -1, '2026-12-04'],
  ['2026-12-05', 0, '2026-12-07'],
  ['2026-11-30', -3, '2026-11-30'],
  ['2026-12-24', 1, '2026-12-28'],
])('%s moved by %d working days is %s', (day, by, to) =>
  expect(movedDay(day, by, { ...DEFAULT_WEEK, shut: ['2026-12-25'] }, '2026-11-28')).toBe(to),
);
test('from bay to bay, and no farther than the last', () => {
  expect(movedBay('North', 1, ['North', 'South'])).toBe('South');
  expect(movedBay('South', 1, ['North', 'South'])).toBe('South');
  expect(movedBay('South', -1, ['North', 'South'])).toBe('North');
  expect(movedBay(undefined, 1, [])).toBeUndefined();
});
test('moved, a job keeps what else was said of its days; away it has no bay', () => {
  const slot: Slot = {
    kind: 'slot',
    id: '00000000-0000-4000-8000-000000000001',
    by: 'RK',
    at: '2026-11-24T08:00:00Z',
    note: '',
    startOn: '2026-12-01',
    bay: 'North',
    chance: 0.95,
    downtimePerDay: 240,
  };
  expect(movedSlot(slot, { startOn: '2026-12-03', bay: 'South' })).toEqual({
    kind: 'slot',
    note: '',
    startOn: '2026-12-03',
    bay: 'South',
    chance: 0.95,
    downtimePerDay: 240,
  });
  const away = { ...slot, away: { travelHours: 2, power: 'generator' as const } };
  expect(movedSlot(away, { startOn: '2026-12-03', bay: 'South' })).not.toHaveProperty('bay');
  expect(movedSlot(undefined, { startOn: '2026-12-03' })).toMatchObject({ chance: 0.8 });
});
