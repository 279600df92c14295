import { solveDense } from '../../mechanics';

/** Wheels on the ground by springs that hold them down as well as up, until it is asked which of them are off it. Forces N, one a wheel. */
export interface Grounded {
  /** What each wheel stands on the ground with while the ground is level. */
  readonly standsN: readonly number[];
  /** `gives[i][j]`: what wheel i stands with more when wheel j is drawn down by one newton. */
  readonly gives: readonly (readonly number[])[];
}

/**
 * The ground falls beneath one wheel, by so much that its tyre would have to be drawn down by `drawnN` to follow. Ground does not pull: a wheel that
 * would have to hang from it hangs free. Answers what each wheel has to be drawn down by so that its spring pulls nowhere: the dropped wheel
 * until it touches or hangs; any other that lifts is pushed up by what its spring would have pulled. Undefined where nothing settles.
 *
 *     stands + gives · drawn − drawn = 0      for a wheel off the ground
 *     stands + gives · drawn − drawn ≥ 0      for one on it; its own drawn is 0, or `drawnN` for the one dropped
 */
export function drawnDown(
  { standsN, gives }: Grounded,
  dropped: number,
  drawnN: number,
): readonly number[] | undefined {
  const found = settled({ standsN, gives }, dropped, drawnN, false);
  // Hanging free it would go deeper than the ditch, or tip: its tyre finds the ground there.
  return found && found[dropped]! <= drawnN ? found : settled({ standsN, gives }, dropped, drawnN, true);
}

/** `touches`: the dropped wheel stands on the bottom of the ditch, whatever the others do. */
function settled(
  { standsN, gives }: Grounded,
  dropped: number,
  drawnN: number,
  touches: boolean,
): readonly number[] | undefined {
  const off = new Set<number>();
  const mostN = FARTHEST * standsN.reduce((sum, each) => sum + Math.abs(each), 0);
  // Each round lifts one wheel more, or settles.
  for (let round = 0; round <= standsN.length; round++) {
    const drawn = standsN.map((_, k) => (k === dropped && !off.has(k) ? drawnN : 0));
    const free = [...off];
    const onGround = (i: number, of: readonly number[]) =>
      standsN[i]! + of.reduce((sum, each, j) => sum + gives[i]![j]! * each, 0) - of[i]!;
    if (free.length > 0) {
      const matrix = Float64Array.from(
        free.flatMap((i) => free.map((j) => (i === j ? 1 : 0) - gives[i]![j]!)),
      );
      const solved = solveDense(
        matrix,
        Float64Array.from(free, (i) => onGround(i, drawn)),
      );
      // Off the ground the dropped wheel was drawn down, any other held back from following the frame up.
      const isOff = (each: number, k: number) =>
        Math.abs(each) < mostN && (free[k] === dropped ? each : -each) > -PULLS_N;
      if (!solved || !solved.every(isOff)) return undefined;
      free.forEach((i, k) => (drawn[i] = solved[k]!));
    }
    const pulled = standsN
      .map((_, i) => ({ i, standN: onGround(i, drawn) }))
      .filter(({ i, standN }) => !off.has(i) && !(touches && i === dropped) && standN < -PULLS_N);
    if (pulled.length === 0) return onGround(dropped, drawn) < -PULLS_N ? undefined : drawn;
    // One at a time, the dropped one first: what it pulled may have been what lifted the others.
    const first = pulled.find(({ i }) => i === dropped) ?? pulled.sort((a, b) => a.standN - b.standN)[0]!;
    off.add(first.i);
  }
  return undefined;
}
/** Less is rounding. */
const PULLS_N = 1e-3;
/** Drawn down by so many times all it weighs, a wheel is off a frame that has begun to tip: too few are left to stand on. */
const FARTHEST = 1e5;
