import { randomUUID } from 'node:crypto';
import { ofKind } from '@/core/frame';
import type { JobBundle } from '@/core/exchange';
import { closeJob, closingsOf } from './closing';
import type { Db } from './connection';
import { evidenceOf, keepEvidence } from './evidence';
import { jobById, jobFile, openJob } from './job';
import { hasPicture } from './photo';
import { keepRepair, repairIdsOf, repairsOf } from './repair';
import { keepStrike, strikesOf } from './strike';
import { refused, sameRecord, written, type Problem, type Written } from './problem';
import { addNotice, addUnit, noticesOf, unitById } from './unit';

/** A job as a bundle; undefined when there is no such job. */
export function bundleOf(db: Db, jobId: string): JobBundle | undefined {
  const file = jobFile(db, jobId);
  if (!file) return undefined;
  const { unit, notices, job, frame, practice, evidence, strikes, repairs } = file;
  const closings = closingsOf(db, jobId);
  return {
    format: 'ossatura job',
    unit,
    notices: [...notices],
    job,
    ...(closings.length > 0 && { closings }),
    frame,
    practice,
    evidence: [...evidence],
    strikes: [...strikes],
    repairs: [...repairs],
  };
}

/** What a bundle says otherwise than what is here, which stands. */
export type Stands = 'unit' | 'frame' | 'practice' | 'repairs';
/** What came of taking a bundle in. */
export interface Imported {
  readonly jobId: string;
  readonly wasHere: boolean;
  /** How many records of it were not here before. */
  readonly added: number;
  readonly stands: readonly Stands[];
  /** Photos whose picture is neither here nor in the bundle. */
  readonly picturesMissing: number;
}

/**
 * Takes a bundle in, whole or not at all. Where unit or job are already here they stand as they are, which is said, and what they lack is added (a
 * repair taken out of the plan here stays out); evidence that differs from what is here refuses the whole bundle.
 */
export function importBundle(db: Db, bundle: JobBundle): Written<Imported> {
  const wasHere = jobById(db, bundle.job.id) !== undefined;
  const stands = whatStands(db, bundle);
  const before = countOf(db, bundle);
  const problem = inOneGo(db, (run) => {
    if (!unitById(db, bundle.unit.id)) run(addUnit(db, bundle.unit));
    for (const notice of bundle.notices) run(addNotice(db, notice));
    run(openJob(db, bundle.job, bundle));
    run(keepEvidence(db, bundle.job.id, bundle.evidence));
    for (const strike of bundle.strikes) run(keepStrike(db, bundle.job.id, strike));
    const known = repairIdsOf(db, bundle.job.id);
    for (const repair of bundle.repairs.filter((each) => !known.has(each.id)))
      run(keepRepair(db, bundle.job.id, repair, { changeId: randomUUID() }));
    for (const closing of bundle.closings ?? []) run(closeJob(db, bundle.job.id, closing));
  });
  if (problem)
    return refused(
      problem.code,
      problem.message,
      'Nothing of the bundle was taken in; everything recorded before stands.',
      problem.at,
    );
  const pictures = ofKind(bundle.evidence, 'photo').flatMap(({ picture }) => (picture ? [picture.hash] : []));
  return written({
    jobId: bundle.job.id,
    wasHere,
    added: countOf(db, bundle) - before,
    stands,
    picturesMissing: pictures.filter((hash) => !hasPicture(db, hash)).length,
  });
}

/** Runs steps in one transaction; the first refusal rolls all of them back and is answered. */
function inOneGo(db: Db, steps: (run: (outcome: Written<unknown>) => void) => void): Problem | undefined {
  try {
    db.transaction(() =>
      steps((outcome) => {
        if (!outcome.ok) throw new Refusal(outcome.problem);
      }),
    ).immediate();
    return undefined;
  } catch (error) {
    if (error instanceof Refusal) return error.problem;
    throw error;
  }
}

function whatStands(db: Db, bundle: JobBundle): Stands[] {
  const unit = unitById(db, bundle.unit.id);
  const file = jobFile(db, bundle.job.id);
  const known = new Map(file?.repairs.map((repair) => [repair.id, repair]));
  const ever = repairIdsOf(db, bundle.job.id);
  const differs: Record<Stands, boolean> = {
    unit: unit !== undefined && !sameRecord(unit, bundle.unit),
    frame: file !== undefined && !sameRecord(file.frame, bundle.frame),
    practice: file !== undefined && !sameRecord(file.practice, bundle.practice),
    repairs: bundle.repairs.some(
      (repair) => ever.has(repair.id) && !sameRecord(known.get(repair.id), repair),
    ),
  };
  return (Object.keys(differs) as Stands[]).filter((key) => differs[key]);
}

/** How many records of a bundle's job and unit are here. */
const countOf = (db: Db, { job, unit }: JobBundle): number =>
  evidenceOf(db, job.id).length +
  strikesOf(db, job.id).length +
  repairsOf(db, job.id).length +
  closingsOf(db, job.id).length +
  noticesOf(db, unit.id).length;

/** Carries a refusal out of a transaction so that it is rolled back. */
class Refusal {
  constructor(readonly problem: Problem) {}
}
