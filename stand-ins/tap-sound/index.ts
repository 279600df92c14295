import { seeded } from '../seeded';

/**
 * A hammer, a rail and a microphone, simulated: a few taps on metal of a stated kind as a recording. Decaying tones over a little noise;
 * the same seed gives the same recording.
 */
export const METALS = ['solid', 'thin', 'plated', 'filled'] as const;
export type Metal = (typeof METALS)[number];

/** Strongest tone, its overtones and how long each takes to fall to 1/e. */
export const TONES: Readonly<
  Record<Metal, readonly { readonly hz: number; readonly decayMs: number; readonly strength: number }[]>
> = {
  solid: [
    { hz: 1840, decayMs: 120, strength: 1 },
    { hz: 3120, decayMs: 60, strength: 0.35 },
    { hz: 5230, decayMs: 25, strength: 0.15 },
  ],
  thin: [
    { hz: 1310, decayMs: 42, strength: 1 },
    { hz: 2280, decayMs: 22, strength: 0.4 },
  ],
  plated: [
    { hz: 2490, decayMs: 85, strength: 1 },
    { hz: 4100, decayMs: 40, strength: 0.3 },
  ],
  filled: [
    { hz: 620, decayMs: 11, strength: 1 },
    { hz: 980, decayMs: 7, strength: 0.5 },
  ],
};

export const SAMPLE_RATE = 44_100;

export function tapRecording(
  metal: Metal,
  seed: number,
  { taps = 4, noise = 0.002 }: { taps?: number; noise?: number } = {},
): Float32Array {
  const random = seeded(seed);
  const apartS = 0.7;
  const samples = new Float32Array(Math.round((taps * apartS + 0.4) * SAMPLE_RATE));
  for (let i = 0; i < samples.length; i++) samples[i] = noise * (2 * random() - 1);
  for (let tap = 0; tap < taps; tap++) {
    const start = Math.round((0.2 + tap * apartS + 0.05 * random()) * SAMPLE_RATE);
    const loud = 0.5 + 0.3 * random();
    for (const { hz, decayMs, strength } of TONES[metal]) {
      const [tone, decayS] = [
        hz * (1 + 0.006 * (random() - 0.5)),
        (decayMs / 1000) * (1 + 0.1 * (random() - 0.5)),
      ];
      for (let i = start; i < samples.length; i++) {
        const t = (i - start) / SAMPLE_RATE;
        if (t > 8 * decayS) break;
        samples[i] =
          samples[i]! + loud * strength * 0.6 * Math.exp(-t / decayS) * Math.sin(2 * Math.PI * tone * t);
      }
    }
  }
  return samples;
}

/** A recording as a 16-bit mono WAV file, for whatever plays or reads one. */
export function wavOf(samples: Float32Array, sampleRate = SAMPLE_RATE): Uint8Array {
  const bytes = new Uint8Array(44 + 2 * samples.length);
  const view = new DataView(bytes.buffer);
  const text = (at: number, words: string) =>
    [...words].forEach((letter, k) => view.setUint8(at + k, letter.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, 36 + 2 * samples.length, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, sampleRate, true);
  view.setUint32(28, 2 * sampleRate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, 2 * samples.length, true);
  samples.forEach((sample, k) => view.setInt16(44 + 2 * k, Math.max(-1, Math.min(1, sample)) * 32_767, true));
  return bytes;
}
