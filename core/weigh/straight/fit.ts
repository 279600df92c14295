import type { MountPlace } from './measure';

export interface Mark {
  readonly stationMm: number;
  readonly offMm: number;
}

/** The furthest that a mark between two others stands off the straight line through them. */
export interface Bow {
  readonly fromMm: number;
  readonly toMm: number;
  readonly atMm: number;
  readonly bowMm: number;
  /** By how much more than one mark's own error the bow is uncertain: √(1 + (1−a)² + a²), a the mark's place between the two. */
  readonly errors: number;
}

/**
 * Every bow there is between marks sorted by station: from each mark to each other, over all that lie between. The first is over the whole line.
 *
 *      off ●────────┬────────● j      bow = off_k − ((1−a)·off_i + a·off_j),  a = (s_k − s_i)/(s_j − s_i)
 *          i        ●k
 */
export function bowsOf(marks: readonly Mark[]): Bow[] {
  const sorted = [...marks].sort((a, b) => a.stationMm - b.stationMm);
  const pairs = sorted.flatMap((from, i) => sorted.slice(i + 2).map((to, j) => [i, i + 2 + j] as const));
  return pairs
    .map(([i, j]) => furthest(sorted.slice(i, j + 1)))
    .sort((a, b) => b.toMm - b.fromMm - (a.toMm - a.fromMm));
}

function furthest(marks: readonly Mark[]): Bow {
  const [from, to] = [marks[0]!, marks[marks.length - 1]!];
  const bows = marks.slice(1, -1).map(({ stationMm, offMm }): Bow => {
    const a = (stationMm - from.stationMm) / (to.stationMm - from.stationMm);
    return {
      fromMm: from.stationMm,
      toMm: to.stationMm,
      atMm: stationMm,
      bowMm: offMm - ((1 - a) * from.offMm + a * to.offMm),
      errors: Math.sqrt(1 + (1 - a) ** 2 + a ** 2),
    };
  });
  return bows.reduce((worst, bow) => (Math.abs(bow.bowMm) > Math.abs(worst.bowMm) ? bow : worst));
}

/** A mark off the straight line that fits all others best, and by how much more than one mark's own error that is uncertain. */
export interface OffLine {
  readonly atMm: number;
  readonly offMm: number;
  readonly errors: number;
}

/**
 * How far each mark stands off the line of all others (least squares): its residual e from the line of all, and its leverage h there, give e/(1−h),
 * uncertain by 1/√(1−h). Nothing is said of a mark without which the others stand at one station.
 */
export function offLine(marks: readonly Mark[]): OffLine[] {
  const mean = (of: (mark: Mark) => number) => marks.reduce((sum, mark) => sum + of(mark), 0) / marks.length;
  const [s0, o0] = [mean(({ stationMm }) => stationMm), mean(({ offMm }) => offMm)];
  const ss = marks.reduce((sum, { stationMm }) => sum + (stationMm - s0) ** 2, 0);
  const so = marks.reduce((sum, { stationMm, offMm }) => sum + (stationMm - s0) * (offMm - o0), 0);
  return marks.flatMap(({ stationMm, offMm }) => {
    const s = stationMm - s0;
    const leverage = 1 / marks.length + (s * s) / ss;
    if (!(1 - leverage > FLAT)) return [];
    const residual = offMm - o0 - (so / ss) * s;
    return [{ atMm: stationMm, offMm: residual / (1 - leverage), errors: 1 / Math.sqrt(1 - leverage) }];
  });
}

/** A mount off the plane of all others in its set, and by how much more than one height's own error that is uncertain. */
export interface OffPlane {
  readonly name: string;
  readonly offMm: number;
  readonly errors: number;
}

/**
 * How far each mount stands off the plane z = a + b·x + c·y that fits the others best: its residual e in the plane of all (least squares), and
 * its leverage h there, give e/(1−h), uncertain by 1/√(1−h). A plane of all four corners would show a quarter of a twist.
 * Nothing where they lie on one line.
 */
export function offPlane(points: readonly MountPlace[]): OffPlane[] | undefined {
  const mean = (of: (point: MountPlace) => number) =>
    points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [x0, y0, z0] = [mean(({ xMm }) => xMm), mean(({ yMm }) => yMm), mean(({ zMm }) => zMm)];
  const sum = (of: (x: number, y: number, z: number) => number) =>
    points.reduce((total, { xMm, yMm, zMm }) => total + of(xMm - x0, yMm - y0, zMm - z0), 0);
  const [xx, yy, xy] = [sum((x) => x * x), sum((_, y) => y * y), sum((x, y) => x * y)];
  const [xz, yz] = [sum((x, _, z) => x * z), sum((_, y, z) => y * z)];
  const determinant = xx * yy - xy * xy;
  if (!(determinant > FLAT * xx * yy)) return undefined;
  const [b, c] = [(xz * yy - yz * xy) / determinant, (yz * xx - xz * xy) / determinant];
  return points.flatMap(({ name, xMm, yMm, zMm }) => {
    const [x, y] = [xMm - x0, yMm - y0];
    const leverage = 1 / points.length + (yy * x * x - 2 * xy * x * y + xx * y * y) / determinant;
    // Without it the others lie on one line: nothing else says where it should be.
    if (!(1 - leverage > FLAT)) return [];
    const residual = zMm - z0 - b * x - c * y;
    return [{ name, offMm: residual / (1 - leverage), errors: 1 / Math.sqrt(1 - leverage) }];
  });
}
/** Points this near to one line span no plane: the share of their spread that is across it. */
const FLAT = 1e-4;

export const distanceMm = (one: MountPlace, other: MountPlace): number =>
  Math.hypot(one.xMm - other.xMm, one.yMm - other.yMm, one.zMm - other.zMm);

/** The two diagonals of four mounts, taken round their middle as seen from above. */
export function diagonalsOf(points: readonly MountPlace[]): readonly [number, number] | undefined {
  if (points.length !== 4) return undefined;
  const [x0, y0] = [
    points.reduce((sum, { xMm }) => sum + xMm, 0) / 4,
    points.reduce((sum, { yMm }) => sum + yMm, 0) / 4,
  ];
  const round = [...points].sort(
    (a, b) => Math.atan2(a.yMm - y0, a.xMm - x0) - Math.atan2(b.yMm - y0, b.xMm - x0),
  );
  return [distanceMm(round[0]!, round[2]!), distanceMm(round[1]!, round[3]!)];
}
