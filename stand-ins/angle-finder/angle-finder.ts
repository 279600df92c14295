import { oneFigure } from '../one-figure';

/** An angle finder, simulated: the angle of what it is laid on, to a tenth of a degree; it wanders by 0.04°. */
export const simulatedAngleFinder = (seed: number) =>
  oneFigure({ serial: 'SIM-2', key: 'a', noise: 0.04, most: 180, nothing: 'ERR nothing' }, seed);
