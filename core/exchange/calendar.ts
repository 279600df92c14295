import ical, { ICalCalendarMethod, type ICalEventData } from 'ical-generator';
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

const uid = (...parts: string[]) => `${parts.join('-').replace(/[^\w.-]+/g, '-')}@ossatura`;
const allDay = (from: string, to: string) => ({ start: from, end: nextDay(to), allDay: true });

interface Made {
  readonly week: ShopWeek;
  readonly hoursADay: number;
  readonly stamp: string;
}

function jobEvents(
  { id, tag, title, bay, fromDay, toDay, promised, tasks }: CalendarJob,
  { week, hoursADay, stamp }: Made,
): ICalEventData[] {
  return [
    {
      id: uid(id, 'stay'),
      stamp,
      ...allDay(fromDay, toDay),
      summary: `${tag}: ${title}`,
      ...(bay !== undefined && { location: bay }),
    },
    ...(promised
      ? [
          {
            id: uid(id, 'promised'),
            stamp,
            ...allDay(promised.on, promised.on),
            summary: `${tag} promised`,
            description: `Kept ${Math.round(promised.chance * 100)} times in a hundred by the plan.`,
          },
        ]
      : []),
    ...tasks
      .filter(({ fromH, toH }) => toH > fromH)
      .map((task) => {
        const ends = task.toH % hoursADay === 0 ? hoursADay : task.toH % hoursADay;
        return {
          id: uid(id, task.id),
          stamp,
          start: wallClock(task.fromDay, week.fromHour + (task.fromH % hoursADay)),
          end: wallClock(task.toDay, week.fromHour + ends),
          floating: true,
          summary: `${tag}: ${task.title}`,
          ...(task.who.length > 0 && { description: task.who.join(', ') }),
        };
      }),
  ];
}

const lookEvent = ({ id, tag, on, says }: CalendarLook, { stamp }: Made): ICalEventData => ({
  id: uid(id, 'look'),
  stamp,
  ...allDay(on, on),
  summary: `${tag}: look again`,
  ...(says && { description: says }),
});

/**
 * Jobs as iCalendar (RFC 5545): an all-day event for the stay of each, one for the day that is promised, one for each task at its hours, one for each look
 * that is due. A UID stays the same while the job and the task do, so that a calendar that read it before moves what it has. `stamp` is when it was made.
 */
export function calendarText(
  jobs: readonly CalendarJob[],
  { looks = [], ...made }: Made & { readonly looks?: readonly CalendarLook[] },
): string {
  const calendar = ical({
    name: 'Ossatura',
    prodId: { company: 'Ossatura', product: 'shop calendar', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const job of jobs) for (const event of jobEvents(job, made)) calendar.createEvent(event);
  for (const look of looks) calendar.createEvent(lookEvent(look, made));
  return calendar.toString();
}
