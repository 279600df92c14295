import { demoBundle } from '@/demo';
import { distrustOf, type Distrust, type JobFile } from '@/core/job';
import { ofKind } from '@/core/frame';
import { distrustWords } from './distrust';

const NONE: Distrust = {
  simulatedReadings: 0,
  simulatedTicket: false,
  simulatedTaps: 0,
  driftedReadings: 0,
  presumedFrame: false,
  unreadable: 0,
};

test('nothing is said where all is real and readable', () => expect(distrustWords(NONE)).toEqual([]));

test.each<[Partial<Distrust>, RegExp]>([
  [{ simulatedReadings: 1 }, /^Simulated: 1 reading invented/],
  [{ simulatedReadings: 3, simulatedTaps: 2 }, /3 readings, 2 tap tests invented/],
  [{ simulatedTicket: true }, /the scale’s ticket invented/],
  [{ driftedReadings: 1 }, /^1 reading by a gauge that was off its block/],
  [{ driftedReadings: 5 }, /^5 readings by a gauge/],
  [{ presumedFrame: true }, /usual ones; nobody took them/],
  [{ unreadable: 1 }, /^1 record of this job cannot be read/],
  [{ unreadable: 4 }, /^4 records of this job cannot be read/],
])('%p', (more, said) => {
  const words = distrustWords({ ...NONE, ...more });
  expect(words).toHaveLength(1);
  expect(words[0]).toMatch(said);
});

test.each([
  [0.15, 0],
  [0.16, 1],
])('a reading under a gauge %d mm off its block: %d', (offMm, count) => {
  const { evidence, ...bundle } = demoBundle('GR-7');
  const [first] = ofKind(evidence, 'reading');
  const calibration = {
    kind: 'calibration',
    id: crypto.randomUUID(),
    by: 'RK',
    at: first!.at,
    note: '',
    gauge: 'one',
    mode: 'echo to echo',
    steps: [2, 10].map((madeMm) => ({ madeMm, readMm: madeMm + offMm })),
    velocityMps: 5900,
    temperatureC: 20,
  };
  const file = {
    ...bundle,
    evidence: [calibration, { ...first!, calibrationId: calibration.id }],
    strikes: [],
  } as unknown as JobFile;
  expect(distrustOf(file).driftedReadings).toBe(count);
});

test('a simulated reading counts until it is struck', () => {
  const { evidence, ...bundle } = demoBundle('GR-7');
  const [first] = ofKind(evidence, 'reading');
  const file = {
    ...bundle,
    evidence: [{ ...first!, simulated: true as const }],
    strikes: [],
  } as unknown as JobFile;
  expect(distrustOf(file).simulatedReadings).toBe(1);
  const strike = { id: 's', evidenceId: first!.id, why: 'invented', by: 'RK', at: first!.at };
  expect(distrustOf({ ...file, strikes: [strike] }).simulatedReadings).toBe(0);
});
