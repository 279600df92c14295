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

/** What breaks a rule: files of a house of its own, the file that is caught, and the rule it breaks. */
const BREAKS: readonly (readonly [
  what: string,
  files: Record<string, string>,
  caught: string,
  rule: string,
])[] = [
  [
    'a later room, by type only',
    {
      'core/probe/later.ts': "import type { B } from '../shape';\nexport type A = B;\n",
      'core/shape/index.ts': 'export type B = 1;\n',
    },
    'core/probe/later.ts',
    'core-probe-imports-only-earlier-rooms',
  ],
  [
    'a room by the window',
    {
      'core/shape/window.ts': "import { b } from '../probe/b';\nexport const a = b;\n",
      'core/probe/b.ts': 'export const b = 1;\n',
    },
    'core/shape/window.ts',
    'core-probe-is-entered-by-its-index',
  ],
  [
    'node inside core',
    { 'core/probe/node.ts': "import { readFileSync } from 'node:fs';\nexport const a = readFileSync;\n" },
    'core/probe/node.ts',
    'core-takes-nothing-of-node',
  ],
  [
    'React inside core',
    { 'core/probe/react.ts': "import { useState } from 'react';\nexport const a = useState;\n" },
    'core/probe/react.ts',
    'core-takes-named-packages-only',
  ],
  [
    'SQLite outside data',
    { 'app/sqlite.ts': "import D from 'better-sqlite3';\nexport const a = D;\n" },
    'app/sqlite.ts',
    'only-data-opens-sqlite',
  ],
  [
    'app from ui',
    {
      'ui/app.ts': "import { b } from '../app/b';\nexport const a = b;\n",
      'app/b.ts': 'export const b = 1;\n',
    },
    'ui/app.ts',
    'nothing-imports-app',
  ],
  [
    'core where every page has it',
    {
      'app/_outbox/outbox.ts': "import { b } from '../../core/shape';\nexport const a = b;\n",
      'app/_outbox/shelf.ts': "import type { B } from '../../core/shape';\nexport type A = B;\n",
    },
    'app/_outbox/outbox.ts',
    'what-every-page-has-carries-no-core',
  ],
];

describe('in a house where each rule is broken once', () => {
  let said: string[] = [];
  beforeAll(() => {
    const folder = houseWith(
      Object.assign({}, ...BREAKS.map(([, files]) => files)) as Record<string, string>,
    );
    const run = cruise(folder, ['core', 'ui', 'app']);
    rmSync(folder, { recursive: true });
    expect(run.status).not.toBe(0);
    said = (run.stdout + run.stderr).split('\n');
  });

  test.each(BREAKS)('%s is caught', (_what, _files, caught, rule) =>
    expect(said.filter((line) => line.includes(rule) && line.includes(caught))).toHaveLength(1),
  );
  test('and nothing else is', () => {
    const innocent = ['core/shape/index.ts', 'core/probe/b.ts', 'app/b.ts', 'app/_outbox/shelf.ts'];
    const blamed = said.filter((line) => innocent.some((name) => line.includes(`: ${name}`)));
    expect(blamed).toEqual([]);
  });
});
