'use client';

import { isDoubtful, progressOf, TOURS, type SpotState } from '@/core/walk';
import { TOUR_WORDS, unseenWords } from '../../../../_words/walk';

/** Seen against not seen, by metal and not by taps; the unseen part hatched. */
export function ProgressBar({ spots, seen, critical, criticalSeen }: ReturnType<typeof progressOf>) {
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

/** Both sides, always; a crack asks for its diagonal twin too. */
export function Asked({ states, onGo }: { states: readonly SpotState[]; onGo: (state: SpotState) => void }) {
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

export function SpotList({
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
            <h3 className="sticky top-0 bg-paper py-1 letters-15 font-semibold">
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
                    className={`grid min-h-[44px] w-full grid-cols-[20px_minmax(0,1fr)_auto] items-center gap-2 px-1 text-left leading-tight ${state === current ? 'bg-here text-on-here' : 'hover:bg-well'}`}
                  >
                    <Seen state={state} />
                    <span className="wrap-anywhere">{state.spot.title}</span>
                    <span
                      className={`letters-14 ${state === current ? '' : state.result !== undefined && isDoubtful(state.result) ? 'font-bold text-oxide' : 'text-soft'}`}
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
