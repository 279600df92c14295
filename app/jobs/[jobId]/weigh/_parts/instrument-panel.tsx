'use client';

import { useState } from 'react';
import { lengthDigits, parsePlaceMm, type UnitSystem } from '@/core/quantity';
import { parseInstrumentLine, type Instrument, type InstrumentMessage, type MeasureOf } from '@/core/weigh';
import { parseStationMm } from '../../../../_words/station';
import { useLine, useMember, useReader, useRecords } from '../../../_desk';
import type { LineInstrument } from '../../../../_client';

/** What is being measured, and where a figure taken goes. */
export interface Taking {
  readonly of: MeasureOf;
  readonly memberId: string;
  readonly direction: 'up' | 'across';
  readonly onTaken: (row: number, text: string, isSimulated: boolean) => void;
}

const LINES: Partial<Record<Instrument, LineInstrument>> = {
  'angle finder': 'angle-finder',
  'laser line': 'laser',
};
const NAMES = { 'angle-finder': 'angle finder', laser: 'laser', gauge: 'gauge' } as const;
const SAID = { 'angle-finder': 'a', laser: 'off', gauge: 'off' } as const;

const printTaken = (which: LineInstrument, value: number, system: UnitSystem): string =>
  which === 'laser' ? lengthDigits(value, system, 'thickness') : value.toFixed(1);

/** An angle finder or a laser on its line, and a figure of it taken into a row. */
export function useInstrument(instrument: Instrument, taking: Taking) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const [live, setLive] = useState<number>();
  const [problem, setProblem] = useState<string>();
  const which = LINES[instrument];
  const line = useLine<InstrumentMessage>(which ?? 'laser', file.job.id, {
    parse: (text) => parseInstrumentLine(text, SAID[which ?? 'laser']),
    onMessage: (said) => setLive(said.says === 'live' || said.says === 'reading' ? said.value : undefined),
    isAnswer: ({ says }) => says === 'reading' || says === 'nothing',
    onOff: () => setLive(undefined),
  });
  const [isTaking, setTaking] = useState(false);
  const take = async (row: number, station: string) => {
    if (!which) return;
    const at =
      taking.of === 'level across' ? parsePlaceMm(station, system) : parseStationMm(station, member, system);
    if (!at.ok) return setProblem(`station ${row + 1}: ${at.reason}`);
    const { memberId, direction } = taking;
    setTaking(true);
    await line.ask({ does: 'place', jobId: file.job.id, stationMm: at.value, memberId, direction });
    const said = await line.read();
    setTaking(false);
    if (said?.says !== 'reading')
      return setProblem(`the ${NAMES[which]} read nothing there; nothing was taken`);
    setProblem(undefined);
    taking.onTaken(row, printTaken(which, said.value, system), line.isSimulated);
  };
  return {
    ...line,
    which,
    isOn: which !== undefined && line.state === 'on',
    live:
      live !== undefined && which
        ? `${printTaken(which, live, system)}${which === 'laser' ? ` ${system}` : '°'}`
        : '',
    problem,
    isTaking,
    take,
  };
}

/** Whether the instrument is connected, what it shows now, and where only a simulated one is to be had, the way to it by hand. */
export function InstrumentPanel({ line }: { line: ReturnType<typeof useInstrument> }) {
  const { which, state, refused } = line;
  if (!which) return null;
  const name = NAMES[which];
  return (
    <div className="my-2 flex flex-wrap items-center gap-3 border-y border-rule py-1">
      {line.isOn ? (
        <>
          <span role="status" className="text-xl font-semibold tabular-nums">
            {name}: {line.live || 'held against nothing'}
          </span>
          <button type="button" className="plain" onClick={line.disconnect}>
            Disconnect
          </button>
        </>
      ) : (
        <button
          type="button"
          className="plain"
          disabled={state === 'connecting'}
          onClick={() => void line.connect(false)}
        >
          Connect the {name}
        </button>
      )}
      {line.isOn && line.isSimulated && (
        <span className="border-2 border-oxide bg-oxide-wash px-2 font-semibold">
          simulated: what it reads is invented
        </span>
      )}
      {state === 'gone' && <span className="font-semibold text-oxide">the {name} is gone</span>}
      {refused && (
        <span role="alert" className="font-semibold">
          {refused.message}.{' '}
          {refused.at === 'simulated' && (
            <button type="button" className="plain" onClick={() => void line.connect(true)}>
              Switch on the simulated {name}
            </button>
          )}
        </span>
      )}
      {line.nonsense && <span className="caption">{line.nonsense}; passed over.</span>}
    </div>
  );
}
