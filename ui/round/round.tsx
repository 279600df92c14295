'use client';

import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { Look } from '@/core/geometry';
import { pulledApart, type RoundFace } from '@/core/job';
import type { Stage } from './stage';
import { Still } from './still';

/** Slower than this while it is turned, a still that steps is better than a picture that drags. */
const LEAST_FRAMES = 30;
/** So many, and it can be drawn finer. */
const PLENTY_FRAMES = 120;
const TRIED_FRAMES = 4;
/** Tried so often before it is given up, and so long apart, ms. */
const TRIALS = 4;
const TRY_AGAIN_MS = 1500;
/** One press of a key or a button, rad. */
const STEP_RAD = Math.PI / 12;
/** Pulled as far apart as it goes, mm. */
const FARTHEST_MM = 400;

const STILL_WORDS = 'A still: this device draws too slowly to turn it by hand.';

/** A look some steps further round and over; never quite from straight above or below. */
const turned = ({ turnRad, tipRad }: Look, turnBy: number, tipBy: number): Look => ({
  turnRad: turnRad + turnBy * STEP_RAD,
  tipRad: Math.max(-1.5, Math.min(1.5, tipRad + tipBy * STEP_RAD)),
});

/** A picture in the round: turned by finger, mouse or arrow keys, pulled apart by a slide. A still, turned in steps, where the device is too slow. */
export function Round({ faces, usual, label }: { faces: readonly RoundFace[]; usual: Look; label: string }) {
  const [apartMm, setApart] = useState(0);
  const [look, setLook] = useState(usual);
  const [isStill, setStill] = useState(false);
  const canvas = useRef<HTMLCanvasElement>(null);
  const stage = useStage(canvas, faces, usual, () => setStill(true));
  const drawn = useMemo(() => (isStill ? pulledApart(faces, apartMm) : []), [isStill, faces, apartMm]);
  const turnTo = (next: Look) => {
    setLook(next);
    stage.current?.lookFrom(next);
  };
  const turn = (turnBy: number, tipBy: number) => turnTo(turned(look, turnBy, tipBy));
  const keys = (event: KeyboardEvent) => {
    const by = KEYS[event.key];
    if (!by) return;
    event.preventDefault();
    turn(...by);
  };
  return (
    <figure className="flex min-h-0 flex-1 flex-col">
      <div
        className="relative min-h-80 flex-1 overflow-hidden border border-rule bg-sheet focus-visible:outline-2"
        tabIndex={0}
        role="group"
        aria-label={`${label}; arrow keys turn it`}
        onKeyDown={keys}
      >
        {isStill ? (
          <Still faces={drawn} look={look} label={label} />
        ) : (
          <canvas
            ref={canvas}
            className="absolute inset-0 h-full w-full touch-none"
            role="img"
            aria-label={label}
          />
        )}
      </div>
      <figcaption className="mt-2 flex flex-wrap items-center gap-2">
        {BUTTONS.map(([words, turnBy, tipBy]) => (
          <button key={words} type="button" className="plain" onClick={() => turn(turnBy, tipBy)}>
            {words}
          </button>
        ))}
        <button type="button" className="plain" onClick={() => turnTo(usual)}>
          As at first
        </button>
        <PullApart
          apartMm={apartMm}
          onPull={(mm) => {
            setApart(mm);
            stage.current?.pull(mm);
          }}
        />
        {isStill && <span className="caption">{STILL_WORDS}</span>}
      </figcaption>
    </figure>
  );
}

function PullApart({ apartMm, onPull }: { apartMm: number; onPull: (mm: number) => void }) {
  const id = useId();
  return (
    <>
      <label htmlFor={id} className="caption ml-2">
        pull apart
      </label>
      <input
        id={id}
        type="range"
        min={0}
        max={FARTHEST_MM}
        step={10}
        value={apartMm}
        className="h-11 w-44 accent-[var(--ink)]"
        onChange={(event) => onPull(Number(event.target.value))}
      />
    </>
  );
}

const KEYS: Readonly<Record<string, [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
const BUTTONS = [
  ['Turn left', -1, 0],
  ['Turn right', 1, 0],
  ['From above', 0, 2],
  ['From below', 0, -2],
] as const;

/** The stage is loaded when there is something to show, tried for speed, and given up where it is too slow or there is none. */
function useStage(
  canvas: { readonly current: HTMLCanvasElement | null },
  faces: readonly RoundFace[],
  usual: Look,
  onTooSlow: () => void,
) {
  const stage = useRef<Stage | undefined>(undefined);
  const given = useRef({ faces, usual, onTooSlow });
  useEffect(() => {
    given.current = { faces, usual, onTooSlow };
  });
  useEffect(() => {
    let isGone = false;
    const element = canvas.current;
    let trial: ReturnType<typeof setTimeout> | undefined;
    /** Slow at once is not slow for good: the page may still be working things out. */
    const tryIt = (made: Stage, element: HTMLCanvasElement, left = TRIALS) => {
      const frames = made.framesPerSecond(TRIED_FRAMES);
      element.dataset.frames = frames.toFixed(0);
      if (frames >= PLENTY_FRAMES) made.finer();
      if (frames >= LEAST_FRAMES) return;
      if (left > 1) trial = setTimeout(() => tryIt(made, element, left - 1), TRY_AGAIN_MS);
      else given.current.onTooSlow();
    };
    const observer = new ResizeObserver(() => stage.current?.resize());
    const themes = new MutationObserver(() => stage.current?.repaint());
    void import('./stage').then(({ stageOn }) => {
      if (isGone || !element) return;
      try {
        const made = stageOn(element);
        stage.current = made;
        made.show(given.current.faces);
        made.lookFrom(given.current.usual);
        observer.observe(element);
        trial = setTimeout(() => tryIt(made, element), 0);
        themes.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
      } catch {
        given.current.onTooSlow();
      }
    });
    return () => {
      isGone = true;
      clearTimeout(trial);
      observer.disconnect();
      themes.disconnect();
      stage.current?.dispose();
      stage.current = undefined;
    };
  }, [canvas]);
  useEffect(() => {
    stage.current?.show(faces);
  }, [faces]);
  return stage;
}
