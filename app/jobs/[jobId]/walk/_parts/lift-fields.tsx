'use client';

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

export function LiftFormFields({ form, onChange }: { form: LiftForm; onChange: (form: LiftForm) => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const weight = system === 'in' ? 'lb' : 'kg';
  const set = (to: Partial<LiftForm>) => onChange({ ...form, ...to });
  const setPoint = (k: number, to: Partial<LiftForm['points'][number]>) =>
    set({ points: form.points.map((point, n) => (n === k ? { ...point, ...to } : point)) });
  const toggle = (id: string) =>
    set({
      wheelsDown: form.wheelsDown.includes(id)
        ? form.wheelsDown.filter((each) => each !== id)
        : [...form.wheelsDown, id],
    });
  return (
    <div className="grid gap-3">
      <Pick
        label="raised on"
        value={form.way}
        options={LIFT_WAYS}
        words={(way) => LIFT_WAY_WORDS[way]}
        onPick={(way) => onChange(usualForm(file.frame, way, system))}
      />
      {takesPoints(form.way) && (
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
                  unit={weight}
                  value={point.rating}
                  onChange={(event) => setPoint(k, { rating: event.target.value })}
                />
                <button
                  type="button"
                  className="plain px-0!"
                  aria-label={`Take ${point.id} away`}
                  onClick={() => set({ points: form.points.filter((_, n) => n !== k) })}
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
      )}
      {takesPoints(form.way) && (
        <fieldset>
          <legend className="caption">wheels that stay down</legend>
          <div className="flex flex-wrap gap-1.5">
            {wheelsOf(file.frame).map((wheel) => (
              <label key={wheel.id} className="plain">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={form.wheelsDown.includes(wheel.id)}
                  onChange={() => toggle(wheel.id)}
                />{' '}
                {wheel.name}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      <div className="grid grid-cols-3 items-end gap-1.5">
        <Entry
          label={RATED_WORDS[form.way] ?? 'hoist rated'}
          unit={weight}
          value={form.hoist}
          placeholder={RATED_WORDS[form.way] ? '' : 'in all'}
          onChange={(event) => set({ hoist: event.target.value })}
        />
        <Entry
          label="ground falls to the front"
          unit="°"
          inputMode="decimal"
          value={form.along}
          onChange={(event) => set({ along: event.target.value })}
        />
        <Entry
          label="and to the left"
          unit="°"
          inputMode="decimal"
          value={form.across}
          onChange={(event) => set({ across: event.target.value })}
        />
      </div>
      {(file.frame.loads?.takenOff?.length ?? 0) > 0 && (
        <label className="plain justify-start!">
          <input
            type="checkbox"
            className="size-5"
            checked={form.unloaded}
            onChange={(event) => set({ unloaded: event.target.checked })}
          />{' '}
          without what is listed as taken off (
          {file.frame
            .loads!.items.filter((item) => file.frame.loads!.takenOff!.includes(item.id))
            .map((item) => item.name.toLowerCase())
            .join(', ')}
          )
        </label>
      )}
    </div>
  );
}
