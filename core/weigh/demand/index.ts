import {
  solveCases,
  structureOf,
  type Frame,
  type Member,
  type MeshedMember,
  type SolvedFrame,
  type Structure,
} from '../../frame';
import type { LoadFactors } from '../../reference';
import { momentGradient } from '../strength';
import { cutOf, type Cut } from './cut';
import type { Detail, FrameDemand, MemberDemand, WallAt } from './demand';
import { elementDemand, most } from './element';
import { fatigueSpots } from './fatigue-spots';
import { feltNumbers } from './felt';
import { flexShapes } from './flex-shapes';
import { padsOn } from './pads';

export * from './demand';
export { nearest } from './fatigue-spots';

/** What a frame asks of its members in every case, on the walls it has in one state. */
export function frameDemand(
  frame: Frame,
  factors: LoadFactors,
  wallAt: WallAt,
  detailsOn: (member: Member) => readonly Detail[] = () => [],
): FrameDemand {
  const { structure, demandOf } = preparedDemand(frame, factors, wallAt, detailsOn);
  const solved = solveCases(structure, factors);
  return {
    members: demandOf(solved),
    problems: solved.problems,
    unsolved: solved.unsolved,
    wheels: solved.wheels,
    ...(solved.couplerKg !== undefined && { couplerKg: solved.couplerKg }),
    felt: feltNumbers(structure, solved),
    shapes: flexShapes(structure, solved),
  };
}

/** A frame meshed on its sections once, to be asked again and again how its members fare on other supports. */
export interface PreparedDemand {
  readonly structure: Structure;
  readonly demandOf: (solved: SolvedFrame) => MemberDemand[];
}

export function preparedDemand(
  frame: Frame,
  factors: LoadFactors,
  wallAt: WallAt,
  detailsOn: (member: Member) => readonly Detail[] = () => [],
): PreparedDemand {
  const cuts = new Map<string, Cut | undefined>();
  const keyOf = (member: Member, stationMm: number) => `${member.id}@${stationMm.toFixed(3)}`;
  const cutAt = (member: Member, stationMm: number): Cut | undefined => {
    const key = keyOf(member, stationMm);
    if (!cuts.has(key)) cuts.set(key, cutOf(frame, member, stationMm, wallAt));
    return cuts.get(key);
  };
  const structure = structureOf(frame, (member, stationMm) => cutAt(member, stationMm)?.profile);
  return {
    structure,
    demandOf: (solved) =>
      structure.members.map((mesh) =>
        memberDemand(
          { frame, structure, factors, cutAt: (mm) => cutAt(mesh.member, mm) },
          mesh,
          solved,
          detailsOn(mesh.member),
        ),
      ),
  };
}

interface Asked {
  readonly frame: Frame;
  readonly structure: Structure;
  readonly factors: LoadFactors;
  readonly cutAt: (mm: number) => Cut | undefined;
}

function memberDemand(
  { frame, structure, factors, cutAt }: Asked,
  mesh: MeshedMember,
  solved: SolvedFrame,
  details: readonly Detail[],
): MemberDemand {
  const gradients = gradientsOf(mesh, solved);
  const each = mesh.elements.flatMap((element, k) => {
    const stationMm = (mesh.stationsMm[k]! + mesh.stationsMm[k + 1]!) / 2;
    const cut = element >= 0 ? cutAt(stationMm) : undefined;
    return cut ? [elementDemand(cut, { element, stationMm }, solved, { factors, gradients })] : [];
  });
  const along = each.flatMap(({ used }) => used ?? []);
  const [worst, lifted] = [most(along), most(each.flatMap((one) => one.lifted ?? []))];
  return {
    memberId: mesh.member.id,
    along,
    ...(worst && { worst }),
    ...(lifted && { lifted }),
    spots: fatigueSpots(frame, mesh.member, along, details),
    pads: padsOn(structure, mesh, solved, cutAt),
  };
}

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
