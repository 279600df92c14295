'use client';

import { useState } from 'react';
import { lengthDigits, parseLengthMm } from '@/core/quantity';
import { FATES, type Removal, type Task } from '@/core/order';
import { Choice, Entry, RecordForm } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { useReader, useRecords, useStamp } from '../../../_desk';

/** Where a part lies, what its bolts are in, where it sat: told as it comes off. */
export function RemovalForm({
  task,
  before,
  onClose,
}: {
  task: Task;
  before?: Removal;
  onClose: () => void;
}) {
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const digits = (mm: number | undefined) => (mm === undefined ? '' : lengthDigits(mm, system, 'length'));
  const [typed, setTyped] = useState({
    place: before?.place ?? '',
    bag: before?.bag ?? '',
    level: before?.level ?? '',
    broke: before?.broke ?? '',
    station: digits(before?.sat?.stationMm),
    drop: digits(before?.sat?.dropMm),
  });
  const [fate, setFate] = useState<Removal['fate']>(before?.fate ?? 'goes back');
  const [isOutside, setOutside] = useState(before?.isOutside ?? false);
  const [problem, setProblem] = useState<string>();
  useUnitTurn(system, (as) => setTyped({ ...typed, station: as(typed.station), drop: as(typed.drop) }));
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const length = (text: string) => (text.trim() === '' ? undefined : parseLengthMm(text, system));
  const keepIt = () => {
    const [station, drop] = [length(typed.station), length(typed.drop)];
    if (station && !station.ok) return setProblem(`where it sat: ${station.reason}; nothing was kept`);
    if (drop && !drop.ok) return setProblem(`how far below: ${drop.reason}; nothing was kept`);
    keep({
      kind: 'removal',
      ...stamp(),
      note: '',
      partId: task.of.id.slice(0, 80),
      name: task.of.name.slice(0, 120),
      place: typed.place.trim(),
      bag: typed.bag.trim(),
      fate,
      ...(task.isFuel && { isOutside }),
      ...(typed.level.trim() && { level: typed.level.trim() }),
      ...(typed.broke.trim() && { broke: typed.broke.trim() }),
      ...(station?.ok && {
        sat: { stationMm: station.value, ...(drop?.ok && { dropMm: drop.value }) },
      }),
    });
    onClose();
  };
  return (
    <RecordForm
      label={`${task.of.name}, off`}
      problem={problem}
      keep="It is off"
      onKeep={keepIt}
      onLeave={onClose}
    >
      {task.breaks && <p className="caption">This usually breaks something as it comes off: say what did.</p>}
      <div className="flex flex-wrap gap-2">
        <Entry
          label="it lies"
          className="min-w-40 flex-1"
          maxLength={80}
          value={typed.place}
          onChange={set('place')}
          {...(typed.place.trim() === '' && fate !== 'scrap' && { hint: 'which shelf, crate, corner' })}
        />
        <Entry label="bag" className="w-24" maxLength={40} value={typed.bag} onChange={set('bag')} />
        <Entry
          label="what broke"
          className="w-40"
          maxLength={120}
          value={typed.broke}
          onChange={set('broke')}
        />
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <Entry
          label="it sat at"
          unit={system}
          className="w-28"
          value={typed.station}
          onChange={set('station')}
        />
        <Entry
          label="below the rail’s middle"
          unit={system}
          className="w-40"
          value={typed.drop}
          onChange={set('drop')}
        />
        <div>
          <p className="caption">what becomes of it</p>
          <Choice label="What becomes of it" value={fate} options={FATES} onChange={setFate} />
        </div>
      </div>
      {task.isFuel && (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <Entry
            label="how full it was"
            className="w-40"
            maxLength={60}
            value={typed.level}
            onChange={set('level')}
          />
          <button
            type="button"
            className="plain"
            aria-pressed={isOutside}
            onClick={() => setOutside(!isOutside)}
          >
            It is out of the building
          </button>
        </div>
      )}
    </RecordForm>
  );
}
