'use client';

import { useState } from 'react';
import type { UnitSystem } from '@/core/quantity';
import { useKeeping } from '.';
import { heldWords, keepingWords } from './keeping-words';
import { NotTakenSheet } from './not-taken-sheet';

const SHAPE = {
  looking: 'border-2 border-edge rounded-full',
  kept: 'bg-good rounded-full',
  sending: 'bg-here',
  'held here': 'bg-oxide rotate-45',
} as const;

/** A mark and a word: kept, sending, or held here and why; and what the server would not take. */
export function KeepingLight({ system, quiet = false }: { system: UnitSystem; quiet?: boolean }) {
  const keeping = useKeeping();
  const [isOpen, setOpen] = useState(false);
  const refused = keeping.notTaken.length;
  const isQuiet = quiet && refused === 0 && (keeping.state === 'kept' || keeping.state === 'looking');
  if (isQuiet) return null;
  return (
    <>
      <span
        className="flex min-w-[74px] items-center gap-1.5 pl-1 text-sm"
        role="status"
        title={keeping.state === 'held here' ? heldWords(keeping.held).full : undefined}
      >
        <span className={`inline-block size-3 shrink-0 ${SHAPE[keeping.state]}`} aria-hidden />
        {keepingWords(keeping)}
      </span>
      {refused > 0 && (
        <button
          type="button"
          className="hit whitespace-nowrap bg-oxide px-2 text-sm font-semibold text-paper"
          onClick={() => setOpen(true)}
        >
          {refused} not taken
        </button>
      )}
      <NotTakenSheet
        notTaken={keeping.notTaken}
        system={system}
        open={isOpen && refused > 0}
        onOpenChange={setOpen}
      />
    </>
  );
}
