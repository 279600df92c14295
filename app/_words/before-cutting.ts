import type { Frame } from '@/core/frame';
import { printLength, type UnitSystem } from '@/core/quantity';

/** What is taken off and what it is set on before the first cut; undefined where nobody has said either. */
export function beforeCuttingWords({ loads }: Frame, system: UnitSystem): string | undefined {
  const off = new Set(loads?.takenOff ?? []);
  const names = (loads?.items ?? []).filter(({ id }) => off.has(id)).map(({ name }) => name.toLowerCase());
  const stands = (loads?.stands ?? []).map(
    ({ side, stationMm }) => `${side} ${printLength(stationMm, system, 'length')}`,
  );
  if (names.length === 0 && stands.length === 0) return undefined;
  const takeOff = names.length ? `take off ${names.join(', ')}` : 'nothing is listed to be taken off';
  const standOn = stands.length ? `stand it at ${stands.join(', ')}` : 'where it stands has not been said';
  return `Before cutting: ${takeOff}; ${standOn}.`;
}
