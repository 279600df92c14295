import type { LineDevice } from './on-a-line';
import { seeded } from './seeded';

/** An instrument that shows one figure, as it is held against something. */
export interface OneFigure {
  readonly serial: string;
  /** The figure's name on the line: `a` for degrees, `off` for mm. */
  readonly key: string;
  /** How it wanders, one standard deviation, in the figure's unit. */
  readonly noise: number;
  /** Beyond this it sees nothing. */
  readonly most: number;
  /** What it answers to READ where it sees nothing. */
  readonly nothing: string;
}

/** Such an instrument, simulated: tenths of its unit, with a little noise. The same seed says the same. */
export function oneFigure({ serial, key, noise, most, nothing }: OneFigure, seed: number): LineDevice {
  const random = seeded(seed);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const under = new RegExp(`^${key}=(-?\\d+(?:\\.\\d+)?)$`);
  let held: number | undefined;
  const shown = (mark: 'R' | 'T'): string => {
    if (held !== undefined && Math.abs(held) <= most)
      return `${mark} ${key}=${(held + noise * normal()).toFixed(1)}`;
    return mark === 'R' ? nothing : 'T none';
  };
  return {
    receive(line) {
      const [word, rest = ''] = line.trim().split(' ');
      switch (word) {
        case 'HELLO':
          return [`OK HELLO model=stand-in serial=${serial}`];
        case 'UNDER': {
          const found = under.exec(rest);
          held = found ? Number(found[1]) : undefined;
          return [`OK UNDER ${held === undefined ? 'none' : held.toFixed(2)}`];
        }
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
