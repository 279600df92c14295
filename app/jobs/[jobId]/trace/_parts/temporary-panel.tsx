'use client';

import { useState } from 'react';
import { z } from 'zod';
import { jobTimeLeft, stands } from '@/core/job';
import { parseDistanceKm, printDistance, type Outcome, type UnitSystem } from '@/core/quantity';
import { TEMPORARY_FORMS, temporaryKind, releaseOf, tripKind, type TemporaryRepair } from '@/core/trace';
import {
  today,
  TypedEntry,
  TypedForm,
  TypedPick,
  TypedProblem,
  TypedRecordForm,
  useTypedForm,
  When,
} from '@/ui/controls';
import { readBy, readIfTyped, useFieldsTurn } from '../../../../_parts/typed';
import { CAUTIONS } from '../../../../_words/cautions';
import { printStation } from '../../../../_words/station';
import { RELEASE_WORDS, timeLeftWords } from '../../../../_words/trace';
import { StrikeSheet, useKeepChecked, useMember, usePlace, useReader, useRecords } from '../../../_desk';

/** Temporary repairs with what is left of them, and the trips that use them up. */
export function TemporaryPanel() {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const [isAdding, setAdding] = useState(false);
  const [striking, setStriking] = useState<{ id: string; words: string }>();
  const left = jobTimeLeft(file, today());
  const own = new Set(stands(file, 'temporary repair').map(({ id }) => id));
  const tests = stands(file, 'load test');
  return (
    <section aria-label="Temporary repairs and trips" className="mt-4 border-t border-rule pt-2">
      <h3 className="text-lg font-semibold">Temporary repairs and trips</h3>
      {left.length === 0 && <p>No temporary repair recorded.</p>}
      <ul className="ruled">
        {left.map((each) => (
          <li key={each.repair.id} className="flex flex-wrap items-center gap-x-4 py-1">
            <span className={`font-semibold ${each.isOver ? 'text-oxide' : ''}`}>
              {timeLeftWords(each, system)}
            </span>
            {releaseOf(tests, each.repair) !== 'released' && (
              <span className="font-semibold text-oxide">{RELEASE_WORDS[releaseOf(tests, each.repair)]}</span>
            )}
            <span className="caption">
              {each.repair.memberId === member.id
                ? `at ${printStation(member, each.repair.stationMm, system)}`
                : (file.frame.members.find(({ id }) => id === each.repair.memberId)?.name ?? '')}
              ; {each.repair.by}, <When at={each.repair.at} only="day" />
              {each.repair.note && `; ${each.repair.note}`}
            </span>
            {own.has(each.repair.id) ? (
              <button
                type="button"
                className="hit ml-auto px-2 underline"
                onClick={() => setStriking({ id: each.repair.id, words: `The ${each.repair.form}` })}
              >
                strike
              </button>
            ) : (
              <span className="caption ml-auto">recorded in another job of this unit</span>
            )}
          </li>
        ))}
        <Trips onStrike={setStriking} />
      </ul>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <TripForm />
        {!isAdding && (
          <button type="button" className="plain" onClick={() => setAdding(true)}>
            Record a temporary repair here
          </button>
        )}
      </div>
      {isAdding && <TemporaryForm onDone={() => setAdding(false)} />}
      {(isAdding || left.length > 0) && <p className="caution mt-2">{CAUTIONS.temporary}</p>}
      <StrikeSheet struck={striking} onClose={() => setStriking(undefined)} />
    </section>
  );
}

function Trips({ onStrike }: { onStrike: (struck: { id: string; words: string }) => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  return stands(file, 'trip').map((trip) => (
    <li key={trip.id} className="flex flex-wrap items-center gap-x-4 py-1">
      <span>went {printDistance(trip.km, system, 3)}</span>
      <span className="caption">
        {trip.by}, <When at={trip.at} only="day" />
        {trip.note && `; ${trip.note}`}
      </span>
      <button
        type="button"
        className="hit ml-auto px-2 underline"
        onClick={() => onStrike({ id: trip.id, words: `The trip of ${printDistance(trip.km, system, 3)}` })}
      >
        strike
      </button>
    </li>
  ));
}

/** A distance or speed on the road that is more than nothing, and no more than what it is of can be. */
const road = (
  text: string,
  system: UnitSystem,
  [most, words]: readonly [number, string],
): Outcome<number> => {
  const km = parseDistanceKm(text, system);
  return !km.ok || (km.value > 0 && km.value <= most) ? km : { ok: false, reason: words };
};
const typedTrip = (system: UnitSystem) =>
  z.object({ km: readBy((text) => road(text, system, [Infinity, 'a trip has some length'])) });

function TripForm() {
  const { system } = useReader();
  const keepChecked = useKeepChecked();
  const schema = typedTrip(system);
  const form = useTypedForm(schema, { km: '' });
  useFieldsTurn(form, system, { km: 'distance' });
  const keepIt = (trip: z.infer<typeof schema>) => keepChecked(tripKind, trip) ?? form.reset();
  return (
    <TypedForm form={form} onKeep={keepIt} label="A trip made" className="flex items-start gap-2">
      <TypedEntry name="km" label={`it went, ${system === 'in' ? 'mi' : 'km'}`} />
      <button type="submit" className="plain mt-5">
        Keep the trip
      </button>
      <TypedProblem className="mt-5" />
    </TypedForm>
  );
}

const typedTemporary = (system: UnitSystem) =>
  z.object({
    form: z.enum(TEMPORARY_FORMS),
    limit: readBy((text) => road(text, system, [2000, 'more than nothing and at most 1200 mi (2000 km)'])),
    until: z.string(),
    slower: readIfTyped((text) => road(text, system, [120, 'a speed up to 75 mph (120 km/h)'])),
    note: z.string(),
  });

function TemporaryForm({ onDone }: { onDone: () => void }) {
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const keepChecked = useKeepChecked();
  const schema = typedTemporary(system);
  const form = useTypedForm(schema, {
    form: TEMPORARY_FORMS[0] as TemporaryRepair['form'],
    limit: '',
    until: '',
    slower: '',
    note: '',
  });
  useFieldsTurn(form, system, { limit: 'distance', slower: 'distance' });
  const unit = system === 'in' ? 'mi' : 'km';
  const keepIt = ({ limit, until, slower, ...said }: z.infer<typeof schema>) =>
    keepChecked(temporaryKind, {
      ...said,
      memberId: member.id,
      stationMm: cursor.stationMm,
      limitKm: limit,
      ...(until && { until }),
      ...(slower !== undefined && { slowerThanKmh: slower }),
    }) ?? onDone();
  return (
    <TypedRecordForm
      form={form}
      label="New temporary repair"
      keep="Keep the temporary repair"
      onKeep={keepIt}
      onLeave={onDone}
    >
      <p className="caption mb-2">
        On {member.name.toLowerCase()} at {printStation(member, cursor.stationMm, system)}, where the cursor
        is
      </p>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-5">
        <TypedPick name="form" label="what it is" options={TEMPORARY_FORMS} />
        <TypedEntry name="limit" label={`no farther than, ${unit}`} required />
        <TypedEntry name="until" label="last day" type="date" />
        <TypedEntry name="slower" label={`slower than, ${system === 'in' ? 'mph' : 'km/h'}`} />
        <TypedEntry name="note" label="note" maxLength={300} />
      </div>
    </TypedRecordForm>
  );
}
