'use client';

import { useState } from 'react';
import { z } from 'zod';
import { toAlign, type ToAlign } from '@/core/job';
import { ok, parseMeasuredMm, printLength, type Outcome, type UnitSystem } from '@/core/quantity';
import { alignmentKind } from '@/core/trace';
import { TypedEntry, TypedRecordForm, TypedTick, useTypedForm, When } from '@/ui/controls';
import { figureTyped, readBy, useFieldsTurn } from '../../../../_parts/typed';
import { DEFERENCE } from '../../../../_words/cautions';
import { LACK_WORDS } from '../../../../_words/trace';
import { useKeepChecked, useReader, useRecords } from '../../../_desk';

/** What parted or let go, how far it stands off its place, and what it lacks before anything is welded there. */
export function AlignmentPanel() {
  const { file } = useRecords();
  const { system } = useReader();
  const [chosen, setChosen] = useState<string>();
  const all = toAlign(file);
  if (all.length === 0) return null;
  return (
    <section aria-label="Back into line" className="mt-4 border-t border-rule pt-2">
      <h3 className="text-lg font-semibold">Back into line before anything is welded</h3>
      <ul className="ruled">
        {all.map((each) => {
          const { of, name, last, lacks } = each;
          return (
            <li key={of.id} className="py-1">
              <div className="flex flex-wrap items-center gap-x-4">
                <span className="font-semibold">{name}</span>
                <span className={lacks.length ? 'font-semibold text-oxide' : 'font-semibold text-good'}>
                  {lacks.length ? lacks.map((lack) => LACK_WORDS[lack]).join('; ') : 'in line and held'}
                </span>
                {last && (
                  <span className="caption">
                    across {printLength(last.acrossMm, system, 'thickness')}, up{' '}
                    {printLength(last.upMm, system, 'thickness')}, along{' '}
                    {printLength(last.alongMm, system, 'thickness')}
                    {last.angleDeg !== undefined && `, ${last.angleDeg}°`}; {last.by}, <When at={last.at} />
                  </span>
                )}
                <button
                  type="button"
                  className="hit ml-auto px-2 underline"
                  onClick={() => setChosen(chosen === of.id ? undefined : of.id)}
                >
                  measure it
                </button>
              </div>
              {chosen === of.id && <AlignmentForm each={each} onDone={() => setChosen(undefined)} />}
            </li>
          );
        })}
      </ul>
      <p className="caution mt-2">
        Chain and jack store what they pull with: nobody in line with either. What locates the axle stays
        until its twin is done. {DEFERENCE}
      </p>
    </section>
  );
}

/** How far off its place something stands, whichever way; a minus sign says no more. */
const offset = (system: UnitSystem) =>
  readBy((text): Outcome<number> => {
    const mm = parseMeasuredMm(text.replace(/^\s*-/, ''), system);
    if (!mm.ok) return mm;
    if (mm.value === undefined) return { ok: false, reason: 'measure it; 0 where it stands in its place' };
    return mm.value <= 500 ? ok(mm.value) : { ok: false, reason: 'at most 500 mm (20 in)' };
  });
const DEGREES = 'degrees, at most 45';
const typedAlignment = (system: UnitSystem) =>
  z.object({
    acrossMm: offset(system),
    upMm: offset(system),
    alongMm: offset(system),
    oneMm: readBy((text) => parseMeasuredMm(text, system)),
    otherMm: readBy((text) => parseMeasuredMm(text, system)),
    angle: figureTyped.pipe(z.number(DEGREES).gte(-45, DEGREES).lte(45, DEGREES).optional()),
    held: z.boolean(),
    axleHeld: z.boolean(),
  });
const LENGTHS = [
  ['acrossMm', 'off across'],
  ['upMm', 'off in height'],
  ['alongMm', 'off along'],
  ['oneMm', 'diagonal here'],
  ['otherMm', 'diagonal, other side'],
] as const;

function AlignmentForm({ each, onDone }: { each: ToAlign; onDone: () => void }) {
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const schema = typedAlignment(system);
  const form = useTypedForm(schema, {
    acrossMm: '',
    upMm: '',
    alongMm: '',
    oneMm: '',
    otherMm: '',
    angle: '',
    held: false,
    axleHeld: false,
  });
  useFieldsTurn(form, system, Object.fromEntries(LENGTHS.map(([name]) => [name, 'length'])));
  const keepIt = ({ oneMm, otherMm, angle, axleHeld, ...off }: z.infer<typeof schema>) =>
    keepChecked(alignmentKind, {
      ...off,
      of: each.of,
      ...(angle !== undefined && { angleDeg: angle }),
      ...(oneMm && otherMm && { diagonalsMm: [oneMm, otherMm] }),
      ...(each.locatesAxle && { axleHeld }),
    }) ?? onDone();
  return (
    <TypedRecordForm
      form={form}
      label="How far it stands off"
      keep="Keep what it measures"
      onKeep={keepIt}
      onLeave={onDone}
      beside={
        <>
          <TypedTick name="held">held there</TypedTick>
          {each.locatesAxle && <TypedTick name="axleHeld">axle held against turning</TypedTick>}
        </>
      }
    >
      <p className="caption mb-2">
        From the other half of the break, from its twin on the other side, or from the maker’s figures
      </p>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
        {LENGTHS.map(([name, label]) => (
          <TypedEntry key={name} name={name} label={label} unit={system} />
        ))}
        <TypedEntry name="angle" label="angle between, °" />
      </div>
    </TypedRecordForm>
  );
}
