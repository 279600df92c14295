import { fail, ok, type Outcome } from '@/core/quantity';
import type { Money, Norms } from '@/core/reference';
import { NORM_WORDS } from '@/app/_words/ways-out';

/** Figures as they are typed: pairs as `1 to 6`, chances in percent. */
export type MoneyTyped = Readonly<Record<string, string>>;

const pairText = ([least, most]: readonly [number, number]): string =>
  least === most ? `${least}` : `${least} to ${most}`;

export function typedMoney({ ratePerHour, currency, steelPerKg, framePrice, norms }: Money): MoneyTyped {
  const { seizedChance, hiddenChance, ...pairs } = norms;
  return {
    ratePerHour: String(ratePerHour),
    currency,
    steelPerKg: pairText(steelPerKg),
    framePrice: framePrice ? pairText(framePrice) : '',
    seizedChance: String(Math.round(seizedChance * 100)),
    hiddenChance: String(Math.round(hiddenChance * 100)),
    ...Object.fromEntries(Object.entries(pairs).map(([key, pair]) => [key, pairText(pair)])),
  };
}

const NUMBER = String.raw`(\d+(?:\.\d+)?)`;
const PAIR = new RegExp(`^\\s*${NUMBER}(?:\\s*(?:to|-|–)\\s*${NUMBER})?\\s*$`);

/** `1 to 6`, `1-6`, or one figure that is both. */
export function readPair(text: string, what: string): Outcome<[number, number]> {
  const found = PAIR.exec(text.replace(/,/g, ''));
  if (!found) return fail(`${what}: least to most, such as 1 to 6`);
  const [least, most] = [Number(found[1]), Number(found[2] ?? found[1])];
  return least <= most ? ok([least, most]) : fail(`${what}: the least comes first`);
}

function readNumber(text: string, what: string): Outcome<number> {
  const value = Number(text.replace(/,/g, ''));
  return text.trim() !== '' && value >= 0 && Number.isFinite(value)
    ? ok(value)
    : fail(`${what}: a number, nothing or more`);
}

/** Typed figures read; the reason says which of them is wrong. */
export function readMoney(typed: MoneyTyped, before: Money): Outcome<Money> {
  const text = (key: string) => typed[key] ?? '';
  const rate = readNumber(text('ratePerHour'), 'money an hour');
  if (!rate.ok) return rate;
  if (text('currency').trim() === '') return fail('currency: say which');
  const steel = readPair(text('steelPerKg'), 'steel');
  if (!steel.ok) return steel;
  const frame = text('framePrice').trim() === '' ? undefined : readPair(text('framePrice'), 'a frame');
  if (frame && !frame.ok) return frame;
  const norms: Record<string, number | [number, number]> = {};
  for (const key of ['seizedChance', 'hiddenChance'] as const) {
    const share = readNumber(text(key), 'a chance');
    if (!share.ok) return share;
    if (share.value > 100) return fail('a chance lies between 0 and 100 %');
    norms[key] = share.value / 100;
  }
  for (const [key, words] of Object.entries(NORM_WORDS)) {
    const pair = readPair(text(key), words);
    if (!pair.ok) return pair;
    norms[key] = pair.value;
  }
  const { framePrice: _, ...rest } = before;
  return ok({
    ...rest,
    ratePerHour: rate.value,
    currency: text('currency').trim(),
    steelPerKg: steel.value,
    ...(frame && { framePrice: frame.value }),
    norms: norms as unknown as Norms,
  });
}
