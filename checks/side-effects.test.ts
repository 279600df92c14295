import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name);
    if (each.isDirectory()) return filesIn(path);
    return /\.tsx?$/.test(each.name) && !/\.test\./.test(each.name) ? [path] : [];
  });

/** Imported for what it does, not for what it gives. */
const bareImportsOf = (text: string): string[] =>
  [...text.matchAll(/^import ['"]([^'"]+)['"];/gm)].map(([, what]) => what!);

// package.json tells the bundler that our modules do nothing when they are imported, so that a page carries only what it uses:
// one that does would be left out of pages without a word.
test('nothing of ours is imported for what it does but styles', () => {
  const bare = ['core', 'data', 'ui', 'app', 'workers', 'stand-ins']
    .flatMap(filesIn)
    .flatMap((path) => bareImportsOf(readFileSync(path, 'utf8')));
  expect([...new Set(bare)].sort()).toEqual(['./globals.css', 'server-only']);
});

test('such an import is seen', () =>
  expect(bareImportsOf("import { a } from './a';\nimport './does-something';\n")).toEqual([
    './does-something',
  ]));
