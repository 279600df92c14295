import FFT from 'fft.js';
import { linearRegression, mean, quantile } from 'simple-statistics';
import type { HeardTap, TapAnswer } from './tap-test';

/** A tap is louder than what went before by this, and stands this far above the quiet of the recording. */
const ONSET_RATIO = 4;
const FLOOR_RATIO = 8;
const FRAME_S = 0.004;
/** Two taps nearer than this are one; a tap is listened to this long. */
const APART_S = 0.15;
const LISTEN_S = 1.5;
/** Below is rumble and hum. */
const LOWEST_HZ = 150;

/** What was heard in a recording: taps, and how many there were that noise drowned. */
export interface HeardTaps {
  readonly taps: HeardTap[];
  readonly drowned: number;
}

/**
 * Finds the taps in a recording and measures each. Rumble and hum below 150 Hz are filtered out. Ring-down: the slope of the backward-integrated
 * energy (Schroeder's method, as ISO 3382 measures rooms) from 5 dB below its start, cut off where the decay sinks into the noise and what is lost
 * there made up (after A. Lundeby et al., 1995), given as the time to fall by 20 dB; one that sinks before it has fallen by enough is drowned.
 * Tone: the highest peak of the Hann-windowed spectrum above 150 Hz, by a parabola through its three bins. `samples` −1 to 1.
 */
export function listen(recorded: Float32Array, sampleRate: number): HeardTaps {
  const samples = withoutRumble(recorded, sampleRate);
  const frame = Math.max(1, Math.round(FRAME_S * sampleRate));
  const loud = frameLoudness(samples, frame);
  const floor = Math.max(1e-5, quantileOf(loud, 0.2));
  const onsets: number[] = [];
  for (let k = 1; k < loud.length; k++) {
    const since = onsets.length ? (k - onsets[onsets.length - 1]!) * FRAME_S : Infinity;
    if (loud[k]! > FLOOR_RATIO * floor && loud[k]! > ONSET_RATIO * loud[k - 1]! && since > APART_S)
      onsets.push(k);
  }
  const taps = onsets.flatMap((onset, n) => {
    const from = loudestNear(samples, onset * frame, frame);
    const until = Math.min(
      n + 1 < onsets.length ? onsets[n + 1]! * frame - frame : samples.length,
      from + Math.round(LISTEN_S * sampleRate),
    );
    const tap = samples.subarray(from, until);
    const ringMs = ringDownMs(tap, sampleRate, floor);
    const toneHz = strongestToneHz(tap, sampleRate);
    return ringMs === undefined || toneHz === undefined ? [] : [{ ringMs, toneHz }];
  });
  return { taps, drowned: onsets.length - taps.length };
}

export const hearTaps = (samples: Float32Array, sampleRate: number): HeardTap[] =>
  listen(samples, sampleRate).taps;

/** Second-order Butterworth high-pass, twice (R. Bristow-Johnson's cookbook form). */
function withoutRumble(samples: Float32Array, sampleRate: number): Float32Array {
  const w = (2 * Math.PI * LOWEST_HZ) / sampleRate;
  const alpha = Math.sin(w) / Math.SQRT2;
  const [cos, a0] = [Math.cos(w), 1 + alpha];
  const b = (1 + cos) / 2 / a0;
  const [a1, a2] = [(-2 * cos) / a0, (1 - alpha) / a0];
  const pass = (from: Float32Array): Float32Array => {
    const out = new Float32Array(from.length);
    let [x1, x2, y1, y2] = [0, 0, 0, 0];
    for (let i = 0; i < from.length; i++) {
      const x = from[i]!;
      const y = b * (x - 2 * x1 + x2) - a1 * y1 - a2 * y2;
      [x2, x1, y2, y1] = [x1, x, y1, y];
      out[i] = y;
    }
    return out;
  };
  return pass(pass(samples));
}

function frameLoudness(samples: Float32Array, frame: number): number[] {
  return Array.from({ length: Math.floor(samples.length / frame) }, (_, k) => {
    let sum = 0;
    for (let i = k * frame; i < (k + 1) * frame; i++) sum += samples[i]! ** 2;
    return Math.sqrt(sum / frame);
  });
}

const quantileOf = (values: readonly number[], share: number): number =>
  values.length ? quantile([...values], share) : 0;

function loudestNear(samples: Float32Array, at: number, reach: number): number {
  let best = Math.max(0, at - reach);
  for (let i = best; i < Math.min(samples.length, at + 2 * reach); i++)
    if (Math.abs(samples[i]!) > Math.abs(samples[best]!)) best = i;
  return best;
}

/** The decay is followed in frames this long; it is lost where it comes within this of the noise, and has to have fallen by this much before. */
const DECAY_FRAME_S = 0.002;
const ABOVE_NOISE_DB = 8;
const LEAST_FALL_DB = 15;
const [FALLS_FROM_DB, FALLS_TO_DB] = [5, 25];

const decibels = (ratio: number): number => 10 * Math.log10(ratio);

/** Time for the energy to fall 20 dB; undefined where noise drowns it before it has fallen by enough to tell. */
function ringDownMs(tap: Float32Array, sampleRate: number, floor: number): number | undefined {
  const frame = Math.max(1, Math.round(DECAY_FRAME_S * sampleRate));
  const power = frameLoudness(tap, frame).map((loudness) => loudness ** 2);
  if (power.length < 4) return undefined;
  const tail = power.slice(Math.floor(0.8 * power.length));
  const noise = Math.max(1e-12, Math.min(floor ** 2, medianOf(tail)));
  const sinks = power.findIndex(
    (_, k) => k > 0 && meanOf(power.slice(k, k + 3)) < noise * 10 ** (ABOVE_NOISE_DB / 10),
  );
  const lost = sinks < 0 ? power.length : sinks;
  const heard = power.slice(0, Math.max(lost, 1)).map((each) => Math.max(0, each - noise));
  // What the decay would still have brought after it was lost, at the pace of its last part.
  const energy = [...heard, lostEnergy(heard)];
  for (let k = energy.length - 2; k >= 0; k--) energy[k] = energy[k]! + energy[k + 1]!;
  const whole = energy[0]!;
  if (!(whole > 0)) return undefined;
  const levels = energy.slice(0, heard.length).map((each) => decibels(each / whole));
  const fallDb = Math.min(FALLS_TO_DB, -levels[levels.length - 1]!);
  if (fallDb < LEAST_FALL_DB) return ringsShorterThanFrames(tap, sampleRate, noise);
  const points = levels.flatMap((db, k): [number, number][] =>
    db <= -FALLS_FROM_DB && db >= -fallDb ? [[(k * frame) / sampleRate, db]] : [],
  );
  if (points.length < 4) return ringsShorterThanFrames(tap, sampleRate, noise);
  const { m: slope } = linearRegression(points);
  return slope < 0 ? (-20 / slope) * 1000 : undefined;
}

/** Too short for frames: sample by sample, down to the noise; undefined where that comes too soon. */
function ringsShorterThanFrames(tap: Float32Array, sampleRate: number, noise: number): number | undefined {
  const near = tap.subarray(0, Math.min(tap.length, Math.round(0.06 * sampleRate)));
  const energy = new Float64Array(near.length + 1);
  for (let i = near.length - 1; i >= 0; i--) energy[i] = energy[i + 1]! + Math.max(0, near[i]! ** 2 - noise);
  const whole = energy[0]!;
  const isClear = whole > 0 && decibels(whole / (near.length * noise)) > LEAST_FALL_DB;
  const at = (db: number) => energy.findIndex((each) => each <= whole * 10 ** (-db / 10));
  const [from, to] = [at(FALLS_FROM_DB), at(LEAST_FALL_DB)];
  if (!isClear || from < 0 || to <= from) return undefined;
  const step = Math.max(1, Math.floor((to - from) / 200));
  const points = Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, k): [number, number] => {
    const i = from + k * step;
    return [i / sampleRate, decibels(energy[i]! / whole)];
  });
  const { m: slope } = linearRegression(points);
  return slope < 0 ? (-20 / slope) * 1000 : undefined;
}

/** The rest of a geometric series that falls as the second half of these does. */
function lostEnergy(heard: readonly number[]): number {
  const half = Math.floor(heard.length / 2);
  const [first, second] = [meanOf(heard.slice(0, half)), meanOf(heard.slice(half))];
  if (!(first > second && second > 0)) return 0;
  const perFrame = (second / first) ** (1 / Math.max(1, heard.length / 2));
  return (heard[heard.length - 1]! * perFrame) / (1 - perFrame);
}

const meanOf = (values: readonly number[]): number => (values.length ? mean(values) : 0);
const medianOf = (values: readonly number[]): number => quantileOf(values, 0.5);

const SPECTRUM = 8192;

function strongestToneHz(tap: Float32Array, sampleRate: number): number | undefined {
  const fft = new FFT(SPECTRUM);
  const used = Math.min(SPECTRUM, tap.length);
  const windowed = Array.from({ length: SPECTRUM }, (_, i) =>
    i < used ? tap[i]! * (0.5 + 0.5 * Math.cos((Math.PI * i) / used)) : 0,
  );
  const out = fft.createComplexArray();
  fft.realTransform(out, windowed);
  const power = Float64Array.from(
    { length: SPECTRUM / 2 },
    (_, k) => out[2 * k]! ** 2 + out[2 * k + 1]! ** 2,
  );
  let best = Math.ceil((LOWEST_HZ * SPECTRUM) / sampleRate);
  for (let k = best; k < power.length - 1; k++) if (power[k]! > power[best]!) best = k;
  if (!(power[best]! > 0)) return undefined;
  const [a, b, c] = [best - 1, best, best + 1].map((k) => Math.log(power[k]! + 1e-30)) as [
    number,
    number,
    number,
  ];
  const bend = a - 2 * b + c;
  const shift = bend < 0 ? (0.5 * (a - c)) / bend : 0;
  return ((best + shift) * sampleRate) / SPECTRUM;
}

export const TAP_WHYS = [
  'too few taps',
  'good spot scatters',
  'doubtful spot scatters',
  'between the two',
  'another note',
  'alike',
  'rings shorter',
] as const;
/** The comparison with what it rests on; ratios are doubtful over good. `note`: higher points to something welded on, lower to thinner metal or a longer free span. */
export interface TapComparison {
  readonly answer: TapAnswer;
  readonly why: (typeof TAP_WHYS)[number];
  readonly ringRatio?: number;
  readonly toneRatio?: number;
  readonly good?: HeardTap;
  readonly doubtful?: HeardTap;
}

/** Thresholds are our judgement: brackets and shape change the note, so only a clear difference is called one. */
const LEAST_TAPS = 3;
const SCATTER = 0.35;
const DULL_BELOW = 0.6;
const ALIKE_FROM = 0.75;
const SAME_NOTE = 0.08;

export function compareTaps(good: readonly HeardTap[], doubtful: readonly HeardTap[]): TapComparison {
  if (good.length < LEAST_TAPS || doubtful.length < LEAST_TAPS)
    return { answer: 'cannot tell', why: 'too few taps' };
  const [one, two] = [medianTap(good), medianTap(doubtful)];
  const known = {
    ringRatio: two.ringMs / one.ringMs,
    toneRatio: two.toneHz / one.toneHz,
    good: one,
    doubtful: two,
  };
  if (scatter(good, one) > SCATTER) return { answer: 'cannot tell', why: 'good spot scatters', ...known };
  if (scatter(doubtful, two) > SCATTER && known.ringRatio > DULL_BELOW)
    return { answer: 'cannot tell', why: 'doubtful spot scatters', ...known };
  if (known.ringRatio < DULL_BELOW) return { answer: 'duller', why: 'rings shorter', ...known };
  if (Math.abs(known.toneRatio - 1) > SAME_NOTE)
    return { answer: 'cannot tell', why: 'another note', ...known };
  return known.ringRatio >= ALIKE_FROM
    ? { answer: 'rings like the good spot', why: 'alike', ...known }
    : { answer: 'cannot tell', why: 'between the two', ...known };
}

const middle = medianOf;
const medianTap = (taps: readonly HeardTap[]): HeardTap => ({
  ringMs: middle(taps.map((tap) => tap.ringMs)),
  toneHz: middle(taps.map((tap) => tap.toneHz)),
});
/** Middle distance from the middle, as a share of it. */
const scatter = (taps: readonly HeardTap[], about: HeardTap): number =>
  middle(taps.map((tap) => Math.abs(tap.ringMs - about.ringMs))) / about.ringMs;
