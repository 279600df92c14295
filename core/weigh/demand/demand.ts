import type { Section } from '../../mechanics';
import type { CaseId, Member, Stand, StructureProblem, Surface, UnsolvedCase, WheelLoad } from '../../frame';
import type { FatigueId } from '../../reference';

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
  /** Its worst on lift arms or a jack: for whoever lifts it, not for the road. */
  readonly lifted?: StationDemand;
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

/** Where something was welded on in this state: the ends of plates. */
export interface Detail {
  readonly stationMm: number;
  readonly what: string;
  readonly category: FatigueId;
}
