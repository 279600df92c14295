// Writes a paper template to a file: `tsx make-template.ts paper path`, the outline and ring middles as JSON on standard input.
import { readFileSync, writeFileSync } from 'node:fs';
import { drawContour, roundedContour, type Pen, type Point } from '@/core/geometry';
import { tilesOf, type Paper } from '@/core/shape';
import { templatePdf } from '@/ui/print/template';

const [paper, path] = process.argv.slice(2) as [Paper, string];
const { outline, rings } = JSON.parse(readFileSync(0, 'utf8')) as { outline: Point[]; rings: Point[] };
const tiling = tilesOf(outline, paper);
if (!tiling.ok) throw new Error(tiling.reason);
const draw = (pen: Pen): void => {
  pen.layer('CUT');
  drawContour(pen, roundedContour(outline, 0));
  for (const [x, y] of rings) pen.circle(x, y, 1);
};
void templatePdf({ title: 'A plate', draw }, tiling.value).then((bytes) => writeFileSync(path, bytes));
