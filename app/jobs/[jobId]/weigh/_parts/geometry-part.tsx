'use client';

import { useMemo, useState } from 'react';
import { jobGeometry, stands } from '@/core/job';
import { frameIs, type Figure, type GeometryCheck } from '@/core/weigh';
import { When } from '@/ui/controls';
import { CAUTIONS } from '../../../../_words/cautions';
import {
  checkWords,
  figureWords,
  INSTRUMENT_WORDS,
  IS_WORDS,
  STOOD_WORDS,
  WHOLE_WORDS,
} from '../../../../_words/geometry';
import { StrikeSheet, useReader, useRecords } from '../../../_desk';
import { FigureForm } from './figure-form';
import { GeometryForm } from './geometry-form';

type Open = 'measure' | 'figure' | undefined;
type Striking = { id: string; words: string } | undefined;

/** Whether the frame is straight and square: everything measured, compared with its twin, itself and what is known from elsewhere. */
export function GeometryPart() {
  const { file } = useRecords();
  const [open, setOpen] = useState<Open>();
  const [striking, setStriking] = useState<Striking>();
  const checks = useMemo(() => jobGeometry(file), [file]);
  const figures = stands(file, 'figure');
  const is = frameIs(checks);
  return (
    <section aria-label="Geometry">
      <p className="caption">Is the frame straight and square?</p>
      <h1 className="text-4xl font-bold leading-tight">{WHOLE_WORDS[is]}</h1>
      {checks.length === 0 && (
        <p className="py-1">
          Measure it before the first cut: wheelbase on each side, diagonals, level across at both ends, and a
          line along each rail. What is measured now is what the repair is held against.
        </p>
      )}
      <ul className="ruled mt-2" aria-label="What was measured">
        {checks.map((check, k) => (
          <CheckRow key={k} check={check} onStrike={setStriking} />
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap gap-3">
        {open !== 'measure' && (
          <button type="button" className="solid" onClick={() => setOpen('measure')}>
            Measure the frame
          </button>
        )}
        {open !== 'figure' && (
          <button type="button" className="plain" onClick={() => setOpen('figure')}>
            Keep a figure to hold it against
          </button>
        )}
      </div>
      {open === 'measure' && <GeometryForm onDone={() => setOpen(undefined)} />}
      {open === 'figure' && <FigureForm onDone={() => setOpen(undefined)} />}
      {figures.length > 0 && <Figures figures={figures} onStrike={setStriking} />}
      <p className="caution mt-4">{CAUTIONS.geometry}</p>
      <StrikeSheet struck={striking} onClose={() => setStriking(undefined)} />
    </section>
  );
}

function CheckRow({ check, onStrike }: { check: GeometryCheck; onStrike: (striking: Striking) => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { title, detail } = checkWords(check, file.frame, system);
  const { measured } = check;
  const isOwn = file.evidence.some(({ id }) => id === measured.id);
  return (
    <li className="grid grid-cols-[92px_1fr_auto] items-start gap-x-3 py-1.5">
      <span className={`font-semibold ${check.is === 'out' ? 'text-oxide' : ''}`}>{IS_WORDS[check.is]}</span>
      <div>
        <p className="font-medium">{title}</p>
        <p className="caption">
          {detail}. {INSTRUMENT_WORDS[measured.instrument]}, {STOOD_WORDS[measured.stood]}; {measured.by},{' '}
          <When at={measured.at} />
          {measured.note && `; ${measured.note}`}
        </p>
        {measured.simulated && (
          <p className="font-semibold text-oxide">simulated: its figures are invented</p>
        )}
      </div>
      {isOwn ? (
        <button
          type="button"
          className="hit px-2 underline"
          onClick={() => onStrike({ id: measured.id, words: title })}
        >
          strike
        </button>
      ) : (
        <span className="caption">in another job of this unit</span>
      )}
    </li>
  );
}

function Figures({
  figures,
  onStrike,
}: {
  figures: readonly Figure[];
  onStrike: (striking: Striking) => void;
}) {
  const { file } = useRecords();
  const { system } = useReader();
  return (
    <section aria-label="Figures it is held against" className="mt-4 border-t border-rule pt-2">
      <h2 className="text-lg font-semibold">Figures it is held against</h2>
      <ul className="ruled">
        {figures.map((figure) => (
          <li key={figure.id} className="flex flex-wrap items-center gap-x-4">
            <span className="font-medium">{figureWords(figure, file.frame, system)}</span>
            <span className="caption">
              {figure.from}: {figure.where}; {figure.by}, <When at={figure.at} only="day" />
            </span>
            <button
              type="button"
              className="hit ml-auto px-2 underline"
              onClick={() => onStrike({ id: figure.id, words: figureWords(figure, file.frame, system) })}
            >
              strike
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
