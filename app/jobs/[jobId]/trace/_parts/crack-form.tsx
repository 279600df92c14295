'use client';

import { useState } from 'react';
import { z } from 'zod';
import {
  CRACK_ENDS,
  CRACK_SIGNS,
  DEPTHS,
  faceOf,
  facesOf,
  isClosed,
  SEEN_BY_IDS,
  spotSchema,
  STARTS_AT,
  type CrackEnd,
  type FaceId,
  type Spot,
} from '@/core/frame';
import { fail, lengthDigits, ok, parseLengthMm, printLength, type Outcome } from '@/core/quantity';
import { checkCrack, crackLengthMm, type Crack } from '@/core/trace';
import { Choice, Entry, Pick } from '@/ui/controls';
import { faceWords } from '@/ui/strip';
import { eachText, useUnitTurn } from '../../../../_parts/turned';
import { parseStationMm, stationDigits } from '../../../../_words/station';
import { DyeTimer, useMember, useOnMember, usePlace, useReader, useRecords, useStamp } from '../../../_desk';

import { UsedEntry, usedOf } from './used-entry';

/** A crack being recorded; it outlives a reload. */
export const draftSchema = z.object({
  path: z.array(spotSchema),
  startFound: z.boolean(),
  finishFound: z.boolean(),
  startUnder: z.boolean().optional(),
  finishUnder: z.boolean().optional(),
  seenBy: z.enum(SEEN_BY_IDS),
  startsAt: z.enum(STARTS_AT).optional(),
  depth: z.enum(DEPTHS).optional(),
  signs: z.array(z.enum(CRACK_SIGNS)).optional(),
  branchOf: z.string().optional(),
  used: z.string().optional(),
  note: z.string(),
});
export type Draft = z.infer<typeof draftSchema>;
export const NEW_CRACK: Draft = {
  path: [],
  startFound: false,
  finishFound: false,
  // Most first looks are by eye.
  seenBy: 'eye',
  note: '',
};

interface OfDraft {
  readonly draft: Draft;
  readonly set: (to: Partial<Draft>) => void;
}

/** Makes the record of a draft, or says why it is none yet. */
function useRecordOf() {
  const { system } = useReader();
  const stamp = useStamp();
  const { member } = useMember();
  return ({ used: typedUse, ...said }: Draft): Outcome<Crack> => {
    if (said.path.length < 2) return fail('a crack needs at least two points');
    const check = checkCrack(member, said);
    if (!check.ok) return check;
    const used = usedOf(typedUse, system);
    if (!used.ok) return used;
    return ok({ kind: 'crack', ...said, ...used.value, ...stamp(), memberId: member.id });
  };
}

export function CrackForm({
  onKept,
  draft,
  setDraft,
  addHere,
}: {
  draft: Draft;
  setDraft: (draft: Draft | undefined) => void;
  addHere: (spot: Spot) => void;
  onKept: (crack: Crack) => void;
}) {
  const { keep } = useRecords();
  const recordOf = useRecordOf();
  const [problem, setProblem] = useState<string>();
  const of: OfDraft = { draft, set: (to) => setDraft({ ...draft, ...to }) };
  const submit = () => {
    const crack = recordOf(draft);
    if (!crack.ok) return setProblem(crack.reason);
    keep(crack.value);
    setDraft(undefined);
    onKept(crack.value);
  };
  return (
    <form
      className="mt-2 border-y-2 border-ink bg-sheet px-3 py-3"
      aria-label="New crack"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <SoFar path={draft.path} />
      <PointFields onPoint={addHere} onProblem={setProblem} />
      <Ends {...of} />
      <HowSeen {...of} />
      <Signs {...of} />
      <div className="mt-3 grid grid-cols-1 items-end gap-2 sm:grid-cols-2">
        <BranchPick draft={draft} onPick={(branchOf) => of.set({ branchOf })} />
        <Entry
          label="note"
          value={draft.note}
          maxLength={300}
          onChange={(event) => of.set({ note: event.target.value })}
        />
      </div>
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-oxide">
          {problem}
        </p>
      )}
      <Acts {...of} onPoint={addHere} onLeave={() => setDraft(undefined)} />
    </form>
  );
}

function SoFar({ path }: { path: readonly Spot[] }) {
  const { system } = useReader();
  const { member } = useMember();
  return (
    <p className="mb-2 text-xl">
      <span className="font-semibold">
        {path.length} {path.length === 1 ? 'point' : 'points'},{' '}
        {printLength(crackLengthMm(member.shape, path), system, 'length')} long
      </span>{' '}
      <span className="caption">on the unrolled faces</span>
    </p>
  );
}

/** A point by its figures, where a finger on the Strip is too blunt. */
function PointFields({
  onPoint,
  onProblem,
}: {
  onPoint: (spot: Spot) => void;
  onProblem: (problem: string | undefined) => void;
}) {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  const [typed, setTyped] = useState<{ station?: string; height?: string }>({});
  useUnitTurn(system, (as) => setTyped(eachText(typed, as)));
  const addTyped = () => {
    const station =
      typed.station === undefined ? ok(cursor.stationMm) : parseStationMm(typed.station, member, system);
    const height = typed.height === undefined ? ok(cursor.heightMm) : parseLengthMm(typed.height, system);
    if (!station.ok) return onProblem(`station: ${station.reason}`);
    if (!height.ok) return onProblem(`height: ${height.reason}`);
    const spot = { stationMm: station.value, face: cursor.face, heightMm: height.value };
    const check = checkCrack(member, {
      path: [spot, { ...spot, stationMm: spot.stationMm > 10 ? spot.stationMm - 5 : spot.stationMm + 5 }],
    });
    if (!check.ok) return onProblem(check.reason.replace('point 1: ', ''));
    onProblem(undefined);
    onPoint(spot);
    setCursor(spot);
    setTyped({});
  };

  return (
    <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-4">
      <Entry
        label="station"
        unit={system}
        value={typed.station ?? stationDigits(member, cursor.stationMm, system)}
        onChange={(event) => setTyped({ ...typed, station: event.target.value })}
      />
      <Pick
        label="face"
        value={cursor.face}
        options={facesOf(member.shape).map((face) => face.id)}
        words={(face: FaceId) => faceWords(member, face)}
        onPick={(face) => setCursor({ ...cursor, face, heightMm: faceOf(member.shape, face)!.widthMm / 2 })}
      />
      <Entry
        label="height on face"
        unit={system}
        value={typed.height ?? lengthDigits(cursor.heightMm, system, 'length')}
        onChange={(event) => setTyped({ ...typed, height: event.target.value })}
      />
      <button type="button" className="plain" onClick={addTyped}>
        Add this point
      </button>
    </div>
  );
}

const Ends = ({ draft, set }: OfDraft) => (
  <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-3">
    <EndChoice
      label="first end"
      found={draft.startFound}
      under={draft.startUnder}
      onChange={(startFound, startUnder) => set({ startFound, startUnder })}
    />
    <EndChoice
      label="last end"
      found={draft.finishFound}
      under={draft.finishUnder}
      onChange={(finishFound, finishUnder) => set({ finishFound, finishUnder })}
    />
  </div>
);

const HowSeen = ({ draft, set }: OfDraft) => (
  <>
    <div className="mt-3 grid grid-cols-2 items-end gap-2 sm:grid-cols-4">
      <Pick
        label="how seen"
        value={draft.seenBy}
        options={SEEN_BY_IDS}
        onPick={(seenBy) => set({ seenBy })}
      />
      <Pick
        label="starts at"
        value={draft.startsAt ?? NOT_SAID}
        options={[NOT_SAID, ...STARTS_AT]}
        onPick={(at) => set({ startsAt: at === NOT_SAID ? undefined : at })}
      />
      <Pick
        label="how deep"
        value={draft.depth ?? NOT_SAID}
        options={[NOT_SAID, ...DEPTHS]}
        onPick={(depth) => set({ depth: depth === NOT_SAID ? undefined : depth })}
      />
      <UsedEntry value={draft.used ?? ''} onChange={(used) => set({ used })} />
    </div>
    {draft.seenBy === 'dye penetrant' && <DyeTimer />}
  </>
);

const Signs = ({ draft, set }: OfDraft) => (
  <div className="mt-3 flex flex-wrap gap-x-2 gap-y-2" role="group" aria-label="Signs">
    {CRACK_SIGNS.map((sign) => {
      const signs = draft.signs ?? [];
      const is = signs.includes(sign);
      return (
        <button
          key={sign}
          type="button"
          className="plain"
          aria-pressed={is}
          onClick={() => set({ signs: is ? signs.filter((each) => each !== sign) : [...signs, sign] })}
        >
          {sign}
        </button>
      );
    })}
  </div>
);

function Acts({
  draft: { path },
  set,
  onPoint,
  onLeave,
}: OfDraft & { onPoint: (spot: Spot) => void; onLeave: () => void }) {
  const { member } = useMember();
  return (
    <div className="mt-3 flex flex-wrap gap-2">
      <button type="submit" className="solid">
        Keep the crack
      </button>
      <button
        type="button"
        className="plain"
        disabled={path.length === 0}
        onClick={() => set({ path: path.slice(0, -1) })}
      >
        Take back the last point
      </button>
      {isClosed(member.shape) && path.length > 2 && (
        <button type="button" className="plain" onClick={() => onPoint(path[0]!)}>
          It closes on itself
        </button>
      )}
      <button type="button" className="plain" onClick={onLeave}>
        Leave it
      </button>
    </div>
  );
}

const NOT_SAID = 'not said';

/** An end was found, or runs on under something, or nobody found it. */
export function EndChoice({
  label,
  found,
  under,
  onChange,
}: {
  label: string;
  found: boolean;
  under?: boolean | undefined;
  onChange: (found: boolean, under: boolean | undefined) => void;
}) {
  const value: CrackEnd = found ? 'found' : under ? 'runs under something' : 'not found';
  return (
    <div>
      <p className="caption">{label}</p>
      <Choice
        label={`${label} of the crack`}
        value={value}
        options={CRACK_ENDS}
        onChange={(end) => onChange(end === 'found', end === 'runs under something' ? true : undefined)}
      />
    </div>
  );
}

/** The crack this one runs off or into, where there are others on the member. */
function BranchPick({ draft, onPick }: { draft: Draft; onPick: (id: string | undefined) => void }) {
  const { system } = useReader();
  const { member } = useMember();
  const { cracks } = useOnMember();
  if (cracks.length === 0) return null;
  const words = (id: string) => {
    const crack = cracks.find((each) => each.id === id);
    return crack
      ? `the crack at ${stationDigits(member, crack.path[0]!.stationMm, system)}, ${faceWords(member, crack.path[0]!.face)}`
      : 'no other crack';
  };
  return (
    <Pick
      label="branch of"
      value={draft.branchOf ?? ''}
      options={['', ...cracks.map(({ id }) => id)]}
      words={words}
      onPick={(id) => onPick(id || undefined)}
    />
  );
}
