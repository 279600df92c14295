import { svgPen, type SvgPaths } from '@/core/geometry';
import { drawBlank, type Blank, type DrawnAs } from '@/core/shape';

/** A blank's strokes for screen or PDF. */
export function blankPaths(blank: Blank, as: DrawnAs): SvgPaths {
  const pen = svgPen();
  drawBlank(pen, blank, as);
  return pen.result();
}
