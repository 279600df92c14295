import { changed, openEvidence, type JobFile, type RecordsChange } from '@/core/job';
import { valueOf } from '@/core/quantity';
import type { Repair } from '@/core/shape';
import type { Strike } from '@/core/frame';
import type { Parcel } from './outbox';

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
export function asChanges({ url, body }: Parcel): RecordsChange[] {
  if (url.endsWith('/evidence'))
    return (body as { evidence: unknown[] }).evidence.map((raw) => evidenceChange(raw));
  if (url.endsWith('/photos')) return [evidenceChange(body)];
  if (url.endsWith('/strikes')) return [{ kind: 'strike', strike: body as Strike }];
  if (url.endsWith('/withdrawal')) return [{ kind: 'withdrawal', id: url.split('/').at(-2)! }];
  return [{ kind: 'repair', repair: body as Repair }];
}

const evidenceChange = (raw: unknown): RecordsChange => ({
  kind: 'evidence',
  record: valueOf(openEvidence(raw)),
});
