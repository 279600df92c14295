import { PHASES, phaseOf, type Phase, type TaskProgress } from '@/core/order';

/** Where one stage stands in the drawing. */
export interface Column {
  readonly phase: Phase;
  readonly from: number;
  readonly to: number;
}

/** Room between two stages, in marks. */
const BETWEEN = 0.6;

/** Stages that have tasks, side by side, each as wide as its fullest lane; `step` is the room of one mark. */
export function laneColumns(
  progress: readonly TaskProgress[],
  { left, wide }: { readonly left: number; readonly wide: number },
): { readonly columns: readonly Column[]; readonly step: number } {
  const lanes = [...new Set(progress.map(({ task }) => task.zoneId))];
  const counts = PHASES.map((phase) => ({
    phase,
    count: Math.max(
      0,
      ...lanes.map(
        (zone) => progress.filter(({ task }) => task.zoneId === zone && phaseOf(task) === phase).length,
      ),
    ),
  })).filter(({ count }) => count > 0);
  const marks = counts.reduce((sum, { count }) => sum + count + BETWEEN, 0);
  const step = (wide - left) / Math.max(1, marks);
  const columns = counts.reduce<Column[]>((before, { phase, count }) => {
    const from = before.at(-1)?.to ?? left;
    return [...before, { phase, from, to: from + (count + BETWEEN) * step }];
  }, []);
  return { columns, step };
}
