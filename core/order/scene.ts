import type { Carried, FittingKind, Frame, HostOn, Member } from '../frame';
import type { Norms } from '../reference';
import type { WorkId } from '../shape';
import type { HostNeed, Verdict } from '../weigh';

/** Where something is on the unit: stations from the frame's datum, whichever member it is on. */
export interface Along {
  readonly fromMm: number;
  readonly toMm: number;
  readonly side?: 'left' | 'right';
}

/** A repair that somebody decided, as the order of work sees it. */
export interface PlannedRepair extends Along {
  readonly id: string;
  readonly memberId: string;
  /** The least of the section left there, share of as made: how bad it is. */
  readonly leastKept: number;
  readonly isCutOut: boolean;
  readonly isBolted: boolean;
  readonly brokenRules: number;
  readonly plates: number;
  readonly weldM: number;
  /** Hosts that come off for it and go back, by id. */
  readonly offAndBack: readonly string[];
  /** A cap that wraps the floor, or both walls: others build off the middle one. */
  readonly isCap: boolean;
  readonly isBought: boolean;
  /** When it was last changed. */
  readonly at: string;
  /** What its steel is ordered under. */
  readonly steelKey: string;
}
export interface PlannedCrack extends Along {
  readonly id: string;
  readonly memberId: string;
  readonly weldM: number;
}
export interface SceneWork extends Along {
  readonly id: string;
  readonly form: WorkId;
  readonly on: HostOn | 'member';
  readonly hostId: string;
  readonly name: string;
  readonly memberId: string;
  readonly fitting?: FittingKind;
  readonly carries: readonly Carried[];
  readonly weldM: number;
  /** Parts that are cut and made for it. */
  readonly parts: number;
  readonly isBonded: boolean;
  readonly brokenRules: number;
}
export interface SceneRenewal extends Along {
  readonly id: string;
  readonly memberId: string;
  readonly name: string;
  readonly brokenRules: number;
}
/** What parted or stands out of line and is brought back before anything is welded there. */
export interface SceneAlign extends Along {
  readonly id: string;
  readonly name: string;
  readonly memberId?: string;
}
/** Something found bad that nothing is planned for. */
export type Unplanned =
  | { readonly is: 'member'; readonly id: string; readonly name: string; readonly asks: Verdict }
  | { readonly is: 'host'; readonly id: string; readonly name: string; readonly asks: HostNeed };

/** A step or bracket that holds what is rotten: on taking it off the piece falls out. */
export interface HeldTogether {
  readonly part: string;
  readonly memberId: string;
  readonly name: string;
  readonly stationMm: number;
}

/** A part's own stretch of stripping: whatever hangs on the frame or lies over it. */
export interface ScenePart extends Along {
  /** As hosts are named: `mark-3 left`; a panel's own id. */
  readonly id: string;
  readonly name: string;
  readonly kind: FittingKind | 'panel';
  /** Which members it hangs on or hides. */
  readonly memberIds: readonly string[];
  /** Cut loose and welded back, not unbolted. */
  readonly isWelded: boolean;
  /** A tank of water or waste burns nothing; one of which nobody said what it holds is taken for fuel. */
  readonly isFuel: boolean;
}

/** More that was found while it was open, as it was asked of the owner and answered. */
export interface SceneExtra {
  readonly id: string;
  readonly zoneId: string;
  readonly memberId?: string;
  readonly what: string;
  readonly hours: readonly [number, number];
  readonly isGranted: boolean;
}
/** A task of the shop's own, beside those that follow from the records. */
export interface SceneOwn {
  readonly id: string;
  readonly zoneId?: string;
  readonly what: string;
  readonly hours: readonly [number, number];
  readonly before: 'the first cut' | 'refit' | 'the drive';
}

/** Everything that tasks are made from, sorted once. */
export interface OrderScene {
  readonly frame: Frame;
  readonly norms: Norms;
  readonly repairs: readonly PlannedRepair[];
  readonly cracks: readonly PlannedCrack[];
  readonly works: readonly SceneWork[];
  readonly renewals: readonly SceneRenewal[];
  readonly aligns: readonly SceneAlign[];
  /** Out of line as a whole: axles, diagonals, a set of mounts. */
  readonly straightened: readonly { readonly id: string; readonly name: string }[];
  readonly parts: readonly ScenePart[];
  readonly unplanned: readonly Unplanned[];
  /** Parts noted as holding rotten metal together, with where. */
  readonly heldTogether: readonly HeldTogether[];
  readonly extras: readonly SceneExtra[];
  readonly own: readonly SceneOwn[];
  /** The unit leaves its place after this zone and comes back, or goes on elsewhere. */
  readonly transitAfter?: string;
  /** Members with a closed section: coated inside through their holes. */
  readonly closedIds: ReadonlySet<string>;
}

export const memberIn = ({ frame }: Pick<OrderScene, 'frame'>, id: string): Member | undefined =>
  frame.members.find((member) => member.id === id);

export const middleMm = ({ fromMm, toMm }: Along): number => (fromMm + toMm) / 2;
export const overlap = (one: Along, other: Along, reachMm = 0): boolean =>
  one.fromMm <= other.toMm + reachMm && one.toMm >= other.fromMm - reachMm;
