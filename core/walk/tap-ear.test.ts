import { compareTaps, hearTaps, type HeardTap } from '.';

/** Taps that ring so long and at such a note; `strays` moves all but the middle one by that share of it, either way. */
const taps = (ringMs: number, toneHz: number, strays = 0, count = 5): HeardTap[] =>
  Array.from({ length: count }, (_, k) => {
    const way = k === 0 ? 0 : k % 2 ? 1 : -1;
    return { ringMs: ringMs * (1 + way * strays), toneHz };
  });
const GOOD = taps(100, 1800);
const said = (good: readonly HeardTap[], doubtful: readonly HeardTap[]) => {
  const { answer, why } = compareTaps(good, doubtful);
  return [answer, why];
};

describe('a doubtful spot against a good one, each limit with a case on either side (our judgement)', () => {
  test.each<[string, readonly HeardTap[], readonly HeardTap[], readonly string[]]>([
    ['three taps each', taps(100, 1800, 0, 3), taps(90, 1800, 0, 3), ['rings like the good spot', 'alike']],
    ['two on the good spot', taps(100, 1800, 0, 2), GOOD, ['cannot tell', 'too few taps']],
    ['two on the doubtful one', GOOD, taps(90, 1800, 0, 2), ['cannot tell', 'too few taps']],
    ['the good spot strays by 0.34', taps(100, 1800, 0.34), GOOD, ['rings like the good spot', 'alike']],
    ['by 0.36', taps(100, 1800, 0.36), GOOD, ['cannot tell', 'good spot scatters']],
    ['the doubtful one strays by 0.34', GOOD, taps(90, 1800, 0.34), ['rings like the good spot', 'alike']],
    ['by 0.36', GOOD, taps(90, 1800, 0.36), ['cannot tell', 'doubtful spot scatters']],
    ['strays, and is dull all the same', GOOD, taps(59, 1800, 0.36), ['duller', 'rings shorter']],
    ['rings 0.59 as long', GOOD, taps(59, 1800), ['duller', 'rings shorter']],
    ['0.61', GOOD, taps(61, 1800), ['cannot tell', 'between the two']],
    ['0.74', GOOD, taps(74, 1800), ['cannot tell', 'between the two']],
    ['0.75', GOOD, taps(75, 1800), ['rings like the good spot', 'alike']],
    ['a note 7.9 % higher', GOOD, taps(90, 1800 * 1.079), ['rings like the good spot', 'alike']],
    ['8.1 % higher', GOOD, taps(90, 1800 * 1.081), ['cannot tell', 'another note']],
    ['7.9 % lower', GOOD, taps(90, 1800 * 0.921), ['rings like the good spot', 'alike']],
    ['8.1 % lower', GOOD, taps(90, 1800 * 0.919), ['cannot tell', 'another note']],
    ['dull on another note is dull', GOOD, taps(50, 2400), ['duller', 'rings shorter']],
  ])('%s', (_, good, doubtful, expected) => expect(said(good, doubtful)).toEqual(expected));

  test('ratios are doubtful over good, of the middle taps', () => {
    const one = compareTaps(GOOD, [...taps(80, 1700, 0, 4), { ringMs: 900, toneHz: 400 }]);
    expect(one.ringRatio).toBeCloseTo(0.8, 9);
    expect(one.toneRatio).toBeCloseTo(1700 / 1800, 9);
  });
});

describe('taps in a recording', () => {
  const RATE = 48_000;
  /** Struck at these times, each ringing at its own note and falling to 1/e in so many ms. */
  function struck(
    at: readonly (readonly [s: number, hz: number, tauMs: number])[],
    loud = 0.7,
  ): Float32Array {
    const samples = new Float32Array(2.5 * RATE);
    let state = 1;
    for (let i = 0; i < samples.length; i++) {
      state = (state * 16_807) % 2_147_483_647;
      samples[i] = 0.0005 * ((2 * state) / 2_147_483_647 - 1);
    }
    for (const [s, hz, tauMs] of at)
      for (let i = 0; i + s * RATE < samples.length; i++)
        samples[Math.round(s * RATE) + i]! +=
          loud * Math.exp(-i / RATE / (tauMs / 1000)) * Math.sin((2 * Math.PI * hz * i) / RATE);
    return samples;
  }

  test('a tap is listened to until the next is struck, though it still rings: each keeps its own ring and note', () => {
    const [long, next] = [[0.2, 1200, 110] as const, [0.44, 2600, 60] as const];
    const [first, second] = hearTaps(struck([long, next]), RATE);
    const [alone] = hearTaps(struck([long]), RATE);
    expect(first!.toneHz / 1200).toBeCloseTo(1, 2);
    expect(second!.toneHz / 2600).toBeCloseTo(1, 2);
    expect(first!.ringMs / alone!.ringMs).toBeGreaterThan(0.9);
    expect(first!.ringMs / alone!.ringMs).toBeLessThan(1.1);
  });
  // An amplitude that falls to 1/e in τ has lost 20 dB, a hundredth of its energy left, after ln 10 · τ.
  test.each([4, 8, 30, 60, 110])('what falls to 1/e in %d ms loses 20 dB in 2.303 times that', (tauMs) =>
    expect(hearTaps(struck([[0.2, 1500, tauMs]]), RATE)[0]!.ringMs! / (Math.LN10 * tauMs)).toBeCloseTo(1, 1),
  );
  test.each([1200, 1201.5, 1203, 1204.5, 1767])(
    'a note of %d Hz, between two lines of the spectrum (5.9 Hz apart), is told to half a hertz',
    (hz) => expect(hearTaps(struck([[0.2, hz, 110]]), RATE)[0]!.toneHz - hz).toBeCloseTo(0, 0),
  );
  test.each([
    [0.14, 1],
    [0.17, 2],
  ])('struck again after %d s: heard as %i', (apart, count) =>
    expect(
      hearTaps(
        struck([
          [0.2, 1500, 10],
          [0.2 + apart, 1500, 10],
        ]),
        RATE,
      ),
    ).toHaveLength(count),
  );
  // Noise of 0.0005 either way is 0.00029 on the mean; a tone of 0.0033 is eight times that.
  test.each([
    [0.003, 0],
    [0.004, 1],
  ])('a tap of %d of full scale over that noise: heard as %i', (loud, count) =>
    expect(hearTaps(struck([[0.5, 1500, 60]], loud), RATE)).toHaveLength(count),
  );
});
