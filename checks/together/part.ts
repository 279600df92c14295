import { join } from 'node:path';
import { partOf } from './deal.mjs';

/**
 * Runs every test file of a part in one surrounding: what is computed with is loaded once, and fast by the time the next file asks. A file by itself is run
 * by its own name (`npx jest core/join --selectProjects unit`).
 */
export function runPart(part: number): void {
  for (const name of partOf(part)) describe(name, () => void jest.requireActual(join(process.cwd(), name)));
}
