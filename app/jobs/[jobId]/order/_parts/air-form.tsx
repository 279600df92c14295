'use client';

import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { ABOVE_DEW_SOURCE, airLacks, COOL_SOURCE, dewPointC, gateSaidKind, type Gate } from '@/core/order';
import {
  ok,
  parseCelsius,
  printTemperature,
  printTemperatureDifference,
  temperatureDigits,
  type Outcome,
  type UnitSystem,
} from '@/core/quantity';
import { printSource } from '@/core/reference';
import { TypedEntry, TypedRecordForm, useTypedForm } from '@/ui/controls';
import { readBy, useFieldsTurn } from '../../../../_parts/typed';
import { lackWords } from '../../../../_words/order';
import { useKeepChecked, useReader } from '../../../_desk';

const fraction = (text: string): Outcome<number> => {
  const value = Number(text.replace('%', '').replace(',', '.').trim());
  return text.trim() !== '' && value > 0 && value <= 100
    ? ok(value / 100)
    : { ok: false, reason: 'over 0 to 100 %' };
};
/** A temperature as somebody read it off, no hotter or colder than what it is of ever is. */
const celsius = (system: UnitSystem, [least, most]: readonly [number, number]) =>
  readBy((text) => {
    const read = parseCelsius(text, system);
    if (!read.ok || (read.value >= least && read.value <= most)) return read;
    return { ok: false, reason: 'nothing here is that hot or cold' };
  });
const airTyped = (system: UnitSystem) =>
  z.object({
    air: celsius(system, [-60, 60]),
    humidity: readBy(fraction),
    steel: celsius(system, [-60, 200]),
  });
const wallTyped = (system: UnitSystem) => z.object({ wall: celsius(system, [-60, 900]) });

/** Air, humidity and the steel itself: coat now, or wait; said while it is typed. */
export function AirForm({ gate: { of, said }, onClose }: { gate: Gate; onClose: () => void }) {
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const schema = airTyped(system);
  const form = useTypedForm(schema, airFields(said, system));
  useFieldsTurn(form, system, { air: 'temperature', steel: 'temperature' });
  const typed = schema.safeParse(useWatch({ control: form.control }));
  const degrees = system === 'in' ? '°F' : '°C';
  const keepIt = ({ air, humidity, steel }: z.infer<typeof schema>) =>
    keepChecked(gateSaidKind, { gate: 'coat', of, is: 'measured', airC: air, humidity, surfaceC: steel }) ??
    onClose();
  return (
    <TypedRecordForm
      form={form}
      label="Air and steel"
      keep="Measured like this"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-start gap-2">
        <TypedEntry name="air" label="air" unit={degrees} className="w-28" />
        <TypedEntry name="humidity" label="humidity" unit="%" className="w-28" />
        <TypedEntry name="steel" label="steel itself" unit={degrees} className="w-32" />
      </div>
      <p role="status" className="mt-1 text-lg font-semibold">
        {typed.success ? answerWords(typed.data, system) : ''}
      </p>
      <p className="caption">{printSource(ABOVE_DEW_SOURCE)}. The maker’s sheet of the paint decides.</p>
    </TypedRecordForm>
  );
}

/** What was measured at the gate before, as it would be typed. */
function airFields(said: Gate['said'], system: UnitSystem) {
  const digits = (celsius: number | undefined) =>
    celsius === undefined ? '' : temperatureDigits(celsius, system);
  return {
    air: digits(said?.airC),
    humidity: said?.humidity === undefined ? '' : String(Math.round(said.humidity * 100)),
    steel: digits(said?.surfaceC),
  };
}

function answerWords(
  { air: airC, humidity, steel: surfaceC }: z.infer<ReturnType<typeof airTyped>>,
  system: UnitSystem,
): string {
  const dewC = dewPointC(airC, humidity)!;
  const lacks = airLacks({ airC, humidity, surfaceC });
  const dew = `Dew point ${printTemperature(dewC, system)}, steel ${printTemperatureDifference(surfaceC - dewC, system)} above it`;
  return lacks.length === 0
    ? `${dew}: coat now.`
    : `${dew}. Wait: ${lacks.map((lack) => lackWords(lack, system)).join('; ')}.`;
}

/** The wall’s own temperature after welding, where somebody has a thermometer. */
export function WallForm({ gate: { of }, onClose }: { gate: Gate; onClose: () => void }) {
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const schema = wallTyped(system);
  const form = useTypedForm(schema, { wall: '' });
  useFieldsTurn(form, system, { wall: 'temperature' });
  const keepIt = ({ wall }: z.infer<typeof schema>) =>
    keepChecked(gateSaidKind, { gate: 'cool', of, is: 'measured', surfaceC: wall }) ?? onClose();
  return (
    <TypedRecordForm form={form} label="Wall" keep="Measured" onKeep={keepIt} onLeave={onClose}>
      <TypedEntry
        name="wall"
        label="on the wall beside the weld"
        unit={system === 'in' ? '°F' : '°C'}
        className="w-52"
      />
      <p className="caption mt-1">{printSource(COOL_SOURCE)}.</p>
    </TypedRecordForm>
  );
}
