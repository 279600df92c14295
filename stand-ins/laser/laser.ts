import { oneFigure } from '../one-figure';

/** A laser line with a receiver held against the member, simulated: how far the beam stands off, found to 0.25 mm; past the receiver's end, 400 mm, there is none. */
export const simulatedLaser = (seed: number) =>
  oneFigure({ serial: 'SIM-3', key: 'off', noise: 0.25, most: 400, nothing: 'ERR no beam' }, seed);
