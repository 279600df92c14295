import type { UnitSystem } from './length';
import { fail, ok, type Outcome } from './outcome';

export const celsiusToFahrenheit = (celsius: number): number => celsius * 1.8 + 32;
const toC = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;

/** A temperature as it is typed: with its own letter, else °F where inches are the units and °C where millimetres are. °C comes out. */
export function parseCelsius(text: string, system: UnitSystem): Outcome<number> {
  const match = /^([-−+]?\d+(?:[.,]\d+)?)\s*°?\s*([cf])?$/i.exec(text.trim());
  if (text.trim() === '') return fail('a temperature: 68, 68 F, 20 C');
  if (!match) return fail(`“${text.trim().slice(0, 20)}” is no temperature: 68, 68 F, 20 C`);
  const value = Number(match[1]!.replace('−', '-').replace(',', '.'));
  const letter = match[2]?.toLowerCase() ?? (system === 'in' ? 'f' : 'c');
  return ok(letter === 'f' ? toC(value) : value);
}

/** A temperature to a whole degree. */
export const printTemperature = (celsius: number, system: UnitSystem): string =>
  system === 'in' ? `${Math.round(celsiusToFahrenheit(celsius))} °F` : `${Math.round(celsius)} °C`;
/** A difference of two temperatures, to a tenth. */
export const printTemperatureDifference = (kelvins: number, system: UnitSystem): string =>
  system === 'in' ? `${(kelvins * 1.8).toFixed(1)} °F` : `${kelvins.toFixed(1)} °C`;
/** A temperature as digits for a field. */
export const temperatureDigits = (celsius: number, system: UnitSystem): string =>
  String(Math.round((system === 'in' ? celsiusToFahrenheit(celsius) : celsius) * 10) / 10);
