'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { UnitSystem } from '@/core/quantity';
import type { ShopLists } from '@/core/reference';
import { Entry } from '@/ui/controls';
import { changeShopLists } from '../../_client';
import { useUnitTurn } from '../../_parts/turned';
import { ChangedBy } from './changed-by';
import {
  LIST_NAMES,
  LISTS,
  readLists,
  turnedLists,
  typedLists,
  type ListsTyped,
  type RowTyped,
} from './lists';
import { DAY_NAMES, type WeekTyped } from './week';

/** People, bays, steel, kits and consumables, kept together as the next revision. */
export function ListsForm({
  revision,
  lists,
  system,
}: {
  revision: number;
  lists: ShopLists;
  system: UnitSystem;
}) {
  const router = useRouter();
  const [typed, setTyped] = useState<ListsTyped>(() => typedLists(lists, system));
  const [by, setBy] = useState('');
  const [problem, setProblem] = useState<string>();
  useUnitTurn(system, (as) => setTyped(turnedLists(typed, as)));
  const keep = async () => {
    const next = readLists(typed, system);
    if (!next.ok) return setProblem(next.reason);
    if (by.trim() === '') return setProblem('say who changes the lists');
    const stamp = { by: by.trim(), at: new Date().toISOString() };
    const answer = await changeShopLists({ basedOn: revision, to: next.value, ...stamp });
    if (!answer.ok) return setProblem(`${answer.problem.message}. ${answer.problem.kept}`);
    setProblem(undefined);
    toast.success('The lists are kept');
    router.refresh();
  };
  return (
    <form
      aria-label="What the shop has"
      className="mt-8"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <h2 className="border-b border-ink text-lg font-semibold">What we have</h2>
      {LIST_NAMES.map((name) => (
        <List
          key={name}
          name={name}
          rows={typed[name]}
          system={system}
          onRows={(rows) => setTyped({ ...typed, [name]: rows })}
        />
      ))}
      <Week week={typed.week} onWeek={(week) => setTyped({ ...typed, week })} />
      <ChangedBy by={by} onBy={setBy} keep="Keep the lists" problem={problem} />
    </form>
  );
}

function Week({ week, onWeek }: { week: WeekTyped; onWeek: (week: WeekTyped) => void }) {
  const toggle = (day: number) =>
    onWeek({
      ...week,
      days: week.days.includes(day) ? week.days.filter((other) => other !== day) : [...week.days, day],
    });
  const set = (key: 'fromHour' | 'hoursADay' | 'shut') => (event: { target: { value: string } }) =>
    onWeek({ ...week, [key]: event.target.value });
  return (
    <section aria-label="When we work" className="border-b border-rule py-2">
      <h3 className="font-semibold">
        When we work <span className="caption">Dates of jobs are reckoned by it.</span>
      </h3>
      <div className="flex flex-wrap items-end gap-2 py-1">
        <div className="flex flex-wrap" role="group" aria-label="Days we work">
          {DAY_NAMES.map((name, k) => (
            <button
              key={name}
              type="button"
              className="plain -ml-px first:ml-0"
              aria-pressed={week.days.includes(k + 1)}
              onClick={() => toggle(k + 1)}
            >
              {name}
            </button>
          ))}
        </div>
        <Entry label="from, o’clock" className="w-28" value={week.fromHour} onChange={set('fromHour')} />
        <Entry
          label="hours of work a day"
          className="w-32"
          value={week.hoursADay}
          onChange={set('hoursADay')}
        />
        <Entry
          label="shut on, such as 2026-12-25"
          className="min-fit-60 flex-1"
          value={week.shut}
          onChange={set('shut')}
        />
      </div>
    </section>
  );
}

function List({
  name,
  rows,
  system,
  onRows,
}: {
  name: (typeof LIST_NAMES)[number];
  rows: readonly RowTyped[];
  system: UnitSystem;
  onRows: (rows: readonly RowTyped[]) => void;
}) {
  const { title, says, columns } = LISTS[name];
  const set = (row: number, key: string, text: string) =>
    onRows(rows.map((each, k) => (k === row ? { ...each, [key]: text } : each)));
  return (
    <section aria-label={title} className="border-b border-rule py-2">
      <h3 className="font-semibold">
        {title} <span className="caption">{says}</span>
      </h3>
      {rows.map((row, k) => (
        <div key={k} className="flex flex-wrap items-end gap-2 py-1">
          {columns.map(({ key, label, is }) =>
            is === 'yes' ? (
              <label key={key} className="plain">
                <input
                  type="checkbox"
                  className="size-5 accent-[var(--ink)]"
                  checked={row[key] === 'yes'}
                  onChange={(event) => set(k, key, event.target.checked ? 'yes' : '')}
                />{' '}
                {label}
              </label>
            ) : (
              <Entry
                key={key}
                label={`${label}`}
                className={is === 'words' ? 'min-w-40 flex-1' : 'w-24'}
                {...((is === 'length' || is === 'thickness') && { unit: system })}
                value={row[key] ?? ''}
                onChange={(event) => set(k, key, event.target.value)}
              />
            ),
          )}
          <button
            type="button"
            className="hit px-2 underline"
            aria-label={`Take ${title.toLowerCase()} row ${k + 1} off the list`}
            onClick={() => onRows(rows.filter((_, other) => other !== k))}
          >
            take off
          </button>
        </div>
      ))}
      <button type="button" className="plain mt-1" onClick={() => onRows([...rows, {}])}>
        Add to {title.toLowerCase()}
      </button>
    </section>
  );
}
