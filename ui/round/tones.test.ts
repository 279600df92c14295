import { ROUND_PARTS } from '@/core/job';
import { greyOf, toneOf } from './tones';

test('each part has a colour and a grey of its own kind', () => {
  for (const part of ROUND_PARTS) {
    expect(toneOf({ part })).toMatch(/^[a-z]+(-\d)?$/);
    expect(greyOf({ part })).toBeGreaterThanOrEqual(0);
    expect(greyOf({ part })).toBeLessThanOrEqual(1);
  }
});

test('walls: as made the lightest, the less is left the deeper; what nobody knows is none of these', () => {
  const wall = (kept?: number) => toneOf({ part: 'wall', ...(kept !== undefined && { kept }) });
  expect([1, 0.95, 0.94, 0.9, 0.89, 0.31, 0.29, 0].map(wall)).toEqual([
    'kept-1',
    'kept-1',
    'kept-2',
    'kept-2',
    'kept-3',
    'kept-7',
    'kept-8',
    'kept-8',
  ]);
  expect(wall()).toBe('hatch');
  expect(greyOf({ part: 'wall', kept: 0.2 })).toBeLessThan(greyOf({ part: 'wall', kept: 0.9 }));
});
