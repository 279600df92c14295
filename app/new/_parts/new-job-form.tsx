'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { DUTIES, EXPOSURES, FAMILY_IDS, PURPOSES, typicalRail, UNIT_KINDS, type Family, type Unit } from '@/core/frame';
import { lengthDigits, parseLengthMm, type UnitSystem } from '@/core/quantity';
import { STEEL_IDS, steel } from '@/core/reference';
import type { Problem } from '@/core/exchange';
import { Choice, Entry, Pick } from '@/ui/controls';
import { Skeleton } from '@/ui/skeleton';
import { z } from 'zod';
import { useDraft } from '../../_parts/remembered';
import { UnitSwitch } from '../../_parts/switches';
import { frameFrom, readOpening, type OpeningFields, type OpeningProblems } from './opening';

function railFields(family: Family, system: UnitSystem) {
  const shape = typicalRail(family);
  return { depth: lengthDigits(shape.depthMm, system, 'length'), breadth: lengthDigits(shape.kind === 'channel' ? shape.flangeMm : shape.widthMm, system, 'length'), wall: lengthDigits(shape.thicknessMm, system, 'thickness') };
}

const draftSchema = z.record(z.string(), z.string());

/** Unit, job and frame in one pass; the Skeleton is drawn while one types. What is typed stays in this browser until the job is open. */
export function NewJobForm({ unit, tags, initialSystem }: { unit: Unit | undefined; tags: readonly string[]; initialSystem: UnitSystem }) {
  const router = useRouter();
  const [draft, keepDraft] = useDraft(`ossatura-new-job-${unit?.id ?? ''}`, draftSchema);
  const system = draft?.system === 'mm' || draft?.system === 'in' ? draft.system : initialSystem;
  const [stamp] = useState(() => ({ unitId: crypto.randomUUID(), jobId: crypto.randomUUID() }));
  const [problems, setProblems] = useState<OpeningProblems>({});
  const [refused, setRefused] = useState<string>();
  const [busy, setBusy] = useState(false);
  const [empty] = useState<OpeningFields>(() => ({
    tag: '', description: '', kind: 'truck', exposure: 'road salt', duty: 'work', gross: '', title: '', purpose: 'repair', complaint: '', by: '',
    family: 'open-channel ladder', ...railFields('open-channel ladder', initialSystem), length: lengthDigits(6096, initialSystem, 'length'), width: lengthDigits(863.6, initialSystem, 'length'), steel: 'unknown', datum: '',
  }));
  const fields = useMemo<OpeningFields>(() => ({ ...empty, ...draft }), [empty, draft]);
  const set = (to: Partial<OpeningFields>, units = system) => keepDraft({ ...fields, ...to, system: units });
  const drawn = useMemo(() => frameFrom({ ...fields, datum: fields.datum || 'datum' }, system), [fields, system]);

  const turnUnits = (next: UnitSystem) => {
    const again = (text: string, kind: 'length' | 'thickness') => {
      const length = parseLengthMm(text, system);
      return length.ok ? lengthDigits(length.value, next, kind) : text;
    };
    set({ depth: again(fields.depth, 'length'), breadth: again(fields.breadth, 'length'), wall: again(fields.wall, 'thickness'), length: again(fields.length, 'length'), width: again(fields.width, 'length') }, next);
    document.cookie = `ossatura-unit=${next}; path=/; max-age=31536000; samesite=lax`;
  };

  const open = async () => {
    const read = readOpening(fields, system, unit, { ...stamp, at: new Date().toISOString() });
    if (!read.ok) {
      setProblems(read.problems);
      return setRefused(`${Object.keys(read.problems).length} fields need another look; nothing was sent.`);
    }
    setProblems({});
    setBusy(true);
    const response = await fetch('/api/jobs', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(read.opening) }).catch(() => undefined);
    const answer = response && ((await response.json()) as { ok: true } | { ok: false; problem: Problem });
    setBusy(false);
    if (!answer) return setRefused('The server cannot be reached; what you typed is still here.');
    if (!answer.ok) return setRefused(`${answer.problem.message}. ${answer.problem.kept}`);
    keepDraft(undefined);
    router.push(`/jobs/${stamp.jobId}/probe`);
  };

  const entry = (field: keyof OpeningFields, label: string, more: { unit?: string; hint?: string; className?: string } = {}) => (
    <Entry label={label} value={fields[field]} onChange={(event) => set({ [field]: event.target.value })} {...more} {...(problems[field] && { problem: problems[field] })} />
  );
  const tagTaken = !unit && tags.some((tag) => tag.toLowerCase() === fields.tag.trim().toLowerCase());

  return (
    <form className="grid gap-x-10 gap-y-6 pt-5 lg:grid-cols-[minmax(0,1fr)_216px]" onSubmit={(event) => {
      event.preventDefault();
      void open();
    }}>
      <div className="grid gap-6">
        {!unit && (
          <fieldset className="grid gap-3 sm:grid-cols-3">
            <legend className="mb-2 text-xl font-semibold">The unit, which outlives its jobs</legend>
            {entry('tag', 'Tag', { hint: tagTaken ? 'already in the yard: open the job from its own line' : 'short, painted on' })}
            {entry('description', 'What it is', { className: 'sm:col-span-2' })}
            <Pick label="Kind" value={fields.kind} options={UNIT_KINDS} onPick={(kind) => set({ kind })} />
            <Pick label="Where it lives" value={fields.exposure} options={EXPOSURES} onPick={(exposure) => set({ exposure })} />
            <Pick label="Duty" value={fields.duty} options={DUTIES} onPick={(duty) => set({ duty })} />
            {entry('gross', 'Gross weight', { unit: system === 'in' ? 'lb' : 'kg', hint: 'may be left open' })}
          </fieldset>
        )}
        <fieldset className="grid gap-3 sm:grid-cols-3">
          <legend className="mb-2 text-xl font-semibold">The job</legend>
          {entry('title', 'Name of the job', { className: 'sm:col-span-2' })}
          {entry('by', 'Opened by (role or initials)')}
          <Pick label="Purpose" value={fields.purpose} options={PURPOSES} onPick={(purpose) => set({ purpose })} />
          {entry('complaint', 'What the owner complains of', { className: 'sm:col-span-2' })}
        </fieldset>
        <fieldset className="grid gap-3 sm:grid-cols-3">
          <legend className="mb-2 flex w-full items-center justify-between text-xl font-semibold"><span>The frame as it was made</span></legend>
          <div className="sm:col-span-3 flex flex-wrap items-end justify-between gap-3">
            <Choice label="Frame family" value={fields.family} options={FAMILY_IDS} onChange={(family) => set({ family, ...railFields(family, system) })} />
            <UnitSwitch system={system} onChange={turnUnits} />
          </div>
          {entry('depth', 'Rail depth', { unit: system })}
          {entry('breadth', fields.family === 'open-channel ladder' ? 'Flange' : 'Rail width', { unit: system })}
          {entry('wall', 'Wall', { unit: system, hint: '1/4, 10ga, 4.7mm' })}
          {entry('length', 'Rail length', { unit: system })}
          {entry('width', 'Over the rails', { unit: system })}
          <Pick label="Steel" value={fields.steel} options={STEEL_IDS} words={(id) => steel(id).name} onPick={(id) => set({ steel: id })} />
          {entry('datum', 'Stations measured from', { className: 'sm:col-span-3', hint: 'a hole or crossmember that stays, at the front' })}
        </fieldset>
        {refused && <p role="alert" className="border-l-[6px] border-oxide pl-3 text-lg font-semibold text-oxide">{refused}</p>}
        <button type="submit" className="solid justify-self-start text-xl" disabled={busy}>{busy ? 'Opening…' : 'Open the job'}</button>
      </div>
      <div className="max-lg:hidden">
        <p className="caption">Starts as drawn; members and mounts are moved in Frame.</p>
        {drawn.ok ? <Skeleton frame={drawn.frame} marks={new Map()} selected="" cursorMm={0} onSelect={() => undefined} height={520} /> : <p className="pt-6">Not drawn yet: {Object.values(drawn.problems)[0]}</p>}
      </div>
    </form>
  );
}
