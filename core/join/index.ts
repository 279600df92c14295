export { benchTime, type BenchTime } from './bench-time';
export * from './records';
export { consumed, startFrom, usualSpool, type ArcAsked, type Consumed } from './settings';
export * from './sequence';
export { designShearN, joining } from './joining';
export {
  strengthNPerMm,
  WELD_ACCESS,
  WELD_POSITIONS,
  type EndDemand,
  type Joining,
  type Runs,
  type WeldAccess,
  type WeldLine,
  type WeldPlace,
  type WeldPosition,
} from './weld-line';
export { isGapOver, POOR_ACCESS_SHARE, seamKind, type SeamSaid } from './said';
export { checkJoining, JOIN_FINDING_CODES, type JoinFinding, type JoinFindingCode } from './finding';
export { BACKINGS, crackWelds, type Backing, type CrackWeld } from './crack-weld';
export { type BoltSet } from './bolt-set';
export {
  followed,
  laidByLog,
  laidOf,
  laidRuns,
  planOf,
  weldBasis,
  type Followed,
  type FollowedRun,
} from './at-the-rail';
export { WELD_WHY_NOT, whyNotWeld, type WeldWhyNot } from './who';
