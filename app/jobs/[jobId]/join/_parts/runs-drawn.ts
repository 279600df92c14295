import { followed, weldBasis, type RunDone, type WeldLine, type WeldPlan } from '@/core/join';
import type { RunDrawing } from './seam-layer';

/** A plan's runs as they are drawn: what is laid, what is next. None where the plates are others by now. */
export function runsDrawn(
  plan: WeldPlan,
  done: readonly RunDone[],
  lines: readonly WeldLine[],
): RunDrawing[] {
  const { runs, next, isStale } = followed(plan, done, weldBasis(lines));
  if (isStale) return [];
  return runs.map((each) => ({
    path: each.run.path,
    number: each.number,
    is: each.done ? 'done' : each === next ? 'next' : 'open',
  }));
}
