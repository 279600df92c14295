import { withOneMore } from '../probe';
import type { Kit } from '../reference';
import {
  lowerBound,
  memberPicture,
  weigh,
  type MemberPicture,
  type MemberVerdict,
  type SectionKept,
} from '../weigh';
import {
  candidatesOver,
  checkRules,
  clashesUnder,
  flatPatterns,
  inLengths,
  isBolted,
  kitOver,
  openingsOf,
  overlaid,
  lengthened,
  memberStates,
  proposeRepairs,
  reasonsAgainst,
  skinsUnder,
  repairPicture,
  stateKept,
  uncheckedIn,
  type Clash,
  type FlatPattern,
  type LetIn,
  type MemberState,
  type Repair,
  type RepairFinding,
  type RepairPicture,
  type Unchecked,
} from '../shape';
import { checkJoining, designShearN, joining, strengthNPerMm, type JoinFinding, type Joining } from '../join';
import { inputsOf, sortedRecords, type MemberInputs } from './inputs';
import type { JobRecords } from './records';

/** A repair worked right through: what it restores, which rules it breaks, its flat patterns and its welds. */
export interface WorkedRepair {
  readonly repair: Repair;
  readonly isProposal: boolean;
  readonly target?: { readonly fromMm: number; readonly toMm: number };
  readonly restored: readonly SectionKept[];
  /** Each piece looked at along its length: where its edges land. */
  readonly pieces: RepairPicture['pieces'];
  readonly findings: readonly RepairFinding[];
  /** What no rule could look at. */
  readonly unchecked: readonly Unchecked[];
  /** What its plates meet, piece by piece. */
  readonly clashes: readonly (Clash & { readonly pieceId: string })[];
  /** What speaks against offering it at all. */
  readonly against: readonly RepairFinding[];
  readonly patterns: readonly FlatPattern[];
  readonly joined: Joining;
  readonly joinFindings: readonly JoinFinding[];
}

/** Rules of plate and weld that a repair breaks: it is not to be cut or welded like that. */
export const brokenRules = ({
  findings,
  joinFindings,
}: WorkedRepair): readonly (RepairFinding | JoinFinding)[] => [
  ...findings.filter(({ weight }) => weight === 'broken'),
  ...joinFindings.filter(({ weight }) => weight === 'broken'),
];

/** A repair by its name among members' work, with the member's work it is part of. */
export function repairAmong<Work extends { readonly repairs: readonly WorkedRepair[] }>(
  works: readonly Work[],
  repairId: string,
): { readonly work: Work; readonly worked: WorkedRepair } | undefined {
  return works
    .flatMap((work) => work.repairs.map((worked) => ({ work, worked })))
    .find(({ worked }) => worked.repair.id === repairId);
}

/** One member, first reading to last weld. */
export interface MemberWork {
  /** The marks of what it was worked out from. */
  readonly marks: Pick<MemberInputs, 'metalMark' | 'mark'>;
  readonly picture: MemberPicture;
  readonly verdict: MemberVerdict;
  readonly repairs: readonly WorkedRepair[];
  /** Lengths of it that are to be let in. */
  readonly letIn: readonly LetIn[];
  /** What was tried for damage and would not do, with what speaks against it. */
  readonly notOffered: readonly WorkedRepair[];
  readonly states: readonly MemberState[];
  /** The section as repaired along the rail, at the map's columns; empty without repairs. */
  readonly repairedAlong: readonly SectionKept[];
}

/** What stands on one member, seen and judged; nothing planned yet. */
export function weighMember(inputs: MemberInputs): { picture: MemberPicture; verdict: MemberVerdict } {
  const picture = memberPicture(inputs.evidence);
  return { picture, verdict: weigh(picture) };
}

/**
 * A member's picture with one more reading than `before` was made from, in a fraction of the time: for what is drawn while readings are typed.
 * Undefined where something else changed too.
 */
export function sketchedPicture(before: MemberPicture, inputs: MemberInputs): MemberPicture | undefined {
  const { member, readings } = inputs.evidence;
  const map = before.map && withOneMore(before.map, member, readings);
  return map && memberPicture(inputs.evidence, map);
}

export function workMember(inputs: MemberInputs): MemberWork {
  const { picture, verdict } = weighMember(inputs);
  const saved = inputs.repairs;
  const { letIn } = inputs;
  const proposals = proposeRepairs(picture, saved, letIn).map((proposal) => drawnOut(picture, proposal));
  const tried = proposals.map((proposal) => orBetter(picture, proposal, inputs.grossMassKg));
  const isGood = ({ against }: WorkedRepair) => against.length === 0;
  const repairs = [
    ...saved.map((repair) =>
      workRepair(repairPicture(picture, repair), false, inputs.grossMassKg, {
        seams: inputs.seams,
        others: saved.filter(({ id }) => id !== repair.id),
      }),
    ),
    ...tried.filter(isGood),
  ].sort((a, b) => a.repair.pieces[0]!.startMm - b.repair.pieces[0]!.startMm);
  const states = memberStates(
    picture,
    repairs.map(({ repair }) => repair),
    letIn,
  );
  const repaired = states.find((state) => state.id === 'as repaired');
  return {
    marks: { metalMark: inputs.metalMark, mark: inputs.mark },
    picture,
    verdict,
    states,
    letIn,
    repairs,
    notOffered: tried.filter((each) => !isGood(each)),
    repairedAlong:
      repaired && picture.found
        ? [...picture.found.stationsMm]
            .map((stationMm) => stateKept(picture, repaired, stationMm))
            .filter((kept) => kept !== undefined)
        : [],
  };
}

/**
 * The engine's own choice, or, where that breaks a rule or would not do at all, the first of the other forms that does neither. It stays welded where the
 * shop welds: that a cut breaks a rule is no reason to drill.
 */
function orBetter(picture: MemberPicture, proposal: Repair, grossMassKg: number | undefined): WorkedRepair {
  const worked = workRepair(repairPicture(picture, proposal), true, grossMassKg);
  const isGood = (each: WorkedRepair) => each.against.length === 0 && brokenRules(each).length === 0;
  if (isGood(worked) || !worked.target) return worked;
  const held = isBolted(proposal) ? 'by bolts' : 'by welds';
  const better = candidates(picture, worked.target, { grossMassKg, held }).find(isGood);
  if (!better) return worked;
  // Under the first one's name: a proposal is the same one whichever form it has come to.
  return { ...better, repair: { ...better.repair, id: proposal.id } };
}

function workRepair(
  context: RepairPicture,
  isProposal: boolean,
  grossMassKg: number | undefined,
  { seams, others }: { readonly seams: MemberInputs['seams']; readonly others: readonly Repair[] } = {
    seams: [],
    others: [],
  },
): WorkedRepair {
  const { repair, picture } = context;
  const findings = [...checkRules(context), ...overlaid(picture.member, repair, others)];
  const openings = openingsOf(picture, repair);
  const shearN = grossMassKg === undefined ? undefined : designShearN(grossMassKg);
  const joined = joining(context, shearN, seams);
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
    against: reasonsAgainst(findings, foundFraction(context)),
    patterns: repair.pieces.flatMap((piece) =>
      flatPatterns(picture.member, repair, piece, {
        ...picture.practice,
        drains: picture.ways.drains,
        zones: picture.zones,
        openings,
      }),
    ),
    joined,
    joinFindings: checkJoining(context, joined),
  };
}

/** One way to answer damage: drawn, or bought in from the shop's catalogue. */
export type Candidate = WorkedRepair & { readonly kit?: Kit };

/**
 * Every form that could answer a run of damage, worked right through: those that may be offered first, of these what breaks least, then the one with
 * less weld. What speaks against the others stands with them.
 */
export function candidates(
  picture: MemberPicture,
  run: { readonly fromMm: number; readonly toMm: number },
  {
    grossMassKg,
    kits = [],
    held,
  }: {
    readonly grossMassKg?: number | undefined;
    readonly kits?: readonly Kit[];
    readonly held?: 'by welds' | 'by bolts';
  } = {},
): Candidate[] {
  const worked = (repair: Repair) => workRepair(repairPicture(picture, repair), true, grossMassKg);
  const drawn = candidatesOver(picture, run, held);
  // Where no plate may be welded at all, a bought one may not either.
  const bought = drawn.length === 0 ? [] : kits;
  return [
    ...drawn.map((each) => worked(drawnOut(picture, each))),
    ...bought.flatMap((kit): Candidate[] => {
      const repair = kitOver(picture, run, kit);
      return repair ? [{ ...worked(repair), kit }] : [];
    }),
  ].sort(
    (a, b) =>
      a.against.length - b.against.length ||
      brokenRules(a).length - brokenRules(b).length ||
      a.joined.totalWeldMm - b.joined.totalWeldMm,
  );
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
const drawnOut = (picture: MemberPicture, proposal: Repair): Repair =>
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

/**
 * Every member of the job. Members without evidence are cheap: they have no map. A member none of whose inputs changed since it was `known` is taken over
 * as it is; what was worked out is known afterwards.
 */
export function workJob(
  records: JobRecords,
  known: Map<string, MemberWork> = new Map<string, MemberWork>(),
): MemberWork[] {
  const sorted = sortedRecords(records);
  return records.frame.members.map((member) => {
    const inputs = inputsOf(sorted, member);
    const before = known.get(member.id);
    const work = before?.marks.mark === inputs.mark ? before : workMember(inputs);
    known.set(member.id, work);
    return work;
  });
}
