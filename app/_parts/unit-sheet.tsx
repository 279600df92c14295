'use client';

import { useRouter } from 'next/navigation';
import { toast } from 'sonner';
import type { z } from 'zod';
import { DUTIES, EXPOSURES, UNIT_KINDS, unitSchema, type Unit } from '@/core/frame';
import { kgToPounds, ok, parseMassKg, type UnitSystem } from '@/core/quantity';
import { Sheet, TypedEntry, TypedForm, TypedPick, TypedProblem, useTypedForm } from '@/ui/controls';
import { correctUnit } from '../_client';
import { readIfTyped } from './typed';

const grossWords = ({ grossMassKg }: Unit, system: UnitSystem): string =>
  grossMassKg === undefined
    ? ''
    : String(Math.round(system === 'in' ? kgToPounds(grossMassKg) : grossMassKg));

/** A unit as it is typed. A weight that nobody touched stays what it was: rounded to whole pounds it would be another. */
const typedUnit = (unit: Unit, system: UnitSystem) =>
  unitSchema.omit({ id: true }).extend({
    grossMassKg: readIfTyped((text) =>
      text === grossWords(unit, system) ? ok(unit.grossMassKg) : parseMassKg(text, system),
    ).pipe(unitSchema.shape.grossMassKg),
    builtYear: readIfTyped((text) => ok(Number(text))).pipe(unitSchema.shape.builtYear),
  });

/** Corrects what is known of a unit. */
export function UnitSheet({ unit, system, open, onOpenChange }: UnitSheetProps) {
  return (
    <Sheet
      title={`Correct ${unit.tag}`}
      describe="Jobs, notices and evidence stay as they are."
      open={open}
      onOpenChange={onOpenChange}
    >
      <Fields unit={unit} system={system} onKept={() => onOpenChange(false)} />
    </Sheet>
  );
}
export interface UnitSheetProps {
  readonly unit: Unit;
  readonly system: UnitSystem;
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}

function Fields({ unit, system, onKept }: { unit: Unit; system: UnitSystem; onKept: () => void }) {
  const router = useRouter();
  const { tag, description, kind, exposure, duty } = unit;
  const schema = typedUnit(unit, system);
  const form = useTypedForm(schema, {
    ...{ tag, description, kind, exposure, duty },
    grossMassKg: grossWords(unit, system),
    builtYear: String(unit.builtYear ?? ''),
  });
  const keep = async (read: z.infer<typeof schema>) => {
    const answer = await correctUnit(unit, { id: unit.id, ...read });
    if (!answer.ok)
      return { at: answer.problem.at, message: `${answer.problem.message}. ${answer.problem.kept}` };
    onKept();
    toast.success(`${read.tag} corrected`);
    router.refresh();
  };
  return (
    <TypedForm form={form} onKeep={keep} className="grid gap-3 sm:grid-cols-2">
      <TypedEntry name="tag" label="Tag" />
      <TypedEntry name="description" label="What it is" />
      <TypedPick name="kind" label="Kind" options={UNIT_KINDS} />
      <TypedPick name="exposure" label="Where it lives" options={EXPOSURES} />
      <TypedPick name="duty" label="Duty" options={DUTIES} />
      <TypedEntry
        name="grossMassKg"
        label="Gross weight"
        unit={system === 'in' ? 'lb' : 'kg'}
        hint="sizes the welds’ shear flow"
      />
      <TypedEntry
        name="builtYear"
        label="Built, year"
        inputMode="numeric"
        hint="units of one run of years fail alike"
      />
      <TypedProblem className="sm:col-span-2" />
      <button type="submit" className="solid sm:col-span-2">
        Keep the correction
      </button>
    </TypedForm>
  );
}
