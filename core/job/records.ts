import {
  lastWord,
  ofKind,
  standing,
  type Frame,
  type JobSheet,
  type Notice,
  type Strike,
  type Unit,
} from '../frame';
import type { ScrapTest } from '../join';
import type { AsBuilt, Fault, ListedPattern } from '../patterns';
import type { Bay, Consumable, Kit, Person, Practice, ShelfPiece, ShopWeek } from '../reference';
import type { PreservedElsewhere } from '../prove';
import type { Repair } from '../shape';
import type { HeldElsewhere } from '../trace';
import type { MendedBefore, SpotRule } from '../walk';
import type { HoursLearnt, MeasuredElsewhere } from '../weigh';
import type { Evidence, EvidenceId, EvidenceOf } from './evidence';

/** A row on the server that cannot be read: what it is of, and why. What it said is missing from everything that is worked out. */
export interface Unreadable {
  readonly what: string;
  readonly id: string;
  readonly why: string;
}

/** A job's records as they were kept: struck evidence is still among them. */
export interface JobRecords {
  readonly frame: Frame;
  readonly practice: Practice;
  /** In the order it was kept. */
  readonly evidence: readonly Evidence[];
  /** What to look at, as the shop has it; the trade's own list where nothing is said. */
  readonly spotRules?: readonly SpotRule[];
  readonly strikes: readonly Strike[];
  readonly repairs: readonly Repair[];
  readonly grossMassKg?: number;
  /** What earlier, closed jobs of the same unit put right. */
  readonly mendedBefore?: readonly MendedBefore[];
  /** Temporary repairs and trips of the unit's other jobs. */
  readonly heldElsewhere?: HeldElsewhere;
  /** How the unit was kept whole in its other jobs. */
  readonly preservedElsewhere?: PreservedElsewhere;
  /** Geometry that the unit's other jobs measured. */
  readonly measuredElsewhere?: MeasuredElsewhere;
  /** What the shop's closed jobs say of its norms of hours. */
  readonly hoursLearnt?: HoursLearnt;
  /** What stands on the server's disk and could not be read: said wherever the job is judged. */
  readonly unreadable?: readonly Unreadable[];
}

/** A job's whole file: its unit and sheet beside its records, with the revisions that a change of frame or practice must name. */
export interface JobFile extends JobRecords {
  readonly unit: Unit;
  readonly notices: readonly Notice[];
  readonly job: JobSheet;
  readonly frameRevision: number;
  readonly practiceRevision: number;
  /** The shop's practice that this job keeps to, at its revision, and the shop's newest; absent from what was written down before. */
  readonly shop?: {
    readonly revision: number;
    readonly newest: number;
    readonly practice: Practice;
    readonly why: string;
  };
  /** Caps and plates that the shop can buy in. */
  readonly kits?: readonly Kit[];
  /** The shop's own patterns for frames of this family, with how they held. */
  readonly patterns?: readonly ListedPattern[];
  /** Where frames of this family failed in this shop, this one's own records among them. */
  readonly faults?: readonly Fault[];
  /** Photos of places as they were built, on frames of this family. */
  readonly asBuilt?: readonly AsBuilt[];
  /** Who works in the shop, and what their papers say. */
  readonly people?: readonly Person[];
  /** Where it works, and when. */
  readonly bays?: readonly Bay[];
  readonly week?: ShopWeek;
  readonly consumables?: readonly Consumable[];
  readonly shelf?: readonly ShelfPiece[];
  /** Scrap tests of the shop's other jobs, oldest first. */
  readonly scrapTests?: readonly ScrapTest[];
  /** The name of each repair's last change, by repair, those taken out of the plan too: the next change says it was made on it. */
  readonly repairChanges: Readonly<Record<string, string>>;
  readonly closed: boolean;
}

type Kept = Pick<JobRecords, 'evidence' | 'strikes'>;

/** A job's evidence of one kind, struck or not. */
export const recorded = <Kind extends EvidenceId>(
  records: Pick<Kept, 'evidence'>,
  kind: Kind,
): EvidenceOf<Kind>[] => ofKind(records.evidence, kind) as EvidenceOf<Kind>[];

/** A job's evidence of one kind that nobody has struck through. */
export const stands = <Kind extends EvidenceId>(records: Kept, kind: Kind): EvidenceOf<Kind>[] =>
  standing(recorded(records, kind), records.strikes);

/** The last standing word of a kind, of some; where clock and keeping disagree which that was, by the clock. Where one may be milder than another, `lastWord` asks which. */
export const lastOf = <Kind extends EvidenceId>(
  records: Kept,
  kind: Kind,
  which: (record: EvidenceOf<Kind>) => boolean = () => true,
): EvidenceOf<Kind> | undefined =>
  lastWord(stands(records, kind).filter(which) as (EvidenceOf<Kind> & { readonly at: string })[]);

/** A member's evidence of one kind that nobody has struck through. */
export const standsOn = <Kind extends 'reading' | 'crack' | 'crack look' | 'sign' | 'felt edge'>(
  records: Kept,
  kind: Kind,
  memberId: string,
): EvidenceOf<Kind>[] =>
  standing(
    recorded(records, kind).filter((record) => (record as { memberId: string }).memberId === memberId),
    records.strikes,
  );
