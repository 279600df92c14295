// A yard of many jobs: how long its first page takes after a start, and again; and a job's records against the same job alone.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { seed, serve } from '../set-up/server.mjs';

const JOBS = Number(process.env.YARD_JOBS ?? 2000);
const READINGS = Number(process.env.YARD_READINGS ?? 500);

/** Copies one demo job with its frame and practice JOBS times, with READINGS readings each; half of them closed. */
function fill(path) {
  const db = new Database(path);
  db.pragma('synchronous = OFF');
  const of = (sql) => db.prepare(sql).get();
  const job = of("SELECT job.* FROM job JOIN unit ON unit.id = job.unit_id WHERE unit.tag = 'GR-7'");
  const unit = of("SELECT * FROM unit WHERE tag = 'GR-7'");
  const frame = db.prepare('SELECT * FROM job_frame WHERE job_id = ?').get(job.id);
  const practice = db.prepare('SELECT * FROM job_practice WHERE job_id = ?').get(job.id);
  const reading = db.prepare("SELECT * FROM evidence WHERE job_id = ? AND kind = 'reading'").get(job.id);
  const body = JSON.parse(reading.body);
  const insert = (table, row) =>
    db
      .prepare(
        `INSERT INTO ${table} (${Object.keys(row).join()}) VALUES (${Object.keys(row).map((key) => `@${key}`)})`,
      )
      .run(row);
  const add = db.prepare(
    "INSERT INTO evidence (id, job_id, kind, version, number, body) VALUES (?, ?, 'reading', ?, ?, ?)",
  );
  for (let from = 0; from < JOBS; from += 100)
    db.transaction(() => {
      for (let k = from; k < Math.min(JOBS, from + 100); k++) {
        const [unitId, jobId] = [crypto.randomUUID(), crypto.randomUUID()];
        insert('unit', { ...unit, id: unitId, tag: `Y-${k}` });
        insert('job', { ...job, id: jobId, unit_id: unitId });
        insert('job_frame', { ...frame, job_id: jobId });
        insert('job_practice', { ...practice, job_id: jobId });
        for (let n = 0; n < READINGS; n++) {
          const id = crypto.randomUUID();
          const text = JSON.stringify({ ...body, id, stationMm: 50 + ((n * 97) % 5000), thicknessMm: 6.2 });
          add.run(id, jobId, reading.version, n + 1, text);
        }
        if (k % 2)
          insert('job_closing', {
            id: crypto.randomUUID(),
            number: 1000 + k,
            job_id: jobId,
            closed: 1,
            by_whom: 'RK',
            at: '2026-11-01T10:00:00Z',
          });
      }
    })();
  const alone = job.id;
  db.pragma('wal_checkpoint(TRUNCATE)');
  db.close();
  return alone;
}

async function timed(url) {
  const start = performance.now();
  const answer = await fetch(url);
  await answer.arrayBuffer();
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`);
  return performance.now() - start;
}
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
async function several(url, times = 9) {
  const taken = [];
  for (let k = 0; k < times; k++) taken.push(await timed(url));
  return median(taken);
}

export async function benchYard() {
  const folder = mkdtempSync(join(tmpdir(), 'yard-'));
  try {
    const [small, large] = ['small.db', 'large.db'].map((name) => join(folder, name));
    seed(small);
    const few = await serve(small, { ask: '/icon.svg' });
    const firstOfFew = await timed(few.url);
    const jobId = await firstJob(few.url);
    const alone = await several(`${few.url}/api/jobs/${jobId}/records`);
    few.stop();
    seed(large);
    console.log(`filling a yard of ${JOBS} jobs with ${READINGS} readings each`);
    fill(large);
    const first = await serve(large, { ask: '/icon.svg' });
    console.log(`a yard of ${JOBS} jobs, ${JOBS * READINGS} readings:`);
    console.log(
      `  first page after a start ${(await timed(first.url)).toFixed(0)} ms; of an empty yard ${firstOfFew.toFixed(0)} ms`,
    );
    console.log(
      `  again, while lines are worked out beside it, median ${(await several(first.url)).toFixed(0)} ms`,
    );
    const busy = await several(`${first.url}/api/jobs/${await firstJob(first.url)}/records`);
    const same = await several(`${first.url}/api/jobs/${await jobTagged(large)}/records`);
    console.log(
      `  a job's records ${same.toFixed(0)} ms; in an empty yard ${alone.toFixed(0)} ms; ratio ${(same / alone).toFixed(2)} : 1`,
    );
    console.log(`  another job's records ${busy.toFixed(0)} ms`);
    first.stop();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function firstJob(url) {
  const page = await (await fetch(url)).text();
  return /\/jobs\/([0-9a-f-]{36})/.exec(page)[1];
}
function jobTagged(path) {
  const db = new Database(path, { readonly: true });
  const { id } = db
    .prepare("SELECT job.id FROM job JOIN unit ON unit.id = job.unit_id WHERE unit.tag = 'GR-7'")
    .get();
  db.close();
  return id;
}
