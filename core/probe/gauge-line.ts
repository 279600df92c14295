import { fail, ok, type Outcome } from '../quantity';

/** Velocity of longitudinal sound in steel, m/s: 0.2330 in/µs (ASTM E797, from memory). */
export const STEEL_VELOCITY_MPS = 5920;

/** t = v·Δt/2: thickness from the time between echoes, µs (ASTM E797). */
export const echoThicknessMm = (betweenEchoesUs: number, velocityMps: number): number =>
  (velocityMps * betweenEchoesUs) / 2000;

/** Warm steel carries sound slower: about 1 % in 55 °C, so that a hot wall reads thick (ASTM E797, from memory). */
export const velocityAt = (velocityMps: number, temperatureC: number, setAtC = 20): number =>
  velocityMps * (1 - (0.01 * (temperatureC - setAtC)) / 55);
/** A reading taken at one temperature with the velocity set at another, corrected. */
export const temperatureCorrectedMm = (readMm: number, temperatureC: number, setAtC = 20): number =>
  readMm * (velocityAt(STEEL_VELOCITY_MPS, temperatureC, setAtC) / STEEL_VELOCITY_MPS);

/** Below this quality a reading is kept with a warning. */
export const POOR_QUALITY = 0.4;

/** What a gauge says, one line each; the protocol stands in stand-ins/thickness-gauge/README.md. */
export type GaugeMessage =
  | { readonly says: 'ok'; readonly to: string }
  | { readonly says: 'live' | 'reading'; readonly thicknessMm: number; readonly quality: number }
  | { readonly says: 'no echo' | 'silent' }
  | { readonly says: 'scan'; readonly heights: readonly number[] };

const LONGEST = 1000;

/** Reads one line of a gauge. Nonsense is refused with the reason, and the line is passed over. */
export function parseGaugeLine(line: string): Outcome<GaugeMessage> {
  const text = line.trim();
  if (text.length > LONGEST) return fail('the gauge sent a line that is too long');
  const value = /^([RT]) t=(\d+(?:\.\d+)?) q=(\d(?:\.\d+)?)$/.exec(text);
  if (value) {
    const [thicknessMm, quality] = [Number(value[2]), Number(value[3])];
    if (!(thicknessMm > 0 && thicknessMm <= 50))
      return fail(`the gauge says ${value[2]} mm, which no frame is`);
    if (!(quality <= 1)) return fail('the gauge gave a quality over 1');
    return ok({ says: value[1] === 'R' ? 'reading' : 'live', thicknessMm, quality });
  }
  if (text === 'ERR no echo') return ok({ says: 'no echo' });
  if (text === 'T none') return ok({ says: 'silent' });
  if (text.startsWith('OK ')) return ok({ says: 'ok', to: text.slice(3) });
  const scan = /^A ((?:\d{1,2},)*\d{1,2})$/.exec(text);
  if (scan) return ok({ says: 'scan', heights: scan[1]!.split(',').map(Number) });
  return fail(`the gauge said something that is not understood: “${text.slice(0, 40)}”`);
}
