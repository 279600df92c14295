import type { Evidence } from '@/core/job';
import type { Look } from '@/core/walk';
import { skeletonMarks } from './skeleton-marks';
import type { Summaries } from './work-context';

const summaries = new Map([
  ['rail-right', { verdict: { verdict: 'Leave' }, sections: [], measured: true }],
]) as unknown as Summaries;
const look = (
  result: Look['result'],
  ways: Look['ways'],
  { hour = 8, ...more }: Partial<Look> & { hour?: number } = {},
): Evidence => ({
  kind: 'look',
  id: `${result} ${hour}`,
  by: 'RK',
  at: `2026-11-20T${String(hour).padStart(2, '0')}:00:00Z`,
  note: '',
  spotId: 'spot 1',
  title: 'Front hanger',
  memberId: 'rail-right',
  stationMm: 900,
  result,
  ways,
  ...(result === 'not seen' && { why: 'no light' as const }),
  ...more,
});
const found = (...evidence: Evidence[]) =>
  skeletonMarks({ evidence, strikes: [] }, summaries)
    .get('rail-right')!
    .found.map(({ seen }) => (seen ? 'found' : 'not seen'));

test.each<[string, Evidence[], string[]]>([
  ['sound', [look('sound', ['eye'])], []],
  ['through', [look('through', ['finger'])], ['found']],
  ['not seen', [look('not seen', [])], ['not seen']],
  [
    'through, and a later look that found nothing',
    [look('through', ['finger']), look('sound', ['hammer'], { hour: 9 })],
    ['found'],
  ],
  [
    'pitted by eye, and struck sound later',
    [look('pitted', ['eye']), look('sound', ['hammer'], { hour: 9 })],
    [],
  ],
  [
    'pitted, and an older sound look kept late',
    [look('pitted', ['eye']), look('sound', ['hammer'], { hour: 7 })],
    ['found'],
  ],
  [
    'the member through, what hangs on it sound',
    [look('through', ['finger'], { on: 'member' }), look('sound', ['finger'], { on: 'fitting', hour: 9 })],
    ['found'],
  ],
])('what the picture of the frame marks at a spot: %s', (_, evidence, marks) =>
  expect(found(...evidence)).toEqual(marks),
);
