import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';
import { development, endPlaces, runOut, squareEnd, tooLong } from './ends';
import { landing, lap, tooThinToWeld } from './landing';
import { beneath, flangeCut, freeEdge, plateThickness, restored } from './section';

export type RepairRule = (context: RepairPicture) => RepairFinding[];

const RULES: readonly RepairRule[] = [
  landing,
  lap,
  tooThinToWeld,
  runOut,
  development,
  squareEnd,
  tooLong,
  endPlaces,
  restored,
  plateThickness,
  flangeCut,
  freeEdge,
  beneath,
];
const RANK = { broken: 0, deviation: 1, note: 2 } as const;

/**
 * What speaks against offering a repair at all: a rule it breaks, or a reach that only looks for metal. A proposal that would leave the rail no
 * better than it is, or worse, is not made.
 */
export const reasonsAgainst = (findings: readonly RepairFinding[]): RepairFinding[] =>
  findings.filter(({ weight, code }) => weight === 'broken' || code === 'plate-too-long');

/** Every rule on one repair, broken ones first. */
export const checkRules = (context: RepairPicture): RepairFinding[] =>
  RULES.flatMap((rule) => rule(context)).sort((a, b) => RANK[a.weight] - RANK[b.weight]);
