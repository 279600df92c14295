'use client';

import { recorded } from '@/core/job';
import { useCallback, useState, type KeyboardEvent } from 'react';
import { toast } from 'sonner';
import { z } from 'zod';
import { faceOf, facesOf, spotSchema, standing, type FaceId, type Spot } from '@/core/frame';
import { lengthDigits, parseLengthMm, printLength, ok } from '@/core/quantity';
import { checkCrack, crackLengthMm, SEEN_BY_IDS, type Crack } from '@/core/trace';
import { Entry, Pick, When } from '@/ui/controls';
import { DraftLayer, faceWords, type StripScale } from '@/ui/strip';
import { CAUTIONS } from '../../../../_words/cautions';
import { useDraft } from '../../../../_parts/remembered';
import { Bench, MemberStrip, StrikeSheet, useMember, usePlace, useReader, useRecords } from '../../../_desk';
import { newId } from '../../../../_client';
import { printStation, stationDigits, parseStationMm } from '../../../../_words/station';
import { useUnitTurn, eachText } from '../../../../_parts/turned';

/** A crack being recorded; it outlives a reload. */
const draftSchema = z.object({
  path: z.array(spotSchema),
  startFound: z.boolean(),
  finishFound: z.boolean(),
  seenBy: z.enum(SEEN_BY_IDS),
  note: z.string(),
});
type Draft = z.infer<typeof draftSchema>;
const NEW_CRACK: Draft = {
  path: [],
  startFound: false,
  finishFound: false,
  seenBy: 'dye penetrant',
  note: '',
};

export function TraceBench() {
  const { file } = useRecords();
  const { system } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  const [draft, setDraft] = useDraft(`ossatura-crack-${file.job.id}-${member.id}`, draftSchema);
  const [striking, setStriking] = useState<Crack>();
  const [chosen, setChosen] = useState<string>();
  const strikes = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const cracks = recorded(file, 'crack').filter((crack) => crack.memberId === member.id);

  const addHere = useCallback(
    (spot: Spot) =>
      draft &&
      setDraft({
        ...draft,
        path: [...draft.path, { stationMm: spot.stationMm, face: spot.face, heightMm: spot.heightMm }],
      }),
    [draft, setDraft],
  );
  /** A crack with points is thrown away only by whoever says so twice. */
  const leave = useCallback(() => {
    if (!draft || draft.path.length === 0) return setDraft(undefined);
    toast.warning(`${draft.path.length} points of this crack are not kept yet`, {
      action: { label: 'Throw them away', onClick: () => setDraft(undefined) },
      duration: 10_000,
    });
  }, [draft, setDraft]);
  const onKey = useCallback(
    (event: KeyboardEvent) => {
      if (!draft) {
        if (event.key !== 'k') return false;
        setDraft(NEW_CRACK);
        return true;
      }
      if (event.key === 'Enter') addHere(cursor);
      else if (event.key === 'Backspace') setDraft({ ...draft, path: draft.path.slice(0, -1) });
      else if (event.key === 'Escape') leave();
      else return false;
      return true;
    },
    [draft, setDraft, cursor, addHere, leave],
  );
  const over = useCallback(
    (scale: StripScale) => (draft ? <DraftLayer member={member} path={draft.path} scale={scale} /> : null),
    [draft, member],
  );

  return (
    <Bench>
      <MemberStrip
        readings={false}
        over={over}
        onKey={onKey}
        {...(chosen && { chosenCrack: chosen })}
        {...(draft && { onPlace: addHere })}
      />
      {draft ? (
        <CrackForm draft={draft} setDraft={setDraft} addHere={addHere} />
      ) : (
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <button type="button" className="solid" onClick={() => setDraft(NEW_CRACK)}>
            Record a crack
          </button>
          <span className="caption">
            then touch the Strip along it, end to end; or move with the arrows and press Enter at each point
          </span>
        </div>
      )}
      <section className="mt-4 border-t border-rule pt-2" aria-label="Cracks">
        <h3 className="text-lg font-semibold">
          Cracks on {member.name.toLowerCase()}: {standing(cracks, file.strikes).length}
        </h3>
        {cracks.length === 0 && (
          <p className="text-xl">
            None recorded. Clean to bare metal at old welds, hangers and sharp plate ends, dye, and look on
            the diagonal twin too.
          </p>
        )}
        <ul className="ruled">
          {cracks.map((crack) => {
            const strike = strikes.get(crack.id);
            const first = crack.path[0]!;
            return (
              <li
                key={crack.id}
                className={`flex flex-wrap items-center gap-x-5 py-1 ${strike ? 'text-soft line-through' : ''}`}
              >
                <span className="text-xl font-semibold">
                  {printLength(crackLengthMm(member.shape, crack.path), system, 'length')}
                </span>
                <span>
                  from station {stationDigits(member, first.stationMm, system)},{' '}
                  {[...new Set(crack.path.map((spot) => faceWords(member, spot.face)))].join(' and ')}
                </span>
                <span className={crack.startFound && crack.finishFound ? '' : 'font-semibold text-oxide'}>
                  {crack.startFound && crack.finishFound
                    ? 'both ends found'
                    : crack.startFound || crack.finishFound
                      ? 'one end not found'
                      : 'neither end found'}
                </span>
                <span className="caption">
                  {crack.seenBy}; {crack.by}, <When at={crack.at} only="day" />
                  {crack.note && `; ${crack.note}`}
                </span>
                {strike ? (
                  <span className="caption no-underline">
                    struck by {strike.by}: {strike.why}
                  </span>
                ) : (
                  <span className="ml-auto whitespace-nowrap">
                    <button
                      type="button"
                      className="hit px-2 underline"
                      onClick={() => {
                        setChosen(crack.id);
                        setCursor({ stationMm: first.stationMm, face: first.face, heightMm: first.heightMm });
                      }}
                    >
                      show
                    </button>
                    <button type="button" className="hit px-2 underline" onClick={() => setStriking(crack)}>
                      strike
                    </button>
                  </span>
                )}
              </li>
            );
          })}
        </ul>
        {standing(cracks, file.strikes).length > 0 && <p className="caution mt-3">{CAUTIONS.crack}</p>}
      </section>
      <StrikeSheet
        struck={
          striking && {
            id: striking.id,
            words: `The crack at station ${printStation(member, striking.path[0]!.stationMm, system)}, ${faceWords(member, striking.path[0]!.face)}`,
          }
        }
        onClose={() => setStriking(undefined)}
      />
    </Bench>
  );
}

function CrackForm({
  draft,
  setDraft,
  addHere,
}: {
  draft: Draft;
  setDraft: (draft: Draft | undefined) => void;
  addHere: (spot: Spot) => void;
}) {
  const { keep } = useRecords();
  const { system, by } = useReader();
  const { member, setCursor } = useMember();
  const { cursor } = usePlace();
  const { path } = draft;
  const set = (to: Partial<Draft>) => setDraft({ ...draft, ...to });
  const [problem, setProblem] = useState<string>();
  const [typed, setTyped] = useState<{ station?: string; height?: string }>({});
  useUnitTurn(system, (as) => setTyped(eachText(typed, as)));
  const lengthMm = crackLengthMm(member.shape, path);

  const submit = () => {
    if (path.length < 2) return setProblem('a crack needs at least two points');
    const check = checkCrack(member, { path });
    if (!check.ok) return setProblem(check.reason);
    keep({
      kind: 'crack',
      ...draft,
      id: newId(),
      memberId: member.id,
      by: by.trim() || 'unnamed',
      at: new Date().toISOString(),
    });
    setDraft(undefined);
  };
  const addTyped = () => {
    const station =
      typed.station === undefined ? ok(cursor.stationMm) : parseStationMm(typed.station, member, system);
    const height = typed.height === undefined ? ok(cursor.heightMm) : parseLengthMm(typed.height, system);
    if (!station.ok) return setProblem(`station: ${station.reason}`);
    if (!height.ok) return setProblem(`height: ${height.reason}`);
    const spot = { stationMm: station.value, face: cursor.face, heightMm: height.value };
    const check = checkCrack(member, {
      path: [spot, { ...spot, stationMm: spot.stationMm > 10 ? spot.stationMm - 5 : spot.stationMm + 5 }],
    });
    if (!check.ok) return setProblem(check.reason.replace('point 1: ', ''));
    setProblem(undefined);
    addHere(spot);
    setCursor(spot);
    setTyped({});
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
      <p className="mb-2 text-xl">
        <span className="font-semibold">
          {path.length} {path.length === 1 ? 'point' : 'points'}, {printLength(lengthMm, system, 'length')}{' '}
          long
        </span>{' '}
        <span className="caption">on the unrolled faces</span>
      </p>
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
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <label className="plain">
          <input
            type="checkbox"
            className="size-5 accent-[var(--ink)]"
            checked={draft.startFound}
            onChange={(event) => set({ startFound: event.target.checked })}
          />{' '}
          first end found
        </label>
        <label className="plain">
          <input
            type="checkbox"
            className="size-5 accent-[var(--ink)]"
            checked={draft.finishFound}
            onChange={(event) => set({ finishFound: event.target.checked })}
          />{' '}
          last end found
        </label>
        <Pick
          label="how seen"
          value={draft.seenBy}
          options={SEEN_BY_IDS}
          onPick={(seenBy) => set({ seenBy })}
        />
        <Entry
          label="note"
          className="min-w-40 flex-1"
          value={draft.note}
          maxLength={300}
          onChange={(event) => set({ note: event.target.value })}
        />
      </div>
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-oxide">
          {problem}
        </p>
      )}
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
        <button type="button" className="plain" onClick={() => setDraft(undefined)}>
          Leave it
        </button>
      </div>
    </form>
  );
}
