import { z } from 'zod';
import { frameSchema, jobSheetSchema, memberOf, noticeSchema, strikeSchema, unitSchema } from '../frame';
import { checkReading, checkSurveyRecord, readingSchema, surveyRecordSchema } from '../probe';
import { checkCrack, crackSchema } from '../trace';
import { checkRepair, repairSchema } from '../shape';
import { practiceSchema } from '../reference';
import { checkWalkRecord, walkRecordSchema } from '../walk';
import { fail, ok, type Outcome } from '../quantity';

/** A whole job in one file: out of one shop's database and into another's, identically. Lengths in mm, times in UTC. */
export const bundleSchema = z.object({
  format: z.literal('ossatura job'),
  version: z.literal(1),
  unit: unitSchema,
  notices: z.array(noticeSchema).max(1000),
  job: jobSheetSchema,
  frame: frameSchema,
  practice: practiceSchema,
  readings: z.array(readingSchema).max(200_000),
  cracks: z.array(crackSchema).max(10_000),
  walk: z
    .array(walkRecordSchema)
    .max(100_000)
    .default(() => []),
  survey: z
    .array(surveyRecordSchema)
    .max(20_000)
    .default(() => []),
  strikes: z.array(strikeSchema).max(200_000),
  repairs: z.array(repairSchema).max(1000),
});
export type JobBundle = z.infer<typeof bundleSchema>;

export const printBundle = (bundle: JobBundle): string =>
  `${JSON.stringify(bundleSchema.parse(bundle), null, 1)}\n`;

/** Reads a bundle. A bad one fails whole, naming up to five places that are wrong; nothing of it is used. */
export function parseBundle(text: string): Outcome<JobBundle> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return fail('this is not JSON. Nothing was imported.');
  }
  const parsed = bundleSchema.safeParse(raw);
  if (!parsed.success) {
    const places = parsed.error.issues
      .slice(0, 5)
      .map((issue) => `${issue.path.join('.') || 'the file'}: ${issue.message}`);
    return fail(`this is not a job bundle: ${places.join('; ')}. Nothing was imported.`);
  }
  const stray = strayRecord(parsed.data);
  return stray ? fail(`${stray}. Nothing was imported.`) : ok(parsed.data);
}

/** The first record that does not fit the bundle's own frame. */
function strayRecord(bundle: JobBundle): string | undefined {
  if (bundle.job.unitId !== bundle.unit.id) return 'the job belongs to another unit';
  const evidence = new Set(
    [...bundle.readings, ...bundle.cracks, ...bundle.walk, ...bundle.survey].map((record) => record.id),
  );
  const strayStrike = bundle.strikes.find((strike) => !evidence.has(strike.evidenceId));
  if (strayStrike) return `strike ${strayStrike.id} names evidence that is not in the file`;
  for (const record of [...bundle.walk, ...bundle.survey]) {
    const fits =
      record.kind === 'felt edge' || record.kind === 'calibration'
        ? checkSurveyRecord(bundle.frame, record)
        : checkWalkRecord(bundle.frame, record);
    if (!fits.ok) return `${record.kind} ${record.id}: ${fits.reason}`;
  }
  return (
    firstProblem(bundle, bundle.readings, 'reading', checkReading) ??
    firstProblem(bundle, bundle.cracks, 'crack', checkCrack) ??
    firstProblem(bundle, bundle.repairs, 'repair', checkRepair)
  );
}

type Check<Rec> = (member: NonNullable<ReturnType<typeof memberOf>>, record: Rec) => Outcome<unknown>;

function firstProblem<Rec extends { id: string; memberId: string }>(
  bundle: JobBundle,
  records: readonly Rec[],
  kind: string,
  check: Check<Rec>,
): string | undefined {
  for (const record of records) {
    const member = memberOf(bundle.frame, record.memberId);
    if (!member) return `${kind} ${record.id} names a member that is not on the frame`;
    const outcome = check(member, record);
    if (!outcome.ok) return `${kind} ${record.id}: ${outcome.reason}`;
  }
  return undefined;
}
