// npm run formats: writes down the open formats as the code has them; a check asks that this was done.
import { mkdirSync, writeFileSync } from 'node:fs';
import { printBundleSchema, printWorkMeasures } from '../core/exchange';

mkdirSync('docs/formats', { recursive: true });
writeFileSync('docs/formats/job-bundle.schema.json', printBundleSchema());
writeFileSync('docs/formats/work-measures.json', printWorkMeasures());
