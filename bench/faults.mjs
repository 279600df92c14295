// Kills at random writes and other troubles: acknowledged but missing, and there twice. Both are to be 0.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { killRun, TROUBLES, troubleRun } from '../set-up/faults.mjs';
import { seed } from '../set-up/server.mjs';

const KILLS = Number(process.env.FAULT_KILLS ?? 1000);
/** What was acknowledged so far is looked for after so many. */
const BATCH = 50;

export async function benchFaults() {
  const folder = mkdtempSync(join(tmpdir(), 'faults-'));
  const path = join(folder, 'shop.db');
  try {
    seed(path);
    const db = new Database(path, { readonly: true });
    const jobId = db
      .prepare("SELECT job.id FROM job JOIN unit ON unit.id = job.unit_id WHERE unit.tag = 'GR-7'")
      .pluck()
      .get();
    db.close();
    for (const trouble of TROUBLES(path)) {
      const run = await troubleRun(path, jobId, trouble);
      console.log(
        `${run.name}: ${run.meanwhile} acknowledged meanwhile, ${run.after} after; missing ${run.missing}, twice ${run.twice}, out of order ${run.outOfOrder}; the file is ${run.sound}; it said: ${run.said.join(' / ') || 'nothing'}`,
      );
    }
    const start = performance.now();
    const acknowledged = new Set();
    for (let kills = 0; kills < KILLS;) {
      const run = await killRun(path, jobId, { kills: Math.min(BATCH, KILLS - kills), acknowledged });
      kills += run.kills;
      console.log(
        `${kills} kills in ${((performance.now() - start) / 60_000).toFixed(1)} min: ${run.acknowledged} acknowledged, missing ${run.missing}, twice ${run.twice}; the file is ${run.sound}`,
      );
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
