import ical, { ICalCalendarMethod } from 'ical-generator';
import type { ShopWeek } from '../reference';
import type { DatedTask } from '../order';

/** A job as it goes into a calendar: its days, its promise, its tasks. */
export interface CalendarJob {
  readonly id: string;
  readonly tag: string;
  readonly title: string;
  readonly bay?: string;
  readonly fromDay: string;
  readonly toDay: string;
  readonly promised?: { readonly on: string; readonly chance: number };
  readonly tasks: readonly DatedTask[];
}

/** A day on which something is looked at again. */
export interface CalendarLook {
  readonly id: string;
  readonly tag: string;
  readonly on: string;
  readonly says: string;
}

/** Local time without a zone, as a wall clock shows it: a shop is in one place. */
const wallClock = (day: string, hour: number): string => {
  const minutes = Math.round(hour * 60);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${day}T${two(Math.floor(minutes / 60))}:${two(minutes % 60)}:00`;
};
const nextDay = (day: string): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10);

/**
 * Jobs as iCalendar (RFC 5545): an all-day event for the stay of each, one for the day that is promised, one for each task at its hours, one for each look
 * that is due. A UID stays the
 * same while the job and the task do, so that a calendar that read it before moves what it has. `stamp` is when it was made.
 */
export function calendarText(
  jobs: readonly CalendarJob[],
  {
    week,
    hoursADay,
    stamp,
    looks = [],
  }: {
    readonly week: ShopWeek;
    readonly hoursADay: number;
    readonly stamp: string;
    readonly looks?: readonly CalendarLook[];
  },
): string {
  const calendar = ical({
    name: 'Ossatura',
    prodId: { company: 'Ossatura', product: 'shop calendar', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const uid = (...parts: string[]) => `${parts.join('-').replace(/[^\w.-]+/g, '-')}@ossatura`;
  for (const job of jobs) {
    calendar.createEvent({
      id: uid(job.id, 'stay'),
      stamp,
      start: job.fromDay,
      end: nextDay(job.toDay),
      allDay: true,
      summary: `${job.tag}: ${job.title}`,
      ...(job.bay !== undefined && { location: job.bay }),
    });
    if (job.promised)
      calendar.createEvent({
        id: uid(job.id, 'promised'),
        stamp,
        start: job.promised.on,
        end: nextDay(job.promised.on),
        allDay: true,
        summary: `${job.tag} promised`,
        description: `Kept ${Math.round(job.promised.chance * 100)} times in a hundred by the plan.`,
      });
    for (const task of job.tasks.filter(({ fromH, toH }) => toH > fromH)) {
      const ends = task.toH % hoursADay === 0 ? hoursADay : task.toH % hoursADay;
      calendar.createEvent({
        id: uid(job.id, task.id),
        stamp,
        start: wallClock(task.fromDay, week.fromHour + (task.fromH % hoursADay)),
        end: wallClock(task.toDay, week.fromHour + ends),
        floating: true,
        summary: `${job.tag}: ${task.title}`,
        ...(task.who.length > 0 && { description: task.who.join(', ') }),
      });
    }
  }
  for (const { id, tag, on, says } of looks)
    calendar.createEvent({
      id: uid(id, 'look'),
      stamp,
      start: on,
      end: nextDay(on),
      allDay: true,
      summary: `${tag}: look again`,
      ...(says && { description: says }),
    });
  return calendar.toString();
}
