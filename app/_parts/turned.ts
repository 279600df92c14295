'use client';

import { useState } from 'react';
import {
  celsiusToFahrenheit,
  kgToPounds,
  kmToMiles,
  litresToQuarts,
  mmToInches,
  parseCelsius,
  parseDistanceKm,
  parseLengthMm,
  parseMassKg,
  parseVolumeLitres,
  type UnitSystem,
} from '@/core/quantity';

export type TypedKind = 'length' | 'weight' | 'distance' | 'volume' | 'temperature';

/** As many figures as bring what was typed back unchanged when the units are turned back. */
const DIGITS: Readonly<Record<TypedKind, Readonly<Record<UnitSystem, number>>>> = {
  length: { in: 7, mm: 5 },
  weight: { in: 3, mm: 4 },
  distance: { in: 3, mm: 3 },
  volume: { in: 4, mm: 4 },
  temperature: { in: 2, mm: 3 },
};
const WAYS = {
  length: [parseLengthMm, mmToInches],
  weight: [parseMassKg, kgToPounds],
  distance: [parseDistanceKm, kmToMiles],
  volume: [parseVolumeLitres, litresToQuarts],
  temperature: [parseCelsius, celsiusToFahrenheit],
} as const;
/** A unit or a fraction says for itself what it is. */
const SAYS_ITS_UNIT = /[a-z'"’”′″/⁄¼-¾⅐-⅞]/i;

/** What somebody typed as bare figures in one system's units, in the other's; anything else stays as it is. */
export function turned(text: string, from: UnitSystem, to: UnitSystem, kind: TypedKind = 'length'): string {
  if (from === to || text.trim() === '' || SAYS_ITS_UNIT.test(text)) return text;
  const [parse, toInch] = WAYS[kind];
  const read = parse(text, from);
  if (!read.ok) return text;
  const value = to === 'mm' ? read.value : toInch(read.value);
  return String(Number(value.toFixed(DIGITS[kind][to])));
}

/** Calls `turn` once when the units shown change, so that a form can turn what stands in its fields. */
export function useUnitTurn(
  system: UnitSystem,
  turn: (as: (text: string, kind?: TypedKind) => string) => void,
): void {
  const [was, setWas] = useState(system);
  if (was === system) return;
  setWas(system);
  turn((text, kind) => turned(text, was, system, kind));
}

/** A form of which every field is a length, turned. */
export const eachText = <Fields extends Readonly<Partial<Record<string, string>>>>(
  fields: Fields,
  as: (text: string) => string,
): Fields =>
  Object.fromEntries(Object.entries(fields).map(([name, text]) => [name, text && as(text)])) as Fields;
