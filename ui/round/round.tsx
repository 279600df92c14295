'use client';

import { useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { Look } from '@/core/geometry';
import { pulledApart, type RoundFace } from '@/core/job';
import { Still } from './still';
import { useStage, type WhyStill } from './use-stage';

/** One press of a key or a button, rad. */
const STEP_RAD = Math.PI / 12;
/** Pulled as far apart as it goes, mm. */
const FARTHEST_MM = 400;

const STILL_WORDS: Readonly<Record<WhyStill, string>> = {
  'too slow': 'A still: this device draws too slowly to turn it by hand.',
  'nothing draws it': 'A still: this browser draws nothing in the round.',
  'did not come': 'A still: the part of this page that turns it by hand did not come.',
};

/** A look some steps further round and over; never quite from straight above or below. */
const turned = ({ turnRad, tipRad }: Look, turnBy: number, tipBy: number): Look => ({
  turnRad: turnRad + turnBy * STEP_RAD,
  tipRad: Math.max(-1.5, Math.min(1.5, tipRad + tipBy * STEP_RAD)),
});

/** A picture in the round: turned by finger, mouse or arrow keys, pulled apart by a slide. A still, turned in steps, where it cannot be. */
export function Round({ faces, usual, label }: { faces: readonly RoundFace[]; usual: Look; label: string }) {
  const [apartMm, setApart] = useState(0);
  const [look, setLook] = useState(usual);
  const [whyStill, setWhyStill] = useState<WhyStill>();
  const canvas = useRef<HTMLCanvasElement>(null);
  const stage = useStage(canvas, faces, usual, setWhyStill);
  const drawn = useMemo(() => (whyStill ? pulledApart(faces, apartMm) : []), [whyStill, faces, apartMm]);
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
        {whyStill ? (
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
        {whyStill && <span className="caption">{STILL_WORDS[whyStill]}</span>}
      </figcaption>
    </figure>
  );
}

function PullApart({ apartMm, onPull }: { apartMm: number; onPull: (mm: number) => void }) {
  const id = useId();
  return (
    <span className="ml-2 flex items-center gap-2">
      <label htmlFor={id} className="caption">
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
    </span>
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
