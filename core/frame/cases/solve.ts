import { prepareFrame, type BeamModel, type CaseResult, type LoadCase, type Vector3 } from '../../mechanics';
import { STANDARD_GRAVITY } from '../../quantity';
import type { LoadFactors } from '../../reference';
import type { StandSupport } from '../stand';
import type { Load } from '../loads';
import { standingModel } from '../standing-model';
import { type Structure } from '../structure';
import { type StructureProblem } from '../beam-mesh';
import { undercarriageOf, type Undercarriage } from '../undercarriage';
import { heldByFriction } from './by-friction';
import { gravityLoads, sprungMassKg } from './gravity';
import { heldSquare } from './held-square';
import { laidOnKept } from './kept-lines';
import { defaultLiftPoints, type LiftPoints } from './lift-points';
import { legSupports, padUnder } from './pads';
import { cases as roadCases, plainCases, type OnWheels, type RoadCase } from './road';
import {
  CASE_IDS,
  isRaised,
  type CaseId,
  type SolvedCase,
  type SolvedFrame,
  type StoodOn,
  type UnsolvedCase,
} from './solved';

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
  const bare = gravityLoads(structure, isAlwaysThere);
  const groups = [
    ...(under.wheels.length >= 2 ? [solveOnWheels(standing, factors)] : []),
    ...raisedGroups(standing, points).map((group) =>
      solveRaised({ ...standing, gravity: isRaised(group.id) ? bare : standing.gravity }, group),
    ),
  ];
  const why = { kind: frame.loads?.items.length ? 'not for this frame' : 'no loads' } as const;
  const cases = groups.flatMap((group) => group.cases);
  const failed = groups.flatMap((group) => group.unsolved);
  const isThere = (id: CaseId) =>
    cases.some((each) => each.id === id) || failed.some((each) => each.id === id);
  const unsolved = [
    ...CASE_IDS.filter((id) => id !== 'on stands' && !isThere(id)).map((id): UnsolvedCase => ({ id, why })),
    ...failed.filter(({ id }) => !cases.some((each) => each.id === id)),
  ];
  return {
    cases: CASE_IDS.flatMap((id) => cases.filter((each) => each.id === id)),
    unsolved,
    problems: eachOnce([...structure.problems, ...groups.flatMap((group) => group.problems)]),
    ...stoodOn(standing, cases.find((each) => each.id === 'standing')?.result),
  };
}

/** Standing level on its wheels, and nothing else of it solved. */
export function solveStanding(structure: Structure): SolvedCase | undefined {
  const massKg = sprungMassKg(structure.frame);
  const under = undercarriageOf(structure, massKg);
  if (under.wheels.length < 2) return undefined;
  const supports = onItsWheels(under);
  const lineLoads = gravityLoads(structure).inDirection([0, 0, -1]);
  const standing = { id: 'standing' as const, load: { id: 'standing', nodeLoads: [], lineLoads } };
  return solvedOn(structure, under, supports, [standing]).cases[0];
}

/**
 * Wheels roll, each by itself: one place keeps a unit from rolling away, or its coupler does. Two wheels of an axle that both held would keep the axle
 * from turning under the frame, and with their tyres' hold sideways take up most of what winds it.
 */
function onItsWheels({ wheels, coupler }: Undercarriage): StandSupport[] {
  const held = wheels.findIndex(({ support }) => support.stiffness[0] > 0);
  return [
    ...wheels.map(({ support }, k): StandSupport => {
      const [along, ...others] = support.stiffness;
      return { ...support, stiffness: [k === held ? along : 0, ...others] };
    }),
    ...(coupler ? [coupler] : []),
  ];
}

const eachOnce = (problems: readonly StructureProblem[]): StructureProblem[] =>
  problems.filter(
    (one, k) =>
      problems.findIndex((other) => other.code === one.code && other.memberId === one.memberId) === k,
  );

type Standing = Omit<OnWheels, 'supports'>;

interface SolvedGroup {
  readonly cases: readonly SolvedCase[];
  readonly unsolved: readonly UnsolvedCase[];
  readonly problems: readonly StructureProblem[];
}

/** All road cases: the plain ones at once, then those that rest on what each wheel stands with while level. */
function solveOnWheels(standing: Standing, factors: LoadFactors): SolvedGroup {
  const { under } = standing;
  const supports = onItsWheels(under);
  const on: OnWheels = { ...standing, supports };
  const plain = plainCases(on, factors);
  return solvedOn(standing.structure, under, supports, plain, (solve, results) => {
    const level = results[plain.findIndex(({ id }) => id === 'standing')];
    return level ? roadCases(on, factors, level, solve) : [];
  });
}

interface RaisedGroup {
  readonly supports: readonly StandSupport[];
  readonly onWheels: boolean;
  readonly id: CaseId;
}

const solveRaised = (
  { structure, under, gravity, massKg }: Standing,
  { supports, onWheels, id }: RaisedGroup,
) => {
  const held = heldByFriction(supports, massKg);
  const lineLoads = gravity.inDirection([0, 0, -1]);
  return solvedOn(structure, onWheels ? under : NOTHING_MORE, held, [
    { id, load: { id, nodeLoads: [], lineLoads } },
  ]);
};
/** Nobody raises a unit with its payload on; what else is on board stays (common practice, no source). */
const isAlwaysThere = ({ kind }: Load): boolean => kind !== 'payload';
const NOTHING_MORE = { nodes: [], elements: [] };

/** Cases on one set of supports, and the `more` of them that only their results tell. */
function solvedOn(
  structure: Structure,
  extra: Pick<Undercarriage, 'nodes' | 'elements'>,
  supports: readonly StandSupport[],
  cases: readonly RoadCase[],
  more: (
    solve: (loads: readonly LoadCase[]) => readonly CaseResult[] | undefined,
    results: readonly CaseResult[],
  ) => readonly RoadCase[] = () => [],
): SolvedGroup {
  const { nodes, elements } = extra;
  const stood = standingModel(structure, { nodes, elements, ties: heldSquare(structure) }, supports);
  const none = (why: UnsolvedCase['why']): SolvedGroup => ({
    cases: [],
    unsolved: cases.map(({ id }) => ({ id, why })),
    problems: stood.problems,
  });
  const prepared = prepareFrame(stood.model, structure.worked);
  if (!('solve' in prepared)) return none(prepared);
  const onKept = laidOnKept(structure, stood.kept);
  const solve = (loads: readonly LoadCase[]) =>
    prepared.solve(loads.map((load) => ({ ...load, lineLoads: onKept(load.lineLoads) })));
  const solved = solve(cases.map((each) => each.load));
  if (!solved.ok) return none(solved.reason);
  const solveMore = (loads: readonly LoadCase[]) => {
    const next = solve(loads);
    return next.ok ? next.cases : undefined;
  };
  const others = more(solveMore, solved.cases);
  const results = [...solved.cases, ...(solveMore(others.map((each) => each.load)) ?? [])];
  return {
    cases: [...cases, ...others].flatMap(({ id, onSupports }, k) => {
      const result = results[k];
      return result
        ? [
            {
              id,
              result,
              kept: stood.kept.subarray(0, structure.elements.length),
              supports: supportForces(stood.model, supports, result, onSupports),
            },
          ]
        : [];
    }),
    unsolved: [],
    problems: stood.problems,
  };
}

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

const NOTHING: Vector3 = [0, 0, 0];

/** What every support stands with: what it holds, and what was laid on at its place. */
export const supportForces = (
  model: BeamModel,
  supports: readonly StandSupport[],
  result: CaseResult,
  laidOn: ReadonlyMap<number, Vector3> = new Map(),
): StoodOn[] =>
  supports.map((support, k) => {
    const laid = laidOn.get(k) ?? NOTHING;
    const [alongN, acrossN, upN] = [0, 1, 2].map((axis) => result.reactions[k]![axis]! + laid[axis]!) as [
      number,
      number,
      number,
    ];
    return {
      stand: support.stand,
      atMm: touching(model, support),
      upN,
      sideN: Math.hypot(alongN, acrossN),
      forceN: [alongN, acrossN, upN],
    };
  });

const touching = ({ nodes }: BeamModel, { node, offsetMm = [0, 0, 0] }: StandSupport): Vector3 => {
  const [x, y, z] = nodes[node]!;
  return [x + offsetMm[0], y + offsetMm[1], z + offsetMm[2]];
};

/** Ways of raising the frame: on its legs, on a lift, with one corner on a jack. */
function raisedGroups({ structure, under }: Standing, points: LiftPoints): RaisedGroup[] {
  const tyres = under.wheels.map((wheel) => wheel.support);
  const legs = legSupports(structure);
  const lift = points.liftMm.flatMap((mm) =>
    (['left', 'right'] as const).flatMap((side) =>
      padUnder(structure, side, mm, { on: 'pad', pointId: `${side} ${Math.round(mm)}` }),
    ),
  );
  const jacked = tyres.filter((support) => !isNearest(under, support, points));
  const jack = padUnder(structure, points.jackSide, points.jackMm, { on: 'jack' });
  const coupler = under.coupler ? [under.coupler] : [];
  return [
    ...(legs.length && tyres.length
      ? [{ id: 'on legs' as const, supports: [...tyres, ...legs], onWheels: true }]
      : []),
    ...(lift.length >= 3 ? [{ id: 'on a lift' as const, supports: lift, onWheels: false }] : []),
    ...(jack.length && jacked.length >= 2
      ? [{ id: 'on a jack' as const, supports: [...jacked, ...jack, ...coupler], onWheels: true }]
      : []),
  ];
}

const isNearest = (under: Undercarriage, support: StandSupport, points: LiftPoints): boolean => {
  const own = under.wheels
    .filter((wheel) => wheel.side === points.jackSide)
    .sort((a, b) => Math.abs(a.axle.stationMm - points.jackMm) - Math.abs(b.axle.stationMm - points.jackMm));
  return own[0]?.support === support;
};
