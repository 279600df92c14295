'use client';

import {
  CSV_FIELDS,
  guessColumns,
  missingFields,
  peekCsv,
  WANTED_FIELDS,
  type ColumnMap,
  type CsvField,
  type CsvPeek,
} from '@/core/exchange';
import { facesOf } from '@/core/frame';
import { Pick, Sheet } from '@/ui/controls';
import { SYSTEM_WORDS } from '../../../../_words/system';
import { useMember, useReader, useRecords } from '../../../_desk';

const FIELD_WORDS: Readonly<Record<CsvField, string>> = {
  member: 'member',
  station: 'station along it',
  face: 'face',
  height: 'height on the face',
  thickness: 'thickness',
  unit: 'unit',
  method: 'method',
  note: 'note',
};

/** What a list shows of where a field comes from: a column, or `=` and what holds for every row. */
const chosenIn = (columns: ColumnMap, field: CsvField): string => {
  const from = columns[field];
  return !from ? '' : 'always' in from ? `=${from.always}` : from.column;
};
const withChosen = (columns: ColumnMap, field: CsvField, words: string): ColumnMap => {
  const { [field]: _, ...rest } = columns;
  if (words === '') return rest;
  return { ...rest, [field]: words.startsWith('=') ? { always: words.slice(1) } : { column: words } };
};

/** What the head of a file says its columns are, and what they may stand for; nothing where it goes straight in, or is no table. */
export function foreignColumns(head: string): { peek: CsvPeek; columns: ColumnMap } | undefined {
  const peek = peekCsv(head);
  if (!peek.ok || isOurs(peek.value)) return undefined;
  return { peek: peek.value, columns: guessColumns(peek.value.names) };
}

const isOurs = ({ names }: CsvPeek): boolean =>
  missingFields(Object.fromEntries(names.map((name) => [name.trim().toLowerCase(), { column: name }])))
    .length === 0;

/** Another tool's columns matched with ours, the first rows shown as they would be read; nothing is taken in before. */
export function ColumnMatch({
  file,
  peek,
  columns,
  onChange,
  onClose,
  onTake,
}: {
  file: File;
  peek: CsvPeek;
  columns: ColumnMap;
  onChange: (columns: ColumnMap) => void;
  onClose: () => void;
  onTake: () => void;
}) {
  const { system } = useReader();
  const missing = missingFields(columns);
  return (
    <Sheet
      title="Which column is which?"
      describe={`${file.name} names its columns otherwise. Nothing is taken in until you say so; bare numbers are read in ${SYSTEM_WORDS[system]} where no unit is given.`}
      open
      onOpenChange={(open) => !open && onClose()}
    >
      <Columns peek={peek} columns={columns} onChange={onChange} />
      <FirstRows peek={peek} columns={columns} />
      {missing.length > 0 && (
        <p className="mt-2 font-semibold text-oxide">
          Still open: {missing.map((field) => FIELD_WORDS[field]).join(', ')}.
        </p>
      )}
      <p className="mt-3 flex gap-2">
        <button type="button" className="solid" disabled={missing.length > 0} onClick={onTake}>
          Take it in
        </button>
        <button type="button" className="plain" onClick={onClose}>
          Leave it
        </button>
      </p>
    </Sheet>
  );
}

interface Matched {
  readonly peek: CsvPeek;
  readonly columns: ColumnMap;
}

function Columns({ peek, columns, onChange }: Matched & { readonly onChange: (columns: ColumnMap) => void }) {
  const { file: job } = useRecords();
  const { member } = useMember();
  // What may hold for every row, where the file does not say it.
  const always: Partial<Record<CsvField, readonly string[]>> = {
    member: job.frame.members.map((each) => each.name),
    face: facesOf(member.shape).map((face) => face.id),
    unit: ['in', 'mm'],
    method: ['ultrasonic', 'caliper', 'cut sample', 'feel'],
  };
  return (
    <div className="grid grid-cols-2 gap-2">
      {CSV_FIELDS.map((field) => (
        <Pick
          key={field}
          label={`${FIELD_WORDS[field]}${WANTED_FIELDS.includes(field) ? '' : ', may stay open'}`}
          value={chosenIn(columns, field)}
          onPick={(words) => onChange(withChosen(columns, field, words))}
          options={['', ...peek.names, ...(always[field] ?? []).map((word) => `=${word}`)]}
          words={(word) => (word === '' ? '–' : word.startsWith('=') ? `always ${word.slice(1)}` : word)}
        />
      ))}
    </div>
  );
}

function FirstRows({ peek, columns }: Matched) {
  const shown = (row: readonly string[], field: CsvField): string => {
    const from = columns[field];
    return !from ? '' : 'always' in from ? from.always : (row[peek.names.indexOf(from.column)] ?? '');
  };
  return (
    <div
      className="mt-3 overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label="First rows as they would be read"
    >
      <table className="w-full letters-14">
        <thead>
          <tr className="caption text-left">
            {WANTED_FIELDS.map((field) => (
              <th key={field} scope="col" className="pr-3 font-normal">
                {field}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">
          {peek.rows.map((row, k) => (
            <tr key={k}>
              {WANTED_FIELDS.map((field) => (
                <td key={field} className="whitespace-nowrap pr-3">
                  {shown(row, field)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
