import { plainProfile, type BeamElement, type NodeLoad, type Releases, type Vector3 } from '../mechanics';
import { STANDARD_GRAVITY } from '../quantity';
import { YOUNGS_MODULUS_MPA } from '../reference';
import type { Fitting } from './fitting';
import { axlesOf, passes } from './frame';
import { standSupport, type StandSupport } from './stand';
import { attach, type Attachment, type MeshedMember, type Structure } from './structure';

/**
 * What a frame stands on. A leaf spring is a beam pinned to its two hangers (the rear one slides), the axle a stiff tube between the springs,
 * the tyres springs to the ground: so load sharing between hangers, side load at hanger height and a dropped wheel come out by themselves.
 *
 *     rail ═══╤═══════════════╤═══        hangers reach down by their drop
 *             ●──────┬──────●             leaf, axle seat in its middle
 *                    ╪ axle ═══▮ tyre
 */
export interface Wheel {
  readonly axle: Fitting;
  readonly axleNumber: number;
  readonly side: 'left' | 'right';
  readonly node: number;
  readonly support: StandSupport;
}
export interface Undercarriage {
  /** Nodes beyond the structure's own, and elements over them. */
  readonly nodes: readonly Vector3[];
  readonly elements: readonly BeamElement[];
  readonly wheels: readonly Wheel[];
  /** Axle seats, where scrub and corner forces are read. */
  readonly coupler?: StandSupport;
}

/** Springs give this much under what stands on them (common practice, no source); tyres a fifth of it. */
const SPRING_SAG_MM = 60;
const TYRE_PER_SPRING = 5;
const TYRE_RADIUS_MM = 400;
/** A leaf spring has its hangers within this of the axle. */
const LEAF_REACH_MM = 1500;
const DEFAULT_DROP_MM = 180;
const COUPLER_N_PER_MM = 50_000;

const AXLE = plainProfile({ areaMm2: 6000, iyyMm4: 8e6, izzMm4: 8e6, jMm4: 1.6e7 });
const HANGER_PIN: Releases = [false, false, false, false, true, false];
const SHACKLE: Releases = [true, false, false, false, true, false];

const railAt = (structure: Structure, side: 'left' | 'right', stationMm: number): MeshedMember | undefined =>
  structure.members.find(
    ({ member }) => member.role === 'rail' && member.side === side && passes(member, stationMm),
  );

export function undercarriageOf(structure: Structure, massKg: number): Undercarriage {
  const { frame } = structure;
  const axles = axlesOf(frame);
  const nodes: Vector3[] = [];
  const elements: BeamElement[] = [];
  const wheels: Wheel[] = [];
  const add = (at: Vector3): number => {
    nodes.push(at);
    return structure.nodes.length + nodes.length - 1;
  };
  const coupler = frame.fittings.find((mark) => mark.kind === 'coupler');
  const perWheelN = Math.max(500, (massKg * STANDARD_GRAVITY) / Math.max(2, 2 * axles.length));
  const springN = perWheelN / SPRING_SAG_MM;
  const laying: Laying = { structure, springN, add, elements };
  axles.forEach((axle, number) => {
    const seats = (['left', 'right'] as const)
      .filter((side) => axle.side === 'both' || axle.side === side)
      .flatMap((side) => {
        const rail = railAt(structure, side, axle.stationMm);
        return rail ? [{ side, seat: springSeat(laying, axle, side, rail) }] : [];
      });
    for (const { side, seat } of seats) {
      const hand = side === 'left' ? -1 : 1;
      const tyreY = hand * Math.max(frame.widthMm / 2 + 250, 850);
      const tyre = add([axle.stationMm, tyreY, seat.at[2]]);
      elements.push(plainBeam(`stub ${axle.id} ${side}`, seat.node, tyre, AXLE));
      const k = springN * TYRE_PER_SPRING;
      // Wheels roll: one axle's keep a unit from rolling away, where no coupler does.
      const along = !coupler && number === axles.length - 1 ? k : 0;
      wheels.push({
        axle,
        axleNumber: number + 1,
        side,
        node: tyre,
        support: standSupport(
          { on: 'tyre', axleId: axle.id, side },
          { node: tyre, offsetMm: [0, 0, -TYRE_RADIUS_MM], stiffness: [along, k, k, 0, 0, 0] },
        ),
      });
    }
    if (seats.length === 2 && frame.family !== 'unibody')
      elements.push(plainBeam(`axle ${axle.id}`, seats[0]!.seat.node, seats[1]!.seat.node, AXLE));
  });
  if (!coupler) return { nodes, elements, wheels };
  const at = attach(structure, [coupler.stationMm, 0, -(coupler.dropMm ?? 0)]);
  return {
    nodes,
    elements,
    wheels,
    coupler: standSupport(
      { on: 'coupler' },
      {
        node: at.node,
        stiffness: [COUPLER_N_PER_MM, COUPLER_N_PER_MM, COUPLER_N_PER_MM, 0, 0, 0],
      },
    ),
  };
}

const plainBeam = (
  id: string,
  from: number,
  to: number,
  profile: BeamElement['profile'],
  more: { from?: Partial<BeamElement['from']>; to?: Partial<BeamElement['to']>; up?: Vector3 } = {},
): BeamElement => ({
  id,
  upGlobal: more.up ?? [0, 0, 1],
  profile,
  from: { node: from, warping: { kind: 'fixed' }, ...more.from },
  to: { node: to, warping: { kind: 'fixed' }, ...more.to },
});

/** What is being laid under a structure: nodes and elements beyond its own, springs of one stiffness. */
interface Laying {
  readonly structure: Structure;
  readonly springN: number;
  readonly add: (at: Vector3) => number;
  readonly elements: BeamElement[];
}

function springSeat(
  laying: Laying,
  axle: Fitting,
  side: 'left' | 'right',
  rail: MeshedMember,
): { node: number; at: Vector3 } {
  const { structure, add } = laying;
  const hangers = structure.frame.fittings.filter(
    (mark) =>
      mark.kind === 'spring hanger' &&
      (mark.side === 'both' || mark.side === side) &&
      Math.abs(mark.stationMm - axle.stationMm) <= LEAF_REACH_MM,
  );
  const ahead = hangers
    .filter((mark) => mark.stationMm < axle.stationMm - 20)
    .sort((a, b) => b.stationMm - a.stationMm)[0];
  const behind = hangers
    .filter((mark) => mark.stationMm > axle.stationMm + 20)
    .sort((a, b) => a.stationMm - b.stationMm)[0];
  const y = rail.placement.from[1];
  const dropMm = ahead?.dropMm ?? behind?.dropMm ?? DEFAULT_DROP_MM;
  const at: Vector3 = [axle.stationMm, y, -dropMm];
  const seat = add(at);
  const spring = { axle, side, rail, seat, dropMm };
  if (ahead && behind) addLeaf(laying, spring, ahead, behind);
  else addPost(laying, spring);
  return { node: seat, at };
}

interface Spring {
  readonly axle: Fitting;
  readonly side: 'left' | 'right';
  readonly rail: MeshedMember;
  readonly seat: number;
  readonly dropMm: number;
}

/** A coil or a block: a short post as stiff as the spring, located sideways and lengthwise by its links. */
function addPost({ structure, springN, elements }: Laying, { axle, side, rail, seat, dropMm }: Spring): void {
  const hung = onRail(structure, rail, axle.stationMm, 0);
  const post = plainProfile({
    areaMm2: (springN * dropMm) / YOUNGS_MODULUS_MPA,
    iyyMm4: 5e6,
    izzMm4: 5e6,
    jMm4: 5e6,
  });
  elements.push(
    plainBeam(`spring ${axle.id} ${side}`, hung.node, seat, post, {
      from: { offsetMm: hung.offsetMm },
      up: [1, 0, 0],
    }),
  );
}

/** A leaf as stiff in its middle as the spring, pinned to the hanger ahead and hung from a shackle behind. */
function addLeaf(
  { structure, springN, elements }: Laying,
  { axle, side, rail, seat, dropMm }: Spring,
  ahead: Fitting,
  behind: Fitting,
): void {
  const span = behind.stationMm - ahead.stationMm;
  const inertia = (springN * span ** 3) / (48 * YOUNGS_MODULUS_MPA);
  const leaf = plainProfile({ areaMm2: 3000, iyyMm4: 2e6, izzMm4: inertia, jMm4: 5e4 });
  for (const [mark, released] of [
    [ahead, HANGER_PIN],
    [behind, SHACKLE],
  ] as const) {
    const eye = onRail(structure, rail, mark.stationMm, mark.dropMm ?? dropMm);
    elements.push(
      plainBeam(`leaf ${axle.id} ${side} ${mark.id}`, eye.node, seat, leaf, {
        from: { offsetMm: eye.offsetMm, released },
      }),
    );
  }
}

/** A point under a rail hangs on an element that starts within this of it (meshes are finer). */
const NEAR_ON_RAIL_MM = 400;

/** A point under (or over) a rail at a frame station. */
export function onRail(
  structure: Structure,
  rail: MeshedMember,
  stationMm: number,
  dropMm: number,
): Attachment {
  const own = stationMm - (rail.member.startMm ?? 0);
  return attach(structure, [stationMm, rail.placement.from[1], -dropMm], (element) => {
    const k = rail.elements.indexOf(element);
    return k >= 0 && Math.abs(rail.stationsMm[k]! - own) < NEAR_ON_RAIL_MM;
  });
}

/** A force at a point that is rigidly joined to the structure. */
export const pushAt = ({ node, offsetMm }: Attachment, forceN: Vector3): NodeLoad => ({
  node,
  offsetMm,
  forceN,
});
export { railAt };
