import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

const cruise = (folder: string, parts: string[]) =>
  spawnSync(
    join(process.cwd(), 'node_modules', '.bin', 'depcruise'),
    ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', ...parts],
    { cwd: folder, encoding: 'utf8' },
  );

/** A small house with one file in it that breaks a rule. */
function houseWith(files: Record<string, string>): string {
  const folder = mkdtempSync(join(tmpdir(), 'house-'));
  for (const name of ['.dependency-cruiser.cjs', 'tsconfig.json', 'package.json'])
    cpSync(name, join(folder, name));
  symlinkSync(join(process.cwd(), 'node_modules'), join(folder, 'node_modules'));
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, name)), { recursive: true });
    writeFileSync(join(folder, name), text);
  }
  return folder;
}

test('the house keeps its import directions', () => {
  const run = cruise('.', ['core', 'data', 'ui', 'app', 'workers', 'demo', 'stand-ins']);
  expect(run.stdout + run.stderr).toContain('no dependency violations found');
  expect(run.status).toBe(0);
}, 60_000);

test.each([
  [
    'a later room, by type only',
    {
      'core/probe/a.ts': "import type { B } from '../shape';\nexport type A = B;\n",
      'core/shape/index.ts': 'export type B = 1;\n',
    },
    'core-probe-imports-only-earlier-rooms',
  ],
  [
    'a room by the window',
    {
      'core/shape/a.ts': "import { b } from '../probe/b';\nexport const a = b;\n",
      'core/probe/b.ts': 'export const b = 1;\n',
    },
    'core-probe-is-entered-by-its-index',
  ],
  [
    'node inside core',
    { 'core/probe/a.ts': "import { readFileSync } from 'node:fs';\nexport const a = readFileSync;\n" },
    'core-takes-nothing-of-node',
  ],
  [
    'React inside core',
    { 'core/probe/a.ts': "import { useState } from 'react';\nexport const a = useState;\n" },
    'core-takes-named-packages-only',
  ],
  [
    'SQLite outside data',
    { 'app/a.ts': "import D from 'better-sqlite3';\nexport const a = D;\n" },
    'only-data-opens-sqlite',
  ],
  [
    'app from ui',
    {
      'ui/a.ts': "import { b } from '../app/b';\nexport const a = b;\n",
      'app/b.ts': 'export const b = 1;\n',
    },
    'nothing-imports-app',
  ],
])(
  'it is caught: %s',
  (_what, files, rule) => {
    const folder = houseWith(files);
    const run = cruise(folder, [...new Set(Object.keys(files).map((name) => name.split('/')[0]!))]);
    rmSync(folder, { recursive: true });
    expect(run.stdout + run.stderr).toContain(rule);
    expect(run.status).not.toBe(0);
  },
  60_000,
);
