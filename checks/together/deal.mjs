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

/** The files of a part, counted from 1: dealt out by their length, so that no part has all the long ones. */
export function partOf(part) {
  const together = testFiles().filter((path) => !isAlone(path));
  const longestFirst = together
    .map((path) => ({ path, size: statSync(path).size }))
    .sort((a, b) => b.size - a.size || (a.path < b.path ? -1 : 1));
  return longestFirst.flatMap(({ path }, k) => (k % PARTS === part - 1 ? [path] : []));
}
