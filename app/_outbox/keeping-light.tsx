'use client';

import { useEffect, useState } from 'react';
import type { UnitSystem } from '@/core/quantity';
import { usePart } from '../_parts/use-part';
import { useKeeping } from '.';
import type { Keeping } from './outbox';
import { heldWords, keepingWords } from './keeping-words';
import type { NotTakenProps } from './not-taken-sheet';

const notTakenSheet = async () => (await import('./not-taken-sheet')).NotTakenSheet;

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
  const [NotTakenSheet, bring] = usePart<NotTakenProps>(notTakenSheet);
  const refused = keeping.notTaken.length;
  // Brought while the server that refused is in reach.
  const isRefused = refused > 0;
  useEffect(() => {
    if (isRefused) void bring();
  }, [isRefused, bring]);
  const isQuiet = quiet && refused === 0 && (keeping.state === 'kept' || keeping.state === 'looking');
  if (isQuiet) return null;
  // What was not taken stands in the place of *kept*: beside it, it would be read as all well.
  return (
    <>
      {isRefused ? (
        <NotTaken keeping={keeping} onOpen={async () => setOpen(await bring())} />
      ) : (
        <span
          className="flex min-w-[74px] items-center gap-1.5 pl-1 text-sm"
          role="status"
          title={keeping.state === 'held here' ? heldWords(keeping.held).full : undefined}
        >
          <span className={`inline-block size-3 shrink-0 ${SHAPE[keeping.state]}`} aria-hidden />
          {keepingWords(keeping)}
        </span>
      )}
      {NotTakenSheet && (
        <NotTakenSheet
          notTaken={keeping.notTaken}
          system={system}
          open={isOpen && isRefused}
          onOpenChange={setOpen}
        />
      )}
    </>
  );
}

/** One button: what was not taken, above it what else is not kept yet. */
function NotTaken({ keeping, onOpen }: { keeping: Keeping; onOpen: () => void }) {
  const words = keepingWords(keeping);
  return (
    <>
      <span role="status" className="sr-only">
        {keeping.state === 'kept' ? 'the rest is kept' : words}
      </span>
      <button
        type="button"
        className="hit whitespace-nowrap bg-oxide px-2 text-sm font-semibold leading-tight text-paper"
        onClick={onOpen}
      >
        {keeping.state !== 'kept' && (
          <span aria-hidden className="block letters-13 font-normal">
            {words}
          </span>
        )}
        {keeping.notTaken.length} not taken
      </button>
    </>
  );
}
