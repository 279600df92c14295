'use client';

import { useCallback, useMemo, useState } from 'react';
import { facesOf, memberOf, type Member } from '@/core/frame';
import {
  answersLook,
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
import { Entry, Pick, Settling, useJustChanged, usePageKeys } from '@/ui/controls';
import type { Cursor } from '@/ui/strip';
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

/** What is said beside the result. */
interface MoreSaid {
  readonly note: string;
  readonly cause: Cause;
}
const NOTHING_MORE: MoreSaid = { note: '', cause: 'unknown' };

/** What a look at a spot says, for its record. */
function saidOf(
  spot: SpotState['spot'],
  result: LookResult,
  {
    ways,
    on,
    more,
    why,
  }: { ways: readonly Way[]; on: LookOn | undefined; more: MoreSaid; why: UnseenWhy | undefined },
) {
  const isSeen = result !== 'not seen';
  const onMember = spot.memberId !== undefined;
  return {
    spotId: spot.id,
    title: spot.title,
    ...(onMember && { memberId: spot.memberId, stationMm: (spot.fromMm! + spot.toMm!) / 2 }),
    result,
    ways: isSeen ? [...ways] : [],
    ...(spot.host && onMember && on && isSeen && { on }),
    note: more.note.trim(),
    ...(why && { why }),
    ...(more.cause !== 'unknown' && { cause: more.cause }),
  };
}

/** The next spot to look at once this one has been. */
function nextAfter(states: readonly SpotState[], current: SpotState): SpotState | undefined {
  const seen = states.map((state) => (state === current ? { ...state, measured: true } : state));
  const next = nextToLookAt(seen, current.spot.id);
  return states.find((state) => state.spot.id === next?.id);
}

/** Where the round is, and what is being said of the spot it is at. */
function useRound(states: readonly SpotState[]) {
  const { file, keep } = useRecords();
  const { selectMember, setCursor } = useMember();
  const stamp = useStamp();
  const [currentId, setCurrentId] = useState<string>();
  const [ways, setWays] = useState<readonly Way[]>(SEEN_WAYS_DEFAULT);
  const [asksWhy, setAsksWhy] = useState(false);
  const [more, setMore] = useState<MoreSaid>(NOTHING_MORE);
  const [on, setOn] = useState<LookOn>();
  const current =
    states.find((state) => state.spot.id === currentId) ??
    states.find((state) => state.spot.id === nextToLookAt(states, undefined)?.id) ??
    states[0];

  const goTo = useCallback(
    (state: SpotState | undefined) => {
      if (!state) return;
      setCurrentId(state.spot.id);
      setAsksWhy(false);
      setOn(state.look?.on);
      setMore({ note: state.look?.note ?? '', cause: state.look?.cause ?? 'unknown' });
      const { memberId } = state.spot;
      const member = memberId === undefined ? undefined : memberOf(file.frame, memberId);
      if (!member) return;
      selectMember(member.id);
      const place = placeOf(state.spot, member);
      if (place) setCursor(place);
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
      const said = saidOf(current.spot, result, { ways, on, more, why });
      const isStanding = current.look !== undefined && !answersLook(said, current.look);
      keep({ kind: 'look', ...stamp(), ...said });
      setAsksWhy(false);
      setMore(NOTHING_MORE);
      // What is harmless leads on; what is bad stays in sight, with what it asks for, and so does what was bad and is not answered by that.
      if (isDoubtful(result) || isStanding) setCurrentId(current.spot.id);
      else goTo(nextAfter(states, current));
    },
    [current, keep, stamp, ways, on, more, goTo, states],
  );
  return { current, goTo, step, look, ways, setWays, asksWhy, setAsksWhy, more, setMore, on, setOn };
}
type RoundAt = ReturnType<typeof useRound> & { readonly current: SpotState };
/** Which spot is asked about, and which look at it was the last. */
const askedNow = ({ spot, look }: SpotState): string => `${spot.id} ${look?.id ?? ''}`;

/** Where on its member a spot is looked at: the middle of it, on its own face, or the first that stands upright. */
function placeOf({ fromMm, toMm, face }: SpotState['spot'], { shape }: Member): Cursor | undefined {
  if (fromMm === undefined) return undefined;
  const faces = facesOf(shape);
  const shown = faces.find((each) => each.id === face) ?? faces.find((each) => each.upright) ?? faces[0]!;
  return { stationMm: (fromMm + toMm!) / 2, face: shown.id, heightMm: shown.widthMm / 2 };
}

export function RoundPart({ states }: { states: readonly SpotState[] }) {
  const round = useRound(states);
  const { current, goTo, step, look, setAsksWhy } = round;
  const [striking, setStriking] = useState<SpotState>();
  const isNew = useJustChanged(current ? askedNow(current) : '');
  usePageKeys({
    n: () => step(1),
    p: () => step(-1),
    '0': () => setAsksWhy(true),
    '([1-9])': (key) => {
      const result = SEEN_RESULTS[Number(key) - 1];
      if (result && !isNew) look(result);
    },
  });
  if (!current)
    return <p className="text-xl">No spot is on the list for this frame. Add one under “What we look at”.</p>;
  return (
    <div className="grid gap-x-6 gap-y-4 xl:grid-cols-[minmax(0,1fr)_380px]">
      <AtSpot states={states} round={{ ...round, current }} onStrike={setStriking} />
      <WayRound states={states} current={current} onGo={goTo} />
      <StrikeSheet
        struck={
          striking?.look && { id: striking.look.id, words: `${striking.spot.title}: ${striking.look.result}` }
        }
        onClose={() => setStriking(undefined)}
      />
    </div>
  );
}

/** The spot the round is at: how it was looked at, what it is, and what that asks for. */
function AtSpot({
  states,
  round: { current, goTo, step, look, ways, setWays, asksWhy, setAsksWhy, more, setMore, on, setOn },
  onStrike,
}: {
  states: readonly SpotState[];
  round: RoundAt;
  onStrike: (state: SpotState) => void;
}) {
  const progress = useMemo(() => progressOf(states), [states]);
  const { spot } = current;
  return (
    <div className="min-w-0">
      <ProgressBar {...progress} />
      <Spot
        key={spot.id}
        state={current}
        number={states.indexOf(current) + 1}
        of={states.length}
        onStep={step}
        onStrike={() => onStrike(current)}
      />
      <Settling of={askedNow(current)}>
        <Ways ways={ways} onChange={setWays} />
        {spot.host && spot.memberId !== undefined && <FoundOn on={on} onChange={setOn} />}
        <Results
          result={current.result}
          hasWays={ways.length > 0}
          asksWhy={asksWhy}
          onAskWhy={setAsksWhy}
          onLook={look}
        />
        {spot.host && <AtTheHost spot={spot} ways={ways} />}
        {spot.memberId !== undefined && <AtTheSpot />}
        <Asked states={askedBy(current, states)} onGo={goTo} />
      </Settling>
      <More spot={spot} more={more} onMore={setMore} />
      <LeaveRow />
      <p className="caution mt-4">{CAUTIONS.lift}</p>
    </div>
  );
}

function WayRound({
  states,
  current,
  onGo,
}: {
  states: readonly SpotState[];
  current: SpotState;
  onGo: (state: SpotState) => void;
}) {
  const [listOpen, setListOpen] = useState(false);
  return (
    <div className="min-w-0 xl:border-l xl:border-rule xl:pl-5">
      <div className="flex items-center justify-between">
        <h2 className="text-lg font-semibold">The way round</h2>
        <button type="button" className="hit px-2 underline" onClick={() => setListOpen(true)}>
          What we look at
        </button>
      </div>
      <SpotList states={states} current={current} onGo={onGo} />
      <SpotsSheet open={listOpen} onOpenChange={setListOpen} />
    </div>
  );
}

/** What it is: one tap; or not seen, and why. */
function Results({
  result,
  hasWays,
  asksWhy,
  onAskWhy,
  onLook,
}: {
  result: SpotState['result'];
  hasWays: boolean;
  asksWhy: boolean;
  onAskWhy: (asks: boolean) => void;
  onLook: (result: LookResult, why?: UnseenWhy) => void;
}) {
  return (
    <>
      <div
        className="mt-2 grid grid-cols-[repeat(auto-fit,minmax(6.6rem,1fr))] gap-1.5 sm:grid-cols-5"
        role="group"
        aria-label="What it is"
      >
        {SEEN_RESULTS.map((each, k) => (
          <button
            key={each}
            type="button"
            aria-pressed={result === each}
            disabled={!hasWays}
            onClick={() => onLook(each)}
            className={`plain relative min-h-[58px]! flex-col gap-0! px-1! letters-16 leading-tight ${k > 1 ? 'font-semibold' : ''}`}
          >
            <span>{each}</span>
            <kbd aria-hidden className="caption absolute right-1 top-0 max-lg:hidden">
              {k + 1}
            </kbd>
          </button>
        ))}
        <button
          type="button"
          aria-pressed={result === 'not seen'}
          aria-expanded={asksWhy}
          onClick={() => onAskWhy(!asksWhy)}
          className="plain unseen relative min-h-[58px]! px-1! max-sm:col-span-full letters-16 font-semibold"
        >
          not seen
          <kbd aria-hidden className="caption absolute right-1 top-0 max-lg:hidden">
            0
          </kbd>
        </button>
      </div>
      {!hasWays && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          Seen how? Choose a way above; eye at least.
        </p>
      )}
      {asksWhy && <WhyNotSeen onWhy={(why) => onLook('not seen', why)} />}
    </>
  );
}

const WhyNotSeen = ({ onWhy }: { onWhy: (why: UnseenWhy) => void }) => (
  <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Why not seen">
    {UNSEEN_WHYS.map((why) => (
      <button key={why} type="button" className="plain" onClick={() => onWhy(why)}>
        {unseenWords(why)}
      </button>
    ))}
  </div>
);

function More({
  spot,
  more,
  onMore,
}: {
  spot: SpotState['spot'];
  more: MoreSaid;
  onMore: (more: MoreSaid) => void;
}) {
  return (
    <div className="mt-3 flex flex-wrap items-end gap-2">
      <Entry
        label="note, kept with the next tap"
        className="min-w-40 flex-1"
        value={more.note}
        maxLength={300}
        onChange={(event) => onMore({ ...more, note: event.target.value })}
      />
      <Pick
        label="cause"
        value={more.cause}
        options={CAUSES}
        onPick={(cause) => onMore({ ...more, cause })}
      />
      <PhotoButton
        spotId={spot.id}
        caption={spot.title}
        {...(spot.memberId !== undefined && {
          memberId: spot.memberId,
          stationMm: (spot.fromMm! + spot.toMm!) / 2,
        })}
      />
    </div>
  );
}
