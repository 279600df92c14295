import { changed, openEvidence, type JobFile, type RecordsChange } from '@/core/job';
import { opened } from '@/core/quantity';
import { repairForm } from '@/core/shape';
import type { Parcel, RepairMade, Withdrawal } from '../../_outbox/parcel';

/** The job's records as this page shows them. */
export const recordsReducer = (file: JobFile, change: RecordsChange): JobFile =>
  change.kind === 'file' ? sameOrNewer(file, change.file) : changed(file, change);

/** Writes of this browser that a server's word may not hold: those that reached it meanwhile, and those held here. */
export interface Writes {
  readonly arrived: readonly Parcel[];
  readonly waiting: readonly Parcel[];
}

/** The server's word, and the writes on top of it. */
export const withWrites = (file: JobFile, { arrived, waiting }: Writes): JobFile =>
  waiting.flatMap(asChanges).reduce(changed, arrived.reduce(withArrived, file));

/** A change of a repair that reached the server goes on top of what it was made on only: anything else standing there is this change, or a later one. */
function withArrived(file: JobFile, parcel: Parcel): JobFile {
  const isDue =
    (parcel.kind !== 'repair' && parcel.kind !== 'withdrawal') ||
    file.repairChanges[repairIdOf(parcel.body)] === parcel.body.basedOn;
  return isDue ? asChanges(parcel).reduce(changed, file) : file;
}
const repairIdOf = (body: RepairMade | Withdrawal): string =>
  'repair' in body ? body.repair.id : body.repairId;

/** A tab that comes back into view finds mostly what it left: then nothing is worked out or drawn again. */
function sameOrNewer(file: JobFile, next: JobFile): JobFile {
  return JSON.stringify(gist(file)) === JSON.stringify(gist(next)) ? file : next;
}
const gist = ({ evidence, strikes, ...rest }: JobFile) => [
  rest,
  evidence.map((record) => (record.kind === 'photo' ? [record.id, record.picture?.hash] : record.id)),
  strikes.map((strike) => strike.id),
];

/** A write, of whatever version, as the changes it made on the page. What this program cannot read changes nothing here: the server says why. */
function asChanges(parcel: Parcel): RecordsChange[] {
  switch (parcel.kind) {
    case 'evidence':
      return parcel.body.evidence.flatMap(evidenceChange);
    case 'photo':
      return evidenceChange(parcel.body);
    case 'strike':
      return [{ kind: 'strike', strike: parcel.body }];
    case 'repair':
      return repairChange(parcel.body);
    case 'withdrawal':
      return [{ kind: 'withdrawal', id: parcel.body.repairId, changeId: parcel.body.changeId }];
    default:
      return parcel satisfies never;
  }
}

function evidenceChange(raw: unknown): RecordsChange[] {
  const record = openEvidence(raw);
  return record.ok ? [{ kind: 'evidence', record: record.value }] : [];
}
function repairChange({ repair: raw, changeId }: RepairMade): RecordsChange[] {
  const repair = opened(repairForm, raw);
  return repair.ok ? [{ kind: 'repair', repair: repair.value, changeId }] : [];
}
