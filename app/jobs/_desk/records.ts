import type { Strike } from '@/core/frame';
import type { JobFile } from '@/core/job';
import type { Reading, SurveyRecord } from '@/core/probe';
import type { Crack } from '@/core/trace';
import type { Repair } from '@/core/shape';
import type { WalkRecord } from '@/core/walk';
import { waitingFor, type Parcel } from './outbox';

export type RecordsChange =
  | { kind: 'reading'; reading: Reading }
  | { kind: 'crack'; crack: Crack }
  | { kind: 'walk'; record: WalkRecord }
  | { kind: 'survey'; record: SurveyRecord }
  | { kind: 'strike'; strike: Strike }
  | { kind: 'repair'; repair: Repair }
  | { kind: 'withdrawal'; id: string }
  | { kind: 'server'; file: JobFile };

const withNew = <Rec extends { id: string }>(records: readonly Rec[], record: Rec): readonly Rec[] =>
  records.some((each) => each.id === record.id) ? records : [...records, record];

/** The job's records as this page shows them: the server's, and on top of them what is still held here. */
export function recordsReducer(file: JobFile, change: RecordsChange): JobFile {
  switch (change.kind) {
    case 'reading':
      return { ...file, readings: withNew(file.readings, change.reading) };
    case 'crack':
      return { ...file, cracks: withNew(file.cracks, change.crack) };
    case 'walk':
      return { ...file, walk: withNew(file.walk, change.record) };
    case 'survey':
      return { ...file, survey: withNew(file.survey, change.record) };
    case 'strike':
      return { ...file, strikes: withNew(file.strikes, change.strike) };
    case 'repair':
      return {
        ...file,
        repairs: [...file.repairs.filter((each) => each.id !== change.repair.id), change.repair],
      };
    case 'withdrawal':
      return { ...file, repairs: file.repairs.filter((each) => each.id !== change.id) };
    case 'server':
      return waitingFor(file.job.id).map(asChange).reduce(recordsReducer, change.file);
    default:
      return change satisfies never;
  }
}

/** A write still on its way, as the change it made on this page. */
function asChange({ url, body }: Parcel): RecordsChange {
  if (url.endsWith('/readings'))
    return { kind: 'reading', reading: (body as { readings: Reading[] }).readings[0]! };
  if (url.endsWith('/cracks')) return { kind: 'crack', crack: body as Crack };
  if (url.endsWith('/walk') || url.endsWith('/photos')) return { kind: 'walk', record: body as WalkRecord };
  if (url.endsWith('/survey')) return { kind: 'survey', record: body as SurveyRecord };
  if (url.endsWith('/strikes')) return { kind: 'strike', strike: body as Strike };
  if (url.endsWith('/withdrawal')) return { kind: 'withdrawal', id: url.split('/').at(-2)! };
  return { kind: 'repair', repair: body as Repair };
}
