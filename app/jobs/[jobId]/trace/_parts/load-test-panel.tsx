'use client';

import { useState } from 'react';
import { z } from 'zod';
import { hostOf, hostsOf, memberOf, type Frame } from '@/core/frame';
import { openEvidence, packEvidence, recorded, stands, type JobFile } from '@/core/job';
import { parseMeasuredMm, printLength, type UnitSystem } from '@/core/quantity';
import {
  crackLookSchema,
  cracksAsSeen,
  LOAD_STATES,
  looksAt,
  TEST_PURPOSES,
  testResults,
  WATCHED,
  watchedSchema,
  type CrackLook,
  type LoadState,
  type LoadTest,
  type PlaceResult,
  type Watched,
} from '@/core/trace';
import { openFinds, type Find } from '@/core/walk';
import { Entry, Pick, When } from '@/ui/controls';
import { faceWords } from '@/ui/strip';
import { useDraft } from '../../../../_parts/remembered';
import { useUnitTurn } from '../../../../_parts/turned';
import { DEFERENCE } from '../../../../_words/cautions';
import { printStation } from '../../../../_words/station';
import { STATE_CAUTION, WIND_UP_WORDS } from '../../../../_words/trace';
import { newId } from '../../../../_client';
import { StrikeSheet, useReader, useRecords, useStamp } from '../../../_desk';

/** A test half made; it outlives a reload. Readings as typed, by place and state. */
const draftSchema = z.object({
  purpose: z.enum(TEST_PURPOSES),
  states: z.array(z.enum(LOAD_STATES)),
  places: z.array(watchedSchema),
  typed: z.record(z.string(), z.string()),
  windUpLetGo: z.boolean(),
});
type Draft = z.infer<typeof draftSchema>;
const NEW_TEST: Draft = {
  purpose: 'find what moves',
  states: [],
  places: [],
  typed: {},
  windUpLetGo: false,
};
const cell = (placeId: string, state: LoadState) => `${placeId}|${state}`;

/** Several places read in several states of load, step by step; what opens tells of what is hidden. */
export function LoadTestPanel() {
  const { file } = useRecords();
  const { system } = useReader();
  const [draft, setDraft] = useDraft(`ossatura-load-test-${file.job.id}`, draftSchema);
  const [striking, setStriking] = useState<LoadTest>();
  const tests = stands(file, 'load test');
  return (
    <section aria-label="Load test" className="mt-4 border-t border-rule pt-2">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="text-lg font-semibold">Load tests: {tests.length}</h3>
        {!draft && (
          <button type="button" className="plain" onClick={() => setDraft(NEW_TEST)}>
            Begin a load test
          </button>
        )}
      </div>
      {tests.map((test) => (
        <div key={test.id} className="mt-2">
          <p className="flex flex-wrap items-center gap-x-4">
            <span className="font-semibold">To {test.purpose}</span>
            <span className="caption">
              {test.states.join(', then ')}; {test.by}, <When at={test.at} only="day" />
              {!test.windUpLetGo && '; tyres were not let go first'}
            </span>
            <button type="button" className="hit ml-auto px-2 underline" onClick={() => setStriking(test)}>
              strike
            </button>
          </p>
          <Results results={testResults(test)} frame={file.frame} system={system} />
        </div>
      ))}
      {draft && <TestForm draft={draft} setDraft={setDraft} />}
      <StrikeSheet
        struck={striking && { id: striking.id, words: `The load test of ${striking.at.slice(0, 10)}` }}
        onClose={() => setStriking(undefined)}
      />
    </section>
  );
}

function Results({
  results,
  frame,
  system,
}: {
  results: readonly PlaceResult[];
  frame: Frame;
  system: UnitSystem;
}) {
  const witnessed = ({ witnesses }: Watched) =>
    witnesses.map((id) => memberOf(frame, id)?.name.toLowerCase() ?? id).join(', ');
  return (
    <ul className="ruled">
      {results.map(({ place, moved, unread }) => (
        <li key={place.id} className="flex flex-wrap gap-x-4 py-1">
          <span>
            {place.name} <span className="caption">{place.what}</span>
          </span>
          {moved.map(({ to, byMm, is }) => (
            <span key={to} className={is === 'unchanged' ? '' : 'font-semibold text-oxide'}>
              {to}: {is}
              {is !== 'unchanged' && ` by ${printLength(Math.abs(byMm), system, 'thickness')}`}
            </span>
          ))}
          {moved.some(({ is }) => is !== 'unchanged') && place.witnesses.length > 0 && (
            <span className="caption">tells of {witnessed(place)}</span>
          )}
          {unread.length > 0 && <span className="caption">not read: {unread.join(', ')}</span>}
        </li>
      ))}
    </ul>
  );
}

/** Places worth watching that are on record: cracks, gaps, the steering gear. */
function suggestedPlaces(file: JobFile, system: UnitSystem): Watched[] {
  const cracks = cracksAsSeen(file.frame, stands(file, 'crack'), []).flatMap((crack): Watched[] => {
    const member = memberOf(file.frame, crack.memberId);
    const first = crack.path[0]!;
    return member
      ? [
          {
            id: `crack ${crack.id}`.slice(0, 60),
            what: 'crack',
            name: `${member.name}, ${faceWords(member, first.face)}, ${printStation(member, first.stationMm, system)}`,
            crackId: crack.id,
            witnesses: [member.id],
          },
        ]
      : [];
  });
  const gaps = openFinds(stands(file, 'find'), file.practice.hand)
    .filter(({ find: { state } }) => state.is === 'gap' || state.is === 'cracked')
    .map(({ find }): Watched => ({
      id: `find ${find.on} ${find.hostId}`.slice(0, 60),
      what: find.on === 'panel' || find.on === 'joint' ? 'wall joint' : 'gap',
      name: hostOf(file.frame, find.on, find.hostId)?.name ?? find.title,
      host: { on: find.on, id: find.hostId },
      witnesses: [...find.memberIds],
    }));
  const gear = hostsOf(file.frame)
    .filter(({ kind }) => kind === 'steering gear')
    .map((host): Watched => ({
      id: `gear ${host.id}`.slice(0, 60),
      what: 'steering gear against rail',
      name: host.name,
      witnesses: host.spans.map(({ memberId }) => memberId),
    }));
  return [...new Map([...cracks, ...gaps, ...gear].map((place) => [place.id, place])).values()];
}

function TestForm({ draft, setDraft }: { draft: Draft; setDraft: (draft: Draft | undefined) => void }) {
  const { file, keep } = useRecords();
  const { system } = useReader();
  const stamp = useStamp();
  const [problem, setProblem] = useState<string>();
  const set = (to: Partial<Draft>) => setDraft({ ...draft, ...to });
  useUnitTurn(system, (as) =>
    set({ typed: Object.fromEntries(Object.entries(draft.typed).map(([at, text]) => [at, as(text)])) }),
  );
  const states = LOAD_STATES.filter((state) => draft.states.includes(state));
  const toggle = (state: LoadState) =>
    set({
      states: draft.states.includes(state)
        ? draft.states.filter((each) => each !== state)
        : [...draft.states, state],
    });
  const submit = () => {
    if (states.length < 2) return setProblem('choose two states at least');
    if (draft.places.length === 0) return setProblem('choose one place at least');
    const readings: LoadTest['readings'] = [];
    for (const place of draft.places)
      for (const state of states) {
        const length = parseMeasuredMm(draft.typed[cell(place.id, state)] ?? '', system);
        if (!length.ok) return setProblem(`${place.name}, ${state}: ${length.reason}`);
        if (length.value !== undefined) readings.push({ placeId: place.id, state, mm: length.value });
      }
    if (readings.length < 2) return setProblem('read one place in two states at least');
    const test: LoadTest = {
      kind: 'load test',
      ...stamp(),
      purpose: draft.purpose,
      states,
      places: draft.places,
      readings,
      windUpLetGo: draft.windUpLetGo,
      note: '',
    };
    const checked = openEvidence(packEvidence(test));
    if (!checked.ok) return setProblem(checked.reason);
    keep(test);
    for (const record of heardBy(file, test)) keep(record);
    setDraft(undefined);
  };
  return (
    <form
      className="my-2 border-y-2 border-ink bg-sheet px-3 py-3"
      aria-label="New load test"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Pick
        label="made to"
        className="max-w-72"
        value={draft.purpose}
        options={TEST_PURPOSES}
        onPick={(purpose) => set({ purpose })}
      />
      <p className="mt-3 font-semibold">1 States it goes through</p>
      <div className="flex flex-wrap gap-2" role="group" aria-label="States">
        {LOAD_STATES.map((state) => (
          <button
            key={state}
            type="button"
            className="plain"
            aria-pressed={draft.states.includes(state)}
            onClick={() => toggle(state)}
          >
            {state}
          </button>
        ))}
      </div>
      <p className="mt-3 font-semibold">2 Places to watch, both sides</p>
      <Places places={draft.places} onChange={(places) => set({ places })} />
      {states.length > 0 && draft.places.length > 0 && (
        <>
          <p className="mt-3 font-semibold">3 Go through the states, read every place in each</p>
          <label className="plain mt-1">
            <input
              type="checkbox"
              className="size-5 accent-[var(--ink)]"
              checked={draft.windUpLetGo}
              onChange={(event) => set({ windUpLetGo: event.target.checked })}
            />{' '}
            done: {WIND_UP_WORDS}
          </label>
          {states.map((state) => (
            <fieldset key={state} className="mt-3 border-t border-rule pt-1">
              <legend className="sr-only">{state}</legend>
              <p className="text-[17px] font-semibold">{state}</p>
              <p className="caution my-1">
                {STATE_CAUTION[state]} {DEFERENCE}
              </p>
              <div className="grid grid-cols-1 items-end gap-2 sm:grid-cols-3">
                {draft.places.map((place) => (
                  <Entry
                    key={place.id}
                    label={`${place.name}, ${place.what}`}
                    unit={system}
                    placeholder="not read"
                    value={draft.typed[cell(place.id, state)] ?? ''}
                    onChange={(event) =>
                      set({ typed: { ...draft.typed, [cell(place.id, state)]: event.target.value } })
                    }
                  />
                ))}
              </div>
            </fieldset>
          ))}
        </>
      )}
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-oxide">
          {problem}
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <button type="submit" className="solid">
          Keep the test
        </button>
        <button type="button" className="plain" onClick={() => setDraft(undefined)}>
          Leave it
        </button>
      </div>
    </form>
  );
}

/** Places on record to tap, and others by name. */
function Places({ places, onChange }: { places: readonly Watched[]; onChange: (places: Watched[]) => void }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [name, setName] = useState('');
  const [what, setWhat] = useState<Watched['what']>('gap');
  const suggested = suggestedPlaces(file, system).filter(({ id }) => !places.some((each) => each.id === id));
  const own = () => {
    if (!name.trim()) return;
    onChange([...places, { id: newId(), what, name: name.trim(), witnesses: [] }]);
    setName('');
  };
  return (
    <>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Places">
        {places.map((place) => (
          <button
            key={place.id}
            type="button"
            className="plain"
            aria-pressed
            onClick={() => onChange(places.filter((each) => each !== place))}
          >
            {place.name}
          </button>
        ))}
        {suggested.map((place) => (
          <button
            key={place.id}
            type="button"
            className="plain"
            aria-pressed={false}
            onClick={() => onChange([...places, place])}
          >
            {place.name}
          </button>
        ))}
      </div>
      <div className="mt-2 grid grid-cols-2 items-end gap-2 sm:grid-cols-4">
        <Pick label="another place" value={what} options={WATCHED} onPick={setWhat} />
        <Entry label="where" value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
        <button type="button" className="plain" onClick={own}>
          Watch it
        </button>
      </div>
    </>
  );
}

/**
 * What a test says of things on record, kept with them: a crack's gap with load off and on as a look at it, a host's widest gap as what was found of it.
 * So whatever judges hears of it.
 */
function heardBy(file: JobFile, test: LoadTest): (CrackLook | Find)[] {
  return test.places.flatMap((place): (CrackLook | Find)[] => {
    const read = test.readings.filter(({ placeId }) => placeId === place.id);
    if (read.length < 2) return [];
    const [least, most] = [...read]
      .sort((a, b) => a.mm - b.mm)
      .flatMap((each, k, all) => (k === 0 || k === all.length - 1 ? [each] : [])) as [
      (typeof read)[number],
      (typeof read)[number],
    ];
    const { by, at } = test;
    const crack = place.crackId && recorded(file, 'crack').find(({ id }) => id === place.crackId);
    if (crack) {
      const last = looksAt(stands(file, 'crack look'), crack.id).at(-1);
      const look = crackLookSchema.safeParse({
        kind: 'crack look',
        id: newId(),
        crackId: crack.id,
        memberId: crack.memberId,
        startMm: last?.startMm ?? 0,
        finishMm: last?.finishMm ?? 0,
        startFound: last?.startFound ?? crack.startFound,
        finishFound: last?.finishFound ?? crack.finishFound,
        seenBy: 'eye',
        gapOnly: true,
        gapUnloadedMm: Math.max(0, least.mm),
        gapLoadedMm: Math.max(0, most.mm),
        loadedBy: most.state,
        by,
        at,
        note: 'from a load test',
      });
      return look.success ? [look.data] : [];
    }
    const host =
      place.host &&
      hostsOf(file.frame).find((each) => each.on === place.host!.on && each.id === place.host!.id);
    if (!host || host.on === 'pocket' || host.on === 'fitting' || !(most.mm > 0)) return [];
    return [
      {
        kind: 'find',
        id: newId(),
        on: host.on,
        hostId: host.id,
        title: host.name,
        part: host.on === 'panel' ? 'sheet' : 'bond',
        state: { is: 'gap', openMm: most.mm },
        memberIds: [...new Set(host.spans.map(({ memberId }) => memberId))],
        note: `${most.state}, by a load test`,
        by,
        at,
      },
    ];
  });
}
