'use client';

import { useState } from 'react';
import { lbfToNewtons, newtonsToLbf } from '@/core/quantity';
import { DEFAULT_LOAD_FACTORS, loadFactorsSchema, type LoadFactors } from '@/core/reference';
import { useReader } from '../../../_desk';
import { LengthCell } from './length-cell';

const FACTORS: readonly (readonly [Exclude<keyof LoadFactors, 'ditchMm' | 'steeringN'>, string, string])[] = [
  ['bumpG', 'bump', 'g'],
  ['brakeG', 'braking', 'g'],
  ['cornerG', 'corner', 'g'],
  ['scrubShare', 'tandem scrub', 'of axle load'],
  ['recoveryShare', 'recovery pull', 'of gross weight'],
  ['roadAllowable', 'road: allowable', 'of yield'],
  ['liftAllowable', 'lift, jack, legs: allowable', 'of yield'],
];

/** What the load cases are made with; common practice, the shop's to change. */
export function FactorsForm({
  factors,
  onChange,
}: {
  factors: LoadFactors;
  onChange: (factors: LoadFactors) => void;
}) {
  const { system } = useReader();
  const inNewtons = (value: number) => (system === 'in' ? lbfToNewtons(value) : value);
  return (
    <section className="mt-5" aria-label="Load cases">
      <div className="flex flex-wrap items-center justify-between border-b border-ink">
        <h2 className="text-lg font-semibold">Load cases: factors for this job</h2>
        <button type="button" className="hit underline" onClick={() => onChange(DEFAULT_LOAD_FACTORS)}>
          Defaults
        </button>
      </div>
      <p className="caption">
        Common practice, no source: the shop’s to change. Standing, hitched and on legs take the weights as
        they are; on a lift and on a jack the payload is off.
      </p>
      <div className="mt-2 grid gap-3 sm:grid-cols-3 lg:grid-cols-5">
        {FACTORS.map(([key, label, unit]) => (
          <Factor
            key={key}
            label={label}
            unit={unit}
            value={factors[key]}
            onValue={(value) => onChange({ ...factors, [key]: value })}
            check={(value) => loadFactorsSchema.shape[key].safeParse(value).success}
          />
        ))}
        <Factor
          label="steering push"
          unit={system === 'in' ? 'lbf' : 'N'}
          value={Math.round(system === 'in' ? newtonsToLbf(factors.steeringN) : factors.steeringN)}
          onValue={(value) => onChange({ ...factors, steeringN: inNewtons(value) })}
          check={(value) => loadFactorsSchema.shape.steeringN.safeParse(inNewtons(value)).success}
        />
        <div>
          <span className="caption block">ditch: one wheel drops, {system}</span>
          <LengthCell
            label="ditch depth"
            valueMm={factors.ditchMm}
            kind="length"
            onLength={(ditchMm) => onChange({ ...factors, ditchMm })}
          />
        </div>
      </div>
    </section>
  );
}

function Factor({
  label,
  unit,
  value,
  onValue,
  check,
}: {
  label: string;
  unit: string;
  value: number;
  onValue: (value: number) => void;
  check: (value: number) => boolean;
}) {
  const [typed, setTyped] = useState<string>();
  const [problem, setProblem] = useState(false);
  const take = () => {
    if (typed === undefined) return;
    const next = Number(typed.replace(',', '.'));
    if (typed.trim() === '' || !check(next)) return setProblem(true);
    setProblem(false);
    setTyped(undefined);
    onValue(next);
  };
  return (
    <div>
      <label className="block">
        <span className="caption">
          {label}, {unit}
        </span>
        <input
          aria-label={`${label}, ${unit}`}
          className="field"
          inputMode="decimal"
          aria-invalid={problem || undefined}
          value={typed ?? String(value)}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={take}
          onKeyDown={(event) => event.key === 'Enter' && take()}
        />
      </label>
      {problem && (
        <span role="alert" className="block text-sm font-medium text-oxide">
          out of range; {value} stands
        </span>
      )}
    </div>
  );
}
