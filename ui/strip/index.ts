export { faceWords, FACE_WORDS } from './face-words';
export { Strip, type StripProps } from './strip';
export { CrackLayer, DraftLayer } from './crack-layers';
export { EdgeLayer, ContourLabelLayer, MapLayer } from './layers';
export { FigureLayer, ReadingLayer } from './reading-layers';
export { PlateLayer, type PlateDrawing } from './plate-layer';
export {
  cursorU,
  following,
  rulerTicks,
  spotAt,
  stepCursor,
  stripScale,
  turnFace,
  zoomed,
  type Cursor,
  type Stretch,
  type StripScale,
} from './scale';
export { SignLayer, SignMark } from './signs';
export { CutLayer, NextLayer } from './cuts';
