'use client';

import { openJob, newId } from '../../_client';
import { useRouter } from 'next/navigation';
import { useMemo, useState, useRef } from 'react';
import {
  DUTIES,
  EXPOSURES,
  familyOf,
  FAMILY_IDS,
  PURPOSES,
  UNIT_KINDS,
  type Frame,
  type Unit,
  type Family,
} from '@/core/frame';
import { GAUGE_NUMBERS, gaugeThicknessMm, printLength, type UnitSystem } from '@/core/quantity';
import { STEEL_IDS, steel } from '@/core/reference';
import { Entry, Pick } from '@/ui/controls';
import { Skeleton } from '@/ui/skeleton';
import { z } from 'zod';
import { useDraft } from '../../_parts/remembered';
import { UnitSwitch } from '../../_parts/switches';
import {
  familyFields,
  frameFrom,
  hasFlangeWall,
  LENGTHS,
  readOpening,
  type OpeningFields,
  type OpeningProblems,
  hasOwnMeasures,
  FAMILY_OF_KIND,
  MEASURES,
  steelOfKind,
} from './opening';
import { turned } from '../../_parts/turned';

/** Sections that are spoken of by their flange. */
const OPEN_RAILS: ReadonlySet<string> = new Set(['channel', 'I', 'built-up']);

const draftSchema = z.record(z.string(), z.string());

/** Unit, job and frame in one pass; the Skeleton is drawn while one types. What is typed stays in this browser until the job is open. */
export interface Starting {
  readonly id: string;
  readonly name: string;
  readonly frame: Frame;
}

const SHELF = 'shelf-gauges';
/** Walls that sheet and plate are rolled to, thickest first: picked where nobody has measured one yet. */
function ShelfGauges({ system }: { system: UnitSystem }) {
  return (
    <datalist id={SHELF}>
      {GAUGE_NUMBERS.filter((gauge) => gauge >= 7 && gauge <= 20).map((gauge) => {
        const wall = gaugeThicknessMm(gauge);
        return wall.ok ? (
          <option key={gauge} value={`${gauge}ga`} label={printLength(wall.value, system, 'thickness')} />
        ) : null;
      })}
    </datalist>
  );
}

/** Nothing can be opened without these. */
const NEEDED: ReadonlySet<keyof OpeningFields> = new Set(['tag', 'by']);

export function NewJobForm({
  unit,
  tags,
  startings,
  initialSystem,
}: {
  unit: Unit | undefined;
  tags: readonly string[];
  startings: readonly Starting[];
  initialSystem: UnitSystem;
}) {
  const router = useRouter();
  const [draft, keepDraft] = useDraft(`ossatura-new-job-${unit?.id ?? ''}`, draftSchema);
  const system = draft?.system === 'mm' || draft?.system === 'in' ? draft.system : initialSystem;
  const [stamp] = useState(() => ({ unitId: newId(), jobId: newId() }));
  const [problems, setProblems] = useState<OpeningProblems>({});
  const [refused, setRefused] = useState<string>();
  const [busy, setBusy] = useState(false);
  const [empty] = useState<OpeningFields>(() => ({
    tag: '',
    description: '',
    kind: 'truck',
    exposure: 'road salt',
    duty: 'work',
    gross: '',
    built: '',
    title: '',
    purpose: 'repair',
    complaint: '',
    by: '',
    family: 'open-channel ladder',
    ...familyFields('open-channel ladder', initialSystem),
    steel: steelOfKind('truck'),
    measures: '',
    datum: '',
    starting: '',
  }));
  const fields = useMemo<OpeningFields>(() => ({ ...empty, ...draft }), [empty, draft]);
  const set = (to: Partial<OpeningFields>, units = system) => keepDraft({ ...fields, ...to, system: units });
  const starting = startings.find((each) => each.id === fields.starting);
  const drawn = useMemo(
    () =>
      starting
        ? { ok: true as const, frame: starting.frame }
        : frameFrom({ ...fields, datum: fields.datum || 'datum' }, system),
    [fields, system, starting],
  );

  const turnUnits = (next: UnitSystem) => {
    const lengths = [...LENGTHS, 'flangeWall' as const].map((field) => [
      field,
      turned(fields[field], system, next),
    ]);
    set({ ...Object.fromEntries(lengths), gross: turned(fields.gross, system, next, 'weight') }, next);
    document.cookie = `ossatura-unit=${next}; path=/; max-age=31536000; samesite=lax`;
  };

  const form = useRef<HTMLFormElement>(null);
  const [asked, setAsked] = useState<Family>();
  const startFrom = (family: Family, more: Partial<OpeningFields> = {}) => {
    setAsked(undefined);
    set({ ...more, family, starting: '', ...familyFields(family, system) });
  };
  /** What was measured and typed is wiped only by whoever says so. */
  const chooseFamily = (family: Family) =>
    hasOwnMeasures(fields, system) ? setAsked(family) : startFrom(family);
  /** Steel that somebody chose stays; one taken by the kind of unit goes with it. */
  const steelFor = (kind: OpeningFields['kind']) =>
    fields.steel === steelOfKind(fields.kind) ? { steel: steelOfKind(kind) } : {};
  const chooseKind = (kind: OpeningFields['kind']) =>
    hasOwnMeasures(fields, system) || fields.starting
      ? set({ kind, ...steelFor(kind) })
      : startFrom(FAMILY_OF_KIND[kind], { kind, ...steelFor(kind) });

  const open = async () => {
    const read = readOpening(
      fields,
      system,
      unit,
      { ...stamp, at: new Date().toISOString() },
      starting?.frame,
    );
    if (!read.ok) {
      setProblems(read.problems);
      // Once it is drawn which: the first field that needs another look.
      setTimeout(() => form.current?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus());
      const count = Object.keys(read.problems).length;
      return setRefused(
        `${count === 1 ? '1 field needs' : `${count} fields need`} another look; nothing was sent.`,
      );
    }
    setProblems({});
    setBusy(true);
    const answer = await openJob(read.opening);
    setBusy(false);
    if (!answer.ok) return setRefused(`${answer.problem.message}. ${answer.problem.kept}`);
    keepDraft(undefined);
    router.push(`/jobs/${stamp.jobId}/walk`);
  };

  const entry = (
    field: keyof OpeningFields,
    label: string,
    more: { unit?: string; hint?: string; className?: string; list?: string; inputMode?: 'numeric' } = {},
  ) => (
    <Entry
      label={label}
      value={fields[field]}
      onChange={(event) => set({ [field]: event.target.value })}
      required={NEEDED.has(field)}
      {...more}
      {...(problems[field] && { problem: problems[field] })}
    />
  );
  const definition = familyOf(fields.family);
  const tagTaken = !unit && tags.some((tag) => tag.toLowerCase() === fields.tag.trim().toLowerCase());

  return (
    <form
      ref={form}
      noValidate
      className="grid gap-x-10 gap-y-6 pt-5 lg:grid-cols-[minmax(0,1fr)_216px]"
      onSubmit={(event) => {
        event.preventDefault();
        void open();
      }}
    >
      <div className="grid gap-6">
        {!unit && (
          <fieldset className="grid gap-3 sm:grid-cols-3">
            <legend className="mb-2 text-xl font-semibold">The unit, which outlives its jobs</legend>
            {entry('tag', 'Tag', {
              hint: tagTaken ? 'already in the yard: open the job from its own line' : 'short, painted on',
            })}
            {entry('description', 'What it is', { className: 'sm:col-span-2' })}
            <Pick label="Kind" value={fields.kind} options={UNIT_KINDS} onPick={chooseKind} />
            <Pick
              label="Where it lives"
              value={fields.exposure}
              options={EXPOSURES}
              onPick={(exposure) => set({ exposure })}
            />
            <Pick label="Duty" value={fields.duty} options={DUTIES} onPick={(duty) => set({ duty })} />
            {entry('gross', 'Gross weight', {
              unit: system === 'in' ? 'lb' : 'kg',
              hint: 'may be left open',
            })}
            {entry('built', 'Built, year', { inputMode: 'numeric', hint: 'may be left open' })}
          </fieldset>
        )}
        <fieldset className="grid gap-3 sm:grid-cols-3">
          <legend className="mb-2 text-xl font-semibold">The job</legend>
          {entry('title', 'Name of the job', { className: 'sm:col-span-2' })}
          {entry('by', 'Opened by (role or initials)')}
          <Pick
            label="Purpose"
            value={fields.purpose}
            options={PURPOSES}
            onPick={(purpose) => set({ purpose })}
          />
          {entry('complaint', 'What the owner complains of', { className: 'sm:col-span-2' })}
        </fieldset>
        <fieldset className="grid gap-3 sm:grid-cols-3">
          <legend className="mb-2 flex w-full items-center justify-between text-xl font-semibold">
            <span>The frame as it was made</span>
          </legend>
          <div className="sm:col-span-3 flex flex-wrap items-end justify-between gap-3">
            <Pick label="Frame family" value={fields.family} options={FAMILY_IDS} onPick={chooseFamily} />
            {startings.length > 0 && (
              <Pick
                label="Start from"
                value={fields.starting}
                options={['', ...startings.map((each) => each.id)]}
                words={(id) => startings.find((each) => each.id === id)?.name ?? 'the family’s frame'}
                onPick={(id) => set({ starting: id })}
              />
            )}
            <UnitSwitch system={system} onChange={turnUnits} />
          </div>
          {asked && (
            <div className="border-l-[6px] border-here pl-3 sm:col-span-3" role="alert">
              <p className="font-semibold">
                {asked} starts from measures of its own: those typed here would be gone.
              </p>
              <div className="flex flex-wrap gap-2">
                <button type="button" className="plain" onClick={() => startFrom(asked)}>
                  Change it, with its own measures
                </button>
                <button type="button" className="plain" onClick={() => setAsked(undefined)}>
                  Stay with {fields.family}
                </button>
              </div>
            </div>
          )}
          {starting ? (
            <p className="sm:col-span-3">
              {starting.frame.family}, {printLength(starting.frame.lengthMm, system, 'length')} long, as the
              shop keeps it.
            </p>
          ) : (
            <>
              {entry(
                'wheelbase',
                definition.first === 'axle' ? 'Wheelbase' : `From ${definition.first} to axles`,
                { unit: system },
              )}
              {entry(
                'first',
                definition.first === 'axle'
                  ? 'Front axle at'
                  : `${definition.first === 'coupler' ? 'Coupler' : 'King pin'} at`,
                { unit: system },
              )}
              {entry('length', 'Rail length', { unit: system })}
              {entry('depth', 'Rail depth', { unit: system })}
              {entry('breadth', OPEN_RAILS.has(definition.typical.railShape.kind) ? 'Flange' : 'Rail width', {
                unit: system,
              })}
              {entry('wall', hasFlangeWall(fields.family) ? 'Web' : 'Wall', {
                unit: system,
                hint: '1/4, 10ga, 4.7mm',
                list: SHELF,
              })}
              <ShelfGauges system={system} />
              {hasFlangeWall(fields.family) && entry('flangeWall', 'Flange thickness', { unit: system })}
              {entry('width', 'Over the rails', { unit: system })}
              <Pick
                label="Axles behind"
                value={fields.rearAxles}
                options={['1', '2', '3'] as const}
                onPick={(rearAxles) => set({ rearAxles })}
              />
              {fields.rearAxles !== '1' && entry('spread', 'Between them', { unit: system })}
            </>
          )}
          <Pick
            label="Steel"
            value={fields.steel}
            options={STEEL_IDS}
            words={(id) => steel(id).name}
            onPick={(id) => set({ steel: id })}
          />
          {!starting && (
            <Pick
              label="These measures are"
              value={fields.measures || (hasOwnMeasures(fields, system) ? MEASURES[1] : MEASURES[0])}
              options={MEASURES}
              onPick={(measures) => set({ measures })}
            />
          )}
          {entry('datum', 'Stations measured from', {
            className: 'sm:col-span-3',
            hint: 'a hole or crossmember that stays, at the front; may be named later',
          })}
        </fieldset>
        {refused && (
          <p role="alert" className="border-l-[6px] border-oxide pl-3 text-lg font-semibold text-oxide">
            {refused}
          </p>
        )}
        <button type="submit" className="solid justify-self-start text-xl" disabled={busy}>
          {busy ? 'Opening…' : 'Open the job'}
        </button>
      </div>
      <div className="self-start max-lg:hidden lg:sticky lg:top-4">
        <p className="caption">
          Starts as drawn; members and mounts are moved in Frame.
          {fields.family === 'unibody' &&
            ' A unibody is kept as a few closed sections: floor, roof and glass are not in it.'}
        </p>
        {drawn.ok ? (
          <Skeleton
            frame={drawn.frame}
            marks={new Map()}
            selected=""
            cursorMm={0}
            onSelect={() => undefined}
            height={520}
          />
        ) : (
          <p className="pt-6">Not drawn yet: {Object.values(drawn.problems)[0]}</p>
        )}
      </div>
    </form>
  );
}
