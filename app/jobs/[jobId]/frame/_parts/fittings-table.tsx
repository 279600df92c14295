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

interface OfFitting {
  readonly mark: Fitting;
  readonly onChange: (to: Change) => void;
}

function FittingDetail({ frame, mark, onChange }: OfFitting & { readonly frame: Frame }) {
  const nameOf = (id: string) => frame.members.find((each) => each.id === id)?.name ?? id;
  return (
    <div className="flex flex-wrap items-end gap-2" role="group" aria-label={`More of ${mark.name}`}>
      <Pick
        label="hangs on"
        value={mark.onId ?? ''}
        options={['', ...frame.members.filter(({ role }) => role !== 'rail').map(({ id }) => id)]}
        words={(id) => (id === '' ? 'the rail or sill there' : nameOf(id))}
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
      <Sizes mark={mark} onChange={onChange} />
      <label className="w-44">
        <span className="caption block">one of a set, named</span>
        <input
          className="field"
          aria-label={`${mark.name} set`}
          value={mark.set ?? ''}
          maxLength={40}
          onChange={({ target: { value } }) => onChange({ set: value.trim() === '' ? undefined : value })}
        />
      </label>
      <Carries mark={mark} onChange={onChange} />
    </div>
  );
}

/** A plate of which one side is typed first has the others so, mm. */
const USUAL_PLATE = { alongMm: 100, highMm: 100, thicknessMm: 6 } as const;

/** How far out it stands, its plate, its hole and what goes through it. */
function Sizes({ mark, onChange }: OfFitting) {
  const size = mark.size ?? USUAL_PLATE;
  const noPlate = () => onChange({ size: undefined });
  return (
    <>
      <SizeCell
        of={mark}
        label="outward of its middle"
        valueMm={mark.outMm ?? 0}
        isPlace
        onLength={(outMm) => onChange({ outMm })}
      />
      {(
        [
          ['alongMm', 'plate, along', 'length'],
          ['highMm', 'plate, high', 'length'],
          ['thicknessMm', 'plate, thick', 'thickness'],
        ] as const
      ).map(([side, label, kind]) => (
        <SizeCell
          key={side}
          of={mark}
          label={label}
          kind={kind}
          valueMm={mark.size?.[side]}
          onLength={(mm) => onChange({ size: { ...size, [side]: mm } })}
          onNone={noPlate}
        />
      ))}
      <SizeCell
        of={mark}
        label="hole as made"
        kind="thickness"
        valueMm={mark.holeMm}
        onLength={(holeMm) => onChange({ holeMm })}
        onNone={() => onChange({ holeMm: undefined })}
      />
      <SizeCell
        of={mark}
        label="pin or bolt made"
        kind="thickness"
        valueMm={mark.pinMm}
        onLength={(pinMm) => onChange({ pinMm })}
        onNone={() => onChange({ pinMm: undefined })}
      />
    </>
  );
}

function SizeCell({
  of,
  label,
  kind = 'length',
  ...cell
}: {
  of: Fitting;
  label: string;
  kind?: 'length' | 'thickness';
  valueMm: number | undefined;
  isPlace?: boolean;
  onLength: (mm: number) => void;
  onNone?: () => void;
}) {
  const { system } = useReader();
  return (
    <div className="w-28">
      <span className="caption block">
        {label}, {system}
      </span>
      <LengthCell label={`${of.name} ${label}`} kind={kind} {...cell} />
    </div>
  );
}

function Carries({ mark, onChange }: OfFitting) {
  const carried = carriedBy(mark);
  const turn = (what: (typeof CARRIED)[number]) =>
    onChange({
      carries: carried.includes(what) ? carried.filter((each) => each !== what) : [...carried, what],
    });
  return (
    <fieldset className="flex basis-full flex-wrap items-center">
      <legend className="caption float-left w-40 pt-3">carries</legend>
      {CARRIED.map((what) => (
        <label key={what} className="hit inline-flex items-center gap-2 pr-3">
          <input
            type="checkbox"
            className="size-6"
            checked={carried.includes(what)}
            onChange={() => turn(what)}
          />
          {what}
        </label>
      ))}
    </fieldset>
  );
}
