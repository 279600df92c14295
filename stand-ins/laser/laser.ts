import { seeded } from '../seeded';
import type { LineDevice } from '../on-a-line';

/** How exactly the receiver finds the beam, mm, one standard deviation. */
const NOISE_MM = 0.25;
/** Beyond this the receiver does not see the beam. */
const RECEIVER_MM = 400;

/**
 * A laser line with a receiver held against the member, simulated: how far the beam stands off, to a tenth of a millimetre. Past the receiver's end
 * there is no beam. The same seed says the same.
 */
export function simulatedLaser(seed: number): LineDevice {
  const random = seeded(seed);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  let heldMm: number | undefined;
  const shown = (mark: 'R' | 'T'): string =>
    heldMm === undefined || Math.abs(heldMm) > RECEIVER_MM
      ? mark === 'R'
        ? 'ERR no beam'
        : 'T none'
      : `${mark} off=${(heldMm + NOISE_MM * normal()).toFixed(1)}`;
  return {
    receive(line) {
      const [word, rest = ''] = line.trim().split(' ');
      switch (word) {
        case 'HELLO':
          return ['OK HELLO model=stand-in serial=SIM-3'];
        case 'UNDER':
          heldMm = /^off=-?\d+(\.\d+)?$/.test(rest) ? Number(rest.slice(4)) : undefined;
          return [`OK UNDER ${heldMm === undefined ? 'none' : heldMm.toFixed(2)}`];
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
