import {
  coatWhenCool,
  curedFirst,
  foundWhileOpen,
  lookedFirst,
  provedLast,
  standsStay,
  transitBetween,
  triedFirst,
} from './afterwards';
import {
  batteryFirst,
  fuelFirst,
  lighterFirst,
  measuredFirst,
  reachedFirst,
  standsFirst,
} from './before-the-cut';
import {
  axleHeld,
  axlePartsHeld,
  crackFirst,
  inBeforeClosed,
  inLineFirst,
  legsTogether,
  middleFirst,
  oneSideFirst,
  platesFirst,
  shaftFirst,
  springsFirst,
} from './on-the-metal';
import type { OrderRule } from './rule';
import { madeFirst, ownSteps } from './steps';

export { REASONS, type Draft, type Edge, type OrderRule, type ReasonCode } from './rule';

/** Why anything comes before anything, a rule each. */
export const ORDER_RULES: readonly OrderRule[] = [
  ownSteps,
  madeFirst,
  measuredFirst,
  reachedFirst,
  lighterFirst,
  standsFirst,
  standsStay,
  inLineFirst,
  crackFirst,
  oneSideFirst,
  axleHeld,
  axlePartsHeld,
  springsFirst,
  middleFirst,
  shaftFirst,
  legsTogether,
  platesFirst,
  inBeforeClosed,
  batteryFirst,
  fuelFirst,
  coatWhenCool,
  lookedFirst,
  curedFirst,
  triedFirst,
  transitBetween,
  foundWhileOpen,
  provedLast,
];
