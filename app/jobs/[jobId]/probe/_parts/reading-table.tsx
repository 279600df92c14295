'use client';

import { stands } from '@/core/job';
import { disagreeing, doubtfulReadings, type Reading } from '@/core/probe';
import { standing } from '@/core/frame';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { useMember, useReader, useOnMemberLater, useRecordsLater } from '../../../_desk';
import { SortedHead } from '@/ui/controls';
import { ReadingRow } from './reading-row';
import { useReadingsSorted, type SortedColumn } from './readings-sorted';

/** The readings of the member in sight, newest first or as a heading sorts them; struck ones stay. */
export function ReadingTable({ onStrike }: { onStrike: (reading: Reading) => void }) {
  const { readings } = useOnMemberLater();
  const { system } = useReader();
  const { member } = useMember();
  const [all, setAll] = useState(false);
  const { strikes, doubtful, apart } = useSaidOf(readings);
  const { sorted, columns } = useReadingsSorted(member, readings, system);
  const shown = all ? sorted : sorted.slice(0, FIRST_ROWS);
  const { scrolls, rows, before, after } = useInSight(shown, all);
  if (readings.length === 0)
    return (
      <p className="mt-4 border-t border-rule pt-3 text-xl">
        No readings on {member.name.toLowerCase()} yet. Touch the Strip where the gauge is and type a
        thickness.
      </p>
    );
  return (
    <section className="relative mt-4 border-t border-rule pt-2" aria-label="Readings">
      <h3 className="text-lg font-semibold">
        Readings on {member.name.toLowerCase()}: {readings.length}
      </h3>
      <div ref={scrolls} className={`relative ${all ? 'max-h-[60dvh] overflow-auto' : 'overflow-x-auto'}`}>
        <table
          aria-rowcount={sorted.length + 1}
          className="w-full min-w-[660px] letters-15 [&_td]:pr-3 [&_th]:pr-3"
        >
          <Heads columns={columns} />
          <tbody className="ruled">
            {before > 0 && <tr style={{ height: before }} aria-hidden />}
            {rows.map(({ reading, index }) => (
              <ReadingRow
                key={reading.id}
                index={index}
                reading={reading}
                strike={strikes.get(reading.id)}
                isDoubtful={doubtful.has(reading.id)}
                isApart={apart.has(reading.id)}
                onStrike={onStrike}
              />
            ))}
            {after > 0 && <tr style={{ height: after }} aria-hidden />}
          </tbody>
        </table>
      </div>
      {sorted.length > shown.length && (
        <button type="button" className="plain mt-2" onClick={() => setAll(true)}>
          Show all {sorted.length}
        </button>
      )}
    </section>
  );
}

const Heads = ({ columns }: { columns: readonly SortedColumn[] }) => (
  <thead className="sticky top-0 bg-paper">
    <tr className="caption text-left">
      {columns.map(({ id, label, sorted, turn }) => (
        <SortedHead key={id} label={label} sorted={sorted} onTurn={turn} />
      ))}
      <th scope="col">
        <span className="sr-only">strike</span>
      </th>
    </tr>
  </thead>
);

/** What is said against readings: struck through, by a gauge that had drifted, at odds with another. */
function useSaidOf(readings: readonly Reading[]) {
  const { file } = useRecordsLater();
  const strikes = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const doubtful = useMemo(() => doubtfulReadings(readings, stands(file, 'calibration')), [readings, file]);
  const apart = useMemo(() => disagreeing(standing(readings, file.strikes)), [readings, file.strikes]);
  return { strikes, doubtful, apart };
}

/** How many rows stand there before all are asked for. */
const FIRST_ROWS = 12;
/** A row is as high as what is pressed in it. */
const ROW_PX = 45;

/** The rows that are in sight of a long list that scrolls by itself, and how much of it lies before and after them. */
function useInSight(readings: readonly Reading[], scrollsItself: boolean) {
  const scrolls = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the compiler that would memoise it is not used here
  const virtual = useVirtualizer({
    count: scrollsItself ? readings.length : 0,
    getScrollElement: () => scrolls.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const inSight = virtual.getVirtualItems();
  const rows = scrollsItself
    ? inSight.map(({ index }) => ({ reading: readings[index]!, index }))
    : readings.map((reading, index) => ({ reading, index }));
  const [first, last] = [inSight[0], inSight.at(-1)];
  return {
    scrolls,
    rows,
    before: first?.start ?? 0,
    after: last ? virtual.getTotalSize() - last.end : 0,
  };
}
