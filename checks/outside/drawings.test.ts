import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { dxfOf, nestedSheetDxf, scribeDxf, svgOf } from '@/core/exchange';
import { drawContour, type Point } from '@/core/geometry';
import { workJob } from '@/core/job';
import {
  blankFigures,
  blankOfPiece,
  drawBlank,
  nestPart,
  nestPiece,
  nestSteps,
  openingsOf,
  PAPER_MARGIN_MM,
  scribeSheet,
  tilesOf,
} from '@/core/shape';
import { demoBundles } from '@/demo';
import { against, PYTHON, run } from './programs';
import { readDxf, readPdf } from './validators';

const folder = mkdtempSync(join(tmpdir(), 'ossatura-drawings-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const works = demoBundles().flatMap((bundle) => workJob(bundle));
const blanks = works
  .flatMap(({ repairs }) =>
    repairs.flatMap(({ patterns }) => patterns.map((pattern) => blankOfPiece(pattern))),
  )
  .map((blank, k) => ({ ...blank, id: `${k} ${blank.id}` }));

against(['rsvg'], 'drawings as SVG, by rsvg and xmllint’s rules', () => {
  test.each(blanks.map(({ id }, k) => [id, k] as const))('%s is drawn, at its size', (_, k) => {
    const blank = blanks[k]!;
    const { lengthMm, widthMm } = blankFigures(blank);
    const svg = svgOf({
      draw: (pen) => drawBlank(pen, blank, { system: 'mm', isTwin: false }),
      minX: 0,
      minY: 0,
      maxX: lengthMm,
      maxY: widthMm,
      title: `plate <"${k}" & more>`,
    });
    expect(svg).toContain('xmlns="http://www.w3.org/2000/svg"');
    const path = join(folder, `${k}.png`);
    // 25.4 points to the inch make a pixel a millimetre.
    const drawn = run('rsvg-convert', ['-d', '25.4', '-p', '25.4', '-f', 'png', '-o', path], svg);
    expect(drawn.err).toBe('');
    const png = readFileSync(path);
    expect(Math.abs(png.readUInt32BE(16) - lengthMm)).toBeLessThanOrEqual(1);
    expect(Math.abs(png.readUInt32BE(20) - widthMm)).toBeLessThanOrEqual(1);
  });
});

against(['ezdxf', 'shapely'], 'areas and extents, by shapely from the DXF', () => {
  const asked = (path: string) => {
    const ran = run(PYTHON, ['checks/outside/dxf_areas.py', path]);
    if (ran.status !== 0) throw new Error(ran.err);
    return JSON.parse(ran.out) as { metal: number; bounds: number[] };
  };
  test.each(blanks.map(({ id }, k) => [id, k] as const))('%s: metal and box', (_, k) => {
    const blank = blanks[k]!;
    const path = join(folder, `area-${k}.dxf`);
    writeFileSync(
      path,
      dxfOf(['CUT'], 'mm', (pen) => {
        pen.layer('CUT');
        drawContour(pen, blank.outline);
        for (const { xMm, yMm, cutMm } of blank.holes) pen.circle(xMm, yMm, cutMm / 2);
      }),
    );
    const { areaMm2, lengthMm, widthMm } = blankFigures(blank);
    const { metal, bounds } = asked(path);
    expect(metal / areaMm2).toBeCloseTo(1, 4);
    expect(bounds[2]! - bounds[0]!).toBeCloseTo(lengthMm, 1);
    expect(bounds[3]! - bounds[1]!).toBeCloseTo(widthMm, 1);
  });
  test('a nested sheet holds every piece: its metal is theirs', () => {
    const pieces = blanks.slice(0, 4).map((blank, k) => nestPiece(blank, k === 1, 1));
    const sheets = [{ id: 'buy', lengthMm: 3000, widthMm: 1500, count: 1 }];
    const ways = { kerfMm: 1.5, gapMm: 5, edgeMm: 6, turns: 'quarter turns' } as const;
    const step = nestSteps(pieces.map(nestPart), sheets, ways).next().value!;
    expect(step.nest.left).toEqual([]);
    const path = join(folder, 'sheet.dxf');
    const text = nestedSheetDxf(step.nest, 0, pieces, 'mm');
    writeFileSync(path, text);
    expect(readDxf(path, text).counts['CUT LWPOLYLINE']).toBe(
      pieces.reduce((sum, { blank }) => sum + 1 + blank.holes.length, 0),
    );
    const ours = pieces.reduce((sum, { blank }) => sum + blankFigures(blank).areaMm2, 0);
    expect(asked(path).metal / ours).toBeCloseTo(1, 4);
  });
  test('sheets to scribe by are sound', () => {
    const sheets = works.flatMap(({ picture, repairs }) =>
      repairs.flatMap(({ repair }) => scribeSheet(picture.member, repair, openingsOf(picture, repair)) ?? []),
    );
    expect(sheets.length).toBeGreaterThan(0);
    sheets.forEach((sheet, k) => {
      const text = scribeDxf(sheet, 'in');
      const path = join(folder, `scribe-${k}.dxf`);
      writeFileSync(path, text.replaceAll('PLATE', 'CUT'));
      expect(readDxf(path, readFileSync(path, 'utf8')).counts['CUT LWPOLYLINE']).toBe(sheet.plates.length);
    });
  });
});

/** A page as grey pixels, ten to a millimetre. */
function page(pdf: string, number: number) {
  const out = join(folder, `page-${number}`);
  const ran = run('pdftoppm', [
    '-r',
    '254',
    '-gray',
    '-f',
    String(number),
    '-l',
    String(number),
    '-singlefile',
    pdf,
    out,
  ]);
  if (ran.status !== 0) throw new Error(ran.err);
  const bytes = readFileSync(`${out}.pgm`);
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 40).toString('latin1'))!;
  const [width, height] = [Number(head[1]), Number(head[2])];
  const pixels = bytes.subarray(head[0].length);
  return { width, height, isDark: (x: number, y: number) => pixels[y * width + x]! < 128 };
}
type Page = ReturnType<typeof page>;

/** Runs of ink along a row, px. */
function longestRun({ width, isDark }: Page, y: number): number {
  let [best, run_] = [0, 0];
  for (let x = 0; x < width; x++) {
    run_ = isDark(x, y) ? run_ + 1 : 0;
    best = Math.max(best, run_);
  }
  return best;
}

/** Middle of the ink within a window about a place, mm from the page's upper left. */
function inkAbout({ isDark }: Page, xMm: number, yMm: number, halfMm: number): Point {
  let [sumX, sumY, count] = [0, 0, 0];
  for (let y = Math.round(10 * (yMm - halfMm)); y <= 10 * (yMm + halfMm); y++)
    for (let x = Math.round(10 * (xMm - halfMm)); x <= 10 * (xMm + halfMm); x++)
      if (isDark(x, y)) {
        sumX += x + 0.5;
        sumY += y + 0.5;
        count++;
      }
  return [sumX / count / 10, sumY / count / 10];
}

against(['poppler', 'qpdf'], 'paper at 1:1, measured on its raster', () => {
  const outline: Point[] = [
    [0, 0],
    [640, 0],
    [640, 150],
    [0, 150],
  ];
  // Small rings every 4 mm: some lie where two pages overlap.
  const rings = Array.from({ length: 159 }, (_, k): Point => [4 + 4 * k, 75]);
  /** The pages are made by packages that are modules only: the script is bundled where they are found. */
  const bundled = 'var/make-template.mjs';
  const script = () => {
    if (!existsSync(bundled)) {
      const made = run('node_modules/.bin/esbuild', [
        'checks/outside/make-template.ts',
        '--bundle',
        '--platform=node',
        '--format=esm',
        '--packages=external',
        '--jsx=automatic',
        '--alias:@=.',
        `--outfile=${bundled}`,
      ]);
      if (made.status !== 0) throw new Error(made.err);
    }
    return bundled;
  };
  beforeAll(() => rmSync(bundled, { force: true }));
  afterAll(() => rmSync(bundled, { force: true }));
  const paths = new Map<string, string>();
  const made = (paper: 'letter' | 'a4') => {
    const tiling = tilesOf(outline, paper);
    if (!tiling.ok) throw new Error(tiling.reason);
    const path = paths.get(paper) ?? join(folder, `${paper}.pdf`);
    if (!paths.has(paper)) {
      const ran = run(process.execPath, [script(), paper, path], JSON.stringify({ outline, rings }));
      if (ran.status !== 0) throw new Error(ran.err);
    }
    paths.set(paper, path);
    return { path, tiling: tiling.value };
  };

  test.each(['letter', 'a4'] as const)(
    '%s: the bars are 100 mm and 4 in within 0.2 mm on every page',
    (paper) => {
      const { path, tiling } = made(paper);
      expect(readPdf(path).pages).toBe(tiling.tiles.length);
      tiling.tiles.forEach((_, k) => {
        const seen = page(path, k + 1);
        const from = seen.height - 10 * PAPER_MARGIN_MM;
        const runs = Array.from({ length: 10 * PAPER_MARGIN_MM }, (__, y) => longestRun(seen, from + y));
        const bars = runs.filter((px) => px > 900).map((px) => px / 10);
        expect(Math.min(...bars)).toBeGreaterThanOrEqual(99.8);
        expect(Math.min(...bars)).toBeLessThanOrEqual(100.4);
        expect(Math.max(...bars)).toBeGreaterThanOrEqual(101.4);
        expect(Math.max(...bars)).toBeLessThanOrEqual(102);
      });
    },
  );

  test.each(['letter', 'a4'] as const)(
    '%s: what two pages share lies at one place of the drawing within 0.3 mm',
    (paper) => {
      const { path, tiling } = made(paper);
      let shared = 0;
      tiling.tiles.slice(1).forEach((tile, k) => {
        const before = tiling.tiles[k]!;
        const [here, there] = [page(path, k + 2), page(path, k + 1)];
        for (const [x, y] of rings) {
          const isShared = x > tile.xMm + 1.5 && x < before.xMm + before.widthMm - 1.5;
          if (!isShared || Math.abs(y - (tile.yMm + 5)) < 8) continue;
          // The crosses stand in the middle of what is shared, at its corners; the rings do not meet them.
          const at = (of: typeof tile, seen: Page) => {
            const [px, py] = [PAPER_MARGIN_MM + x - of.xMm, PAPER_MARGIN_MM + of.heightMm - (y - of.yMm)];
            const [inkX, inkY] = inkAbout(seen, px, py, 1.4);
            return [inkX - PAPER_MARGIN_MM + of.xMm, inkY] as const;
          };
          const [one, other] = [at(before, there), at(tile, here)];
          expect(Math.abs(one[0] - x)).toBeLessThan(0.15);
          expect(Math.hypot(one[0] - other[0], one[1] - other[1])).toBeLessThan(0.3);
          shared++;
        }
      });
      expect(shared).toBeGreaterThan(2);
    },
  );
});
