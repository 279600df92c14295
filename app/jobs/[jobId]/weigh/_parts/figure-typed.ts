import { fail, ok, parseLengthMm, type Outcome, type UnitSystem } from '@/core/quantity';
import type { Figure, GeometryMeasure } from '@/core/weigh';

export type FigureTyped = Readonly<Record<'mm' | 'toleranceMm' | 'where' | 'place', string>>;
/** What was chosen beside it. */
interface Chosen {
  readonly system: UnitSystem;
  readonly endIds: readonly string[];
  readonly points?: Extract<GeometryMeasure, { of: 'mounts' }> | undefined;
}

/** A typed figure from elsewhere, without who says so; the failure names the field. */
export function readFigure(
  of: Figure['figure']['of'],
  typed: FigureTyped,
  { system, endIds, points }: Chosen,
): Outcome<Pick<Figure, 'figure' | 'where' | 'toleranceMm'>> {
  const tolerance = typed.toleranceMm.trim() === '' ? undefined : parseLengthMm(typed.toleranceMm, system);
  if (tolerance && !tolerance.ok) return fail(tolerance.reason, 'toleranceMm');
  if (typed.where.trim().length < 2) return fail('say where it stands', 'where');
  const beside = {
    where: typed.where.trim(),
    ...(tolerance && { toleranceMm: tolerance.value }),
  };
  if (of === 'mounts') {
    if (!points) return fail('no set of mounts is measured yet');
    return ok({ ...beside, figure: { of, set: points.set, points: points.points } });
  }
  const mm = parseLengthMm(typed.mm, system);
  if (!mm.ok) return fail(mm.reason, 'mm');
  if (of === 'wheelbase') {
    const [fromId, toId] = endIds;
    if (!fromId || !toId || fromId === toId) return fail('from one place to another one');
    return ok({ ...beside, figure: { of, fromId, toId, mm: mm.value } });
  }
  if (typed.place.trim() === '') return fail('say between which corners', 'place');
  return ok({ ...beside, figure: { of, place: typed.place.trim(), mm: mm.value } });
}
