import { fail, inchesToMm, ok, type Outcome } from '../../quantity';
import { extentOf, isWithin, meetingOf, type Point } from '../../geometry';

/** Sheets a printer takes, mm. */
export const PAPERS = {
  letter: { widthMm: inchesToMm(8.5), heightMm: inchesToMm(11) },
  legal: { widthMm: inchesToMm(8.5), heightMm: inchesToMm(14) },
  tabloid: { widthMm: inchesToMm(11), heightMm: inchesToMm(17) },
  a4: { widthMm: 210, heightMm: 297 },
  a3: { widthMm: 297, heightMm: 420 },
} as const;
export type Paper = keyof typeof PAPERS;
export const PAPER_NAMES = Object.keys(PAPERS) as Paper[];

export function paperOf(name: string): Outcome<Paper> {
  const found = PAPER_NAMES.find((each) => each === name.trim().toLowerCase());
  return found
    ? ok(found)
    : fail(`there is no paper ${JSON.stringify(name.slice(0, 30))} here: ${PAPER_NAMES.join(', ')}`);
}

/** What no printer reaches, and what neighbouring tiles share to be laid over one another, mm. */
export const PAPER_MARGIN_MM = 12;
export const TILE_OVERLAP_MM = 10;

/** A page of a 1:1 template: the stretch of the drawing it shows, from its lower left corner. */
export interface Tile {
  readonly name: string;
  readonly column: number;
  readonly row: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

export interface Tiling {
  readonly tiles: readonly Tile[];
  readonly columns: number;
  readonly rows: number;
  readonly isLandscape: boolean;
  readonly paper: { readonly widthMm: number; readonly heightMm: number };
}

/** Paper round the outline, so that its line is whole, mm. */
const ROUND_MM = 3;
/** A drawing of more pages than this is no template any more. */
const MOST_TILES = 200;

/**
 * Pages that show a drawing at 1:1, neighbours overlapping, whichever way of the paper takes fewer; pages on which nothing of `outline` lies are left
 * out. Named by row letter and column number. Fails where it would take more pages than anybody tapes together.
 */
export function tilesOf(outline: readonly Point[], paper: Paper): Outcome<Tiling> {
  const { widthMm, heightMm } = PAPERS[paper];
  const tilings = [
    tiled(outline, { widthMm, heightMm }, false),
    tiled(outline, { widthMm: heightMm, heightMm: widthMm }, true),
  ].sort((a, b) => a.tiles.length - b.tiles.length);
  const best = tilings[0]!;
  return best.tiles.length <= MOST_TILES
    ? ok(best)
    : fail(
        `it would take ${best.tiles.length} pages of ${paper}: the drawing is cut by a table, or measured over`,
      );
}

function tiled(outline: readonly Point[], paper: Tiling['paper'], isLandscape: boolean): Tiling {
  const shown = {
    widthMm: paper.widthMm - 2 * PAPER_MARGIN_MM,
    heightMm: paper.heightMm - 2 * PAPER_MARGIN_MM,
  };
  const box = extentOf(outline);
  const [minX, minY] = [box.minX - ROUND_MM, box.minY - ROUND_MM];
  const [longMm, highMm] = [box.maxX + ROUND_MM - minX, box.maxY + ROUND_MM - minY];
  const columns = along(longMm, shown.widthMm);
  const rows = along(highMm, shown.heightMm);
  const tiles: Tile[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const tile: Tile = {
        name: `${String.fromCharCode(65 + (row % 26))}${column + 1}`,
        column,
        row,
        xMm: minX + column * (shown.widthMm - TILE_OVERLAP_MM),
        yMm: minY + row * (shown.heightMm - TILE_OVERLAP_MM),
        ...shown,
      };
      if (showsAny(outline, tile)) tiles.push(tile);
    }
  return { tiles, columns, rows, isLandscape, paper };
}

const along = (lengthMm: number, shownMm: number): number =>
  Math.max(1, Math.ceil((lengthMm - TILE_OVERLAP_MM) / (shownMm - TILE_OVERLAP_MM)));

/** Something of the outline, or of what it encloses, lies on it. */
function showsAny(outline: readonly Point[], { xMm, yMm, widthMm, heightMm }: Tile): boolean {
  const corners: Point[] = [
    [xMm, yMm],
    [xMm + widthMm, yMm],
    [xMm + widthMm, yMm + heightMm],
    [xMm, yMm + heightMm],
  ];
  if (outline.some(([x, y]) => x >= xMm && x <= xMm + widthMm && y >= yMm && y <= yMm + heightMm))
    return true;
  if (corners.some((corner) => isWithin(outline, corner))) return true;
  return outline.some((from, k) =>
    corners.some((corner, n) =>
      meetingOf([from, outline[(k + 1) % outline.length]!], [corner, corners[(n + 1) % 4]!]),
    ),
  );
}
