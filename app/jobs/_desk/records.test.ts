import { demoBundles } from '@/demo';
import type { JobFile } from '@/core/job';
import type { Repair } from '@/core/shape';
import { asOwn } from './as-own';
import { recordsReducer } from './records';

const { job, unit, notices, frame, practice, readings, cracks, walk, survey, strikes, repairs } =
  demoBundles()[0]!;
const file: JobFile = {
  unit,
  job,
  notices,
  frame,
  practice,
  readings,
  cracks,
  walk,
  survey,
  strikes,
  repairs,
  revision: 1,
  closed: false,
};
const reading = { ...readings[0]!, id: 'new' };
const repair: Repair = {
  id: 'r',
  memberId: 'rail-right',
  cutOut: false,
  pieces: [
    {
      id: 'p',
      kind: 'bottom L',
      startMm: 100,
      endMm: 900,
      thicknessMm: 5,
      lowerEdgeMm: 0,
      upperEdgeMm: 80,
      taperMm: 100,
    },
  ],
  weldStyle: 'continuous',
  plugs: false,
  onBench: false,
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
};

test('what is recorded shows at once, at the end, and once only', () => {
  const after = recordsReducer(recordsReducer(file, { kind: 'reading', reading }), {
    kind: 'reading',
    reading,
  });
  expect(after.readings).toHaveLength(file.readings.length + 1);
  expect(after.readings.at(-1)).toEqual(reading);
  expect(
    recordsReducer(after, { kind: 'crack', crack: { ...cracks[0]!, id: 'another' } }).cracks,
  ).toHaveLength(file.cracks.length + 1);
  expect(
    recordsReducer(after, {
      kind: 'strike',
      strike: { id: 's', evidenceId: 'new', why: 'slip', by: 'RK', at: '2026-01-01T00:00:00Z' },
    }).strikes,
  ).toHaveLength(file.strikes.length + 1);
});

test('a repair changed is the same repair; withdrawn it is gone; evidence is untouched', () => {
  const kept = recordsReducer(file, { kind: 'repair', repair });
  const changed = recordsReducer(kept, { kind: 'repair', repair: { ...repair, plugs: true } });
  expect(changed.repairs.filter((each) => each.id === 'r')).toEqual([{ ...repair, plugs: true }]);
  const gone = recordsReducer(changed, { kind: 'withdrawal', id: 'r' });
  expect(gone.repairs).toEqual(file.repairs);
  expect(gone.readings).toBe(file.readings);
});

test('the server’s word replaces what the page had', () => {
  const server = { ...file, revision: 2, readings: [reading] };
  expect(
    recordsReducer(recordsReducer(file, { kind: 'reading', reading: { ...reading, id: 'lost' } }), {
      kind: 'server',
      file: server,
    }),
  ).toEqual(server);
});

test('a proposal taken over gets ids and a name of its own; one’s own repair keeps its id', () => {
  const mine = asOwn(repair, true, ' TM ');
  expect(mine.id).not.toBe('r');
  expect(mine.by).toBe('TM');
  expect(mine.pieces[0]!.id).not.toBe('p');
  expect(asOwn(repair, true, 'TM').id).not.toBe(mine.id);
  expect(asOwn(mine, false, '')).toMatchObject({ id: mine.id, by: 'unnamed' });
});
