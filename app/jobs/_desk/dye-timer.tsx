'use client';

import { useEffect, useState } from 'react';
import { useRemembered } from '../../_parts/remembered';

/** Dwell and developing as most makers of penetrant ask (common practice, no source: the can's own times win), minutes. */
const STEPS = [
  { id: 'dwell', words: 'penetrant soaks', minutes: 10, then: 'wipe it off, no solvent on the crack' },
  { id: 'developer', words: 'developer draws', minutes: 10, then: 'look now, and find both ends' },
] as const;

/** Counts dwell and developing down; the time runs on through a reload. */
export function DyeTimer() {
  const [begun, setBegun] = useRemembered('ossatura-dye', '', 'tab');
  const [now, setNow] = useState(0);
  const [id, from] = begun.split(' ');
  const step = STEPS.find((each) => each.id === id);
  useEffect(() => {
    if (!step) return;
    const tick = () => setNow(Date.now());
    const first = setTimeout(tick, 0);
    const timer = setInterval(tick, 1000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [step]);
  const leftS = step && now ? Math.ceil((Number(from) + step.minutes * 60_000 - now) / 1000) : 0;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label="Penetrant times">
      {STEPS.map((each) => (
        <button
          key={each.id}
          type="button"
          className="plain"
          aria-pressed={each.id === id}
          onClick={() => setBegun(each.id === id ? '' : `${each.id} ${Date.now()}`)}
        >
          {each.words}: {each.minutes} min
        </button>
      ))}
      {step && (
        <span role="timer" className="text-xl font-semibold tabular-nums">
          {leftS > 0
            ? `${Math.floor(leftS / 60)}:${String(leftS % 60).padStart(2, '0')} left`
            : `time is up: ${step.then}`}
        </span>
      )}
      <span className="caption">the can’s own times win</span>
    </div>
  );
}
