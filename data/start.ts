import { spawn } from 'node:child_process';
import { writeFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { database, NewerDatabase } from './connection';

/** Said on every page while it stands. */
const held = globalThis as typeof globalThis & { ossaturaDamage?: string };
export const knownDamage = (): string | undefined => held.ossaturaDamage;

/**
 * Opens the records as the server starts, says whose they are (`<file>.serving`), and has the file checked beside the work. A file of a later
 * version ends the server: nothing of it may be misread. Any other trouble is answered request by request.
 */
export function startRecords(): void {
  try {
    const { name } = database();
    if (name === ':memory:') return;
    serving(`${name}.serving`);
    setTimeout(() => check(name), CHECK_AFTER_MS).unref();
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    if (error instanceof NewerDatabase) process.exit(1);
  }
}

/** Who has these records open; whoever would put them away looks here first. */
function serving(path: string): void {
  writeFileSync(path, JSON.stringify({ pid: process.pid }));
  process.on('exit', () => rmSync(path, { force: true }));
}

/** First pages first: a large file is read through for seconds. */
const CHECK_AFTER_MS = 8000;

/** Reads the whole file in a process of its own. */
function check(path: string): void {
  const child = spawn(process.execPath, [join(process.cwd(), 'data', 'quick-check.mjs'), path], {
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  let said = '';
  child.stdout.on('data', (data: Buffer) => (said += data.toString()));
  child.on('exit', (code) => {
    if (code !== 1) return;
    held.ossaturaDamage = said.trim();
    console.error(`${path} is damaged: ${said.trim()}`);
  });
  child.on('error', () => undefined);
}
