// What the tests see: single changes made to the code, one at a time, each with the tests run on it. Prints, room by room, how many were noticed,
// and every one that was not. Usage: npm run mutate [-- rooms … --sample 20 --seed 1 --at core/walk/lift-gate.ts]
import { spawn } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { parseArgs } from 'node:util';
import { mutationsOf } from './mutations.mjs';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    sample: { type: 'string', default: '20' },
    seed: { type: 'string', default: '1' },
    at: { type: 'string', multiple: true, default: [] },
  },
});
const ROOMS = readdirSync('core', { withFileTypes: true }).flatMap((each) =>
  each.isDirectory() ? [each.name] : [],
);
const folderOf = (room) => (room === 'data' ? 'data' : `core/${room}`);
const rooms = positionals.length ? positionals : [...ROOMS, 'data'];

/** Where else a room's slips show, beside its own tests. */
const ALSO = {
  quantity: ['core/exchange', 'entry.test'],
  geometry: ['core/shape', 'core/exchange', 'core/probe/kriging'],
  mechanics: ['core/frame', 'core/weigh', 'core/join'],
  reference: ['core/shape', 'core/join', 'core/weigh', 'core/job/member'],
  frame: ['core/weigh', 'core/walk', 'core/job'],
  walk: ['core/job/walk', 'core/job/limits', 'stand-ins/tap-sound'],
  probe: ['core/job/limits', 'core/weigh', 'core/job/member', 'demo/inputs'],
  trace: ['core/job/limits', 'core/weigh', 'core/job/member'],
  weigh: ['core/shape', 'core/job'],
  shape: ['core/join', 'core/job/(member|forms-offered|schools|bolted|works)', 'demo/demo.test'],
  join: ['core/job/(member|bolted-and-reached|seams|crack-welds)', 'demo/demo.test'],
  job: [
    'demo/(inputs|in-the-round|demo.test|passport|order-data|one-job-another)',
    'app/_words/(advice|distrust|findings|prove-papers|standing-lines)',
    'app/jobs/_desk',
    'ui/round',
    'workers',
  ],
  exchange: ['demo/(data|passport|order-data).test'],
  metal: ['core/weigh', 'core/shape', 'core/job'],
  order: ['core/job/order', 'core/job/limits', 'demo/order-data'],
  patterns: ['core/job', 'demo/patterns-data'],
  prove: ['core/job/prove', 'demo/passport'],
};
/** Of the job's own tests those that work out frame after frame: asked last. */
const SLOW = '(situations|walk|forms-offered|demand|schools|bolted-and-reached)\\.test';
/** Tests that look at a room: its own first, then those that cost more. */
const testsOf = (room) =>
  room === 'data'
    ? [
        ['demo/data.test', 'demo/walk-data.test', 'demo/one-job-another'],
        [
          'demo/yard',
          'demo/.*-data.test',
          'demo/taken-in',
          'demo/whole-shop',
          'demo/passport',
          'demo/pictures',
        ],
      ]
    : room === 'job'
      ? [[`core/job/(?!${SLOW})`], [`core/job/(${SLOW})`], ALSO.job]
      : [[`core/${room}/`, 'checks/formats'], ALSO[room] ?? ['core/']];

const filesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name);
    if (each.isDirectory()) return filesIn(path);
    return /\.ts$/.test(each.name) && !/(\.test|-for-tests|\/index)\.ts$/.test(path) ? [path] : [];
  });

/** mulberry32: the same sample for the same seed. */
function chance(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

function sampleOf(room) {
  const random = chance(Number(values.seed) * 7919 + room.length);
  const files = values.at.length ? values.at : filesIn(folderOf(room));
  const all = files.flatMap((file) => mutationsOf(file, readFileSync(file, 'utf8')));
  const wanted = Math.min(Number(values.sample), all.length);
  const taken = new Map();
  while (taken.size < wanted) {
    const k = Math.floor(random() * all.length);
    taken.set(k, all[k]);
  }
  return [...taken.values()].map((mutation) => ({ room, ...mutation }));
}

/** A copy of the house to change things in; packages are shared. */
function copyOfHouse() {
  const folder = mkdtempSync(join(tmpdir(), 'mutate-'));
  const parts = [
    'app',
    'checks',
    'core',
    'data',
    'demo',
    'docs/formats',
    'docs/methods.md',
    'stand-ins',
    'ui',
    'workers',
    'jest.config.mjs',
    'package.json',
    'tsconfig.json',
  ];
  for (const part of parts) cpSync(part, join(folder, part), { recursive: true });
  mkdirSync(join(folder, 'var'));
  symlinkSync(join(process.cwd(), 'node_modules'), join(folder, 'node_modules'));
  return folder;
}

/** Runs the tests of those places on the copy: whether they held, or came to no end in time. */
const run = (folder, places, limitMs) =>
  new Promise((resolve) => {
    const words = [
      'jest',
      ...places,
      '--selectProjects',
      'unit',
      '--bail=1',
      '--silent',
      '-i',
      '--passWithNoTests',
    ];
    const child = spawn('npx', words, { cwd: folder, stdio: 'ignore', detached: true });
    const timer = setTimeout(() => process.kill(-child.pid, 'SIGKILL'), limitMs);
    child.on('close', (status) => {
      clearTimeout(timer);
      resolve(status === 0);
    });
  });

/** How long the tests of some places take where nothing is changed; they have to hold there. */
const untouched = copyOfHouse();
const unchanged = new Map();
function timeUnchanged(places) {
  const key = places.join(' ');
  const time = async () => {
    const began = Date.now();
    if (!(await run(untouched, places, 3_600_000))) throw new Error(`nothing is changed, and ${key} fails`);
    return Date.now() - began;
  };
  if (!unchanged.has(key)) unchanged.set(key, time());
  return unchanged.get(key);
}
/** A run that takes this many times as long as it should hangs, and has noticed. */
const HANGS = 4;
const holds = async (folder, places) => run(folder, places, 60_000 + HANGS * (await timeUnchanged(places)));

async function isNoticed(folder, mutation) {
  const path = join(folder, mutation.file);
  const before = readFileSync(path, 'utf8');
  writeFileSync(path, before.slice(0, mutation.from) + mutation.to + before.slice(mutation.end));
  try {
    for (const places of testsOf(mutation.room)) if (!(await holds(folder, places))) return true;
    return false;
  } finally {
    writeFileSync(path, before);
  }
}

const waiting = rooms.flatMap(sampleOf);
const done = [];
const inRoom = (all, room) => all.filter((each) => each.room === room);
const asked = new Map(rooms.map((room) => [room, inRoom(waiting, room).length]));
/** A room is told once its last change was tried: whoever stops the run has what is known by then. */
function tellIfDone(room) {
  const own = inRoom(done, room);
  if (own.length < asked.get(room)) return;
  const noticed = own.filter((each) => each.noticed).length;
  const share = own.length ? `${Math.round((100 * noticed) / own.length)} %` : '–';
  console.log(
    `${room.padEnd(12)} ${String(noticed).padStart(3)} of ${String(own.length).padStart(3)} noticed  ${share}`,
  );
}
async function worker() {
  const folder = copyOfHouse();
  for (let mutation = waiting.shift(); mutation; mutation = waiting.shift()) {
    const noticed = await isNoticed(folder, mutation);
    done.push({ ...mutation, noticed });
    if (!noticed)
      console.log(
        `not noticed  ${relative('.', mutation.file)}:${mutation.line}  ${mutation.was}  →  ${mutation.to}`,
      );
    tellIfDone(mutation.room);
  }
  rmSync(folder, { recursive: true, force: true });
}
rooms.filter((room) => asked.get(room) === 0).forEach(tellIfDone);
await Promise.all(Array.from({ length: Math.max(1, Math.min(2, availableParallelism())) }, worker));
rmSync(untouched, { recursive: true, force: true });
