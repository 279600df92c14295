'use client';

import { lazy, Suspense, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { ColumnMap, CsvPeek, ReadingImport } from '@/core/exchange';
import { takeCsv } from '../../../../_client';
import { loadedLater } from '../../../../_parts/loaded-later';
import { Sheet } from '@/ui/controls';
import { useReader, useRecords } from '../../../_desk';

/** What reads a table is loaded with the first file that is chosen. */
const columnMatch = () => import('./column-match');
const ColumnMatch = lazy(async () => ({ default: (await columnMatch()).ColumnMatch }));

/** A file with our own columns goes straight in; another tool's is matched first. */
function useCsvIn() {
  const { file, refresh } = useRecords();
  const { by, system } = useReader();
  const [report, setReport] = useState<ReadingImport>();
  const [busy, setBusy] = useState(false);
  const [matching, setMatching] = useState<{ file: File; peek: CsvPeek; columns: ColumnMap }>();
  const take = async (chosen: File, columns?: ColumnMap) => {
    setMatching(undefined);
    setBusy(true);
    const answer = await takeCsv(file.job.id, chosen, {
      by: by.trim() || 'unnamed',
      unit: system,
      at: new Date().toISOString(),
      ...(columns && { columns: JSON.stringify(columns) }),
    });
    setBusy(false);
    if (!answer.ok)
      return void toast.error(answer.problem.message, { description: answer.problem.kept, duration: 15_000 });
    await refresh();
    setReport(answer.value);
  };
  const look = async (chosen: File) => {
    const part = await loadedLater(columnMatch);
    if (!part) return;
    const foreign = part.foreignColumns(await chosen.slice(0, 64 * 1024).text());
    if (!foreign) return void take(chosen);
    setMatching({ file: chosen, ...foreign });
  };
  return { report, close: () => setReport(undefined), busy, matching, setMatching, look, take };
}

/** Readings from a CSV file: good rows are kept, bad ones listed by line and reason. */
export function CsvIn() {
  const { file } = useRecords();
  const { system } = useReader();
  const input = useRef<HTMLInputElement>(null);
  const { report, close, busy, matching, setMatching, look, take } = useCsvIn();
  return (
    <div className="flex flex-wrap gap-2">
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv"
        className="sr-only"
        tabIndex={-1}
        aria-label="Readings CSV file"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          if (chosen) void look(chosen);
        }}
      />
      <button type="button" className="plain" disabled={busy} onClick={() => input.current?.click()}>
        {busy ? 'Reading…' : 'Readings from CSV'}
      </button>
      <a className="plain" download href={`/api/jobs/${file.job.id}/readings?unit=${system}`}>
        Readings to CSV
      </a>
      {matching && (
        <Suspense>
          <ColumnMatch
            {...matching}
            onChange={(columns) => setMatching({ ...matching, columns })}
            onClose={() => setMatching(undefined)}
            onTake={() => void take(matching.file, matching.columns)}
          />
        </Suspense>
      )}
      <Report report={report} onClose={close} />
    </div>
  );
}

const Report = ({ report, onClose }: { report: ReadingImport | undefined; onClose: () => void }) => (
  <Sheet
    title={report ? `${report.readings.length} readings kept` : ''}
    describe={report ? describeImport(report) : ''}
    open={report !== undefined}
    onOpenChange={(open) => !open && onClose()}
  >
    <ul className="ruled">
      {report?.rejected.map(({ line, reason }) => (
        <li key={line} className="py-1">
          <span className="font-semibold">Line {line}:</span> {reason}
        </li>
      ))}
      {report?.warnings.map(({ line, reason }) => (
        <li key={`w${line}`} className="py-1">
          <span className="font-semibold">Line {line}, kept:</span> {reason}
        </li>
      ))}
    </ul>
  </Sheet>
);

const rows = (count: number): string => (count === 1 ? '1 row' : `${count} rows`);

function describeImport({ rejected, already }: ReadingImport): string {
  const passed = already ? `${rows(already)} on record already, passed over. ` : '';
  return (
    passed +
    (rejected.length
      ? `${rows(rejected.length)} not kept: correct them in the file and take it in again; what is kept is not added twice.`
      : 'No row was refused.')
  );
}
