import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import { parseInstrumentLine } from '@/core/weigh';
import { simulatedAngleFinder } from './angle-finder/angle-finder';
import { simulatedLaser } from './laser/laser';
import type { LineDevice } from './on-a-line';

const readMany = (device: LineDevice, of: 'a' | 'off', count = 400): number[] =>
  Array.from({ length: count }, () => parseInstrumentLine(device.receive('READ')[0]!, of)).flatMap((said) =>
    said.ok && said.value.says === 'reading' ? [said.value.value] : [],
  );
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

describe('what an angle finder and a laser say', () => {
  test.each([
    ['R a=-0.4', 'a', { says: 'reading', value: -0.4 }],
    ['T off=112.3', 'off', { says: 'live', value: 112.3 }],
    ['ERR nothing', 'a', { says: 'nothing' }],
    ['ERR no beam', 'off', { says: 'nothing' }],
    ['T none', 'off', { says: 'silent' }],
    ['OK HELLO model=x', 'a', { says: 'ok', to: 'HELLO model=x' }],
    ['R a=180', 'a', { says: 'reading', value: 180 }],
  ] as const)('%s', (line, of, value) => expect(parseInstrumentLine(line, of)).toEqual({ ok: true, value }));
  test.each([
    ['', 'a'],
    ['R off=3', 'a'],
    ['R a=3', 'off'],
    ['R a=180.1', 'a'],
    ['R off=2000.1', 'off'],
    ['R a=nan', 'a'],
    ['hello', 'a'],
    [`R a=1${' '.repeat(300)}x`, 'a'],
  ] as const)('%s, asked for %s, is passed over', (line, of) =>
    expect(parseInstrumentLine(line, of).ok).toBe(false),
  );
});

describe('the angle finder', () => {
  test('shows tenths about the angle it is laid on, and nothing before', () => {
    const device = simulatedAngleFinder(3);
    expect(device.receive('READ')).toEqual(['ERR nothing']);
    device.receive('UNDER a=0.42');
    const read = readMany(device, 'a');
    expect(mean(read)).toBeCloseTo(0.42, 1);
    expect(new Set(read.map((value) => Math.round(value * 100) % 10))).toEqual(new Set([0]));
    device.receive('UNDER none');
    expect(device.receive('LIVE')).toEqual(['T none']);
  });
});

describe('the laser', () => {
  test('finds its beam to a quarter of a millimetre, and none past its receiver', () => {
    const device = simulatedLaser(5);
    device.receive('UNDER off=112.3');
    const read = readMany(device, 'off');
    expect(Math.abs(mean(read) - 112.3)).toBeLessThan(0.05);
    const spread = Math.sqrt(mean(read.map((value) => (value - 112.3) ** 2)));
    expect(spread).toBeGreaterThan(0.2);
    expect(spread).toBeLessThan(0.3);
    device.receive('UNDER off=400');
    expect(device.receive('READ')[0]).toMatch(/^R off=/);
    device.receive('UNDER off=400.1');
    expect(device.receive('READ')).toEqual(['ERR no beam']);
  });
  test('the same seed says the same, another another', () => {
    const lines = (seed: number) => {
      const device = simulatedLaser(seed);
      device.receive('UNDER off=50');
      return readMany(device, 'off', 5);
    };
    expect(lines(1)).toEqual(lines(1));
    expect(lines(1)).not.toEqual(lines(2));
  });
});

test.each(['angle-finder', 'laser'])('%s: a process of its own, that ends with its input', async (name) => {
  const child = spawn(process.execPath, ['node_modules/tsx/dist/cli.mjs', `stand-ins/${name}/main.ts`], {
    stdio: ['pipe', 'pipe', 'ignore'],
  });
  const ended = new Promise((resolve) => child.on('exit', resolve));
  const first = new Promise<string>((resolve) =>
    createInterface({ input: child.stdout }).once('line', resolve),
  );
  child.stdin.write('HELLO\n');
  expect(await first).toMatch(/^(OK HELLO|T none)/);
  child.stdin.end();
  expect(await ended).toBe(0);
});
