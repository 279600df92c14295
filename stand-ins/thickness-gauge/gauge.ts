import { seeded } from '../seeded';
import { echoThicknessMm, STEEL_VELOCITY_MPS, velocityAt } from '@/core/probe';

/** What is under the probe. `pit`: how rough its back wall is, 0 to 1. */
export interface Under {
  readonly thicknessMm: number;
  readonly pit: number;
  readonly paintMm: number;
  readonly temperatureC: number;
}

const PAINT_VELOCITY_MPS = 2300;
const NOISE_MM = 0.03;
const SCAN_POINTS = 96;
/** The screen shows this much steel. */
const SCAN_DEPTH_MM = 16;
/** A block is smooth and bare. */
const BLOCK = { pit: 0, paintMm: 0, temperatureC: 20 };

interface Echo {
  readonly thicknessMm: number;
  readonly quality: number;
}

type Random = () => number;
type Mode = 'single' | 'echo';

const normalFrom = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** What the gauge makes of what comes back; undefined where nothing does. */
function echoOf(
  { thicknessMm, pit, paintMm, temperatureC }: Under,
  { mode, velocity, drift }: { mode: Mode; velocity: number; drift: number },
  random: Random,
): Echo | undefined {
  if (!(thicknessMm > 0.3) || random() < 0.4 * pit ** 2 + (mode === 'echo' ? 0.25 * pit : 0))
    return undefined;
  // Where the back wall is pitted sound comes back from a pit's bottom as often as from between the pits.
  const heard = Math.max(0.3, thicknessMm * (1 - 0.12 * pit * random()) + NOISE_MM * normalFrom(random));
  const inSteelUs = (2000 * heard) / velocityAt(STEEL_VELOCITY_MPS, temperatureC);
  const inPaintUs = mode === 'single' ? (2000 * paintMm) / PAINT_VELOCITY_MPS : 0;
  const isDoubled = random() < 0.18 * pit + (thicknessMm < 1.2 ? 0.3 : 0);
  const read = echoThicknessMm((isDoubled ? 2 : 1) * inSteelUs + inPaintUs, velocity) + drift;
  const quality =
    0.96 - 0.55 * pit - (isDoubled ? 0.25 : 0) - (thicknessMm < 1.2 ? 0.2 : 0) + 0.03 * normalFrom(random);
  return { thicknessMm: Math.max(0.1, read), quality: Math.max(0.05, Math.min(1, quality)) };
}

/** The screen: the pulse, and up to four echoes that grow fainter; broader where the back wall is pitted. */
function scanOf(under: Under | undefined, random: Random): string {
  const heights = Array.from({ length: SCAN_POINTS }, (_, k) => {
    const depth = (k * SCAN_DEPTH_MM) / SCAN_POINTS;
    let height = 3 * random() + 90 * Math.exp(-((depth / 0.25) ** 2));
    if (under)
      for (let echo = 1; echo <= 4; echo++)
        height +=
          80 *
          (1 - 0.6 * under.pit) *
          0.55 ** (echo - 1) *
          Math.exp(-(((depth - echo * under.thicknessMm) / (0.25 + 0.5 * under.pit)) ** 2));
    return Math.max(0, Math.min(99, Math.round(height)));
  });
  return `A ${heights.join(',')}`;
}

function saying(mark: 'R' | 'T', echo: Echo | undefined): string {
  if (echo) return `${mark} t=${echo.thicknessMm.toFixed(2)} q=${echo.quality.toFixed(2)}`;
  return mark === 'R' ? 'ERR no echo' : 'T none';
}

/**
 * A pulse-echo thickness gauge, simulated: lines in, lines out. In single-echo mode paint adds its own time; echo to echo it cancels, but wants a
 * second echo. Pitted back walls scatter: echoes drop out, or the second is taken for the first and the reading doubles. `drift`: mm that its
 * zero has wandered. The same seed says the same.
 */
export function simulatedGauge(seed: number, drift = 0) {
  const random = seeded(seed);
  let mode: Mode = 'single';
  let velocity = STEEL_VELOCITY_MPS;
  let under: Under | undefined;

  const listen = () => under && echoOf(under, { mode, velocity, drift }, random);
  const scan = () => scanOf(under, random);

  return {
    /** Answers to one line from the host. */
    receive(line: string): string[] {
      const [word, rest = ''] = [line.trim().split(' ')[0] ?? '', line.trim().split(' ').slice(1).join(' ')];
      switch (word) {
        case 'HELLO':
          return ['OK HELLO model=stand-in serial=SIM-1'];
        case 'MODE':
          if (rest !== 'single' && rest !== 'echo') return ['ERR mode'];
          mode = rest;
          return [`OK MODE ${mode}`];
        case 'VELOCITY':
          if (!(Number(rest) >= 3000 && Number(rest) <= 8000)) return ['ERR velocity'];
          velocity = Number(rest);
          return [`OK VELOCITY ${velocity}`];
        case 'BLOCK':
          under = Number(rest) > 0 ? { thicknessMm: Number(rest), ...BLOCK } : undefined;
          return [`OK BLOCK ${rest}`];
        case 'UNDER':
          under = rest === 'none' ? undefined : placed(rest);
          return [`OK UNDER ${under ? under.thicknessMm.toFixed(2) : 'none'}`];
        case 'READ':
          return [saying('R', listen()), scan()];
        case 'LIVE':
          return [saying('T', listen()), scan()];
        default:
          return [`ERR ${word.slice(0, 20)}`];
      }
    },
  };
}

function placed(words: string): Under | undefined {
  const given = new Map(words.split(' ').map((pair) => pair.split('=') as [string, string]));
  const number = (name: string, usual: number) =>
    Number.isFinite(Number(given.get(name) ?? NaN)) ? Number(given.get(name)) : usual;
  const thicknessMm = number('thickness', 0);
  return thicknessMm > 0
    ? {
        thicknessMm,
        pit: Math.min(1, Math.max(0, number('pit', 0))),
        paintMm: Math.max(0, number('paint', 0)),
        temperatureC: number('temperature', 20),
      }
    : undefined;
}
