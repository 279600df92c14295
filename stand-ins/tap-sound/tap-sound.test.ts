import { compareTaps, hearTaps } from '@/core/walk';
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
