import { defaultFrame, DUTIES, EXPOSURES, frameSchema, jobSheetSchema, PURPOSES, UNIT_KINDS, unitSchema, type Family, type Frame, type JobSheet, type MemberShape, type Unit } from '@/core/frame';
import { parseLengthMm, parseMassKg, type UnitSystem } from '@/core/quantity';
import { DEFAULT_PRACTICE, type Practice, type SteelId } from '@/core/reference';

/** What the opening form holds: text as typed. */
export interface OpeningFields {
  tag: string; description: string; kind: (typeof UNIT_KINDS)[number]; exposure: (typeof EXPOSURES)[number]; duty: (typeof DUTIES)[number]; gross: string;
  title: string; purpose: (typeof PURPOSES)[number]; complaint: string; by: string;
  family: Family; depth: string; breadth: string; wall: string; length: string; width: string; steel: SteelId; datum: string;
}
export type OpeningProblems = Partial<Record<keyof OpeningFields, string>>;
export interface Opening { unit: Unit; job: JobSheet; frame: Frame; practice: Practice }

const LENGTHS = ['depth', 'breadth', 'wall', 'length', 'width'] as const;

/** The default frame the fields describe, as far as they can be read: drawn while one types. */
export function frameFrom(fields: OpeningFields, system: UnitSystem): { ok: true; frame: Frame } | { ok: false; problems: OpeningProblems } {
  const problems: OpeningProblems = {};
  const mm: Record<string, number> = {};
  for (const field of LENGTHS) {
    const length = parseLengthMm(fields[field], system);
    if (length.ok) mm[field] = length.value;
    else problems[field] = length.reason;
  }
  if (Object.keys(problems).length) return { ok: false, problems };
  const shape: MemberShape = fields.family === 'open-channel ladder'
    ? { kind: 'channel', depthMm: mm.depth!, flangeMm: mm.breadth!, thicknessMm: mm.wall! }
    : { kind: 'box', depthMm: mm.depth!, widthMm: mm.breadth!, thicknessMm: mm.wall! };
  const frame = frameSchema.safeParse(defaultFrame({ family: fields.family, railShape: shape, steel: fields.steel, lengthMm: mm.length!, widthMm: mm.width!, datum: fields.datum }));
  if (frame.success) return { ok: true, frame: frame.data };
  for (const issue of frame.error.issues) problems[fieldOf(issue.path.map(String))] ??= issue.message;
  return { ok: false, problems };
}

/** Which field a part of the frame was made from. */
function fieldOf(path: readonly string[]): keyof OpeningFields {
  const last = path[path.length - 1] ?? '';
  if (path.includes('shape')) return ({ depthMm: 'depth', flangeMm: 'breadth', widthMm: 'breadth', thicknessMm: 'wall' } as const)[last as 'depthMm'] ?? 'wall';
  if (path[0] === 'datum') return 'datum';
  if (path[0] === 'widthMm' || (path.includes('members') && Number(path[1]) > 1)) return 'width';
  return 'length';
}

/** Everything a new job is opened with, or what is wrong with which field. */
export function readOpening(fields: OpeningFields, system: UnitSystem, existing: Unit | undefined, stamp: { unitId: string; jobId: string; at: string }): { ok: true; opening: Opening } | { ok: false; problems: OpeningProblems } {
  const problems: OpeningProblems = {};
  const frame = frameFrom(fields, system);
  if (!frame.ok) Object.assign(problems, frame.problems);
  const gross = fields.gross.trim() === '' ? undefined : parseMassKg(fields.gross, system);
  if (gross && !gross.ok) problems.gross = gross.reason;
  const unit = unitSchema.safeParse(existing ?? { id: stamp.unitId, tag: fields.tag, description: fields.description, kind: fields.kind, exposure: fields.exposure, duty: fields.duty, ...(gross?.ok && { grossMassKg: gross.value }) });
  if (!unit.success) for (const issue of unit.error.issues) problems[(issue.path[0] === 'grossMassKg' ? 'gross' : issue.path[0]) as keyof OpeningFields] = issue.message;
  const job = jobSheetSchema.safeParse({ id: stamp.jobId, unitId: unit.success ? unit.data.id : stamp.unitId, title: fields.title, purpose: fields.purpose, complaint: fields.complaint, openedBy: fields.by, openedAt: stamp.at });
  if (!job.success) for (const issue of job.error.issues) problems[(issue.path[0] === 'openedBy' ? 'by' : issue.path[0]) as keyof OpeningFields] = issue.message;
  if (!frame.ok || !unit.success || !job.success || Object.keys(problems).length) return { ok: false, problems };
  return { ok: true, opening: { unit: unit.data, job: job.data, frame: frame.frame, practice: DEFAULT_PRACTICE } };
}
