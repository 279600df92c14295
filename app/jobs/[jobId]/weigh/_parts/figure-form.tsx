'use client';

import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { stands } from '@/core/job';
import { figureKind, KNOWN_FROM, wheelbaseEnds, type Figure, type Geometry } from '@/core/weigh';
import { TypedEntry, TypedPick, TypedRecordForm, useTypedForm, type TypedFormOf } from '@/ui/controls';
import { useFieldsTurn } from '../../../../_parts/typed';
import { FIGURE_OF_WORDS } from '../../../../_words/geometry';
import { useKeepChecked, useReader, useRecords } from '../../../_desk';
import { readFigure } from './figure-typed';

const OF = ['wheelbase', 'diagonals', 'mounts'] as const satisfies readonly Figure['figure']['of'][];
const figureFields = z.object({
  of: z.enum(OF),
  from: z.enum(KNOWN_FROM),
  fromId: z.string(),
  toId: z.string(),
  setId: z.string(),
  mm: z.string(),
  toleranceMm: z.string(),
  where: z.string(),
  place: z.string(),
});
type Typed = z.infer<typeof figureFields>;

/** A figure from elsewhere: the maker's, a known-good frame's, this frame's own from before. A set of mounts is taken over from how it was measured. */
export function FigureForm({ onDone }: { onDone: () => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const ends = wheelbaseEnds(file.frame);
  const sets = stands(file, 'geometry').filter(isMounts);
  const form = useTypedForm(figureFields, {
    of: 'wheelbase' as Typed['of'],
    from: 'the maker' as Typed['from'],
    fromId: ends[0]?.id ?? '',
    toId: ends.at(-1)?.id ?? '',
    setId: sets[0]?.id ?? '',
    mm: '',
    toleranceMm: '',
    where: '',
    place: '',
  });
  useFieldsTurn(form, system, { mm: 'length', toleranceMm: 'length' });
  const keepIt = ({ of, from, fromId, toId, setId, ...typed }: Typed) => {
    const points = sets.find(({ id }) => id === setId)?.measure;
    const read = readFigure(of, typed, { system, endIds: [fromId, toId], points });
    if (!read.ok) return { at: read.at, message: read.reason };
    return keepChecked(figureKind, { from, ...read.value }) ?? onDone();
  };
  return (
    <TypedRecordForm
      form={form}
      label="A figure to hold it against"
      keep="Keep the figure"
      onKeep={keepIt}
      onLeave={onDone}
    >
      <FigureFields form={form} ends={ends} sets={sets} />
    </TypedRecordForm>
  );
}

function FigureFields({
  form,
  ends,
  sets,
}: {
  form: TypedFormOf<Typed, Typed>;
  ends: ReturnType<typeof wheelbaseEnds>;
  sets: readonly Mounts[];
}) {
  const { system } = useReader();
  const of = useWatch({ control: form.control, name: 'of' });
  const places = {
    options: ends.map(({ id }) => id),
    words: (id: string) => ends.find((each) => each.id === id)?.name ?? id,
  };
  return (
    <>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-3">
        <TypedPick name="of" label="figure of" options={OF} words={(each) => FIGURE_OF_WORDS[each]} />
        <TypedPick name="from" label="known from" options={KNOWN_FROM} />
        <TypedEntry name="where" label="book and page, or which unit" />
        {of === 'wheelbase' && <TypedPick name="fromId" label="from" {...places} />}
        {of === 'wheelbase' && <TypedPick name="toId" label="to" {...places} />}
        {of === 'diagonals' && <TypedEntry name="place" label="between which corners" />}
        {of !== 'mounts' && <TypedEntry name="mm" label="figure" unit={system} />}
        {of === 'mounts' && sets.length > 0 && (
          <TypedPick
            name="setId"
            label="the set as it was measured"
            options={sets.map(({ id }) => id)}
            words={(id) => sets.find((each) => each.id === id)?.measure.set ?? id}
          />
        )}
        <TypedEntry name="toleranceMm" label="tolerance, where it has one" unit={system} />
      </div>
      {of === 'mounts' && (
        <p className="caption">
          A set measured on a known-good frame, or here before the damage: measure it once as a set, keep it
          as the figure, then measure the set again on this unit.
        </p>
      )}
    </>
  );
}

type Mounts = Geometry & { readonly measure: Extract<Geometry['measure'], { of: 'mounts' }> };
const isMounts = (record: Geometry): record is Mounts => record.measure.of === 'mounts';
