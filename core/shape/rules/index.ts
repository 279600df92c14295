import { isBolted } from '../bolting';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';
import {
  boltedAllowed,
  boltPitch,
  boltsLand,
  coatBetween,
  drilledWeaker,
  edgeBolted,
  flangeDrilled,
  plateSteel,
} from './bolted';
import { development, endPlaces, runOut, squareEnd, tooLong } from './ends';
import { cutLoose, heatNear, holesBeneath, inTheWay } from './in-the-way';
import { crackCoverage, crackTips, skinBeneath, staggered, wideBetweenWelds } from './covers';
import { joints } from './joints';
import { landing, lap, tooThinToWeld } from './landing';
import { shopPlates, steelTakesWelds } from './may-be-welded';
import { drainRoom } from './drains';
import { reachedFaces } from './reach';
import { shelf } from './shelf';
import { crackBeside, sealedPocket, seamsAsked } from './legal';
import { straightBeneath } from './straight';
import { beneath, flangeCut, freeEdge, inStock, plateThickness, restored, zincBeneath } from './section';

export type RepairRule = (context: RepairPicture) => RepairFinding[];

/** What a weld asks: of its steel, its landing, its shelf, its zinc. */
const OF_WELDS: readonly RepairRule[] = [
  steelTakesWelds,
  landing,
  lap,
  tooThinToWeld,
  zincBeneath,
  seamsAsked,
  shelf,
  wideBetweenWelds,
  heatNear,
];
const OF_BOLTS: readonly RepairRule[] = [
  boltsLand,
  boltPitch,
  edgeBolted,
  flangeDrilled,
  plateSteel,
  boltedAllowed,
  drilledWeaker,
  coatBetween,
];
const OF_PLATES: readonly RepairRule[] = [
  shopPlates,
  runOut,
  development,
  squareEnd,
  tooLong,
  endPlaces,
  restored,
  plateThickness,
  inStock,
  flangeCut,
  freeEdge,
  beneath,
  straightBeneath,
  sealedPocket,
  crackBeside,
  inTheWay,
  cutLoose,
  holesBeneath,
  crackCoverage,
  crackTips,
  skinBeneath,
  staggered,
  joints,
  reachedFaces,
  drainRoom,
];
const RANK = { broken: 0, deviation: 1, note: 2 } as const;

/** Edges that land on nothing, and a reach that only looks for metal: no plate is offered like that. */
const NEVER: ReadonlySet<RepairFinding['code']> = new Set([
  'edge-not-on-sound-metal',
  'edge-above-corner',
  'lap-short',
  'wall-too-thin-to-weld',
  'no-shelf',
  'no-bolt-holds',
  'flange-drilled',
  'bolted-not-allowed',
]);
/** A plate that brings back less of the strength than this is no repair, whatever was left before (our judgement). */
const LEAST_RESTORED = 0.75;
/** Nor is one that brings back no more than this above what was found. */
const LEAST_GAIN = 0.05;

/**
 * What speaks against offering a repair at all. A proposal that would leave the rail no better than it was found, or worse, is not made; one that
 * falls short of a rule otherwise is, and says so. `foundFraction` is the least section modulus under it as found, lower bound, of as built.
 */
export const reasonsAgainst = (findings: readonly RepairFinding[], foundFraction: number): RepairFinding[] =>
  findings.filter(({ weight, code, value }) => {
    if (code === 'plate-too-long') return true;
    if (code === 'strength-not-restored')
      return !(value! >= Math.max(LEAST_RESTORED, foundFraction + LEAST_GAIN));
    return weight === 'broken' && NEVER.has(code);
  });

export const byWeight = (a: RepairFinding, b: RepairFinding): number => RANK[a.weight] - RANK[b.weight];

/** Every rule on one repair, broken ones first. */
export const checkRules = (context: RepairPicture): RepairFinding[] =>
  [...(isBolted(context.repair) ? OF_BOLTS : OF_WELDS), ...OF_PLATES]
    .flatMap((rule) => rule(context))
    .sort(byWeight);
