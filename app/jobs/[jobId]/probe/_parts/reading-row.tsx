'use client';

import { type Strike } from '@/core/frame';
import { type Reading } from '@/core/probe';
import { lengthDigits } from '@/core/quantity';
import { faceWords } from '@/ui/strip';
import { When } from '@/ui/controls';
import { useMember, useReader } from '../../../_desk';
import { stationDigits } from '../../../../_words/station';

/** A reading in the table; a struck one stays, with who and why. */
export function ReadingRow({
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
  const { member } = useMember();
  const figure = strike ? 'line-through' : '';
  return (
    <tr aria-rowindex={index + 2} className={strike ? 'text-soft' : ''}>
      <td className={figure}>{stationDigits(member, reading.stationMm, system)}</td>
      <td className={figure}>{faceWords(member, reading.face)}</td>
      <td className={figure}>{lengthDigits(reading.heightMm, system, 'length')}</td>
      <td className={`font-semibold ${figure}`}>{lengthDigits(reading.thicknessMm, system, 'thickness')}</td>
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
      <td className={strike ? 'leading-tight' : 'whitespace-nowrap text-right'}>
        {strike ? (
          <span>
            struck by {strike.by}: {strike.why}
          </span>
        ) : (
          <RowActs reading={reading} onStrike={onStrike} />
        )}
      </td>
    </tr>
  );
}

function RowActs({ reading, onStrike }: { reading: Reading; onStrike: (reading: Reading) => void }) {
  const { setCursor } = useMember();
  const { stationMm, face, heightMm } = reading;
  return (
    <>
      <button
        type="button"
        className="hit px-2 underline"
        onClick={() => setCursor({ stationMm, face, heightMm })}
      >
        show
      </button>
      <button type="button" className="hit px-2 underline" onClick={() => onStrike(reading)}>
        strike
      </button>
    </>
  );
}
