import { after } from 'next/server';
import type { JobLine } from '@/core/job';
import { database, evidenceMark, jobFile, jobIds, keepWorkedOut, LINE, workedOut, type Db } from '@/data';
import { askOffice } from '../_office';

/** A line rests on the job's records and on the program that worked it out. */
const markOf = (db: Db, jobId: string): string =>
  `${process.env.NEXT_PUBLIC_BUILD ?? ''} ${evidenceMark(db, jobId)}`;

/** A job's line as it was worked out; undefined where its records have changed since. */
export const knownLine = (db: Db, jobId: string): JobLine | undefined =>
  workedOut<JobLine>(db, jobId, LINE, markOf(db, jobId));

interface Lines {
  readonly wanted: Set<string>;
  /** Jobs that could not be worked out, at the mark they had: asked again once something of them changes. */
  readonly failed: Map<string, string>;
  isRunning: boolean;
  lookedThroughAt: number;
}
/** On globalThis because the development server loads modules anew. */
const held = globalThis as typeof globalThis & { ossaturaLines?: Lines };
const lines = (): Lines =>
  (held.ossaturaLines ??= { wanted: new Set(), failed: new Map(), isRunning: false, lookedThroughAt: 0 });

/** The whole yard is looked through for changed jobs this often at most. */
const LOOK_THROUGH_MS = 60_000;
/** Jobs looked at in one breath: requests are answered between. */
const AT_A_TIME = 25;

/** Has the lines of jobs worked out, those in sight first, then every other that changed; beside the work, one after another. */
export function wantLines(inSight: readonly string[]): void {
  const here = lines();
  const db = database();
  inSight.filter((id) => here.failed.get(id) !== markOf(db, id)).forEach((id) => here.wanted.add(id));
  // The page that asks is answered first.
  if (!here.isRunning) after(() => void run().catch(tellWhy));
}

/** Records that cannot be read just now are read when the page is asked for again. */
const tellWhy = (error: unknown): void =>
  console.error(`lines were not worked out: ${error instanceof Error ? error.message : String(error)}`);

async function run(): Promise<void> {
  const here = lines();
  if (here.isRunning) return;
  here.isRunning = true;
  try {
    await workOutWanted();
    if (Date.now() - here.lookedThroughAt > LOOK_THROUGH_MS) {
      here.lookedThroughAt = Date.now();
      await lookThrough();
      await workOutWanted();
    }
  } finally {
    here.isRunning = false;
  }
}

async function lookThrough(): Promise<void> {
  const db = database();
  const ids = jobIds(db);
  for (let from = 0; from < ids.length; from += AT_A_TIME) {
    for (const id of ids.slice(from, from + AT_A_TIME)) {
      const isFailed = lines().failed.get(id) === markOf(db, id);
      if (!isFailed && !knownLine(db, id)) lines().wanted.add(id);
    }
    await new Promise((resolve) => setImmediate(resolve));
  }
}

async function workOutWanted(): Promise<void> {
  const db = database();
  for (const id of lines().wanted) {
    const mark = markOf(db, id);
    const file = jobFile(db, id);
    const line = file && (await askOffice('line', file));
    if (line?.ok) keepWorkedOut(db, id, LINE, { mark, value: line.value });
    if (line && !line.ok && line.problem.code === 'too-many') return;
    if (!line?.ok) lines().failed.set(id, mark);
    lines().wanted.delete(id);
  }
}

/** Whether a job could not be worked out as it now stands. */
export const couldNot = (db: Db, jobId: string): boolean => lines().failed.get(jobId) === markOf(db, jobId);

/** How many lines are still to be worked out. */
export const linesWanted = (): number => lines().wanted.size;
