export { database, migrate, openDatabase, type Db } from './connection';
export { refused, sameRecord, written, type Problem, type Written } from './problem';
export { addNotice, addUnit, allUnits, correctUnit, noticesOf, unitById } from './unit';
export { allJobs, changeSetup, evidenceMark, jobById, jobFile, openJob, type SetupChange } from './job';
export { currentSetup, type Setup } from './setup';
export {
  cracksOf,
  keepCrack,
  keepReadings,
  keepStrike,
  readingsOf,
  strikesOf,
  type KeptReading,
} from './evidence';
export { keepRepair, repairsOf, withdrawRepair } from './repair';
export { bundleOf, importBundle } from './bundle';
export { keepStartingFrame, startingFrames, startingFrameSchema, type StartingFrame } from './starting-frame';
export { keepWalkRecord, keepWalkRecords, walkOf } from './walk';
export { closeJob, closingSchema, isClosed } from './closing';
export { changeSpots, shopSpots, spotChangeSchema, spotRulesFor } from './spots';
export { keepPhoto, photoBytes, photosOf, PHOTO_LIMIT } from './photo';
export { keepSurveyRecords, surveyOf } from './survey';
export { earlierSurveys, type EarlierSurvey } from './earlier';
