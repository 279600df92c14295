import type { Strike } from '../frame';
import type { Repair } from '../shape';
import type { Evidence } from './evidence';
import type { JobFile } from './records';

/** One change to a job's records: made on a page, heard by whoever works from them. */
export type RecordsChange =
  | { readonly kind: 'evidence'; readonly record: Evidence }
  | { readonly kind: 'strike'; readonly strike: Strike }
  | { readonly kind: 'repair'; readonly repair: Repair; readonly changeId: string }
  | { readonly kind: 'withdrawal'; readonly id: string; readonly changeId: string }
  /** What a server says the whole file is. */
  | { readonly kind: 'file'; readonly file: JobFile };

const withNew = <Rec extends { readonly id: string }>(
  records: readonly Rec[],
  record: Rec,
): readonly Rec[] => (records.some((each) => each.id === record.id) ? records : [...records, record]);

/** A job's records with one change made. Evidence and strikes are added once only; a repair said again replaces itself. */
export function changed(file: JobFile, change: RecordsChange): JobFile {
  switch (change.kind) {
    case 'evidence':
      return { ...file, evidence: withNew(file.evidence, change.record) };
    case 'strike':
      return { ...file, strikes: withNew(file.strikes, change.strike) };
    case 'repair':
      return {
        ...file,
        repairs: [...file.repairs.filter((each) => each.id !== change.repair.id), change.repair],
        repairChanges: { ...file.repairChanges, [change.repair.id]: change.changeId },
      };
    case 'withdrawal':
      return {
        ...file,
        repairs: file.repairs.filter((each) => each.id !== change.id),
        repairChanges: { ...file.repairChanges, [change.id]: change.changeId },
      };
    case 'file':
      return change.file;
    default:
      return change satisfies never;
  }
}
