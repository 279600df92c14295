import {
  ON_REFERENCE,
  prepareFrame,
  type BeamModel,
  type CaseResult,
  type LineLoad,
  type LoadCase,
  type NodeLoad,
  type Unsolvable,
  type Vector3,
} from '../mechanics';
import { STANDARD_GRAVITY } from '../quantity';
import { STEEL_DENSITY_KG_PER_MM3, type LoadFactors } from '../reference';
import type { Fitting } from './fitting';
import { drawnDown } from './ground';
import { memberOver } from './hosts';
import type { Frame } from './frame';
import type { Load } from './loads';
import { standSupport, type Stand, type StandSupport } from './stand';
import { attach, standingModel, type MeshedMember, type Structure, type StructureProblem } from './structure';
import { onRail, pushAt, railAt, undercarriageOf, type Undercarriage } from './undercarriage';

export const CASE_IDS = [
  'standing',
  'bump',
  'brake',
  'corner',
  'one wheel in a ditch',
  'tandem scrub',
  'hitched',
  'on legs',
  'on a lift',
  'on a jack',
  'steering push',
  'recovery pull',
] as const;
export type CaseId = (typeof CASE_IDS)[number];
/** Where the shop's own allowable applies: people under it, or the road. */
export const isLifted = (id: CaseId): boolean => id === 'on a lift' || id === 'on a jack' || id === 'on legs';

/** What a trailer puts on a truck's hitch, share of the truck's own weight (common practice, no source). */
const TONGUE_SHARE = 0.1;

/** One case solved on one state of the frame. Displacements and forces are over the structure's own nodes and elements. */
export interface SolvedCase {
  readonly id: CaseId;
  readonly result: CaseResult;
  /** Where the structure's element k stands in the solved model; −1 where it is left out. */
  readonly kept: Int32Array;
  readonly supports: readonly {
    readonly stand: Stand;
    readonly atMm: Vector3;
    readonly upN: number;
    /** Level, along and across together. */ readonly sideN: number;
  }[];
}
export interface UnsolvedCase {
  readonly id: CaseId;
  readonly why: Unsolvable | { readonly kind: 'not for this frame' | 'no loads' };
}
export interface SolvedFrame {
  readonly cases: readonly SolvedCase[];
  readonly unsolved: readonly UnsolvedCase[];
  readonly problems: readonly StructureProblem[];
  readonly wheels: readonly WheelLoad[];
  readonly couplerKg?: number;
}
export interface WheelLoad {
  readonly axleId: string;
  readonly axleName: string;
  readonly side: 'left' | 'right';
  readonly loadKg: number;
  readonly ratingKg?: number;
  /** Its node in every case on wheels. */ readonly node: number;
}

/** Where lift arms and a jack are put. */
export interface LiftPoints {
  readonly liftMm: readonly number[];
  readonly jackMm: number;
  readonly jackSide: 'left' | 'right';
}

export const totalKg = (frame: Frame): number =>
  frame.loads?.items.reduce((sum, item) => sum + item.massKg, 0) ?? 0;

/** Lift arms on the recorded lift points, else a fifth of the length in from both ends; the jack where it is recorded, else ahead of the last axle on the right. */
export function defaultLiftPoints(frame: Frame): LiftPoints {
  const recorded = frame.fittings.filter((mark) => mark.kind === 'lift point').map((mark) => mark.stationMm);
  const rails = frame.members.filter((member) => member.role === 'rail' && member.side === 'left');
  const from = Math.min(...rails.map((rail) => rail.startMm ?? 0));
  const length = frame.lengthMm - from;
  const lastAxle = Math.max(
    ...frame.fittings.filter((mark) => mark.kind === 'axle').map((mark) => mark.stationMm),
    from + 0.7 * length,
  );
  const jack = frame.fittings.find((mark) => mark.kind === 'jack');
  return {
    liftMm: recorded.length >= 2 ? recorded : [from + 0.22 * length, from + 0.78 * length],
    jackMm: jack?.stationMm ?? Math.max(from, lastAxle - 600),
    jackSide: jack ? sideOf(jack) : 'right',
  };
}

/** A unit nobody has weighed counts as this heavy: something to stand on its springs (ours). */
const UNWEIGHED_KG = 500;
/** What a frame's undercarriage is laid out for, kg. */
export const sprungMassKg = (frame: Frame): number => totalKg(frame) || UNWEIGHED_KG;

/** Every case that this frame can be put in, solved: one factorisation for all cases that stand on the same supports. */
export function solveCases(
  structure: Structure,
  factors: LoadFactors,
  points: LiftPoints = defaultLiftPoints(structure.frame),
): SolvedFrame {
  const { frame } = structure;
  const massKg = sprungMassKg(frame);
  const under = undercarriageOf(structure, massKg);
  const standing: Standing = { structure, under, gravity: gravityLoads(structure), massKg };
  const groups = caseGroups(standing, factors, points);
  const solved = groups.map((group) => solveGroup(standing, group, factors));
  const why = { kind: frame.loads?.items.length ? 'not for this frame' : 'no loads' } as const;
  const asked = new Set(groups.flatMap((group) => group.cases.map((each) => each.id)));
  const cases = solved.flatMap((group) => group.cases);
  const unsolved = [
    ...CASE_IDS.filter((id) => !asked.has(id)).map((id): UnsolvedCase => ({ id, why })),
    ...solved.flatMap((group) => group.unsolved),
  ];
  return {
    cases: CASE_IDS.flatMap((id) => cases.filter((each) => each.id === id)),
    unsolved: unsolved.filter(({ id }) => !cases.some((each) => each.id === id)),
    problems: eachOnce([...structure.problems, ...solved.flatMap((group) => group.problems)]),
    ...stoodOn(standing, cases.find((each) => each.id === 'standing')?.result),
  };
}

const eachOnce = (problems: readonly StructureProblem[]): StructureProblem[] =>
  problems.filter(
    (one, k) =>
      problems.findIndex((other) => other.code === one.code && other.memberId === one.memberId) === k,
  );

interface SolvedGroup {
  readonly cases: readonly SolvedCase[];
  readonly unsolved: readonly UnsolvedCase[];
  readonly problems: readonly StructureProblem[];
}

/** All cases on one set of supports, and where it stands on its wheels the ditch, which needs the level one first. */
function solveGroup(
  { structure, under, gravity }: Standing,
  group: CaseGroup,
  factors: LoadFactors,
): SolvedGroup {
  const extra = group.onWheels ? under : { nodes: [], elements: [] };
  const stood = standingModel(structure, extra, group.supports);
  const none = (why: UnsolvedCase['why']): SolvedGroup => ({
    cases: [],
    unsolved: group.cases.map(({ id }) => ({ id, why })),
    problems: stood.problems,
  });
  const prepared = prepareFrame(stood.model);
  if (!('solve' in prepared)) return none(prepared);
  const solve = (loads: readonly LoadCase[]) =>
    prepared.solve(loads.map((load) => ({ ...load, lineLoads: keptLines(load.lineLoads, stood.kept) })));
  const solved = solve(group.cases.map((each) => each.load));
  if (!solved.ok) return none(solved.reason);
  const caseOf = (id: CaseId, result: CaseResult): SolvedCase => ({
    id,
    result,
    kept: stood.kept.subarray(0, structure.elements.length),
    supports: supportForces(stood.model, group.supports, result),
  });
  const cases = group.cases.map(({ id }, k) => caseOf(id, solved.cases[k]!));
  const level = cases.find(({ id }) => id === 'standing');
  const solveMore = (loads: readonly LoadCase[]) => {
    const more = solve(loads);
    return more.ok ? more.cases : undefined;
  };
  const ditch = level && ditchCase({ under, gravity }, factors, level.result, solveMore);
  const braked = level && solveMore([brakeCase({ under, gravity }, factors, level.result)])?.[0];
  return {
    cases: [
      ...cases,
      ...(braked ? [caseOf('brake', braked)] : []),
      ...(ditch ? [withoutPull(caseOf('one wheel in a ditch', ditch.result), ditch.drawnN)] : []),
    ],
    unsolved: [],
    problems: stood.problems,
  };
}

/** Line loads of elements that stand in the solved model, under the numbers they have there. */
const keptLines = (lines: readonly LineLoad[], kept: Int32Array): LineLoad[] =>
  lines.flatMap((line) => (kept[line.element]! >= 0 ? [{ ...line, element: kept[line.element]! }] : []));

/** What stands on each wheel and on the coupler; the wheels are the first supports of the standing case. */
function stoodOn(
  { under }: Standing,
  standing: CaseResult | undefined,
): Pick<SolvedFrame, 'wheels' | 'couplerKg'> {
  if (!standing) return { wheels: [] };
  const massKg = (support: number) => standing.reactions[support]![2]! / STANDARD_GRAVITY;
  return {
    wheels: under.wheels.map(({ axle, side, node }, k) => ({
      axleId: axle.id,
      axleName: axle.name,
      side,
      loadKg: massKg(k),
      node,
      ...(axle.ratingKg !== undefined && { ratingKg: axle.ratingKg / 2 }),
    })),
    ...(under.coupler && { couplerKg: massKg(under.wheels.length) }),
  };
}

export const supportForces = (
  model: BeamModel,
  supports: readonly StandSupport[],
  result: CaseResult,
): SolvedCase['supports'] =>
  supports.map((support, k) => {
    const [alongN, acrossN, upN] = result.reactions[k]!;
    return {
      stand: support.stand,
      atMm: model.nodes[support.node]!,
      upN: upN!,
      sideN: Math.hypot(alongN!, acrossN!),
    };
  });

interface CaseGroup {
  readonly supports: readonly StandSupport[];
  readonly onWheels: boolean;
  readonly cases: readonly { readonly id: CaseId; readonly load: LoadCase }[];
}

interface Standing {
  readonly structure: Structure;
  readonly under: Undercarriage;
  readonly gravity: Gravity;
  readonly massKg: number;
}

function caseGroups(
  { structure, under, gravity, massKg }: Standing,
  factors: LoadFactors,
  points: LiftPoints,
): CaseGroup[] {
  const { frame } = structure;
  const make = (id: CaseId, nodeLoads: readonly NodeLoad[], perG: Vector3 = [0, 0, -1]) => ({
    id,
    load: { id, nodeLoads, lineLoads: gravity.inDirection(perG) },
  });
  const groups: CaseGroup[] = [];
  const tyres = under.wheels.map((wheel) => wheel.support);
  const weightN = massKg * STANDARD_GRAVITY;
  if (under.wheels.length >= 2) {
    const on = under.coupler ? [...tyres, under.coupler] : tyres;
    const rolling = [
      make('standing', []),
      make('bump', [], [0, 0, -factors.bumpG]),
      make('corner', [], [0, factors.cornerG, -1]),
    ];
    const rear = scrubPushes(under, factors, weightN);
    if (rear.length) rolling.push(make('tandem scrub', rear));
    const hitch = frame.fittings.find((mark) => mark.kind === 'hitch');
    if (hitch) rolling.push(make('recovery pull', pullAt(structure, hitch, factors.recoveryShare * weightN)));
    if (hitch && !under.coupler)
      rolling.push(make('hitched', onHitch(structure, hitch, [0, 0, -TONGUE_SHARE * weightN])));
    if (under.coupler) rolling.push(make('hitched', []));
    const gear = frame.fittings.find((mark) => mark.kind === 'steering gear');
    if (gear) rolling.push(make('steering push', [steeringPush(structure, gear, factors.steeringN)]));
    groups.push({ supports: on, onWheels: true, cases: rolling });
  }
  const legs = legSupports(structure);
  if (legs.length && tyres.length)
    groups.push({ supports: [...tyres, ...legs], onWheels: true, cases: [make('on legs', [])] });
  const lift = points.liftMm.flatMap((mm) =>
    (['left', 'right'] as const).flatMap((side) =>
      padUnder(structure, side, mm, { on: 'pad', pointId: `${side} ${Math.round(mm)}` }),
    ),
  );
  if (lift.length >= 3) groups.push({ supports: lift, onWheels: false, cases: [make('on a lift', [])] });
  const jacked = tyres.filter((support) => !isNearest(under, support, points));
  const jack = padUnder(structure, points.jackSide, points.jackMm, { on: 'jack' });
  if (jack.length && jacked.length >= 2)
    groups.push({
      supports: [...jacked, ...jack, ...(under.coupler ? [under.coupler] : [])],
      onWheels: true,
      cases: [make('on a jack', [])],
    });
  return groups;
}

/** Pads hold upwards and, by friction, from sliding: stiff beside springs and tyres: what stands on pads hardly sinks (ours). */
const PAD_N_PER_MM = 20_000;
const PAD_STIFFNESS = [PAD_N_PER_MM / 4, PAD_N_PER_MM / 4, PAD_N_PER_MM, 0, 0, 0] as const;

export function padUnder(
  structure: Structure,
  side: 'left' | 'centre' | 'right',
  stationMm: number,
  stand: Stand,
): StandSupport[] {
  if (side === 'centre') return padInMiddle(structure, stationMm, stand);
  const rail =
    railAt(structure, side, stationMm) ??
    structure.members.find(
      ({ member }) => member.side === side && (member.role === 'sill' || member.role === 'rail'),
    );
  if (!rail) return [];
  const at =
    rail.member.role === 'rail'
      ? onRail(structure, rail, stationMm, 0)
      : attach(structure, [stationMm, rail.placement.from[1], 0], (element) =>
          rail.elements.includes(element),
        );
  return [standSupport(stand, { node: at.node, stiffness: PAD_STIFFNESS })];
}

/** Under the middle of what runs across; its mesh has a node there. */
function padInMiddle(structure: Structure, stationMm: number, stand: Stand): StandSupport[] {
  const over = memberOver(structure.frame, { side: 'centre', stationMm });
  const mesh = over && structure.members.find(({ member }) => member.id === over.member.id);
  if (!mesh) return [];
  const away = mesh.stationsMm.map((mm) => Math.abs(mm - over.stationMm));
  const node = mesh.nodes[away.indexOf(Math.min(...away))]!;
  return [standSupport(stand, { node, stiffness: PAD_STIFFNESS })];
}

export function legSupports(structure: Structure): StandSupport[] {
  const legs = structure.members.filter(({ member }) => member.role === 'leg');
  if (legs.length)
    return legs.map(({ member, nodes }) =>
      standSupport(
        { on: 'leg', legId: member.id },
        { node: nodes[nodes.length - 1]!, stiffness: PAD_STIFFNESS },
      ),
    );
  const mark = structure.frame.fittings.find((each) => each.kind === 'landing leg');
  return mark
    ? (['left', 'right'] as const).flatMap((side) =>
        padUnder(structure, side, mark.stationMm, { on: 'leg', legId: `leg ${side}` }),
      )
    : [];
}

const isNearest = (under: Undercarriage, support: StandSupport, points: LiftPoints): boolean => {
  const own = under.wheels
    .filter((wheel) => wheel.side === points.jackSide)
    .sort((a, b) => Math.abs(a.axle.stationMm - points.jackMm) - Math.abs(b.axle.stationMm - points.jackMm));
  return own[0]?.support === support;
};

/** Neighbouring rear axles scrub against each other: the foremost is pushed left, the hindmost right, at the tyres. */
function scrubPushes(under: Undercarriage, factors: LoadFactors, weightN: number): NodeLoad[] {
  const axles = [...new Set(under.wheels.map((wheel) => wheel.axleNumber))];
  const rear = axles.length >= 3 ? axles.slice(1) : under.coupler && axles.length >= 2 ? axles : [];
  if (rear.length < 2) return [];
  const push = (factors.scrubShare * weightN) / axles.length / 2;
  return [
    [rear[0]!, -push],
    [rear[rear.length - 1]!, push],
  ].flatMap(([number, sideN]) =>
    under.wheels
      .filter((wheel) => wheel.axleNumber === number)
      .map((wheel): NodeLoad => ({
        node: wheel.node,
        offsetMm: wheel.support.offsetMm!,
        forceN: [0, sideN!, 0],
      })),
  );
}

const sideOf = (mark: Fitting): 'left' | 'right' => (mark.side === 'right' ? 'right' : 'left');
const onMark = (structure: Structure, mark: Fitting) => {
  const rail = railAt(structure, sideOf(mark), mark.stationMm);
  return rail
    ? onRail(structure, rail, mark.stationMm, mark.dropMm ?? 0)
    : attach(structure, [mark.stationMm, 0, -(mark.dropMm ?? 0)]);
};
/** A hitch on both rails loads both. */
const onHitch = (structure: Structure, hitch: Fitting, forceN: Vector3): NodeLoad[] => {
  const sides = hitch.side === 'both' ? (['left', 'right'] as const) : [hitch.side];
  return sides.map((side) =>
    pushAt(onMark(structure, { ...hitch, side }), [
      forceN[0] / sides.length,
      forceN[1] / sides.length,
      forceN[2] / sides.length,
    ]),
  );
};
/** A recovery pull goes this far off straight (common practice, no source). */
const PULL_OFF_RAD = Math.PI / 12;
const pullAt = (structure: Structure, hitch: Fitting, pullN: number): NodeLoad[] =>
  onHitch(structure, hitch, [pullN * Math.cos(PULL_OFF_RAD), pullN * Math.sin(PULL_OFF_RAD), 0]);
/** A gear pushes against the rail a hand's breadth below it, sideways. */
const steeringPush = (structure: Structure, gear: Fitting, pushN: number): NodeLoad => {
  const rail = railAt(structure, sideOf(gear), gear.stationMm);
  const at = rail ? onRail(structure, rail, gear.stationMm, gear.dropMm ?? 100) : onMark(structure, gear);
  return pushAt(at, [0, pushN, 0]);
};

/** Every wheel brakes by what it stands on the road with; a coupler takes what its own load asks for. */
function brakeCase(
  { under, gravity }: Pick<Standing, 'under' | 'gravity'>,
  { brakeG }: LoadFactors,
  level: CaseResult,
): LoadCase {
  return {
    id: 'brake',
    lineLoads: gravity.inDirection([-brakeG, 0, -1]),
    nodeLoads: under.wheels.map(({ node, support }, k) => ({
      node,
      offsetMm: support.offsetMm!,
      forceN: [brakeG * level.reactions[k]![2]!, 0, 0],
    })),
  };
}

/**
 * The wheel behind on the right loses its ground by the ditch's depth. Which wheels are then off it is found by drawing each down alone: tyres do not
 * pull. A wheel off the ground keeps its hold sideways and lengthwise, which nothing pushes against here.
 */
function ditchCase(
  { under, gravity }: Pick<Standing, 'under' | 'gravity'>,
  factors: LoadFactors,
  level: CaseResult,
  solve: (loads: readonly LoadCase[]) => readonly CaseResult[] | undefined,
): { readonly result: CaseResult; readonly drawnN: readonly number[] } | undefined {
  const { wheels } = under;
  const dropped = wheels.findLastIndex(({ side }) => side === 'right');
  if (dropped < 0 || wheels.length < 4) return undefined;
  const drawn = (forcesN: readonly number[]): NodeLoad[] =>
    wheels.map(({ node }, k) => ({ node, forceN: [0, 0, -forcesN[k]!] }));
  const alone = solve(
    wheels.map(({ axle, side }, k) => ({
      id: `drawn ${axle.id} ${side}`,
      lineLoads: [],
      nodeLoads: drawn(wheels.map((_, j) => (j === k ? DRAWN_ALONE_N : 0))),
    })),
  );
  if (!alone) return undefined;
  const drawnN = drawnDown(
    {
      standsN: wheels.map((_, i) => level.reactions[i]![2]!),
      gives: wheels.map((_, i) => alone.map(({ reactions }) => reactions[i]![2]! / DRAWN_ALONE_N)),
    },
    dropped,
    wheels[dropped]!.support.stiffness[2] * factors.ditchMm,
  );
  const result =
    drawnN &&
    solve([
      {
        id: 'one wheel in a ditch',
        lineLoads: gravity.inDirection([0, 0, -1]),
        nodeLoads: drawn(drawnN),
      },
    ])?.[0];
  return result && { result, drawnN };
}
const DRAWN_ALONE_N = 1000;

/** What the springs of wheels off the ground pulled is taken back from what they stand with; wheels are the first supports. */
const withoutPull = (solved: SolvedCase, drawnN: readonly number[]): SolvedCase => ({
  ...solved,
  supports: solved.supports.map((support, k) => ({ ...support, upN: support.upN - (drawnN[k] ?? 0) })),
});

/** Everything heavy as loads along the members, N/mm per g, turned into any direction. Sills and brackets bring it to a channel's web, not to its centroid. */
export interface Gravity {
  readonly inDirection: (perG: Vector3) => LineLoad[];
  readonly massKg: number;
}

export function gravityLoads(structure: Structure): Gravity {
  const perMm = new Float64Array(structure.elements.length);
  const lengthOf = elementLengths(structure);
  structure.elements.forEach(
    ({ profile }, k) => (perMm[k] = profile.areaMm2 * STEEL_DENSITY_KG_PER_MM3 * STANDARD_GRAVITY),
  );
  for (const item of structure.frame.loads?.items ?? []) {
    for (const side of ['left', 'right'] as const) spread(structure, item, side, { lengthOf, perMm });
  }
  const massKg = perMm.reduce((sum, q, k) => sum + (q * lengthOf[k]!) / STANDARD_GRAVITY, 0);
  return {
    massKg,
    inDirection: (perG) =>
      Array.from(perMm, (q, element) => ({
        element,
        perMmN: [q * perG[0], q * perG[1], q * perG[2]] as Vector3,
        lineYz: ON_REFERENCE,
      })),
  };
}

function elementLengths(structure: Structure): Float64Array {
  const lengths = new Float64Array(structure.elements.length);
  for (const { stationsMm, elements } of structure.members)
    elements.forEach(
      (element, k) => element >= 0 && (lengths[element] = stationsMm[k + 1]! - stationsMm[k]!),
    );
  return lengths;
}

/** Slices of a load, each on the long member of its side that passes its station; beyond the ends, on the nearest. */
function spread(
  structure: Structure,
  item: Load,
  side: 'left' | 'right',
  into: { readonly lengthOf: Float64Array; readonly perMm: Float64Array },
): void {
  const share = side === 'left' ? item.leftShare : 1 - item.leftShare;
  const carriers = structure.members.filter(
    ({ member }) =>
      member.side === side &&
      (member.role === 'rail' || member.role === 'deck beam' || member.role === 'floor rail'),
  );
  if (!(share > 0) || carriers.length === 0) return;
  const slices = Math.max(1, Math.ceil((item.toMm - item.fromMm) / 50));
  for (let k = 0; k < slices; k++) {
    const x = item.fromMm + ((item.toMm - item.fromMm) * (k + 0.5)) / slices;
    const element = carrierElement(carriers, x);
    if (element >= 0)
      into.perMm[element]! += (item.massKg * share * STANDARD_GRAVITY) / slices / into.lengthOf[element]!;
  }
}

function carrierElement(carriers: readonly MeshedMember[], x: number): number {
  let best = -1;
  let away = Infinity;
  for (const { placement, stationsMm, elements } of carriers)
    elements.forEach((element, k) => {
      if (element < 0) return;
      const from = placement.from[0] + stationsMm[k]!,
        to = placement.from[0] + stationsMm[k + 1]!;
      const here = x < from ? from - x : x > to ? x - to : 0;
      if (here < away) [best, away] = [element, here];
    });
  return best;
}
