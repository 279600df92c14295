// Kills and troubles at random moments of writing: what was acknowledged is there, once. Used by the bench and, in small, by the tests.
import { randomUUID } from 'node:crypto';
import Database from 'better-sqlite3';
import { serve } from './server.mjs';

const reading = (id, k) => ({
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
  at: new Date().toISOString(),
  note: '',
});

/** One write; true only where the server says in so many words that it is kept. */
async function write(url, jobId, id, k) {
  try {
    const answer = await fetch(`${url}/api/jobs/${jobId}/evidence`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ evidence: [reading(id, k)] }),
      signal: AbortSignal.timeout(15_000),
    });
    return answer.ok && (await answer.json()).ok === true;
  } catch {
    return false;
  }
}

/** Ids of the job's evidence as they lie on disk, each as often as it is there. */
function onDisk(path, jobId) {
  const db = new Database(path, { readonly: true });
  const ids = db.prepare('SELECT id FROM evidence WHERE job_id = ?').pluck().all(jobId);
  const sound = db.pragma('integrity_check', { simple: true });
  db.close();
  return { ids, sound };
}

/**
 * Writes without a break while the server is killed `kills` times at random moments and started again; a write that was not acknowledged is sent
 * again under its own id, as a browser would.
 * @param {string} path
 * @param {string} jobId
 * @param {{ kills: number, random?: () => number, longestMs?: number }} options
 * @returns {Promise<{ kills: number, acknowledged: number, missing: number, twice: number, sound: string }>}
 */
export async function killRun(path, jobId, { kills, random = Math.random, longestMs = 220 }) {
  const acknowledged = new Set();
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

/** Writes while something stands in the way; afterwards each is sent again. Says how many were acknowledged meanwhile, and what was missing or there twice at last. */
export async function troubleRun(path, jobId, { name, begin, end, writes = 20 }) {
  const server = await serve(path, { ask: '/icon.svg' });
  const ids = Array.from({ length: writes }, () => randomUUID());
  const put = await begin(server);
  const during = [];
  for (const [k, id] of ids.entries()) during.push(await write(server.url, jobId, id, k));
  await end(put, server);
  const after = [];
  for (const [k, id] of ids.entries()) after.push(await write(server.url, jobId, id, k));
  server.child.kill();
  await new Promise((resolve) => server.child.once('exit', resolve));
  const { ids: found } = onDisk(path, jobId);
  const times = (id) => found.filter((each) => each === id).length;
  return {
    name,
    meanwhile: during.filter(Boolean).length,
    after: after.filter(Boolean).length,
    missing: ids.filter((id, n) => (during[n] || after[n]) && times(id) === 0).length,
    twice: ids.filter((id) => times(id) > 1).length,
  };
}

/** Troubles that can be made on any machine: another program's lock, a full database, a file that may not be written. */
export const TROUBLES = (path) => [
  {
    name: 'locked by another program',
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
];
