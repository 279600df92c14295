import { milesToKm } from './convert';
import type { UnitSystem } from './length';
import { plainFigures } from './mass';
import { fail, ok, type Outcome } from './outcome';

const LONGEST = 40;
const DISTANCE = /^([\d.,]+)(mi|miles?|km)?$/;

/** Reads a distance such as `30`, `81,234 mi`, `48 km` as km; a bare number is miles or kilometres as the system has it. Nothing is a distance too. */
export function parseDistanceKm(text: string, bareUnit: UnitSystem): Outcome<number> {
  const example = bareUnit === 'in' ? 'miles, such as 30' : 'kilometres, such as 48';
  if (text.length > LONGEST) return fail(example);
  const said = DISTANCE.exec(text.toLowerCase().replace(/\s/g, ''));
  const figures = said && plainFigures(said[1]!);
  if (!said || figures === undefined) return fail(example);
  const isKm = said[2] === 'km' || (said[2] === undefined && bareUnit === 'mm');
  return ok(isKm ? Number(figures) : milesToKm(Number(figures)));
}
