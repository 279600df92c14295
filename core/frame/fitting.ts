import { z } from 'zod';
import { CARRIED, type Carried } from './carried';
import { TANK_HOLDS } from './loads';

export const FITTING_KINDS = [
  'axle',
  'spring hanger',
  'spring seat',
  'spring bucket',
  'equaliser',
  'control arm',
  'shock mount',
  'bump stop',
  'steering gear',
  'body mount',
  'bed mount',
  'skid-plate mount',
  'captive mount',
  'tower top',
  'bracket',
  'gusset',
  'hitch',
  'coupler',
  'pin box',
  'coupler plate',
  'landing leg',
  'joint',
  'tank strap',
  'spare carrier',
  'lift point',
  'jack',
  'line',
  'harness',
  'tank',
  'exhaust',
] as const;
export type FittingKind = (typeof FITTING_KINDS)[number];

export const ATTACHED_BY = ['weld', 'rivets', 'bolts', 'bond', 'pin', 'screws into timber', 'clamp'] as const;
export type AttachedBy = (typeof ATTACHED_BY)[number];

const madeMm = (words: string) => z.number().gt(0, `${words} is more than nothing`).lte(2000);

/**
 * What hangs on the frame: bracket, hanger, mount, axle. `both` stands for one on each side. It hangs on the rail or sill that passes its station,
 * or on the member named by `onId` (for both sides: on that one and its twin).
 *
 *      z up │   ┌─ rail ──  x: stationMm, rearward from the datum
 *           │   └──┬──      y: `outMm` outward from the middle of what it hangs on
 *           │      ▼        z: `dropMm` below the middle of the rails
 */
export const fittingSchema = z.object({
  id: z.string().min(1).max(40),
  kind: z.enum(FITTING_KINDS),
  name: z.string().trim().min(1, 'a name is needed').max(60),
  side: z.enum(['left', 'right', 'both']),
  /** Frames longer than 40 m are a slip of the keyboard. */
  stationMm: z
    .number()
    .gte(0, 'a station is not below 0')
    .lte(40_000, 'a station over 40 m is off any frame'),
  outMm: z.number().gte(-2000).lte(2000).optional(),
  /** How far below the middle of the rail its load acts: a hanger's height, a coupler's, a leg's foot. */
  dropMm: z.number().gte(-4000).lte(2000).optional(),
  /** Axles: what the maker rates it for. */
  ratingKg: z
    .number()
    .gt(50, 'an axle rating under 50 kg is none')
    .lt(40_000, 'an axle rating over 40 t is none')
    .optional(),
  carries: z.array(z.enum(CARRIED)).max(9).optional(),
  /** The member it hangs on, where it is not the rail or sill that passes its station. */
  onId: z.string().min(1).max(40).optional(),
  /** Its own plate as made: along the frame, high, thick. */
  size: z
    .object({ alongMm: madeMm('a length'), highMm: madeMm('a height'), thicknessMm: madeMm('a thickness') })
    .optional(),
  /** Holes and pins as made: what wear is measured from. */
  holeMm: madeMm('a hole').lte(300).optional(),
  pinMm: madeMm('a pin').lte(300).optional(),
  attached: z
    .object({ by: z.enum(ATTACHED_BY), count: z.number().int().gte(1).lte(60).optional() })
    .optional(),
  /** Tanks: what is in it; one of which nobody said so is taken for fuel. */
  holds: z.enum(TANK_HOLDS).optional(),
  /** Mounts of one thing: four of a subframe. Corners across are looked for within it. */
  set: z.string().trim().min(1).max(40).optional(),
});
export type Fitting = z.infer<typeof fittingSchema>;

const CARRIES_BY_KIND: Readonly<Record<FittingKind, readonly Carried[]>> = {
  axle: ['axle location'],
  'spring hanger': ['axle location', 'spring seat'],
  'spring seat': ['spring seat'],
  'spring bucket': ['spring seat'],
  equaliser: ['axle location', 'spring seat'],
  'control arm': ['axle location'],
  'shock mount': ['shock'],
  'bump stop': [],
  'steering gear': ['steering'],
  'body mount': ['people', 'body'],
  'bed mount': ['body'],
  'skid-plate mount': [],
  'captive mount': ['axle location'],
  'tower top': ['spring seat', 'shock'],
  bracket: [],
  gusset: [],
  hitch: ['hitch'],
  coupler: ['hitch'],
  'pin box': ['hitch'],
  'coupler plate': ['hitch'],
  'landing leg': [],
  joint: [],
  'tank strap': ['tank'],
  'spare carrier': ['spare'],
  'lift point': [],
  jack: [],
  line: [],
  harness: [],
  tank: ['tank'],
  exhaust: [],
};
/** What a mount or bracket carries: what was said of it, else what its kind always does. */
export const carriedBy = (mark: Fitting): readonly Carried[] => mark.carries ?? CARRIES_BY_KIND[mark.kind];
