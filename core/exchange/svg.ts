import { svgPen, type Pen } from '../geometry';
import { onOneLine } from './as-text';

/** What is drawn, and which part of the plane of it, mm, y up. */
export interface SvgDrawing {
  readonly draw: (pen: Pen) => void;
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
  readonly title: string;
}

const STROKES: Readonly<Record<string, string>> = {
  CUT: '#000000',
  PLATE: '#000000',
  BEND: '#b03030',
  FOLD: '#b03030',
  MARK: '#2f5878',
  SCRIBE: '#3a7a3a',
  OPENING: '#3a7a3a',
  SHEET: '#888888',
};
const DASHED: ReadonlySet<string> = new Set(['BEND', 'FOLD', 'SCRIBE']);

const escaped = (words: string): string =>
  onOneLine(words)
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');

/** A drawing as SVG 1.1 at 1:1: user units are millimetres, a group a layer, strokes only. */
export function svgOf({ draw, minX, minY, maxX, maxY, title }: SvgDrawing): string {
  const pen = svgPen();
  draw(pen);
  const { paths, texts } = pen.result();
  const [width, height] = [maxX - minX, maxY - minY].map((mm) => Math.round(mm * 100) / 100);
  const layers = new Set([...paths.keys(), ...texts.map(({ layer }) => layer)]);
  const groups = [...layers].map((layer) => {
    const stroke = STROKES[layer] ?? '#000000';
    const words = texts
      .filter((text) => text.layer === layer)
      .map(
        ({ x, y, height: size, words: said }) =>
          `<text x="${x.toFixed(2)}" y="${y.toFixed(2)}" font-size="${size.toFixed(2)}" font-family="sans-serif" fill="${stroke}" stroke="none">${escaped(said)}</text>`,
      );
    const path = paths.get(layer);
    const dashes = DASHED.has(layer) ? ' stroke-dasharray="6 3"' : '';
    return [
      `<g id="${layer}" fill="none" stroke="${stroke}" stroke-width="0.25"${dashes}>`,
      ...(path ? [`<path d="${path}"/>`] : []),
      ...words,
      '</g>',
    ].join('\n');
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" version="1.1" width="${width}mm" height="${height}mm" viewBox="${minX.toFixed(2)} ${(-maxY).toFixed(2)} ${width} ${height}">`,
    `<title>${escaped(title)}</title>`,
    ...groups,
    '</svg>',
    '',
  ].join('\n');
}
