import type { CaseResult, LoadCase, NodeLoad, Vector3 } from '../../mechanics';
import { STANDARD_GRAVITY } from '../../quantity';
import type { LoadFactors } from '../../reference';
import type { Fitting } from '../fitting';
import type { StandSupport } from '../stand';
import { attach } from '../standing-model';
import { type Structure } from '../structure';
import { onRail, pushAt, railAt, type Undercarriage } from '../undercarriage';
import { laidOn, type Asked, type SolveMore } from './asked';
import type { Gravity } from './gravity';
import { drawnDown } from './ground';
import { sideOf } from './lift-points';
import type { CaseId } from './solved';

/** A frame on its wheels, about to be driven. */
export interface OnWheels {
  readonly structure: Structure;
  readonly under: Undercarriage;
  readonly gravity: Gravity;
  readonly massKg: number;
  /** Wheels first, in the undercarriage's order; then the coupler where there is one. */
  readonly supports: readonly StandSupport[];
}

/** A case to solve on the wheels. `onSupports`: what comes from a support's place as a load, beside what it holds; N along, across, up. */
export interface RoadCase {
  readonly id: CaseId;
  readonly load: LoadCase;
  readonly onSupports?: ReadonlyMap<number, Vector3>;
}

/** What a trailer puts on a truck's hitch, share of the truck's own weight (common practice, no source). */
const TONGUE_SHARE = 0.1;
const STANDING: Vector3 = [0, 0, -1];

const fittingOf = ({ structure }: OnWheels, kind: Fitting['kind']): Fitting | undefined =>
  structure.frame.fittings.find((mark) => mark.kind === kind);

const roadCase = (
  { gravity }: OnWheels,
  id: CaseId,
  {
    perG = STANDING,
    pushes = [],
    atSupports = [],
  }: {
    readonly perG?: Vector3;
    /** Pushes that do not come from a support. */
    readonly pushes?: readonly NodeLoad[];
    /** Pushes that do: laid on its own place. */
    readonly atSupports?: readonly (readonly [support: number, push: NodeLoad])[];
  } = {},
): RoadCase => {
  const onSupports = new Map<number, Vector3>();
  for (const [support, { forceN }] of atSupports) {
    const before = onSupports.get(support) ?? [0, 0, 0];
    onSupports.set(support, [before[0] + forceN[0], before[1] + forceN[1], before[2] + forceN[2]]);
  }
  return {
    id,
    load: {
      id,
      nodeLoads: [...pushes, ...atSupports.map(([, push]) => push)],
      lineLoads: gravity.inDirection(perG),
    },
    ...(onSupports.size > 0 && { onSupports }),
  };
};

/** Cases that need no other: standing, a bump, a corner either way, what a trailer puts on a hitch, a push of the steering gear. */
export function plainCases(on: OnWheels, factors: LoadFactors): RoadCase[] {
  const { structure, under, massKg } = on;
  const hitch = fittingOf(on, 'hitch');
  const gear = fittingOf(on, 'steering gear');
  const tongueN = TONGUE_SHARE * massKg * STANDARD_GRAVITY;
  return [
    roadCase(on, 'standing'),
    roadCase(on, 'bump', { perG: [0, 0, -factors.bumpG] }),
    ...[factors.cornerG, -factors.cornerG].map((g) => roadCase(on, 'corner', { perG: [0, g, -1] })),
    ...(under.coupler ? [roadCase(on, 'hitched')] : []),
    ...(hitch && !under.coupler
      ? [roadCase(on, 'hitched', { pushes: onHitch(structure, hitch, [0, 0, -tongueN]) })]
      : []),
    ...(gear
      ? [roadCase(on, 'steering push', { pushes: steeringPush(structure, under, gear, factors.steeringN) })]
      : []),
  ];
}

/** Cases that rest on what each wheel stands with while level. */
export function cases(on: OnWheels, factors: LoadFactors, level: CaseResult, solve: SolveMore): RoadCase[] {
  return [
    brake(on, factors, level),
    ...[1, -1].flatMap((hand) => scrub(on, factors, { level, hand, solve }) ?? []),
    ...recovery(on, factors, level),
    ...(['right', 'left'] as const).flatMap((side) => ditch(on, factors, { level, side, solve }) ?? []),
  ];
}

const standsN = (level: CaseResult, wheel: number): number => level.reactions[wheel]![2]!;

/** Wheels hold along the frame with so much of what each stands with, N on the frame at the ground. */
const heldAlong = ({ under }: OnWheels, level: CaseResult, share: number) =>
  under.wheels.map(
    ({ node, support }, k) =>
      [
        k,
        { node, offsetMm: support.offsetMm!, forceN: [share * standsN(level, k), 0, 0] as Vector3 },
      ] as const,
  );

/** Every wheel brakes by what it stands on the road with; a coupler takes what its own load asks for. */
const brake = (on: OnWheels, { brakeG }: LoadFactors, level: CaseResult): RoadCase =>
  roadCase(on, 'brake', { perG: [-brakeG, 0, -1], atSupports: heldAlong(on, level, brakeG) });

/** The last two or more axles close behind each other, by their numbers: those scrub. */
const TANDEM_MM = 2000;
function tandem({ under }: OnWheels): readonly number[] {
  const axles = [...new Map(under.wheels.map((wheel) => [wheel.axleNumber, wheel.axle.stationMm]))];
  const group: number[] = [];
  for (let k = axles.length - 1; k >= 0; k--) {
    const behind = axles[k + 1];
    if (behind && behind[1] - axles[k]![1] > TANDEM_MM) break;
    group.unshift(axles[k]![0]);
  }
  return group.length >= 2 ? group : [];
}

interface Pushed {
  readonly level: CaseResult;
  /** Which way: + to the right. */
  readonly hand: number;
  readonly solve: SolveMore;
}

/**
 * In a tight turn a group of axles is dragged sideways: the foremost one's tyres slide and push with what friction gives them by what they stand with; the others hold
 * against it, and the coupler (or the front axle) against the turning that is left.
 */
function scrub(on: OnWheels, factors: LoadFactors, { level, hand, solve }: Pushed): RoadCase | undefined {
  const [first] = tandem(on);
  if (first === undefined) return undefined;
  const asked = on.under.wheels.flatMap(({ axleNumber }, support): Asked[] =>
    axleNumber === first
      ? [{ support, axis: 1, forceN: hand * factors.scrubShare * standsN(level, support) }]
      : [],
  );
  const laid = laidOn(on.supports, asked, level, solve);
  return (
    laid &&
    roadCase(on, 'tandem scrub', { atSupports: laid.map((push, k) => [asked[k]!.support, push] as const) })
  );
}

/** A recovery pull goes this far off straight (common practice, no source). */
const PULL_OFF_RAD = Math.PI / 12;

/**
 * Stuck on all its wheels by what they stand with. A truck is pulled by the hitch behind, off straight either way. A trailer is pulled by its coupler
 * and straight: pulled across, its tyres slide before the coupler can push harder than a tight turn does, and that is a case of its own.
 */
function recovery(on: OnWheels, { recoveryShare }: LoadFactors, level: CaseResult): RoadCase[] {
  const { structure, under, massKg } = on;
  const pullN = recoveryShare * massKg * STANDARD_GRAVITY;
  const onWheelsN = under.wheels.reduce((sum, _, k) => sum + standsN(level, k), 0);
  if (!(onWheelsN > 0)) return [];
  if (under.coupler)
    return [roadCase(on, 'recovery pull', { atSupports: heldAlong(on, level, pullN / onWheelsN) })];
  const hitch = fittingOf(on, 'hitch');
  if (!hitch) return [];
  const [alongN, acrossN] = [pullN * Math.cos(PULL_OFF_RAD), pullN * Math.sin(PULL_OFF_RAD)];
  return [acrossN, -acrossN].map((sideN) =>
    roadCase(on, 'recovery pull', {
      pushes: onHitch(structure, hitch, [alongN, sideN, 0]),
      atSupports: heldAlong(on, level, -alongN / onWheelsN),
    }),
  );
}

/**
 * The wheel behind on one side loses its ground by the ditch's depth. Which wheels are then off it is found by drawing each down alone: tyres do not
 * pull. A wheel off the ground keeps its hold sideways and lengthwise, which nothing pushes against here.
 */
function ditch(
  on: OnWheels,
  factors: LoadFactors,
  {
    level,
    side,
    solve,
  }: { readonly level: CaseResult; readonly side: 'left' | 'right'; readonly solve: SolveMore },
): RoadCase | undefined {
  const { wheels } = on.under;
  const dropped = wheels.findLastIndex((wheel) => wheel.side === side);
  if (dropped < 0 || wheels.length < 4) return undefined;
  const down = (wheel: number, newtons: number): NodeLoad => ({
    node: wheels[wheel]!.node,
    forceN: [0, 0, -newtons],
  });
  const alone = solve(
    wheels.map(({ axle, side: own }, k) => ({
      id: `drawn ${axle.id} ${own}`,
      lineLoads: [],
      nodeLoads: [down(k, DRAWN_ALONE_N)],
    })),
  );
  const drawnN =
    alone &&
    drawnDown(
      {
        standsN: wheels.map((_, i) => standsN(level, i)),
        gives: wheels.map((_, i) => alone.map(({ reactions }) => reactions[i]![2]! / DRAWN_ALONE_N)),
      },
      dropped,
      wheels[dropped]!.support.stiffness[2] * factors.ditchMm,
    );
  return (
    drawnN &&
    roadCase(on, 'one wheel in a ditch', {
      atSupports: drawnN.flatMap((newtons, k) => (newtons === 0 ? [] : [[k, down(k, newtons)] as const])),
    })
  );
}
const DRAWN_ALONE_N = 1000;

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

/** A gear hangs this far below the middle of its rail, mm (common practice, no source). */
const GEAR_DROP_MM = 100;

/** A gear pushes against the rail sideways and, by its link, the other way against the wheel it steers: between them nothing is left over. */
function steeringPush(
  structure: Structure,
  { wheels }: Undercarriage,
  gear: Fitting,
  pushN: number,
): NodeLoad[] {
  const side = sideOf(gear);
  const rail = railAt(structure, side, gear.stationMm);
  const at = rail
    ? onRail(structure, rail, gear.stationMm, gear.dropMm ?? GEAR_DROP_MM)
    : onMark(structure, gear);
  const steered = wheels.find((wheel) => wheel.side === side);
  return [
    pushAt(at, [0, pushN, 0]),
    ...(steered ? [{ node: steered.node, forceN: [0, -pushN, 0] as Vector3 }] : []),
  ];
}
