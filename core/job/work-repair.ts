import { lowerBound, type MemberPicture } from '../weigh';
import {
  checkRules,
  clashesUnder,
  byWeight,
  flatPatterns,
  heldLevel,
  inLengths,
  insideReached,
  lengthened,
  openingsOf,
  overlaid,
  reasonsAgainst,
  repairPicture,
  skinsUnder,
  uncheckedIn,
  type Access,
  type Repair,
  type RepairPicture,
} from '../shape';
import { checkJoining, designShearN, joining, strengthNPerMm } from '../join';
import type { MemberInputs } from './inputs';
import type { WorkedRepair } from './worked-repair';

/** What a repair has to do with: what was recorded of its member's seams, kept repairs of the member and of its twin, openings planned into it. */
export interface RepairBeside {
  readonly seams: MemberInputs['seams'];
  readonly repairs: readonly Repair[];
  readonly twinRepairs: readonly Repair[];
  /** Openings planned into its member. */
  readonly accesses: readonly Access[];
}
const NOTHING_BESIDE: RepairBeside = { seams: [], repairs: [], twinRepairs: [], accesses: [] };

/** A repair of a member worked right through. Milliseconds: an end that is dragged has it worked out again at every step. */
export function workRepair(
  context: RepairPicture,
  isProposal: boolean,
  grossMassKg: number | undefined,
  { seams, repairs, twinRepairs, accesses }: RepairBeside = NOTHING_BESIDE,
): WorkedRepair {
  const { repair, picture } = context;
  const others = isProposal ? [] : repairs.filter(({ id }) => id !== repair.id);
  const findings = [
    ...checkRules(context),
    ...overlaid(picture.member, repair, others),
    ...heldLevel(context, twinRepairs),
    ...insideReached(context, accesses),
  ].sort(byWeight);
  const openings = openingsOf(picture, repair);
  const shearN = grossMassKg === undefined ? undefined : designShearN(grossMassKg);
  const joined = joining(context, shearN, seams);
  const joinFindings = checkJoining(context, joined);
  return {
    repair,
    isProposal,
    ...(context.target && { target: context.target }),
    restored: context.restored,
    pieces: context.pieces,
    findings,
    unchecked: uncheckedIn(context, findings),
    clashes: repair.pieces.flatMap((piece) =>
      [...clashesUnder(picture.frame, picture.member, piece), ...skinsUnder(picture, piece)].map((clash) => ({
        ...clash,
        pieceId: piece.id,
      })),
    ),
    against: [
      ...reasonsAgainst(findings, foundFraction(context)),
      ...joinFindings.filter(({ code }) => code === 'no-lines'),
    ],
    patterns: repair.pieces.flatMap((piece) =>
      flatPatterns(picture.member, repair, piece, {
        ...picture.practice,
        drains: picture.ways.drains,
        zones: picture.zones,
        openings,
      }),
    ),
    joined,
    joinFindings,
  };
}

/** The least section modulus over what a repair is for, as found, lower bound; 1 where it is for nothing. */
const foundFraction = ({ picture, target }: RepairPicture): number =>
  Math.min(
    1,
    ...picture.sections
      .filter(({ stationMm }) => target && stationMm >= target.fromMm && stationMm <= target.toMm)
      .map(({ kept }) => Math.min(lowerBound(kept.modulusTop!), lowerBound(kept.modulusBottom!))),
  );

/** As long as its welds ask, and in lengths that the shop has. */
export const drawnOut = (picture: MemberPicture, proposal: Repair): Repair =>
  inLengths(picture, withRoomForWelds(picture, proposal));

const LENGTHWISE: readonly string[] = ['upper edge', 'edge on the flange'];

/** The way back: a proposed plate whose end welds cannot take its force is made longer there until they can, three times at most. */
function withRoomForWelds(picture: MemberPicture, proposal: Repair): Repair {
  let repair = proposal;
  for (let round = 0; round < 3; round++) {
    const { ends, lines } = joining(repairPicture(picture, repair), undefined);
    const short = ends.filter((end) => end.capacityN < end.forceN);
    if (short.length === 0) return repair;
    for (const end of short) {
      const perMm = lines
        .filter((line) => line.pieceId === end.pieceId && LENGTHWISE.includes(line.place))
        .reduce((sum, line) => sum + strengthNPerMm(line), 0);
      repair =
        perMm > 0
          ? lengthened(picture, repair, end.pieceId, end.end, (end.forceN - end.capacityN) / perMm)
          : repair;
    }
  }
  return repair;
}
