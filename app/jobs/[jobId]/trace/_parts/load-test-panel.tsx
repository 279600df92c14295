'use client';

import { useState } from 'react';
import { z } from 'zod';
import { memberOf, type Frame } from '@/core/frame';
import { openEvidence, packEvidence, stands, type JobFile } from '@/core/job';
import { fail, ok, parseMeasuredMm, printLength, type Outcome, type UnitSystem } from '@/core/quantity';
import {
  LOAD_STATES,
  TEST_PURPOSES,
  testResults,
  watchedSchema,
  type LoadState,
  type LoadTest,
  type PlaceResult,
  type Watched,
} from '@/core/trace';
import type { Photo } from '@/core/walk';
import { Entry, Pick, RecordForm, When } from '@/ui/controls';
import { useDraft } from '../../../../_parts/remembered';
import { useUnitTurn } from '../../../../_parts/turned';
import { DEFERENCE } from '../../../../_words/cautions';
import { STATE_CAUTION, WIND_UP_WORDS } from '../../../../_words/trace';
import { newId } from '../../../../_client';
import {
  PhotoButton,
  PhotoFigure,
  PhotoSheet,
  StrikeSheet,
  useReader,
  useRecords,
  useStamp,
} from '../../../_desk';
import { heardBy } from './load-test-heard';
import { Places } from './load-test-places';

/** A test half made; it outlives a reload. Readings as typed, by place and state. */
const draftSchema = z.object({
  purpose: z.enum(TEST_PURPOSES),
  states: z.array(z.enum(LOAD_STATES)),
  places: z.array(watchedSchema),
  typed: z.record(z.string(), z.string()),
  windUpLetGo: z.boolean(),
  /** What the test will be kept as: its pictures hang on that name before it is. */
  id: z.string().optional(),
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
/** Pictures of one place in one state of one test hang on it by this. */
const pictureAt = (testId: string, placeId: string, state: LoadState): string =>
  `load test ${testId} ${state} ${placeId}`.slice(0, 120);

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
          <button type="button" className="plain" onClick={() => setDraft({ ...NEW_TEST, id: newId() })}>
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
          <TestPictures testId={test.id} />
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

/** What was photographed at the readings of a test. */
function TestPictures({ testId }: { testId: string }) {
  const { file } = useRecords();
  const [open, setOpen] = useState<Photo>();
  const photos = stands(file, 'photo').filter(({ spotId }) => spotId?.startsWith(`load test ${testId} `));
  if (photos.length === 0) return null;
  return (
    <div className="mt-1 grid grid-cols-2 gap-2 sm:grid-cols-4">
      {photos.map((photo) => (
        <PhotoFigure key={photo.id} photo={photo} onOpen={setOpen} />
      ))}
      <PhotoSheet photo={open} onClose={() => setOpen(undefined)} />
    </div>
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

/** How many pictures one place has in one state, in words; none: nothing. */
function picturesOf(file: JobFile, testId: string, placeId: string, state: LoadState): string {
  const at = pictureAt(testId, placeId, state);
  const count = stands(file, 'photo').filter(({ spotId }) => spotId === at).length;
  return count === 0 ? '' : count === 1 ? '1 photo' : `${count} photos`;
}

/** A test as its record says it, or what it still lacks. */
function readTest(draft: Draft, system: UnitSystem): Outcome<Omit<LoadTest, 'kind' | 'id' | 'by' | 'at'>> {
  const states = statesIn(draft);
  if (states.length < 2) return fail('choose two states at least');
  if (draft.places.length === 0) return fail('choose one place at least');
  const readings: LoadTest['readings'] = [];
  for (const place of draft.places)
    for (const state of states) {
      const length = parseMeasuredMm(draft.typed[cell(place.id, state)] ?? '', system);
      if (!length.ok) return fail(`${place.name}, ${state}: ${length.reason}`);
      if (length.value !== undefined) readings.push({ placeId: place.id, state, mm: length.value });
    }
  if (readings.length < 2) return fail('read one place in two states at least');
  const { purpose, places, windUpLetGo } = draft;
  return ok({ purpose, states, places, readings, windUpLetGo, note: '' });
}
const statesIn = (draft: Draft) => LOAD_STATES.filter((state) => draft.states.includes(state));

interface OfDraft {
  readonly draft: Draft;
  readonly set: (to: Partial<Draft>) => void;
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
  const keepIt = () => {
    const read = readTest(draft, system);
    if (!read.ok) return setProblem(read.reason);
    const id = draft.id !== undefined && { id: draft.id };
    const test: LoadTest = { kind: 'load test', ...stamp(), ...id, ...read.value };
    const checked = openEvidence(packEvidence(test));
    if (!checked.ok) return setProblem(checked.reason);
    keep(test);
    for (const record of heardBy(file, test)) keep(record);
    setDraft(undefined);
  };
  return (
    <RecordForm
      label="New load test"
      problem={problem}
      keep="Keep the test"
      onKeep={keepIt}
      onLeave={() => setDraft(undefined)}
    >
      <Pick
        label="made to"
        className="max-w-72"
        value={draft.purpose}
        options={TEST_PURPOSES}
        onPick={(purpose) => set({ purpose })}
      />
      <p className="mt-3 font-semibold">1 States it goes through</p>
      <States draft={draft} set={set} />
      <p className="mt-3 font-semibold">2 Places to watch, both sides</p>
      <Places places={draft.places} onChange={(places) => set({ places })} />
      {draft.states.length > 0 && draft.places.length > 0 && <ReadThrough draft={draft} set={set} />}
    </RecordForm>
  );
}

function States({ draft: { states }, set }: OfDraft) {
  const turn = (state: LoadState) =>
    set({ states: states.includes(state) ? states.filter((each) => each !== state) : [...states, state] });
  return (
    <div className="flex flex-wrap gap-2" role="group" aria-label="States">
      {LOAD_STATES.map((state) => (
        <button
          key={state}
          type="button"
          className="plain"
          aria-pressed={states.includes(state)}
          onClick={() => turn(state)}
        >
          {state}
        </button>
      ))}
    </div>
  );
}

/** State by state, every place read in each, with the caution that goes with it. */
function ReadThrough({ draft, set }: OfDraft) {
  return (
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
      {statesIn(draft).map((state) => (
        <fieldset key={state} className="mt-3 border-t border-rule pt-1">
          <legend className="sr-only">{state}</legend>
          <p className="letters-17 font-semibold">{state}</p>
          <p className="caution my-1">
            {STATE_CAUTION[state]} {DEFERENCE}
          </p>
          <div className="grid grid-cols-1 items-end gap-2 sm:grid-cols-3">
            {draft.places.map((place) => (
              <ReadPlace key={place.id} place={place} state={state} draft={draft} set={set} />
            ))}
          </div>
        </fieldset>
      ))}
    </>
  );
}

function ReadPlace({ place, state, draft, set }: OfDraft & { place: Watched; state: LoadState }) {
  const { file } = useRecords();
  const { system } = useReader();
  const at = cell(place.id, state);
  return (
    <div className="flex items-end gap-2">
      <Entry
        label={`${place.name}, ${place.what}`}
        unit={system}
        className="flex-1"
        placeholder="not read"
        value={draft.typed[at] ?? ''}
        onChange={(event) => set({ typed: { ...draft.typed, [at]: event.target.value } })}
      />
      {draft.id !== undefined && (
        <PhotoButton
          label={picturesOf(file, draft.id, place.id, state) || 'Photo'}
          caption={`${place.name}, ${state}`.slice(0, 160)}
          spotId={pictureAt(draft.id, place.id, state)}
          {...(place.witnesses[0] !== undefined && { memberId: place.witnesses[0] })}
        />
      )}
    </div>
  );
}
