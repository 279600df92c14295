import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const freePort = () =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

/** Seeds a database at `path` with the invented scenario. */
export function seed(path) {
  const run = spawnSync('npx', ['tsx', '--conditions=react-server', 'demo/seed.ts'], {
    env: { ...process.env, OSSATURA_DB: path },
    encoding: 'utf8',
  });
  if (run.status !== 0) throw new Error(`seeding failed: ${run.stderr}`);
  return run.stdout;
}

/**
 * Starts the production build on a database; resolves when it answers.
 * @param {string} path
 * @param {{ port?: number, host?: string }} [options]
 */
export async function serve(path, { port, host = '127.0.0.1' } = {}) {
  const chosen = port ?? (await freePort());
  const child = spawn(
    'node',
    ['node_modules/next/dist/bin/next', 'start', '-H', host, '-p', String(chosen)],
    {
      env: { ...process.env, OSSATURA_DB: path, NEXT_TELEMETRY_DISABLED: '1' },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  let output = '';
  child.stdout.on('data', (data) => (output += data));
  child.stderr.on('data', (data) => (output += data));
  const url = `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${chosen}`;
  for (let tries = 0; tries < 150; tries++) {
    if (child.exitCode !== null) throw new Error(`the server stopped: ${output}`);
    const answer = await fetch(url).catch(() => undefined);
    if (answer) return { url, child, output: () => output, stop: () => child.kill() };
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  child.kill();
  throw new Error(`the server did not answer: ${output}`);
}

/** A throw-away server on demo data (or an empty database), with the address of each unit's job. */
export async function serveDemo({ empty = false } = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'ossatura-'));
  const path = join(folder, 'demo.db');
  if (!empty) seed(path);
  const server = await serve(path);
  const { default: Database } = await import('better-sqlite3');
  const db = new Database(path, { readonly: true });
  const jobs = Object.fromEntries(
    db
      .prepare(
        'SELECT unit.tag, job.id FROM job JOIN unit ON unit.id = job.unit_id WHERE job.id NOT IN (SELECT job_id FROM job_closing)',
      )
      .all()
      .map((row) => [row.tag, `/jobs/${row.id}`]),
  );
  db.close();
  return {
    ...server,
    jobs,
    path,
    stop: () => {
      server.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
