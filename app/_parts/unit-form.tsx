'use client';

import { correctUnit } from '../_client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { DUTIES, EXPOSURES, UNIT_KINDS, unitSchema, type Unit } from '@/core/frame';
import { kgToPounds, parseMassKg, type UnitSystem } from '@/core/quantity';
import { Entry, Pick, Sheet } from '@/ui/controls';

const grossWords = (unit: Unit, system: UnitSystem): string =>
  unit.grossMassKg === undefined
    ? ''
    : String(Math.round(system === 'in' ? kgToPounds(unit.grossMassKg) : unit.grossMassKg));

/** Corrects what is known of a unit: its weight is often learned later. */
export function UnitForm({ unit, system }: { unit: Unit; system: UnitSystem }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState<Partial<Unit>>({});
  const [gross, setGross] = useState<string>();
  const [built, setBuilt] = useState<string>();
  const [problems, setProblems] = useState<Partial<Record<string, string>>>({});
  const fields = { ...unit, ...typed };
  const close = () => {
    setOpen(false);
    setTyped({});
    setGross(undefined);
    setBuilt(undefined);
    setProblems({});
  };
  const keep = async () => {
    const { grossMassKg: before, builtYear: wasBuilt, ...facts } = fields;
    const mass = gross === undefined ? before : gross.trim() === '' ? undefined : parseMassKg(gross, system);
    if (typeof mass === 'object' && !mass.ok) return setProblems({ grossMassKg: mass.reason });
    const grossMassKg = typeof mass === 'object' ? mass.value : mass;
    const builtYear = built === undefined ? wasBuilt : built.trim() === '' ? undefined : Number(built.trim());
    const next = unitSchema.safeParse({
      ...facts,
      ...(grossMassKg !== undefined && { grossMassKg }),
      ...(builtYear !== undefined && { builtYear }),
    });
    if (!next.success)
      return setProblems(
        Object.fromEntries(next.error.issues.map((issue) => [String(issue.path[0]), issue.message])),
      );
    const answer = await correctUnit(unit, next.data);
    if (!answer.ok)
      return setProblems({
        [answer.problem.at ?? 'whole']: `${answer.problem.message}. ${answer.problem.kept}`,
      });
    close();
    toast.success(`${next.data.tag} corrected`);
    router.refresh();
  };
  const text = (field: 'tag' | 'description', label: string) => (
    <Entry
      label={label}
      value={fields[field]}
      onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
      {...(problems[field] && { problem: problems[field] })}
    />
  );
  return (
    <>
      <button type="button" className="plain" onClick={() => setOpen(true)}>
        Correct the unit
      </button>
      <Sheet
        title={`Correct ${unit.tag}`}
        describe="Jobs, notices and evidence stay as they are."
        open={open}
        onOpenChange={(next) => (next ? setOpen(true) : close())}
      >
        <form
          className="grid gap-3 sm:grid-cols-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          {text('tag', 'Tag')}
          {text('description', 'What it is')}
          <Pick
            label="Kind"
            value={fields.kind}
            options={UNIT_KINDS}
            onPick={(kind) => setTyped({ ...typed, kind })}
          />
          <Pick
            label="Where it lives"
            value={fields.exposure}
            options={EXPOSURES}
            onPick={(exposure) => setTyped({ ...typed, exposure })}
          />
          <Pick
            label="Duty"
            value={fields.duty}
            options={DUTIES}
            onPick={(duty) => setTyped({ ...typed, duty })}
          />
          <Entry
            label="Gross weight"
            unit={system === 'in' ? 'lb' : 'kg'}
            value={gross ?? grossWords(unit, system)}
            onChange={(event) => setGross(event.target.value)}
            hint="sizes the welds’ shear flow"
            {...(problems.grossMassKg && { problem: problems.grossMassKg })}
          />
          <Entry
            label="Built, year"
            inputMode="numeric"
            value={built ?? String(fields.builtYear ?? '')}
            onChange={(event) => setBuilt(event.target.value)}
            hint="units of one run of years fail alike"
            {...(problems.builtYear && { problem: problems.builtYear })}
          />
          {problems.whole && (
            <p role="alert" className="font-semibold text-oxide sm:col-span-2">
              {problems.whole}
            </p>
          )}
          <button type="submit" className="solid sm:col-span-2">
            Keep the correction
          </button>
        </form>
      </Sheet>
    </>
  );
}
