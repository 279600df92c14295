'use client';

import { useState } from 'react';
import { ABOVE_DEW_SOURCE, airLacks, COOL_SOURCE, dewPointC, type Gate } from '@/core/order';
import {
  parseCelsius,
  printTemperature,
  printTemperatureDifference,
  temperatureDigits,
  type UnitSystem,
} from '@/core/quantity';
import { printSource } from '@/core/reference';
import { Entry, RecordForm } from '@/ui/controls';
import { lackWords } from '../../../../_words/order';
import { useReader, useRecords, useStamp } from '../../../_desk';

const fraction = (text: string): number | undefined => {
  const value = Number(text.replace('%', '').replace(',', '.').trim());
  return text.trim() !== '' && value > 0 && value <= 100 ? value / 100 : undefined;
};
const read = (text: string, system: UnitSystem): number | undefined => {
  const celsius = parseCelsius(text, system);
  return celsius.ok ? celsius.value : undefined;
};

/** Air, humidity and the steel itself: coat now, or wait; said while it is typed. */
export function AirForm({ gate, onClose }: { gate: Gate; onClose: () => void }) {
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const said = gate.said;
  const digits = (celsius: number | undefined) =>
    celsius === undefined ? '' : temperatureDigits(celsius, system);
  const [typed, setTyped] = useState({
    air: digits(said?.airC),
    humidity: said?.humidity === undefined ? '' : String(Math.round(said.humidity * 100)),
    steel: digits(said?.surfaceC),
  });
  const [problem, setProblem] = useState<string>();
  const [airC, humidity, surfaceC] = [
    read(typed.air, system),
    fraction(typed.humidity),
    read(typed.steel, system),
  ];
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const keepIt = () => {
    if (airC === undefined) return setProblem('air: a temperature, such as 68 F or 20 C; nothing was kept');
    if (humidity === undefined) return setProblem('humidity: over 0 to 100 %; nothing was kept');
    if (surfaceC === undefined)
      return setProblem('steel: a temperature, such as 68 F or 20 C; nothing was kept');
    if (Math.abs(airC) > 60 || Math.abs(surfaceC) > 200)
      return setProblem('no yard is that hot or cold; nothing was kept');
    keep({
      kind: 'gate',
      ...stamp(),
      note: '',
      gate: 'coat',
      of: gate.of,
      is: 'measured',
      second: '',
      airC,
      humidity,
      surfaceC,
    });
    onClose();
  };
  return (
    <RecordForm
      label="Air and steel"
      problem={problem}
      keep="Measured like this"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap gap-2">
        <Entry
          label="air"
          unit={system === 'in' ? '°F' : '°C'}
          className="w-28"
          value={typed.air}
          onChange={set('air')}
        />
        <Entry label="humidity" unit="%" className="w-28" value={typed.humidity} onChange={set('humidity')} />
        <Entry
          label="steel itself"
          unit={system === 'in' ? '°F' : '°C'}
          className="w-32"
          value={typed.steel}
          onChange={set('steel')}
        />
      </div>
      <p role="status" className="mt-1 text-lg font-semibold">
        {airC !== undefined && humidity !== undefined && surfaceC !== undefined
          ? answerWords({ airC, humidity, surfaceC }, system)
          : ''}
      </p>
      <p className="caption">{printSource(ABOVE_DEW_SOURCE)}. The maker’s sheet of the paint decides.</p>
    </RecordForm>
  );
}

function answerWords(
  air: { readonly airC: number; readonly humidity: number; readonly surfaceC: number },
  system: UnitSystem,
): string {
  const dewC = dewPointC(air.airC, air.humidity)!;
  const lacks = airLacks(air);
  const dew = `Dew point ${printTemperature(dewC, system)}, steel ${printTemperatureDifference(air.surfaceC - dewC, system)} above it`;
  return lacks.length === 0
    ? `${dew}: coat now.`
    : `${dew}. Wait: ${lacks.map((lack) => lackWords(lack, system)).join('; ')}.`;
}

/** The wall’s own temperature after welding, where somebody has a thermometer. */
export function WallForm({ gate, onClose }: { gate: Gate; onClose: () => void }) {
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string>();
  const keepIt = () => {
    const surfaceC = parseCelsius(typed, system);
    if (!surfaceC.ok) return setProblem(`${surfaceC.reason}; nothing was kept`);
    if (surfaceC.value < -60 || surfaceC.value > 900)
      return setProblem('no wall is that hot or cold; nothing was kept');
    keep({
      kind: 'gate',
      ...stamp(),
      note: '',
      gate: 'cool',
      of: gate.of,
      is: 'measured',
      second: '',
      surfaceC: surfaceC.value,
    });
    onClose();
  };
  return (
    <RecordForm label="Wall" problem={problem} keep="Measured" onKeep={keepIt} onLeave={onClose}>
      <Entry
        label="on the wall beside the weld"
        unit={system === 'in' ? '°F' : '°C'}
        className="w-52"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <p className="caption mt-1">{printSource(COOL_SOURCE)}.</p>
    </RecordForm>
  );
}
