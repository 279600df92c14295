import { memberOf, type Frame } from '@/core/frame';
import type { Change } from '@/core/prove';
import type { Geometry } from '@/core/weigh';
import { measuredTwice } from './moved-views';

/** Angles along the frame or a member, measured twice: each from its first station. */
export interface AngleView {
  readonly name: string;
  readonly turns: readonly {
    readonly when: 'before' | 'after';
    readonly stationMm: readonly number[];
    readonly degrees: readonly number[];
  }[];
}

/** Twist across the frame and angles along its members that were measured twice. */
export const angleViews = (frame: Frame, changes: readonly Change[]): AngleView[] =>
  [...measuredTwice(changes, 'level across'), ...measuredTwice(changes, 'angle along')].flatMap(
    ({ before, after }) => {
      const { measure } = after;
      const name =
        measure.of === 'angle along'
          ? `${memberOf(frame, measure.memberId)?.name ?? measure.memberId}, angle along it`
          : 'Twist, level across';
      return [{ name, turns: [turn(before, 'before'), turn(after, 'after')] }];
    },
  );

function turn({ measure }: Geometry, when: 'before' | 'after'): AngleView['turns'][number] {
  if (measure.of !== 'level across' && measure.of !== 'angle along') throw new Error('only angles turn');
  const stations = [...measure.stations].sort((a, b) => a.stationMm - b.stationMm);
  return {
    when,
    stationMm: stations.map(({ stationMm }) => stationMm),
    degrees: stations.map(({ degrees }) => degrees - stations[0]!.degrees),
  };
}
