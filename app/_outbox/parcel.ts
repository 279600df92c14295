import type { Strike } from '@/core/frame';
import type { Repair } from '@/core/shape';

/** What a parcel's contents are written as; see `held-before.ts` for how earlier ones are read. */
export const PARCEL_VERSION = 2;

/** What is sent, by kind: each has a door of its own on the server. */
export type Contents =
  | { readonly kind: 'evidence'; readonly body: { readonly evidence: readonly unknown[] } }
  | { readonly kind: 'photo'; readonly body: object; readonly file: Blob }
  | { readonly kind: 'strike'; readonly body: Strike }
  | { readonly kind: 'repair'; readonly body: RepairMade }
  | { readonly kind: 'withdrawal'; readonly body: Withdrawal };

/** A repair as it now is, the name of this change, and the change it was made on. */
export interface RepairMade {
  readonly changeId: string;
  readonly basedOn?: string;
  readonly repair: Repair;
}
export interface Withdrawal {
  readonly changeId: string;
  readonly basedOn?: string;
  readonly repairId: string;
}

/** One write on its way: held in the browser until the server has it on disk. */
export type Parcel = Contents & {
  readonly version: typeof PARCEL_VERSION;
  /** Names what is written, so that a parcel that arrives twice is one record. */
  readonly id: string;
  readonly jobId: string;
  /** Its place in the order of sending, counted: clocks go back. */
  readonly number: number;
  /** The set of records it is meant for. */
  readonly books?: string;
};
/** A parcel that has no number yet. */
export type Draft = Contents & Pick<Parcel, 'id' | 'jobId'>;

const DOOR: Readonly<Record<Parcel['kind'], string>> = {
  evidence: 'evidence',
  photo: 'photos',
  strike: 'strikes',
  repair: 'repairs',
  withdrawal: 'repairs',
};
/** Where a parcel goes. */
export function addressOf(parcel: Parcel): string {
  const door = `/api/jobs/${parcel.jobId}/${DOOR[parcel.kind]}`;
  return parcel.kind === 'withdrawal' ? `${door}/${parcel.body.repairId}/withdrawal` : door;
}

/** Parcels of one lane go one after another; a picture takes its time and holds up nothing else. */
export const laneOf = ({ jobId, kind }: Parcel): string => (kind === 'photo' ? `${jobId} photos` : jobId);

/** Whether a parcel must wait for another, of another lane: a strike for what it strikes. */
export const waitsFor = (parcel: Parcel, other: Parcel): boolean =>
  parcel.kind === 'strike' && other.id === parcel.body.evidenceId;
