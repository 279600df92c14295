'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { toast } from 'sonner';
import { z } from 'zod';
import { parseLengthMm, type UnitSystem } from '@/core/quantity';
import { kFromCoupon } from '@/core/shape';
import { Sheet, TypedEntry, TypedForm, TypedProblem, useTypedForm } from '@/ui/controls';
import { useReader, useRecords } from '../../../_desk';
import { readBy, useFieldsTurn } from '../../../../_parts/typed';

const MEASURED = {
  flatMm: 'flat length before bending',
  legOneMm: 'first leg, outside',
  legTwoMm: 'second leg, outside',
  insideRadiusMm: 'inside radius',
  thicknessMm: 'thickness',
} as const;
type Measured = keyof typeof MEASURED;
const FIELDS = Object.keys(MEASURED) as Measured[];
const each = <Value,>(value: Value) =>
  Object.fromEntries(FIELDS.map((field) => [field, value])) as Record<Measured, Value>;

const typedCoupon = (system: UnitSystem) => z.object(each(readBy((text) => parseLengthMm(text, system))));

/** The shop's own K from a coupon bent on its own brake. */
export function BrakeForm() {
  const { file } = useRecords();
  const [open, setOpen] = useState(false);
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3 border-t border-rule pt-3">
      <span>
        Brake: K {file.practice.bendK.toFixed(3)} <span className="caption">(0.41 is soft steel at 90°)</span>
      </span>
      <button type="button" className="plain" onClick={() => setOpen(true)}>
        Correct it with a coupon
      </button>
      <Sheet
        title="Brake coupon"
        describe="Cut a strip, measure it flat, bend it to 90°, measure both legs over the outside."
        open={open}
        onOpenChange={setOpen}
      >
        <Coupon onKept={() => setOpen(false)} />
      </Sheet>
    </div>
  );
}

function Coupon({ onKept }: { onKept: () => void }) {
  const { file, changePractice } = useRecords();
  const { system } = useReader();
  const schema = typedCoupon(system);
  const form = useTypedForm(schema, each(''));
  useFieldsTurn(form, system, each('length'));
  const read = schema.safeParse(useWatch({ control: form.control }));
  const k = read.success ? kFromCoupon(read.data) : undefined;
  const keep = async (coupon: z.infer<typeof schema>) => {
    const found = kFromCoupon(coupon);
    if (!found.ok) return { message: found.reason };
    const refused = await changePractice({ ...file.practice, bendK: found.value });
    if (refused) return refused;
    toast.success(`K is now ${found.value.toFixed(3)}; flat patterns follow`);
    onKept();
  };
  return (
    <TypedForm form={form} onKeep={keep} className="grid gap-3 sm:grid-cols-2">
      {FIELDS.map((field) => (
        <TypedEntry key={field} name={field} label={MEASURED[field]} unit={system} />
      ))}
      <p className="self-end text-2xl font-semibold">{k?.ok ? `K ${k.value.toFixed(3)}` : ''}</p>
      <TypedProblem className="sm:col-span-2" />
      <button type="submit" className="solid sm:col-span-2">
        Use this K
      </button>
    </TypedForm>
  );
}
