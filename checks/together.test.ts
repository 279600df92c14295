import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { aloneFiles, partOf, PARTS } from './together/deal.mjs';

const NOT_HERE = ['node_modules', '.next', '.git', 'var', 'journeys'];
const testsIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name);
    if (each.isDirectory()) return NOT_HERE.includes(each.name) ? [] : testsIn(path);
    return each.name.endsWith('.test.ts') ? [path] : [];
  });

test('every test file is run once: with others in one part, or by itself', () => {
  const parts = Array.from({ length: PARTS }, (_, k) => partOf(k + 1));
  const everywhere = testsIn('.').filter((path) => !/^checks\/(outside|together)\//.test(path));
  expect([...parts.flat(), ...aloneFiles()].sort()).toEqual(everywhere.sort());
  expect(readdirSync('checks/together').filter((name) => name.startsWith('part-'))).toHaveLength(PARTS);
  for (const part of parts) expect(part.length).toBeGreaterThan(20);
});
