export { CLAIMS, KNOWN_BY, type Claim, type KnownBy, type Saying } from './saying';
export { ownReadings, sayingsOf, type Witnesses } from './sayings';
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
  isAnyBad,
  isAnyUnseen,
  knownShare,
  partedShare,
  sayingName,
  standingAgainst,
  standingUnseen,
  struckEdges,
} from './standing';
