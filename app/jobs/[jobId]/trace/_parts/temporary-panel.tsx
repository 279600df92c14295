'use client';

import { useState } from 'react';
import { jobTimeLeft, stands } from '@/core/job';
import { parseDistanceKm, printDistance } from '@/core/quantity';
import { TEMPORARY_FORMS, testedSince, type TemporaryRepair, type Trip } from '@/core/trace';
import { Entry, Pick, RecordForm, today, When } from '@/ui/controls';
import { useUnitTurn } from '../../../../_parts/turned';
import { CAUTIONS } from '../../../../_words/cautions';
import { printStation } from '../../../../_words/station';
import { timeLeftWords } from '../../../../_words/trace';
import { StrikeSheet, useMember, usePlace, useReader, useRecords, useStamp } from '../../../_desk';

const EMPTY = { limit: '', until: '', slower: '', note: '' };

/** Temporary repairs with what is left of them, and the trips that use them up. */
export function TemporaryPanel() {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  const [isAdding, setAdding] = useState(false);
  const [striking, setStriking] = useState<{ id: string; words: string }>();
  const left = jobTimeLeft(file, today());
  const own = new Set(stands(file, 'temporary repair').map(({ id }) => id));
  const trips = stands(file, 'trip');
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
            {!testedSince(tests, 'release a temporary repair', each.repair.at) && (
              <span className="font-semibold text-oxide">no load test has released it yet</span>
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
        {trips.map((trip) => (
          <li key={trip.id} className="flex flex-wrap items-center gap-x-4 py-1">
            <span>went {printDistance(trip.km, system, 3)}</span>
            <span className="caption">
              {trip.by}, <When at={trip.at} only="day" />
              {trip.note && `; ${trip.note}`}
            </span>
            <button
              type="button"
              className="hit ml-auto px-2 underline"
              onClick={() =>
                setStriking({ id: trip.id, words: `The trip of ${printDistance(trip.km, system, 3)}` })
              }
            >
              strike
            </button>
          </li>
        ))}
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

function TripForm() {
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  useUnitTurn(system, (as) => setText(as(text, 'distance')));
  const submit = () => {
    const km = parseDistanceKm(text, system);
    if (!km.ok) return setProblem(km.reason);
    if (!(km.value > 0)) return setProblem('a trip has some length');
    const trip: Trip = {
      kind: 'trip',
      ...stamp(),
      km: km.value,
      note: '',
    };
    keep(trip);
    setText('');
    setProblem(undefined);
  };
  return (
    <form
      className="flex items-start gap-2"
      aria-label="A trip made"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Entry
        label={`it went, ${system === 'in' ? 'mi' : 'km'}`}
        value={text}
        {...(problem !== undefined && { problem })}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="plain mt-5">
        Keep the trip
      </button>
    </form>
  );
}

function TemporaryForm({ onDone }: { onDone: () => void }) {
  const { keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const { member } = useMember();
  const { cursor } = usePlace();
  const [form, setForm] = useState<TemporaryRepair['form']>('clamp');
  const [typed, setTyped] = useState(EMPTY);
  const [problem, setProblem] = useState<{ field: keyof typeof EMPTY; words: string }>();
  useUnitTurn(system, (as) =>
    setTyped({ ...typed, limit: as(typed.limit, 'distance'), slower: as(typed.slower, 'distance') }),
  );
  const unit = system === 'in' ? 'mi' : 'km';
  const submit = () => {
    const limit = parseDistanceKm(typed.limit, system);
    if (!limit.ok) return setProblem({ field: 'limit', words: limit.reason });
    if (!(limit.value > 0) || limit.value > 2000)
      return setProblem({ field: 'limit', words: 'more than nothing and at most 2000 km' });
    const slower = typed.slower.trim() ? parseDistanceKm(typed.slower, system) : undefined;
    if (slower && (!slower.ok || !(slower.value > 0) || slower.value > 120))
      return setProblem({ field: 'slower', words: 'a speed up to 120 km/h' });
    keep({
      kind: 'temporary repair',
      ...stamp(),
      memberId: member.id,
      stationMm: cursor.stationMm,
      form,
      limitKm: limit.value,
      ...(typed.until && { until: typed.until }),
      ...(slower?.ok && { slowerThanKmh: slower.value }),
      note: typed.note,
    });
    onDone();
  };
  const entry = (field: keyof typeof EMPTY, label: string, more: object = {}) => (
    <Entry
      label={label}
      value={typed[field]}
      {...(problem?.field === field && { problem: problem.words })}
      onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
      {...more}
    />
  );
  return (
    <RecordForm
      label="New temporary repair"
      keep="Keep the temporary repair"
      onKeep={submit}
      onLeave={onDone}
    >
      <p className="caption mb-2">
        On {member.name.toLowerCase()} at {printStation(member, cursor.stationMm, system)}, where the cursor
        is
      </p>
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-5">
        <Pick label="what it is" value={form} options={TEMPORARY_FORMS} onPick={setForm} />
        {entry('limit', `no farther than, ${unit}`, { required: true })}
        {entry('until', 'last day', { type: 'date' })}
        {entry('slower', `slower than, ${unit}/h`)}
        {entry('note', 'note', { maxLength: 300 })}
      </div>
    </RecordForm>
  );
}
