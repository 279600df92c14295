'use client';

import { LOAD_KINDS, usualHeightMm, type Frame, type Load } from '@/core/frame';
import { useReader } from '../../../_desk';
import { MassCell } from './mass-cell';
import { LengthCell } from './length-cell';
import { PickCell } from '@/ui/controls';

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
  const { system } = useReader();
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
      <td className="pr-1">
        <MassCell
          label={`${item.name} weight`}
          massKg={item.massKg}
          system={system}
          onMass={(massKg) => massKg !== undefined && set({ massKg })}
        />
      </td>
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
      <td className="pr-1">
        <LengthCell
          label={`${item.name} height of its centre above ground`}
          valueMm={item.heightMm}
          usualMm={usualHeightMm(frame, item.kind)}
          kind="length"
          onLength={(heightMm) => set({ heightMm })}
          onNone={() => onChange(unsaid(item))}
        />
      </td>
      <td className="pr-1">
        <input
          aria-label={`${item.name} left share`}
          className="field"
          inputMode="numeric"
          value={Math.round(item.leftShare * 100)}
          onChange={(event) =>
            set({
              leftShare: Math.min(100, Math.max(0, Number(event.target.value.replace(/\D/g, '')))) / 100,
            })
          }
        />
      </td>
      <td className="text-center">
        <label className="hit inline-flex items-center justify-center">
          <input
            type="checkbox"
            className="size-6"
            aria-label={`${item.name} is taken off before cutting`}
            checked={isOff}
            onChange={(event) => onOff(event.target.checked)}
          />
        </label>
      </td>
      <td>
        <button type="button" className="hit underline" aria-label={`Remove ${item.name}`} onClick={onRemove}>
          remove
        </button>
      </td>
    </tr>
  );
}
