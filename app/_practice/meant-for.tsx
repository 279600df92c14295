'use client';

import { useState } from 'react';
import { DUTIES, UNIT_KINDS } from '@/core/frame';
import { kgToPounds, parseMassKg, type UnitSystem } from '@/core/quantity';
import type { Legal } from '@/core/reference';
import { Entry } from '@/ui/controls';

/** For which units a profile of the shop's own is meant: their kinds, their uses, and from what gross mass on. */
export function MeantFor({
  legal,
  system,
  onChange,
}: {
  legal: Legal;
  system: UnitSystem;
  onChange: (change: Partial<Legal>) => void;
}) {
  return (
    <details className="basis-full">
      <summary className="flex min-h-11 cursor-pointer items-center">
        Meant for: {meantFor(legal, system)}
      </summary>
      <Ticked legend="kinds" all={UNIT_KINDS} on={legal.kinds} onTick={(kinds) => onChange({ kinds })} />
      <Ticked legend="uses" all={DUTIES} on={legal.uses} onTick={(uses) => onChange({ uses })} />
      <FromMass
        key={`${legal.id} ${system}`}
        fromKg={legal.fromKg}
        system={system}
        onChange={(fromKg) => onChange({ fromKg })}
      />
    </details>
  );
}

/** For whom a profile is meant, in a line. */
export function meantFor({ kinds, uses, fromKg }: Legal, system: UnitSystem): string {
  const said = [
    ...(kinds.length > 0 ? [kinds.join(', ')] : []),
    ...(uses.length > 0 ? [`used for ${uses.join(' or ')}`] : []),
    ...(fromKg !== undefined ? [`from ${wholeMass(fromKg, system)} gross, what tows it with it`] : []),
  ];
  return said.length > 0 ? said.join('; ') : 'any unit';
}

/** A limit, to the whole pound or kilogram. */
const wholeMass = (kg: number, system: UnitSystem): string =>
  system === 'in' ? `${Math.round(kgToPounds(kg))} lb` : `${Math.round(kg)} kg`;

function Ticked({
  legend,
  all,
  on,
  onTick,
}: {
  legend: string;
  all: readonly string[];
  on: readonly string[];
  onTick: (on: string[]) => void;
}) {
  return (
    <fieldset className="flex flex-wrap gap-x-4">
      <legend className="caption">{legend}: none ticked, any</legend>
      {all.map((each) => (
        <label key={each} className="plain">
          <input
            type="checkbox"
            className="size-5 accent-[var(--ink)]"
            checked={on.includes(each)}
            onChange={({ target }) =>
              onTick(all.filter((one) => (one === each ? target.checked : on.includes(one))))
            }
          />{' '}
          {each}
        </label>
      ))}
    </fieldset>
  );
}

function FromMass({
  fromKg,
  system,
  onChange,
}: {
  fromKg: number | undefined;
  system: UnitSystem;
  onChange: (fromKg: number | undefined) => void;
}) {
  const [text, setText] = useState(() => (fromKg === undefined ? '' : wholeMass(fromKg, system)));
  const read = text.trim() === '' ? undefined : parseMassKg(text, system);
  return (
    <Entry
      label="from a gross mass of"
      unit={system === 'in' ? 'lb' : 'kg'}
      className="max-w-56"
      value={text}
      {...(read && !read.ok && { problem: `that is no mass: ${read.reason}` })}
      onChange={({ target: { value } }) => {
        setText(value);
        const mass = value.trim() === '' ? undefined : parseMassKg(value, system);
        if (!mass) onChange(undefined);
        else if (mass.ok) onChange(mass.value);
      }}
    />
  );
}
