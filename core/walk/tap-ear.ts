import FFT from 'fft.js';
import type { HeardTap, TapAnswer } from './tap-test';

/** A tap is louder than what went before by this, and stands this far above the quiet of the recording. */
const ONSET_RATIO = 4;
const FLOOR_RATIO = 8;
const FRAME_S = 0.004;
/** Two taps nearer than this are one; a tap is listened to this long. */
const APART_S = 0.15;
const LISTEN_S = 1.5;

/**
 * Finds the taps in a recording and measures each. Ring-down: the slope of the backward-integrated energy between 5 and 25 dB below its
 * start (Schroeder's method, as ISO 3382 measures rooms), given as the time to fall by 20 dB. Tone: the highest peak of the Hann-windowed
 * spectrum above 150 Hz, by a parabola through its three bins. `samples` −1 to 1. A tap with too little above the noise is left out.
 */
export function hearTaps(samples: Float32Array, sampleRate: number): HeardTap[] {
  const frame = Math.max(1, Math.round(FRAME_S * sampleRate));
  const loud = frameLoudness(samples, frame);
  const floor = Math.max(1e-5, quantile(loud, 0.2));
  const onsets: number[] = [];
  for (let k = 1; k < loud.length; k++) {
    const since = onsets.length ? (k - onsets[onsets.length - 1]!) * FRAME_S : Infinity;
    if (loud[k]! > FLOOR_RATIO * floor && loud[k]! > ONSET_RATIO * loud[k - 1]! && since > APART_S)
      onsets.push(k);
  }
  return onsets.flatMap((onset, n) => {
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
}

function frameLoudness(samples: Float32Array, frame: number): number[] {
  return Array.from({ length: Math.floor(samples.length / frame) }, (_, k) => {
    let sum = 0;
    for (let i = k * frame; i < (k + 1) * frame; i++) sum += samples[i]! ** 2;
    return Math.sqrt(sum / frame);
  });
}

const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))] ?? 0;

function loudestNear(samples: Float32Array, at: number, reach: number): number {
  let best = Math.max(0, at - reach);
  for (let i = best; i < Math.min(samples.length, at + 2 * reach); i++)
    if (Math.abs(samples[i]!) > Math.abs(samples[best]!)) best = i;
  return best;
}

/** Time for the energy to fall 20 dB; undefined where it does not fall that far before the noise. */
function ringDownMs(tap: Float32Array, sampleRate: number, floor: number): number | undefined {
  const noise = floor ** 2;
  const energy = new Float64Array(tap.length + 1);
  for (let i = tap.length - 1; i >= 0; i--) energy[i] = Math.max(0, energy[i + 1]! + tap[i]! ** 2 - noise);
  const whole = energy[0]!;
  if (!(whole > 0)) return undefined;
  const at = (db: number) => energy.findIndex((each) => each <= whole * 10 ** (-db / 10));
  const [from, to] = [at(5), at(25)];
  if (from < 0 || to <= from + 4) return undefined;
  const ts: number[] = [],
    dbs: number[] = [];
  const step = Math.max(1, Math.floor((to - from) / 200));
  for (let i = from; i < to; i += step) {
    if (!(energy[i]! > 0)) break;
    ts.push(i / sampleRate);
    dbs.push(10 * Math.log10(energy[i]! / whole));
  }
  const slope = slopeOf(ts, dbs);
  return slope < 0 ? (-20 / slope) * 1000 : undefined;
}

function slopeOf(xs: readonly number[], ys: readonly number[]): number {
  const n = xs.length;
  const [mx, my] = [xs.reduce((a, b) => a + b, 0) / n, ys.reduce((a, b) => a + b, 0) / n];
  let top = 0,
    bottom = 0;
  for (let i = 0; i < n; i++) {
    top += (xs[i]! - mx) * (ys[i]! - my);
    bottom += (xs[i]! - mx) ** 2;
  }
  return bottom > 0 ? top / bottom : 0;
}

const SPECTRUM = 8192;
const LOWEST_HZ = 150;

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

const middle = (values: readonly number[]): number => quantile(values, 0.5);
const medianTap = (taps: readonly HeardTap[]): HeardTap => ({
  ringMs: middle(taps.map((tap) => tap.ringMs)),
  toneHz: middle(taps.map((tap) => tap.toneHz)),
});
/** Middle distance from the middle, as a share of it. */
const scatter = (taps: readonly HeardTap[], about: HeardTap): number =>
  middle(taps.map((tap) => Math.abs(tap.ringMs - about.ringMs))) / about.ringMs;
