'use client';

import { useState } from 'react';
import { toast } from 'sonner';
import { parseLengthMm } from '@/core/quantity';
import { kFromCoupon } from '@/core/shape';
import { Entry, Sheet } from '@/ui/controls';
import { useReader, useRecords } from '../../../_desk';
import { useUnitTurn, eachText } from '../../../../_parts/turned';

const FIELDS = [
  ['flatMm', 'flat length before bending'],
  ['legOneMm', 'first leg, outside'],
  ['legTwoMm', 'second leg, outside'],
  ['insideRadiusMm', 'inside radius'],
  ['thicknessMm', 'thickness'],
] as const;
type Fields = Partial<Record<(typeof FIELDS)[number][0], string>>;

/** The shop's own K from a coupon bent on its own brake. */
export function BrakeForm() {
  const { file, changePractice } = useRecords();
  const { system } = useReader();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState<Fields>({});
  useUnitTurn(system, (as) => setTyped(eachText(typed, as)));
  const [problem, setProblem] = useState<string>();
  const measured = FIELDS.map(([field]) => [field, parseLengthMm(typed[field] ?? '', system)] as const);
  const all = measured.every(([, length]) => length.ok);
  const k = all
    ? kFromCoupon(
        Object.fromEntries(
          measured.map(([field, length]) => [field, length.ok ? length.value : 0]),
        ) as unknown as Parameters<typeof kFromCoupon>[0],
      )
    : undefined;
  const keep = async () => {
    if (!k) return setProblem('measure all five');
    if (!k.ok) return setProblem(k.reason);
    const refused = await changePractice({ ...file.practice, bendK: k.value });
    if (refused) return setProblem(refused.message);
    toast.success(`K is now ${k.value.toFixed(3)}; flat patterns follow`);
    setOpen(false);
  };
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
        <form
          className="grid gap-3 sm:grid-cols-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          {FIELDS.map(([field, label]) => (
            <Entry
              key={field}
              label={label}
              unit={system}
              value={typed[field] ?? ''}
              onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
            />
          ))}
          <p className="self-end text-2xl font-semibold">{k?.ok ? `K ${k.value.toFixed(3)}` : ''}</p>
          {problem && (
            <p role="alert" className="font-semibold text-oxide sm:col-span-2">
              {problem}
            </p>
          )}
          <button type="submit" className="solid sm:col-span-2">
            Use this K
          </button>
        </form>
      </Sheet>
    </div>
  );
}
