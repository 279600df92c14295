import { pathLength, type Point } from '../../geometry';
import { inchesToMm } from '../../quantity';
import type { WeldLine } from '../weld-line';
import { spread } from './order';
import { pathBetween } from './runs';

/** A tack before any run: which line, how far along it, where on the wall; in the order they are laid. */
export interface Tack {
  readonly mark: string;
  readonly seam: string;
  readonly alongMm: number;
  readonly at: Point;
}

/** Tacks stand so far apart (common practice, no source: 6 in in plate, twenty thicknesses in sheet), and one near each end of a line. */
const APART_MM = inchesToMm(6);
const SHEET_APART = 20;
const FROM_END_MM = inchesToMm(1 / 2);

/** Tacks of a repair: the middle of each line first, then its ends, then between; lines taken in turn, so that nothing is drawn to one side. */
export function tacksOf(lines: readonly WeldLine[]): Tack[] {
  const queues = lines
    .filter(({ kind, leftOpen }) => kind === 'fillet' && leftOpen === undefined)
    .map((line) => fromTheMiddle(tacksAlong(line)));
  const longest = Math.max(0, ...queues.map(({ length }) => length));
  return Array.from({ length: longest }, (_, k) => queues.flatMap((queue) => queue[k] ?? [])).flat();
}

function tacksAlong(line: WeldLine): Tack[] {
  const whole = pathLength(line.path);
  const apartMm = Math.min(APART_MM, SHEET_APART * Math.max(1, line.wallMm));
  const insideMm = Math.max(0, whole - 2 * FROM_END_MM);
  const count = Math.max(1, Math.ceil(insideMm / apartMm) + 1);
  return Array.from({ length: count }, (_, k): Tack => {
    const alongMm = count === 1 ? whole / 2 : FROM_END_MM + (insideMm * k) / (count - 1);
    return { mark: line.id, seam: line.key, alongMm, at: pathBetween(line.path, alongMm, alongMm)[0]! };
  });
}

/** The middle, both ends, then into the gaps. */
function fromTheMiddle(tacks: readonly Tack[]): Tack[] {
  const last = tacks.length - 1;
  const first = [last >> 1, 0, last];
  const order = [...new Set([...first, ...spread(tacks.length)])].filter((k) => k >= 0);
  return order.map((k) => tacks[k]!);
}
