export { faceWords, FACE_WORDS } from './face-words';
export { Strip, type StripProps } from './strip';
export {
  CrackLayer,
  DraftLayer,
  EdgeLayer,
  FigureLayer,
  ContourLabelLayer,
  MapLayer,
  PlateLayer,
  ReadingLayer,
  type PlateDrawing,
} from './layers';
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
