import { defaultFrame, familyOf } from '@/core/frame';
import { DEFAULT_GEOMETRY_PRACTICE } from '@/core/reference';
import { geometryChecks, type Geometry } from '@/core/weigh';
import { checkLine } from './geometry';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'front hole',
});
const lineOf = (...offs: readonly number[]): string => {
  const measured: Geometry = {
    kind: 'geometry',
    id: '00000000-0000-4000-8000-000000000001',
    by: 'RK',
    at: '2026-11-01T08:00:00Z',
    note: '',
    stood: 'on its wheels, empty',
    instrument: 'laser line',
    measure: {
      of: 'line',
      memberId: 'rail-left',
      direction: 'across',
      marks: offs.map((offMm, k) => ({ stationMm: 1000 * k, offMm })),
    },
  };
  return checkLine(geometryChecks([measured], [], DEFAULT_GEOMETRY_PRACTICE)[0]!, frame, 'mm');
};

test('one mark that makes all of a bow is named with its place, and never put down to a slip alone', () => {
  const said = lineOf(0, 0.3, 25, 0.1, 0);
  expect(said).toContain('bowed to a side by');
  expect(said).toContain('the mark at 2000 mm alone makes it');
  expect(said).toContain('read that one again; a dent or a kink right there reads the same');
  expect(lineOf(0, 15, 20, 15, 0)).not.toContain('alone');
});
