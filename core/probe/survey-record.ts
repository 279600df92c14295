import { z } from 'zod';
import {
  bySchema,
  faceIdSchema,
  faceOf,
  instantSchema,
  memberOf,
  recordIdSchema,
  type Frame,
} from '../frame';
import { fail, ok, type Outcome } from '../quantity';

const stamp = { id: recordIdSchema, by: bySchema, at: instantSchema, note: z.string().max(300).default('') };

/** Where a finger in a hole felt the wall give way: a bracket of its own on an upright face, heights up from the bottom corner. */
export const feltEdgeSchema = z.object({
  kind: z.literal('felt edge'),
  ...stamp,
  memberId: z.string().min(1).max(40),
  stationMm: z.number().gte(0),
  face: faceIdSchema,
  /** Metal felt thin or gone up to here … */
  lowerMm: z.number().gte(0),
  /** … and full from here up. */
  upperMm: z.number().gte(0),
});
export type FeltEdge = z.infer<typeof feltEdgeSchema>;

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
});
export type Calibration = z.infer<typeof calibrationSchema>;

export const surveyRecordSchema = z.discriminatedUnion('kind', [feltEdgeSchema, calibrationSchema]);
export type SurveyRecord = z.infer<typeof surveyRecordSchema>;
export const SURVEY_KINDS = ['felt edge', 'calibration'] as const;

export const feltEdgesOf = (records: readonly SurveyRecord[]): FeltEdge[] =>
  records.filter((record): record is FeltEdge => record.kind === 'felt edge');
export const calibrationsOf = (records: readonly SurveyRecord[]): Calibration[] =>
  records.filter((record): record is Calibration => record.kind === 'calibration');

export function checkSurveyRecord(frame: Frame, record: SurveyRecord): Outcome<null> {
  if (record.kind === 'calibration') return ok(null);
  const member = memberOf(frame, record.memberId);
  if (!member) return fail(`member ${record.memberId} is not on this frame`);
  const face = faceOf(member.shape, record.face);
  if (!face?.upright)
    return fail(`the sound edge runs along an upright face; ${record.face} is none of ${member.name}’s`);
  if (!(record.stationMm <= member.lengthMm)) return fail(`station is off ${member.name}`);
  if (!(record.lowerMm <= record.upperMm && record.upperMm <= face.widthMm))
    return fail(
      `an edge lies between two heights on the face, the lower first; the face is ${(face.widthMm / 25.4).toFixed(2)} in (${face.widthMm.toFixed(0)} mm) high`,
    );
  return ok(null);
}

/** A gauge off by more than this on any step has drifted: readings under it are in doubt (ASTM E797 wants the block read within the accuracy asked for; the figure is common practice). */
export const DRIFT_MM = 0.15;
export const driftMm = (calibration: Calibration): number =>
  Math.max(...calibration.steps.map((step) => Math.abs(step.readMm - step.madeMm)));
export const hasDrifted = (calibration: Calibration): boolean => driftMm(calibration) > DRIFT_MM;

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
