'use client';

import { useState } from 'react';
import { toAlign, type ToAlign } from '@/core/job';
import { parseMeasuredMm, printLength } from '@/core/quantity';
import type { Alignment } from '@/core/trace';
import { Entry, RecordForm, When } from '@/ui/controls';
import { eachText, useUnitTurn } from '../../../../_parts/turned';
import { DEFERENCE } from '../../../../_words/cautions';
import { LACK_WORDS } from '../../../../_words/trace';
import { useReader, useRecords, useStamp } from '../../../_desk';

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

const EMPTY = { acrossMm: '', upMm: '', alongMm: '', oneMm: '', otherMm: '' };
const LABELS: Readonly<Record<keyof typeof EMPTY, string>> = {
  acrossMm: 'off across',
  upMm: 'off in height',
  alongMm: 'off along',
  oneMm: 'diagonal here',
  otherMm: 'diagonal, other side',
};

function AlignmentForm({ each, onDone }: { each: ToAlign; onDone: () => void }) {
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [typed, setTyped] = useState(EMPTY);
  const [angle, setAngle] = useState('');
  const [held, setHeld] = useState(false);
  const [axleHeld, setAxleHeld] = useState(false);
  const [problem, setProblem] = useState<{ field: keyof typeof EMPTY | 'angle'; words: string }>();
  useUnitTurn(system, (as) => setTyped(eachText(typed, as)));
  const submit = () => {
    const lengths = {} as Record<keyof typeof EMPTY, number | undefined>;
    for (const field of Object.keys(EMPTY) as (keyof typeof EMPTY)[]) {
      const length = parseMeasuredMm(typed[field].replace(/^\s*-/, ''), system);
      if (!length.ok) return setProblem({ field, words: length.reason });
      lengths[field] = length.value;
    }
    const { acrossMm, upMm, alongMm, oneMm, otherMm } = lengths;
    const missing = (['acrossMm', 'upMm', 'alongMm'] as const).find((field) => lengths[field] === undefined);
    if (missing) return setProblem({ field: missing, words: 'measure it; 0 where it stands in its place' });
    const far = (['acrossMm', 'upMm', 'alongMm'] as const).find((field) => lengths[field]! > 500);
    if (far) return setProblem({ field: far, words: 'at most 500 mm (20 in)' });
    const degrees = angle.trim() === '' ? undefined : Number(angle);
    if (degrees !== undefined && !(Math.abs(degrees) <= 45))
      return setProblem({ field: 'angle', words: 'degrees, at most 45' });
    const record: Alignment = {
      kind: 'alignment',
      ...stamp(),
      of: each.of,
      acrossMm: acrossMm!,
      upMm: upMm!,
      alongMm: alongMm!,
      ...(degrees !== undefined && { angleDeg: degrees }),
      ...(oneMm && otherMm && { diagonalsMm: [oneMm, otherMm] }),
      held,
      ...(each.locatesAxle && { axleHeld }),
      note: '',
    };
    keep(record);
    onDone();
  };
  return (
    <RecordForm
      label="How far it stands off"
      keep="Keep what it measures"
      onKeep={submit}
      onLeave={onDone}
      beside={
        <>
          <label className="plain">
            <input
              type="checkbox"
              className="size-5 accent-[var(--ink)]"
              checked={held}
              onChange={(event) => setHeld(event.target.checked)}
            />{' '}
            held there
          </label>
          {each.locatesAxle && (
            <label className="plain">
              <input
                type="checkbox"
                className="size-5 accent-[var(--ink)]"
                checked={axleHeld}
                onChange={(event) => setAxleHeld(event.target.checked)}
              />{' '}
              axle held against turning
            </label>
          )}
        </>
      }
    >
      <p className="caption mb-2">
        From the other half of the break, from its twin on the other side, or from the maker’s figures
      </p>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
        {(Object.keys(EMPTY) as (keyof typeof EMPTY)[]).map((field) => (
          <Entry
            key={field}
            label={LABELS[field]}
            unit={system}
            value={typed[field]}
            {...(problem?.field === field && { problem: problem.words })}
            onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
          />
        ))}
        <Entry
          label="angle between, °"
          value={angle}
          {...(problem?.field === 'angle' && { problem: problem.words })}
          onChange={(event) => setAngle(event.target.value)}
        />
      </div>
    </RecordForm>
  );
}
