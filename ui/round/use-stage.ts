import { useEffect, useRef } from 'react';
import type { Look } from '@/core/geometry';
import type { RoundFace } from '@/core/job';
import type { Stage } from './stage';

/** Why a picture in the round is a still, turned in steps. */
export type WhyStill = 'too slow' | 'nothing draws it' | 'did not come';

/** Slower than this while it is turned, a still that steps is better than a picture that drags. */
const LEAST_FRAMES = 30;
/** So many, and it can be drawn finer. */
const PLENTY_FRAMES = 120;
const TRIED_FRAMES = 4;
/** Tried so often before it is given up, and so long apart, ms. */
const TRIALS = 4;
const TRY_AGAIN_MS = 1500;

/** Slow at once is not slow for good: the page may still be working things out. Answers how to call it off. */
function tried(stage: Stage, canvas: HTMLCanvasElement, onTooSlow: () => void): () => void {
  let trial: ReturnType<typeof setTimeout>;
  const tryIt = (left: number) => {
    const frames = stage.framesPerSecond(TRIED_FRAMES);
    canvas.dataset.frames = frames.toFixed(0);
    if (frames >= PLENTY_FRAMES) stage.finer();
    if (frames >= LEAST_FRAMES) return;
    if (left > 1) trial = setTimeout(tryIt, TRY_AGAIN_MS, left - 1);
    else onTooSlow();
  };
  trial = setTimeout(tryIt, 0, TRIALS);
  return () => clearTimeout(trial);
}

/** Heard by the stage as long as it stands: its size on the page, light and dark. */
function followed(stage: Stage, canvas: HTMLCanvasElement): () => void {
  const sizes = new ResizeObserver(() => stage.resize());
  const themes = new MutationObserver(() => stage.repaint());
  sizes.observe(canvas);
  themes.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
  return () => {
    sizes.disconnect();
    themes.disconnect();
  };
}

/** The stage is loaded when there is something to show, tried for speed, and given up, with the reason, where it is too slow or there is none. */
export function useStage(
  canvas: { readonly current: HTMLCanvasElement | null },
  faces: readonly RoundFace[],
  usual: Look,
  onStill: (why: WhyStill) => void,
) {
  const stage = useRef<Stage | undefined>(undefined);
  const given = useRef({ faces, usual, onStill });
  useEffect(() => {
    given.current = { faces, usual, onStill };
  });
  useEffect(() => {
    let isGone = false;
    let ends: (() => void)[] = [];
    const element = canvas.current;
    const end = () => {
      for (const done of ends) done();
      ends = [];
      stage.current?.dispose();
      stage.current = undefined;
    };
    const giveUp = (why: WhyStill) => {
      end();
      if (!isGone) given.current.onStill(why);
    };
    const begin = ({ stageOn }: typeof import('./stage')) => {
      if (isGone || !element) return;
      try {
        const made = stageOn(element);
        stage.current = made;
        made.show(given.current.faces);
        made.lookFrom(given.current.usual);
        ends = [followed(made, element), tried(made, element, () => giveUp('too slow'))];
      } catch {
        giveUp('nothing draws it');
      }
    };
    void import('./stage').then(begin, () => giveUp('did not come'));
    return () => {
      isGone = true;
      end();
    };
  }, [canvas]);
  useEffect(() => {
    stage.current?.show(faces);
  }, [faces]);
  return stage;
}
