import { svgPen, type SvgPaths } from '@/core/geometry';
import type { UnitSystem } from '@/core/quantity';
import { drawFlatPattern, type FlatPattern } from '@/core/shape';

/** A flat pattern's strokes for screen or PDF. */
export function flatPaths(pattern: FlatPattern, system: UnitSystem): SvgPaths {
  const pen = svgPen();
  drawFlatPattern(pen, pattern, system, { mirroredTwin: false });
  return pen.result();
}
