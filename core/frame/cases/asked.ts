import { solveDense, type CaseResult, type LoadCase, type NodeLoad, type Vector3 } from '../../mechanics';
import type { StandSupport } from '../stand';

/** More cases on supports that are already prepared; undefined where they do not solve. */
export type SolveMore = (loads: readonly LoadCase[]) => readonly CaseResult[] | undefined;

/** One support pushes on the frame with this much along an axis, whatever it would hold by itself: a tyre that slides, a coupler that is pulled. */
export interface Asked {
  readonly support: number;
  readonly axis: 0 | 1;
  readonly forceN: number;
}

const UNIT_N = 1000;
const along = (axis: 0 | 1, newtons: number): Vector3 => [
  axis === 0 ? newtons : 0,
  axis === 1 ? newtons : 0,
  0,
];

/**
 * Loads at supports that make each of them push with what is asked. A support is a spring to the ground: part of what is laid on it goes
 * straight into the ground. Laid on is what is missing: the net of load and reaction is then what was asked.
 *
 *     laid + reaction(level) + gives · laid = asked
 */
export function laidOn(
  supports: readonly StandSupport[],
  asked: readonly Asked[],
  level: CaseResult,
  solve: SolveMore,
): NodeLoad[] | undefined {
  const loadOn = ({ support, axis }: Asked, newtons: number): NodeLoad => {
    const { node, offsetMm } = supports[support]!;
    return { node, ...(offsetMm && { offsetMm }), forceN: along(axis, newtons) };
  };
  const units = solve(
    asked.map((each, k) => ({ id: `asked ${k}`, lineLoads: [], nodeLoads: [loadOn(each, UNIT_N)] })),
  );
  if (!units) return undefined;
  const gives = ({ support, axis }: Asked, j: number) => units[j]!.reactions[support]![axis]! / UNIT_N;
  const laid = solveDense(
    Float64Array.from(asked.flatMap((each, i) => asked.map((_, j) => (i === j ? 1 : 0) + gives(each, j)))),
    Float64Array.from(asked, ({ support, axis, forceN }) => forceN - level.reactions[support]![axis]!),
  );
  return laid && asked.map((each, k) => loadOn(each, laid[k]!));
}
