import { gaugeThicknessMm, MM_PER_INCH } from './gauge';
import { fail, ok, type Outcome } from './outcome';

export type UnitSystem = 'in' | 'mm';

const NUMBER = String.raw`\d+(?:\.\d+)?|\.\d+`;
const PLAIN = new RegExp(`^(?:${NUMBER})$`);
/** Nobody writes a length in more characters than this; nothing longer is even looked at. */
const LONGEST = 40;
const GAUGE = /^(\d{1,2})\s*ga(?:uge)?\.?$/;
const METRIC = new RegExp(`^(${NUMBER})\\s*(mm|cm|m)$`);
const INCHES = new RegExp(`^(?:(${NUMBER})|(?:(\\d+)(?:\\s*-\\s*|\\s+))?(\\d+)\\s*/\\s*(\\d+))$`);
const FEET = new RegExp(`^(${NUMBER})\\s*(?:'|ft)\\s*-?\\s*(.*)$`);
const MM_PER: Readonly<Record<string, number>> = { mm: 1, cm: 10, m: 1000 };

/**
 * Reads a length as a technician writes it: `3/16`, `⅜`, `14-3/8`, `14 3/8`, `7 ½`, `1' 2"`, `10ga`, `4.7mm`, `4,7mm`, `0.118`.
 * A bare number is in `bareUnit`; a fraction is always inches. Answers mm; negative lengths are refused.
 */
export function parseLengthMm(text: string, bareUnit: UnitSystem): Outcome<number> {
  if (text.length > LONGEST) return fail('this is too long for a length');
  if (PLAIN.test(text)) return ok(bareMm(text, bareUnit));
  const plain = asPlainFigures(text);
  if (!plain.ok) return plain;
  const trimmed = plain.value;
  if (trimmed === '') return fail('nothing was typed');
  if (PLAIN.test(trimmed)) return ok(bareMm(trimmed, bareUnit));
  if (trimmed.startsWith('-')) return fail(`"${text.trim()}" is below zero`);
  const gauge = GAUGE.exec(trimmed);
  if (gauge) return gaugeThicknessMm(Number(gauge[1]));
  const metric = METRIC.exec(trimmed);
  if (metric) return ok(Number(metric[1]) * MM_PER[metric[2]!]!);
  return parseCustomaryMm(trimmed, text.trim(), bareUnit);
}

const bareMm = (figures: string, bareUnit: UnitSystem): number =>
  Number(figures) * (bareUnit === 'mm' ? 1 : MM_PER_INCH);

/** Reads a place along an axis: a length, with a minus before it on the far side of nothing. Answers mm. */
export function parsePlaceMm(text: string, bareUnit: UnitSystem): Outcome<number> {
  const minus = /^\s*[-−–]\s*(?=\S)/.exec(text);
  if (!minus) return parseLengthMm(text, bareUnit);
  const length = parseLengthMm(text.slice(minus[0].length), bareUnit);
  return length.ok ? ok(0 - length.value) : length;
}

const VULGAR = /(\d?)\s*([¼-¾⅐-⅞])/g;
/** A comma between figures: a decimal comma, unless three figures follow it, which may be either. */
const COMMA = /(\d*),(\d+)/;

/** What keyboards and phones put in place of plain figures and marks: ⅜, curly quotes, a decimal comma. */
function asPlainFigures(text: string): Outcome<string> {
  const plain = text
    .replace(VULGAR, (_, before: string, fraction: string) => `${before} ${fraction.normalize('NFKC')}`)
    .replace(/⁄/g, '/')
    .replace(/[”″]|''/g, '"')
    .replace(/[’′]/g, "'")
    .replace(/[\u00a0\u202f]/g, ' ')
    .trim()
    .toLowerCase();
  const comma = COMMA.exec(plain);
  if (!comma) return ok(plain);
  const [, whole, after] = comma as unknown as [string, string, string];
  if (plain.split(',').length > 2) return fail(`"${text.trim()}" has more than one comma`);
  if (after.length === 3 && whole !== '' && whole !== '0')
    return fail(`"${text.trim()}" can be read two ways: write ${whole}${after} or ${whole}.${after}`);
  return ok(plain.replace(',', '.'));
}

function parseCustomaryMm(trimmed: string, asTyped: string, bareUnit: UnitSystem): Outcome<number> {
  const feet = FEET.exec(trimmed);
  if (feet) return addInches(Number(feet[1]) * 12, feet[2]!, asTyped);
  const marked = /\s*(?:"|in(?:ch(?:es)?)?\.?)$/.test(trimmed);
  const bare = trimmed.replace(/\s*(?:"|in(?:ch(?:es)?)?\.?)$/, '');
  const inches = parseInches(bare);
  if (!inches.ok) return fail(`"${asTyped}" is not a length: try 3/16, 14-3/8, 0.118, 10ga or 4.7mm`);
  const isPlainNumber = !bare.includes('/');
  return ok(isPlainNumber && !marked && bareUnit === 'mm' ? inches.value : inches.value * MM_PER_INCH);
}

function addInches(inchesSoFar: number, rest: string, asTyped: string): Outcome<number> {
  const bare = rest.replace(/\s*(?:"|in(?:ch(?:es)?)?\.?)$/, '').trim();
  if (bare === '') return ok(inchesSoFar * MM_PER_INCH);
  const inches = parseInches(bare);
  return inches.ok
    ? ok((inchesSoFar + inches.value) * MM_PER_INCH)
    : fail(`"${asTyped}" is not a length in feet and inches`);
}

function parseInches(bare: string): Outcome<number> {
  const match = INCHES.exec(bare);
  if (!match) return fail('not inches');
  if (match[1] !== undefined) return ok(Number(match[1]));
  const denominator = Number(match[4]);
  if (!(denominator > 0)) return fail('a fraction needs a bottom number above zero');
  return ok(Number(match[2] ?? 0) + Number(match[3]) / denominator);
}

/** A length somebody may have left unmeasured: nothing typed is nothing measured, and 0 is a measure. */
export function parseMeasuredMm(text: string, bareUnit: UnitSystem): Outcome<number | undefined> {
  if (text.trim() === '') return ok(undefined);
  return Number(text) === 0 ? ok(0) : parseLengthMm(text, bareUnit);
}
