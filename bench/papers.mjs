// A job with 500 photos: its closing report, asked for the first time and again, beside its photo book, whose first page comes before the last is drawn.
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import sharp from 'sharp';

const PAIRS = 250;

/** A picture as a phone takes one: not compressible to nothing. */
const picture = (k) =>
  sharp({
    create: {
      width: 1600,
      height: 1200,
      channels: 3,
      background: '#777',
      noise: { type: 'gaussian', mean: 100 + (k % 80), sigma: 30 },
    },
  })
    .jpeg({ quality: 80 })
    .toBuffer();

async function send(server, job, photo, bytes) {
  const form = new FormData();
  form.set('record', JSON.stringify({ kind: 'photo', by: 'TM', note: '', ...photo }));
  form.set('file', new Blob([bytes], { type: 'image/jpeg' }), 'photo.jpg');
  const answer = await fetch(`${server.url}/api${job}/photos`, { method: 'POST', body: form });
  if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`);
}

/** Seconds until the first byte and until the last, megabytes, and the most that the server held meanwhile. */
async function timed(server, path) {
  const began = performance.now();
  const answer = await fetch(server.url + path);
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
  let [first, bytes, most] = [undefined, 0, 0];
  for await (const piece of answer.body) {
    first ??= (performance.now() - began) / 1000;
    bytes += piece.length;
    most = Math.max(most, heldMb(server.child.pid));
  }
  return { first, all: (performance.now() - began) / 1000, mb: bytes / 1e6, most };
}

const heldMb = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

export async function benchPapers(server) {
  const job = server.jobs['DV-3'];
  const began = performance.now();
  for (let k = 0; k < PAIRS; k++) {
    const before = randomUUID();
    const place = { memberId: 'rail-left', stationMm: 20 * k, caption: `place ${k}` };
    const at = (hour) => `2026-11-2${hour}T09:00:00Z`;
    await send(server, job, { ...place, id: before, at: at(0), moment: 'before' }, await picture(k));
    const after = { ...place, id: randomUUID(), at: at(4), moment: 'after', pairOf: before };
    await send(server, job, after, await picture(k + 40));
  }
  const taken = (performance.now() - began) / 2 / PAIRS;
  const rest = heldMb(server.child.pid);
  console.log(`papers of a job with ${2 * PAIRS} photos (${taken.toFixed(0)} ms each to take in)`);
  console.log(`  server at rest ${rest.toFixed(0)} MB`);
  console.log('                         first byte s   last s      MB   server MB at most');
  for (const [name, path] of [
    ['closing report, first', 'prove-papers/closing-report'],
    ['closing report, again', 'prove-papers/closing-report'],
    ['photo book', 'photo-book'],
    ['photos as a zip', 'photos'],
  ]) {
    const { first, all, mb, most } = await timed(server, `/api${job}/${path}`);
    console.log(
      `  ${name.padEnd(22)} ${first.toFixed(2).padStart(12)} ${all.toFixed(2).padStart(8)} ${mb.toFixed(1).padStart(8)} ${most.toFixed(0).padStart(12)}`,
    );
  }
}
