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
import { Entry, Pick, type EntryProps } from '@/ui/controls';
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

/** A frame of the shop's own that a job may start from. */
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

const emptyFields = (system: UnitSystem): OpeningFields => ({
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
  ...familyFields('open-channel ladder', system),
  steel: steelOfKind('truck'),
  measures: '',
  datum: '',
  starting: '',
});

/** What is typed of the opening; it outlives a reload, and stands in whichever units are shown. */
function useOpeningDraft(unitId: string, initialSystem: UnitSystem) {
  const [draft, keepDraft] = useDraft(`ossatura-new-job-${unitId}`, draftSchema);
  const system = draft?.system === 'mm' || draft?.system === 'in' ? draft.system : initialSystem;
  const [empty] = useState(() => emptyFields(initialSystem));
  const fields = useMemo<OpeningFields>(() => ({ ...empty, ...draft }), [empty, draft]);
  const set = (to: Partial<OpeningFields>, units = system) => keepDraft({ ...fields, ...to, system: units });
  const turnUnits = (next: UnitSystem) => {
    const lengths = [...LENGTHS, 'flangeWall' as const].map((field) => [
      field,
      turned(fields[field], system, next),
    ]);
    set({ ...Object.fromEntries(lengths), gross: turned(fields.gross, system, next, 'weight') }, next);
    document.cookie = `ossatura-unit=${next}; path=/; max-age=31536000; samesite=lax`;
  };
  return { fields, system, set, turnUnits, drop: () => keepDraft(undefined) };
}
type Draft = ReturnType<typeof useOpeningDraft>;

/** Another family or kind starts from measures of its own; what was measured and typed is wiped only by whoever says so. */
function useStartingPoint({ fields, system, set }: Draft) {
  const [asked, setAsked] = useState<Family>();
  const startFrom = (family: Family, more: Partial<OpeningFields> = {}) => {
    setAsked(undefined);
    set({ ...more, family, starting: '', ...familyFields(family, system) });
  };
  const isMeasured = hasOwnMeasures(fields, system);
  /** Steel that somebody chose stays; one taken by the kind of unit goes with it. */
  const steelFor = (kind: OpeningFields['kind']) =>
    fields.steel === steelOfKind(fields.kind) ? { steel: steelOfKind(kind) } : {};
  const chooseKind = (kind: OpeningFields['kind']) =>
    isMeasured || fields.starting
      ? set({ kind, ...steelFor(kind) })
      : startFrom(FAMILY_OF_KIND[kind], { kind, ...steelFor(kind) });
  const chooseFamily = (family: Family) => (isMeasured ? setAsked(family) : startFrom(family));
  return { asked, leaveAsked: () => setAsked(undefined), startFrom, chooseFamily, chooseKind };
}
type StartingPoint = ReturnType<typeof useStartingPoint>;

/** Opens the job, or says which fields need another look and goes to the first of them. */
function useOpening(draft: Draft, unit: Unit | undefined, starting: Frame | undefined) {
  const router = useRouter();
  const form = useRef<HTMLFormElement>(null);
  const [stamp] = useState(() => ({ unitId: newId(), jobId: newId() }));
  const [problems, setProblems] = useState<OpeningProblems>({});
  const [refused, setRefused] = useState<string>();
  const [busy, setBusy] = useState(false);
  const open = async () => {
    const at = new Date().toISOString();
    const read = readOpening(draft.fields, draft.system, unit, { ...stamp, at }, starting);
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
    draft.drop();
    router.push(`/jobs/${stamp.jobId}/walk`);
  };
  return { form, problems, refused, busy, open };
}

interface Typing {
  readonly draft: Draft;
  readonly problems: OpeningProblems;
}

/** Unit, job and frame in one pass; the Skeleton is drawn while one types. What is typed stays in this browser until the job is open. */
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
  const draft = useOpeningDraft(unit?.id ?? '', initialSystem);
  const { fields } = draft;
  const from = useStartingPoint(draft);
  const starting = startings.find((each) => each.id === fields.starting);
  const { form, problems, refused, busy, open } = useOpening(draft, unit, starting?.frame);
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
        {!unit && <UnitFields draft={draft} problems={problems} tags={tags} onKind={from.chooseKind} />}
        <JobFields draft={draft} problems={problems} />
        <FrameFields draft={draft} problems={problems} startings={startings} from={from} />
        {refused && (
          <p role="alert" className="border-l-[6px] border-oxide pl-3 text-lg font-semibold text-oxide">
            {refused}
          </p>
        )}
        <button type="submit" className="solid justify-self-start text-xl" disabled={busy}>
          {busy ? 'Opening…' : 'Open the job'}
        </button>
      </div>
      <DrawnFrame draft={draft} starting={starting} />
    </form>
  );
}

function Text({
  draft: { fields, set },
  problems,
  field,
  ...entry
}: Typing & { field: keyof OpeningFields } & Omit<EntryProps, 'ref' | 'problem'>) {
  return (
    <Entry
      value={fields[field]}
      onChange={(event) => set({ [field]: event.target.value })}
      required={NEEDED.has(field)}
      {...entry}
      {...(problems[field] && { problem: problems[field] })}
    />
  );
}

function UnitFields({
  tags,
  onKind,
  ...typing
}: Typing & { tags: readonly string[]; onKind: StartingPoint['chooseKind'] }) {
  const { fields, set, system } = typing.draft;
  const isTaken = tags.some((tag) => tag.toLowerCase() === fields.tag.trim().toLowerCase());
  return (
    <fieldset className="grid gap-3 sm:grid-cols-3">
      <legend className="mb-2 text-xl font-semibold">The unit, which outlives its jobs</legend>
      <Text
        {...typing}
        field="tag"
        label="Tag"
        hint={isTaken ? 'already in the yard: open the job from its own line' : 'short, painted on'}
      />
      <Text {...typing} field="description" label="What it is" className="sm:col-span-2" />
      <Pick label="Kind" value={fields.kind} options={UNIT_KINDS} onPick={onKind} />
      <Pick
        label="Where it lives"
        value={fields.exposure}
        options={EXPOSURES}
        onPick={(exposure) => set({ exposure })}
      />
      <Pick label="Duty" value={fields.duty} options={DUTIES} onPick={(duty) => set({ duty })} />
      <Text
        {...typing}
        field="gross"
        label="Gross weight"
        unit={system === 'in' ? 'lb' : 'kg'}
        hint="may be left open"
      />
      <Text {...typing} field="built" label="Built, year" inputMode="numeric" hint="may be left open" />
    </fieldset>
  );
}

const JobFields = (typing: Typing) => (
  <fieldset className="grid gap-3 sm:grid-cols-3">
    <legend className="mb-2 text-xl font-semibold">The job</legend>
    <Text {...typing} field="title" label="Name of the job" className="sm:col-span-2" />
    <Text {...typing} field="by" label="Opened by (role or initials)" />
    <Pick
      label="Purpose"
      value={typing.draft.fields.purpose}
      options={PURPOSES}
      onPick={(purpose) => typing.draft.set({ purpose })}
    />
    <Text {...typing} field="complaint" label="What the owner complains of" className="sm:col-span-2" />
  </fieldset>
);

function FrameFields({
  startings,
  from,
  ...typing
}: Typing & { startings: readonly Starting[]; from: StartingPoint }) {
  const { fields, set, system, turnUnits } = typing.draft;
  const starting = startings.find((each) => each.id === fields.starting);
  return (
    <fieldset className="grid gap-3 sm:grid-cols-3">
      <legend className="mb-2 flex w-full items-center justify-between text-xl font-semibold">
        <span>The frame as it was made</span>
      </legend>
      <div className="flex flex-wrap items-end justify-between gap-3 sm:col-span-3">
        <Pick label="Frame family" value={fields.family} options={FAMILY_IDS} onPick={from.chooseFamily} />
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
      {from.asked && <AskedAnew family={from.asked} fields={fields} from={from} />}
      {starting ? (
        <p className="sm:col-span-3">
          {starting.frame.family}, {printLength(starting.frame.lengthMm, system, 'length')} long, as the shop
          keeps it.
        </p>
      ) : (
        <MeasureFields {...typing} />
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
      <Text
        {...typing}
        field="datum"
        label="Stations measured from"
        className="sm:col-span-3"
        hint="a hole or crossmember that stays, at the front; may be named later"
      />
    </fieldset>
  );
}

const AskedAnew = ({
  family,
  fields,
  from,
}: {
  family: Family;
  fields: OpeningFields;
  from: StartingPoint;
}) => (
  <div className="border-l-[6px] border-here pl-3 sm:col-span-3" role="alert">
    <p className="font-semibold">{family} starts from measures of its own: those typed here would be gone.</p>
    <div className="flex flex-wrap gap-2">
      <button type="button" className="plain" onClick={() => from.startFrom(family)}>
        Change it, with its own measures
      </button>
      <button type="button" className="plain" onClick={from.leaveAsked}>
        Stay with {fields.family}
      </button>
    </div>
  </div>
);

const FIRST_WORDS = { axle: 'Front axle at', coupler: 'Coupler at', 'king pin': 'King pin at' } as const;

function MeasureFields(typing: Typing) {
  const { fields, set, system } = typing.draft;
  const { first, typical } = familyOf(fields.family);
  const length = { ...typing, unit: system };
  return (
    <>
      <Text {...length} field="wheelbase" label={first === 'axle' ? 'Wheelbase' : `From ${first} to axles`} />
      <Text {...length} field="first" label={FIRST_WORDS[first]} />
      <Text {...length} field="length" label="Rail length" />
      <Text {...length} field="depth" label="Rail depth" />
      <Text
        {...length}
        field="breadth"
        label={OPEN_RAILS.has(typical.railShape.kind) ? 'Flange' : 'Rail width'}
      />
      <Text
        {...length}
        field="wall"
        label={hasFlangeWall(fields.family) ? 'Web' : 'Wall'}
        hint="1/4, 10ga, 4.7mm"
        list={SHELF}
      />
      <ShelfGauges system={system} />
      {hasFlangeWall(fields.family) && <Text {...length} field="flangeWall" label="Flange thickness" />}
      <Text {...length} field="width" label="Over the rails" />
      <Pick
        label="Axles behind"
        value={fields.rearAxles}
        options={['1', '2', '3'] as const}
        onPick={(rearAxles) => set({ rearAxles })}
      />
      {fields.rearAxles !== '1' && <Text {...length} field="spread" label="Between them" />}
    </>
  );
}

/** The frame drawn while one types; why not, where it cannot be. */
function DrawnFrame({
  draft: { fields, system },
  starting,
}: {
  draft: Draft;
  starting: Starting | undefined;
}) {
  const drawn = useMemo(
    () =>
      starting
        ? { ok: true as const, frame: starting.frame }
        : frameFrom({ ...fields, datum: fields.datum || 'datum' }, system),
    [fields, system, starting],
  );
  return (
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
  );
}
