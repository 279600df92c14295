import { fingerprint } from '../quantity';
import type { Point } from '../geometry';
import type { WeldLine } from './weld-line';
import type { LaidAtTheRail, PlannedRun, RunDone, SeamLog, WeldPlan } from './records';
import { pointAlong, type LaidRun } from './sequence/thermal';
import type { Tack } from './sequence/tacks';
import type { WeldRun } from './sequence/runs';

/** Equal while a repair's lines are: which, how long, how big, how laid. Another one, and an order of runs no longer fits. */
export const weldBasis = (lines: readonly WeldLine[]): string =>
  fingerprint(
    lines
      .filter(({ leftOpen }) => leftOpen === undefined)
      .map(({ key, lengthMm, style, runs, plugs }) =>
        [key, Math.round(lengthMm), style, Math.round(runs?.lengthMm ?? 0), plugs?.count ?? 0].join(' '),
      ),
  );

/** Few points say how a run goes. */
const POINTS = 5;
const inFew = (path: readonly Point[]): [number, number][] =>
  (path.length <= POINTS
    ? path
    : Array.from({ length: POINTS }, (_, k) => pointAlong(path, k / (POINTS - 1)))
  ).map(([station, u]) => [station, u]);

/** An order as it is kept, to be followed at the rail. */
export const planOf = (
  runs: readonly WeldRun[],
  order: readonly number[],
  waitsS: readonly number[],
  { tacks, lines }: { readonly tacks: readonly Tack[]; readonly lines: readonly WeldLine[] },
): Pick<WeldPlan, 'runs' | 'tacks' | 'basis'> => ({
  runs: order.map((run, k): PlannedRun => {
    const { seam, mark, nth, path, lengthMm } = runs[run]!;
    return { seam, mark, nth, path: inFew(path), lengthMm, waitS: waitsS[k]! };
  }),
  tacks: tacks.map(({ mark, at }) => ({ mark, at: [at[0], at[1]] })),
  basis: weldBasis(lines),
});

const sameRun = (a: Pick<PlannedRun, 'seam' | 'nth'>, b: Pick<PlannedRun, 'seam' | 'nth'>): boolean =>
  a.seam === b.seam && a.nth === b.nth;

/** Runs of a plan whose whole seam was logged as welded since, run by run, as if each had been ticked: the log and the rail are one. */
export const laidByLog = (plan: WeldPlan, log: readonly SeamLog[], done: readonly RunDone[]): RunDone[] =>
  log
    .filter(({ what, at, ofId }) => what === 'welded' && at >= plan.at && ofId === plan.ofId)
    .flatMap(({ id, seam, memberId, ofId, by, at }) =>
      plan.runs
        .filter((run) => run.seam === seam && !done.some((each) => each.is === 'run' && sameRun(each, run)))
        .map(({ mark, nth }): RunDone => ({
          kind: 'run',
          id: `${id} ${nth}`,
          memberId,
          ofId,
          by,
          at,
          note: '',
          seam,
          mark,
          nth,
          is: 'run',
        })),
    );

/** Of one seam: what was ticked of it at the rail, of all its plan has. Nothing where none was. */
export function laidOf(
  plan: WeldPlan | undefined,
  done: readonly RunDone[],
  seam: string,
): LaidAtTheRail | undefined {
  const planned = plan?.runs.filter((run) => run.seam === seam) ?? [];
  const own = done.filter((each) => each.is === 'run' && planned.some((run) => sameRun(run, each)));
  const last = own.reduce((latest, { at }) => (at > latest ? at : latest), '');
  const runs = new Set(own.map(({ nth }) => nth)).size;
  return runs > 0 ? { runs, of: planned.length, at: last } : undefined;
}

/** A run of the plan, whether it is laid, and whether it was laid before its turn. */
export interface FollowedRun {
  readonly run: PlannedRun;
  readonly number: number;
  readonly done?: RunDone;
}
export interface Followed {
  readonly runs: readonly FollowedRun[];
  readonly next?: FollowedRun;
  /** Laid while another was next, after the plan was made: the rest may be planned anew. */
  readonly outOfTurn: number;
  /** The plates were changed since: the numbers no longer mean these lines. */
  readonly isStale: boolean;
}

/** A plan against what was laid. Runs laid before it was made are done too, whoever laid them. */
export function followed(plan: WeldPlan, done: readonly RunDone[], basis: string): Followed {
  const laid = done.filter(({ is }) => is === 'run');
  const runs = plan.runs.map((run, k): FollowedRun => {
    const own = laid.find((each) => sameRun(each, run));
    return { run, number: k + 1, ...(own && { done: own }) };
  });
  const next = runs.find((each) => !each.done);
  const since = laid.filter(({ at }) => at > plan.at);
  const turns = since.map((each) => plan.runs.findIndex((run) => sameRun(run, each)));
  return {
    runs,
    ...(next && { next }),
    outOfTurn: turns.filter((turn, k) => turn < 0 || turns.slice(0, k).some((before) => before > turn))
      .length,
    isStale: plan.basis !== basis,
  };
}

/** What was laid, as the heat of it is reckoned: which run, how long ago. Runs that the lines no longer have are passed over. */
export const laidRuns = (runs: readonly WeldRun[], done: readonly RunDone[], nowMs: number): LaidRun[] =>
  done
    .filter(({ is }) => is === 'run')
    .flatMap((each) => {
      const run = runs.findIndex((other) => sameRun(other, each));
      return run < 0 ? [] : [{ run, endedAgoS: Math.max(0, (nowMs - Date.parse(each.at)) / 1000) }];
    });
