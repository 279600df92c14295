export type { Pen } from './pen';
export { svgPen, type SvgPaths } from './svg-pen';
export { distance, drawRounded, pathLength, polygonArea, type Point } from './polygon';
export {
  cross,
  dot,
  eyeOf,
  minus,
  normalOf,
  seenFrom,
  unit,
  type Look,
  type SeenFace,
  type Vector,
} from './solid';
export { rigidFit } from './rigid';
export { interpolateLinear, intervalBy, median } from './interpolate';
export { isoRegions, type GridRegion } from './isolines';
export { bulgeOf } from './contour-pen';
export {
  aroundContour,
  circleContour,
  contourArea,
  contourLength,
  crossingOf,
  drawContour,
  extentOf,
  flattenContour,
  isWithin,
  meetingOf,
  mirroredContour,
  placedContour,
  reversedContour,
  roundedContour,
  type Contour,
  type Extent,
  type Vertex,
} from './contour';
