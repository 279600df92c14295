'use client';

import { useState } from 'react';
import { toast } from 'sonner';
import { parseLengthMm, printLength } from '@/core/quantity';
import { handPracticeSchema, type HandPractice } from '@/core/reference';
import { Entry } from '@/ui/controls';
import { useReader, useRecords } from '../../../_desk';
import { useUnitTurn } from '../../../../_parts/turned';

const SHARES = [
  ['struckKept', 'struck, rings evenly: at least, %'],
  ['feltKept', 'felt full: at least, %'],
  ['seenKept', 'only seen counts as, %'],
  ['partedShare', 'parted over more of its outline than, %'],
] as const satisfies readonly (readonly [keyof HandPractice, string])[];

/** What the shop lets hammer, finger and eye vouch for. */
export function HandRules() {
  const { file, changePractice } = useRecords();
  const { system } = useReader();
  const { hand } = file.practice;
  const [typed, setTyped] = useState<Partial<Record<keyof HandPractice, string>>>({});
  useUnitTurn(system, (as) =>
    setTyped({ ...typed, ...(typed.tapReachMm !== undefined && { tapReachMm: as(typed.tapReachMm) }) }),
  );
  const keep = async () => {
    const reach =
      typed.tapReachMm === undefined
        ? { ok: true as const, value: hand.tapReachMm }
        : parseLengthMm(typed.tapReachMm, system);
    if (!reach.ok) return void toast.error(`a tap speaks of: ${reach.reason}`);
    const shares = SHARES.map(([key]) => [
      key,
      typed[key] === undefined ? hand[key] : Number(typed[key]) / 100,
    ]);
    const next = handPracticeSchema.safeParse({
      ...hand,
      ...Object.fromEntries(shares),
      tapReachMm: reach.value,
    });
    if (!next.success)
      return void toast.error('shares lie between 0 and 100 %, a tap’s reach between 10 mm and a foot');
    const problem = await changePractice({ ...file.practice, hand: next.data });
    if (problem) toast.error(problem.message, { description: problem.kept });
    else setTyped({});
  };
  return (
    <form
      className="mb-3 flex flex-wrap items-end gap-2"
      aria-label="Rules of hand and eye"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      {SHARES.map(([key, label]) => (
        <Entry
          key={key}
          label={label}
          className="w-44"
          inputMode="decimal"
          value={typed[key] ?? String(Math.round(hand[key] * 100))}
          onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
        />
      ))}
      <Entry
        label="a tap speaks of, each way"
        unit={system}
        className="w-44"
        value={typed.tapReachMm ?? printLength(hand.tapReachMm, system, 'length').replace(/ (in|mm)$/, '')}
        onChange={(event) => setTyped({ ...typed, tapReachMm: event.target.value })}
      />
      <button type="submit" className="plain">
        Keep
      </button>
      <p className="caption w-full">Shares of the wall as made. Common practice, no source.</p>
    </form>
  );
}
