'use client';

import {
  isEnclosing,
  PANEL_KINDS,
  withPanel,
  withPocket,
  type Frame,
  type Member,
  type Panel,
  type Pocket,
} from '@/core/frame';
import { PickCell, Settling } from '@/ui/controls';
import { useReader } from '../../../_desk';
import { LengthCell } from './length-cell';

interface Props {
  readonly frame: Frame;
  readonly onFrame: (frame: Frame) => void;
}

/** Sheet over the frame, and what of the frame lies behind it: cracked skin tells of the member it hides. */
export function PanelsTable({ frame, onFrame }: Props) {
  const panels = frame.panels ?? [];
  const set = (id: string, to: Partial<Panel>) =>
    onFrame({ ...frame, panels: panels.map((each) => (each.id === id ? { ...each, ...to } : each)) });
  return (
    <section className="mt-5" aria-label="Panels">
      <div className="flex flex-wrap items-center justify-between border-b border-ink">
        <h2 className="text-lg font-semibold">Skins, floors, bulkheads</h2>
        <button type="button" className="hit underline" onClick={() => onFrame(withPanel(frame, 'floor'))}>
          Add a panel
        </button>
      </div>
      {panels.length === 0 && <p className="caption">None on this frame.</p>}
      <Settling of={String(panels.length)}>
        <ul className="ruled">
          {panels.map((panel) => (
            <li key={panel.id} className="flex flex-wrap items-end gap-2 py-1">
              <PickCell
                label={`${panel.name} kind`}
                value={panel.kind}
                options={PANEL_KINDS}
                onPick={(chosen) => set(panel.id, { kind: chosen })}
                className="w-28!"
              />
              <input
                aria-label="Panel name"
                className="field w-56! max-w-full"
                value={panel.name}
                maxLength={60}
                onChange={(event) => set(panel.id, { name: event.target.value })}
              />
              <Stretch
                name={panel.name}
                fromMm={panel.fromMm}
                toMm={panel.toMm}
                onChange={(to) => set(panel.id, to)}
              />
              <Remove
                name={panel.name}
                onRemove={() => onFrame({ ...frame, panels: panels.filter(({ id }) => id !== panel.id) })}
              />
              <LiesOver frame={frame} panel={panel} onChange={(behindIds) => set(panel.id, { behindIds })} />
            </li>
          ))}
        </ul>
      </Settling>
    </section>
  );
}

/** The members behind a panel. */
function LiesOver({
  frame,
  panel: { behindIds },
  onChange,
}: {
  frame: Frame;
  panel: Panel;
  onChange: (behindIds: string[]) => void;
}) {
  const turn = (memberId: string) =>
    onChange(
      behindIds.includes(memberId) ? behindIds.filter((id) => id !== memberId) : [...behindIds, memberId],
    );
  return (
    <details className="basis-full">
      <summary className="flex min-h-[44px] cursor-pointer items-center">
        <span className="underline">lies over</span>
        <span className="caption ml-2">{namesOf(frame, behindIds)}</span>
      </summary>
      <div className="flex flex-wrap">
        {frame.members.map((member) => (
          <label key={member.id} className="hit inline-flex items-center gap-2 pr-3">
            <input
              type="checkbox"
              className="size-6"
              checked={behindIds.includes(member.id)}
              onChange={() => turn(member.id)}
            />
            {member.name}
          </label>
        ))}
      </div>
    </details>
  );
}

/** Closed spaces of the frame: what is packed and wet in one rusts its member from inside. */
export function PocketsTable({ frame, onFrame }: Props) {
  const pockets = frame.pockets ?? [];
  const closed = frame.members.filter(({ shape }) => isEnclosing(shape));
  const set = (id: string, to: Partial<Pocket>) =>
    onFrame({ ...frame, pockets: pockets.map((each) => (each.id === id ? { ...each, ...to } : each)) });
  const add = () => {
    const next = withPocket(frame);
    if (next) onFrame(next);
  };
  return (
    <section className="mt-5" aria-label="Closed spaces">
      <div className="flex flex-wrap items-center justify-between border-b border-ink">
        <h2 className="text-lg font-semibold">Closed spaces</h2>
        <button type="button" className="hit underline" disabled={closed.length === 0} onClick={add}>
          Add a closed space
        </button>
      </div>
      {closed.length === 0 && <p className="caption">Every section of this frame is open.</p>}
      <Settling of={String(pockets.length)}>
        <ul className="ruled">
          {pockets.map((pocket) => (
            <PocketRow
              key={pocket.id}
              pocket={pocket}
              closed={closed}
              set={(to) => set(pocket.id, to)}
              onRemove={() => onFrame({ ...frame, pockets: pockets.filter(({ id }) => id !== pocket.id) })}
            />
          ))}
        </ul>
      </Settling>
    </section>
  );
}

const PocketRow = ({
  pocket,
  closed,
  set,
  onRemove,
}: {
  pocket: Pocket;
  closed: readonly Member[];
  set: (to: Partial<Pocket>) => void;
  onRemove: () => void;
}) => (
  <li className="flex flex-wrap items-end gap-2 py-1">
    <input
      aria-label="Closed space name"
      className="field w-56! max-w-full"
      value={pocket.name}
      maxLength={60}
      onChange={(event) => set({ name: event.target.value })}
    />
    <PickCell
      label={`${pocket.name} in`}
      value={pocket.memberId}
      options={closed.map(({ id }) => id)}
      words={(id) => `in ${closed.find((each) => each.id === id)?.name ?? id}`}
      onPick={(memberId) => set({ memberId })}
      className="w-48!"
    />
    <Stretch name={pocket.name} fromMm={pocket.fromMm} toMm={pocket.toMm} onChange={set} />
    <label className="w-20">
      <span className="caption block">drains</span>
      <input
        className="field"
        type="number"
        min={0}
        max={20}
        aria-label={`${pocket.name} drains`}
        value={pocket.drains}
        onChange={(event) => set({ drains: Math.round(Number(event.target.value)) || 0 })}
      />
    </label>
    <Remove name={pocket.name} onRemove={onRemove} />
  </li>
);

const namesOf = (frame: Frame, ids: readonly string[]): string =>
  ids.map((id) => frame.members.find((member) => member.id === id)?.name ?? id).join(', ') ||
  'nothing: say what';

function Stretch({
  name,
  fromMm,
  toMm,
  onChange,
}: {
  name: string;
  fromMm: number;
  toMm: number;
  onChange: (to: { fromMm?: number; toMm?: number }) => void;
}) {
  const { system } = useReader();
  return (
    <>
      <div className="w-28">
        <span className="caption block">from, {system}</span>
        <LengthCell
          label={`${name} from`}
          valueMm={fromMm}
          kind="length"
          onLength={(mm) => onChange({ fromMm: mm })}
        />
      </div>
      <div className="w-28">
        <span className="caption block">to, {system}</span>
        <LengthCell
          label={`${name} to`}
          valueMm={toMm}
          kind="length"
          onLength={(mm) => onChange({ toMm: mm })}
        />
      </div>
    </>
  );
}

function Remove({ name, onRemove }: { name: string; onRemove: () => void }) {
  return (
    <button type="button" className="hit px-1 underline" aria-label={`Remove ${name}`} onClick={onRemove}>
      remove
    </button>
  );
}
