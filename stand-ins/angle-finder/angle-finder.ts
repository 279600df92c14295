import { seeded } from '../seeded';
import type { LineDevice } from '../on-a-line';

/** Tenths of a degree that it wanders, one standard deviation. */
const NOISE_DEG = 0.04;
/** It shows no more than this many decimals. */
const DECIMALS = 1;

/** An angle finder, simulated: shows the angle of what it is laid on, in tenths, with a little noise. The same seed says the same. */
export function simulatedAngleFinder(seed: number): LineDevice {
  const random = seeded(seed);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  let laidOn: number | undefined;
  const shown = (mark: 'R' | 'T'): string =>
    laidOn === undefined
      ? mark === 'R'
        ? 'ERR nothing'
        : 'T none'
      : `${mark} a=${(laidOn + NOISE_DEG * normal()).toFixed(DECIMALS)}`;
  return {
    receive(line) {
      const [word, rest = ''] = line.trim().split(' ');
      switch (word) {
        case 'HELLO':
          return ['OK HELLO model=stand-in serial=SIM-2'];
        case 'UNDER':
          laidOn = /^a=-?\d+(\.\d+)?$/.test(rest) ? Number(rest.slice(2)) : undefined;
          return [`OK UNDER ${laidOn === undefined ? 'none' : laidOn.toFixed(2)}`];
        case 'READ':
          return [shown('R')];
        case 'LIVE':
          return [shown('T')];
        default:
          return [`ERR ${(word ?? '').slice(0, 20)}`];
      }
    },
  };
}
