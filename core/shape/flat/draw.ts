import { drawContour, type Pen, type Point } from '../../geometry';
import { lengthDigits, type UnitSystem } from '../../quantity';
import { blankFigures, mirroredBlank, type Blank, type BlankHole, type BlankPlace } from './blank';

/** CUT is cut; BEND are tangents and middles of bends; MARK is written on it; SCRIBE is what lies beneath when it is held in its place. */
export const FLAT_LAYERS = ['CUT', 'BEND', 'MARK', 'SCRIBE'] as const;

export interface DrawnAs {
  readonly system: UnitSystem;
  /** Turned over left to right, for the other side. */
  readonly isTwin: boolean;
  readonly warning?: string | undefined;
}

/** Draws a blank in its layers, the other hand for the twin. */
export function drawBlank(pen: Pen, given: Blank, as: DrawnAs): void {
  const blank = handOf(given, as);
  pen.layer('CUT');
  drawContour(pen, blank.outline);
  for (const cutout of blank.cutouts) drawContour(pen, cutout);
  for (const { xMm, yMm, cutMm } of blank.holes) pen.circle(xMm, yMm, cutMm / 2);
  pen.layer('BEND');
  for (const bend of blank.bends) for (const [from, to] of bendLines(bend)) drawLine(pen, from, to);
  pen.layer('SCRIBE');
  for (const { path, isClosed } of blank.scribes) drawPath(pen, path, isClosed);
  pen.layer('MARK');
  drawMarks(pen, blank, as);
}

const handOf = (blank: Blank, { isTwin }: Pick<DrawnAs, 'isTwin'>): Blank =>
  isTwin ? mirroredBlank(blank) : blank;

function drawLine(pen: Pen, [x, y]: Point, [toX, toY]: Point): void {
  pen.moveTo(x, y);
  pen.lineTo(toX, toY);
}

function drawPath(pen: Pen, path: readonly Point[], isClosed: boolean): void {
  path.forEach(([x, y], k) => (k === 0 ? pen.moveTo(x, y) : pen.lineTo(x, y)));
  if (isClosed) pen.close();
}

/** A bend's tangent, its middle, its other tangent. */
export function bendLines({ from, to, halfWidthMm }: Blank['bends'][number]): [Point, Point][] {
  const along = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (!(along > 0)) return [];
  const [nx, ny] = [-(to[1] - from[1]) / along, (to[0] - from[0]) / along];
  return [-halfWidthMm, 0, halfWidthMm].map((off): [Point, Point] => [
    [from[0] + nx * off, from[1] + ny * off],
    [to[0] + nx * off, to[1] + ny * off],
  ]);
}

/** Letters no higher than this, mm; smaller on a small blank. */
const LETTER_MM = 8;
const lengthOf = (mm: number, system: UnitSystem): string =>
  `${lengthDigits(mm, system, 'length')} ${system}`;

function drawMarks(pen: Pen, blank: Blank, as: DrawnAs): void {
  const { lengthMm, widthMm } = blankFigures(blank);
  const lines = linesIn(blank, as);
  const longest = Math.max(...lines.map((line) => line.length));
  const [low, high] = widestFlat(blank, widthMm);
  const room = high - low;
  const height = Math.min(LETTER_MM, room / (2 * lines.length + 2), (0.8 * lengthMm) / (0.6 * longest));
  const textX = 0.12 * lengthMm;
  const top = (low + high) / 2 + (lines.length - 1) * 0.9 * height - height / 2;
  lines.forEach((line, k) => pen.text(textX, top - 1.8 * height * k, height, line));
  drawTicks(pen, blank, as, Math.min(LETTER_MM, widthMm / 8));
  drawHoleNotes(pen, blank, as.system, height * 0.8);
  drawScribeNotes(pen, blank, height * 0.7);
  drawCentres(pen, blank, as.system, height);
}

/** The widest stretch between bends that run along it: words are written there, not over a bend. */
function widestFlat({ bends }: Blank, widthMm: number): [number, number] {
  const along = bends.filter(({ from, to }) => Math.abs(from[1] - to[1]) < 1e-6);
  const stops = [
    0,
    ...along
      .flatMap(({ from, halfWidthMm }) => [from[1] - halfWidthMm, from[1] + halfWidthMm])
      .sort((a, b) => a - b),
    widthMm,
  ];
  const flats = stops.slice(1).map((to, k): [number, number] => [stops[k]!, to]);
  return flats.filter((_, k) => k % 2 === 0).reduce((a, b) => (b[1] - b[0] > a[1] - a[0] ? b : a));
}

/** What is written on it, a line each. */
export const linesOf = (blank: Blank, as: DrawnAs): string[] => linesIn(handOf(blank, as), as);

function linesIn(blank: Blank, { system, isTwin, warning }: DrawnAs): string[] {
  const { place, count, bends, thicknessMm } = blank;
  const name = `${blank.name}, ${blank.for}${count > 1 ? `, cut ${count}` : ''}`;
  const ends = place && [place.ticks[0], place.ticks[place.ticks.length - 1]];
  const angles = [
    ...new Set(bends.map(({ angleRad, way }) => `${Math.round((angleRad * 180) / Math.PI)} ${way}`)),
  ];
  return [
    ...(warning ? [warning] : []),
    `${name}  ${lengthDigits(thicknessMm, system, 'thickness')} ${system}${isTwin ? '  MIRRORED TWIN' : ''}`,
    ...(ends?.[0] && ends[1]
      ? [`stations ${lengthOf(ends[0].stationMm, system)} to ${lengthOf(ends[1].stationMm, system)}`]
      : []),
    ...(place ? [directions(place)] : []),
    ...(bends.length > 0 ? [`${bends.length} bend${bends.length > 1 ? 's' : ''} ${angles.join(', ')}`] : []),
    ...(blank.isRolled ? ['rolled, marked face out'] : []),
  ];
}

const directions = ({ side, front, up, isAgainstWall }: BlankPlace): string =>
  [
    ...(side ? [`${side.toUpperCase()} side`] : []),
    front === 'right' ? 'front >' : '< front',
    ...(up ? ['top edge UP'] : []),
    isAgainstWall ? 'this face to the wall' : 'this face out',
  ].join('  ');

/** Where stations cross it, at both long edges: the middle one is the one to lay it by. */
function drawTicks(pen: Pen, blank: Blank, { system }: DrawnAs, size: number): void {
  const { place } = blank;
  if (!place) return;
  const { widthMm, lengthMm } = blankFigures(blank);
  for (const { xMm, stationMm } of place.ticks) {
    if (xMm < 1 || xMm > lengthMm - 1) continue;
    drawLine(pen, [xMm, 0], [xMm, size]);
    drawLine(pen, [xMm, widthMm], [xMm, widthMm - size]);
    const words = `station ${lengthOf(stationMm, system)}`;
    pen.text(xMm + size / 3, widthMm - size, size / 2, words);
  }
}

const holeNote = ({ cutMm, flaredMm, purpose }: BlankHole, system: UnitSystem): string | undefined => {
  if (flaredMm !== undefined)
    return `cut ${lengthOf(cutMm, system)}, flare DOWN to ${lengthOf(flaredMm, system)}`;
  return purpose === 'kept hole' ? `maker's hole ${lengthOf(cutMm, system)}` : undefined;
};

/** What the scribed lines are. */
function drawScribeNotes(pen: Pen, { scribes }: Blank, height: number): void {
  for (const { what, path } of scribes) {
    const [x, y] = path[0]!;
    pen.text(x + height / 2, y - 1.6 * height, height, what);
  }
}

/** A cross where a hole is drilled once it is fitted. */
function drawCentres(pen: Pen, { drillLater = [] }: Blank, system: UnitSystem, size: number): void {
  for (const {
    at: [x, y],
    diameterMm,
  } of drillLater) {
    drawLine(pen, [x - size, y], [x + size, y]);
    drawLine(pen, [x, y - size], [x, y + size]);
    pen.text(x + size / 2, y - 1.4 * size, 0.7 * size, `drill ${lengthOf(diameterMm, system)} once welded`);
  }
}

/** Drains and the maker's own holes have a word beside them; rows of plugs and bolts speak for themselves. */
function drawHoleNotes(pen: Pen, { holes }: Blank, system: UnitSystem, height: number): void {
  for (const hole of holes) {
    const words = holeNote(hole, system);
    if (words) pen.text(hole.xMm, hole.yMm + hole.cutMm / 2 + height * 0.6, height, words);
  }
}
