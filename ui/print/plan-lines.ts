import { placementOf, type Frame } from '@/core/frame';

/** A member in plan: points from the upper left, the front to the left. */
export interface PlanLine {
  readonly memberId: string;
  readonly from: readonly [x: number, y: number];
  readonly to: readonly [x: number, y: number];
}

/** Rails are drawn this much apart at least, so that what lies between them is seen. */
const LEAST_ACROSS = 0.5;

/** The whole frame from above, to fit: one scale along, and across as much wider as a long frame needs. What stands upright is a point and left out. */
export function planLines(frame: Frame, width: number, height: number): PlanLine[] {
  const placed = frame.members.map((member) => ({ member, ...placementOf(frame, member) }));
  const ends = placed.flatMap(({ from, to }) => [from, to]);
  const [left, right] = [Math.min(...ends.map(([x]) => x)), Math.max(...ends.map(([x]) => x))];
  const [near, far] = [Math.min(...ends.map(([, y]) => y)), Math.max(...ends.map(([, y]) => y))];
  const along = width / Math.max(1, right - left);
  const across = Math.min(
    height / Math.max(1, far - near),
    Math.max(along, (LEAST_ACROSS * height) / frame.widthMm),
  );
  const at = ([x, y]: readonly [number, number, number]): readonly [number, number] => [
    (x - left) * along,
    height / 2 + (y - (near + far) / 2) * across,
  ];
  return placed
    .map(({ member, from, to }) => ({ memberId: member.id, from: at(from), to: at(to) }))
    .filter(({ from, to }) => Math.hypot(to[0] - from[0], to[1] - from[1]) > 1);
}
