/**
 * One drawing, many papers: screen, PDF, SVG and DXF are pens. x right, y up, mm, angles in radians counter-clockwise from +x.
 * `layer` names what the following strokes are for (cut, bend, mark, …).
 */
export interface Pen {
  layer(name: string): void;
  moveTo(xMm: number, yMm: number): void;
  lineTo(xMm: number, yMm: number): void;
  /** Arc about a centre from the current point's angle to `endRad`. */
  arc(
    centreXMm: number,
    centreYMm: number,
    radiusMm: number,
    startRad: number,
    endRad: number,
    clockwise: boolean,
  ): void;
  close(): void;
  circle(centreXMm: number, centreYMm: number, radiusMm: number): void;
  text(xMm: number, yMm: number, heightMm: number, words: string): void;
}

/** A pen that draws mirrored left to right within `widthMm`: the twin for the other side. Text is moved, never reversed. */
export function mirrored(pen: Pen, widthMm: number): Pen {
  const flip = (x: number) => widthMm - x;
  return {
    layer: (name) => pen.layer(name),
    moveTo: (x, y) => pen.moveTo(flip(x), y),
    lineTo: (x, y) => pen.lineTo(flip(x), y),
    arc: (x, y, r, start, end, clockwise) =>
      pen.arc(flip(x), y, r, Math.PI - start, Math.PI - end, !clockwise),
    close: () => pen.close(),
    circle: (x, y, r) => pen.circle(flip(x), y, r),
    text: (x, y, height, words) => pen.text(flip(x), y, height, words),
  };
}
