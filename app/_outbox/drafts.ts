import { packEvidence, type Evidence } from '@/core/job';
import { packed } from '@/core/quantity';
import { repairForm } from '@/core/shape';
import type { Strike } from '@/core/frame';
import type { Photo } from '@/core/walk';
import type { Draft, RepairMade, Withdrawal } from './parcel';

/** Parcels made of records. Apart from the outbox, which every page has: to write a record down takes all its schemas. */

export const evidenceParcel = (jobId: string, record: Evidence): Draft => ({
  kind: 'evidence',
  id: record.id,
  jobId,
  body: { evidence: [packEvidence(record)] },
});
export const photoParcel = (jobId: string, photo: Photo, file: Blob): Draft => ({
  kind: 'photo',
  id: photo.id,
  jobId,
  body: packEvidence(photo),
  file,
});
export const strikeParcel = (jobId: string, strike: Strike): Draft => ({
  kind: 'strike',
  id: strike.id,
  jobId,
  body: strike,
});
export const repairParcel = (jobId: string, made: RepairMade): Draft => ({
  kind: 'repair',
  id: made.changeId,
  jobId,
  body: { ...made, repair: packed(repairForm, made.repair) },
});
export const withdrawalParcel = (jobId: string, body: Withdrawal): Draft => ({
  kind: 'withdrawal',
  id: body.changeId,
  jobId,
  body,
});
