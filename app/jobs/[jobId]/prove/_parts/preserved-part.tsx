'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { jobDebris, stands } from '@/core/job';
import { preservedKind } from '@/core/prove';
import { ok, parseMassKg, parseVolumeLitres, type UnitSystem } from '@/core/quantity';
import { TypedEntry, TypedPick, TypedRecordForm, TypedTick, useTypedForm, When } from '@/ui/controls';
import { readIfTyped, useFieldsTurn } from '../../../../_parts/typed';
import { coatTakesWords, debrisWords, visitWords } from '../../../../_words/preserved';
import { notKept, useKeepChecked, useReader, useRecords } from '../../../_desk';

/** Visits that keep the frame whole: washed, emptied, coated; and how much dirt comes in, over all jobs of the unit. */
export function PreservedPart() {
  const { file } = useRecords();
  const { system } = useReader();
  const [isOpen, setOpen] = useState(false);
  const visits = [...(file.preservedElsewhere?.visits ?? []), ...stands(file, 'preserved')].sort((a, b) =>
    b.at.localeCompare(a.at),
  );
  const debris = jobDebris(file);
  return (
    <>
      <h2 className="mt-4 text-2xl font-semibold">Washed, emptied, coated</h2>
      <ul className="ruled" aria-label="Washed, emptied, coated">
        {visits.map((visit) => (
          <li key={visit.id} className="py-1">
            {visitWords(file.frame, visit, system)}{' '}
            <span className="caption">
              {visit.by}, <When at={visit.at} />
            </span>
          </li>
        ))}
      </ul>
      {debris.length > 0 && (
        <>
          <h3 className="mt-2 text-lg font-semibold">How much comes in</h3>
          <ul className="ruled" aria-label="How much comes in">
            {debris.map((trend) => (
              <li
                key={trend.memberId}
                className={`py-1 ${trend.says === 'more' ? 'font-semibold text-oxide' : ''}`}
              >
                {debrisWords(file.frame, trend, system)}
              </li>
            ))}
          </ul>
        </>
      )}
      {isOpen ? (
        <VisitForm onClose={() => setOpen(false)} />
      ) : (
        <button type="button" className="plain mt-1" onClick={() => setOpen(true)}>
          It was washed, emptied or coated
        </button>
      )}
    </>
  );
}

/** What came out: 0 is said for none, and is something known. */
const debrisKg = (text: string, system: UnitSystem) =>
  /^0+([.,]0*)?$/.test(text.trim()) ? ok(0) : parseMassKg(text, system);
const typedVisit = (system: UnitSystem) =>
  z.object({
    memberId: z.string(),
    washed: z.boolean(),
    out: readIfTyped((text) => debrisKg(text, system)),
    product: z.string(),
    litres: readIfTyped((text) => parseVolumeLitres(text, system)),
    note: z.string(),
  });

function VisitForm({ onClose }: { onClose: () => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const schema = typedVisit(system);
  const nothing = { washed: false, out: '', product: '', litres: '', note: '' };
  const form = useTypedForm(schema, { memberId: file.frame.members[0]!.id, ...nothing });
  useFieldsTurn(form, system, { out: 'weight', litres: 'volume' });
  const memberId = useWatch({ control: form.control, name: 'memberId' });
  const keepIt = ({ memberId, washed, out, product, litres, note }: z.infer<typeof schema>) => {
    if (product.trim() && litres === undefined) return notKept('how much of it was used?');
    const refusal = keepChecked(preservedKind, {
      note,
      memberId,
      washed,
      ...(out !== undefined && { debrisKg: out }),
      ...(litres !== undefined && { coat: { product, litres } }),
    });
    // The next member is coated out of the same can.
    if (!refusal) form.reset({ ...nothing, memberId, product });
    return refusal;
  };
  return (
    <TypedRecordForm
      form={form}
      label="Washed, emptied or coated"
      keep="Keep the visit"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <VisitFields />
      <p className="caption mt-1">
        {coatTakesWords(file.frame, memberId, system)} (common practice, no source: the can says its own).
      </p>
    </TypedRecordForm>
  );
}

function VisitFields() {
  const { frame } = useRecords().file;
  const { system } = useReader();
  return (
    <div className="flex flex-wrap items-end gap-2">
      <TypedPick
        name="memberId"
        label="which member"
        options={frame.members.map(({ id }) => id)}
        words={(id) => frame.members.find((member) => member.id === id)!.name}
        className="w-60"
      />
      <TypedTick name="washed">washed</TypedTick>
      <TypedEntry
        name="out"
        label={`dirt that came out, ${system === 'in' ? 'lb' : 'kg'} (0: none)`}
        className="w-44"
      />
      <TypedEntry name="product" label="coated with" className="min-fit-44 flex-1" maxLength={80} />
      <TypedEntry name="litres" label={`how much of it, ${system === 'in' ? 'qt' : 'l'}`} className="w-36" />
      <TypedEntry name="note" label="what else was seen" className="min-fit-60 flex-1" maxLength={300} />
    </div>
  );
}
