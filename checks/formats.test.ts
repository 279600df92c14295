import { readFileSync } from 'node:fs';
import { printBundleSchema, printWorkMeasures } from '@/core/exchange';

/** Another limit or field of any record is seen here; `npm run formats` writes it down. */
test.each([
  ['job-bundle.schema.json', printBundleSchema],
  ['work-measures.json', printWorkMeasures],
])('%s is what the code has', (name, print) => {
  expect(readFileSync(`docs/formats/${name}`, 'utf8')).toBe(print());
});
