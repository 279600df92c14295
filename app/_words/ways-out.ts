import type { Money, Norms } from '@/core/reference';
import type { Chosen } from '@/core/walk';
import {
  retiredByMoney,
  type HoursLearnt,
  type NoPrice,
  type Priced,
  type Spread,
  type WayOut,
} from '@/core/weigh';

export const WAY_OUT_WORDS: Readonly<
  Record<WayOut, readonly [name: string, restores: string, stays: string]>
> = {
  'temporary only': ['Temporary repair only', 'it gets to where it is opened up', 'everything that is bad'],
  reinforce: [
    'Reinforce sound metal',
    'strength beyond what it was made with, at the places drawn',
    'what is bad elsewhere',
  ],
  'bolt on': [
    'Bolt plates on',
    'load carried past what is bad, no heat near zinc, trim or tank',
    'the rust beneath, which is coated and looked at again',
  ],
  mend: ['Mend as drawn', 'the section over every bad stretch that is drawn', 'old metal beside the plates'],
  'splice or renew': [
    'Splice in or renew',
    'new metal from sound to sound',
    'joints to be looked at; everything that hangs there is moved',
  ],
  'swap the frame': [
    'Swap the frame',
    'the whole frame, as good as the one that is bought',
    'its own rust: it gets a walk and a survey of its own',
  ],
  'withdraw it': ['Take it off the road', 'nothing', 'everything as it is, and no use of it'],
};

export const NO_PRICE_WORDS: Readonly<Record<NoPrice, string>> = {
  'no rate': 'can’t say: give the shop’s rate',
  'no frame price': 'can’t say: give what a frame costs',
  'steel not known': 'can’t say: what steel it is decides whether it may be welded',
  'nothing to do': 'nothing on record asks for it',
  'nothing drawn on sound metal': 'no plate is drawn on sound metal: Shape adds one anywhere',
  'no plate drawn': 'can’t say: not all of it is drawn, or some of it is past plating',
};

/** Money to two figures: a range is no offer. */
export function printMoney(amount: number, { currency }: Pick<Money, 'currency'>): string {
  const step = 10 ** Math.max(0, Math.floor(Math.log10(Math.max(1, amount))) - 1);
  return `${currency}${(Math.round(amount / step) * step).toLocaleString('en-US')}`;
}
export const moneyRange = ({ low, high }: Spread, money: Money): string =>
  high === 0 ? '–' : `${printMoney(low, money)} to ${printMoney(high, money)}`;

export const hoursRange = ({ low, high }: Pick<Spread, 'low' | 'high'>): string =>
  high === 0 ? '' : `${Math.round(low)} to ${Math.round(high)} h`;

/** What closed jobs say of the norms, in a line. */
export const hoursTimes = ({ factor, jobs }: HoursLearnt): string =>
  `Hours here are the norms’, times ${factor.toFixed(2)}: ${jobs === 1 ? 'one closed job of the shop' : `${jobs} closed jobs of the shop`} took so much.`;

/** Hours, price by a year and what speaks against it, in a line. */
export function pricedWords(priced: Extract<Priced, { ok: true }>, money: Money): string {
  const { hours, perYear, isOverValue, money: drawn } = priced;
  return [
    hoursRange(hours),
    daysRange(priced.days),
    priced.askingPrice !== undefined &&
      drawn.spread.high > 0 &&
      `with its price ${moneyRange({ low: drawn.spread.low + priced.askingPrice, mid: 0, high: drawn.spread.high + priced.askingPrice }, money)}`,
    perYear && `${printMoney(perYear[0], money)} to ${printMoney(perYear[1], money)} a year of service`,
    drawn.over !== undefined && drawn.spread.high > 0 && overWords(drawn.over),
    isOverValue &&
      (priced.askingPrice ? 'with its price more than it is worth' : 'more than the unit is worth'),
    priced.moreBehind !== undefined && behindWords(priced.moreBehind),
  ]
    .filter(Boolean)
    .join('; ');
}

/** What the money says of the unit, and whether the owner chose against it. */
export function retiredWords(ways: readonly Priced[], chosen: Chosen | undefined): string | undefined {
  if (!retiredByMoney(ways)) return undefined;
  const against = chosen !== undefined && !GOES_WITH_RETIRING.includes(chosen);
  return `By the money: Retire. Every lasting way out that has a price comes to more than the unit is worth${against ? '; the owner chose otherwise' : ''}.`;
}
const GOES_WITH_RETIRING: readonly Chosen[] = [
  'temporary only',
  'withdraw it',
  'nothing for now',
  'declined by the shop',
  'passed on',
];

const daysRange = ([least, most]: readonly [number, number]): string =>
  most === 0
    ? ''
    : Math.ceil(most) === 1
      ? 'a day off the road'
      : `${Math.max(1, Math.floor(least))} to ${Math.ceil(most)} days off the road, one at it`;

/** The chance of more behind what nobody saw, in bands. */
const behindWords = (chance: number): string =>
  chance === 0
    ? ''
    : chance < 0.35
      ? 'little may come behind it'
      : chance < 0.75
        ? 'more may well come behind it'
        : 'expect more behind it';

/** A chance in words: bands, for it rests on norms. */
function overWords(share: number): string {
  if (share < 0.05) return 'within the owner’s ceiling';
  if (share < 0.35) return 'may go over the owner’s ceiling';
  return share < 0.75 ? 'as likely over the owner’s ceiling as not' : 'over the owner’s ceiling';
}

export const NORM_WORDS: Readonly<Record<keyof Omit<Norms, 'seizedChance' | 'hiddenChance'>, string>> = {
  stripDown: 'strip down and refit, a stretch',
  makeReady: 'clean, open and cut, a stretch',
  plate: 'make and fit a plate',
  weldPerMetre: 'weld, a metre',
  crackWelded: 'grind and weld a crack',
  splice: 'splice',
  crossmember: 'renew a crossmember',
  rail: 'renew a rail',
  fitting: 'renew a bracket',
  boltedPlate: 'bolt on a plate',
  temporary: 'temporary repair',
  frameSwap: 'swap the frame',
  straighten: 'press back into line',
  bodyItem: 'make good a body item',
  coating: 'coat a member',
  seized: 'where something seizes or breaks',
  hidden: 'where more is found behind',
};

export const CHOSEN_WORDS: Readonly<Record<Chosen, string>> = {
  'temporary only': 'a temporary repair only',
  reinforce: 'sound metal reinforced',
  'bolt on': 'plates bolted on',
  mend: 'mended as drawn',
  'splice or renew': 'spliced in or renewed',
  'swap the frame': 'another frame',
  'withdraw it': 'taken off the road',
  'part of it': 'part of it is repaired',
  'nothing for now': 'nothing is repaired for now',
  'declined by the shop': 'the shop declines it',
  'passed on': 'passed on to another shop',
};
