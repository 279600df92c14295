import { z } from 'zod';
import {
  frameForm,
  jobSheetSchema,
  memberOf,
  noticeSchema,
  strikeSchema,
  unitSchema,
  type Frame,
} from '../frame';
import { practiceForm, type Practice } from '../reference';
import { checkRepair, repairForm, type Repair } from '../shape';
import { closingSchema, fitsFrame, openEvidence, packEvidence, type Evidence } from '../job';
import { fail, ok, opened, packed, valueOf, type Body, type Form, type Outcome } from '../quantity';

/** What stands in a bundle beside the records that carry versions of their own. Lengths in mm, times in UTC. */
const envelopeSchema = z.object({
  format: z.literal('ossatura job'),
  unit: unitSchema,
  notices: z.array(noticeSchema).max(1000),
  job: jobSheetSchema,
  closings: z.array(closingSchema).max(1000).optional(),
  frame: z.unknown(),
  practice: z.unknown(),
  evidence: z.array(z.unknown()).max(320_000),
  strikes: z.array(strikeSchema).max(200_000),
  repairs: z.array(z.unknown()).max(1000),
});
type Envelope = z.infer<typeof envelopeSchema>;

/** A whole job in one file: out of one shop's database and into another's, identically. */
export interface JobBundle extends Omit<Envelope, 'frame' | 'practice' | 'evidence' | 'repairs'> {
  readonly frame: Frame;
  readonly practice: Practice;
  readonly evidence: Evidence[];
  readonly repairs: Repair[];
}

const listIn = (body: Body, key: string): readonly Body[] =>
  Array.isArray(body[key]) ? (body[key] as Body[]) : [];

/** Version 1 kept a shelf for each sort of evidence; readings and cracks did not say what they were. */
function shelvesToEvidence(body: Body): Body {
  const { readings: _, cracks: __, walk: ___, survey: ____, ...rest } = body;
  const named = (key: string, kind: string) => listIn(body, key).map((record) => ({ ...record, kind }));
  const evidence = [
    ...named('readings', 'reading'),
    ...named('cracks', 'crack'),
    ...listIn(body, 'walk'),
    ...listIn(body, 'survey'),
  ];
  return { ...rest, evidence };
}

export const bundleForm: Form<Envelope> = {
  name: 'job bundle',
  version: 2,
  schema: envelopeSchema,
  upcasts: { 1: shelvesToEvidence },
};

/** A record as its schema writes it: the same keys in the same order, however it was put together. */
const inOrder = <Rec extends object>(form: Form<Rec>, record: Rec) => packed(form, form.schema.parse(record));
const evidenceInOrder = (record: Evidence) => packEvidence(valueOf(openEvidence(packEvidence(record))));

/** A bundle as text; the same job gives the same bytes. */
export function printBundle(bundle: JobBundle): string {
  const { format, ...envelope } = envelopeSchema.parse(bundle);
  const body = {
    format,
    version: bundleForm.version,
    ...envelope,
    frame: inOrder(frameForm, bundle.frame),
    practice: inOrder(practiceForm, bundle.practice),
    evidence: bundle.evidence.map(evidenceInOrder),
    repairs: bundle.repairs.map((repair) => inOrder(repairForm, repair)),
  };
  return `${JSON.stringify(body, null, 1)}\n`;
}

const NOTHING = 'Nothing was imported.';

/** Reads a bundle of any version. A bad one fails whole, naming the place that is wrong; nothing of it is used. */
export function parseBundle(text: string): Outcome<JobBundle> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return fail(`this is not JSON. ${NOTHING}`);
  }
  const bundle = unpacked(raw);
  if (!bundle.ok)
    return fail(`this is not a job bundle: ${at(bundle)}${bundle.reason}. ${NOTHING}`, bundle.at);
  const stray = strayRecord(bundle.value);
  return stray ? fail(`${stray}. ${NOTHING}`) : bundle;
}

const at = (failure: { at?: string }): string => (failure.at === undefined ? '' : `${failure.at}: `);

function unpacked(raw: unknown): Outcome<JobBundle> {
  const envelope = opened(bundleForm, raw);
  if (!envelope.ok) return envelope;
  const frame = within('frame', opened(frameForm, envelope.value.frame));
  if (!frame.ok) return frame;
  const practice = within('practice', opened(practiceForm, envelope.value.practice));
  if (!practice.ok) return practice;
  const evidence = everyOne('evidence', envelope.value.evidence, openEvidence);
  if (!evidence.ok) return evidence;
  const repairs = everyOne('repairs', envelope.value.repairs, (repair) => opened(repairForm, repair));
  if (!repairs.ok) return repairs;
  return ok({
    ...envelope.value,
    frame: frame.value,
    practice: practice.value,
    evidence: evidence.value,
    repairs: repairs.value,
  });
}

const within = <Value>(place: string, outcome: Outcome<Value>): Outcome<Value> =>
  outcome.ok ? outcome : fail(outcome.reason, [place, outcome.at].filter((each) => each).join('.'));

function everyOne<Rec>(
  place: string,
  raws: readonly unknown[],
  open: (raw: unknown) => Outcome<Rec>,
): Outcome<Rec[]> {
  const records: Rec[] = [];
  for (const [k, raw] of raws.entries()) {
    const record = within(`${place}.${k}`, open(raw));
    if (!record.ok) return record;
    records.push(record.value);
  }
  return ok(records);
}

/** The first record that does not fit the bundle's own frame. */
function strayRecord(bundle: JobBundle): string | undefined {
  if (bundle.job.unitId !== bundle.unit.id) return 'the job belongs to another unit';
  if (bundle.notices.some((notice) => notice.unitId !== bundle.unit.id))
    return 'a notice belongs to another unit';
  const ids = new Set(bundle.evidence.map((record) => record.id));
  const stray = bundle.strikes.find((strike) => !ids.has(strike.evidenceId));
  if (stray) return `strike ${stray.id} names evidence that is not in the file`;
  for (const record of bundle.evidence) {
    const fits = fitsFrame(bundle.frame, record);
    if (!fits.ok) return `${record.kind} ${record.id}: ${fits.reason}`;
  }
  for (const repair of bundle.repairs) {
    const member = memberOf(bundle.frame, repair.memberId);
    const fits = member ? checkRepair(member, repair) : fail('it names a member that is not on the frame');
    if (!fits.ok) return `repair ${repair.id}: ${fits.reason}`;
  }
  return undefined;
}
