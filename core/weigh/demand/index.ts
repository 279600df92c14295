import {
  ALL_HOLDS,
  solveCases,
  solveOnStands,
  solveStanding,
  structureOf,
  totalKg,
  type Frame,
  type Holds,
  type Member,
  type MeshedMember,
  type SolvedFrame,
  type Structure,
} from '../../frame';
import type { EndForces } from '../../mechanics';
import type { LoadFactors } from '../../reference';
import { momentGradient } from '../strength';
import { heldBy, notHeldBy, type Cut, type Stretch } from './cut';
import { cutsIn, type CutAt, type KeptCuts, type Walls } from './cuts';
import type { Detail, FrameDemand, MemberDemand, WallAt } from './demand';
import { elementDemand, most, mostOfEach, worstOf } from './element';
import { fatigueSpots } from './fatigue-spots';
import { feltNumbers } from './felt';
import { flexShapes } from './flex-shapes';
import { padsOn } from './pads';

export * from './demand';
export type { KeptCuts, Walls } from './cuts';
export { nearest } from './fatigue-spots';

/** A frame in one state: its walls, what of its joints and fittings still holds, where plates were welded on. */
export interface FrameState extends Walls {
  readonly frame: Frame;
  readonly factors: LoadFactors;
  readonly holds?: Holds;
  /** Which crossmembers still hold the rails sideways; all, where nothing else is said. */
  readonly braces?: (crossmember: Member) => boolean;
  /** Which crossmembers nobody has looked at; none, where nothing else is said. */
  readonly isUnseen?: (crossmember: Member) => boolean;
  readonly detailsOn?: (member: Member) => readonly Detail[];
  /** Where cuts are kept for the next state or the next solve. */
  readonly kept?: KeptCuts;
}

/** What a frame asks of its members in every case. */
export const frameDemand = (frame: Frame, factors: LoadFactors, wallAt: WallAt): FrameDemand =>
  stateDemand({ frame, factors, wallAt });

/** Solved by the stiffness of one state: forces that another state of the same frame may have to take as well. */
export interface StateForces {
  readonly structure: Structure;
  readonly solved: SolvedFrame;
}

/**
 * The same of any state. Old metal carries as stiff as it was made until it has given way, and as it is once it has: where `others` are given, what
 * they put into an element counts too, whichever is worse.
 */
export function stateDemand(
  state: FrameState,
  others: readonly StateForces[] = [],
  before?: FrameState,
): FrameDemand {
  const { structure, demandOf } = preparedDemand(state);
  const solved = solveCases(structure, state.factors);
  return asked(structure, demandOf(solved, others, before && standingBefore(before)), solved);
}

/** A frame standing under its own weight before it was plated: the section of every element, and what stood in it. */
type StoodBefore = (
  member: number,
  k: number,
) => { readonly cut: Cut; readonly from: EndForces; readonly to: EndForces } | undefined;

function standingBefore(state: FrameState): StoodBefore {
  const { structure, cutAt } = preparedDemand(state);
  const standing = solveStanding(structure);
  return (member, k) => {
    const mesh = structure.members[member]!;
    const element = mesh.elements[k]!;
    const at = element < 0 ? -1 : (standing?.kept[element] ?? -1);
    const cut = at < 0 ? undefined : cutAt(mesh.member, stretchOf(mesh, k));
    return cut && { cut, from: standing!.result.from[at]!, to: standing!.result.to[at]! };
  };
}

/** A state's stiffness and forces, and what they ask of that state itself. */
export function stateForces(state: FrameState): StateForces & { readonly demand: () => FrameDemand } {
  const { structure, demandOf } = preparedDemand(state);
  const solved = solveCases(structure, state.factors);
  return { structure, solved, demand: () => asked(structure, demandOf(solved), solved) };
}

/** How a state moves and what one would feel of it, whatever its members make of that. */
export function movement(state: FrameState): Pick<FrameDemand, 'felt' | 'shapes'> {
  const { structure, solved } = stateForces(state);
  return { felt: feltNumbers(structure, solved), shapes: flexShapes(structure, solved) };
}

/** What it asks while it is being cut and welded: on the stands that hold it, nothing else. */
export function demandOnStands(state: FrameState): FrameDemand {
  const { structure, demandOf } = preparedDemand(state);
  const solved = solveOnStands(structure, state.frame.loads?.stands ?? []);
  return asked(structure, demandOf(solved), solved);
}

function asked(structure: Structure, members: MemberDemand[], solved: SolvedFrame): FrameDemand {
  const onStands = solved.cases.find(({ id }) => id === 'on stands');
  return {
    isDriven: totalKg(structure.frame) > 0 && solved.cases.some(({ id }) => id === 'standing'),
    members,
    problems: solved.problems,
    unsolved: solved.unsolved,
    wheels: solved.wheels,
    ...(solved.couplerKg !== undefined && { couplerKg: solved.couplerKg }),
    ...(onStands && { stands: onStands.supports.map(({ stand, upN }) => ({ stand, upN })) }),
    felt: feltNumbers(structure, solved),
    shapes: flexShapes(structure, solved),
  };
}

/** A frame meshed on its sections once, to be asked again and again how its members fare on other supports. */
export interface PreparedDemand {
  readonly structure: Structure;
  /** By its own stiffness and, where there are others, theirs: each element takes the worst. */
  readonly demandOf: (
    solved: SolvedFrame,
    others?: readonly StateForces[],
    before?: StoodBefore,
  ) => MemberDemand[];
  readonly cutAt: CutAt;
}

export function preparedDemand({
  frame,
  factors,
  wallAt,
  holds = ALL_HOLDS,
  braces = () => true,
  isUnseen = () => false,
  detailsOn = () => [],
  wallsOf,
  kept,
}: FrameState): PreparedDemand {
  const cutsHeld = cutsIn(frame, { wallAt, ...(wallsOf && { wallsOf }) }, kept);
  const cutAt = cutsHeld(braces);
  const isBraced = frame.members.every((member) => member.role !== 'crossmember' || braces(member));
  // A rail's own metal, held by crossmembers that all still brace it.
  const bracedCutAt = isBraced ? cutAt : cutsHeld(() => true);
  const structure = structureOf(
    frame,
    (member, stationMm, halfMm) => cutAt(member, { stationMm, halfMm })?.stiffness,
    holds,
  );
  return {
    structure,
    cutAt,
    demandOf: (solved, others = [], before) =>
      structure.members.map((mesh, index) =>
        memberDemand(
          {
            frame,
            factors,
            cutAt: (stretch) => cutAt(mesh.member, stretch),
            bracedCutAt: (stretch) => bracedCutAt(mesh.member, stretch),
            ...(before && { before: (k) => before(index, k) }),
            notHeldBy: (mm) => notHeldBy(frame, mesh.member, mm, braces).map(({ name }) => name),
            restsOn: (mm) =>
              heldBy(frame, mesh.member, mm, braces).flatMap((each) => (isUnseen(each) ? [each.name] : [])),
          },
          index,
          [{ structure, solved }, ...others],
          detailsOn(mesh.member),
        ),
      ),
  };
}

interface Asked {
  readonly frame: Frame;
  readonly factors: LoadFactors;
  readonly cutAt: (stretch: Stretch) => Cut | undefined;
  readonly bracedCutAt: (stretch: Stretch) => Cut | undefined;
  readonly before?: (k: number) => ReturnType<StoodBefore>;
  readonly restsOn: (mm: number) => readonly string[];
  readonly notHeldBy: (mm: number) => readonly string[];
}

function memberDemand(
  { frame, factors, cutAt, bracedCutAt, before, ...held }: Asked,
  index: number,
  forces: readonly StateForces[],
  details: readonly Detail[],
): MemberDemand {
  const own = forces[0]!;
  const mesh = own.structure.members[index]!;
  const all = forces.map(({ structure, solved }) => ({
    elements: structure.members[index]!.elements,
    solved,
    gradients: gradientsOf(structure.members[index]!, solved),
  }));
  const each = mesh.elements.flatMap((element, k) => {
    const stretch = stretchOf(mesh, k);
    const cut = element >= 0 ? cutAt(stretch) : undefined;
    if (!cut) return [];
    const { stationMm } = stretch;
    // Only where there are plates is anything locked in beside them.
    const stood = before && cut.isWall.includes(false) ? before(k) : undefined;
    const asks = all
      .filter(({ elements }) => elements[k]! >= 0)
      .map(({ elements, solved, gradients }) =>
        elementDemand(cut, { element: elements[k]!, stationMm }, solved, {
          factors,
          gradients,
          ...(stood && solved === own.solved && { before: stood }),
        }),
      );
    const braced = all.length > 1 ? (bracedCutAt(stretch) ?? cut) : cut;
    // The first is this state's own; the rest is everything as stiff as made, and asked already where it is held as it was made.
    const alone =
      braced === cut
        ? asks.slice(1)
        : all
            .slice(1)
            .filter(({ elements }) => elements[k]! >= 0)
            .map(({ elements, solved, gradients }) =>
              elementDemand(braced, { element: elements[k]!, stationMm }, solved, { factors, gradients }),
            );
    return [{ ...worstOf(asks), byItself: worstOf(alone).used?.utilisation }];
  });
  const along = each.flatMap(({ used }) => used ?? []);
  const [worst, lifted] = [most(along), most(each.flatMap((one) => one.lifted ?? []))];
  const byItself = each.flatMap((one) => one.byItself ?? []);
  const buckles = worst?.why === 'sideways buckling';
  const unseen = buckles ? held.restsOn(worst.stationMm) : [];
  const lost = buckles ? held.notHeldBy(worst.stationMm) : [];
  return {
    memberId: mesh.member.id,
    along,
    ...(worst && { worst }),
    byCase: mostOfEach(each.flatMap((one) => one.byCase)),
    ...(byItself.length > 0 && { byItself: Math.max(...byItself) }),
    ...(unseen.length > 0 && { restsOn: unseen }),
    ...(lost.length > 0 && { notHeldBy: lost }),
    ...(lifted && { lifted }),
    spots: fatigueSpots(frame, mesh.member, along, details),
    pads: padsOn(own.structure, mesh, own.solved, (k) => cutAt(stretchOf(mesh, k))),
  };
}

const stretchOf = ({ stationsMm }: MeshedMember, k: number): Stretch => ({
  stationMm: (stationsMm[k]! + stationsMm[k + 1]!) / 2,
  halfMm: (stationsMm[k + 1]! - stationsMm[k]!) / 2,
});

/** How the moment changes along a member in each case: known where it is bent by its ends alone; a rail is held between, and counts as evenly bent. */
function gradientsOf({ member, elements }: MeshedMember, { cases }: SolvedFrame): number[] {
  if (member.role === 'rail') return cases.map(() => 1);
  return cases.map(({ result, kept }) => {
    const own = elements.map((element) => (element < 0 ? -1 : kept[element]!));
    if (own.some((element) => element < 0)) return 1;
    const [one, other] = [result.from[own[0]!]!.momentYNmm, result.to[own[own.length - 1]!]!.momentYNmm];
    const atEnds = Math.max(Math.abs(one), Math.abs(other));
    const isMostBetween = own.some((element) => Math.abs(result.from[element]!.momentYNmm) > 1.01 * atEnds);
    return isMostBetween ? 1 : momentGradient(one, other);
  });
}
