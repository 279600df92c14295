'use client';

import Link from 'next/link';
import { useEffect, useMemo, useState } from 'react';
import { intakeOf, stands, type JobOrder } from '@/core/job';
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
import { Choice, Entry, Pick, today } from '@/ui/controls';
import { useScheduler } from '../../../../_parts/use-scheduler';
import { BAY_TROUBLE_WORDS, dayWords, NO_SCHEDULE_WORDS } from '../../../../_words/dates';
import { taskWords } from '../../../../_words/order';
import { useReader, useRecords, useStamp } from '../../../_desk';
import { DaysDrawn } from './days-drawn';
import { UntilPart } from './until-part';

const DRAWS = 2000;

/** When it begins, where, with which chance a day is promised; what comes of it; and the plan kept for the shop's calendar. */
export function DatesPart({ order }: { order: JobOrder }) {
  const { file } = useRecords();
  const slot = stands(file, 'slot').at(-1);
  const now = JSON.stringify(snapshotOf(order.plan, order.progress, taskWords, stands(file, 'bought')));
  // The order is made anew as time passes: days are drawn again only where a task became another.
  const tasks = useMemo(() => JSON.parse(now) as PlannedTask[], [now]);
  const { scheduling, begin } = useScheduler();
  const needBy = intakeOf(file)?.needBy;
  const people = file.people ?? [];
  const bays = file.bays ?? [];
  const { lengthMm } = file.frame;
  useEffect(() => {
    if (tasks.length === 0) return;
    void begin(
      {
        jobs: [shopJob({ id: file.job.id, plan: { tasks, lengthMm }, slot, done: [], needBy })],
        people,
        bays,
        week: file.week ?? DEFAULT_WEEK,
        today: today(),
        draws: DRAWS,
      },
      file.job.id,
    );
    // People, bays and week come with the file.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [tasks, slot, needBy, file, begin]);
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
          <h2 className="text-2xl font-semibold">
            <span role="status">
              {dated
                ? `Ready ${dayWords(dated.promised.on)}, kept ${Math.round(dated.promised.chance * 100)} times in a hundred`
                : dates && !dates.ok
                  ? 'No day can be named'
                  : 'working…'}
            </span>
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
          {scheduling?.problem && (
            <p role="alert" className="font-semibold text-oxide">
              {scheduling.problem}
            </p>
          )}
          {dated?.notIn && (
            <p className="font-semibold text-oxide" role="alert">
              {dated.notIn.bay} {BAY_TROUBLE_WORDS[dated.notIn.why]}: it stands in {dated.bay ?? 'no bay'}.
            </p>
          )}
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
      <table aria-label="Finished by" className="mt-1 text-[16px]">
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

function SlotForm({ slot, order }: { slot: Slot | undefined; order: JobOrder }) {
  const { file, keep } = useRecords();
  const stamp = useStamp();
  const [startOn, setStart] = useState(slot?.startOn ?? today());
  const [bay, setBay] = useState(slot?.bay ?? '');
  const [chance, setChance] = useState(chanceOf(slot?.chance));
  const [onLift, setLift] = useState(slot?.onLift === true);
  const [isAway, setAway] = useState(slot?.away !== undefined);
  const [travel, setTravel] = useState(String(slot?.away?.travelHours ?? ''));
  const [power, setPower] = useState<(typeof POWERS)[number]>(slot?.away?.power ?? 'mains');
  const [downtime, setDowntime] = useState(String(slot?.downtimePerDay ?? ''));
  const [transit, setTransit] = useState(slot?.transitAfter ?? '');
  const [problem, setProblem] = useState<string>();
  const number = (text: string) => Number(text.trim().replace(',', '.'));
  const keepIt = () => {
    const checked = slotKind.schema.safeParse({
      kind: 'slot',
      ...stamp(),
      note: '',
      startOn,
      ...(bay && !isAway && { bay }),
      ...(onLift && !isAway && { onLift }),
      chance: Number(chance),
      ...(isAway && { away: { travelHours: number(travel), power } }),
      ...(downtime.trim() && { downtimePerDay: number(downtime) }),
      ...(transit && { transitAfter: transit }),
    });
    if (!checked.success) return setProblem(`${checked.error.issues[0]!.message}; nothing was kept`);
    setProblem(undefined);
    keep(checked.data);
  };
  const zones = order.plan.zones.map(({ id }) => id).slice(0, -1);
  return (
    <form
      aria-label="When and where"
      className="my-3 border-y border-rule py-2"
      onSubmit={(event) => {
        event.preventDefault();
        keepIt();
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <Entry
          label="not before"
          type="date"
          className="w-44"
          value={startOn}
          onChange={(event) => setStart(event.target.value)}
        />
        {!isAway && (
          <>
            <Pick
              label="bay"
              value={bay}
              options={['', ...(file.bays ?? []).map(({ name }) => name)]}
              words={(each) => each || 'any'}
              onPick={setBay}
              className="w-32"
            />
            <button type="button" className="plain" aria-pressed={onLift} onClick={() => setLift(!onLift)}>
              Needs a lift
            </button>
          </>
        )}
        <div>
          <p className="caption">kept, times in a hundred</p>
          <Choice
            label="Chance"
            value={chance}
            options={CHANCE_OPTIONS}
            onChange={setChance}
            words={(each) => String(Math.round(Number(each) * 100))}
          />
        </div>
        <Entry
          label={`a day without it costs, ${file.practice.money.currency}`}
          className="w-48"
          value={downtime}
          onChange={(event) => setDowntime(event.target.value)}
        />
        {zones.length > 0 && (
          <Pick
            label="it moves after zone"
            value={transit}
            options={['', ...zones]}
            words={(each) => each || 'no'}
            onPick={setTransit}
            className="w-40"
          />
        )}
        <button type="button" className="plain" aria-pressed={isAway} onClick={() => setAway(!isAway)}>
          Done where it stands
        </button>
        {isAway && (
          <>
            <Entry
              label="on the road a day, h"
              className="w-36"
              value={travel}
              onChange={(event) => setTravel(event.target.value)}
            />
            <div>
              <p className="caption">power there</p>
              <Choice label="Power there" value={power} options={POWERS} onChange={setPower} />
            </div>
          </>
        )}
        <button type="submit" className="solid">
          Keep this
        </button>
      </div>
      {isAway && (
        <p className="caption mt-1">
          {power === 'none' && 'Without power nothing is welded there: a generator comes along. '}
          Gas shielding fails in more than 5 mph (8 km/h) of wind: screens, or flux-cored wire. No lift, level
          ground, somebody to watch after.
        </p>
      )}
      {problem && (
        <p role="alert" className="mt-1 font-semibold text-oxide">
          {problem}
        </p>
      )}
    </form>
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
  const kept = stands(file, 'job plan').at(-1);
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
