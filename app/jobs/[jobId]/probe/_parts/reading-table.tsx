'use client';

import { stands } from '@/core/job';
import { disagreeing, doubtfulReadings, type Reading } from '@/core/probe';
import { standing } from '@/core/frame';
import { useMemo, useState } from 'react';
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
  const { member, setCursor } = useMember();
  const [all, setAll] = useState(false);
  const strikes = new Map(file.strikes.map((strike) => [strike.evidenceId, strike]));
  const doubtful = useMemo(() => doubtfulReadings(readings, stands(file, 'calibration')), [readings, file]);
  const apart = useMemo(() => disagreeing(standing(readings, file.strikes)), [readings, file.strikes]);
  const newest = [...readings].reverse();
  const shown = all ? newest : newest.slice(0, 12);
  if (readings.length === 0)
    return (
      <p className="mt-4 border-t border-rule pt-3 text-xl">
        No readings on {member.name.toLowerCase()} yet. Touch the Strip where the gauge is and type a
        thickness.
      </p>
    );
  return (
    <section className="relative mt-4 overflow-x-auto border-t border-rule pt-2" aria-label="Readings">
      <h3 className="text-lg font-semibold">
        Readings on {member.name.toLowerCase()}: {readings.length}
      </h3>
      <table className="w-full min-w-[560px] text-[15px]">
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
          {shown.map((reading) => {
            const strike = strikes.get(reading.id);
            return (
              <tr key={reading.id} className={strike ? 'text-soft' : ''}>
                <td className={strike ? 'line-through' : ''}>
                  {stationDigits(member, reading.stationMm, system)}
                </td>
                <td className={strike ? 'line-through' : ''}>{faceWords(member, reading.face)}</td>
                <td className={strike ? 'line-through' : ''}>
                  {lengthDigits(reading.heightMm, system, 'length')}
                </td>
                <td className={`font-semibold ${strike ? 'line-through' : ''}`}>
                  {lengthDigits(reading.thicknessMm, system, 'thickness')}
                </td>
                <td>
                  {reading.method}
                  {reading.simulated && (
                    <span className="ml-1 border border-oxide bg-oxide-wash px-1 font-semibold">
                      simulated
                    </span>
                  )}
                  {doubtful.has(reading.id) && (
                    <span className="font-semibold text-oxide"> gauge had drifted</span>
                  )}
                  {apart.has(reading.id) && (
                    <span className="font-semibold text-oxide"> disagrees with another here</span>
                  )}
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
          })}
        </tbody>
      </table>
      {newest.length > shown.length && (
        <button type="button" className="plain mt-2" onClick={() => setAll(true)}>
          Show all {newest.length}
        </button>
      )}
    </section>
  );
}
