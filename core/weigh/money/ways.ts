import type { Approach, Money, Norms } from '../../reference';
import type { Uncertain } from './draw';

/** What can be done with a unit, from least to most. */
export const WAYS_OUT = [
  'temporary only',
  'reinforce',
  'bolt on',
  'mend',
  'splice or renew',
  'swap the frame',
  'withdraw it',
] as const;
export type WayOut = (typeof WAYS_OUT)[number];

/** Years a way out is good for where salt is about, least and most (common practice, no source). */
export const SERVICE_YEARS: Readonly<Record<WayOut, readonly [number, number]>> = {
  'temporary only': [0, 0.1],
  reinforce: [5, 20],
  'bolt on': [2, 8],
  mend: [5, 15],
  'splice or renew': [8, 20],
  'swap the frame': [5, 15],
  'withdraw it': [0, 0],
};

/** How much of each kind of work a unit asks for. */
export interface Quantities {
  /** Bad stretches of rails and sills, and of them those that plates are drawn for. */
  readonly stretches: number;
  /** Of them those that another one’s strip-down has opened already: they cost their own work only. */
  readonly openAnyway: number;
  readonly drawn: number;
  readonly plates: number;
  /** Plates that are bolted on, beside those that are welded. */
  readonly bolted?: number;
  readonly weldM: number;
  readonly steelKg: number;
  readonly cracks: number;
  /** Rails or sills to be spliced or renewed whole. */
  readonly splices: number;
  readonly rails: number;
  /** Crossmembers, outriggers and the like to be renewed. */
  readonly crossmembers: number;
  readonly fittings: number;
  /** Members and sets of mounts to be brought back into line. */
  readonly straighten: number;
  /** Plates drawn on members that nothing is wrong with, their welds and steel. */
  readonly reinforced: {
    readonly members: number;
    readonly plates: number;
    readonly weldM: number;
    readonly steelKg: number;
  };
  /** Members to be coated after. */
  readonly members: number;
  /** Body items found bad, where somebody looks before buying. */
  readonly bodyItems: number;
  readonly criticalUnseen: number;
  /** Bad members of a steel that nobody has identified: nothing is welded on them before. */
  readonly steelUnknown: number;
}

/** Why a way out has no price. */
export const NO_PRICE = [
  'no rate',
  'no frame price',
  'nothing to do',
  'no plate drawn',
  'nothing drawn on sound metal',
  'steel not known',
] as const;
export type NoPrice = (typeof NO_PRICE)[number];

/** What one way out takes: hours by their parts and money beyond them. */
export interface Work {
  readonly hours: readonly Uncertain[];
  readonly money: readonly Uncertain[];
}

const times = (
  name: string,
  count: number,
  [least, most]: readonly [number, number],
  chance = 1,
): Uncertain[] => (count > 0 ? [{ name, least: count * least, most: count * most, chance }] : []);
/** Each of several that may or may not come is drawn by itself. */
const each = (name: string, count: number, pair: readonly [number, number], chance: number): Uncertain[] =>
  Array.from({ length: count }, () => times(name, 1, pair, chance)).flat();

/** The parts of a way out by the shop's norms, or why nobody can say. */
export const workOf = (way: WayOut, of: Quantities, money: Money): Work | NoPrice => WORK[way](of, money);

const WORK: Readonly<Record<WayOut, (of: Quantities, money: Money) => Work | NoPrice>> = {
  'temporary only': (of, { norms }) =>
    of.cracks + of.stretches + of.rails + of.splices === 0
      ? 'nothing to do'
      : { hours: times('temporary repair', 1, norms.temporary), money: [] },
  reinforce: reinforcing,
  'bolt on': (of, { norms }) =>
    of.stretches === 0
      ? 'nothing to do'
      : {
          // A plate inside and one outside.
          hours: [
            ...opened(of, norms),
            ...times('bolted plates', Math.max(2 * of.stretches, of.bolted ?? 0), norms.boltedPlate),
            ...beside(of, norms),
          ],
          money: [],
        },
  mend: mending,
  'splice or renew': splicing,
  'swap the frame': swapping,
  'withdraw it': () => ({ hours: [], money: [] }),
};

/** Prevention: plates on sound metal at a place known to be weak, before it cracks. */
function reinforcing(
  { reinforced: of, steelUnknown }: Quantities,
  { norms, steelPerKg }: Money,
): Work | NoPrice {
  if (of.plates === 0) return 'nothing drawn on sound metal';
  if (steelUnknown > 0) return 'steel not known';
  return {
    hours: [
      ...stripped(of.members, norms),
      ...times('plates made and fitted', of.plates, norms.plate),
      ...times('welding', of.weldM, norms.weldPerMetre),
      ...times('coating', of.members, norms.coating),
    ],
    money: times('steel', of.steelKg, steelPerKg),
  };
}

function mending(of: Quantities, { norms, steelPerKg }: Money): Work | NoPrice {
  if (of.steelUnknown > 0) return 'steel not known';
  if (of.stretches + of.cracks + of.crossmembers + of.fittings + of.straighten === 0) return 'nothing to do';
  if (of.drawn < of.stretches || of.rails + of.splices > 0) return 'no plate drawn';
  return {
    hours: [
      ...opened(of, norms),
      ...times('plates made and fitted', of.plates, norms.plate),
      ...times('bolted plates', of.bolted ?? 0, norms.boltedPlate),
      ...times('welding', of.weldM, norms.weldPerMetre),
      ...beside(of, norms),
    ],
    money: times('steel', of.steelKg, steelPerKg),
  };
}

function splicing(of: Quantities, { norms }: Money): Work | NoPrice {
  if (of.steelUnknown > 0) return 'steel not known';
  const places = of.stretches + of.splices + of.rails;
  if (places === 0) return 'nothing to do';
  return {
    hours: [
      ...stripped(places - of.openAnyway, norms),
      ...times('splices', of.splices + of.stretches, norms.splice),
      ...times('rails renewed', of.rails, norms.rail),
      ...beside(of, norms),
    ],
    money: [],
  };
}

/** Everything that hangs on a frame is moved over: so many places where a fastener is seized (ours). */
const SWAP_PLACES = 8;

function swapping(of: Quantities, { norms, framePrice }: Money): Work | NoPrice {
  if (of.rails + of.splices + of.stretches + of.cracks === 0) return 'nothing to do';
  if (!framePrice) return 'no frame price';
  return {
    hours: [
      ...times('everything moved over', 1, norms.frameSwap),
      ...times('body items', of.bodyItems, norms.bodyItem),
      ...each('seized or broken fasteners', SWAP_PLACES, norms.seized, norms.seizedChance),
    ],
    money: times('frame', 1, framePrice),
  };
}

/** What is opened is stripped, and something may seize. */
const stripped = (places: number, norms: Norms): Uncertain[] => [
  ...times('stripping down', places, norms.stripDown),
  ...each('seized or broken fasteners', places, norms.seized, norms.seizedChance),
];

/** Every stretch is made ready; it is stripped where no other’s strip-down has opened it. */
const opened = ({ stretches, openAnyway }: Quantities, norms: Norms): Uncertain[] => [
  ...stripped(stretches - openAnyway, norms),
  ...times('cleaning and cutting', stretches, norms.makeReady),
];

/** What is done beside the stretches, whatever is done to them. */
const beside = (of: Quantities, norms: Norms): Uncertain[] => [
  ...times('cracks welded', of.cracks, norms.crackWelded),
  ...times('crossmembers renewed', of.crossmembers, norms.crossmember),
  ...times('brackets renewed', of.fittings, norms.fitting),
  ...times('straightening', of.straighten, norms.straighten),
  ...times('body items', of.bodyItems, norms.bodyItem),
  ...times('coating', of.members, norms.coating),
  ...each('what nobody saw', of.criticalUnseen, norms.hidden, norms.hiddenChance),
];

/** Which ways out each school goes of itself (common practice, no source); withdrawing a unit, and getting it to where it is opened, are everybody's. */
export const SCHOOL_WAYS: Readonly<Record<Approach, readonly WayOut[]>> = {
  repair: ['temporary only', 'reinforce', 'mend', 'splice or renew', 'withdraw it'],
  'replace only': ['temporary only', 'splice or renew', 'swap the frame', 'withdraw it'],
  preservation: ['temporary only', 'reinforce', 'bolt on', 'mend', 'withdraw it'],
  section: ['temporary only', 'reinforce', 'splice or renew', 'swap the frame', 'withdraw it'],
  'bolt on': ['temporary only', 'bolt on', 'withdraw it'],
};
