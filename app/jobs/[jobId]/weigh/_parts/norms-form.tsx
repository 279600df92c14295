'use client';

import { useState } from 'react';
import { moneySchema, type Money } from '@/core/reference';
import { Entry } from '@/ui/controls';
import { NORM_WORDS } from '../../../../_words/ways-out';
import { useRecords } from '../../../_desk';
import { readMoney, typedMoney, type MoneyTyped } from './norms-typed';

/** Rate, prices and norms of the shop as this job uses them; every figure may be changed. */
export function NormsForm() {
  const { file, changePractice } = useRecords();
  const { money } = file.practice;
  const [typed, setTyped] = useState<MoneyTyped>({});
  const [problem, setProblem] = useState<string>();
  const shown = { ...typedMoney(money), ...typed };
  const keep = async () => {
    const read = readMoney(shown, money);
    if (!read.ok) return setProblem(read.reason);
    const checked = moneySchema.safeParse(read.value);
    if (!checked.success) return setProblem(checked.error.issues[0]!.message);
    const refused = await changePractice({ ...file.practice, money: checked.data as Money });
    if (refused) return setProblem(`${refused.message}. ${refused.kept}`);
    setTyped({});
    setProblem(undefined);
  };
  const entry = (key: string, label: string) => (
    <Entry
      key={key}
      label={label}
      value={shown[key] ?? ''}
      onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
    />
  );
  return (
    <details className="mt-2">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
        Rate, prices and norms
      </summary>
      <form
        aria-label="Rate, prices and norms"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-3">
          {entry('ratePerHour', 'money an hour')}
          {entry('currency', 'currency')}
          {entry('steelPerKg', 'steel, a kg, least to most')}
          {entry('framePrice', 'a frame as good, delivered')}
          {entry('seizedChance', 'chance that something seizes, %')}
          {entry('hiddenChance', 'chance of more behind a spot unseen, %')}
          {Object.entries(NORM_WORDS).map(([key, words]) => entry(key, `${words}, h`))}
        </div>
        {problem && (
          <p role="alert" className="mt-1 font-semibold text-oxide">
            {problem}
          </p>
        )}
        <button type="submit" className="solid mt-2">
          Keep these figures
        </button>
      </form>
    </details>
  );
}
