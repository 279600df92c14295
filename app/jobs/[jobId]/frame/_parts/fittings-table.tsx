'use client';

import { Fragment, useState } from 'react';
import {
  ATTACHED_BY,
  carriedBy,
  CARRIED,
  FITTING_KINDS,
  TANK_HOLDS,
  withFitting,
  type AttachedBy,
  type Fitting,
  type FittingKind,
  type Frame,
} from '@/core/frame';
import { Pick, PickCell } from '@/ui/controls';
import { useReader } from '../../../_desk';
import { LengthCell } from './length-cell';
import { MassCell } from './mass-cell';

interface Props {
  readonly frame: Frame;
  readonly onFrame: (frame: Frame) => void;
}
/** What may be typed of a fitting; a field put to undefined is said of it no more. */
type Change = { readonly [Key in keyof Fitting]?: Fitting[Key] | undefined };

/** Brackets, hangers, mounts and axles: where each sits; opened, how big, how held, what it carries. */
export function FittingsTable({ frame, onFrame }: Props) {
  const { system } = useReader();
  const [kind, setKind] = useState<FittingKind>('bracket');
  const [openId, setOpenId] = useState<string>();
  const setMark = (id: string, to: Change) =>
    onFrame({
      ...frame,
      fittings: frame.fittings.map((each) => (each.id === id ? changedFitting(each, to) : each)),
    });
  const heads = [
    'what',
    'name',
    'side',
    `station, ${system}`,
    `below the rail’s middle, ${system}`,
    `rated, ${system === 'in' ? 'lb' : 'kg'}`,
  ];
  return (
    <section className="mt-5" aria-label="Fittings">
      <div className="flex flex-wrap items-end justify-between gap-2 border-b border-ink">
        <h2 className="text-lg font-semibold">What hangs on it</h2>
        <div className="flex items-end gap-2">
          <Pick label="kind" value={kind} options={FITTING_KINDS} onPick={setKind} />
          <button type="button" className="hit underline" onClick={() => onFrame(withFitting(frame, kind))}>
            Add a fitting
          </button>
        </div>
      </div>
      <div className="relative overflow-x-auto">
        <table className="w-full min-w-[820px] text-[15px]">
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
          <tbody>
            {frame.fittings.map((mark) => (
              <Fragment key={mark.id}>
                <FittingRow
                  mark={mark}
                  isOpen={openId === mark.id}
                  onOpen={() => setOpenId(openId === mark.id ? undefined : mark.id)}
                  onChange={(to) => setMark(mark.id, to)}
                  onRemove={() =>
                    onFrame({ ...frame, fittings: frame.fittings.filter(({ id }) => id !== mark.id) })
                  }
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
      </div>
    </section>
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
}: {
  mark: Fitting;
  isOpen: boolean;
  onOpen: () => void;
  onChange: (to: Change) => void;
  onRemove: () => void;
}) {
  const { system } = useReader();
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
      <td className="pr-1">
        {mark.kind === 'tank' && (
          <PickCell
            label={`${mark.name} holds`}
            value={mark.holds ?? ''}
            options={['', ...TANK_HOLDS]}
            words={(holds) => holds || 'not said: fuel'}
            onPick={(holds) => onChange({ holds: holds || undefined })}
          />
        )}
        {mark.kind === 'axle' && (
          <MassCell
            label={`${mark.name} rating`}
            massKg={mark.ratingKg}
            system={system}
            mayBeEmpty
            onMass={(ratingKg) => onChange({ ratingKg })}
          />
        )}
      </td>
      <td className="whitespace-nowrap">
        <button
          type="button"
          className="hit px-1 underline"
          aria-expanded={isOpen}
          aria-label={`More of ${mark.name}`}
          onClick={onOpen}
        >
          more
        </button>
        <button
          type="button"
          className="hit px-1 underline"
          aria-label={`Remove ${mark.name}`}
          onClick={onRemove}
        >
          remove
        </button>
      </td>
    </tr>
  );
}

function FittingDetail({
  frame,
  mark,
  onChange,
}: {
  frame: Frame;
  mark: Fitting;
  onChange: (to: Change) => void;
}) {
  const { system } = useReader();
  const size = mark.size ?? { alongMm: 100, highMm: 100, thicknessMm: 6 };
  const length = (
    label: string,
    valueMm: number | undefined,
    onLength: (mm: number) => void,
    more: { fine?: boolean; isPlace?: boolean; onNone?: () => void } = {},
  ) => (
    <div className="w-28" key={label}>
      <span className="caption block">
        {label}, {system}
      </span>
      <LengthCell
        label={`${mark.name} ${label}`}
        valueMm={valueMm}
        kind={more.fine ? 'thickness' : 'length'}
        onLength={onLength}
        isPlace={more.isPlace ?? false}
        {...(more.onNone && { onNone: more.onNone })}
      />
    </div>
  );
  const noPlate = { onNone: () => onChange({ size: undefined }) };
  return (
    <div className="flex flex-wrap items-end gap-2" role="group" aria-label={`More of ${mark.name}`}>
      <Pick
        label="hangs on"
        value={mark.onId ?? ''}
        options={['', ...frame.members.filter(({ role }) => role !== 'rail').map(({ id }) => id)]}
        words={(id) =>
          id === '' ? 'the rail or sill there' : (frame.members.find((each) => each.id === id)?.name ?? id)
        }
        onPick={(id) => onChange({ onId: id === '' ? undefined : id })}
      />
      <Pick
        label="held by"
        value={mark.attached?.by ?? 'not said'}
        options={['not said', ...ATTACHED_BY] as const}
        onPick={(by) =>
          onChange({ attached: by === 'not said' ? undefined : { ...mark.attached, by: by as AttachedBy } })
        }
      />
      {length('outward of its middle', mark.outMm ?? 0, (outMm) => onChange({ outMm }), { isPlace: true })}
      {length(
        'plate, along',
        mark.size?.alongMm,
        (alongMm) => onChange({ size: { ...size, alongMm } }),
        noPlate,
      )}
      {length('plate, high', mark.size?.highMm, (highMm) => onChange({ size: { ...size, highMm } }), noPlate)}
      {length(
        'plate, thick',
        mark.size?.thicknessMm,
        (thicknessMm) => onChange({ size: { ...size, thicknessMm } }),
        { fine: true, ...noPlate },
      )}
      {length('hole as made', mark.holeMm, (holeMm) => onChange({ holeMm }), {
        fine: true,
        onNone: () => onChange({ holeMm: undefined }),
      })}
      {length('pin or bolt made', mark.pinMm, (pinMm) => onChange({ pinMm }), {
        fine: true,
        onNone: () => onChange({ pinMm: undefined }),
      })}
      <label className="w-44">
        <span className="caption block">one of a set, named</span>
        <input
          className="field"
          aria-label={`${mark.name} set`}
          value={mark.set ?? ''}
          maxLength={40}
          onChange={(event) =>
            onChange({ set: event.target.value.trim() === '' ? undefined : event.target.value })
          }
        />
      </label>
      <fieldset className="flex basis-full flex-wrap items-center">
        <legend className="caption float-left w-40 pt-3">carries</legend>
        {CARRIED.map((what) => (
          <label key={what} className="hit inline-flex items-center gap-2 pr-3">
            <input
              type="checkbox"
              className="size-6"
              checked={carriedBy(mark).includes(what)}
              onChange={() =>
                onChange({
                  carries: carriedBy(mark).includes(what)
                    ? carriedBy(mark).filter((each) => each !== what)
                    : [...carriedBy(mark), what],
                })
              }
            />
            {what}
          </label>
        ))}
      </fieldset>
    </div>
  );
}
