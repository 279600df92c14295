'use client';

import { usualStands, type Frame, type FrameStand } from '@/core/frame';
import { Pick, Settling } from '@/ui/controls';
import { newId } from '../../../../_client';
import { useReader } from '../../../_desk';
import { LengthCell } from './length-cell';

const SIDES: readonly FrameStand['side'][] = ['left', 'centre', 'right'];

/** A stand in the middle of the frame, to be moved where it is. */
const newStand = (frame: Frame): FrameStand => ({
  id: newId(),
  side: 'left',
  stationMm: Math.round(frame.lengthMm / 2),
});

/** Where stands, cribs or arms hold the frame from the first cut to the last weld. */
export function StandsForm({ frame, onFrame }: { frame: Frame; onFrame: (frame: Frame) => void }) {
  const stands = frame.loads?.stands ?? [];
  const put = (next: readonly FrameStand[]) =>
    onFrame({ ...frame, loads: { items: [], ...frame.loads, stands: [...next] } });
  const change = (id: string, to: Partial<FrameStand>) =>
    put(stands.map((stand) => (stand.id === id ? { ...stand, ...to } : stand)));
  return (
    <section className="mt-5" aria-label="Stands while it is cut" id="stands">
      <div className="flex flex-wrap items-center justify-between gap-2 border-b border-ink">
        <h2 className="text-lg font-semibold">What it stands on while it is cut</h2>
        <div className="flex flex-wrap gap-3">
          <button type="button" className="hit underline" onClick={() => put([...stands, newStand(frame)])}>
            Add a stand
          </button>
          {stands.length === 0 && (
            <button type="button" className="hit underline" onClick={() => put(usualStands(frame))}>
              Start with four, where a lift would hold it
            </button>
          )}
        </div>
      </div>
      {stands.length === 0 ? (
        <p className="pt-2">Nothing yet: what the frame asks while it is cut open is not worked out.</p>
      ) : (
        <Settling of={String(stands.length)}>
          <ul className="grid gap-2 pt-2">
            {stands.map((stand, k) => (
              <StandRow
                key={stand.id}
                number={k + 1}
                stand={stand}
                onChange={(to) => change(stand.id, to)}
                onRemove={() => put(stands.filter((other) => other.id !== stand.id))}
              />
            ))}
          </ul>
        </Settling>
      )}
    </section>
  );
}

function StandRow({
  number,
  stand,
  onChange,
  onRemove,
}: {
  number: number;
  stand: FrameStand;
  onChange: (to: Partial<FrameStand>) => void;
  onRemove: () => void;
}) {
  const { system } = useReader();
  return (
    <li className="flex flex-wrap items-end gap-3">
      <Pick
        label={`Stand ${number} under`}
        value={stand.side}
        options={SIDES}
        onPick={(side) => onChange({ side })}
      />
      <div className="w-36">
        <span className="caption block">station, {system}</span>
        <LengthCell
          label={`Stand ${number} station`}
          valueMm={stand.stationMm}
          kind="length"
          onLength={(stationMm) => onChange({ stationMm })}
        />
      </div>
      <button
        type="button"
        className="hit underline"
        aria-label={`Remove stand ${number}`}
        onClick={onRemove}
      >
        remove
      </button>
    </li>
  );
}
