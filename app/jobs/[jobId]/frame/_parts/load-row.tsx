'use client';

import { LOAD_KINDS, usualHeightMm, type Frame, type Load } from '@/core/frame';
import { useReader } from '../../../_desk';
import { MassCell } from './mass-cell';
import { LengthCell } from './length-cell';
import { PickCell } from '@/ui/controls';

interface OfLoad {
  readonly item: Load;
  readonly set: (to: Partial<Load>) => void;
}

/** A load whose height nobody has said: it counts as usual for its kind. */
const unsaid = ({ heightMm: _, ...load }: Load): Load => load;

/** One load in the table: what it is, how heavy, where it stands, and whether it is off before cutting. */
export function LoadRow({
  frame,
  item,
  isOff,
  onChange,
  onOff,
  onRemove,
}: {
  frame: Frame;
  item: Load;
  isOff: boolean;
  onChange: (item: Load) => void;
  onOff: (isOff: boolean) => void;
  onRemove: () => void;
}) {
  const set = (to: Partial<Load>) => onChange({ ...item, ...to });
  return (
    <tr>
      <td className="min-w-[112px] py-0.5 pr-1">
        <PickCell
          label={`${item.name} kind`}
          value={item.kind}
          options={LOAD_KINDS}
          onPick={(chosen) => set({ kind: chosen })}
        />
      </td>
      <td className="pr-1">
        <input
          aria-label="Load name"
          className="field"
          value={item.name}
          maxLength={60}
          onChange={(event) => set({ name: event.target.value })}
        />
      </td>
      <HowHeavy item={item} set={set} />
      <Where item={item} set={set} />
      <td className="pr-1">
        <Height item={item} set={set} frame={frame} onNone={() => onChange(unsaid(item))} />
      </td>
      <td className="pr-1">
        <LeftShare item={item} set={set} />
      </td>
      <td className="text-center">
        <TakenOff name={item.name} isOff={isOff} onOff={onOff} />
      </td>
      <td>
        <button type="button" className="hit underline" aria-label={`Remove ${item.name}`} onClick={onRemove}>
          remove
        </button>
      </td>
    </tr>
  );
}

function HowHeavy({ item, set }: OfLoad) {
  const { system } = useReader();
  return (
    <td className="pr-1">
      <MassCell
        label={`${item.name} weight`}
        massKg={item.massKg}
        system={system}
        onMass={(massKg) => massKg !== undefined && set({ massKg })}
      />
    </td>
  );
}

/** From and to along the frame. */
const Where = ({ item, set }: OfLoad) => (
  <>
    <td className="pr-1">
      <LengthCell
        label={`${item.name} from`}
        valueMm={item.fromMm}
        kind="length"
        onLength={(fromMm) => set({ fromMm })}
      />
    </td>
    <td className="pr-1">
      <LengthCell
        label={`${item.name} to`}
        valueMm={item.toMm}
        kind="length"
        onLength={(toMm) => set({ toMm })}
      />
    </td>
  </>
);

const Height = ({ item, set, frame, onNone }: OfLoad & { frame: Frame; onNone: () => void }) => (
  <LengthCell
    label={`${item.name} height of its centre above ground`}
    valueMm={item.heightMm}
    usualMm={usualHeightMm(frame, item.kind)}
    kind="length"
    onLength={(heightMm) => set({ heightMm })}
    onNone={onNone}
  />
);

/** How much of it stands on the left, typed in per cent. */
const LeftShare = ({ item, set }: OfLoad) => (
  <input
    aria-label={`${item.name} left share`}
    className="field"
    inputMode="numeric"
    value={Math.round(item.leftShare * 100)}
    onChange={(event) =>
      set({ leftShare: Math.min(100, Number(event.target.value.replace(/\D/g, ''))) / 100 })
    }
  />
);

const TakenOff = ({
  name,
  isOff,
  onOff,
}: {
  name: string;
  isOff: boolean;
  onOff: (isOff: boolean) => void;
}) => (
  <label className="hit inline-flex items-center justify-center">
    <input
      type="checkbox"
      className="size-6"
      aria-label={`${name} is taken off before cutting`}
      checked={isOff}
      onChange={(event) => onOff(event.target.checked)}
    />
  </label>
);
