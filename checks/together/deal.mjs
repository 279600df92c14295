import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** Where unit tests lie, and whether beneath it too. */
const ROOMS = [
  ...['core', 'data', 'ui', 'app', 'demo', 'workers', 'stand-ins'].map((room) => [room, true]),
  ['checks', false],
];
/** Test files that change what others would meet: these run by themselves. */
const ALONE = /\bjest\.(mock|doMock|spyOn|useFakeTimers|setSystemTime|resetModules)\b|\bprocess\.env\.\w+ =/;
/** Parts that all others are dealt out to. */
export const PARTS = 8;

const testsUnder = (folder, isDeep) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name);
    if (each.isDirectory()) return isDeep ? testsUnder(path, true) : [];
    return each.name.endsWith('.test.ts') ? [path] : [];
  });
const isAlone = (path) => ALONE.test(readFileSync(path, 'utf8'));

/** Every unit test file, from the project's folder. */
export const testFiles = () => ROOMS.flatMap(([room, isDeep]) => testsUnder(room, isDeep)).sort();
export const aloneFiles = () => testFiles().filter(isAlone);

/** A file's work by its length; those of `core/job` solve whole frames, several times as long a line. */
const workOf = (path) => statSync(path).size * (path.startsWith('core/job/') ? 4 : 1);

/** The files of a part, counted from 1: dealt out with the most work first, each to the part with the least so far. */
export function partOf(part) {
  const mostFirst = testFiles()
    .filter((path) => !isAlone(path))
    .map((path) => ({ path, work: workOf(path) }))
    .sort((a, b) => b.work - a.work || (a.path < b.path ? -1 : 1));
  const parts = Array.from({ length: PARTS }, () => ({ paths: [], work: 0 }));
  for (const { path, work } of mostFirst) {
    const least = parts.reduce((a, b) => (b.work < a.work ? b : a));
    least.paths.push(path);
    least.work += work;
  }
  return parts[part - 1].paths;
}
