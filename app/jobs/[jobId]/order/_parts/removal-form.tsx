'use client';

import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { FATES, removalKind, type Removal, type Task } from '@/core/order';
import { lengthDigits, parseLengthMm, type UnitSystem } from '@/core/quantity';
import {
  TypedChoice,
  TypedEntry,
  TypedPress,
  TypedRecordForm,
  useTypedForm,
  type TypedFormOf,
} from '@/ui/controls';
import { readIfTyped, useFieldsTurn } from '../../../../_parts/typed';
import { useKeepChecked, useReader } from '../../../_desk';

/** A part as it comes off, as typed. */
const typedRemoval = (system: UnitSystem) =>
  z.object({
    place: z.string(),
    bag: z.string(),
    level: z.string(),
    broke: z.string(),
    station: readIfTyped((text) => parseLengthMm(text, system)),
    drop: readIfTyped((text) => parseLengthMm(text, system)),
    fate: z.enum(FATES),
    isOutside: z.boolean(),
  });
type Typed = z.input<ReturnType<typeof typedRemoval>>;
type Read = z.output<ReturnType<typeof typedRemoval>>;

const fieldsOf = (before: Removal | undefined, system: UnitSystem): Typed => {
  const digits = (mm: number | undefined) => (mm === undefined ? '' : lengthDigits(mm, system, 'length'));
  return {
    place: before?.place ?? '',
    bag: before?.bag ?? '',
    level: before?.level ?? '',
    broke: before?.broke ?? '',
    station: digits(before?.sat?.stationMm),
    drop: digits(before?.sat?.dropMm),
    fate: before?.fate ?? 'goes back',
    isOutside: before?.isOutside ?? false,
  };
};

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
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const form = useTypedForm(typedRemoval(system), fieldsOf(before, system));
  useFieldsTurn(form, system, { station: 'length', drop: 'length' });
  const keepIt = ({ station, drop, level, broke, isOutside, ...told }: Read) =>
    keepChecked(removalKind, {
      ...told,
      partId: task.of.id.slice(0, 80),
      name: task.of.name.slice(0, 120),
      ...(task.isFuel && { isOutside }),
      ...(level.trim() && { level }),
      ...(broke.trim() && { broke }),
      ...(station !== undefined && {
        sat: { stationMm: station, ...(drop !== undefined && { dropMm: drop }) },
      }),
    }) ?? onClose();
  return (
    <TypedRecordForm
      form={form}
      label={`${task.of.name}, off`}
      keep="It is off"
      onKeep={keepIt}
      onLeave={onClose}
    >
      {task.breaks && <p className="caption">This usually breaks something as it comes off: say what did.</p>}
      <WhereItLies form={form} />
      <div className="mt-2 flex flex-wrap items-start gap-2">
        <TypedEntry name="station" label="it sat at" unit={system} className="w-28" />
        <TypedEntry name="drop" label="below the rail’s middle" unit={system} className="w-40" />
        <div>
          <p className="caption">what becomes of it</p>
          <TypedChoice name="fate" label="What becomes of it" options={FATES} />
        </div>
      </div>
      {task.isFuel && (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <TypedEntry name="level" label="how full it was" className="w-40" maxLength={60} />
          <TypedPress name="isOutside">It is out of the building</TypedPress>
        </div>
      )}
    </TypedRecordForm>
  );
}

function WhereItLies({ form }: { form: TypedFormOf<Typed, Read> }) {
  const [place, fate] = useWatch({ control: form.control, name: ['place', 'fate'] });
  return (
    <div className="flex flex-wrap gap-2">
      <TypedEntry
        name="place"
        label="it lies"
        className="min-w-40 flex-1"
        maxLength={80}
        {...(place.trim() === '' && fate !== 'scrap' && { hint: 'which shelf, crate, corner' })}
      />
      <TypedEntry name="bag" label="bag" className="w-24" maxLength={40} />
      <TypedEntry name="broke" label="what broke" className="w-40" maxLength={120} />
    </div>
  );
}
