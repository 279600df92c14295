import { shopDates, shopJob, type ShopDates } from '@/core/order';
import { calendarText, type CalendarLook } from '@/core/exchange';
import {
  bookedLooks,
  database,
  plannedJobs,
  refused,
  shopLists,
  written,
  type PlannedJob,
  type Written,
} from '@/data';
import { today } from '@/ui/controls/local-time';
import { NO_SCHEDULE_WORDS } from '../../_words/dates';

/** Jobs with a plan in their days, as iCalendar; `only` for one of them, placed among all the others. */
export function calendarOf(only?: string): Written<string> {
  const db = database();
  const lists = shopLists(db).part;
  const all = plannedJobs(db, today());
  const jobs = all.filter(({ plan }) => plan !== undefined);
  if (only !== undefined && !jobs.some(({ id }) => id === only))
    return refused('not-found', 'no plan of this job is kept yet: Order, Dates', 'Nothing was changed.');
  const dates = datesOf(jobs, lists);
  if (!dates.ok) return refused('invalid', NO_SCHEDULE_WORDS[dates.why], 'Nothing was changed.');
  const shown = dates.jobs
    .filter(({ id }) => only === undefined || id === only)
    .map((dated) => {
      const job = jobs.find(({ id }) => id === dated.id)!;
      const { promised } = job.plan!;
      return { ...dated, tag: job.tag, title: job.title, promised };
    });
  return written(
    calendarText(
      shown.map(({ promised, ...job }) => ({ ...job, ...(promised && { promised }) })),
      {
        week: lists.week,
        hoursADay: dates.hoursADay,
        stamp: new Date().toISOString(),
        looks:
          only === undefined
            ? [
                ...looksOf(all),
                ...bookedLooks(db).map(({ id, tag, on, what }) => ({ id, tag, on, says: what })),
              ]
            : looksOf(all.filter(({ id }) => id === only)),
      },
    ),
  );
}

const looksOf = (jobs: readonly PlannedJob[]): CalendarLook[] =>
  jobs.flatMap(({ id, tag, told }) =>
    told?.due?.on === undefined ? [] : [{ id, tag, on: told.due.on, says: told.interim.advice }],
  );

const datesOf = (jobs: readonly PlannedJob[], lists: ReturnType<typeof shopLists>['part']): ShopDates =>
  shopDates(
    {
      jobs: jobs.map((job) => shopJob({ ...job, plan: job.plan! })),
      people: lists.people,
      bays: lists.bays,
      week: lists.week,
      today: today(),
      draws: 1,
    },
    // Days of the middle of each range: nothing of it is drawn.
    () => 0.5,
  );
