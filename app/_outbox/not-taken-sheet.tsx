'use client';

import { useState } from 'react';
import type { UnitSystem } from '@/core/quantity';
import { Entry, Settling, Sheet, When } from '@/ui/controls';
import { newId } from '../_client';
import { theOutbox } from '.';
import { parcelStamp, parcelWords } from './keeping-words';
import { mendables, mended, typed } from './mend';
import type { NotTaken } from './shelf';
import { BothRepairs } from './both-repairs';

export interface NotTakenProps {
  readonly notTaken: readonly NotTaken[];
  readonly system: UnitSystem;
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}

/** What the server would not take, with its reason: to mend, to take away as a file, or to throw away by hand. Nothing goes by itself. */
export function NotTakenSheet({ notTaken, system, open, onOpenChange }: NotTakenProps) {
  return (
    <Sheet
      title="Not taken"
      describe="The server would not take these for what they say. They lie in this browser until you mend them or throw them away."
      open={open}
      onOpenChange={onOpenChange}
    >
      <ul className="ruled border-y border-rule">
        {notTaken.map((item) => (
          <li key={item.parcel.id} className="py-3">
            <Item item={item} system={system} />
          </li>
        ))}
      </ul>
    </Sheet>
  );
}

function Item({ item, system }: { item: NotTaken; system: UnitSystem }) {
  const { parcel, problem } = item;
  const { on, by, at } = parcelStamp(parcel);
  const isRepair = problem.code === 'stale' && (parcel.kind === 'repair' || parcel.kind === 'withdrawal');
  return (
    <section aria-label={`Not taken: ${parcelWords(parcel)}`}>
      <h3 className="text-lg font-semibold first-letter:uppercase">{parcelWords(parcel)}</h3>
      <p className="caption">
        {on && `${on}; `}
        {by && `${by}, `}
        {at && <When at={at} />}
      </p>
      <p className="font-medium text-oxide">{problem.message}</p>
      {isRepair ? <BothRepairs item={item} system={system} /> : <MendForm item={item} system={system} />}
      <div className="flex flex-wrap gap-2 pt-2">
        <TakeItAway item={item} />
        <ThrowAway item={item} />
      </div>
    </section>
  );
}

function MendForm({ item, system }: { item: NotTaken; system: UnitSystem }) {
  const { parcel, problem } = item;
  const fields = mendables(parcel);
  const [entries, setEntries] = useState<Readonly<Record<string, string>>>({});
  const [wrong, setWrong] = useState<{ path: string; reason: string }>();
  const send = () => {
    const renamed = problem.code === 'conflict' && parcel.kind !== 'strike' ? { newId: newId() } : {};
    const draft = mended(parcel, entries, { system, ...renamed });
    if (!draft.ok) return setWrong({ path: draft.at ?? '', reason: draft.reason });
    void theOutbox().sendAgain(item, draft.value);
  };
  return (
    <form
      className="pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <div className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-3">
        {fields.map((field) => (
          <Entry
            key={field.path}
            label={field.label}
            {...(field.kind !== 'words' && { unit: system })}
            value={entries[field.path] ?? typed(field, system)}
            onChange={(event) => setEntries({ ...entries, [field.path]: event.target.value })}
            {...(wrong?.path === field.path && { problem: wrong.reason })}
            {...(problem.at === field.path && !wrong && { hint: 'this is what was refused' })}
          />
        ))}
      </div>
      <button type="submit" className="solid mt-2">
        Send it again
      </button>
    </form>
  );
}

/** The record as it was to be sent, as JSON; a photo as its picture. */
function TakeItAway({ item: { parcel, problem } }: { item: NotTaken }) {
  const take = () => {
    const { file, ...rest } = parcel as typeof parcel & { file?: Blob };
    const text = JSON.stringify({ ...rest, refused: problem }, undefined, 1);
    const url = URL.createObjectURL(file ?? new Blob([text], { type: 'application/json' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = `not-taken-${parcel.id.slice(0, 8)}.${file ? 'jpg' : 'json'}`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(url), 60_000);
  };
  return (
    <button type="button" className="plain" onClick={take}>
      Take it away as a file
    </button>
  );
}

function ThrowAway({ item }: { item: NotTaken }) {
  const [isSure, setSure] = useState(false);
  return (
    <Settling of={String(isSure)}>
      <button
        type="button"
        className="plain text-oxide"
        onClick={() => (isSure ? void theOutbox().discard(item) : setSure(true))}
      >
        {isSure ? 'Throw it away for good' : 'Throw it away'}
      </button>
    </Settling>
  );
}
