/**
 * Welds as lines, or fasteners as points, that act together in one plane: what each bit of them carries is found elastically from the group's middle and
 * its moments, as if what it joins were rigid (Blodgett, Design of Welded Structures, 7.4, welds as a line; AISC Manual part 7, elastic method, both
 * from memory).
 *
 *        y                  loads act at (x, y), mm, in the group's own plane:
 *        │    ───           `x`, `y`   force in the plane, N
 *        │   │               `z`        force out of it, towards whoever looks, N
 *        │    ───            `mx`, `my` moments about axes through the group's middle, N·mm, right-handed
 *        └───────── x
 */
export interface Group {
  /** Length of weld, mm, or how many fasteners. */
  readonly size: number;
  readonly middle: readonly [x: number, y: number];
  /** ∫y², ∫x², ∫xy about the middle: mm³ of a line, mm² of points. */
  readonly xx: number;
  readonly yy: number;
  readonly xy: number;
  /** Where the largest force can be: ends of lines, the fasteners themselves. */
  readonly corners: readonly (readonly [x: number, y: number])[];
}

export interface GroupLoad {
  readonly at: readonly [x: number, y: number];
  readonly x?: number;
  readonly y?: number;
  readonly z?: number;
  readonly mx?: number;
  readonly my?: number;
}

type Place = readonly [x: number, y: number];

/** A straight weld: from one point to another. */
export type LineWeld = readonly [from: Place, to: Place];

/** A weld group as a line. Undefined where nothing is welded. */
export function lineGroup(welds: readonly LineWeld[]): Group | undefined {
  const lengths = welds.map(([[ax, ay], [bx, by]]) => Math.hypot(bx - ax, by - ay));
  const size = lengths.reduce((sum, each) => sum + each, 0);
  if (!(size > 0)) return undefined;
  const mean = (of: (weld: LineWeld) => number) =>
    welds.reduce((sum, weld, k) => sum + lengths[k]! * of(weld), 0) / size;
  const middle: Place = [mean(([a, b]) => (a[0] + b[0]) / 2), mean(([a, b]) => (a[1] + b[1]) / 2)];
  // Of a straight line: its length times the product's mean, by its ends and its middle (Simpson, exact).
  const second = (one: 0 | 1, other: 0 | 1) =>
    welds.reduce((sum, [a, b], k) => {
      const from = (a[one] - middle[one]) * (a[other] - middle[other]);
      const to = (b[one] - middle[one]) * (b[other] - middle[other]);
      const half = ((a[one] + b[one]) / 2 - middle[one]) * ((a[other] + b[other]) / 2 - middle[other]);
      return sum + (lengths[k]! * (from + 4 * half + to)) / 6;
    }, 0);
  return {
    size,
    middle,
    xx: second(1, 1),
    yy: second(0, 0),
    xy: second(0, 1),
    corners: welds.flat(),
  };
}

/** Fasteners as points of one strength. Undefined where there are none. */
export function pointGroup(places: readonly Place[]): Group | undefined {
  const size = places.length;
  if (size === 0) return undefined;
  const mean = (axis: 0 | 1) => places.reduce((sum, place) => sum + place[axis], 0) / size;
  const middle: Place = [mean(0), mean(1)];
  const second = (one: 0 | 1, other: 0 | 1) =>
    places.reduce((sum, place) => sum + (place[one] - middle[one]) * (place[other] - middle[other]), 0);
  return { size, middle, xx: second(1, 1), yy: second(0, 0), xy: second(0, 1), corners: places };
}

/** What a group carries at one place: along x, along y, out of the plane; N/mm of a line, N of a fastener. */
export function groupForceAt(group: Group, load: GroupLoad, at: Place): [x: number, y: number, z: number] {
  const { size, middle, xx, yy, xy } = group;
  const { x = 0, y = 0, z = 0, mx = 0, my = 0 } = load;
  const arm: Place = [load.at[0] - middle[0], load.at[1] - middle[1]];
  const [dx, dy] = [at[0] - middle[0], at[1] - middle[1]];
  const polar = xx + yy;
  const turn = polar > 0 ? (arm[0] * y - arm[1] * x) / polar : 0;
  // Out of the plane: z = N/size + a dx + b dy, with both moments in balance, whatever way the group lies.
  const [aboutX, aboutY] = [mx + z * arm[1], my - z * arm[0]];
  const determinant = xx * yy - xy * xy;
  const [a, b] = isFlat(determinant, polar)
    ? alongOnly(group, aboutX, aboutY)
    : [(-aboutY * xx - aboutX * xy) / determinant, (aboutX * yy + aboutY * xy) / determinant];
  return [x / size - turn * dy, y / size + turn * dx, z / size + a * dx + b * dy];
}

/** One line, or one row: it holds no moment about itself. */
const isFlat = (determinant: number, polar: number): boolean => !(determinant > 1e-9 * polar * polar);
function alongOnly({ xx, yy, xy }: Group, aboutX: number, aboutY: number): [number, number] {
  const polar = xx + yy;
  if (!(polar > 0)) return [0, 0];
  // Along the row's own way (c, s): z rises by (aboutX s − aboutY c) / ∫r².
  const [c, s] = yy >= xx ? unit(yy, xy) : unit(xy, xx);
  const rise = (aboutX * s - aboutY * c) / polar;
  return [rise * c, rise * s];
}
const unit = (x: number, y: number): [number, number] => [x / Math.hypot(x, y), y / Math.hypot(x, y)];

/** The largest force that any bit of a group carries, all three ways as one vector, and where. */
export function worstInGroup(group: Group, load: GroupLoad): { readonly force: number; readonly at: Place } {
  return group.corners
    .map((at) => ({ force: Math.hypot(...groupForceAt(group, load, at)), at }))
    .reduce((worst, each) => (each.force > worst.force ? each : worst));
}

/** A moment that a single row cannot hold about its own line, N·mm; 0 where the group holds all of it. */
export function unheldMoment(group: Group, { mx = 0, my = 0, z = 0, at }: GroupLoad): number {
  const { xx, yy, xy, middle } = group;
  if (!isFlat(xx * yy - xy * xy, xx + yy)) return 0;
  const [aboutX, aboutY] = [mx + z * (at[1] - middle[1]), my - z * (at[0] - middle[0])];
  if (!(xx + yy > 0)) return Math.hypot(aboutX, aboutY);
  const [c, s] = yy >= xx ? unit(yy, xy) : unit(xy, xx);
  return Math.abs(aboutX * c + aboutY * s);
}
