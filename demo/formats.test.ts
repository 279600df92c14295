import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { printBundle } from '@/core/exchange';
import { demoBundles } from '.';

/** The written schema, read by another program's reader of JSON Schema (ajv). */
const PATH = 'docs/formats/job-bundle.schema.json';
const written = readFileSync(PATH, 'utf8');
const ajv = new Ajv({ strict: false, allErrors: false });
addFormats(ajv);
const accepts = ajv.compile(JSON.parse(written) as object);

interface Loose {
  version: number;
  evidence: Record<string, unknown>[];
  frame: { members: unknown[] };
}
const all = demoBundles();
const bundle = all[0]!;
const parsed = () => JSON.parse(printBundle(bundle)) as Loose;

test.each(all.map((each) => [each.unit.tag, each] as const))(
  '%s as a file is what the written format says',
  (_, each) => {
    accepts(JSON.parse(printBundle(each)));
    expect(accepts.errors ?? []).toEqual([]);
  },
);

test.each<[string, (file: Loose) => void]>([
  ['an older version', (file) => (file.version = 1)],
  ['a wall of two inches and more', (file) => (firstReading(file).thicknessMm = 51)],
  ['a wall below nothing', (file) => (firstReading(file).thicknessMm = -0.1)],
  ['a reading taken by a method nobody has', (file) => (firstReading(file).method = 'guess')],
  ['a record of an unknown kind', (file) => (firstReading(file).kind = 'rumour')],
  ['a record without who', (file) => delete firstReading(file).by],
  ['a frame without members', (file) => (file.frame.members = [])],
])('%s is no bundle of this format', (_, spoil) => {
  const file = parsed();
  spoil(file);
  expect(accepts(file)).toBe(false);
});
const firstReading = (file: Loose) => file.evidence.find(({ kind }) => kind === 'reading')!;
