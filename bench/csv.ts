import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readingsFromCsv } from '@/core/exchange';
import { ofKind } from '@/core/frame';
import { importBundle, keepEvidence, openDatabase } from '@/data';
import { demoBundle } from '@/demo';
import { seeded } from '@/demo/seeded';

/** A hundred thousand rows of readings, one in a thousand bad: read, checked, kept on disk; file and memory growth. */
const ROWS = 100_000;
const bundle = demoBundle('GR-7');
const random = seeded(5);
const lines = Array.from(
  { length: ROWS },
  (_, k) =>
    `rail-right,${(6000 * random()).toFixed(1)},web,${(200 * random()).toFixed(1)},${k % 1000 === 7 ? 'thick' : (6 * random()).toFixed(2)},mm`,
);
const text = `member,station,face,height,thickness,unit\n${lines.join('\n')}\n`;
const folder = mkdtempSync(join(tmpdir(), 'csv-'));
const path = join(folder, 'shop.db');
const db = openDatabase(path);
importBundle(db, bundle);
db.pragma('wal_checkpoint(TRUNCATE)');
const sizeBefore = statSync(path).size;
const memoryBefore = process.memoryUsage().rss;
let made = 0;
const start = performance.now();
const read = readingsFromCsv(bundle.frame, text, {
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  system: 'mm',
  existing: ofKind(bundle.evidence, 'reading'),
  idFor: () => `00000000-0000-8000-a000-${String(++made).padStart(12, '0')}`,
});
const parsed = performance.now();
if (!read.ok) throw new Error(read.reason);
const kept = keepEvidence(db, bundle.job.id, read.value.readings);
const done = performance.now();
db.pragma('wal_checkpoint(TRUNCATE)');
console.log(
  `${ROWS} rows: read and checked ${(parsed - start).toFixed(0)} ms, kept on disk ${(done - parsed).toFixed(0)} ms; ${read.value.readings.length} kept, ${read.value.rejected.length} listed with line and reason; ${kept.ok ? 'all on disk' : kept.problem.message}`,
);
console.log(
  `file grew by ${((statSync(path).size - sizeBefore) / 1e6).toFixed(1)} MB, memory by ${((process.memoryUsage().rss - memoryBefore) / 1e6).toFixed(0)} MB`,
);
db.close();
rmSync(folder, { recursive: true });
