'use client';

import { useCallback, useMemo, useState } from 'react';
import { facesOf, memberOf } from '@/core/frame';
import {
  askedBy,
  CAUSES,
  isDoubtful,
  LOOK_RESULTS,
  nextToLookAt,
  progressOf,
  UNSEEN_WHYS,
  type Cause,
  type LookOn,
  type LookResult,
  type SpotState,
  type UnseenWhy,
  type Way,
} from '@/core/walk';
import { Entry, Pick, usePageKeys } from '@/ui/controls';
import { CAUTIONS } from '../../../../_words/cautions';
import { unseenWords } from '../../../../_words/walk';
import { StrikeSheet, useMember, useRecords, useStamp, PhotoButton } from '../../../_desk';
import { AtTheHost } from './at-the-host';
import { AtTheSpot } from './at-the-spot';
import { LeaveRow } from './leave-row';
import { SpotsSheet } from './spots-sheet';
import { Spot, Ways, FoundOn } from './spot-card';
import { ProgressBar, Asked, SpotList } from './spot-list';

/** Results in the order of their keys: 1 to 9, and 0 for not seen. */
const SEEN_RESULTS = LOOK_RESULTS.filter((result) => result !== 'not seen');
const SEEN_WAYS_DEFAULT: readonly Way[] = ['eye'];

export function RoundPart({ states }: { states: readonly SpotState[] }) {
  const { file, keep } = useRecords();
  const { selectMember, setCursor } = useMember();
  const stamp = useStamp();
  const [currentId, setCurrentId] = useState<string>();
  const [ways, setWays] = useState<readonly Way[]>(SEEN_WAYS_DEFAULT);
  const [asksWhy, setAsksWhy] = useState(false);
  const [more, setMore] = useState({ note: '', cause: 'unknown' as Cause });
  const [on, setOn] = useState<LookOn>();
  const [striking, setStriking] = useState<SpotState>();
  const [listOpen, setListOpen] = useState(false);
  const current =
    states.find((state) => state.spot.id === currentId) ??
    states.find((state) => state.spot.id === nextToLookAt(states, undefined)?.id) ??
    states[0];
  const progress = useMemo(() => progressOf(states), [states]);

  const goTo = useCallback(
    (state: SpotState | undefined) => {
      if (!state) return;
      setCurrentId(state.spot.id);
      setAsksWhy(false);
      setOn(state.look?.on);
      setMore({ note: state.look?.note ?? '', cause: state.look?.cause ?? 'unknown' });
      const { memberId, fromMm, toMm, face } = state.spot;
      const member = memberId === undefined ? undefined : memberOf(file.frame, memberId);
      if (!member) return;
      selectMember(member.id);
      const faces = facesOf(member.shape);
      const shown = faces.find((each) => each.id === face) ?? faces.find((each) => each.upright) ?? faces[0]!;
      if (fromMm !== undefined)
        setCursor({ stationMm: (fromMm + toMm!) / 2, face: shown.id, heightMm: shown.widthMm / 2 });
    },
    [file.frame, selectMember, setCursor],
  );

  const step = useCallback(
    (by: number) => {
      if (!current) return;
      const at = states.indexOf(current);
      goTo(states[(at + by + states.length) % states.length]);
    },
    [states, current, goTo],
  );

  const look = useCallback(
    (result: LookResult, why?: UnseenWhy) => {
      if (!current) return;
      const { spot } = current;
      keep({
        kind: 'look',
        ...stamp(),
        spotId: spot.id,
        title: spot.title,
        ...(spot.memberId !== undefined && {
          memberId: spot.memberId,
          stationMm: (spot.fromMm! + spot.toMm!) / 2,
        }),
        result,
        ways: result === 'not seen' ? [] : [...ways],
        ...(spot.host && spot.memberId !== undefined && on && result !== 'not seen' && { on }),
        note: more.note.trim(),
        ...(why && { why }),
        ...(more.cause !== 'unknown' && { cause: more.cause }),
      });
      setAsksWhy(false);
      setMore({ note: '', cause: 'unknown' });
      // What is harmless leads on; what is bad stays in sight, with what it asks for.
      if (!isDoubtful(result))
        goTo(
          states.find(
            (state) =>
              state.spot.id ===
              nextToLookAt(
                states.map((state) => (state === current ? { ...state, measured: true } : state)),
                spot.id,
              )?.id,
          ),
        );
      else setCurrentId(spot.id);
    },
    [current, keep, stamp, ways, on, more, goTo, states],
  );

  usePageKeys({
    n: () => step(1),
    p: () => step(-1),
    '0': () => setAsksWhy(true),
    '([1-9])': (key) => {
      const result = SEEN_RESULTS[Number(key) - 1];
      if (result) look(result);
    },
  });

  if (!current)
    return <p className="text-xl">No spot is on the list for this frame. Add one under “What we look at”.</p>;
  return (
    <div className="grid gap-x-6 gap-y-4 xl:grid-cols-[minmax(0,1fr)_380px]">
      <div className="min-w-0">
        <ProgressBar {...progress} />
        <Spot
          key={current.spot.id}
          state={current}
          number={states.indexOf(current) + 1}
          of={states.length}
          onStep={step}
          onStrike={() => setStriking(current)}
        />
        <Ways ways={ways} onChange={setWays} />
        {current.spot.host && current.spot.memberId !== undefined && <FoundOn on={on} onChange={setOn} />}
        <div className="mt-2 grid grid-cols-3 gap-1.5 sm:grid-cols-5" role="group" aria-label="What it is">
          {SEEN_RESULTS.map((result, k) => (
            <button
              key={result}
              type="button"
              aria-pressed={current.result === result}
              disabled={ways.length === 0}
              onClick={() => look(result)}
              className={`plain relative min-h-[58px]! flex-col gap-0! px-1! text-[16px] leading-tight ${k > 1 ? 'font-semibold' : ''}`}
            >
              <span>{result}</span>
              <kbd aria-hidden className="caption absolute right-1 top-0 max-lg:hidden">
                {k + 1}
              </kbd>
            </button>
          ))}
          <button
            type="button"
            aria-pressed={current.result === 'not seen'}
            aria-expanded={asksWhy}
            onClick={() => setAsksWhy(!asksWhy)}
            className="plain unseen relative min-h-[58px]! px-1! max-sm:col-span-3 text-[16px] font-semibold"
          >
            not seen
            <kbd aria-hidden className="caption absolute right-1 top-0 max-lg:hidden">
              0
            </kbd>
          </button>
        </div>
        {ways.length === 0 && (
          <p role="alert" className="mt-1 font-semibold text-oxide">
            Seen how? Choose a way above; eye at least.
          </p>
        )}
        {asksWhy && (
          <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Why not seen">
            {UNSEEN_WHYS.map((why) => (
              <button key={why} type="button" className="plain" onClick={() => look('not seen', why)}>
                {unseenWords(why)}
              </button>
            ))}
          </div>
        )}
        {current.spot.host && <AtTheHost spot={current.spot} ways={ways} />}
        {current.spot.memberId !== undefined && <AtTheSpot />}
        <Asked states={askedBy(current, states)} onGo={goTo} />
        <div className="mt-3 flex flex-wrap items-end gap-2">
          <Entry
            label="note, kept with the next tap"
            className="min-w-40 flex-1"
            value={more.note}
            maxLength={300}
            onChange={(event) => setMore({ ...more, note: event.target.value })}
          />
          <Pick
            label="cause"
            value={more.cause}
            options={CAUSES}
            onPick={(cause) => setMore({ ...more, cause })}
          />
          <PhotoButton
            spotId={current.spot.id}
            caption={current.spot.title}
            {...(current.spot.memberId !== undefined && {
              memberId: current.spot.memberId,
              stationMm: (current.spot.fromMm! + current.spot.toMm!) / 2,
            })}
          />
        </div>
        <LeaveRow />
        <p className="caution mt-4">{CAUTIONS.lift}</p>
      </div>
      <div className="min-w-0 xl:border-l xl:border-rule xl:pl-5">
        <div className="flex items-center justify-between">
          <h2 className="text-lg font-semibold">The way round</h2>
          <button type="button" className="hit px-2 underline" onClick={() => setListOpen(true)}>
            What we look at
          </button>
        </div>
        <SpotList states={states} current={current} onGo={goTo} />
      </div>
      <StrikeSheet
        struck={
          striking?.look && { id: striking.look.id, words: `${striking.spot.title}: ${striking.look.result}` }
        }
        onClose={() => setStriking(undefined)}
      />
      <SpotsSheet open={listOpen} onOpenChange={setListOpen} />
    </div>
  );
}
