import { withOneMore } from '../probe';
import { memberPicture, weigh, type MemberPicture, type MemberVerdict, type SectionKept } from '../weigh';
import {
  isBolted,
  memberStates,
  proposeRepairs,
  repairPicture,
  stateKept,
  type LetIn,
  type MemberState,
  type Repair,
} from '../shape';
import { candidates } from './candidates';
import { inputsOf, sortedRecords, type MemberInputs, type SortedRecords } from './inputs';
import type { JobRecords } from './records';
import { underWorks, type UnderWork } from './under-works';
import { drawnOut, workRepair } from './work-repair';
import { brokenRules, type WorkedRepair } from './worked-repair';

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
  /** What its metal says of works that are made fast to it. */
  readonly underWorks: readonly UnderWork[];
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
  const letIn = heldLetIn(inputs, picture);
  const proposals = proposeRepairs(picture, saved, letIn).map((proposal) => drawnOut(picture, proposal));
  const tried = proposals.map((proposal) => orBetter(inputs, picture, proposal));
  const isGood = ({ against }: WorkedRepair) => against.length === 0;
  const repairs = [
    ...saved.map((repair) => workRepair(repairPicture(picture, repair), false, inputs.grossMassKg, inputs)),
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
    underWorks: underWorks({ picture, repairs }, inputs.footings).map(({ footing: { workId }, finding }) => ({
      workId,
      finding,
    })),
    notOffered: tried.filter((each) => !isGood(each)),
    repairedAlong:
      repaired && picture.found
        ? [...picture.found.stationsMm]
            .map((stationMm) => stateKept(picture, repaired, stationMm))
            .filter((kept) => kept !== undefined)
        : [],
  };
}

/** Lengths let in whose joints and plates lie on metal that holds them: no other is counted on. */
function heldLetIn({ letIn, footings }: MemberInputs, picture: MemberPicture): readonly LetIn[] {
  const against = underWorks({ picture, repairs: [] }, footings);
  return letIn.filter(({ workId }) => against.every(({ footing }) => footing.workId !== workId));
}

/**
 * The engine's own choice, or, where that breaks a rule or would not do at all, the first of the other forms that does neither. It stays welded where the
 * shop welds: that a cut breaks a rule is no reason to drill.
 */
function orBetter(inputs: MemberInputs, picture: MemberPicture, proposal: Repair): WorkedRepair {
  const { grossMassKg } = inputs;
  const worked = workRepair(repairPicture(picture, proposal), true, grossMassKg, inputs);
  const isGood = (each: WorkedRepair) => each.against.length === 0 && brokenRules(each).length === 0;
  if (isGood(worked) || !worked.target) return worked;
  const held = isBolted(proposal) ? 'by bolts' : 'by welds';
  const better = candidates(picture, worked.target, { grossMassKg, held, beside: inputs }).find(isGood);
  if (!better) return worked;
  // Under the first one's name: a proposal is the same one whichever form it has come to.
  return { ...better, repair: { ...better.repair, id: proposal.id } };
}

/** A member judged by itself, with the mark of what that rested on. */
export interface Weighed {
  readonly mark: string;
  readonly picture: MemberPicture;
  readonly verdict: MemberVerdict;
}

/** Every member judged; what none of whose inputs changed is taken over from `known`, where a whole work of it serves as well. */
export function weighJob(
  sorted: SortedRecords,
  known: { readonly works: ReadonlyMap<string, MemberWork>; readonly weighed: Map<string, Weighed> },
): Weighed[] {
  return sorted.records.frame.members.map((member) => {
    const inputs = inputsOf(sorted, member);
    const { mark } = inputs;
    const [work, before] = [known.works.get(member.id), known.weighed.get(member.id)];
    if (before?.mark === mark) return before;
    const { picture, verdict } = work?.marks.mark === mark ? work : weighMember(inputs);
    known.weighed.set(member.id, { mark, picture, verdict });
    return { mark, picture, verdict };
  });
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
