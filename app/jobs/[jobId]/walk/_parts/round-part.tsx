'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { facesOf, memberOf } from '@/core/frame';
import {
  askedBy,
  CAUSES,
  isDoubtful,
  LOOK_ON,
  LOOK_RESULTS,
  nextToLookAt,
  progressOf,
  TOURS,
  UNSEEN_WHYS,
  WAYS,
  type Cause,
  type LookOn,
  type LookResult,
  type SpotState,
  type UnseenWhy,
  type Way,
} from '@/core/walk';
import { Entry, Pick, When } from '@/ui/controls';
import { ToggleGroup } from 'radix-ui';
import { CAUTIONS } from '../../../../_words/cautions';
import { TOUR_WORDS, unseenWords } from '../../../../_words/walk';
import { StrikeSheet, useMember, useReader, useRecords, useStamp, PhotoButton } from '../../../_desk';
import { AtTheHost } from './at-the-host';
import { AtTheSpot } from './at-the-spot';
import { AsBuiltHere } from './as-built-here';
import { ComesInHere } from './comes-in-here';
import { FailedHere } from './failed-here';
import { LeaveRow } from './leave-row';
import { SpotsSheet } from './spots-sheet';
import { printStation } from '../../../../_words/station';

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

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        (event.target as HTMLElement).closest('input, select, textarea, [role=dialog]')
      )
        return;
      if (event.key === 'n') step(1);
      else if (event.key === 'p') step(-1);
      else if (event.key === '0') setAsksWhy(true);
      else if (/^[1-9]$/.test(event.key)) look(SEEN_RESULTS[Number(event.key) - 1]!);
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [step, look]);

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

/** Seen against not seen, by metal and not by taps; the unseen part hatched. */
function ProgressBar({ spots, seen, critical, criticalSeen }: ReturnType<typeof progressOf>) {
  return (
    <div className="mb-3">
      <p>
        <span className="text-xl font-bold">
          {seen} of {spots} seen
        </span>{' '}
        <span className={criticalSeen < critical ? 'font-semibold text-oxide' : ''}>
          {critical - criticalSeen === 0
            ? 'every critical spot among them'
            : `${critical - criticalSeen} critical ${critical - criticalSeen === 1 ? 'spot' : 'spots'} not seen`}
        </span>
      </p>
      <div
        className="unseen mt-1 h-3 border border-edge"
        role="img"
        aria-label={`${seen} of ${spots} spots seen`}
      >
        <div className="h-full bg-ink" style={{ width: `${spots ? (100 * seen) / spots : 0}%` }} />
      </div>
    </div>
  );
}

function Spot({
  state,
  number,
  of,
  onStep,
  onStrike,
}: {
  state: SpotState;
  number: number;
  of: number;
  onStep: (by: number) => void;
  onStrike: () => void;
}) {
  const { system } = useReader();
  const { file } = useRecords();
  const { spot, look } = state;
  const member = spot.memberId === undefined ? undefined : memberOf(file.frame, spot.memberId);
  const at = (mm: number) => printStation(member ?? {}, mm, system);
  const mended = file.mendedBefore?.find(
    ({ memberId, fromMm, toMm }) =>
      memberId === spot.memberId && fromMm <= spot.fromMm! && toMm >= spot.toMm!,
  );
  return (
    <section className="border-y-2 border-ink bg-sheet px-3 py-2" aria-label="This spot">
      <div className="flex items-start gap-2">
        <button
          type="button"
          className="plain min-h-[64px]! w-12 shrink-0 px-0! text-2xl"
          aria-label="The spot before"
          onClick={() => onStep(-1)}
        >
          ‹
        </button>
        <div className="min-h-[112px] min-w-0 flex-1">
          <p className="caption">
            {number} of {of}, {TOUR_WORDS[spot.tour].toLowerCase()}
            {spot.critical && ', critical'}
            {spot.from !== 'trade' && `, ${spot.from === 'shop' ? 'the shop’s own' : 'learned here'}`}
          </p>
          <h2 className="text-[23px] font-bold leading-tight">{spot.title}</h2>
          <p>
            {spot.look}
            {spot.fromMm !== undefined && (
              <span className="caption">
                {' '}
                {spot.toMm! - spot.fromMm > 200
                  ? `stations ${at(spot.fromMm)} to ${at(spot.toMm!)}`
                  : `station ${at(spot.fromMm)}`}
              </span>
            )}
          </p>
          <FailedHere spot={spot} />
          <ComesInHere spot={spot} />
          <AsBuiltHere memberId={spot.memberId} fromMm={spot.fromMm} toMm={spot.toMm} />
          {mended && (
            <p className="font-semibold">
              Renewed here by an earlier job, <When at={mended.at} only="day" />: its patch is as made.
            </p>
          )}
          {spot.needs.length > 0 && (
            <p className="caption">From outside it cannot be seen: {spot.needs.join(', ')}.</p>
          )}
        </div>
        <button
          type="button"
          className="plain min-h-[64px]! w-12 shrink-0 px-0! text-2xl"
          aria-label="The next spot"
          onClick={() => onStep(1)}
        >
          ›
        </button>
      </div>
      <p className="flex min-h-[44px] flex-wrap items-center gap-x-3 border-t border-rule" aria-live="polite">
        {look ? (
          <>
            <span
              className={`text-lg font-bold ${look.result !== 'not seen' && isDoubtful(look.result) ? 'text-oxide' : ''}`}
            >
              {look.result}
              {look.on && `, ${ON_WORDS[look.on]}`}
            </span>
            <span className="caption">
              {look.why ? unseenWords(look.why) : look.ways.join(', ')}
              {look.note && `; ${look.note}`}
              {look.cause && `; ${look.cause}`}; {look.by} <When at={look.at} only="day" />
            </span>
            {!state.seen && look.result !== 'not seen' && (
              <span className="font-semibold text-oxide">
                does not count as seen: {unseenWords(state.why!)}
              </span>
            )}
            <button type="button" className="hit ml-auto px-2 underline" onClick={onStrike}>
              strike
            </button>
          </>
        ) : state.measured ? (
          <span>Read here with a gauge; not looked at yet.</span>
        ) : (
          <span className="text-soft">Not looked at yet.</span>
        )}
      </p>
    </section>
  );
}

function Ways({ ways, onChange }: { ways: readonly Way[]; onChange: (ways: readonly Way[]) => void }) {
  return (
    <div className="mt-2">
      <p className="caption" id="ways">
        by
      </p>
      <ToggleGroup.Root
        type="multiple"
        aria-labelledby="ways"
        value={[...ways]}
        onValueChange={(next) => onChange(next as Way[])}
        className="flex flex-wrap"
      >
        {WAYS.map((way) => (
          <ToggleGroup.Item key={way} value={way} className="plain -ml-px px-2.5! first:ml-0">
            {way}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}

const ON_WORDS: Readonly<Record<LookOn | 'both', string>> = {
  both: 'both',
  fitting: 'the bracket, mount or joint',
  member: 'the rail or member',
};

/** Whether a result is of the bracket, of what it hangs on, or of both: a cracked hanger does not condemn a sound rail. */
function FoundOn({ on, onChange }: { on: LookOn | undefined; onChange: (on: LookOn | undefined) => void }) {
  return (
    <div className="mt-2">
      <p className="caption" id="found-on">
        found on
      </p>
      <ToggleGroup.Root
        type="single"
        aria-labelledby="found-on"
        value={on ?? 'both'}
        onValueChange={(next) => next && onChange(next === 'both' ? undefined : (next as LookOn))}
        className="flex flex-wrap"
      >
        {(['both', ...LOOK_ON] as const).map((each) => (
          <ToggleGroup.Item key={each} value={each} className="plain -ml-px px-2.5! first:ml-0">
            {ON_WORDS[each]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}

/** Both sides, always; a crack asks for its diagonal twin too. */
function Asked({ states, onGo }: { states: readonly SpotState[]; onGo: (state: SpotState) => void }) {
  if (states.length === 0) return null;
  return (
    <div className="mt-3 bg-here px-3 py-2 text-on-here" role="status">
      <p className="font-bold">
        Now the other side{states.length > 1 ? ' and across the corner' : ''}: one may be clean and its twin
        gone.
      </p>
      <div className="flex flex-wrap gap-2">
        {states.map((state) => (
          <button key={state.spot.id} type="button" className="plain" onClick={() => onGo(state)}>
            {state.spot.title} →
          </button>
        ))}
      </div>
    </div>
  );
}

function SpotList({
  states,
  current,
  onGo,
}: {
  states: readonly SpotState[];
  current: SpotState;
  onGo: (state: SpotState) => void;
}) {
  return (
    <div
      className="xl:max-h-[calc(100dvh-180px)] xl:overflow-y-auto"
      tabIndex={0}
      role="region"
      aria-label="The way round"
    >
      {TOURS.map((tour) => {
        const own = states.filter((state) => state.spot.tour === tour);
        if (own.length === 0) return null;
        return (
          <section key={tour} aria-label={TOUR_WORDS[tour]}>
            <h3 className="sticky top-0 bg-paper py-1 text-[15px] font-semibold">
              {TOUR_WORDS[tour]}{' '}
              <span className="caption">
                {own.filter((state) => state.seen).length} of {own.length}
              </span>
            </h3>
            <ol className="ruled border-y border-rule">
              {own.map((state) => (
                <li key={state.spot.id}>
                  <button
                    type="button"
                    onClick={() => onGo(state)}
                    aria-current={state === current ? 'step' : undefined}
                    className={`grid min-h-[44px] w-full grid-cols-[20px_1fr_auto] items-center gap-2 px-1 text-left leading-tight ${state === current ? 'bg-here text-on-here' : 'hover:bg-well'}`}
                  >
                    <Seen state={state} />
                    <span>{state.spot.title}</span>
                    <span
                      className={`whitespace-nowrap text-[14px] ${state === current ? '' : state.result !== undefined && isDoubtful(state.result) ? 'font-bold text-oxide' : 'text-soft'}`}
                    >
                      {wordOf(state)}
                    </span>
                  </button>
                </li>
              ))}
            </ol>
          </section>
        );
      })}
    </div>
  );
}

const wordOf = (state: SpotState): string =>
  state.seen ? (state.result ?? 'read') : state.why === 'not looked at' ? '' : unseenWords(state.why!);

/** Filled: seen. Hatched: somebody stood there and did not see. Empty: nobody was there. */
function Seen({ state }: { state: SpotState }) {
  const bad = state.result !== undefined && state.result !== 'not seen' && isDoubtful(state.result);
  return (
    <span
      aria-hidden
      className={`inline-block size-4 border border-ink ${bad ? 'rotate-45 bg-oxide' : state.seen ? 'bg-ink' : state.look ? 'unseen' : 'bg-sheet'}`}
    />
  );
}
