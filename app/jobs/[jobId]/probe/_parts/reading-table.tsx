'use client';

import { stands } from '@/core/job';
import { disagreeing, doubtfulReadings, type Reading } from '@/core/probe';
import { standing, type Strike } from '@/core/frame';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { lengthDigits } from '@/core/quantity';
import { faceWords } from '@/ui/strip';
import { useMember, useReader, useOnMemberLater, useRecordsLater } from '../../../_desk';
import { stationDigits } from '../../../../_words/station';
import { When } from '@/ui/controls';

/** The readings of the member in sight, newest first; struck ones stay, with who and why. */
export function ReadingTable({ onStrike }: { onStrike: (reading: Reading) => void }) {
  const { readings } = useOnMemberLater();
  const { file } = useRecordsLater();
  const { system } = useReader();
  const { member } = useMember();
  const [all, setAll] = useState(false);
  const strikes = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const doubtful = useMemo(() => doubtfulReadings(readings, stands(file, 'calibration')), [readings, file]);
  const apart = useMemo(() => disagreeing(standing(readings, file.strikes)), [readings, file.strikes]);
  const newest = [...readings].reverse();
  const shown = all ? newest : newest.slice(0, 12);
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
        <table aria-rowcount={newest.length + 1} className="w-full min-w-[560px] text-[15px]">
          <thead>
            <tr className="caption text-left">
              {[
                `station, ${system}`,
                'face',
                `height, ${system}`,
                `thickness, ${system}`,
                'method',
                'by',
                'when',
                '',
              ].map((head) => (
                <th key={head} scope="col" className="font-normal">
                  {head || <span className="sr-only">strike</span>}
                </th>
              ))}
            </tr>
          </thead>
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
      {newest.length > shown.length && (
        <button type="button" className="plain mt-2" onClick={() => setAll(true)}>
          Show all {newest.length}
        </button>
      )}
    </section>
  );
}

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

function ReadingRow({
  index,
  reading,
  strike,
  isDoubtful,
  isApart,
  onStrike,
}: {
  index: number;
  reading: Reading;
  strike: Strike | undefined;
  isDoubtful: boolean;
  isApart: boolean;
  onStrike: (reading: Reading) => void;
}) {
  const { system } = useReader();
  const { member, setCursor } = useMember();
  return (
    <tr aria-rowindex={index + 2} className={strike ? 'text-soft' : ''}>
      <td className={strike ? 'line-through' : ''}>{stationDigits(member, reading.stationMm, system)}</td>
      <td className={strike ? 'line-through' : ''}>{faceWords(member, reading.face)}</td>
      <td className={strike ? 'line-through' : ''}>{lengthDigits(reading.heightMm, system, 'length')}</td>
      <td className={`font-semibold ${strike ? 'line-through' : ''}`}>
        {lengthDigits(reading.thicknessMm, system, 'thickness')}
      </td>
      <td>
        {reading.method}
        {reading.simulated && (
          <span className="ml-1 border border-oxide bg-oxide-wash px-1 font-semibold">simulated</span>
        )}
        {isDoubtful && <span className="font-semibold text-oxide"> gauge had drifted</span>}
        {isApart && <span className="font-semibold text-oxide"> disagrees with another here</span>}
      </td>
      <td>{reading.by}</td>
      <td className="whitespace-nowrap">
        <When at={reading.at} />
      </td>
      <td className="whitespace-nowrap text-right">
        {strike ? (
          <span>
            struck by {strike.by}: {strike.why}
          </span>
        ) : (
          <>
            <button
              type="button"
              className="hit px-2 underline"
              onClick={() =>
                setCursor({
                  stationMm: reading.stationMm,
                  face: reading.face,
                  heightMm: reading.heightMm,
                })
              }
            >
              show
            </button>
            <button type="button" className="hit px-2 underline" onClick={() => onStrike(reading)}>
              strike
            </button>
          </>
        )}
      </td>
    </tr>
  );
}
