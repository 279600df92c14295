import type { AttachedBy, FittingKind, Frame, HostOn, Member } from '../../frame';
import type { LimitSource, Practice, Steel } from '../../reference';
import type { WorkPart } from './part';
import type { WorkSeam } from './seam';

export { SEAM_TYPES, weldOf, type SeamType, type WorkSeam } from './seam';
export type { PartBend, PartHole, PartShape, WorkPart } from './part';

/** Works at a bracket, joint, panel or member that are no plates on a member's wall. One file each. */
export const WORK_IDS = [
  'gusset',
  'cross-brace',
  'hole doubler',
  'bracket renewed',
  'bracket trimmed',
  'captive mount',
  'through plates',
  'dish plate',
  'sheet patch',
  'formed tab',
  'access opening',
  'straightening',
  'splice',
  'upright sleeved',
  'leg structure',
  'stud blocked',
] as const;
export type WorkId = (typeof WORK_IDS)[number];

/** Where a work is made: a host of the frame, or a member by itself, with the member that carries it. */
export interface WorkPlace {
  readonly frame: Frame;
  readonly practice: Practice;
  readonly on: HostOn | 'member';
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly fitting?: FittingKind;
  readonly attachedBy?: AttachedBy;
  /** The member it is, or hangs on first; a panel's first behind it. */
  readonly member: Member;
  readonly steel: Steel;
  /** Every member it hangs on, joins or hides: whose plan it belongs to. */
  readonly memberIds: readonly string[];
  /** Station of the member it sits at, mm. */
  readonly stationMm: number;
  /** Sizes as made, where the frame has them, mm. */
  readonly made: {
    readonly hole?: number;
    readonly plate?: number;
    readonly drop?: number;
    readonly along?: number;
  };
  /** Load that hangs on it standing, kg, where the frame says; 0 where it does not. */
  readonly loadKg: number;
}

/** Why a work does not go at a place. */
export const WORK_WHY_NOT = [
  'not at such a place',
  'the steel is not welded',
  'the section does not take it',
  'not of this metal',
] as const;
export type WorkWhyNot = (typeof WORK_WHY_NOT)[number];

export type MeasureAs = 'station' | 'length' | 'thickness' | 'mass' | 'count' | 'choice' | 'temperature';
/** A measure somebody sets: its usual value at a place, and between which values it is one at all. A choice is the number of its option. */
export interface Measure {
  readonly key: string;
  readonly as: MeasureAs;
  readonly start: (place: WorkPlace) => number;
  readonly least: number;
  readonly most: number;
  readonly options?: readonly string[];
}
export type Measures = Readonly<Record<string, number>>;

/** A figure that a work comes to; `limit` where there is one, `isGood` where somebody may rely on it. */
export interface WorkFigure {
  readonly id: string;
  readonly value: number;
  readonly quantity: 'length' | 'thickness' | 'force' | 'fraction' | 'count' | 'mass' | 'torque';
  readonly limit?: number;
}

export interface WorkFinding {
  readonly code: string;
  /** The member whose metal it tells of, where that is not the place's own. */
  readonly along?: string;
  readonly weight: 'broken' | 'deviation' | 'note';
  readonly value?: number;
  readonly limit?: number;
  readonly quantity: WorkFigure['quantity'];
  readonly source: LimitSource;
}

/** What a work comes to: figures, what the rules say, what is cut and welded, what is asked in which order, what no rule looked at. */
export interface JudgedWork {
  readonly figures: readonly WorkFigure[];
  readonly findings: readonly WorkFinding[];
  readonly parts: readonly WorkPart[];
  readonly seams: readonly WorkSeam[];
  /** What is done, in order. */
  readonly asks: readonly string[];
  readonly unchecked: readonly string[];
}

/** A stretch of a member that a work is made fast to, mm along it: metal that stays, and must hold it. */
export interface Footing {
  readonly memberId: Member['id'];
  readonly fromMm: number;
  readonly toMm: number;
  /** A plate over bad metal there makes it good: not where the metal itself is joined or bent. */
  readonly overPlate: boolean;
}

export interface WorkForm {
  readonly id: WorkId;
  /** What of it would mend what was found there; a place may take other works too. */
  readonly whyNot: (place: WorkPlace) => WorkWhyNot | undefined;
  readonly measures: readonly Measure[];
  readonly judge: (place: WorkPlace, of: Measures) => JudgedWork;
  /** Metal of the frame that it is made fast to; absent where it is to none, or where only the rusted middle is bridged. */
  readonly standsOn?: (place: WorkPlace, of: Measures) => readonly Footing[];
}
