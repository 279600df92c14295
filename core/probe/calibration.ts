import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, recordIdSchema } from '../frame';
import { ok } from '../quantity';

const stamp = { id: recordIdSchema, by: bySchema, at: instantSchema, note: z.string().max(300).default('') };

export const ECHO_MODES = ['single echo', 'echo to echo'] as const;
/** A gauge set on a block of known steps; readings taken after it name it. */
export const calibrationSchema = z.object({
  kind: z.literal('calibration'),
  ...stamp,
  gauge: z.string().trim().min(1).max(60),
  mode: z.enum(ECHO_MODES),
  steps: z
    .array(z.object({ madeMm: z.number().gt(0).lte(50), readMm: z.number().gte(0).lte(60) }))
    .min(2, 'two steps at least, thin and thick')
    .max(12),
  velocityMps: z.number().gte(3000).lte(8000),
  temperatureC: z.number().gte(-40).lte(200),
  /** Read on the gauge's stand-in. */
  simulated: z.literal(true).optional(),
});
export type Calibration = z.infer<typeof calibrationSchema>;

/** It marks the readings taken under it; nothing is computed from it. */
export const calibrationKind = evidenceKind<Calibration>({
  name: 'calibration',
  schema: calibrationSchema,
  fits: () => ok({}),
  tells: () => [],
});

/** A gauge off by more than this on any step has drifted: readings under it are in doubt (ASTM E797 wants the block read within the accuracy asked for; the figure is common practice). */
export const DRIFT_MM = 0.15;
/** At the limit is within it: 2.15 − 2 is not 0.15 to a machine. */
const ROUNDING_MM = 1e-6;
export const driftMm = (calibration: Calibration): number =>
  Math.max(...calibration.steps.map((step) => Math.abs(step.readMm - step.madeMm)));
export const hasDrifted = (calibration: Calibration): boolean =>
  driftMm(calibration) > DRIFT_MM + ROUNDING_MM;

/**
 * Readings whose gauge cannot be trusted: taken under a calibration that was off itself, or one that a later block reading of the same gauge
 * found drifted. They are kept and marked; whoever took them decides.
 */
export function doubtfulReadings(
  readings: readonly { readonly id: string; readonly calibrationId?: string | undefined }[],
  calibrations: readonly Calibration[],
): ReadonlySet<string> {
  const doubtful = new Set(
    calibrations
      .filter(
        (calibration, k) =>
          hasDrifted(calibration) ||
          hasDrifted(nextOf(calibration, calibrations.slice(k + 1)) ?? calibration),
      )
      .map((calibration) => calibration.id),
  );
  return new Set(
    readings
      .filter((reading) => reading.calibrationId !== undefined && doubtful.has(reading.calibrationId))
      .map((reading) => reading.id),
  );
}
const nextOf = (calibration: Calibration, later: readonly Calibration[]): Calibration | undefined =>
  later.find((each) => each.gauge === calibration.gauge);
