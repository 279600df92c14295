import type { EvidenceKind, EvidenceStamp, Fit, Frame } from '../frame';
import { fail, opened, type Body, type Outcome } from '../quantity';
import { calibrationKind, feltEdgeKind, readingKind } from '../probe';
import { alignmentKind, crackKind, crackLookKind, loadTestKind, temporaryKind, tripKind } from '../trace';
import {
  choiceKind,
  claimKind,
  complaintKind,
  findKind,
  intakeKind,
  leaveKind,
  liftKind,
  lookKind,
  photoKind,
  signKind,
  tapKind,
} from '../walk';
import { outlineKind, renewalKind, workKind } from '../shape';
import {
  readyKind,
  runDoneKind,
  scrapTestKind,
  seamKind,
  seamLogKind,
  stepDoneKind,
  tightenedKind,
  weldPlanKind,
} from '../join';
import {
  boughtKind,
  extraAnswerKind,
  extraKind,
  gateSaidKind,
  handoverKind,
  interimKind,
  jobPlanKind,
  ownTaskKind,
  permitKind,
  removalKind,
  slotKind,
  taskSaidKind,
} from '../order';
import {
  flexKind,
  leftUndoneKind,
  lookBookedKind,
  passportIssuedKind,
  preservedKind,
  proofKind,
  signOffKind,
  snagKind,
  snagAnswerKind,
} from '../prove';
import { figureKind, geometryKind, hoursTakenKind, overrideKind } from '../weigh';

/** Every kind of evidence there is. A new one is a file of its own in the room that owns the fact, and a line here. */
export const EVIDENCE_KINDS = [
  intakeKind,
  choiceKind,
  lookKind,
  leaveKind,
  signKind,
  findKind,
  complaintKind,
  photoKind,
  claimKind,
  tapKind,
  liftKind,
  readingKind,
  feltEdgeKind,
  calibrationKind,
  crackKind,
  crackLookKind,
  tripKind,
  temporaryKind,
  loadTestKind,
  alignmentKind,
  overrideKind,
  geometryKind,
  figureKind,
  hoursTakenKind,
  renewalKind,
  workKind,
  outlineKind,
  seamKind,
  weldPlanKind,
  readyKind,
  runDoneKind,
  seamLogKind,
  scrapTestKind,
  stepDoneKind,
  tightenedKind,
  taskSaidKind,
  removalKind,
  gateSaidKind,
  permitKind,
  extraKind,
  extraAnswerKind,
  ownTaskKind,
  boughtKind,
  slotKind,
  jobPlanKind,
  handoverKind,
  interimKind,
  flexKind,
  leftUndoneKind,
  lookBookedKind,
  passportIssuedKind,
  preservedKind,
  proofKind,
  signOffKind,
  snagKind,
  snagAnswerKind,
] as const;

type RecordOf<Kind> = Kind extends EvidenceKind<infer Rec> ? Rec : never;
/** A piece of evidence of any kind. */
export type Evidence = RecordOf<(typeof EVIDENCE_KINDS)[number]>;
export type EvidenceId = Evidence['kind'];
export type EvidenceOf<Kind extends EvidenceId> = Extract<Evidence, { kind: Kind }>;

const BY_NAME: ReadonlyMap<string, EvidenceKind> = new Map(
  (EVIDENCE_KINDS as readonly unknown[] as readonly EvidenceKind[]).map((kind) => [kind.name, kind]),
);
const kindOf = (record: EvidenceStamp): EvidenceKind => BY_NAME.get(record.kind)!;

/** Reads a record of any kind and of any version that ever was. */
export function openEvidence(raw: unknown): Outcome<Evidence> {
  const name = (raw as Body | null)?.kind;
  const kind = typeof name === 'string' ? BY_NAME.get(name) : undefined;
  if (!kind) return fail(`there is no evidence of the kind “${String(name).slice(0, 40)}”`, 'kind');
  return opened(kind, raw) as Outcome<Evidence>;
}

/** The version that a record's kind is written in now. */
export const evidenceVersion = (record: Evidence): number => kindOf(record).version;

/** A record as it is sent: it says its kind and its version. */
export const packEvidence = <Rec extends Evidence>(record: Rec): Rec & { readonly version: number } => ({
  ...record,
  version: evidenceVersion(record),
});

/** Whether a record has its place on a frame, and what is odd about it. */
export const fitsFrame = (frame: Frame, record: Evidence): Outcome<Fit> => kindOf(record).fits(frame, record);

/** Members whose work is done anew when the record comes or goes. */
export const tellsOf = (record: Evidence): readonly string[] | 'every member' => kindOf(record).tells(record);
