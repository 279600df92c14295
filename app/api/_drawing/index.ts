import { answer, download, systemOf } from '../_door';
import { dxfOf, svgOf } from '@/core/exchange';
import type { Pen, Point } from '@/core/geometry';
import { fail, ok, type Outcome } from '@/core/quantity';
import { paperOf, tilesOf } from '@/core/shape';
import { refused } from '@/data';
import { templatePdf } from '@/ui/print/template';

/** Something at 1:1 that leaves the building. */
export interface Drawing {
  readonly name: string;
  readonly title: string;
  readonly layers: readonly string[];
  readonly draw: (pen: Pen) => void;
  /** What of it must be on paper. */
  readonly outline: readonly Point[];
}

const AS = ['dxf', 'svg', 'pdf'] as const;
type As = (typeof AS)[number];
const formatOf = (words: string): Outcome<As> => {
  const found = AS.find((each) => each === words);
  return found ? ok(found) : fail(`there is no such format: ${AS.join(', ')}`);
};

const KEPT = 'Nothing was changed; the drawing stands as it was.';

/** A drawing in the format asked for: `as` is dxf, svg or pdf; a pdf is tiled on `paper`. */
export async function drawingIn(request: Request, drawing: Drawing): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const format = formatOf(searchParams.get('as') ?? 'dxf');
  if (!format.ok) return answer(refused('invalid', format.reason, KEPT));
  if (format.value === 'dxf')
    return download(
      dxfOf(drawing.layers, systemOf(request), drawing.draw),
      'application/dxf',
      `${drawing.name}.dxf`,
    );
  if (format.value === 'svg') return download(svg(drawing), 'image/svg+xml', `${drawing.name}.svg`);
  const paper = paperOf(searchParams.get('paper') ?? 'letter');
  const tiling = paper.ok ? tilesOf(drawing.outline, paper.value) : paper;
  if (!tiling.ok) return answer(refused('invalid', tiling.reason, KEPT));
  return download(
    new Uint8Array(await templatePdf(drawing, tiling.value)),
    'application/pdf',
    `${drawing.name}-1to1.pdf`,
  );
}

/** Paper round a drawing, mm. */
const ROUND_MM = 5;
function svg({ draw, outline, title }: Drawing): string {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  return svgOf({
    draw,
    title,
    minX: Math.min(...xs) - ROUND_MM,
    minY: Math.min(...ys) - ROUND_MM,
    maxX: Math.max(...xs) + ROUND_MM,
    maxY: Math.max(...ys) + ROUND_MM,
  });
}
