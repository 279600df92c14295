import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import {
  echoThicknessMm,
  parseGaugeLine,
  STEEL_VELOCITY_MPS,
  temperatureCorrectedMm,
  velocityAt,
} from '@/core/probe';
import { simulatedGauge } from './gauge';

const readMany = (gauge: ReturnType<typeof simulatedGauge>, count = 200) =>
  Array.from({ length: count }, () => parseGaugeLine(gauge.receive('READ')[0]!)).map(
    (line) => (line.ok ? line.value : undefined)!,
  );
const thicknesses = (messages: ReturnType<typeof readMany>) =>
  messages.flatMap((each) => (each.says === 'reading' ? [each.thicknessMm] : [])).sort((a, b) => a - b);
const middle = (values: readonly number[]) => values[Math.floor(values.length / 2)]!;
const under = (gauge: ReturnType<typeof simulatedGauge>, words: string) => gauge.receive(`UNDER ${words}`);

describe('time of flight (ASTM E797, from memory)', () => {
  // 0.2330 in/µs: a quarter inch of steel answers after 2.146 µs.
  test('t = v·Δt/2', () => {
    expect(echoThicknessMm(2.146, STEEL_VELOCITY_MPS) / 25.4).toBeCloseTo(0.25, 3);
    expect(STEEL_VELOCITY_MPS / 25.4e3).toBeCloseTo(0.233, 3);
  });
  test('1 % in 55 °C: a wall at 75 °C read with a gauge set at 20 reads 1 % thick, and is corrected', () => {
    expect(velocityAt(5920, 75)).toBeCloseTo(5920 * 0.99, 6);
    expect(temperatureCorrectedMm(10.1, 75)).toBeCloseTo(9.999, 3);
    expect(temperatureCorrectedMm(10, 20)).toBe(10);
  });
});

describe('what a gauge says', () => {
  test.each([
    ['R t=4.71 q=0.92', { says: 'reading', thicknessMm: 4.71, quality: 0.92 }],
    ['T t=4.7 q=1', { says: 'live', thicknessMm: 4.7, quality: 1 }],
    ['ERR no echo', { says: 'no echo' }],
    ['T none', { says: 'silent' }],
    ['A 1,20,99', { says: 'scan', heights: [1, 20, 99] }],
    ['OK MODE echo', { says: 'ok', to: 'MODE echo' }],
  ])('%s', (line, message) => expect(parseGaugeLine(line)).toEqual({ ok: true, value: message }));
  test.each([
    '',
    'R t=abc q=1',
    'R t=4.7',
    'R t=-3 q=1',
    'R t=99 q=1',
    'R t=0 q=1',
    'T t=5 q=7',
    'A 1,200',
    'A ',
    '\u0000\u0007',
    'x'.repeat(5000),
    'R t=4.7 q=0.9; DROP',
  ])('%j is refused with a reason', (line) =>
    expect(parseGaugeLine(line)).toMatchObject({ ok: false, reason: expect.stringMatching(/gauge/) }),
  );
});

describe('the stand-in', () => {
  test('smooth bare metal reads its thickness, the same for the same seed', () => {
    const [one, two] = [simulatedGauge(3), simulatedGauge(3)];
    for (const gauge of [one, two]) under(gauge, 'thickness=4.7 pit=0 paint=0 temperature=20');
    const read = thicknesses(readMany(one));
    expect(read).toHaveLength(200);
    expect(middle(read)).toBeCloseTo(4.7, 1);
    expect(read.at(-1)! - read[0]!).toBeLessThan(0.3);
    expect(thicknesses(readMany(two))).toEqual(read);
  });
  test('paint reads thick in single echo and not echo to echo; warm steel reads thick', () => {
    const gauge = simulatedGauge(4);
    under(gauge, 'thickness=5 pit=0 paint=0.3 temperature=20');
    expect(middle(thicknesses(readMany(gauge)))).toBeCloseTo(5 + 0.3 * (5920 / 2300), 1);
    gauge.receive('MODE echo');
    expect(middle(thicknesses(readMany(gauge)))).toBeCloseTo(5, 1);
    under(gauge, 'thickness=10 pit=0 paint=0 temperature=130');
    expect(middle(thicknesses(readMany(gauge)))).toBeCloseTo(10.2, 1);
  });
  test('pitted back walls drop echoes and double some; no metal answers nothing', () => {
    const gauge = simulatedGauge(5);
    under(gauge, 'thickness=3 pit=0.9 paint=0 temperature=20');
    const said = readMany(gauge, 400);
    const doubled = thicknesses(said).filter((mm) => mm > 5);
    expect(said.filter((each) => each.says === 'no echo').length).toBeGreaterThan(60);
    expect(doubled.length).toBeGreaterThan(15);
    under(gauge, 'none');
    expect(readMany(gauge, 20).every((each) => each.says === 'no echo')).toBe(true);
    expect(gauge.receive('LIVE')[0]).toBe('T none');
  });
  test('a step block, a wandered zero, a wrong velocity; nonsense is answered as an error', () => {
    const gauge = simulatedGauge(6, 0.4);
    gauge.receive('BLOCK 5');
    expect(middle(thicknesses(readMany(gauge)))).toBeCloseTo(5.4, 1);
    gauge.receive('VELOCITY 5328');
    expect(middle(thicknesses(readMany(gauge)))).toBeCloseTo(4.5 + 0.4, 1);
    for (const line of ['VELOCITY fast', 'MODE loud', 'JUMP', ''])
      expect(gauge.receive(line)[0]).toMatch(/^ERR/);
    expect(gauge.receive('HELLO')[0]).toMatch(/^OK HELLO/);
  });
  test('as a process of its own it speaks lines over its streams and ends with them', async () => {
    const child = spawn(
      process.execPath,
      ['node_modules/tsx/dist/cli.mjs', 'stand-ins/thickness-gauge/main.ts'],
      { stdio: ['pipe', 'pipe', 'inherit'] },
    );
    const lines: string[] = [];
    const heard = new Promise<void>((resolve) =>
      createInterface({ input: child.stdout }).on('line', (line) => {
        lines.push(line);
        if (/^R /.test(line)) resolve();
      }),
    );
    child.stdin.write('HELLO\nBLOCK 5\nREAD\n');
    await heard;
    expect(lines.every((line) => parseGaugeLine(line).ok)).toBe(true);
    const ended = new Promise((resolve) => child.on('exit', resolve));
    child.stdin.end();
    expect(await ended).toBe(0);
  }, 60_000);
});
