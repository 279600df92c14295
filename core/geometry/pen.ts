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
