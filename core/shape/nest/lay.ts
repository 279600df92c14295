import type { Extent, Point } from '../../geometry';
import { noFitOf, type Loop, type NoFit, type Turned } from './no-fit';

/** A sheet while it is being filled, and what lies on it. */
export interface OpenSheet {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly on: { readonly turned: Turned; readonly at: Point }[];
}

/** No-fit polygons by pair, kept over a search: the same pairs meet again and again. */
export type NoFits = Map<string, NoFit>;

/** Pieces are pushed to one end of the sheet first, or to one side. */
export type Push = 'to the end' | 'to the side';

interface Spot {
  readonly turned: Turned;
  readonly at: Point;
  /** Smaller is better: how far it reaches the way it is pushed, then the other way. */
  readonly reach: number;
  readonly then: number;
}

/** Two places nearer than this are one, mm. */
const SAME_MM = 1e-4;

/** The best place for a piece on a sheet, whichever way it is turned; undefined where there is none. */
export function spotOn(
  sheet: OpenSheet,
  ways: readonly Turned[],
  { edgeMm, push, fits }: { readonly edgeMm: number; readonly push: Push; readonly fits: NoFits },
): Spot | undefined {
  let best: Spot | undefined;
  for (const turned of ways) {
    const room: Extent = {
      minX: edgeMm,
      minY: edgeMm,
      maxX: sheet.lengthMm - edgeMm - turned.widthMm,
      maxY: sheet.widthMm - edgeMm - turned.heightMm,
    };
    if (room.maxX < room.minX - SAME_MM || room.maxY < room.minY - SAME_MM) continue;
    best = betterIn(room, loopsAround(sheet, turned, room, fits), { turned, push, best });
  }
  return best;
}

/** The best free place in a room, if it is better than the best so far; places that are not are never looked at. */
function betterIn(
  room: Extent,
  loops: readonly Loop[],
  { turned, push, best }: { readonly turned: Turned; readonly push: Push; readonly best: Spot | undefined },
): Spot | undefined {
  const isToEnd = push === 'to the end';
  const [ownX, ownY] = [turned.widthMm, turned.heightMm];
  const isFree = freePlaces(loops);
  let [reach, then] = [best?.reach ?? Infinity, best?.then ?? Infinity];
  let at: Point | undefined;
  candidatesIn(room, loops, (x, y) => {
    const [far, other] = isToEnd ? [x + ownX, y + ownY] : [y + ownY, x + ownX];
    if (far > reach || (far === reach && other >= then)) return;
    if (x < room.minX - SAME_MM || x > room.maxX + SAME_MM) return;
    if (y < room.minY - SAME_MM || y > room.maxY + SAME_MM) return;
    if (!isFree(x, y)) return;
    [reach, then, at] = [far, other, [x, y]];
  });
  return at ? { turned, at, reach, then } : best;
}

/** Whether a place lies in none of the loops: the one that stood in the way last is asked first. */
function freePlaces(loops: readonly Loop[]): (x: number, y: number) => boolean {
  let last = 0;
  return (x, y) => {
    if (loops.length === 0) return true;
    if (isInside(loops[last]!, x, y)) return false;
    const at = loops.findIndex((loop, k) => k !== last && isInside(loop, x, y));
    if (at >= 0) last = at;
    return at < 0;
  };
}

/** No-fit polygons of what lies on the sheet, where they lie, those that touch the room. */
function loopsAround(sheet: OpenSheet, turned: Turned, room: Extent, fits: NoFits): Loop[] {
  return sheet.on.flatMap(({ turned: first, at: [dx, dy] }) => {
    const key = `${first.key}|${turned.key}`;
    let fit = fits.get(key);
    if (!fit) fits.set(key, (fit = noFitOf(first, turned)));
    return fit
      .filter(({ box }) => meet(room, box.minX + dx, box.minY + dy, box.maxX + dx, box.maxY + dy))
      .map(({ xs, ys, box }) => ({
        xs: xs.map((x) => x + dx),
        ys: ys.map((y) => y + dy),
        box: { minX: box.minX + dx, minY: box.minY + dy, maxX: box.maxX + dx, maxY: box.maxY + dy },
      }));
  });
}

const meet = (a: Extent, minX: number, minY: number, maxX: number, maxY: number): boolean =>
  a.minX <= maxX + SAME_MM &&
  a.maxX >= minX - SAME_MM &&
  a.minY <= maxY + SAME_MM &&
  a.maxY >= minY - SAME_MM;

/** Candidates are kept as x, y one after another. */
type Add = (x: number, y: number) => void;

/** Corners of the room, of the loops, and where their edges meet: a tight place is one of them. */
function candidatesIn(room: Extent, loops: readonly Loop[], add: Add): void {
  const [right, top] = [Math.max(room.minX, room.maxX), Math.max(room.minY, room.maxY)];
  add(room.minX, room.minY);
  add(room.minX, top);
  add(right, room.minY);
  for (const loop of loops) {
    for (let k = 0; k < loop.xs.length; k++) add(loop.xs[k]!, loop.ys[k]!);
    addSides(loop, room, add);
  }
  for (let a = 0; a < loops.length; a++)
    for (let b = a + 1; b < loops.length; b++) {
      const { minX, minY, maxX, maxY } = loops[b]!.box;
      if (meet(loops[a]!.box, minX, minY, maxX, maxY)) addMeetings(loops[a]!, loops[b]!, add);
    }
}

/** Where a loop crosses the room's own sides. */
function addSides({ xs, ys }: Loop, room: Extent, add: Add): void {
  for (let k = 0, last = xs.length - 1; k < xs.length; last = k++) {
    const [x, y, nextX, nextY] = [xs[last]!, ys[last]!, xs[k]!, ys[k]!];
    for (const side of [room.minX, room.maxX])
      if (x > side !== nextX > side) add(side, y + ((side - x) * (nextY - y)) / (nextX - x));
    for (const side of [room.minY, room.maxY])
      if (y > side !== nextY > side) add(x + ((side - y) * (nextX - x)) / (nextY - y), side);
  }
}

/** Where two loops' edges cross. */
function addMeetings(one: Loop, { xs, ys, box }: Loop, add: Add): void {
  for (let a = 0, before = one.xs.length - 1; a < one.xs.length; before = a++) {
    const ax = one.xs[before]!;
    const ay = one.ys[before]!;
    const abx = one.xs[a]! - ax;
    const aby = one.ys[a]! - ay;
    if ((ax < box.minX && ax + abx < box.minX) || (ax > box.maxX && ax + abx > box.maxX)) continue;
    if ((ay < box.minY && ay + aby < box.minY) || (ay > box.maxY && ay + aby > box.maxY)) continue;
    for (let b = 0, last = xs.length - 1; b < xs.length; last = b++) {
      const cdx = xs[b]! - xs[last]!;
      const cdy = ys[b]! - ys[last]!;
      const cross = abx * cdy - aby * cdx;
      if (cross < 1e-9 && cross > -1e-9) continue;
      const acx = xs[last]! - ax;
      const acy = ys[last]! - ay;
      const s = (acx * cdy - acy * cdx) / cross;
      if (s < 0 || s > 1) continue;
      const t = (acx * aby - acy * abx) / cross;
      if (t >= 0 && t <= 1) add(ax + s * abx, ay + s * aby);
    }
  }
}

/** Nearer to an edge than this a place lies on it, not inside, mm. */
const ON_MM = 2e-3;

/** Strictly inside a loop. */
function isInside({ xs, ys, box }: Loop, x: number, y: number): boolean {
  if (x <= box.minX + ON_MM || x >= box.maxX - ON_MM || y <= box.minY + ON_MM || y >= box.maxY - ON_MM)
    return false;
  let within = false;
  for (let k = 0, last = xs.length - 1; k < xs.length; last = k++) {
    const ax = xs[last]!;
    const ay = ys[last]!;
    const bx = xs[k]!;
    const by = ys[k]!;
    if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) within = !within;
  }
  return within && !isOnLoop(xs, ys, x, y);
}

/** Within a hair of one of its edges. */
function isOnLoop(xs: Float64Array, ys: Float64Array, x: number, y: number): boolean {
  for (let k = 0, last = xs.length - 1; k < xs.length; last = k++) {
    const ax = xs[last]! - x;
    const ay = ys[last]! - y;
    const dx = xs[k]! - xs[last]!;
    const dy = ys[k]! - ys[last]!;
    const squared = dx * dx + dy * dy;
    const along = squared > 0 ? Math.max(0, Math.min(1, -(ax * dx + ay * dy) / squared)) : 0;
    const px = ax + along * dx;
    const py = ay + along * dy;
    if (px * px + py * py < ON_MM * ON_MM) return true;
  }
  return false;
}
