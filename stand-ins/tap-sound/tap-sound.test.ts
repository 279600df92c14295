import { compareTaps, hearTaps, listen } from '@/core/walk';
import { seeded } from '../seeded';
import { METALS, SAMPLE_RATE, tapRecording, TONES, wavOf } from '.';

/** A tone of known pitch and decay: amplitude e^(−t/τ), so that it falls 20 dB in τ·ln 10. */
function tone(hz: number, tauMs: number, { taps = 3, noise = 0.0005, rate = 48_000 } = {}): Float32Array {
  const samples = new Float32Array(rate * (0.3 + taps));
  let state = 1;
  for (let i = 0; i < samples.length; i++) {
    state = (state * 16_807) % 2_147_483_647;
    samples[i] = noise * ((2 * state) / 2_147_483_647 - 1);
  }
  for (let tap = 0; tap < taps; tap++)
    for (let i = 0; i < 0.9 * rate; i++)
      samples[Math.round((0.2 + tap) * rate) + i]! +=
        0.7 * Math.exp(-i / rate / (tauMs / 1000)) * Math.sin((2 * Math.PI * hz * i) / rate);
  return samples;
}

test.each([
  [440, 200],
  [1310, 42],
  [1840, 120],
  [3000, 60],
  [5200, 25],
])('%d Hz falling to 1/e in %d ms is heard as that', (hz, tauMs) => {
  const heard = hearTaps(tone(hz, tauMs), 48_000);
  expect(heard).toHaveLength(3);
  for (const tap of heard) {
    expect(tap.toneHz / hz).toBeCloseTo(1, 2);
    expect(tap.ringMs / (tauMs * Math.LN10)).toBeGreaterThan(0.93);
    expect(tap.ringMs / (tauMs * Math.LN10)).toBeLessThan(1.07);
  }
});

test('the sampling rate changes nothing', () => {
  const [one] = hearTaps(tone(1500, 80), 48_000);
  const [two] = hearTaps(tone(1500, 80, { rate: 44_100 }), 44_100);
  expect(two!.toneHz / one!.toneHz).toBeCloseTo(1, 2);
  expect(two!.ringMs / one!.ringMs).toBeCloseTo(1, 1);
});

test('silence and bare noise hold no tap', () => {
  expect(hearTaps(new Float32Array(48_000), 48_000)).toEqual([]);
  expect(hearTaps(tone(1000, 50, { taps: 0, noise: 0.02 }), 48_000)).toEqual([]);
  expect(hearTaps(new Float32Array(0), 48_000)).toEqual([]);
});

test.each(METALS)('the stand-in’s %s metal is heard at its stated pitch and decay', (metal) => {
  for (const seed of [1, 2, 3]) {
    const taps = hearTaps(tapRecording(metal, seed), SAMPLE_RATE);
    expect(taps).toHaveLength(4);
    for (const tap of taps) expect(Math.abs(tap.toneHz / TONES[metal][0]!.hz - 1)).toBeLessThan(0.05);
  }
});

describe('the comparison', () => {
  const heard = (metal: (typeof METALS)[number], seed: number) =>
    hearTaps(tapRecording(metal, seed), SAMPLE_RATE);
  const good = heard('solid', 1);
  test.each([
    ['solid', 'rings like the good spot'],
    ['thin', 'duller'],
    ['filled', 'duller'],
    ['plated', 'cannot tell'],
  ] as const)('%s against solid: %s', (metal, answer) => {
    for (const seed of [5, 6, 7, 8]) expect(compareTaps(good, heard(metal, seed)).answer).toBe(answer);
  });
  test('a welded-on plate answers with a higher note', () => {
    const { toneRatio, why } = compareTaps(good, heard('plated', 5));
    expect(why).toBe('another note');
    expect(toneRatio).toBeGreaterThan(1.2);
  });
  test('two taps tell nothing, nor do taps that differ among themselves', () => {
    expect(compareTaps(good, heard('thin', 5).slice(0, 2))).toMatchObject({
      answer: 'cannot tell',
      why: 'too few taps',
    });
    const wild = [30, 90, 250, 400].map((ringMs) => ({ ringMs, toneHz: 1800 }));
    expect(compareTaps(wild, good)).toMatchObject({ answer: 'cannot tell', why: 'good spot scatters' });
    expect(
      compareTaps(
        good,
        [130, 240, 250, 500].map((ringMs) => ({ ringMs, toneHz: 1840 })),
      ).answer,
    ).toBe('rings like the good spot');
  });
});

test('the stand-in’s WAV file says what it is', () => {
  const bytes = wavOf(tapRecording('solid', 1));
  expect(new TextDecoder().decode(bytes.subarray(0, 4))).toBe('RIFF');
  expect(new DataView(bytes.buffer).getUint32(24, true)).toBe(SAMPLE_RATE);
  expect(bytes.length).toBe(44 + 2 * tapRecording('solid', 1).length);
});

/**
 * Taps of another make: a bar's modes struck by a half-sine blow, through hum with its harmonics and noise that is louder the lower it is. Dead
 * metal must never pass for good, however loud the shop is; where it cannot be told, that is the answer.
 */
describe('in a shop', () => {
  const RATE = 22_050;
  /** One period of a mains hum with its harmonics, at 60 Hz or thereabouts. */
  const HUM = Float64Array.from({ length: 368 }, (_, k) => {
    const t = (2 * Math.PI * k) / 368;
    return Math.sin(t) + 0.5 * Math.sin(2 * t) + 0.3 * Math.sin(3 * t) + 0.2 * Math.sin(6 * t);
  });
  const modes = (ringMs: number) =>
    [1, 2.76, 5.4].map((ratio, k) => ({ ratio, ringMs: ringMs / (1 + k), loud: 1 / (1 + 2 * k) }));
  function struck(
    seed: number,
    hz: number,
    ringMs: number,
    { humDb, hissDb }: { humDb: number; hissDb: number },
  ) {
    const random = seeded(seed);
    const samples = new Float32Array(Math.round(3.4 * RATE));
    let brown = 0;
    const [hum, hiss] = [10 ** (humDb / 20), 10 ** (hissDb / 20)];
    const shift = Math.floor(HUM.length * random());
    for (let i = 0; i < samples.length; i++) {
      brown = 0.97 * brown + 0.25 * (2 * random() - 1);
      samples[i] = hum * HUM[(i + shift) % HUM.length]! + hiss * brown;
    }
    for (let tap = 0; tap < 4; tap++) {
      const at = Math.round((0.25 + 0.75 * tap + 0.04 * random()) * RATE);
      const loud = 0.6 + 0.4 * random();
      for (const mode of modes(ringMs * (0.93 + 0.14 * random()))) {
        // A damped swing by its own recurrence: y₁ = r sin w, y_n = 2 r cos w y_(n−1) − r² y_(n−2).
        const w = (2 * Math.PI * hz * mode.ratio) / RATE;
        const r = Math.exp(-1000 / (mode.ringMs * RATE));
        let [before, now] = [0, loud * mode.loud * r * Math.sin(w)];
        for (let i = at; i < Math.min(samples.length, at + 0.012 * mode.ringMs * RATE); i++) {
          samples[i] = samples[i]! + now;
          [before, now] = [now, 2 * r * Math.cos(w) * now - r * r * before];
        }
      }
    }
    return samples;
  }
  const SEEDS = Array.from({ length: 6 }, (_, k) => 400 + 17 * k);
  const answers = (goodMs: number, doubtfulMs: number, noise: { humDb: number; hissDb: number }) =>
    SEEDS.map((seed) => {
      const [good, doubtful] = [goodMs, doubtfulMs].map((ringMs, k) =>
        hearTaps(struck(seed + k, 1170, ringMs, noise), RATE),
      );
      return compareTaps(good!, doubtful!).answer;
    });
  const LEVELS = [
    { humDb: -70, hissDb: -70 },
    { humDb: -45, hissDb: -60 },
    { humDb: -45, hissDb: -45 },
    { humDb: -30, hissDb: -50 },
    { humDb: -25, hissDb: -30 },
    { humDb: -12, hissDb: -20 },
  ];
  test.each(LEVELS)('dead metal never rings like the good spot: hum %o', (noise) => {
    const said = answers(90, 18, noise);
    expect(said.filter((answer) => answer === 'rings like the good spot')).toEqual([]);
    if (noise.hissDb <= -45)
      expect(said.filter((answer) => answer === 'duller').length).toBeGreaterThanOrEqual(6);
  });
  test.each(LEVELS)('good metal is never called duller than good metal: hum %o', (noise) => {
    const said = answers(90, 90, noise);
    expect(said.filter((answer) => answer === 'duller')).toEqual([]);
    if (noise.hissDb <= -60)
      expect(said.filter((answer) => answer === 'rings like the good spot').length).toBeGreaterThanOrEqual(6);
  });
  test('drowned taps are counted, not measured', () => {
    const { taps, drowned } = listen(struck(9, 1170, 90, { humDb: -6, hissDb: -12 }), RATE);
    expect(taps.length + drowned).toBeLessThanOrEqual(4);
    expect(taps.length).toBeLessThan(3);
  });
});
