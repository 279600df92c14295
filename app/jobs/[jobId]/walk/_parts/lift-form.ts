import { z } from 'zod';
import type { Frame } from '@/core/frame';
import {
  lengthDigits,
  parseLengthMm,
  parseMassKg,
  STANDARD_GRAVITY,
  type Outcome,
  type UnitSystem,
} from '@/core/quantity';

import {
  LIFT_SIDES,
  LIFT_WAYS,
  liftPlanSchema,
  takesPoints,
  usualLift,
  type LiftPlan,
  type LiftWay,
} from '@/core/walk';
import { turned } from '../../../../_parts/turned';

/** A plan as it is typed. Stations are along the frame; ratings masses. */
export const liftFormSchema = z.object({
  system: z.enum(['in', 'mm']),
  way: z.enum(LIFT_WAYS),
  points: z.array(
    z.object({ id: z.string(), side: z.enum(LIFT_SIDES), station: z.string(), rating: z.string() }),
  ),
  wheelsDown: z.array(z.string()),
  hoist: z.string(),
  unloaded: z.boolean(),
  along: z.string(),
  across: z.string(),
});
export type LiftForm = z.infer<typeof liftFormSchema>;

/** The usual plan of a way of lifting, as it is typed. */
export function usualForm(frame: Frame, way: LiftWay, system: UnitSystem): LiftForm {
  const { points, wheelsDown } = usualLift(frame, way);
  return {
    system,
    way,
    points: points.map(({ id, side, stationMm }) => ({
      id,
      side,
      station: lengthDigits(stationMm, system, 'length'),
      rating: '',
    })),
    wheelsDown,
    hoist: '',
    unloaded: false,
    along: '0',
    across: '0',
  };
}

/** One more point, under a name that no other has: its reaction is found by it. */
export function withPoint(form: LiftForm): LiftForm {
  let number = form.points.length + 1;
  while (form.points.some((point) => point.id === `point ${number}`)) number++;
  return {
    ...form,
    points: [...form.points, { id: `point ${number}`, side: 'left', station: '', rating: '' }],
  };
}

/** A form typed in the other system, turned into this one; what cannot be read stays as it was typed. */
export function formIn(form: LiftForm, system: UnitSystem): LiftForm {
  if (form.system === system) return form;
  const length = (text: string) => turned(text, form.system, system);
  const mass = (text: string) => turned(text, form.system, system, 'weight');
  return {
    ...form,
    system,
    hoist: mass(form.hoist),
    points: form.points.map((point) => ({
      ...point,
      station: length(point.station),
      rating: mass(point.rating),
    })),
  };
}

/** A typed plan read; the reason says which field is wrong. */
export function readLift(form: LiftForm): Outcome<LiftPlan> {
  const { system } = form;
  const newtons = (text: string, what: string): Outcome<number | undefined> => {
    if (text.trim() === '') return { ok: true, value: undefined };
    const mass = parseMassKg(text, system);
    return mass.ok
      ? { ok: true, value: mass.value * STANDARD_GRAVITY }
      : { ok: false, reason: `${what}: ${mass.reason}` };
  };
  const points: LiftPlan['points'] = [];
  if (takesPoints(form.way))
    for (const point of form.points) {
      const station = parseLengthMm(point.station, system);
      if (!station.ok) return { ok: false, reason: `${point.id}: ${station.reason}` };
      const rating = newtons(point.rating, `${point.id}, rating`);
      if (!rating.ok) return rating;
      points.push({
        id: point.id,
        side: point.side,
        stationMm: station.value,
        ...(rating.value !== undefined && { ratingN: rating.value }),
      });
    }
  const hoist = newtons(form.hoist, 'hoist rating');
  if (!hoist.ok) return hoist;
  const [along, across] = [Number(form.along), Number(form.across)];
  if (!Number.isFinite(along) || !Number.isFinite(across))
    return { ok: false, reason: 'slope: degrees as a number' };
  const parsed = liftPlanSchema.safeParse({
    way: form.way,
    points,
    wheelsDown: form.wheelsDown,
    unloaded: form.unloaded,
    slopeAlongDeg: along,
    slopeAcrossDeg: across,
    ...(hoist.value !== undefined && { hoistRatingN: hoist.value }),
  });
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, reason: parsed.error.issues[0]!.message };
}
