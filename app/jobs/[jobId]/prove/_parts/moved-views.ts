import { memberOf, placementOf, type Frame, type Member } from '@/core/frame';
import type { Change } from '@/core/prove';
import type { Geometry } from '@/core/weigh';

/** A line of marks in a view, in the frame's own mm: along, and where it is drawn with what it is off by made longer. */
export interface DrawnLine {
  readonly name: string;
  readonly when: 'before' | 'after';
  readonly alongMm: readonly number[];
  readonly drawnMm: readonly number[];
  /** Off the straight between its first and last mark, mm. */
  readonly offMm: readonly number[];
}

/** The frame seen from above, or from the side, with every line that was measured before and after. */
export interface MovedView {
  readonly view: 'plan' | 'side';
  readonly exaggerated: number;
  readonly made: readonly { readonly alongMm: readonly number[]; readonly drawnMm: readonly number[] }[];
  readonly lines: readonly DrawnLine[];
}

const DIRECTION = { plan: 'across', side: 'up' } as const;
/** The furthest off is drawn as this share of the frame's width. */
const SHOWN = { plan: 0.15, side: 0.3 } as const;
const ROUND = [1, 2, 5] as const;

/** Only views in which something was measured twice. */
export const movedViews = (frame: Frame, changes: readonly Change[]): MovedView[] =>
  (['plan', 'side'] as const).flatMap((view) => {
    const lines = new Map(
      changes.flatMap((change) => {
        const { measure } = change.after;
        return measure.of === 'line' && measure.direction === DIRECTION[view] ? [[change.key, change]] : [];
      }),
    );
    if (lines.size === 0) return [];
    const drawn = [...lines.values()].flatMap(({ before, after }) =>
      ([before, after] as const).map((record, k) => ({
        ...measuredLine(frame, record, view),
        when: k === 0 ? ('before' as const) : ('after' as const),
      })),
    );
    const furthest = Math.max(...drawn.flatMap(({ offMm }) => offMm.map(Math.abs)));
    const exaggerated = roundBelow((SHOWN[view] * frame.widthMm) / furthest);
    return [
      {
        view,
        exaggerated,
        made: frame.members
          .filter((member) => isShown(member, view))
          .map((member) => asMade(frame, member, view)),
        lines: drawn.map(({ lieMm, ...line }) => ({
          ...line,
          drawnMm: line.offMm.map((off, k) => lieMm[k]! + exaggerated * off),
        })),
      },
    ];
  });

/** No way is drawn longer than this many times: a tenth of a millimetre must not look like a bend. */
export const MOST_LARGER = 200;
/** A factor that is said at a glance: 1, 2, 5 and their tens; 1 where nothing is off. */
export function roundBelow(wanted: number): number {
  if (!(wanted >= 1) || !Number.isFinite(wanted)) return 1;
  const factor = Math.min(MOST_LARGER, wanted);
  const ten = 10 ** Math.floor(Math.log10(factor));
  return ten * ROUND.findLast((each) => each * ten <= factor * (1 + 1e-9))!;
}

const isShown = ({ role }: Member, view: MovedView['view']): boolean =>
  role === 'rail' || (role === 'crossmember' && view === 'plan');
/** The axis drawn up the sheet: y to the right from above, z up from the side. */
export const AXIS = { plan: 1, side: 2 } as const;

function asMade(frame: Frame, member: Member, view: MovedView['view']): MovedView['made'][number] {
  const { from, to } = placementOf(frame, member);
  return { alongMm: [from[0], to[0]], drawnMm: [from[AXIS[view]], to[AXIS[view]]] };
}

function measuredLine(frame: Frame, { measure }: Geometry, view: MovedView['view']) {
  if (measure.of !== 'line') throw new Error('only lines are drawn');
  const member = memberOf(frame, measure.memberId)!;
  const { from, to } = placementOf(frame, member);
  const marks = [...measure.marks].sort((a, b) => a.stationMm - b.stationMm);
  const [first, last] = [marks[0]!, marks.at(-1)!];
  const at = (axis: number, stationMm: number) =>
    from[axis]! + (stationMm / member.lengthMm) * (to[axis]! - from[axis]!);
  return {
    name: member.name,
    alongMm: marks.map(({ stationMm }) => at(0, stationMm)),
    lieMm: marks.map(({ stationMm }) => at(AXIS[view], stationMm)),
    offMm: marks.map(
      ({ stationMm, offMm }) =>
        offMm -
        first.offMm -
        ((last.offMm - first.offMm) * (stationMm - first.stationMm)) / (last.stationMm - first.stationMm),
    ),
  };
}

/** Each thing of a kind once, with its measure before and after. */
export const measuredTwice = (changes: readonly Change[], of: Geometry['measure']['of']): Change[] => [
  ...new Map(
    changes.filter(({ after }) => after.measure.of === of).map((change) => [change.key, change]),
  ).values(),
];
