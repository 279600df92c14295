import { rigidFit, type Vector } from '@/core/geometry';
import type { Change } from '@/core/prove';
import { AXIS, measuredTwice, roundBelow } from './moved-views';

/** A mount of a set as it stood before, and where it stands after with its way made longer; both in the set's own mm, seen from above or from the side. */
export interface DrawnMount {
  readonly name: string;
  readonly before: readonly [number, number];
  readonly after: readonly [number, number];
  readonly movedMm: number;
}
/** A set of mounts measured twice, the later laid upon the earlier as well as it goes: from which corner it was measured is no matter. */
export interface MountsView {
  readonly set: string;
  readonly view: 'plan' | 'side';
  readonly exaggerated: number;
  /** From the least to the most that the sheet shows up and down, mm: what is within its limit does not fill it. */
  readonly shownMm: readonly [number, number];
  readonly mounts: readonly DrawnMount[];
}

/** The way of the mount that moved furthest, or the way that it may, is drawn as this share of how far the set reaches: what is within its limit looks small. */
const SHOWN_OF_SET = 0.12;

/** Sets of mounts that were measured twice, from above and from the side; none that lie on one line. */
export const mountsViews = (changes: readonly Change[]): MountsView[] =>
  measuredTwice(changes, 'mounts').flatMap(({ before, after, limit }) => {
    if (before.measure.of !== 'mounts' || after.measure.of !== 'mounts') return [];
    const later = new Map(after.measure.points.map((point) => [point.name.toLowerCase(), point]));
    const both = before.measure.points.flatMap((was) => {
      const is = later.get(was.name.toLowerCase());
      return is ? [{ name: was.name, was: placeOf(was), is: placeOf(is) }] : [];
    });
    const lay = rigidFit(
      both.map(({ is }) => is),
      both.map(({ was }) => was),
    );
    if (!lay) return [];
    const moved = both.map(({ name, was, is }) => ({ name, was, is: lay(is) }));
    const { set } = after.measure;
    return (['plan', 'side'] as const).map((view) => drawnSet({ set, view, limit }, moved));
  });

const placeOf = ({ xMm, yMm, zMm }: { xMm: number; yMm: number; zMm: number }): Vector => [xMm, yMm, zMm];

function drawnSet(
  { set, view, limit }: Pick<MountsView, 'set' | 'view'> & { readonly limit: number },
  moved: readonly { readonly name: string; readonly was: Vector; readonly is: Vector }[],
): MountsView {
  const flat = (at: Vector) => [at[0], at[AXIS[view]]] as const;
  const ways = moved.map(({ was, is }) => {
    const [from, to] = [flat(was), flat(is)];
    return [to[0] - from[0], to[1] - from[1]] as const;
  });
  const along = moved.map(({ was }) => was[0]);
  const reach = Math.max(...along) - Math.min(...along);
  const furthest = Math.max(limit, ...ways.map((way) => Math.hypot(...way)));
  const exaggerated = roundBelow((SHOWN_OF_SET * reach) / furthest);
  return {
    set,
    view,
    exaggerated,
    shownMm: shown(
      moved.map(({ was }) => flat(was)[1]),
      reach,
    ),
    mounts: moved.map(({ name, was }, k) => {
      const [[x, y], [dx, dy]] = [flat(was), ways[k]!];
      return {
        name,
        before: [x, y],
        after: [x + exaggerated * dx, y + exaggerated * dy],
        movedMm: Math.hypot(dx, dy),
      };
    }),
  };
}

const shown = (ups: readonly number[], reachMm: number): readonly [number, number] => {
  const beyond = 1.5 * SHOWN_OF_SET * reachMm;
  return [Math.min(...ups) - beyond, Math.max(...ups) + beyond];
};
