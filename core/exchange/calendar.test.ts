import ICAL from 'ical.js';
import { DEFAULT_WEEK } from '../reference';
import { calendarText, type CalendarJob, type CalendarLook } from '.';

const MADE = { week: DEFAULT_WEEK, hoursADay: 7, stamp: '2026-11-30T06:00:00Z' };
const task = (id: string, fromH: number, toH: number, days: readonly [string, string]) => ({
  id,
  title: `does ${id}`,
  fromDay: days[0],
  toDay: days[1],
  fromH,
  toH,
  who: id === 'a' ? ['RK', 'TM'] : [],
  isCritical: false,
});
const job: CalendarJob = {
  id: 'job 1/x',
  tag: 'GR-7',
  title: 'left rail',
  bay: 'bay 2',
  fromDay: '2026-12-30',
  toDay: '2026-12-31',
  promised: { on: '2027-01-04', chance: 0.804 },
  tasks: [
    // Hours count through the days: the first takes the whole first day, the second begins the next one at 8.
    task('a', 0, 7, ['2026-12-30', '2026-12-30']),
    task('b', 7, 8.51, ['2026-12-31', '2026-12-31']),
    task('none', 8, 8, ['2026-12-31', '2026-12-31']),
  ],
};
const eventsOf = (jobs: readonly CalendarJob[], looks: readonly CalendarLook[] = []) =>
  new ICAL.Component(ICAL.parse(calendarText(jobs, { ...MADE, looks })))
    .getAllSubcomponents('vevent')
    .map((component) => new ICAL.Event(component))
    .map((event) => ({
      uid: event.uid,
      says: event.summary,
      from: event.startDate.toString(),
      to: event.endDate.toString(),
      more: event.description,
      where: event.location,
    }));

describe('jobs as iCalendar (RFC 5545), read by ical.js', () => {
  const events = eventsOf([job]);
  const of = (end: string) => events.find(({ uid }) => uid === `job-1-x-${end}@ossatura`)!;

  test('its stay and its promise are whole days; an all-day event ends where the next day begins', () => {
    expect(of('stay')).toMatchObject({
      says: 'GR-7: left rail',
      from: '2026-12-30',
      to: '2027-01-01',
      where: 'bay 2',
    });
    expect(of('promised')).toMatchObject({
      says: 'GR-7 promised',
      from: '2027-01-04',
      to: '2027-01-05',
      more: 'Kept 80 times in a hundred by the plan.',
    });
  });

  test('tasks stand at their hours: the last hour of a day is that day’s, the first of the next is 8 o’clock', () => {
    expect(of('a')).toMatchObject({
      says: 'GR-7: does a',
      from: '2026-12-30T08:00:00',
      to: '2026-12-30T15:00:00',
      more: 'RK, TM',
    });
    expect(of('b')).toMatchObject({ from: '2026-12-31T08:00:00', to: '2026-12-31T09:31:00' });
    expect(of('b').more ?? '').toBe('');
  });

  test('a task without hours is no event; without bay or promise there is none', () => {
    expect(events).toHaveLength(4);
    const { bay: _, promised: __, ...bare } = job;
    const less = eventsOf([bare]);
    expect(less).toHaveLength(3);
    expect(less[0]!.where ?? '').toBe('');
  });

  test('a look that is due is a day of its own, with what it says', () => {
    const looks = [{ id: 'l', tag: 'SV-9', on: '2027-02-28', says: 'the left sill' }];
    expect(eventsOf([], looks)).toEqual([
      {
        uid: 'l-look@ossatura',
        says: 'SV-9: look again',
        from: '2027-02-28',
        to: '2027-03-01',
        more: 'the left sill',
        where: null,
      },
    ]);
  });
});
