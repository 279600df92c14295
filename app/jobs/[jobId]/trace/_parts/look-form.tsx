'use client';

import { useState } from 'react';
import { SEEN_BY_IDS, type Member, type SeenBy } from '@/core/frame';
import { openEvidence, packEvidence } from '@/core/job';
import { parseMeasuredMm } from '@/core/quantity';
import { lookFlags, type Crack, type CrackLook } from '@/core/trace';
import { Entry, Pick, RecordForm } from '@/ui/controls';
import { eachText, useUnitTurn } from '../../../../_parts/turned';
import { LOOK_FLAG_WORDS } from '../../../../_words/trace';
import { useReader, useRecords, useStamp } from '../../../_desk';
import { EndChoice } from './crack-form';
import { atOf, DayEntry, isAhead } from './day-entry';
import { UsedEntry, usedOf } from './used-entry';

const EMPTY = { start: '', finish: '', unloaded: '', loaded: '' };
const LABELS = {
  start: 'first end ran on by',
  finish: 'last end ran on by',
  unloaded: 'gap, load off',
  loaded: 'gap, load on',
} as const;

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
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [typed, setTyped] = useState(EMPTY);
  const [used, setUsed] = useState('');
  const [seenBy, setSeenBy] = useState<SeenBy>('eye');
  const [ends, setEnds] = useState<
    Pick<CrackLook, 'startFound' | 'finishFound' | 'startUnder' | 'finishUnder'>
  >({
    startFound: crack.startFound,
    finishFound: crack.finishFound,
  });
  const [loadedBy, setLoadedBy] = useState('');
  const [note, setNote] = useState('');
  const [day, setDay] = useState('');
  const [problem, setProblem] = useState<{ field: keyof typeof EMPTY | 'used' | 'day'; words: string }>();
  useUnitTurn(system, (as) => setTyped(eachText(typed, as)));

  const read = (): CrackLook | undefined => {
    const lengths: Partial<Record<keyof typeof EMPTY, number>> = {};
    for (const field of Object.keys(EMPTY) as (keyof typeof EMPTY)[]) {
      const length = parseMeasuredMm(typed[field], system);
      if (!length.ok) {
        setProblem({ field, words: length.reason });
        return undefined;
      }
      if (length.value !== undefined) lengths[field] = length.value;
    }
    if (isAhead(day)) {
      setProblem({ field: 'day', words: 'a look lies in the past' });
      return undefined;
    }
    const use = usedOf(used, system);
    if (!use.ok) {
      setProblem({ field: 'used', words: use.reason });
      return undefined;
    }
    return {
      kind: 'crack look',
      ...stamp(),
      crackId: crack.id,
      memberId: crack.memberId,
      startMm: lengths.start ?? 0,
      finishMm: lengths.finish ?? 0,
      ...ends,
      seenBy,
      ...(lengths.unloaded !== undefined && { gapUnloadedMm: lengths.unloaded }),
      ...(lengths.loaded !== undefined && { gapLoadedMm: lengths.loaded }),
      loadedBy,
      ...use.value,
      at: atOf(day),
      note,
    };
  };
  const submit = () => {
    const look = read();
    if (!look) return;
    const checked = openEvidence(packEvidence(look));
    if (!checked.ok) return setProblem({ field: 'used', words: checked.reason });
    keep(look);
    onDone();
  };
  const entry = (field: keyof typeof EMPTY) => (
    <Entry
      label={LABELS[field]}
      unit={system}
      value={typed[field]}
      placeholder={field === 'start' || field === 'finish' ? '0' : 'not measured'}
      {...(problem?.field === field && { problem: problem.words })}
      onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
    />
  );
  return (
    <RecordForm
      label="Another look"
      keep="Keep this look"
      onKeep={submit}
      onLeave={onDone}
      beside={
        <>
          <EndChoice
            label="first end now"
            found={ends.startFound}
            under={ends.startUnder}
            onChange={(startFound, startUnder) => setEnds({ ...ends, startFound, startUnder })}
          />
          <EndChoice
            label="last end now"
            found={ends.finishFound}
            under={ends.finishUnder}
            onChange={(finishFound, finishUnder) => setEnds({ ...ends, finishFound, finishUnder })}
          />
        </>
      }
    >
      <p className="caption mb-2">
        How far each end lies past where it was recorded first
        {looks.length > 0 && `; ${looks.length} ${looks.length === 1 ? 'look' : 'looks'} before this one`}
      </p>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-4">
        {entry('start')}
        {entry('finish')}
        {entry('unloaded')}
        {entry('loaded')}
        <Entry
          label="loaded by"
          value={loadedBy}
          maxLength={80}
          placeholder="hitched, full, on its legs"
          onChange={(event) => setLoadedBy(event.target.value)}
        />
        <Pick label="how seen" value={seenBy} options={SEEN_BY_IDS} onPick={setSeenBy} />
        <UsedEntry value={used} onChange={setUsed} />
        <DayEntry
          value={day}
          problem={problem?.field === 'day' ? problem.words : undefined}
          onChange={setDay}
        />
        <Entry label="note" value={note} maxLength={300} onChange={(event) => setNote(event.target.value)} />
      </div>
      {problem?.field === 'used' && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          {problem.words}
        </p>
      )}
      {seenBy === 'told' && (
        <p className="caption mt-2">Told lengths restrict; they never set the pace of what is foretold.</p>
      )}
    </RecordForm>
  );
}

/** What is odd about a look, in words. */
export const flagsOf = (
  member: Member,
  crack: Crack,
  looks: readonly CrackLook[],
  look: CrackLook,
): string[] => lookFlags(member, crack, looks, look).map((flag) => LOOK_FLAG_WORDS[flag]);
