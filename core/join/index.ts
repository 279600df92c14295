export {
  designShearN,
  joining,
  strengthNPerMm,
  type EndDemand,
  type Joining,
  type Runs,
  type WeldLine,
  type WeldPlace,
  type WeldPosition,
} from './weld-line';
export { checkJoining, JOIN_FINDING_CODES, type JoinFinding, type JoinFindingCode } from './finding';
export { BACKINGS, crackWelds, type Backing, type CrackWeld } from './crack-weld';
export { type BoltSet } from './bolt-set';
