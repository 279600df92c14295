import { plainProfile, type BeamElement, type NodeLoad, type Releases, type Vector3 } from '../mechanics';
import { STANDARD_GRAVITY } from '../quantity';
import { YOUNGS_MODULUS_MPA } from '../reference';
import type { Fitting } from './fitting';
import { axlesOf, passes, type Frame } from './frame';
import { standSupport, type StandSupport } from './stand';
import { ALL_HOLDS, type Holds, type Structure } from './structure';
import { attach, type Attachment } from './standing-model';
import { type MeshedMember } from './beam-mesh';

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
/** From an equaliser's pin to the springs on either side of it (common practice, no source). */
const EQUALISER_ARM_MM = 75;
/** An equaliser's pin sits in its hanger, held this long. */
const PIN_MM = 40;
const COUPLER_N_PER_MM = 50_000;
/** A coupler plate lies on its tractor and does not roll freely, N·mm a radian (ours: about 17 kN·m a degree). */
const PLATE_ROLL_NMM = 1e9;

const AXLE = plainProfile({ areaMm2: 6000, iyyMm4: 8e6, izzMm4: 8e6, jMm4: 1.6e7 });
const HANGER_PIN: Releases = [false, false, false, false, true, false];
const SHACKLE: Releases = [true, false, false, false, true, false];

/** How far the ground lies below the rails' line where the first axle stands, mm. */
export function groundBelowMm(frame: Frame): number {
  const [first] = axlesOf(frame);
  const { ahead, behind } = first ? hangersOf(frame, first, first.side === 'right' ? 'right' : 'left') : {};
  return (ahead?.dropMm ?? behind?.dropMm ?? DEFAULT_DROP_MM) + TYRE_RADIUS_MM;
}

const railAt = (structure: Structure, side: 'left' | 'right', stationMm: number): MeshedMember | undefined =>
  structure.members.find(
    ({ member }) => member.role === 'rail' && member.side === side && passes(member, stationMm),
  );

export function undercarriageOf(structure: Structure, massKg: number): Undercarriage {
  const { frame } = structure;
  const axles = axlesOf(frame);
  const nodes: Vector3[] = [];
  const elements: BeamElement[] = [];
  const add = (at: Vector3): number => {
    nodes.push(at);
    return structure.nodes.length + nodes.length - 1;
  };
  const coupler = frame.fittings.find((mark) => mark.kind === 'coupler');
  const perWheelN = Math.max(500, (massKg * STANDARD_GRAVITY) / Math.max(2, 2 * axles.length));
  const laying: Laying = {
    structure,
    springN: perWheelN / SPRING_SAG_MM,
    add,
    elements,
    equalisers: new Map(),
  };
  const wheels = axles.flatMap((axle, k) =>
    // Wheels roll: one axle's keep a unit from rolling away, where no coupler does.
    layAxle(laying, { axle, axleNumber: k + 1, holds: !coupler && k === axles.length - 1 }),
  );
  return { nodes, elements, wheels, ...(coupler && { coupler: couplerSupport(structure, coupler) }) };
}

/** An axle on its springs, a wheel at each end of it. */
function layAxle(
  laying: Laying,
  {
    axle,
    axleNumber,
    holds,
  }: { readonly axle: Fitting; readonly axleNumber: number; readonly holds: boolean },
): Wheel[] {
  const { structure, springN, add, elements } = laying;
  const { frame } = structure;
  const seats = (['left', 'right'] as const)
    .filter((side) => axle.side === 'both' || axle.side === side)
    .flatMap((side) => {
      const rail = railAt(structure, side, axle.stationMm);
      return rail ? [{ side, seat: springSeat(laying, axle, side, rail) }] : [];
    });
  const wheels = seats.map(({ side, seat }): Wheel => {
    const hand = side === 'left' ? -1 : 1;
    const node = add([axle.stationMm, hand * Math.max(frame.widthMm / 2 + 250, 850), seat.at[2]]);
    elements.push(plainBeam(`stub ${axle.id} ${side}`, seat.node, node, AXLE));
    const k = springN * TYRE_PER_SPRING;
    return {
      axle,
      axleNumber,
      side,
      node,
      support: standSupport(
        { on: 'tyre', axleId: axle.id, side },
        { node, offsetMm: [0, 0, -TYRE_RADIUS_MM], stiffness: [holds ? k : 0, k, k, 0, 0, 0] },
      ),
    };
  });
  if (seats.length === 2 && frame.family !== 'unibody')
    elements.push(plainBeam(`axle ${axle.id}`, seats[0]!.seat.node, seats[1]!.seat.node, AXLE));
  return wheels;
}

function couplerSupport(structure: Structure, coupler: Fitting): StandSupport {
  const { node, offsetMm } = attach(structure, [coupler.stationMm, 0, -(coupler.dropMm ?? 0)]);
  const hasPlate = structure.frame.fittings.some((mark) => mark.kind === 'coupler plate');
  const k = COUPLER_N_PER_MM;
  const stiffness = [k, k, k, hasPlate ? PLATE_ROLL_NMM : 0, 0, 0] as const;
  return standSupport({ on: 'coupler' }, { node, offsetMm, stiffness });
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
  /** Ends of the equalisers laid so far, by hanger and side. */
  readonly equalisers: Map<string, Equaliser>;
}
interface Equaliser {
  readonly aheadNode: number;
  readonly behindNode: number;
}

/** The hangers that carry an axle's spring on one side: the nearest ahead of it and behind it. */
function hangersOf(
  frame: Frame,
  axle: Fitting,
  side: 'left' | 'right',
  holds: Holds['fitting'] = ALL_HOLDS.fitting,
): { readonly ahead?: Fitting; readonly behind?: Fitting } {
  const hangers = frame.fittings.filter(
    (mark) =>
      mark.kind === 'spring hanger' &&
      (mark.side === 'both' || mark.side === side) &&
      holds(mark, side) &&
      Math.abs(mark.stationMm - axle.stationMm) <= LEAF_REACH_MM,
  );
  const ahead = hangers
    .filter((mark) => mark.stationMm < axle.stationMm - 20)
    .sort((a, b) => b.stationMm - a.stationMm)[0];
  const behind = hangers
    .filter((mark) => mark.stationMm > axle.stationMm + 20)
    .sort((a, b) => a.stationMm - b.stationMm)[0];
  return { ...(ahead && { ahead }), ...(behind && { behind }) };
}

/** Neighbouring axles whose springs meet in one hanger share their load by an equaliser there, unless the frame says each is on its own. */
export const sharesLoad = (frame: Frame): boolean =>
  (['left', 'right'] as const).some((side) =>
    axlesOf(frame).some((axle) => {
      const { behind } = hangersOf(frame, axle, side);
      return behind !== undefined && meetsNext(frame, behind, side);
    }),
  );

const meetsNext = (frame: Frame, hanger: Fitting, side: 'left' | 'right'): boolean => {
  const picks = axlesOf(frame).map((axle) => hangersOf(frame, axle, side));
  return (
    picks.some(({ behind }) => behind?.id === hanger.id) && picks.some(({ ahead }) => ahead?.id === hanger.id)
  );
};

function springSeat(
  laying: Laying,
  axle: Fitting,
  side: 'left' | 'right',
  rail: MeshedMember,
): { node: number; at: Vector3 } {
  const { structure, add } = laying;
  const { ahead, behind } = hangersOf(structure.frame, axle, side, structure.holds.fitting);
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
function addLeaf(laying: Laying, spring: Spring, ahead: Fitting, behind: Fitting): void {
  const { springN, elements } = laying;
  const span = behind.stationMm - ahead.stationMm;
  const inertia = (springN * span ** 3) / (48 * YOUNGS_MODULUS_MPA);
  const leaf = plainProfile({ areaMm2: 3000, iyyMm4: 2e6, izzMm4: inertia, jMm4: 5e4 });
  for (const [mark, released] of [
    [ahead, HANGER_PIN],
    [behind, SHACKLE],
  ] as const) {
    const eye = eyeOf(laying, spring, mark, mark === ahead);
    elements.push(
      plainBeam(`leaf ${spring.axle.id} ${spring.side} ${mark.id}`, eye.node, spring.seat, leaf, {
        from: { offsetMm: eye.offsetMm, released },
      }),
    );
  }
}

/** Where a spring's eye hangs: in its hanger, or at the near end of an equaliser that turns there. */
function eyeOf(
  laying: Laying,
  { side, rail, dropMm }: Spring,
  hanger: Fitting,
  isAhead: boolean,
): Attachment {
  const { structure, equalisers } = laying;
  const hung = onRail(structure, rail, hanger.stationMm, hanger.dropMm ?? dropMm);
  if (structure.frame.independentAxles || !meetsNext(structure.frame, hanger, side)) return hung;
  const key = `${hanger.id} ${side}`;
  const known = equalisers.get(key) ?? addEqualiser(laying, key, hung);
  equalisers.set(key, known);
  return { node: isAhead ? known.behindNode : known.aheadNode, offsetMm: [0, 0, 0] };
}

/** A stiff arm that turns about its pin under the rail: what hangs on one end hangs on the other. */
function addEqualiser({ structure, add, elements }: Laying, key: string, hung: Attachment): Equaliser {
  const [x, y, z] = structure.nodes[hung.node]!.map((at, k) => at + hung.offsetMm[k]!) as [
    number,
    number,
    number,
  ];
  const pin = add([x, y, z]);
  const [ahead, behind] = [add([x - EQUALISER_ARM_MM, y, z]), add([x + EQUALISER_ARM_MM, y, z])];
  const [ox, oy, oz] = hung.offsetMm;
  elements.push(
    plainBeam(`equaliser pin ${key}`, hung.node, pin, AXLE, {
      from: { offsetMm: [ox, oy, oz + PIN_MM] },
      to: { released: HANGER_PIN },
      up: [1, 0, 0],
    }),
    plainBeam(`equaliser ${key} ahead`, ahead, pin, AXLE),
    plainBeam(`equaliser ${key} behind`, pin, behind, AXLE),
  );
  return { aheadNode: ahead, behindNode: behind };
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
