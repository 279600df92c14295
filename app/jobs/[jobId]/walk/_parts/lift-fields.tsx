'use client';

import type { UnitSystem } from '@/core/quantity';
import { LIFT_SIDES, LIFT_WAYS, takesPoints, wheelsOf } from '@/core/walk';
import { Entry, Pick } from '@/ui/controls';
import { LIFT_WAY_WORDS } from '../../../../_words/walk';
import { useReader, useRecords } from '../../../_desk';
import { usualForm, withPoint, type LiftForm } from './lift-form';

const RATED_WORDS: Partial<Record<LiftForm['way'], string>> = {
  'by the axles': 'each is rated',
  'on its legs': 'each leg is rated',
  hitched: 'hitch is rated',
};

interface OfForm {
  readonly form: LiftForm;
  readonly onChange: (form: LiftForm) => void;
}

export function LiftFormFields({ form, onChange }: OfForm) {
  const { file } = useRecords();
  const { system } = useReader();
  return (
    <div className="grid gap-3">
      <Pick
        label="raised on"
        value={form.way}
        options={LIFT_WAYS}
        words={(way) => LIFT_WAY_WORDS[way]}
        onPick={(way) => onChange(usualForm(file.frame, way, system))}
      />
      {takesPoints(form.way) && <Points form={form} onChange={onChange} />}
      {takesPoints(form.way) && <WheelsDown form={form} onChange={onChange} />}
      <HoistAndGround form={form} onChange={onChange} />
      <Unloaded form={form} onChange={onChange} />
    </div>
  );
}

const weightUnit = (system: UnitSystem) => (system === 'in' ? 'lb' : 'kg');

function Points({ form, onChange }: OfForm) {
  const { system } = useReader();
  const set = (points: LiftForm['points']) => onChange({ ...form, points });
  const setPoint = (k: number, to: Partial<LiftForm['points'][number]>) =>
    set(form.points.map((point, n) => (n === k ? { ...point, ...to } : point)));
  return (
    <fieldset>
      <legend className="caption">points, stations along the frame</legend>
      <ul className="grid gap-1.5">
        {form.points.map((point, k) => (
          <li key={k} className="grid grid-cols-[1fr_84px_84px_44px] items-end gap-1.5">
            <Pick
              label={point.id}
              value={point.side}
              options={LIFT_SIDES}
              onPick={(side) => setPoint(k, { side })}
            />
            <Entry
              label="station"
              unit={system}
              value={point.station}
              onChange={(event) => setPoint(k, { station: event.target.value })}
            />
            <Entry
              label="rated"
              unit={weightUnit(system)}
              value={point.rating}
              onChange={(event) => setPoint(k, { rating: event.target.value })}
            />
            <button
              type="button"
              className="plain px-0!"
              aria-label={`Take ${point.id} away`}
              onClick={() => set(form.points.filter((_, n) => n !== k))}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      {form.points.length < 12 && (
        <button type="button" className="plain mt-1.5" onClick={() => onChange(withPoint(form))}>
          Add a point
        </button>
      )}
    </fieldset>
  );
}

function WheelsDown({ form, onChange }: OfForm) {
  const { file } = useRecords();
  const { wheelsDown } = form;
  const turn = (id: string) =>
    onChange({
      ...form,
      wheelsDown: wheelsDown.includes(id) ? wheelsDown.filter((each) => each !== id) : [...wheelsDown, id],
    });
  return (
    <fieldset>
      <legend className="caption">wheels that stay down</legend>
      <div className="flex flex-wrap gap-1.5">
        {wheelsOf(file.frame).map((wheel) => (
          <label key={wheel.id} className="plain">
            <input
              type="checkbox"
              className="size-5"
              checked={wheelsDown.includes(wheel.id)}
              onChange={() => turn(wheel.id)}
            />{' '}
            {wheel.name}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function HoistAndGround({ form, onChange }: OfForm) {
  const { system } = useReader();
  return (
    <div className="grid grid-cols-3 items-end gap-1.5">
      <Entry
        label={RATED_WORDS[form.way] ?? 'hoist rated'}
        unit={weightUnit(system)}
        value={form.hoist}
        placeholder={RATED_WORDS[form.way] ? '' : 'in all'}
        onChange={(event) => onChange({ ...form, hoist: event.target.value })}
      />
      <Entry
        label="ground falls to the front"
        unit="°"
        inputMode="decimal"
        value={form.along}
        onChange={(event) => onChange({ ...form, along: event.target.value })}
      />
      <Entry
        label="and to the left"
        unit="°"
        inputMode="decimal"
        value={form.across}
        onChange={(event) => onChange({ ...form, across: event.target.value })}
      />
    </div>
  );
}

function Unloaded({ form, onChange }: OfForm) {
  const { loads } = useRecords().file.frame;
  const off = loads?.items.filter((item) => loads.takenOff?.includes(item.id)) ?? [];
  if ((loads?.takenOff?.length ?? 0) === 0) return null;
  return (
    <label className="plain justify-start!">
      <input
        type="checkbox"
        className="size-5"
        checked={form.unloaded}
        onChange={(event) => onChange({ ...form, unloaded: event.target.checked })}
      />{' '}
      without what is listed as taken off ({off.map((item) => item.name.toLowerCase()).join(', ')})
    </label>
  );
}
