import { demoBundle } from '@/demo';
import type { JobFile } from '@/core/job';
import type { LoadTest } from '@/core/trace';
import { temporaryNotices } from './standing-lines';

/** A trailer whose left beam is clamped over a crack. */
const { evidence, ...bundle } = demoBundle('DV-3');
const test_ = (hitchedMm: number): LoadTest => ({
  kind: 'load test',
  id: crypto.randomUUID(),
  purpose: 'release a temporary repair',
  states: ['on its legs', 'hitched'],
  places: [{ id: 'c', what: 'crack', name: 'left beam', witnesses: ['rail-left'] }],
  readings: [
    { placeId: 'c', state: 'on its legs', mm: 0 },
    { placeId: 'c', state: 'hitched', mm: hitchedMm },
  ],
  windUpLetGo: true,
  by: 'RK',
  at: '2026-11-24T08:00:00Z',
  note: '',
});
const said = (today: string, ...tests: LoadTest[]) =>
  temporaryNotices({ ...bundle, evidence: [...evidence, ...tests] } as unknown as JobFile, 'in', today).map(
    ({ words }) => words,
  );

test('what is left of a temporary repair, that it is over, and that it moves, on every paper', () => {
  expect(said('2026-11-25')).toEqual(['Temporary clamp: 18 mi of 30 mi left, under 40 mph (left beam)']);
  expect(said('2026-11-25', test_(0.4))).toEqual(said('2026-11-25'));
  expect(said('2026-11-25', test_(1.6))[0]).toMatch(
    /left beam\); a load test since showed it moving: it does not hold$/,
  );
  const over = { ...bundle, evidence: evidence.map((each) => ({ ...each, until: '2026-11-20' })) };
  expect(temporaryNotices(over as unknown as JobFile, 'in', '2026-11-25')[0]!.words).toMatch(
    /^Do not move it\. /,
  );
});
