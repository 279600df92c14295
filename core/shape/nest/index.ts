export {
  TURNS,
  type CutSheet,
  type Laid,
  type Nest,
  type NestPart,
  type NestSheet,
  type NestWays,
  type Turns,
} from './nest';
export { cutInto, nestSteps, type NestStep } from './search';
export {
  laidContours,
  LEAST_REMNANT_MM,
  nestFigures,
  remnantsOf,
  type NestFigures,
  type Remnant,
} from './figures';
export { laidBends, nestPart, nestPiece, type NestPiece } from './pieces';
export { isOfThickness, liesOnShelf, sheetsOnShelf, shelfAfter } from './pile';
