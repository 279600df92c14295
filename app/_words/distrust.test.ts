import { demoBundle } from '@/demo';
import { distrustOf, type Distrust, type JobFile } from '@/core/job';
import { ofKind } from '@/core/frame';
import { distrustWords } from './distrust';

const NONE: Distrust = {
  simulatedReadings: 0,
  simulatedTicket: false,
  simulatedTaps: 0,
  presumedFrame: false,
  unreadable: 0,
};

test('nothing is said where all is real and readable', () => expect(distrustWords(NONE)).toEqual([]));

test.each<[Partial<Distrust>, RegExp]>([
  [{ simulatedReadings: 1 }, /^Simulated: 1 reading invented/],
  [{ simulatedReadings: 3, simulatedTaps: 2 }, /3 readings, 2 tap tests invented/],
  [{ simulatedTicket: true }, /the scale’s ticket invented/],
  [{ presumedFrame: true }, /usual ones; nobody took them/],
  [{ unreadable: 1 }, /^1 record of this job cannot be read/],
  [{ unreadable: 4 }, /^4 records of this job cannot be read/],
])('%p', (more, said) => {
  const words = distrustWords({ ...NONE, ...more });
  expect(words).toHaveLength(1);
  expect(words[0]).toMatch(said);
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
