'use client';

import { ok, parseDistanceKm, type Outcome, type UnitSystem } from '@/core/quantity';
import { Entry, TypedEntry } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { useReader } from '../../../_desk';

const HOURS = /^\s*([\d.]+)\s*h(ours?)?\s*$/i;

/** What the unit had done: an odometer, or hours where an h is said. Left empty, nobody noted it. */
export function usedOf(
  text: string | undefined,
  system: UnitSystem,
): Outcome<{ readonly usedKm?: number; readonly usedHours?: number }> {
  if (!text?.trim()) return ok({});
  const hours = HOURS.exec(text);
  if (hours && Number.isFinite(Number(hours[1]))) return ok({ usedHours: Number(hours[1]) });
  const km = parseDistanceKm(text, system);
  return km.ok ? ok({ usedKm: km.value }) : { ...km, reason: `odometer: ${km.reason}; hours as 1200 h` };
}

const label = (system: UnitSystem) => `odometer, ${system === 'in' ? 'mi' : 'km'}, or hours`;

/** The same in a typed form, under the name it has there. */
export const UsedTyped = () => (
  <TypedEntry name="used" label={label(useReader().system)} placeholder="not noted" />
);

/** Odometer or hours, as typed. */
export function UsedEntry({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  const { system } = useReader();
  useUnitTurn(system, (as) => value && onChange(as(value, 'distance')));
  return (
    <Entry
      label={label(system)}
      value={value}
      placeholder="not noted"
      onChange={(event) => onChange(event.target.value)}
    />
  );
}
