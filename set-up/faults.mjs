// Kills and troubles at random moments of writing: what was acknowledged is there, once. Used by the bench and, in small, by the tests.
import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { closeSync, fstatSync, openSync, readSync, statSync, writeSync } from 'node:fs';
import Database from 'better-sqlite3';
import { serve } from './server.mjs';

const reading = (id, k, at = new Date().toISOString()) => ({
  kind: 'reading',
  version: 2,
  id,
  memberId: 'rail-left',
  stationMm: 100 + (k % 4000),
  face: 'web',
  heightMm: 40,
  thicknessMm: 5,
  method: 'caliper',
  by: 'RK',
  at,
  note: '',
});

/** One write: kept only where the server says so in so many words; else what it says. */
async function send(url, jobId, record) {
  try {
    const answer = await fetch(`${url}/api/jobs/${jobId}/evidence`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ evidence: [record] }),
      signal: AbortSignal.timeout(15_000),
    });
    const said = await answer.json();
    return { isKept: answer.ok && said.ok === true, says: said.problem?.message };
  } catch {
    return { isKept: false };
  }
}
const write = async (url, jobId, id, k) => (await send(url, jobId, reading(id, k))).isKept;

/** Ids of the job's evidence as they lie on disk, each as often as it is there. */
function onDisk(path, jobId) {
  const db = new Database(path, { readonly: true });
  const ids = db.prepare('SELECT id FROM evidence WHERE job_id = ? ORDER BY number').pluck().all(jobId);
  const sound = db.pragma('integrity_check', { simple: true });
  db.close();
  return { ids, sound };
}

/**
 * Writes without a break while the server is killed `kills` times at random moments and started again; a write that was not acknowledged is sent
 * again under its own id, as a browser would. `acknowledged` holds what earlier runs on the same file were told is kept: none of it may be missing later.
 * @param {string} path
 * @param {string} jobId
 * @param {{ kills: number, random?: () => number, longestMs?: number, acknowledged?: Set<string> }} options
 * @returns {Promise<{ kills: number, acknowledged: number, missing: number, twice: number, sound: string }>}
 */
export async function killRun(
  path,
  jobId,
  { kills, random = Math.random, longestMs = 220, acknowledged = new Set() },
) {
  let open = [];
  let k = 0;
  for (let kill = 0; kill < kills; kill++) {
    const server = await serve(path, { ask: '/icon.svg' });
    const warmUp = async () => {
      const [id, began] = [randomUUID(), performance.now()];
      if (await write(server.url, jobId, id, k++)) acknowledged.add(id);
      return performance.now() - began;
    };
    // A cold server loads its parts first: kills are to fall into writes, however long one takes on this machine.
    await warmUp();
    const takesMs = await warmUp();
    const longest = Math.max(longestMs, 8 * takesMs);
    let isUp = true;
    const until = setTimeout(
      () => {
        isUp = false;
        server.child.kill('SIGKILL');
      },
      20 + random() * longest,
    );
    while (isUp) {
      if (open.length === 0) open = Array.from({ length: 4 }, () => ({ id: randomUUID(), k: k++ }));
      const kept = await Promise.all(open.map((each) => write(server.url, jobId, each.id, each.k)));
      open.forEach((each, n) => kept[n] && acknowledged.add(each.id));
      open = open.filter((_, n) => !kept[n]);
    }
    clearTimeout(until);
    if (server.child.exitCode === null && server.child.signalCode === null)
      await new Promise((resolve) => server.child.once('exit', resolve));
  }
  const { ids, sound } = onDisk(path, jobId);
  const counts = new Map();
  for (const id of ids) counts.set(id, (counts.get(id) ?? 0) + 1);
  return {
    kills,
    acknowledged: acknowledged.size,
    missing: [...acknowledged].filter((id) => !counts.has(id)).length,
    twice: [...counts.values()].filter((count) => count > 1).length,
    sound,
  };
}

/**
 * Writes while something stands in the way; afterwards each is sent again. Says how many were acknowledged meanwhile and what was said instead, and what was
 * missing, there twice, or out of the order it was sent in at last.
 * @param {string} path
 * @param {string} jobId
 * @param {{ name: string, begin: (server: any) => Promise<any>, end: (put: any, server: any) => Promise<unknown>, at?: (k: number) => string | undefined, writes?: number }} trouble
 */
export async function troubleRun(path, jobId, { name, begin, end, at = () => undefined, writes = 20 }) {
  const server = await serve(path, { ask: '/icon.svg' });
  const records = Array.from({ length: writes }, (_, k) => reading(randomUUID(), k, at(k)));
  const sendAll = async () => {
    const answers = [];
    for (const record of records) answers.push(await send(server.url, jobId, record));
    return answers;
  };
  // Its parts are loaded before anything stands in the way.
  await write(server.url, jobId, randomUUID(), 0);
  const put = await begin(server);
  const during = await sendAll();
  await end(put, server);
  const after = await sendAll();
  server.child.kill();
  await new Promise((resolve) => server.child.once('exit', resolve));
  const { ids: found, sound } = onDisk(path, jobId);
  const times = ({ id }) => found.filter((each) => each === id).length;
  const places = records.map(({ id }) => found.indexOf(id));
  return {
    name,
    meanwhile: during.filter(({ isKept }) => isKept).length,
    said: [...new Set(during.flatMap(({ says }) => says ?? []))],
    after: after.filter(({ isKept }) => isKept).length,
    missing: records.filter((each, n) => (during[n].isKept || after[n].isKept) && times(each) === 0).length,
    twice: records.filter((each) => times(each) > 1).length,
    outOfOrder: places.filter((place, n) => n > 0 && place < places[n - 1]).length,
    sound,
  };
}

const limitFiles = (pid, bytes) => execFileSync('prlimit', ['--pid', String(pid), `--fsize=${bytes}:`]);
/** Pages in the middle of the file, put out of order; what stood there is given back. */
function scramble(path) {
  const file = openSync(path, 'r+');
  const { size } = fstatSync(file);
  const from = Math.floor((size * 0.1) / 4096) * 4096;
  const was = Buffer.alloc(Math.floor((size * 0.8) / 4096) * 4096);
  readSync(file, was, 0, was.length, from);
  writeSync(file, Buffer.alloc(was.length, 0x5a), 0, was.length, from);
  return {
    putBack: () => {
      writeSync(file, was, 0, was.length, from);
      closeSync(file);
    },
  };
}

/** Troubles that can be made on any machine: another program's lock, a full disk, files that may not be written, damage, a clock set back. */
export const TROUBLES = (path) => [
  {
    name: 'locked by another program',
    says: /in use by another program/,
    begin: async () => {
      const other = new Database(path);
      other.exec('BEGIN IMMEDIATE');
      return other;
    },
    end: async (other) => {
      other.exec('ROLLBACK');
      other.close();
    },
  },
  {
    name: 'no room for the files to grow',
    says: /disk is full|disk does not answer/,
    begin: async ({ child }) => limitFiles(child.pid, statSync(`${path}-wal`).size),
    end: async (_, { child }) => limitFiles(child.pid, 'unlimited'),
  },
  {
    name: 'nothing may be written',
    says: /disk is full|disk does not answer|may not write/,
    begin: async ({ child }) => limitFiles(child.pid, 0),
    end: async (_, { child }) => limitFiles(child.pid, 'unlimited'),
  },
  {
    name: 'four fifths of the file are damaged, and put back',
    says: /damaged/,
    begin: async () => scramble(path),
    end: async ({ putBack }) => putBack(),
  },
  {
    name: 'the sender’s clock runs backwards',
    isNoTrouble: true,
    at: (k) => new Date(Date.UTC(2026, 10, 20) - k * 3_600_000).toISOString(),
    begin: async () => undefined,
    end: async () => undefined,
  },
];
