'use client';

import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { CRACK_ENDS, SEEN_BY_IDS, type CrackEnd, type Member, type SeenBy } from '@/core/frame';
import { parseMeasuredMm, type UnitSystem } from '@/core/quantity';
import { crackLookKind, lookFlags, type Crack, type CrackLook } from '@/core/trace';
import { TypedChoice, TypedEntry, TypedPick, TypedRecordForm, useTypedForm } from '@/ui/controls';
import { readBy, useFieldsTurn } from '../../../../_parts/typed';
import { LOOK_FLAG_WORDS } from '../../../../_words/trace';
import { useKeepChecked, useReader } from '../../../_desk';
import { DayEntry, dayTyped } from './day-entry';
import { UsedTyped, usedOf } from './used-entry';

const LENGTHS = [
  ['start', 'first end ran on by', '0'],
  ['finish', 'last end ran on by', '0'],
  ['unloaded', 'gap, load off', 'not measured'],
  ['loaded', 'gap, load on', 'not measured'],
] as const;
const typedLook = (system: UnitSystem) => {
  const length = readBy((text) => parseMeasuredMm(text, system));
  return z.object({
    start: length,
    finish: length,
    unloaded: length,
    loaded: length,
    startEnd: z.enum(CRACK_ENDS),
    finishEnd: z.enum(CRACK_ENDS),
    loadedBy: z.string(),
    seenBy: z.enum(SEEN_BY_IDS),
    used: readBy((text) => usedOf(text, system)),
    day: dayTyped,
    note: z.string(),
  });
};
type Look = z.output<ReturnType<typeof typedLook>>;

/** A look as its record says it. */
const lookOf = (
  crack: Crack,
  { start, finish, unloaded, loaded, startEnd, finishEnd, used, ...look }: Look,
) => ({
  crackId: crack.id,
  memberId: crack.memberId,
  startMm: start ?? 0,
  finishMm: finish ?? 0,
  startFound: startEnd === 'found',
  finishFound: finishEnd === 'found',
  ...(startEnd === 'runs under something' && { startUnder: true }),
  ...(finishEnd === 'runs under something' && { finishUnder: true }),
  ...(unloaded !== undefined && { gapUnloadedMm: unloaded }),
  ...(loaded !== undefined && { gapLoadedMm: loaded }),
  seenBy: look.seenBy,
  loadedBy: look.loadedBy,
  ...used,
  at: look.day,
  note: look.note,
});

const NOTHING_TYPED = {
  start: '',
  finish: '',
  unloaded: '',
  loaded: '',
  loadedBy: '',
  used: '',
  day: '',
  note: '',
};

/** A later look at a crack. Lengths are past where the crack was recorded first, so that a slip at one look is no slip of the next. */
export function LookForm({
  crack,
  looks,
  onDone,
}: {
  crack: Crack;
  looks: readonly CrackLook[];
  onDone: () => void;
}) {
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const form = useTypedForm(typedLook(system), {
    ...NOTHING_TYPED,
    startEnd: (crack.startFound ? 'found' : 'not found') as CrackEnd,
    finishEnd: (crack.finishFound ? 'found' : 'not found') as CrackEnd,
    seenBy: 'eye' as SeenBy,
  });
  useFieldsTurn(form, system, {
    ...Object.fromEntries(LENGTHS.map(([name]) => [name, 'length'])),
    used: 'distance',
  });
  const seenBy = useWatch({ control: form.control, name: 'seenBy' });
  return (
    <TypedRecordForm
      form={form}
      label="Another look"
      keep="Keep this look"
      onKeep={(look) => keepChecked(crackLookKind, lookOf(crack, look)) ?? onDone()}
      onLeave={onDone}
      beside={
        <>
          <EndTyped name="startEnd" label="first end now" />
          <EndTyped name="finishEnd" label="last end now" />
        </>
      }
    >
      <p className="caption mb-2">
        How far each end lies past where it was recorded first
        {looks.length > 0 && `; ${looks.length} ${looks.length === 1 ? 'look' : 'looks'} before this one`}
      </p>
      <LookFields system={system} />
      {seenBy === 'told' && (
        <p className="caption mt-2">Told lengths restrict; they never set the pace of what is foretold.</p>
      )}
    </TypedRecordForm>
  );
}

const LookFields = ({ system }: { system: UnitSystem }) => (
  <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-4">
    {LENGTHS.map(([name, label, placeholder]) => (
      <TypedEntry key={name} name={name} label={label} unit={system} placeholder={placeholder} />
    ))}
    <TypedEntry name="loadedBy" label="loaded by" maxLength={80} placeholder="hitched, full, on its legs" />
    <TypedPick name="seenBy" label="how seen" options={SEEN_BY_IDS} />
    <UsedTyped />
    <DayEntry />
    <TypedEntry name="note" label="note" maxLength={300} />
  </div>
);

/** How an end of the crack looks now. */
export const EndTyped = ({ name, label }: { name: string; label: string }) => (
  <div>
    <p className="caption">{label}</p>
    <TypedChoice name={name} label={`${label} of the crack`} options={CRACK_ENDS} />
  </div>
);

/** What is odd about a look, in words. */
export const flagsOf = (
  member: Member,
  crack: Crack,
  looks: readonly CrackLook[],
  look: CrackLook,
): string[] => lookFlags(member, crack, looks, look).map((flag) => LOOK_FLAG_WORDS[flag]);
