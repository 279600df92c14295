import { readFileSync } from 'node:fs';
import { printBundleSchema } from '@/core/exchange';

test('the written format is what the code has: another limit or field of any record is seen here, and `npm run formats` writes it down', () => {
  expect(readFileSync('docs/formats/job-bundle.schema.json', 'utf8')).toBe(printBundleSchema());
});
