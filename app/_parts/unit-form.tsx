'use client';

import { useState } from 'react';
import type { Unit } from '@/core/frame';
import type { UnitSystem } from '@/core/quantity';
import type { UnitSheetProps } from './unit-sheet';
import { usePart } from './use-part';

const unitSheet = async () => (await import('./unit-sheet')).UnitSheet;

/** Corrects what is known of a unit: its weight is often learned later. */
export function UnitForm({ unit, system }: { unit: Unit; system: UnitSystem }) {
  const [open, setOpen] = useState(false);
  const [UnitSheet, bring] = usePart<UnitSheetProps>(unitSheet);
  return (
    <>
      <button type="button" className="plain" onClick={async () => setOpen(await bring())}>
        Correct the unit
      </button>
      {UnitSheet && <UnitSheet unit={unit} system={system} open={open} onOpenChange={setOpen} />}
    </>
  );
}
