import type { UnitSystem } from './length';
import { plainFigures } from './mass';
import { fail, ok, type Outcome } from './outcome';
import { significant } from './print';

/** A US liquid quart, l: a quarter of 231 in³ (NIST Handbook 44, appendix C; from memory). */
const LITRES_PER_QUART = 0.946352946;
export const litresToQuarts = (litres: number): number => litres / LITRES_PER_QUART;

const VOLUME = /^([\d.,]+)(l|ml|qt|gal)?$/;
const LITRES_PER: Readonly<Record<string, number>> = {
  l: 1,
  ml: 0.001,
  qt: LITRES_PER_QUART,
  gal: 4 * LITRES_PER_QUART,
};

/** Reads a volume of a liquid such as `1.5`, `0,75 l`, `2 qt`, `1 gal` as litres; a bare number is in the system's own unit. */
export function parseVolumeLitres(text: string, bareUnit: UnitSystem): Outcome<number> {
  const said = VOLUME.exec(text.toLowerCase().replace(/\s/g, ''));
  const figures = said && plainFigures(said[1]!);
  const value = Number(figures ?? NaN);
  if (!said || !(value > 0)) return fail(bareUnit === 'in' ? 'quarts, such as 1.5' : 'litres, such as 1.5');
  return ok(value * LITRES_PER[said[2] ?? (bareUnit === 'in' ? 'qt' : 'l')]!);
}

export const printVolume = (litres: number, system: UnitSystem): string =>
  system === 'in' ? `${significant(litresToQuarts(litres), 2)} qt` : `${significant(litres, 2)} l`;
