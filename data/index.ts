export type { Change } from './change';
export { booksOf, database, migrate, NewerDatabase, openDatabase, type Db } from './connection';
export { storageFailure } from './failure';
export { refused, sameRecord, written, type Problem, type Written } from './problem';
export { addNotice, liftNotice, addUnit, allUnits, correctUnit, noticesOf, unitById } from './unit';
export { changeFrame, changePractice, evidenceMark, jobById, jobFile, newestPractice, openJob } from './job';
export { currentFrame, type FrameRevision } from './frame';
export { currentPractice, type PracticeRevision } from './practice';
export { evidenceOf, keepEvidence, type Keeping } from './evidence';
export { keepStrike, strikesOf } from './strike';
export { keepRepair, repairChangesOf, repairsOf, withdrawRepair, type RepairChange } from './repair';
export { bundleOf, importBundle, type Imported, type Stands } from './bundle';
export { keepStartingFrame, startingFrames, startingFrameSchema, type StartingFrame } from './starting-frame';
export { closeIfBack, closeJob, closingsOf, isClosed } from './closing';
export { dropPattern, keepPattern, patternById, patternsOf, listedPatterns } from './pattern';
export { shopHours } from './hours';
export { asBuiltFor } from './as-built';
export { shopFaults } from './faults';
export { changeSpots, shopSpots, spotChangeSchema, spotRulesFor } from './spots';
export { hasPicture, keepPhoto, keepPicture, photoBytes, photosOf, printedPhoto, PHOTO_LIMIT } from './photo';
export {
  earlierSurveys,
  heldElsewhere,
  measuredElsewhere,
  mendedBefore,
  type EarlierSurvey,
} from './earlier';
export { keepWorkedOut, workedOut } from './worked-out';
export {
  changeShopLists,
  changeShopPractice,
  shopHistory,
  shopLists,
  shopPractice,
  type ShopRevision,
} from './shop';
export { jobIds, LINE, UNITS_A_PAGE, yardPage, type YardJob, type YardPage, type YardView } from './yard';
export { noting } from './readable';
export { bookedLooks, plannedJobs, type BookedLook, type PlannedJob } from './calendar';
export { knownDamage } from './start';
