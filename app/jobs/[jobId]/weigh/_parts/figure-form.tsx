'use client';

import { useState } from 'react';
import { stands } from '@/core/job';
import { schemaWords } from '@/core/quantity';
import { figureSchema, KNOWN_FROM, wheelbaseEnds, type Figure, type Geometry } from '@/core/weigh';
import { Entry, Pick, RecordForm } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { FIGURE_OF_WORDS } from '../../../../_words/geometry';
import { useReader, useRecords, useStamp } from '../../../_desk';
import { readFigure, type FigureTyped } from './figure-typed';

const OF = ['wheelbase', 'diagonals', 'mounts'] as const satisfies readonly Figure['figure']['of'][];
const EMPTY = { mm: '', toleranceMm: '', where: '', place: '' };

/** A figure from elsewhere: the maker's, a known-good frame's, this frame's own from before. A set of mounts is taken over from how it was measured. */
export function FigureForm({ onDone }: { onDone: () => void }) {
  const { file, keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const ends = wheelbaseEnds(file.frame);
  const [of, setOf] = useState<Figure['figure']['of']>('wheelbase');
  const [from, setFrom] = useState<Figure['from']>('the maker');
  const [endIds, setEndIds] = useState([ends[0]?.id ?? '', ends[ends.length - 1]?.id ?? '']);
  const [typed, setTyped] = useState<FigureTyped>(EMPTY);
  const [problem, setProblem] = useState<{ at?: string | undefined; words: string }>();
  useUnitTurn(system, (as) => setTyped({ ...typed, mm: as(typed.mm), toleranceMm: as(typed.toleranceMm) }));
  const sets = stands(file, 'geometry').filter(isMounts);
  const [setId, setSetId] = useState('');
  const set = sets.find(({ id }) => id === setId) ?? sets[0];
  const submit = () => {
    const read = readFigure(of, typed, { system, endIds, points: set?.measure });
    if (!read.ok) return setProblem({ at: read.at, words: read.reason });
    const checked = figureSchema.safeParse(
      { kind: 'figure', ...stamp(), from, ...read.value },
      { error: schemaWords },
    );
    if (!checked.success) return setProblem({ words: checked.error.issues[0]!.message });
    keep(checked.data);
    onDone();
  };
  const entry = (key: keyof FigureTyped, label: string, isLength = false) => (
    <Entry
      label={label}
      {...(isLength && { unit: system })}
      value={typed[key]}
      {...(problem?.at === key && { problem: problem.words })}
      onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
    />
  );
  const end = (k: 0 | 1) => (
    <Pick
      label={k === 0 ? 'from' : 'to'}
      value={endIds[k] ?? ''}
      options={ends.map(({ id }) => id)}
      onPick={(id) => setEndIds(k === 0 ? [id, endIds[1]!] : [endIds[0]!, id])}
      words={(id) => ends.find((each) => each.id === id)?.name ?? id}
    />
  );
  return (
    <RecordForm
      label="A figure to hold it against"
      problem={problem?.at === undefined ? problem?.words : undefined}
      keep="Keep the figure"
      onKeep={submit}
      onLeave={onDone}
    >
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
        <Pick
          label="figure of"
          value={of}
          options={OF}
          onPick={setOf}
          words={(each) => FIGURE_OF_WORDS[each]}
        />
        <Pick label="known from" value={from} options={KNOWN_FROM} onPick={setFrom} />
        {entry('where', 'book and page, or which unit')}
        {of === 'wheelbase' && end(0)}
        {of === 'wheelbase' && end(1)}
        {of === 'diagonals' && entry('place', 'between which corners')}
        {of !== 'mounts' && entry('mm', 'figure', true)}
        {of === 'mounts' && sets.length > 0 && (
          <Pick
            label="the set as it was measured"
            value={set?.id ?? ''}
            options={sets.map(({ id }) => id)}
            onPick={setSetId}
            words={(id) => sets.find((each) => each.id === id)?.measure.set ?? id}
          />
        )}
        {entry('toleranceMm', 'tolerance, where it has one', true)}
      </div>
      {of === 'mounts' && (
        <p className="caption">
          A set measured on a known-good frame, or here before the damage: measure it once as a set, keep it
          as the figure, then measure the set again on this unit.
        </p>
      )}
    </RecordForm>
  );
}

type Mounts = Geometry & { readonly measure: Extract<Geometry['measure'], { of: 'mounts' }> };
const isMounts = (record: Geometry): record is Mounts => record.measure.of === 'mounts';
