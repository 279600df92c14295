import { prepareFrame, type Vector3 } from '../mechanics';
import type { Outcome } from '../quantity';
import { heldByFriction } from './cases/by-friction';
import { gravityLoads, sprungMassKg } from './cases/gravity';
import { heldSquare } from './cases/held-square';
import { laidOnKept } from './cases/kept-lines';
import { legSupports, padUnder } from './cases/pads';
import { supportForces } from './cases/solve';
import type { SolvedCase, SolvedFrame } from './cases';
import type { StandSupport } from './stand';
import { standingModel } from './standing-model';
import { type Structure } from './structure';
import { undercarriageOf, type Undercarriage, type Wheel } from './undercarriage';

/** A frame held at chosen points, some of its wheels down, on ground that may slope. */
export interface Raised {
  /** Points under rails; stations along the frame. */
  readonly points: readonly {
    readonly id: string;
    readonly side: 'left' | 'centre' | 'right';
    readonly stationMm: number;
  }[];
  readonly isDown: (wheel: Wheel) => boolean;
  readonly onCoupler: boolean;
  readonly onLegs: boolean;
  /** Ground falling towards the front and towards the left. */
  readonly slopeAlongDeg: number;
  readonly slopeAcrossDeg: number;
}

/**
 * Solves one way of raising the frame as the case *on a lift*. A wheel that would hang from its tyre is off the ground and the frame is solved
 * again without it; a point that would have to pull is left in, its reaction negative: there the frame tips.
 */
export function solveRaised(structure: Structure, raised: Raised): Outcome<SolvedFrame> {
  const massKg = sprungMassKg(structure.frame);
  const under = undercarriageOf(structure, massKg);
  const pads = raised.points.flatMap((point) =>
    padUnder(structure, point.side, point.stationMm, { on: 'pad', pointId: point.id }),
  );
  if (pads.length < raised.points.length) return { ok: false, reason: 'a point stands under nothing' };
  const fixed = [
    ...pads,
    ...(raised.onLegs ? legSupports(structure) : []),
    ...(raised.onCoupler && under.coupler ? [under.coupler] : []),
  ];
  const stand = standOn(structure, under, gravityOn(raised));
  let wheels = under.wheels.filter(raised.isDown);
  /** What each support carries, once that is known: on a slope each holds by it. */
  let carriesN: readonly number[] | undefined;
  // A round that lets go of no wheel ends it, or the next one does.
  for (;;) {
    const supports = [...wheels.map((wheel) => wheel.support), ...fixed];
    if (supports.length === 0) return { ok: false, reason: 'it stands on nothing' };
    const stood = stand(heldByFriction(supports, massKg, carriesN));
    if (!stood.ok) return stood;
    const { problems, ...one } = stood.value;
    const hanging = wheels.filter((_, k) => one.supports[k]!.upN < 0);
    const isSettled = isLevel(raised) || carriesN !== undefined;
    if (hanging.length === 0 && isSettled)
      return { ok: true, value: { cases: [one], unsolved: [], problems, wheels: [] } };
    carriesN = hanging.length > 0 ? undefined : one.supports.map(({ upN }) => upN);
    wheels = wheels.filter((wheel) => !hanging.includes(wheel));
  }
}

const isLevel = ({ slopeAlongDeg, slopeAcrossDeg }: Raised): boolean =>
  slopeAlongDeg === 0 && slopeAcrossDeg === 0;

const WOULD_NOT_STAND = {
  ok: false,
  reason: 'it would not stand: too few points, or all in a line',
} as const;

/** The frame on given supports, its weight pulling along `down`; what runs under it is there where a wheel is. */
function standOn(structure: Structure, under: Undercarriage, down: Vector3) {
  const floor = heldSquare(structure);
  const weight = gravityLoads(structure).inDirection(down);
  return (
    supports: readonly StandSupport[],
  ): Outcome<SolvedCase & { readonly problems: SolvedFrame['problems'] }> => {
    const onWheels = supports.some(({ stand }) => stand.on === 'tyre');
    const { nodes, elements } = onWheels ? under : { nodes: [], elements: [] };
    const { model, kept, problems } = standingModel(structure, { nodes, elements, ties: floor }, supports);
    const prepared = prepareFrame(model, structure.worked);
    if (!('solve' in prepared)) return WOULD_NOT_STAND;
    const lineLoads = laidOnKept(structure, kept)(weight);
    const solved = prepared.solve([{ id: 'on a lift', nodeLoads: [], lineLoads }]);
    if (!solved.ok) return WOULD_NOT_STAND;
    const result = solved.cases[0]!;
    return {
      ok: true,
      value: {
        id: 'on a lift',
        result,
        kept: kept.subarray(0, structure.elements.length),
        supports: supportForces(model, supports, result),
        problems,
      },
    };
  };
}

/** A unit weight on ground falling towards the front (−x) and the left (−y). */
function gravityOn({ slopeAlongDeg, slopeAcrossDeg }: Raised): Vector3 {
  const [along, across] = [slopeAlongDeg, slopeAcrossDeg].map((deg) => Math.tan((deg * Math.PI) / 180)) as [
    number,
    number,
  ];
  const length = Math.hypot(1, along, across);
  return [-along / length, -across / length, -1 / length];
}
