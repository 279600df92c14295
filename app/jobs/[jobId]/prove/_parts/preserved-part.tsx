'use client';

import { useState } from 'react';
import { jobDebris, stands } from '@/core/job';
import { preservedKind } from '@/core/prove';
import { parseMassKg, parseVolumeLitres } from '@/core/quantity';
import { Entry, Pick, RecordForm, When } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { coatTakesWords, debrisWords, visitWords } from '../../../../_words/preserved';
import { useChecked, useReader, useRecords } from '../../../_desk';

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

const NOTHING = { washed: false, out: '', product: '', litres: '', note: '' };

function VisitForm({ onClose }: { onClose: () => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [memberId, setMember] = useState(file.frame.members[0]!.id);
  const [typed, setTyped] = useState(NOTHING);
  const { problem, refuse, keepChecked } = useChecked(() => setTyped({ ...NOTHING, product: typed.product }));
  useUnitTurn(system, (as) =>
    setTyped((was) => ({ ...was, out: as(was.out, 'weight'), litres: as(was.litres, 'volume') })),
  );
  const set = (key: 'out' | 'product' | 'litres' | 'note') => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const keepIt = () => {
    const isNothing = /^0+([.,]0*)?$/.test(typed.out.trim());
    const out = typed.out.trim() && !isNothing ? parseMassKg(typed.out, system) : undefined;
    if (out && !out.ok) return refuse(`what came out: ${out.reason}`);
    const litres = typed.litres.trim() ? parseVolumeLitres(typed.litres, system) : undefined;
    if (litres && !litres.ok) return refuse(`how much of it: ${litres.reason}`);
    if (typed.product.trim() && !litres) return refuse('how much of it was used?');
    keepChecked(preservedKind, {
      note: typed.note,
      memberId,
      washed: typed.washed,
      ...(isNothing && { debrisKg: 0 }),
      ...(out && { debrisKg: out.value }),
      ...(litres && { coat: { product: typed.product, litres: litres.value } }),
    });
  };
  return (
    <RecordForm
      label="Washed, emptied or coated"
      problem={problem}
      keep="Keep the visit"
      onKeep={keepIt}
      onLeave={onClose}
    >
      <div className="flex flex-wrap items-end gap-2">
        <Pick
          label="which member"
          value={memberId}
          options={file.frame.members.map(({ id }) => id)}
          words={(id) => file.frame.members.find((member) => member.id === id)!.name}
          onPick={setMember}
          className="w-60"
        />
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-6"
            checked={typed.washed}
            onChange={(event) => setTyped({ ...typed, washed: event.target.checked })}
          />
          washed
        </label>
        <Entry
          label={`dirt that came out, ${system === 'in' ? 'lb' : 'kg'} (0: none)`}
          className="w-44"
          value={typed.out}
          onChange={set('out')}
        />
        <Entry
          label="coated with"
          className="min-w-44 flex-1"
          maxLength={80}
          value={typed.product}
          onChange={set('product')}
        />
        <Entry
          label={`how much of it, ${system === 'in' ? 'qt' : 'l'}`}
          className="w-36"
          value={typed.litres}
          onChange={set('litres')}
        />
        <Entry
          label="what else was seen"
          className="min-w-60 flex-1"
          maxLength={300}
          value={typed.note}
          onChange={set('note')}
        />
      </div>
      <p className="caption mt-1">
        {coatTakesWords(file.frame, memberId, system)} (common practice, no source: the can says its own).
      </p>
    </RecordForm>
  );
}
