'use client';

import { Link } from '@/app/_parts/link';
import { useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { shopJob, type Slot } from '@/core/order';
import type { Bay, Person, ShopWeek } from '@/core/reference';
import type { UnitSystem } from '@/core/quantity';
import type { PlannedJob } from '@/data';
import { Entry, Pick, today } from '@/ui/controls';
import { newId } from '../../_client';
import { theOutbox } from '../../_outbox';
import { evidenceParcel } from '../../_outbox/drafts';
import { useScheduler } from '../../_parts/use-scheduler';
import { BAY_TROUBLE_WORDS, dayWords, NO_SCHEDULE_WORDS } from '../../_words/dates';
import { BaysDrawn } from './bays-drawn';
import { ToldLine, Waiting } from './waiting';
import { movedSlot, type GoodDates, type Move } from './moved';

const DRAWS = 2000;

interface Calendar {
  readonly jobs: readonly PlannedJob[];
  readonly people: readonly Person[];
  readonly bays: readonly Bay[];
  readonly week: ShopWeek;
}

/** Jobs as they were moved here, by whom; each move is kept as it is made. */
function useMoved(given: readonly PlannedJob[], by: string) {
  const [slots, setSlots] = useState<Readonly<Record<string, Slot>>>({});
  const jobs = useMemo(
    () => given.map((job) => ({ ...job, ...(slots[job.id] && { slot: slots[job.id]! }) })),
    [given, slots],
  );
  const move: Move = (job, to) => {
    const who = by.trim() || 'unnamed';
    const slot: Slot = { ...movedSlot(job.slot, to), id: newId(), by: who, at: new Date().toISOString() };
    setSlots((before) => ({ ...before, [job.id]: slot }));
    void theOutbox()
      .send(evidenceParcel(job.id, slot))
      .catch(() => toast.error('It could not be kept here; nothing recorded before is lost.'));
  };
  return { jobs, move };
}

/** Days of all planned jobs together, drawn anew whenever one is moved. */
function useDates(planned: readonly PlannedJob[], { people, bays, week }: Omit<Calendar, 'jobs'>) {
  const { scheduling, begin } = useScheduler();
  useEffect(() => {
    if (planned.length === 0) return;
    void begin({
      jobs: planned.map((job) => shopJob({ ...job, plan: job.plan! })),
      people,
      bays,
      week,
      today: today(),
      draws: DRAWS,
    });
  }, [planned, people, bays, week, begin]);
  return scheduling;
}

/** Jobs in bays and days, moved by hand, key or form; what waits; who it concerns. */
export function CalendarBench({
  jobs: given,
  people,
  bays,
  week,
  system,
}: Calendar & { readonly system: UnitSystem }) {
  const names = bays.map(({ name }) => name);
  const [by, setBy] = useState('');
  const { jobs, move } = useMoved(given, by);
  const planned = useMemo(
    () => jobs.filter(({ plan, done }) => plan?.tasks.some(({ id }) => !done.includes(id))),
    [jobs],
  );
  const scheduling = useDates(planned, { people, bays, week });
  const dates = scheduling?.found?.dates;
  const failed = dates && !dates.ok ? planned.find(({ id }) => id === dates.jobId) : undefined;
  return (
    <>
      <div className="flex flex-wrap items-end gap-3 py-2">
        <Entry
          label="moved by (role or initials)"
          className="w-48"
          maxLength={40}
          value={by}
          onChange={(event) => setBy(event.target.value)}
        />
        <p className="caption max-w-prose" role="status">
          {scheduling && drawnWords(scheduling.share)}
        </p>
      </div>
      {failed && dates && !dates.ok && (
        <p className="text-lg font-semibold text-oxide" role="alert">
          {NO_SCHEDULE_WORDS[dates.why]} ({failed.tag}).
        </p>
      )}
      {planned.length === 0 && (
        <p className="max-w-prose pt-2 text-xl">
          No plan is kept yet. In a job, Order, Dates: keep its plan for the calendar, and it stands here.
        </p>
      )}
      {dates?.ok && planned.length > 0 && (
        <BaysDrawn jobs={planned} dates={dates} bays={names} week={week} onMove={move} />
      )}
      <Jobs system={system} jobs={planned} bays={names} dates={dates?.ok ? dates : undefined} onMove={move} />
      <Waiting jobs={jobs.filter((job) => !planned.includes(job))} system={system} />
    </>
  );
}

const drawnWords = (share: number): string =>
  share < 1 ? `drawing, ${Math.round(share * 100)} %` : `${DRAWS} draws of every job together.`;

function Jobs({
  system,
  jobs,
  bays,
  dates,
  onMove,
}: {
  system: UnitSystem;
  jobs: readonly PlannedJob[];
  bays: readonly string[];
  dates: GoodDates | undefined;
  onMove: Move;
}) {
  return (
    <ul className="ruled mt-3 border-y border-rule" aria-label="Planned jobs">
      {jobs.map((job) => (
        <JobRow
          key={job.id}
          system={system}
          job={job}
          bays={bays}
          dated={dates?.jobs.find(({ id }) => id === job.id)}
          onMove={onMove}
        />
      ))}
    </ul>
  );
}

type Dated = GoodDates['jobs'][number];

function JobRow({
  system,
  job,
  bays,
  dated,
  onMove,
}: {
  system: UnitSystem;
  job: PlannedJob;
  bays: readonly string[];
  dated: Dated | undefined;
  onMove: Move;
}) {
  const startOn = job.slot?.startOn ?? today();
  return (
    <li className="flex flex-wrap items-end gap-x-5 gap-y-1 py-2">
      <div className="min-fit-52 flex-1">
        <Link className="text-xl font-bold underline" href={`/jobs/${job.id}/order?part=dates`}>
          {job.tag}
        </Link>
        <p>{job.title}</p>
        {job.told ? (
          <ToldLine told={job.told} system={system} />
        ) : (
          job.plan?.meanwhile && <p className="caption">Told meanwhile: {job.plan.meanwhile}</p>
        )}
      </div>
      <Entry
        label="not before"
        type="date"
        className="w-40"
        value={startOn}
        onChange={(event) =>
          event.target.value && onMove(job, { startOn: event.target.value, bay: job.slot?.bay })
        }
      />
      {!job.slot?.away && (
        <Pick
          label="bay"
          value={job.slot?.bay ?? ''}
          options={['', ...bays]}
          words={(each) => each || 'any'}
          onPick={(bay) => onMove(job, { startOn, ...(bay && { bay }) })}
          className="w-32"
        />
      )}
      <p className="min-fit-60 flex-1">{dated && <Days job={job} dated={dated} />}</p>
    </li>
  );
}

/** From when to when a job stays and where, by when it is ready, and what that is against what was promised and is needed. */
function Days({ job, dated }: { job: PlannedJob; dated: Dated }) {
  const { on, chance } = dated.promised;
  return (
    <>
      {dated.notIn && (
        <span className="font-semibold text-oxide">
          {dated.notIn.bay} {BAY_TROUBLE_WORDS[dated.notIn.why]}.{' '}
        </span>
      )}
      {dayWords(dated.fromDay)} to {dayWords(dated.toDay)}
      {job.slot?.away ? ', where it stands' : dated.bay ? `, ${dated.bay}` : ''}; ready by{' '}
      <b>{dayWords(on)}</b> ({Math.round(chance * 100)} %).
      {job.plan?.promised && on > job.plan.promised.on && (
        <span className="font-semibold text-oxide">
          {' '}
          Promised {dayWords(job.plan.promised.on)}: later now.
        </span>
      )}
      {dated.byNeed !== undefined && (
        <span className={dated.byNeed < chance ? 'font-semibold text-oxide' : ''}>
          {' '}
          Needed by {dayWords(job.needBy!)}: {Math.round(dated.byNeed * 100)} %.
        </span>
      )}
    </>
  );
}
