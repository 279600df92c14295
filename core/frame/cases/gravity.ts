import { ON_REFERENCE, type LineLoad, type Vector3 } from '../../mechanics';
import { inchesToMm, STANDARD_GRAVITY } from '../../quantity';
import { STEEL_DENSITY_KG_PER_MM3 } from '../../reference';
import type { Frame } from '../frame';
import type { Load } from '../loads';
import type { Structure } from '../structure';
import { groundBelowMm } from '../undercarriage';

export const totalKg = (frame: Frame): number =>
  frame.loads?.items.reduce((sum, item) => sum + item.massKg, 0) ?? 0;

/** A unit nobody has weighed counts as this heavy: something to stand on its springs (ours). */
const UNWEIGHED_KG = 500;
/** What a frame's undercarriage is laid out for, kg. */
export const sprungMassKg = (frame: Frame): number => totalKg(frame) || UNWEIGHED_KG;

/** A load's centre above the ground where nobody said, mm: 50 in for what stands on the frame (common practice, no source). What hangs between the rails has it at their height. */
const ON_TOP_MM = inchesToMm(50);
/** People and glass of a car or van, whose floor is the frame (common practice, no source). */
const IN_A_CAR_MM = inchesToMm(28);
const BETWEEN_RAILS: ReadonlySet<Load['kind']> = new Set<Load['kind']>(['engine', 'tank', 'fittings']);

/** How high the centre of a load is above the ground, as said or as is usual for its kind, mm. */
export const heightOfMm = (frame: Frame, load: Load): number =>
  load.heightMm ?? usualHeightMm(frame, load.kind);

export function usualHeightMm(frame: Frame, kind: Load['kind']): number {
  if (BETWEEN_RAILS.has(kind)) return groundBelowMm(frame);
  return frame.family === 'unibody' ? IN_A_CAR_MM : ON_TOP_MM;
}

/** Everything heavy as loads along the members, turned into any direction. Sills and brackets bring it to a channel's web, not to its centroid. */
export interface Gravity {
  /** Forces for an acceleration of so many g, as a direction of weight: (0, 0, −1) is standing. */
  readonly inDirection: (perG: Vector3) => LineLoad[];
  readonly massKg: number;
}

/**
 * Per element, N/mm a g: its weight, and what comes down on it (− is down) when what stands above it is pushed sideways or lengthwise: the couple of
 * height and push, carried as more load on one side and less on the other.
 *
 *     push ──●  centre, h above its carriers        left + push·h/b,  right − push·h/b
 *            │
 *        ────┴──── carriers, b apart
 */
interface Carried {
  readonly weight: Float64Array;
  readonly pushedAcross: Float64Array;
  readonly pushedAlong: Float64Array;
}

export function gravityLoads(structure: Structure, isOn: (item: Load) => boolean = () => true): Gravity {
  const count = structure.elements.length;
  const lengthOf = elementLengths(structure);
  const carried: Carried = {
    weight: Float64Array.from(
      structure.elements,
      ({ profile }) => profile.areaMm2 * STEEL_DENSITY_KG_PER_MM3 * STANDARD_GRAVITY,
    ),
    pushedAcross: new Float64Array(count),
    pushedAlong: new Float64Array(count),
  };
  const carriers = (['left', 'right'] as const).map((side) => carriersOf(structure, side));
  for (const item of (structure.frame.loads?.items ?? []).filter(isOn))
    layOn(structure, item, { lengthOf, carriers }, carried);
  const { weight, pushedAcross, pushedAlong } = carried;
  const massKg = weight.reduce((sum, q, k) => sum + (q * lengthOf[k]!) / STANDARD_GRAVITY, 0);
  return {
    massKg,
    inDirection: ([x, y, z]) =>
      Array.from(weight, (q, element) => ({
        element,
        perMmN: [q * x, q * y, q * z + pushedAcross[element]! * y + pushedAlong[element]! * x] as Vector3,
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

/** What loads are laid on: how long each element is, and the carriers of either side. */
interface Laid {
  readonly lengthOf: Float64Array;
  readonly carriers: readonly (readonly Carrier[])[];
}

/** A load is laid on in slices this long, mm. */
const SLICE_MM = 50;
/** Whatever is shorter than this still has feet so far apart, mm (ours). */
const FEET_MM = 600;

/** Slices of a load, each on the long members of both sides that pass its station; beyond the ends, on the nearest. */
function layOn({ frame }: Structure, item: Load, { lengthOf, carriers }: Laid, into: Carried): void {
  const weightN = item.massKg * STANDARD_GRAVITY;
  const slices = Math.max(1, Math.ceil((item.toMm - item.fromMm) / SLICE_MM));
  const middleMm = (item.fromMm + item.toMm) / 2;
  const aboveMm = aboveCarriers(frame, item);
  const places = Array.from(
    { length: slices },
    (_, k) => item.fromMm + ((item.toMm - item.fromMm) * (k + 0.5)) / slices,
  );
  const add = (to: Float64Array, element: number, newtons: number) => {
    if (element >= 0) to[element]! += newtons / lengthOf[element]!;
  };
  for (const x of places) {
    const [left, right] = carriers.map((of) => carrierAt(of, x));
    for (const [on, share] of [
      [left, item.leftShare],
      [right, 1 - item.leftShare],
    ] as const)
      if (on && share > 0) add(into.weight, on.element, (weightN * share) / slices);
    if (left && right && right.y > left.y) {
      const downN = ((weightN / slices) * aboveMm(left.z)) / (right.y - left.y);
      add(into.pushedAcross, left.element, downN);
      add(into.pushedAcross, right.element, -downN);
    }
  }
  for (const [on, newtons] of pitched(carriers, feet(places, middleMm), aboveMm))
    add(into.pushedAlong, on.element, weightN * newtons);
}

/** How far a load's centre is above carriers at a height: said above the ground, else usual above a carrier at a rail's height. */
function aboveCarriers(frame: Frame, item: Load): (carrierZ: number) => number {
  const groundMm = groundBelowMm(frame);
  const { heightMm } = item;
  if (heightMm !== undefined) return (carrierZ) => heightMm - groundMm - carrierZ;
  const usualMm = usualHeightMm(frame, item.kind) - groundMm;
  return () => usualMm;
}

/** A short load stands on feet a little apart. */
const feet = (places: readonly number[], middleMm: number): readonly number[] =>
  places[places.length - 1]! - places[0]! >= FEET_MM
    ? places
    : [middleMm - FEET_MM / 2, middleMm + FEET_MM / 2];

/** What a unit push rearwards at the height of a load does: up at the front, down behind, straight in between, nothing in sum. */
function pitched(
  carriers: Laid['carriers'],
  places: readonly number[],
  aboveOf: (carrierZ: number) => number,
): (readonly [Carrier, number])[] {
  const on = places.flatMap((x) =>
    carriers.flatMap((of) => {
      const carrier = carrierAt(of, x);
      return carrier ? [{ carrier, x }] : [];
    }),
  );
  const mean = (of: (each: (typeof on)[number]) => number) =>
    on.reduce((sum, each) => sum + of(each), 0) / on.length;
  const [aboveMm, middleMm] = [mean(({ carrier }) => aboveOf(carrier.z)), mean(({ x }) => x)];
  const squares = on.reduce((sum, { x }) => sum + (x - middleMm) ** 2, 0);
  return on.map(({ carrier, x }) => [carrier, (-aboveMm * (x - middleMm)) / squares] as const);
}

/** An element of a long member: where along the frame it runs, across and up. */
interface Carrier {
  readonly element: number;
  readonly fromX: number;
  readonly toX: number;
  readonly y: number;
  readonly z: number;
}

function carriersOf({ members }: Structure, side: 'left' | 'right'): Carrier[] {
  return members
    .filter(
      ({ member }) =>
        member.side === side &&
        (member.role === 'rail' || member.role === 'deck beam' || member.role === 'floor rail'),
    )
    .flatMap(({ placement, stationsMm, elements }) => {
      const [x, y, z] = placement.from;
      return elements.flatMap((element, k): Carrier[] =>
        element < 0 ? [] : [{ element, fromX: x + stationsMm[k]!, toX: x + stationsMm[k + 1]!, y, z }],
      );
    });
}

function carrierAt(carriers: readonly Carrier[], x: number): Carrier | undefined {
  let best: Carrier | undefined;
  let away = Infinity;
  for (const carrier of carriers) {
    const { fromX, toX } = carrier;
    const here = x < fromX ? fromX - x : x > toX ? x - toX : 0;
    if (here < away) [best, away] = [carrier, here];
  }
  return best;
}
