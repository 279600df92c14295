'use client';

import { Link } from '@/app/_parts/link';
import { useEffect, useMemo } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { intakeOf, lastOf, stands, type JobOrder } from '@/core/job';
import {
  planBasis,
  POWERS,
  shopJob,
  slotKind,
  snapshotOf,
  type DatedJob,
  type PlannedTask,
  type Slot,
} from '@/core/order';
import { DEFAULT_WEEK } from '@/core/reference';
import {
  today,
  TypedChoice,
  TypedEntry,
  TypedForm,
  TypedPick,
  TypedPress,
  TypedProblem,
  useTypedForm,
} from '@/ui/controls';
import { figureTyped } from '../../../../_parts/typed';
import { useScheduler } from '../../../../_parts/use-scheduler';
import { BAY_TROUBLE_WORDS, dayWords, NO_SCHEDULE_WORDS } from '../../../../_words/dates';
import { taskWords } from '../../../../_words/order';
import { useKeepChecked, useReader, useRecords, useStamp } from '../../../_desk';
import { DaysDrawn } from './days-drawn';
import { UntilPart } from './until-part';

const DRAWS = 2000;

/** When it begins, where, with which chance a day is promised; what comes of it; and the plan kept for the shop's calendar. */
export function DatesPart({ order }: { order: JobOrder }) {
  const { file } = useRecords();
  const slot = lastOf(file, 'slot');
  const now = JSON.stringify(snapshotOf(order.plan, order.progress, taskWords, stands(file, 'bought')));
  // The order is made anew as time passes: days are drawn again only where a task became another.
  const tasks = useMemo(() => JSON.parse(now) as PlannedTask[], [now]);
  const needBy = intakeOf(file)?.needBy;
  const scheduling = useDates(tasks, slot, needBy);
  const dates = scheduling?.found?.dates;
  const dated = dates?.ok ? dates.jobs[0] : undefined;
  return (
    <section aria-label="Dates">
      {tasks.length === 0 ? (
        <p className="text-xl">
          {order.progress.length === 0 ? 'Nothing is decided: no day to name.' : 'Everything is done.'}
        </p>
      ) : (
        <>
          <Ready dates={dates} dated={dated} problem={scheduling?.problem} />
          {dated && <Chances dated={dated} needBy={needBy} latest={scheduling?.found?.latest} slot={slot} />}
          <SlotForm key={slot?.id ?? 'none'} slot={slot} order={order} />
          {dated && dates?.ok && <DaysDrawn dated={dated} hoursADay={dates.hoursADay} days={dates.days} />}
          <KeepPlan order={order} tasks={tasks} dated={dated} />
        </>
      )}
      <UntilPart />
    </section>
  );
}

type Scheduling = ReturnType<typeof useScheduler>['scheduling'];
type Dates = NonNullable<NonNullable<Scheduling>['found']>['dates'];

/** The days of these tasks, drawn by the shop's people, bays and week; anew where one of them changes. */
function useDates(tasks: readonly PlannedTask[], slot: Slot | undefined, needBy: string | undefined) {
  const { file } = useRecords();
  const { scheduling, begin } = useScheduler();
  useEffect(() => {
    if (tasks.length === 0) return;
    const plan = { tasks: [...tasks], lengthMm: file.frame.lengthMm };
    void begin(
      {
        jobs: [shopJob({ id: file.job.id, plan, slot, done: [], needBy })],
        people: file.people ?? [],
        bays: file.bays ?? [],
        week: file.week ?? DEFAULT_WEEK,
        today: today(),
        draws: DRAWS,
      },
      file.job.id,
    );
  }, [tasks, slot, needBy, file, begin]);
  return scheduling;
}

/** The day that is promised, or why none can be named. */
const Ready = ({
  dates,
  dated,
  problem,
}: {
  dates: Dates | undefined;
  dated: DatedJob | undefined;
  problem: string | undefined;
}) => (
  <>
    <h2 className="text-2xl font-semibold">
      <span role="status">{readyWords(dates, dated)}</span>
    </h2>
    {dates && !dates.ok && (
      <p className="text-lg font-semibold text-oxide">
        {NO_SCHEDULE_WORDS[dates.why]}:{' '}
        <Link className="underline" href="/shop">
          Shop
        </Link>
        .
      </p>
    )}
    {problem && (
      <p role="alert" className="font-semibold text-oxide">
        {problem}
      </p>
    )}
    {dated?.notIn && (
      <p className="font-semibold text-oxide" role="alert">
        {dated.notIn.bay} {BAY_TROUBLE_WORDS[dated.notIn.why]}: it stands in {dated.bay ?? 'no bay'}.
      </p>
    )}
  </>
);

function readyWords(dates: Dates | undefined, dated: DatedJob | undefined): string {
  if (dated)
    return `Ready ${dayWords(dated.promised.on)}, kept ${Math.round(dated.promised.chance * 100)} times in a hundred`;
  return dates && !dates.ok ? 'No day can be named' : 'working…';
}

function Chances({
  dated,
  needBy,
  latest,
  slot,
}: {
  dated: DatedJob;
  needBy: string | undefined;
  latest: string | undefined;
  slot: Slot | undefined;
}) {
  const { file } = useRecords();
  const { currency } = file.practice.money;
  const away = daysBetween(today(), dated.promised.on);
  return (
    <>
      <table aria-label="Finished by" className="mt-1 letters-16">
        <tbody>
          <tr>
            <th scope="row" className="caption pr-4 text-left font-normal">
              finished by
            </th>
            {dated.days.map(({ day, chance }) => (
              <td key={chance} className="pr-6">
                {dayWords(day)} <span className="caption">{Math.round(chance * 100)} %</span>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      {needBy !== undefined && dated.byNeed !== undefined && (
        <p className={dated.byNeed < dated.promised.chance ? 'font-semibold text-oxide' : ''}>
          Needed by {dayWords(needBy)}: kept {Math.round(dated.byNeed * 100)} times in a hundred.{' '}
          {latest !== undefined
            ? `It may begin as late as ${dayWords(latest)}.`
            : 'Even begun today it is not kept with the chance that is promised.'}
        </p>
      )}
      {slot?.downtimePerDay !== undefined && (
        <p>
          {away} days without it cost its owner about {currency}
          {Math.round(away * slot.downtimePerDay)}.
        </p>
      )}
      <p className="caption">
        From {DRAWS} draws of the norms’ hours and of what seizes, by the people, bays and days of Shop. Other
        jobs are counted in the{' '}
        <Link className="underline" href="/calendar">
          calendar
        </Link>
        .
      </p>
    </>
  );
}

const daysBetween = (from: string, to: string): number =>
  Math.max(0, Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000));

const CHANCE_OPTIONS = ['0.5', '0.8', '0.9', '0.95'] as const;
const chanceOf = (value: number | undefined): (typeof CHANCE_OPTIONS)[number] =>
  CHANCE_OPTIONS.find((each) => Number(each) === value) ?? '0.8';

const typedSlot = z
  .object({
    startOn: z.string(),
    bay: z.string(),
    chance: z.enum(CHANCE_OPTIONS).transform(Number),
    onLift: z.boolean(),
    isAway: z.boolean(),
    travelHours: figureTyped,
    power: z.enum(POWERS),
    downtimePerDay: figureTyped,
    transitAfter: z.string(),
  })
  .transform(
    ({ startOn, chance, isAway, bay, onLift, travelHours, power, downtimePerDay, transitAfter }) => ({
      startOn,
      chance,
      ...(isAway
        ? { away: { travelHours: travelHours ?? NaN, power } }
        : { ...(bay && { bay }), ...(onLift && { onLift }) }),
      ...(downtimePerDay !== undefined && { downtimePerDay }),
      ...(transitAfter && { transitAfter }),
    }),
  );

/** A slot as its fields show it; what is usual where there is none yet. */
const slotAsTyped = (slot: Slot | undefined) => ({
  startOn: slot?.startOn ?? today(),
  bay: slot?.bay ?? '',
  chance: chanceOf(slot?.chance),
  onLift: slot?.onLift === true,
  isAway: slot?.away !== undefined,
  travelHours: String(slot?.away?.travelHours ?? ''),
  power: slot?.away?.power ?? 'mains',
  downtimePerDay: String(slot?.downtimePerDay ?? ''),
  transitAfter: slot?.transitAfter ?? '',
});

function SlotForm({ slot, order }: { slot: Slot | undefined; order: JobOrder }) {
  const { file } = useRecords();
  const keepChecked = useKeepChecked();
  const form = useTypedForm(typedSlot, slotAsTyped(slot));
  const isAway = useWatch({ control: form.control, name: 'isAway' });
  const zones = order.plan.zones.map(({ id }) => id).slice(0, -1);
  return (
    <TypedForm
      form={form}
      onKeep={(said) => keepChecked(slotKind, said)}
      label="When and where"
      className="my-3 border-y border-rule py-2"
    >
      <div className="flex flex-wrap items-end gap-3">
        <TypedEntry name="startOn" label="not before" type="date" className="w-44" />
        {!isAway && <InTheShop bays={(file.bays ?? []).map(({ name }) => name)} />}
        <div>
          <p className="caption">kept, times in a hundred</p>
          <TypedChoice
            name="chance"
            label="Chance"
            options={CHANCE_OPTIONS}
            words={(each) => String(Math.round(Number(each) * 100))}
          />
        </div>
        <TypedEntry
          name="downtimePerDay"
          label={`a day without it costs, ${file.practice.money.currency}`}
          className="w-48"
        />
        {zones.length > 0 && (
          <TypedPick
            name="transitAfter"
            label="it moves after zone"
            options={['', ...zones]}
            words={(each) => each || 'no'}
            className="w-40"
          />
        )}
        <TypedPress name="isAway">Done where it stands</TypedPress>
        {isAway && <WhereItStands />}
        <button type="submit" className="solid">
          Keep this
        </button>
      </div>
      {isAway && <AwayCaution />}
      <TypedProblem className="mt-1" />
    </TypedForm>
  );
}

const InTheShop = ({ bays }: { bays: readonly string[] }) => (
  <>
    <TypedPick
      name="bay"
      label="bay"
      options={['', ...bays]}
      words={(each) => each || 'any'}
      className="w-32"
    />
    <TypedPress name="onLift">Needs a lift</TypedPress>
  </>
);

const WhereItStands = () => (
  <>
    <TypedEntry name="travelHours" label="on the road a day, h" className="w-36" />
    <div>
      <p className="caption">power there</p>
      <TypedChoice name="power" label="Power there" options={POWERS} />
    </div>
  </>
);

function AwayCaution() {
  const power = useWatch({ name: 'power' }) as (typeof POWERS)[number];
  return (
    <p className="caption mt-1">
      {power === 'none' && 'Without power nothing is welded there: a generator comes along. '}
      Gas shielding fails in more than 5 mph (8 km/h) of wind: screens, or flux-cored wire. No lift, level
      ground, somebody to watch after.
    </p>
  );
}

/** The plan as it stands, kept for the shop's calendar; another one, and it says so. */
function KeepPlan({
  order,
  tasks,
  dated,
}: {
  order: JobOrder;
  tasks: readonly PlannedTask[];
  dated: DatedJob | undefined;
}) {
  const { file, keep } = useRecords();
  const stamp = useStamp();
  const { system } = useReader();
  const kept = lastOf(file, 'job plan');
  const basis = planBasis(order.plan);
  const isStale = kept !== undefined && kept.basis !== basis;
  return (
    <div className="mt-3">
      {isStale && (
        <p className="font-semibold text-oxide">
          The plan that was kept is no longer this one: what is decided, found or granted has changed since.
          Keep it anew.
        </p>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <button
          type="button"
          className="solid"
          onClick={() =>
            keep({
              kind: 'job plan',
              ...stamp(),
              note: '',
              tasks: tasks.map((task) => ({ ...task })),
              basis,
              lengthMm: file.frame.lengthMm,
              ...(dated && { promised: { on: dated.promised.on, chance: dated.promised.chance } }),
              meanwhile: '',
            })
          }
        >
          {kept ? 'Keep the plan anew' : 'Keep the plan for the calendar'}
        </button>
        {kept && (
          <a className="plain" download href={`/api/jobs/${file.job.id}/calendar?unit=${system}`}>
            Days, iCalendar
          </a>
        )}
      </div>
      {kept && (
        <p className="caption">
          Kept by {kept.by}
          {kept.promised &&
            `: promised ${dayWords(kept.promised.on)}, ${Math.round(kept.promised.chance * 100)} %`}
        </p>
      )}
    </div>
  );
}
