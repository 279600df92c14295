'use client';

import { useState } from 'react';
import { startsAtMm } from '@/core/frame';
import { parseMassKg, printLength, printMass } from '@/core/quantity';
import type { Measure } from '@/core/shape';
import { Entry, Pick } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { measureWords } from '../../../../_words/works';
import { useMember, useReader } from '../../../_desk';
import { LengthEntry } from './length-entry';

/** One measure of a work: a length, a load, a number or a choice. Outside what it may be it is left as it was, and said. */
export function MeasureEntry({
  measure,
  value,
  onValue,
}: {
  measure: Measure;
  value: number;
  onValue: (value: number) => void;
}) {
  const { system } = useReader();
  const { member } = useMember();
  const [problem, setProblem] = useState<string>();
  const { as, least, most, options } = measure;
  const label = measureWords(measure);
  const offer = (next: number) => {
    const isWhole = as !== 'count' || Number.isInteger(next);
    const fits = next >= least && next <= most && isWhole;
    setProblem(fits ? undefined : `${label}: ${boundsWords(measure, system)}; left as it was`);
    if (fits) onValue(next);
  };
  if (as === 'choice' && options)
    return (
      <Pick
        label={label}
        value={String(value)}
        options={options.map((_, k) => String(k))}
        words={(k) => options[Number(k)]!}
        onPick={(k) => onValue(Number(k))}
      />
    );
  if (as === 'length' || as === 'thickness' || as === 'station')
    return (
      <LengthEntry
        label={label}
        valueMm={value}
        kind={as === 'station' ? 'length' : as}
        fromMm={as === 'station' ? startsAtMm(member) : 0}
        {...(problem && { problem })}
        onWrong={setProblem}
        onLength={offer}
      />
    );
  return (
    <NumberEntry measure={measure} value={value} problem={problem} onValue={offer} onWrong={setProblem} />
  );
}

function boundsWords({ as, least, most }: Measure, system: 'in' | 'mm'): string {
  const print = (value: number) =>
    as === 'mass'
      ? printMass(value, system)
      : as === 'length' || as === 'thickness' || as === 'station'
        ? printLength(value, system, as === 'thickness' ? as : 'length')
        : String(value);
  return `${print(least)} to ${print(most)}`;
}

/** A load, a count or a temperature: kept on Enter or on leaving its field. */
function NumberEntry({
  measure: { key, as },
  value,
  problem,
  onValue,
  onWrong,
}: {
  measure: Measure;
  value: number;
  problem: string | undefined;
  onValue: (value: number) => void;
  onWrong: (words: string) => void;
}) {
  const { system } = useReader();
  const [text, setText] = useState<string>();
  useUnitTurn(system, () => setText(undefined));
  const shown = as === 'mass' ? printMass(value, system).replace(/[^\d.]/g, '') : String(value);
  const commit = () => {
    if (text === undefined) return;
    const typed = as === 'mass' ? parseMassKg(text, system) : wholeOf(text);
    setText(undefined);
    if (typeof typed === 'number') return onValue(typed);
    if (typed.ok) onValue(typed.value);
    else onWrong(typed.reason);
  };
  return (
    <Entry
      label={measureWords({ key })}
      unit={as === 'mass' ? (system === 'in' ? 'lb' : 'kg') : as === 'temperature' ? '°C' : ''}
      inputMode="numeric"
      value={text ?? shown}
      onChange={(event) => setText(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
      {...(problem && { problem })}
    />
  );
}

const wholeOf = (text: string): number => (text.trim() === '' ? NaN : Number(text));
