'use client';

import { ATTACHED_BY, carriedBy, CARRIED, type AttachedBy, type Fitting, type Frame } from '@/core/frame';
import { Pick } from '@/ui/controls';
import { useReader } from '../../../_desk';
import { LengthCell } from './length-cell';

/** What may be typed of a fitting; a field put to undefined is said of it no more. */
export type Change = { readonly [Key in keyof Fitting]?: Fitting[Key] | undefined };

export interface OfFitting {
  readonly mark: Fitting;
  readonly onChange: (to: Change) => void;
}

/** What a fitting hangs on, how it is held, how big it is, what it carries. */
export function FittingDetail({ frame, mark, onChange }: OfFitting & { readonly frame: Frame }) {
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
