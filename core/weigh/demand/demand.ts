import type { Section } from '../../mechanics';
import type { CaseId, Member, Stand, StructureProblem, Surface, UnsolvedCase, WheelLoad } from '../../frame';
import type { FatigueId } from '../../reference';

/** A member's wall in one state, over a stretch: its weakest section there, which is stressed. */
export interface StateWall {
  readonly surface: Surface;
  readonly section: Section;
  readonly wallMm: ArrayLike<number>;
  /** Row by row the least over the stretch, where that is not the weakest section's: webs are sheared and crushed there. */
  readonly leastMm?: ArrayLike<number>;
  /** An opening in its web longer than it is deep, that runs through the stretch: how long, and between which rows. */
  readonly slot?: { readonly longMm: number; readonly fromRow: number; readonly toRow: number };
  /** What bends, where that is not the weakest section all along: the stretch as a whole, and the sections in row where some of it stands slack. */
  readonly bends?: { readonly whole: Section; readonly inRow: readonly Section[] };
}
/** Asked for every element, by its middle and half its length; undefined where no metal is left. */
export type WallAt = (member: Member, stationMm: number, halfMm: number) => StateWall | undefined;

export const WHY_IDS = ['yield', 'wall buckling', 'sideways buckling', 'shear', 'a slot'] as const;
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
  /** Where plates were welded on while the frame stood under its own weight: what its old metal uses then. */
  readonly lockedIn?: number;
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
  /** Its worst in every case it is used in, where it is asked anything. */
  readonly byCase: readonly StationDemand[];
  /** What it would use were everything as stiff as made: its own metal's doing. More than that, others gave way beside it. */
  readonly byItself?: number;
  /** Crossmembers that hold it from buckling sideways where it is worst, and that nobody has looked at: by name. */
  readonly restsOn?: readonly string[];
  /** Crossmembers that should hold it sideways where it is worst, and were found bad: by name. */
  readonly notHeldBy?: readonly string[];
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
  /** Loaded, and solved standing on its wheels: without that nothing is known of the road, whatever else was solved. */
  readonly isDriven: boolean;
  readonly members: readonly MemberDemand[];
  readonly problems: readonly StructureProblem[];
  readonly unsolved: readonly UnsolvedCase[];
  readonly wheels: readonly WheelLoad[];
  readonly couplerKg?: number;
  /** What each stand carries, in a state that stands on stands. */
  readonly stands?: readonly { readonly stand: Stand; readonly upN: number }[];
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
