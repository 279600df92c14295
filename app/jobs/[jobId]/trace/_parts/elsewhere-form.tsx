'use client';

import { useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { CRACK_ENDS, CRACK_SIGNS, hostsOf, SEEN_BY_IDS, type Host } from '@/core/frame';
import { openEvidence, packEvidence } from '@/core/job';
import { parseMeasuredMm, type UnitSystem } from '@/core/quantity';
import { runsOn, type RunsOn } from '@/core/trace';
import { partsOf, statesOf, type Find, type FindPart, type FindState } from '@/core/walk';
import { Pick, TypedEntry, TypedPick, TypedRecordForm, useTypedForm, type TypedFormOf } from '@/ui/controls';
import { readBy, useFieldsTurn } from '../../../../_parts/typed';
import { FIND_PART_WORDS } from '../../../../_words/walk';
import { notKept, useReader, useRecords, useStamp } from '../../../_desk';
import { DayEntry, dayTyped } from './day-entry';
import { EndTyped } from './look-form';
import { UsedTyped, usedOf } from './used-entry';

/** Which part of which host, and how it runs on. */
export interface About {
  readonly host: Host;
  readonly part: FindPart;
  readonly is: RunsOn['is'];
}
const runningStates = (part: FindPart): RunsOn['is'][] =>
  statesOf(part).filter((is): is is RunsOn['is'] => runsOn({ is } as FindState));
const runningParts = (host: Host): FindPart[] =>
  partsOf(host.on).filter((part) => runningStates(part).length > 0);

/** First of what can be cracked: a bracket, joint, skin or floor, which part of it, and in what way. */
export function AboutPicker({ onPick }: { onPick: (about: About) => void }) {
  const { file } = useRecords();
  const hosts = useMemo(
    () => hostsOf(file.frame).filter((host) => runningParts(host).length > 0),
    [file.frame],
  );
  const [hostKey, setHostKey] = useState('');
  const keyOf = ({ on, id }: Host) => `${on} ${id}`;
  const host = hosts.find((each) => keyOf(each) === hostKey);
  return (
    <div className="my-2">
      <Pick
        label="bracket, joint, skin or floor"
        className="max-w-96"
        value={hostKey}
        options={['', ...hosts.map(keyOf)]}
        words={(key) => hosts.find((each) => keyOf(each) === key)?.name ?? 'choose one'}
        onPick={setHostKey}
      />
      {host && (
        <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="What of it">
          {runningParts(host).flatMap((part) =>
            runningStates(part).map((is) => (
              <button
                key={`${part} ${is}`}
                type="button"
                className="plain"
                onClick={() => onPick({ host, part, is })}
              >
                {FIND_PART_WORDS[part]} {is}
              </button>
            )),
          )}
        </div>
      )}
    </div>
  );
}

const typedElsewhere = (system: UnitSystem) =>
  z.object({
    long: readBy((text) => parseMeasuredMm(text, system)),
    used: readBy((text) => usedOf(text, system)),
    day: dayTyped,
    note: z.string(),
    seenBy: z.enum(SEEN_BY_IDS),
    oneEnd: z.enum(CRACK_ENDS),
    otherEnd: z.enum(CRACK_ENDS),
    signs: z.array(z.enum(CRACK_SIGNS)),
  });
type Look = z.output<ReturnType<typeof typedElsewhere>>;
type Form = TypedFormOf<z.input<ReturnType<typeof typedElsewhere>>, Look>;
const NOTHING_TYPED: z.input<ReturnType<typeof typedElsewhere>> = {
  long: '',
  used: '',
  day: '',
  note: '',
  seenBy: 'eye',
  oneEnd: 'not found',
  otherEnd: 'not found',
  signs: [],
};

/** How a part was found: a gap by how wide it is, a crack by its length, ends and signs. */
function stateOf(
  is: RunsOn['is'],
  { long, used, seenBy, oneEnd, otherEnd, signs }: Look,
): FindState | undefined {
  if (is === 'gap') return long ? { is, openMm: long, ...used } : undefined;
  return {
    is,
    ...(long !== undefined && { longMm: long }),
    ends: [oneEnd, otherEnd],
    seenBy,
    ...(signs.length > 0 && { signs }),
    ...used,
  };
}

/** A look at a crack that has a length and two ends, and no path: the first, or a later one. */
export function ElsewhereForm({
  about: { host, part, is },
  onDone,
}: {
  about: About;
  onDone: (kept?: Find) => void;
}) {
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const form: Form = useTypedForm(typedElsewhere(system), NOTHING_TYPED);
  useFieldsTurn(form, system, { long: 'length', used: 'distance' });
  const keepIt = (look: Look) => {
    const state = stateOf(is, look);
    if (!state) return { at: 'long', message: 'how wide is the gap?' };
    const find: Find = {
      kind: 'find',
      ...stamp(),
      on: host.on,
      hostId: host.id,
      title: host.name,
      part,
      state,
      memberIds: [...new Set(host.spans.map(({ memberId }) => memberId))],
      note: look.note,
      at: look.day,
    };
    const checked = openEvidence(packEvidence(find));
    if (!checked.ok) return notKept(checked.reason);
    keep(find);
    return onDone(find);
  };
  const what = `${host.name}: ${FIND_PART_WORDS[part]} ${is}`;
  return (
    <TypedRecordForm form={form} label={what} keep="Keep this look" onKeep={keepIt} onLeave={() => onDone()}>
      <p className="mb-1 font-semibold">{what}</p>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-4">
        <TypedEntry
          name="long"
          label={is === 'gap' ? 'open by' : 'how long, end to end'}
          unit={system}
          placeholder="not measured"
        />
        {is !== 'gap' && <TypedPick name="seenBy" label="how seen" options={SEEN_BY_IDS} />}
        <UsedTyped />
        <DayEntry />
        <TypedEntry name="note" label="note" maxLength={300} />
      </div>
      {is !== 'gap' && <EndsAndSigns form={form} />}
    </TypedRecordForm>
  );
}

function EndsAndSigns({ form }: { form: Form }) {
  const [seenBy, signs] = useWatch({ control: form.control, name: ['seenBy', 'signs'] });
  const turn = (sign: (typeof CRACK_SIGNS)[number]) =>
    form.setValue('signs', signs.includes(sign) ? signs.filter((each) => each !== sign) : [...signs, sign]);
  return (
    <>
      <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <EndTyped name="oneEnd" label="one end" />
        <EndTyped name="otherEnd" label="other end" />
        <div role="group" aria-label="Signs" className="flex flex-wrap gap-1.5">
          {CRACK_SIGNS.map((sign) => (
            <button
              key={sign}
              type="button"
              className="plain"
              aria-pressed={signs.includes(sign)}
              onClick={() => turn(sign)}
            >
              {sign}
            </button>
          ))}
        </div>
      </div>
      {seenBy === 'told' && (
        <p className="caption mt-2">
          Told is a reason to look: it restricts until somebody has looked, and sets no pace.
        </p>
      )}
    </>
  );
}
