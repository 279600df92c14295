import { faceOf, onSheet, uOnFace, type MemberShape } from '@/core/frame';
import type { Point } from '@/core/geometry';
import type { WeldLine } from '@/core/join';
import type { Cursor } from '@/ui/strip';

/** A seam is meant when one touches the wall no farther from it than this, mm. */
const NEAR_MM = 40;

/** How far a place lies from a course, mm. */
export function awayFrom(path: readonly Point[], [x, y]: Point): number {
  if (path.length === 1) return Math.hypot(path[0]![0] - x, path[0]![1] - y);
  return Math.min(
    ...path.slice(1).map(([bx, by], k) => {
      const [ax, ay] = path[k]!;
      const square = (bx - ax) ** 2 + (by - ay) ** 2;
      const share = square > 0 ? ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / square : 0;
      const at = Math.min(1, Math.max(0, share));
      return Math.hypot(ax + at * (bx - ax) - x, ay + at * (by - ay) - y);
    }),
  );
}

/** The seam that a touch on the wall means: the nearest one, where it is near. */
export function seamUnder(
  shape: MemberShape,
  lines: readonly WeldLine[],
  cursor: Cursor,
): WeldLine | undefined {
  const face = faceOf(shape, cursor.face);
  if (!face) return undefined;
  const at: Point = [cursor.stationMm, uOnFace(face, cursor.heightMm)];
  const away = lines.map(({ path }) =>
    awayFrom(
      path.map(([station, u]): Point => [station, onSheet(shape, u)]),
      at,
    ),
  );
  const nearest = Math.min(...away);
  return nearest <= NEAR_MM ? lines[away.indexOf(nearest)] : undefined;
}
