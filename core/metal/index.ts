export type { Beside } from './says/finds';
export { slotsOf, type Slot } from './slots';
export { slackenedWall } from './slack';
export type { Claim, KnownBy, Saying } from './saying';
export { crackDated, ownReadings, sayingsOf, stillThere, type KeptOrder, type Witnesses } from './sayings';
export {
  CELL_IS,
  columnsUnder,
  metalAccount,
  type CellIs,
  type MetalAccount,
  type WallField,
} from './account';
export {
  cellIs,
  decidingAt,
  goneHeights,
  isAnyBad,
  isBad,
  isAnyUnseen,
  knownShare,
  vouchedShare,
  partedShare,
  sayingName,
  standingAgainst,
  standingNear,
  struckEdges,
} from './standing';
