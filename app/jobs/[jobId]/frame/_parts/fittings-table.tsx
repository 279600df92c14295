'use client';

import { Fragment, useState } from 'react';
import {
  FITTING_KINDS,
  TANK_HOLDS,
  withFitting,
  type Fitting,
  type FittingKind,
  type Frame,
} from '@/core/frame';
import { Pick, PickCell, Settling } from '@/ui/controls';
import { useReader } from '../../../_desk';
import { FittingDetail, type Change, type OfFitting } from './fitting-detail';
import { LengthCell } from './length-cell';
import { MassCell } from './mass-cell';

interface Props {
  readonly frame: Frame;
  readonly onFrame: (frame: Frame) => void;
}
/** Brackets, hangers, mounts and axles: where each sits; opened, how big, how held, what it carries. */
export function FittingsTable({ frame, onFrame }: Props) {
  const [openId, setOpenId] = useState<string>();
  const setMark = (id: string, to: Change) =>
    onFrame({
      ...frame,
      fittings: frame.fittings.map((each) => (each.id === id ? changedFitting(each, to) : each)),
    });
  const remove = (id: string) =>
    onFrame({ ...frame, fittings: frame.fittings.filter((each) => each.id !== id) });
  return (
    <section className="mt-5" aria-label="Fittings">
      <div className="flex flex-wrap items-end justify-between gap-2 border-b border-ink">
        <h2 className="text-lg font-semibold">What hangs on it</h2>
        <AddFitting onAdd={(kind) => onFrame(withFitting(frame, kind))} />
      </div>
      <Settling of={String(frame.fittings.length)} className="relative overflow-x-auto">
        <table className="w-full min-w-[820px] letters-15">
          <FittingHeads />
          <tbody>
            {frame.fittings.map((mark) => (
              <Fragment key={mark.id}>
                <FittingRow
                  mark={mark}
                  isOpen={openId === mark.id}
                  onOpen={() => setOpenId(openId === mark.id ? undefined : mark.id)}
                  onChange={(to) => setMark(mark.id, to)}
                  onRemove={() => remove(mark.id)}
                />
                {openId === mark.id && (
                  <tr>
                    <td colSpan={7} className="border-l-[5px] border-here pb-2 pl-3">
                      <FittingDetail frame={frame} mark={mark} onChange={(to) => setMark(mark.id, to)} />
                    </td>
                  </tr>
                )}
              </Fragment>
            ))}
          </tbody>
        </table>
      </Settling>
    </section>
  );
}

function AddFitting({ onAdd }: { onAdd: (kind: FittingKind) => void }) {
  const [kind, setKind] = useState<FittingKind>('bracket');
  return (
    <div className="flex items-end gap-2">
      <Pick label="kind" value={kind} options={FITTING_KINDS} onPick={setKind} />
      <button type="button" className="hit underline" onClick={() => onAdd(kind)}>
        Add a fitting
      </button>
    </div>
  );
}

function FittingHeads() {
  const { system } = useReader();
  const heads = [
    'what',
    'name',
    'side',
    `station, ${system}`,
    `below the rail’s middle, ${system}`,
    `rated, ${system === 'in' ? 'lb' : 'kg'}`,
  ];
  return (
    <thead>
      <tr className="caption text-left">
        {heads.map((head) => (
          <th key={head} scope="col" className="font-normal">
            {head}
          </th>
        ))}
        <th scope="col">
          <span className="sr-only">more, remove</span>
        </th>
      </tr>
    </thead>
  );
}

/** What is undefined is left out altogether. */
const changedFitting = (fitting: Fitting, to: Change): Fitting =>
  Object.fromEntries(
    Object.entries({ ...fitting, ...to }).filter(([, value]) => value !== undefined),
  ) as Fitting;

function FittingRow({
  mark,
  isOpen,
  onOpen,
  onChange,
  onRemove,
}: OfFitting & { isOpen: boolean; onOpen: () => void; onRemove: () => void }) {
  return (
    <tr>
      <td className="py-0.5 pr-1">
        <PickCell
          label={`${mark.name} kind`}
          value={mark.kind}
          options={FITTING_KINDS}
          onPick={(chosen) => onChange({ kind: chosen })}
        />
      </td>
      <td className="pr-1">
        <input
          aria-label="Fitting name"
          className="field"
          value={mark.name}
          maxLength={60}
          onChange={(event) => onChange({ name: event.target.value })}
        />
      </td>
      <td className="pr-1">
        <PickCell
          label={`${mark.name} side`}
          value={mark.side}
          options={['left', 'right', 'both']}
          onPick={(chosen) => onChange({ side: chosen })}
        />
      </td>
      <WhereItSits mark={mark} onChange={onChange} />
      <td className="pr-1">
        <OfItsKind mark={mark} onChange={onChange} />
      </td>
      <td className="whitespace-nowrap">
        <RowAct act="more" label={`More of ${mark.name}`} isOpen={isOpen} onPress={onOpen} />
        <RowAct act="remove" label={`Remove ${mark.name}`} onPress={onRemove} />
      </td>
    </tr>
  );
}

/** Along the frame, and below the rail's middle. */
const WhereItSits = ({ mark, onChange }: OfFitting) => (
  <>
    <td className="pr-1">
      <LengthCell
        label={`${mark.name} station`}
        valueMm={mark.stationMm}
        kind="length"
        onLength={(stationMm) => onChange({ stationMm })}
      />
    </td>
    <td className="pr-1">
      <LengthCell
        label={`${mark.name} drop`}
        valueMm={mark.dropMm ?? 0}
        kind="length"
        isPlace
        onLength={(dropMm) => onChange({ dropMm })}
      />
    </td>
  </>
);

/** What only a tank or an axle has. */
function OfItsKind({ mark, onChange }: OfFitting) {
  const { system } = useReader();
  if (mark.kind === 'tank')
    return (
      <PickCell
        label={`${mark.name} holds`}
        value={mark.holds ?? ''}
        options={['', ...TANK_HOLDS]}
        words={(holds) => holds || 'not said: fuel'}
        onPick={(holds) => onChange({ holds: holds || undefined })}
      />
    );
  if (mark.kind === 'axle')
    return (
      <MassCell
        label={`${mark.name} rating`}
        massKg={mark.ratingKg}
        system={system}
        mayBeEmpty
        onMass={(ratingKg) => onChange({ ratingKg })}
      />
    );
  return null;
}

const RowAct = ({
  act,
  label,
  isOpen,
  onPress,
}: {
  act: string;
  label: string;
  isOpen?: boolean;
  onPress: () => void;
}) => (
  <button
    type="button"
    className="hit px-1 underline"
    aria-label={label}
    aria-expanded={isOpen}
    onClick={onPress}
  >
    {act}
  </button>
);
