'use client';

import { useState } from 'react';
import { kgToPounds, parseMassKg, type UnitSystem } from '@/core/quantity';
import { useUnitTurn } from '../../../../_parts/turned';

/** A weight in a table; what cannot be read is said and the old one stays. */
export function MassCell({
  label,
  massKg,
  system,
  onMass,
  mayBeEmpty = false,
}: {
  label: string;
  massKg: number | undefined;
  system: UnitSystem;
  onMass: (kg: number | undefined) => void;
  mayBeEmpty?: boolean;
}) {
  const shown =
    massKg === undefined ? '' : Math.round(system === 'in' ? kgToPounds(massKg) : massKg).toString();
  const [typed, setTyped] = useState<string>();
  useUnitTurn(system, (as) => setTyped(typed === undefined ? undefined : as(typed, 'weight')));
  const [problem, setProblem] = useState<string>();
  const take = () => {
    if (typed === undefined || typed === shown) return setTyped(undefined);
    if (mayBeEmpty && typed.trim() === '') {
      setTyped(undefined);
      setProblem(undefined);
      return onMass(undefined);
    }
    const mass = parseMassKg(typed, system);
    if (!mass.ok) return setProblem(mass.reason);
    setProblem(undefined);
    setTyped(undefined);
    onMass(mass.value);
  };
  return (
    <>
      <input
        aria-label={label}
        className="field"
        aria-invalid={problem ? true : undefined}
        value={typed ?? shown}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
      {problem && (
        <span role="alert" className="block text-sm font-medium text-oxide">
          {problem}
        </span>
      )}
    </>
  );
}
