import { poundsToKg } from './convert';
import type { UnitSystem } from './length';
import { fail, ok, type Outcome } from './outcome';

/** Reads a weight such as `26,000`, `26000 lb`, `11800kg` as kg; a bare number is in the system's own unit. */
export function parseMassKg(text: string, bareUnit: UnitSystem): Outcome<number> {
  const said = /^([\d.,\s]+?)\s*(lbs?|kg)?$/i.exec(text.trim());
  const value = said ? Number(said[1]!.replace(/[,\s]/g, '')) : NaN;
  if (!said || !(value > 0))
    return fail(bareUnit === 'in' ? 'pounds, such as 26000' : 'kilograms, such as 11800');
  const isKg = said[2] ? said[2].toLowerCase() === 'kg' : bareUnit === 'mm';
  return ok(isKg ? value : poundsToKg(value));
}
