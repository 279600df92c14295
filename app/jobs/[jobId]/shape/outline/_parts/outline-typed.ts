import { fail, ok, parseLengthMm, type Outcome, type UnitSystem } from '@/core/quantity';
import type { OutlinePoint } from '@/core/shape';

/** A point as it is typed. */
export interface PointTyped {
  readonly x: string;
  readonly y: string;
  readonly round: boolean;
}

export const NO_POINT: PointTyped = { x: '', y: '', round: false };

/** To a hundredth of an inch, or a tenth of a millimetre: no finger is finer. */
export const typedPoint = ({ xMm, yMm, round }: OutlinePoint, system: UnitSystem): PointTyped => {
  const [x, y] = [xMm, yMm].map((mm) => (system === 'in' ? (mm / 25.4).toFixed(2) : mm.toFixed(1)));
  return { x: x!, y: y!, round: round === true };
};

/** A place in the other units: its minus stays before it. */
export const turnedPlace = (text: string, as: (text: string) => string): string =>
  text.trim().startsWith('-') ? `-${as(text.trim().slice(1))}` : as(text);

/** A length from the first corner, to the left or down where it has a minus. */
function coordinate(text: string, system: UnitSystem): Outcome<number> {
  const trimmed = text.trim();
  if (Number(trimmed) === 0 && trimmed !== '') return ok(0);
  const isMinus = trimmed.startsWith('-');
  const parsed = parseLengthMm(isMinus ? trimmed.slice(1) : trimmed, system);
  return parsed.ok && isMinus ? ok(-parsed.value) : parsed;
}

/** Points as typed; a row with nothing in it is passed over, a row with half a point is named. */
export function readPoints(typed: readonly PointTyped[], system: UnitSystem): Outcome<OutlinePoint[]> {
  const points: OutlinePoint[] = [];
  for (const [k, { x, y, round }] of typed.entries()) {
    if (x.trim() === '' && y.trim() === '') continue;
    const [xMm, yMm] = [coordinate(x, system), coordinate(y, system)];
    if (!xMm.ok) return fail(`point ${k + 1}, across: ${xMm.reason}`);
    if (!yMm.ok) return fail(`point ${k + 1}, up: ${yMm.reason}`);
    points.push({ xMm: xMm.value, yMm: yMm.value, ...(round && { round }) });
  }
  return ok(points);
}
