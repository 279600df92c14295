import { changed, openEvidence, type JobFile, type RecordsChange } from '@/core/job';
import { valueOf } from '@/core/quantity';
import type { Parcel } from '../../_outbox/parcel';

/** The job's records as this page shows them. */
export const recordsReducer = (file: JobFile, change: RecordsChange): JobFile =>
  change.kind === 'file' ? sameOrNewer(file, change.file) : changed(file, change);

/** The server's word, and on top of it the writes of this page that it may not have known of: those held here, and those that reached it meanwhile. */
export const withWrites = (file: JobFile, parcels: readonly Parcel[]): JobFile =>
  parcels.flatMap(asChanges).reduce(changed, file);

/** A tab that comes back into view finds mostly what it left: then nothing is worked out or drawn again. */
function sameOrNewer(file: JobFile, next: JobFile): JobFile {
  return JSON.stringify(gist(file)) === JSON.stringify(gist(next)) ? file : next;
}
const gist = ({ evidence, strikes, ...rest }: JobFile) => [
  rest,
  evidence.map((record) => (record.kind === 'photo' ? [record.id, record.picture?.hash] : record.id)),
  strikes.map((strike) => strike.id),
];

/** A write still on its way, as the changes it made on this page. */
function asChanges(parcel: Parcel): RecordsChange[] {
  switch (parcel.kind) {
    case 'evidence':
      return parcel.body.evidence.map(evidenceChange);
    case 'photo':
      return [evidenceChange(parcel.body)];
    case 'strike':
      return [{ kind: 'strike', strike: parcel.body }];
    case 'repair':
      return [{ kind: 'repair', repair: parcel.body.repair, changeId: parcel.body.changeId }];
    case 'withdrawal':
      return [{ kind: 'withdrawal', id: parcel.body.repairId, changeId: parcel.body.changeId }];
    default:
      return parcel satisfies never;
  }
}

const evidenceChange = (raw: unknown): RecordsChange => ({
  kind: 'evidence',
  record: valueOf(openEvidence(raw)),
});
