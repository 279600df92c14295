export * from './records';
export {
  coatedM2,
  coatOf,
  debrisTrends,
  DEBRIS_SAYS,
  type DebrisSays,
  type DebrisTrend,
  type PreservedElsewhere,
  type Weighed,
} from './preserved';
export { flexPairs, FLEX_SAYS, type FlexPair, type FlexSays } from './given';
export {
  changesBetween,
  changesFrom,
  changesSince,
  placeKey,
  MOVED_SAYS,
  type Change,
  type MovedSays,
} from './moved';
export {
  isCutInto,
  ITEM_SOURCES,
  MAY_STAND,
  OPEN_CODES,
  openItems,
  CLOSED_IN,
  type ClosedIn,
  type ItemSource,
  type MayStand,
  type OpenCode,
  type OpenItem,
  type ProveScene,
} from './items';
export { answered, holdsSignOff, isSignedOff, partsOf, type Answered } from './signed';
