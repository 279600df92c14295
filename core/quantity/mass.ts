import { poundsToKg } from './convert';
import type { UnitSystem } from './length';
import { fail, ok, type Outcome } from './outcome';

const LONGEST = 40;
const MASS = /^([\d.,]+)(lbs?|kg|t)?$/;
/** Groups of three, as weights are written: 26,000 or 1,234,567. */
const GROUPED = /^\d{1,3}(,\d{3})+(\.\d+)?$/;
const DECIMAL = /^(\d+(\.\d*)?|\.\d+)$/;
/** A weight under this with exactly three figures behind its point may be thousands written the other way. */
const SURE_FROM = 1000;
const KG_PER_TONNE = 1000;

/**
 * Reads a weight such as `26,000`, `26000 lb`, `11800kg`, `11,5 t` as kg; a bare number is in the system's own unit. A comma before three figures
 * groups thousands, any other is a decimal comma; what can be read two ways is asked about.
 */
export function parseMassKg(text: string, bareUnit: UnitSystem): Outcome<number> {
  const example = bareUnit === 'in' ? 'pounds, such as 26000' : 'kilograms, such as 11800';
  if (text.length > LONGEST) return fail(example);
  const said = MASS.exec(text.toLowerCase().replace(/\s/g, ''));
  if (!said) return fail(example);
  const figures = plainFigures(said[1]!);
  if (figures === undefined) return fail(example);
  const value = Number(figures);
  if (!(value > 0)) return fail(example);
  if (/^\d{1,3}\.\d{3}$/.test(figures) && value < SURE_FROM)
    return fail(`"${text.trim()}" can be read two ways: write ${figures.replace('.', '')} or ${value}`);
  const unit = said[2] ?? (bareUnit === 'mm' ? 'kg' : 'lb');
  if (unit === 't') return ok(value * KG_PER_TONNE);
  return ok(unit === 'kg' ? value : poundsToKg(value));
}

/** Figures with a decimal point and nothing else; undefined where they are no number. */
export function plainFigures(written: string): string | undefined {
  if (GROUPED.test(written)) return written.replace(/,/g, '');
  const decimal = written.replace(',', '.');
  return DECIMAL.test(decimal) ? decimal : undefined;
}
