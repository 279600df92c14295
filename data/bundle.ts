import { randomUUID } from 'node:crypto';
import type { JobBundle } from '@/core/exchange';
import type { Db } from './connection';
import { keepEvidence } from './evidence';
import { jobById, jobFile, openJob } from './job';
import { keepRepair, repairIdsOf } from './repair';
import { keepStrike } from './strike';
import { refused, written, type Problem, type Written } from './problem';
import { addNotice, addUnit, unitById } from './unit';

/** A job as a bundle; undefined when there is no such job. */
export function bundleOf(db: Db, jobId: string): JobBundle | undefined {
  const file = jobFile(db, jobId);
  if (!file) return undefined;
  const { unit, notices, job, frame, practice, evidence, strikes, repairs } = file;
  return {
    format: 'ossatura job',
    unit,
    notices: [...notices],
    job,
    frame,
    practice,
    evidence: [...evidence],
    strikes: [...strikes],
    repairs: [...repairs],
  };
}

/**
 * Takes a bundle in, whole or not at all. Where unit or job are already here they stand as they are and what they lack is added (a repair taken out of the
 * plan here stays out); evidence that differs from what is here refuses the whole bundle.
 */
export function importBundle(db: Db, bundle: JobBundle): Written<{ jobId: string; wasHere: boolean }> {
  const wasHere = jobById(db, bundle.job.id) !== undefined;
  let problem: Problem | undefined;
  const run = (step: () => Written<unknown>) => {
    const outcome = step();
    if (!outcome.ok) throw new Refusal(outcome.problem);
  };
  try {
    db.transaction(() => {
      if (!unitById(db, bundle.unit.id)) run(() => addUnit(db, bundle.unit));
      for (const notice of bundle.notices) run(() => addNotice(db, notice));
      run(() => openJob(db, bundle.job, bundle));
      run(() => keepEvidence(db, bundle.job.id, bundle.evidence));
      for (const strike of bundle.strikes) run(() => keepStrike(db, bundle.job.id, strike));
      const known = repairIdsOf(db, bundle.job.id);
      for (const repair of bundle.repairs.filter((each) => !known.has(each.id)))
        run(() => keepRepair(db, bundle.job.id, repair, { changeId: randomUUID() }));
    }).immediate();
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    problem = error.problem;
  }
  return problem
    ? refused(
        problem.code,
        problem.message,
        'Nothing of the bundle was taken in; everything recorded before stands.',
        problem.at,
      )
    : written({ jobId: bundle.job.id, wasHere });
}

/** Carries a refusal out of a transaction so that it is rolled back. */
class Refusal {
  constructor(readonly problem: Problem) {}
}
