export {
  EVIDENCE_KINDS,
  fitsFrame,
  openEvidence,
  evidenceVersion,
  packEvidence,
  tellsOf,
  type Evidence,
  type EvidenceId,
  type EvidenceOf,
} from './evidence';
export { changed, type RecordsChange } from './changes';
export {
  lastOf,
  recorded,
  stands,
  standsOn,
  type JobFile,
  type Unreadable,
  type JobRecords,
} from './records';
export {
  besideRepairs,
  inputsOf,
  jobHosts,
  jobSpots,
  sortedRecords,
  type MemberInputs,
  type SortedRecords,
} from './inputs';
export { repairAmong, sketchedPicture, weighMember, workJob, workMember, type MemberWork } from './member';
export { brokenRules, type WorkedRepair } from './worked-repair';
export { workRepair } from './work-repair';
export {
  candidates,
  DRAINAGE,
  type Candidate,
  type CandidateAsked,
  type CandidateFigures,
  type Drainage,
} from './candidates';
export {
  demandOf,
  isDemandOf,
  jobDemand,
  judgedJob,
  knownNothing,
  knownFrame,
  verdictWithDemand,
  type KnownFrame,
  type JobDemand,
  type KnownJob,
  type StateDemand,
} from './demand';
export {
  askLift,
  liftBasis,
  tryUsualLifts,
  USUAL_WAYS,
  usualLifts,
  type KnownLifts,
  type LiftReply,
  type LiftTried,
} from './lift';
export { explainComplaint, isBroken, recordedAgainst } from './complaint';
export { boughtMember, jobBuyersLook } from './buying';
export { closingSchema, type Closing } from './closing';
export { jobLine, VERB_OF, type JobLine, type NextStep } from './line';
export { distrustOf, type Distrust } from './trust';
export { stressAtCrack } from './crack-stress';
export { jobTimeLeft, mayMove, pastLimitOf, type MayMove, type MoveBasis, type MoveReason } from './move';
export { seedOf, watchedCracks, type WatchedCrack } from './until';
export { jobGeometry, placeOf, straightenedFirst } from './geometry';
export { toAlign, type ToAlign } from './alignment';
export { toWeldShut } from './crack-welds';
export { bentSection } from './bent-section';
export { fittingWelds, type FittingPush, type FittingWeld } from './fitting-welds';
export {
  heldSeams,
  heldAtHost,
  laidAndHeld,
  jobLedger,
  seamLedger,
  seamSpot,
  weldTotals,
  type LedgerSeam,
} from './seams';
export {
  ANSWERS,
  QUESTIONS,
  type Answered,
  type AnswerIs,
  type AnswerReason,
  type FourAnswers,
  type Question,
} from './question';
export { fourAnswers, plannedOn, type AnsweredMember, type AnswersBasis, type Planned } from './answers';
export { intakeOf, isUnauthorised } from './intake';
export { quantitiesOf, waysOut } from './ways-out';
export { choiceOf, leftUndone } from './choice';
export { harsher, overridesOf } from './override';
export { jobFirmness } from './firmness';
export { brokenOfTube, openRenewals, plannedTube, renewalsOf } from './renewals';
export { flatsOf, toCutOf, type PlannedFlat, type ToCut } from './planned-flat';
export { toBuy, toCut, type ToBuy } from './to-cut';
export {
  brokenIn,
  letInOn,
  ownOutlines,
  workPhotos,
  worksOf,
  worksOn,
  workSpot,
  type PlannedWork,
} from './works';
export { calmerPlace, plateEndsOf, type JudgedEnd } from './plate-ends';
export { triedPractice, type Tried } from './tried';
export { answeredJob } from './answered';
export { openCracks } from './cracks';
export { lastTold, toldUntil } from './told';
export {
  workCandidates,
  worksForHost,
  worksForMember,
  type UnderIt,
  type WorkCandidate,
} from './suited-works';
export {
  footingsOf,
  foundUnder,
  UNDER_WORK_CODES,
  underWorks,
  withMetal,
  type UnderWork,
} from './under-works';
export {
  frameFaces,
  liftOf,
  pulledApart,
  repairFaces,
  ROUND_PARTS,
  usualLook,
  type KnownOf,
  type RoundFace,
  type RoundPart,
} from './round';
export {
  alongFrame,
  costsOf,
  jobOrder,
  leftOff,
  orderNow,
  orderScene,
  reopenedBy,
  type JobOrder,
  type JobToGet,
  type ToGet,
} from './order';
export {
  adviceOf,
  expectedFelt,
  isAllKept,
  jobDebris,
  jobProof,
  proveScene,
  slicesOf,
  weighedIn,
  worthOf,
  type Advice,
  type AskedCase,
  type AxleMargin,
  type ExpectedFelt,
  type JobProof,
  type ReadAround,
  type ReadTimes,
  type RepairSlices,
  type RepairWorth,
} from './prove';
