import { spawn, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
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

/** Whether nothing listens on a port yet. */
export const isFree = (port, host) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });

/** The process that has a database open, where one still runs. */
export function servedBy(path) {
  try {
    const { pid } = JSON.parse(readFileSync(`${path}.serving`, 'utf8'));
    process.kill(pid, 0);
    return pid;
  } catch {
    return undefined;
  }
}

/**
 * Starts the production build on a database; resolves when it answers. Refuses a port that something else listens on.
 * @param {string} path
 * @param {{ port?: number, host?: string, env?: Record<string, string>, ask?: string }} [options]
 */
export async function serve(path, { port, host = '127.0.0.1', env = {}, ask = '/' } = {}) {
  const chosen = port ?? (await freePort());
  if (!(await isFree(chosen, host))) throw new Error(`something else answers on port ${chosen} already`);
  const child = spawn(
    'node',
    ['node_modules/next/dist/bin/next', 'start', '-H', host, '-p', String(chosen)],
    {
      env: { ...process.env, OSSATURA_DB: path, NEXT_TELEMETRY_DISABLED: '1', ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  let output = '';
  child.stdout.on('data', (data) => (output += data));
  child.stderr.on('data', (data) => (output += data));
  const url = `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${chosen}`;
  for (let tries = 0; tries < 150; tries++) {
    if (child.exitCode !== null) throw new Error(`the server stopped: ${output}`);
    const answer = await fetch(url + ask).catch(() => undefined);
    if (answer && child.exitCode === null)
      return { url, port: chosen, child, output: () => output, stop: () => child.kill() };
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  child.kill();
  throw new Error(`the server did not answer: ${output}`);
}

/** Where a demo database lies that was made ready once, for each throw-away server to take a copy of; what starts the servers sets it. */
const READY = 'OSSATURA_DEMO_READY';

/**
 * Makes a demo database ready: seeded, and every job's line in the yard worked out, as in a shop that was open before. Until it is taken away again,
 * `serveDemo` copies it instead of seeding anew. Returns what takes it away.
 */
export async function readyDemo() {
  const folder = mkdtempSync(join(tmpdir(), 'ossatura-ready-'));
  const path = join(folder, 'demo.db');
  seed(path);
  const server = await serve(path, { env: { OSSATURA_DEMO: '1' } });
  const { default: Database } = await import('better-sqlite3');
  const db = new Database(path, { readonly: true });
  const left = db.prepare(
    "SELECT count(*) FROM job WHERE id NOT IN (SELECT job_id FROM worked_out WHERE what = 'line')",
  );
  for (let tries = 0; tries < 600 && left.pluck().get() > 0; tries++)
    await new Promise((resolve) => setTimeout(resolve, 200));
  db.close();
  server.child.kill();
  await new Promise((resolve) => server.child.once('exit', resolve));
  rmSync(`${path}.serving`, { force: true });
  process.env[READY] = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}

/**
 * A throw-away server on demo data (or an empty database), with the address of each unit's job.
 * @param {{ empty?: boolean, port?: number, host?: string, env?: Record<string, string> }} [options]
 */
export async function serveDemo({ empty = false, ...options } = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'ossatura-'));
  const path = join(folder, 'demo.db');
  if (!empty && process.env[READY]) cpSync(process.env[READY], folder, { recursive: true });
  else if (!empty) seed(path);
  const server = await serve(path, { ...options, env: { OSSATURA_DEMO: '1', ...options.env } });
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
    /** Everything as the demo was made ready, while the server goes on: what was recorded since is gone. */
    asReady: async () => {
      const madeReady = join(process.env[READY], 'demo.db');
      const ready = new Database(madeReady, { readonly: true });
      await ready.backup(path);
      ready.close();
      rmSync(`${path}-photos`, { recursive: true, force: true });
      cpSync(`${madeReady}-photos`, `${path}-photos`, { recursive: true });
    },
    stop: () => {
      server.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
