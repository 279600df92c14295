import {
  beamProfile,
  stressField,
  warping,
  type BeamProfile,
  type CaseResult,
  type EndForces,
  type Section,
} from '../mechanics';
import {
  CASE_IDS,
  crossingsOn,
  isLifted,
  passes,
  placementOf,
  referencePoint,
  SHEAR_MODULUS_MPA,
  solveCases,
  structureOf,
  isClosed,
  type CaseId,
  type Face,
  type Frame,
  type Member,
  type MeshedMember,
  type SolvedFrame,
  type Stand,
  type Structure,
  type StructureProblem,
  type Surface,
  type UnsolvedCase,
  type WheelLoad,
} from '../frame';
import { cyclesToCrack, steel, type FatigueId, type LoadFactors } from '../reference';
import { cripplingN, faceMeanMm, sectionStrength, type SectionStrength } from './strength';

/** A member's wall in one state: what a section is made of at a station. */
export interface StateWall {
  readonly surface: Surface;
  readonly section: Section;
  readonly wallMm: ArrayLike<number>;
}
/** Asked for every element; undefined where no metal is left. */
export type WallAt = (member: Member, stationMm: number) => StateWall | undefined;

export const WHY_IDS = ['yield', 'wall buckling', 'sideways buckling'] as const;
/** What a station has to carry in its worst case, against what it may. */
export interface StationDemand {
  readonly stationMm: number;
  readonly caseId: CaseId;
  readonly stressMpa: number;
  readonly allowableMpa: number;
  readonly utilisation: number;
  readonly why: (typeof WHY_IDS)[number];
  /** Of the stress: what warping alone does. */
  readonly warpingMpa: number;
  /** Range of normal stress on the road, ±0.5 g of the standing load, MPa. */
  readonly rangeMpa: number;
}
/** A place where cracks start, with its category and what the road does there. */
export interface FatigueSpot {
  readonly stationMm: number;
  readonly what: string;
  readonly category: FatigueId;
  readonly rangeMpa: number;
  readonly cycles: number;
  readonly atPlateEnd: boolean;
}
/** A support under a member against its web's crippling strength. */
export interface PadDemand {
  readonly caseId: CaseId;
  readonly stand: Stand;
  readonly stationMm: number;
  readonly upN: number;
  readonly capacityN: number;
}
export interface MemberDemand {
  readonly memberId: string;
  readonly along: readonly StationDemand[];
  readonly worst?: StationDemand;
  /** Its worst on lift arms or a jack: for whoever lifts it, not for the road. */ readonly lifted?: StationDemand;
  readonly spots: readonly FatigueSpot[];
  readonly pads: readonly PadDemand[];
}

export const FELT_IDS = [
  'steering gear under a push',
  'twist with one wheel in a ditch',
  'front wall, hitched against on legs',
  'tyre to body over a bump',
] as const;
export interface Felt {
  readonly id: (typeof FELT_IDS)[number];
  readonly value: number;
  readonly quantity: 'length' | 'angle';
}

/** The frame in one state, all its cases. */
export interface FrameDemand {
  readonly members: readonly MemberDemand[];
  readonly problems: readonly StructureProblem[];
  readonly unsolved: readonly UnsolvedCase[];
  readonly wheels: readonly WheelLoad[];
  readonly couplerKg?: number;
  readonly felt: readonly Felt[];
  readonly shapes: FlexShapes;
}
/** Node positions, members as runs of nodes, and how every case bends them; the tilt of the whole is taken out. mm, three a node. */
export interface FlexShapes {
  readonly nodesMm: Float64Array;
  readonly members: readonly { readonly id: string; readonly nodes: readonly number[] }[];
  readonly cases: readonly { readonly id: CaseId; readonly movedMm: Float64Array }[];
}

interface Cut extends StateWall {
  readonly profile: BeamProfile;
  readonly strength: SectionStrength;
  readonly y: Float64Array;
  readonly z: Float64Array;
  readonly omega: Float64Array;
  readonly faceOfNode: readonly (Face['id'] | undefined)[];
}

/** Where something was welded on in this state: the ends of plates. */
export interface Detail {
  readonly stationMm: number;
  readonly what: string;
  readonly category: FatigueId;
}

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
          frame,
          structure,
          mesh,
          solved,
          factors,
          (mm) => cutAt(mesh.member, mm),
          detailsOn(mesh.member),
        ),
      ),
  };
}

function cutOf(frame: Frame, member: Member, stationMm: number, wallAt: WallAt): Cut | undefined {
  const wall = wallAt(member, stationMm);
  if (!wall) return undefined;
  const seat = { ...referencePoint(member.shape), mirrored: placementOf(frame, member).mirrored };
  const warps = !isClosed(member.shape);
  const profile = beamProfile(wall.section, seat, warps);
  if (!profile) return undefined;
  const hand = seat.mirrored ? -1 : 1;
  const warp = profile.cwMm6 > 0 ? warping(wall.section) : undefined;
  return {
    ...wall,
    profile,
    strength: sectionStrength(
      wall.surface,
      wall.section,
      wall.wallMm,
      steel(member.steel),
      unbracedMm(frame, member, stationMm),
      SHEAR_MODULUS_MPA,
    ),
    y: wall.section.xMm.map((x) => hand * (x - seat.xMm)),
    z: wall.section.yMm.map((y) => y - seat.yMm),
    omega: warp ? warp.omegaMm2.map((omega) => hand * omega) : new Float64Array(wall.section.xMm.length),
    faceOfNode: facesOfNodes(wall.surface, wall.section),
  };
}

/** Between the crossmembers on either side of a station of a rail; a whole member else. */
function unbracedMm(frame: Frame, member: Member, stationMm: number): number {
  if (member.role !== 'rail') return member.lengthMm;
  const holds = crossingsOn(frame, member).map(({ stationMm: mm }) => mm);
  const before = Math.max(0, ...holds.filter((mm) => mm <= stationMm));
  const after = Math.min(member.lengthMm, ...holds.filter((mm) => mm > stationMm));
  return Math.max(after - before, 1);
}

/** On the wall's midline within this, mm. */
const ON_THE_WALL_MM = 0.05;

/**
 * The face of every node that lies on the plain wall. A face with a carrying plate over it is left out: backed by its plate, the thin wall
 * beneath does not buckle by itself. Nodes of plates have no face.
 */
function facesOfNodes(surface: Surface, section: Section): (Face['id'] | undefined)[] {
  const covered = new Set<Face['id']>();
  const found = Array.from(section.xMm, (x, node): Face['id'] | undefined => {
    const { row, away } = nearestRow(surface, x, section.yMm[node]!);
    const face = surface.rowFace[row]!.id;
    if (away < ON_THE_WALL_MM ** 2) return face;
    covered.add(face);
    return undefined;
  });
  return found.map((face) => (face !== undefined && covered.has(face) ? undefined : face));
}

/** The wall's strip nearest to a point, and how far away it is, squared. */
function nearestRow({ midline }: Surface, x: number, y: number): { row: number; away: number } {
  let row = 0,
    away = Infinity;
  for (let strip = 0; strip < midline.from.length; strip++) {
    const i = midline.from[strip]!,
      j = midline.to[strip]!;
    const dx = midline.xMm[j]! - midline.xMm[i]!,
      dy = midline.yMm[j]! - midline.yMm[i]!;
    const along = Math.min(
      Math.max(((x - midline.xMm[i]!) * dx + (y - midline.yMm[i]!) * dy) / (dx * dx + dy * dy), 0),
      1,
    );
    const [awayX, awayY] = [midline.xMm[i]! + along * dx - x, midline.yMm[i]! + along * dy - y];
    const here = awayX * awayX + awayY * awayY;
    if (here < away) [row, away] = [strip, here];
  }
  return { row, away };
}

interface FibrePeak {
  /** Largest stress of either sign at any fibre, whatever governs. */ greatestMpa: number;
  stressMpa: number;
  allowableMpa: number;
  utilisation: number;
  why: StationDemand['why'];
  warpingMpa: number;
}

/** The worst fibre at an element's end: tension against yield, compression against the least of yield, its wall and sideways buckling. */
function peakOf(cut: Cut, forces: EndForces, share: number): FibrePeak {
  const { profile, section } = cut;
  const { axialMpa, perYMpa, perZMpa, perOmegaMpa } = stressField(profile, forces);
  let greatestMpa = 0;
  let peak: Omit<FibrePeak, 'greatestMpa'> = {
    stressMpa: 0,
    allowableMpa: share * cut.strength.yieldMpa,
    utilisation: 0,
    why: 'yield',
    warpingMpa: 0,
  };
  for (let node = 0; node < section.xMm.length; node++) {
    const warpingMpa = perOmegaMpa * cut.omega[node]!;
    const stressMpa =
      axialMpa +
      perYMpa * (cut.y[node]! - profile.centroid[0]) +
      perZMpa * (cut.z[node]! - profile.centroid[1]) +
      warpingMpa;
    greatestMpa = Math.max(greatestMpa, Math.abs(stressMpa));
    const [limit, why] =
      stressMpa >= 0 ? ([cut.strength.yieldMpa, 'yield'] as const) : compressionLimit(cut, node);
    const allowableMpa = share * limit;
    const utilisation = allowableMpa > 0 ? Math.abs(stressMpa) / allowableMpa : Infinity;
    if (utilisation > peak.utilisation) peak = { stressMpa, allowableMpa, utilisation, why, warpingMpa };
  }
  return { ...peak, greatestMpa };
}

function compressionLimit(
  { strength, faceOfNode }: Cut,
  node: number,
): readonly [number, StationDemand['why']] {
  const face = faceOfNode[node];
  const wall = face === undefined ? strength.yieldMpa : strength.wallMpa.get(face)!;
  if (wall < strength.yieldMpa && wall <= strength.lateralMpa) return [wall, 'wall buckling'];
  return strength.lateralMpa < strength.yieldMpa
    ? [strength.lateralMpa, 'sideways buckling']
    : [strength.yieldMpa, 'yield'];
}

function memberDemand(
  frame: Frame,
  structure: Structure,
  mesh: MeshedMember,
  solved: SolvedFrame,
  factors: LoadFactors,
  cutAt: (mm: number) => Cut | undefined,
  details: readonly Detail[],
): MemberDemand {
  const along: StationDemand[] = [];
  const lifts: StationDemand[] = [];
  mesh.elements.forEach((element, k) => {
    const middleMm = (mesh.stationsMm[k]! + mesh.stationsMm[k + 1]!) / 2;
    const cut = element >= 0 ? cutAt(middleMm) : undefined;
    if (!cut) return;
    const { used, lifted } = elementDemand(cut, element, middleMm, solved, factors);
    if (used) along.push(used);
    if (lifted) lifts.push(lifted);
  });
  const [worst, lifted] = [most(along), most(lifts)];
  return {
    memberId: mesh.member.id,
    along,
    ...(worst && { worst }),
    ...(lifted && { lifted }),
    spots: fatigueSpots(frame, mesh.member, along, details),
    pads: padsOn(structure, mesh, solved, cutAt),
  };
}

const most = (all: readonly StationDemand[]): StationDemand | undefined =>
  all.reduce<StationDemand | undefined>(
    (worst, here) => (!worst || here.utilisation > worst.utilisation ? here : worst),
    undefined,
  );

const isRaised = (id: CaseId): boolean => id === 'on a lift' || id === 'on a jack';

/** An element's worst in use, and its worst raised. */
function elementDemand(
  cut: Cut,
  element: number,
  stationMm: number,
  solved: SolvedFrame,
  factors: LoadFactors,
): { used?: StationDemand; lifted?: StationDemand } {
  const used: StationDemand[] = [],
    lifted: StationDemand[] = [];
  let rangeMpa = 0;
  for (const { id, result, kept } of solved.cases) {
    const at = kept[element]!;
    if (at < 0) continue;
    const share = isLifted(id) ? factors.liftAllowable : factors.roadAllowable;
    for (const forces of [result.from[at]!, result.to[at]!]) {
      const { greatestMpa, ...peak } = peakOf(cut, forces, share);
      // ±0.5 g about standing: the range is the standing stress itself.
      if (id === 'standing') rangeMpa = Math.max(rangeMpa, greatestMpa);
      (isRaised(id) ? lifted : used).push({ stationMm, caseId: id, ...peak, rangeMpa: 0 });
    }
  }
  const [road, raised] = [most(used), most(lifted)];
  return { ...(road && { used: { ...road, rangeMpa } }), ...(raised && { lifted: raised }) };
}

/** Where a rail is welded, drilled or clamped: crossmember ends, hangers and brackets, recorded holes. */
function fatigueSpots(
  frame: Frame,
  member: Member,
  along: readonly StationDemand[],
  details: readonly Detail[],
): FatigueSpot[] {
  if (member.role !== 'rail' || along.length === 0) return [];
  const startMm = member.startMm ?? 0;
  const seeds: (readonly [number, string, FatigueId, atPlateEnd?: true])[] = [
    ...crossingsOn(frame, member).map(
      (each) => [each.stationMm, each.member.name, each.member.joint === 'flange' ? 'E' : 'C'] as const,
    ),
    ...frame.members
      .filter((each) => each.role === 'outrigger' && each.side === member.side)
      .map((each) => [each.line!.from[0] - startMm, each.name, 'E'] as const),
    ...frame.landmarks
      .filter(
        (mark) =>
          (mark.kind === 'spring hanger' ||
            mark.kind === 'steering gear' ||
            mark.kind === 'shock mount' ||
            mark.kind === 'control arm') &&
          (mark.side === 'both' || mark.side === member.side),
      )
      .map((mark) => [mark.stationMm - startMm, mark.name, 'D'] as const),
    ...(member.holes ?? []).map((hole) => [hole.stationMm, 'hole', 'D'] as const),
    ...details.map((detail) => [detail.stationMm, detail.what, detail.category, true] as const),
  ];
  return seeds
    .filter(([mm]) => mm >= 0 && mm <= member.lengthMm)
    .map(([stationMm, what, category, atPlateEnd = false]) => {
      const rangeMpa = nearest(along, stationMm).rangeMpa;
      return { stationMm, what, category, rangeMpa, cycles: cyclesToCrack(category, rangeMpa), atPlateEnd };
    })
    .sort((a, b) => a.cycles - b.cycles);
}

export const nearest = (along: readonly StationDemand[], stationMm: number): StationDemand =>
  along.reduce((best, here) =>
    Math.abs(here.stationMm - stationMm) < Math.abs(best.stationMm - stationMm) ? here : best,
  );

function padsOn(
  structure: Structure,
  mesh: MeshedMember,
  solved: SolvedFrame,
  cutAt: (mm: number) => Cut | undefined,
): PadDemand[] {
  const { member } = mesh;
  if (member.role !== 'rail' && member.role !== 'sill') return [];
  return solved.cases
    .filter(({ id }) => isLifted(id))
    .flatMap(({ id, supports }) =>
      supports
        .filter(({ stand }) => stand.on === 'pad' || stand.on === 'jack')
        .flatMap((support) => {
          const at = mesh.nodes.findIndex((node) => structure.nodes[node] === support.atMm);
          if (at < 0) return [];
          const k = Math.min(at, mesh.elements.length - 1);
          const cut = cutAt((mesh.stationsMm[k]! + mesh.stationsMm[k + 1]!) / 2);
          if (!cut) return [];
          const means = faceMeanMm(cut.surface, cut.wallMm);
          const web = Math.min(
            ...cut.surface.faces.filter((face) => face.upright).map((face) => means.get(face.id)!),
          );
          const flange = means.get('bottom') ?? web;
          return [
            {
              caseId: id,
              stand: support.stand,
              stationMm: mesh.stationsMm[at]!,
              upN: support.upN,
              capacityN: cripplingN(member.shape, web, flange, steel(member.steel).yieldMpa),
            },
          ];
        }),
    );
}

// ——— what the trade feels ———

const caseOf = (solved: SolvedFrame, id: CaseId): CaseResult | undefined =>
  solved.cases.find((each) => each.id === id)?.result;
const moved = (result: CaseResult, node: number, axis: 0 | 1 | 2): number =>
  result.displacements[6 * node + axis]!;

function feltNumbers(structure: Structure, solved: SolvedFrame): Felt[] {
  const { frame } = structure;
  const standing = caseOf(solved, 'standing');
  if (!standing) return [];
  const felt: Felt[] = [];
  const railNode = (side: 'left' | 'right', mm: number): number | undefined => {
    const rail = structure.members.find(
      ({ member }) => member.role === 'rail' && member.side === side && passes(member, mm),
    );
    return (
      rail &&
      rail.nodes[
        rail.stationsMm.reduce(
          (best, own, k) =>
            Math.abs(own + (rail.member.startMm ?? 0) - mm) <
            Math.abs(rail.stationsMm[best]! + (rail.member.startMm ?? 0) - mm)
              ? k
              : best,
          0,
        )
      ]
    );
  };
  const gear = frame.landmarks.find((mark) => mark.kind === 'steering gear');
  const push = caseOf(solved, 'steering push');
  const gearNode = gear && railNode(gear.side === 'right' ? 'right' : 'left', gear.stationMm);
  if (push && gearNode !== undefined)
    felt.push({
      id: 'steering gear under a push',
      quantity: 'length',
      value: Math.abs(moved(push, gearNode, 1) - moved(standing, gearNode, 1)),
    });
  const axles = frame.landmarks.filter((mark) => mark.kind === 'axle').map((mark) => mark.stationMm);
  const ditch = caseOf(solved, 'one wheel in a ditch');
  const [first, last] = [
    frame.landmarks.find((mark) => mark.kind === 'coupler')?.stationMm ?? Math.min(...axles),
    Math.max(...axles),
  ];
  const roll = (result: CaseResult, mm: number): number | undefined => {
    const [left, right] = [railNode('left', mm), railNode('right', mm)];
    return left === undefined || right === undefined
      ? undefined
      : (moved(result, left, 2) - moved(result, right, 2)) /
          Math.abs(structure.nodes[left]![1] - structure.nodes[right]![1]);
  };
  if (ditch) {
    const [front, rear] = [first, last].map((mm) => (roll(ditch, mm) ?? 0) - (roll(standing, mm) ?? 0));
    felt.push({ id: 'twist with one wheel in a ditch', quantity: 'angle', value: Math.abs(rear! - front!) });
  }
  const [hitched, legs] = [caseOf(solved, 'hitched'), caseOf(solved, 'on legs')];
  const upright = structure.members.find(({ member }) => member.role === 'upright');
  if (hitched && legs && upright) {
    const [foot, head] = [upright.nodes[0]!, upright.nodes[upright.nodes.length - 1]!];
    const lean = (result: CaseResult) => moved(result, head, 0) - moved(result, foot, 0);
    felt.push({
      id: 'front wall, hitched against on legs',
      quantity: 'length',
      value: Math.abs(lean(hitched) - lean(legs)),
    });
  }
  const bump = caseOf(solved, 'bump');
  const wheel = solved.wheels[solved.wheels.length - 1];
  const rearNode = railNode('right', last);
  if (bump && wheel && rearNode !== undefined) {
    const above = (result: CaseResult) => moved(result, rearNode, 2) - moved(result, wheel.node, 2);
    felt.push({
      id: 'tyre to body over a bump',
      quantity: 'length',
      value: Math.abs(above(bump) - above(standing)),
    });
  }
  return felt;
}

function flexShapes(structure: Structure, solved: SolvedFrame): FlexShapes {
  return {
    nodesMm: Float64Array.from(structure.nodes.flat()),
    members: structure.members.map(({ member, nodes }) => ({ id: member.id, nodes })),
    cases: CASE_IDS.flatMap((id) => {
      const result = caseOf(solved, id);
      return result ? [{ id, movedMm: withoutTilt(structure, result) }] : [];
    }),
  };
}

/** Movements less what the whole frame sinks and tilts on its springs: the plane that fits the vertical ones best, the mean of the others. */
function withoutTilt(structure: Structure, result: CaseResult): Float64Array {
  const count = structure.nodes.length;
  const out = new Float64Array(3 * count);
  const plane = fittedPlane(structure, result);
  const mean = [0, 1].map(
    (axis) => structure.nodes.reduce((sum, _, node) => sum + moved(result, node, axis as 0 | 1), 0) / count,
  );
  structure.nodes.forEach(([x, y], node) => {
    out[3 * node] = moved(result, node, 0) - mean[0]!;
    out[3 * node + 1] = moved(result, node, 1) - mean[1]!;
    out[3 * node + 2] = moved(result, node, 2) - (plane[0] + plane[1] * x + plane[2] * y);
  });
  return out;
}

function fittedPlane(structure: Structure, result: CaseResult): [number, number, number] {
  const n = structure.nodes.length;
  const mean = structure.nodes.reduce<[number, number, number]>(
    (sum, [x, y], node) => [sum[0] + x / n, sum[1] + y / n, sum[2] + moved(result, node, 2) / n],
    [0, 0, 0],
  );
  let xx = 0,
    yy = 0,
    xy = 0,
    xz = 0,
    yz = 0;
  structure.nodes.forEach(([x, y], node) => {
    const [dx, dy, dz] = [x - mean[0], y - mean[1], moved(result, node, 2) - mean[2]];
    xx += dx * dx;
    yy += dy * dy;
    xy += dx * dy;
    xz += dx * dz;
    yz += dy * dz;
  });
  const bottom = xx * yy - xy * xy;
  if (!(bottom > 0)) return [mean[2], 0, 0];
  const [bx, by] = [(xz * yy - yz * xy) / bottom, (yz * xx - xz * xy) / bottom];
  return [mean[2] - bx * mean[0] - by * mean[1], bx, by];
}
