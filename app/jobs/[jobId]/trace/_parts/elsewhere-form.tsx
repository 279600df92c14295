'use client';

import { useMemo, useState } from 'react';
import {
  CRACK_ENDS,
  CRACK_SIGNS,
  hostsOf,
  SEEN_BY_IDS,
  type CrackEnd,
  type Host,
  type SeenBy,
} from '@/core/frame';
import { openEvidence, packEvidence } from '@/core/job';
import { parseMeasuredMm } from '@/core/quantity';
import { runsOn, type RunsOn } from '@/core/trace';
import { partsOf, statesOf, type Find, type FindPart, type FindState } from '@/core/walk';
import { Choice, Entry, Pick, RecordForm } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { FIND_PART_WORDS } from '../../../../_words/walk';
import { useReader, useRecords, useStamp } from '../../../_desk';
import { atOf, DayEntry, isAhead } from './day-entry';
import { UsedEntry, usedOf } from './used-entry';

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

interface Typed {
  readonly long: string;
  readonly used: string;
  readonly day: string;
  readonly note: string;
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
  const [typed, setTyped] = useState<Typed>({ long: '', used: '', day: '', note: '' });
  const [ends, setEnds] = useState<readonly [CrackEnd, CrackEnd]>(['not found', 'not found']);
  const [seenBy, setSeenBy] = useState<SeenBy>('eye');
  const [signs, setSigns] = useState<readonly (typeof CRACK_SIGNS)[number][]>([]);
  const [problem, setProblem] = useState<string>();
  useUnitTurn(system, (as) => setTyped({ ...typed, long: as(typed.long) }));
  const set = (to: Partial<Typed>) => setTyped({ ...typed, ...to });

  const read = (): FindState | string => {
    const long = parseMeasuredMm(typed.long, system);
    if (!long.ok) return `length: ${long.reason}`;
    const used = usedOf(typed.used, system);
    if (!used.ok) return used.reason;
    if (isAhead(typed.day)) return 'a look lies in the past';
    if (is === 'gap')
      return long.value === undefined || long.value === 0
        ? 'how wide is the gap?'
        : { is, openMm: long.value, ...used.value };
    return {
      is,
      ...(long.value !== undefined && { longMm: long.value }),
      ends: [...ends],
      seenBy,
      ...(signs.length > 0 && { signs: [...signs] }),
      ...used.value,
    };
  };
  const submit = () => {
    const state = read();
    if (typeof state === 'string') return setProblem(state);
    const find: Find = {
      kind: 'find',
      ...stamp(),
      on: host.on,
      hostId: host.id,
      title: host.name,
      part,
      state,
      memberIds: [...new Set(host.spans.map(({ memberId }) => memberId))],
      note: typed.note,
      at: atOf(typed.day),
    };
    const checked = openEvidence(packEvidence(find));
    if (!checked.ok) return setProblem(checked.reason);
    keep(find);
    onDone(find);
  };
  return (
    <RecordForm
      label={`${host.name}: ${FIND_PART_WORDS[part]} ${is}`}
      problem={problem}
      keep="Keep this look"
      onKeep={submit}
      onLeave={() => onDone()}
    >
      <p className="mb-1 font-semibold">
        {host.name}: {FIND_PART_WORDS[part]} {is}
      </p>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-4">
        <Entry
          label={is === 'gap' ? 'open by' : 'how long, end to end'}
          unit={system}
          value={typed.long}
          placeholder="not measured"
          onChange={(event) => set({ long: event.target.value })}
        />
        {is !== 'gap' && <Pick label="how seen" value={seenBy} options={SEEN_BY_IDS} onPick={setSeenBy} />}
        <UsedEntry value={typed.used} onChange={(used) => set({ used })} />
        <DayEntry value={typed.day} onChange={(day) => set({ day })} />
        <Entry
          label="note"
          value={typed.note}
          maxLength={300}
          onChange={(event) => set({ note: event.target.value })}
        />
      </div>
      {is !== 'gap' && (
        <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
          {(['one end', 'other end'] as const).map((label, k) => (
            <div key={label}>
              <p className="caption">{label}</p>
              <Choice
                label={`${label} of the crack`}
                value={ends[k]!}
                options={CRACK_ENDS}
                onChange={(end) => setEnds(k === 0 ? [end, ends[1]] : [ends[0], end])}
              />
            </div>
          ))}
          <div role="group" aria-label="Signs" className="flex flex-wrap gap-1.5">
            {CRACK_SIGNS.map((sign) => (
              <button
                key={sign}
                type="button"
                className="plain"
                aria-pressed={signs.includes(sign)}
                onClick={() =>
                  setSigns(signs.includes(sign) ? signs.filter((each) => each !== sign) : [...signs, sign])
                }
              >
                {sign}
              </button>
            ))}
          </div>
        </div>
      )}
      {seenBy === 'told' && is !== 'gap' && (
        <p className="caption mt-2">
          Told is a reason to look: it restricts until somebody has looked, and sets no pace.
        </p>
      )}
    </RecordForm>
  );
}
