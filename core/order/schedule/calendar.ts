import type { ShopWeek } from '../../reference';

/**
 * The shop's working time as one line: hour 0 is where work on the first day begins, and a day is `hoursADay` long.
 *
 *      clock   Mon 8 ───── 15 · · · · · Tue 8 ───── 15        nights and shut days are nothing
 *      work        0 ────── 7             7 ────── 14
 */
export interface WorkCalendar {
  readonly hoursADay: number;
  /** yyyy-mm-dd of each working day, first to last. */
  readonly days: readonly string[];
  /** Whole days from the first one, by the calendar. */
  readonly dayNumbers: Int32Array;
  readonly fromHour: number;
  /** The first working day on or after a calendar day's number. */
  readonly nextWorking: Int32Array;
}

const DAY_MS = 86_400_000;
/** How far ahead is reckoned, days: nobody promises beyond three years. */
const HORIZON_DAYS = 1100;

const dayNumber = (date: string): number => Math.round(Date.parse(`${date}T00:00:00Z`) / DAY_MS);
const dateOf = (number: number): string => new Date(number * DAY_MS).toISOString().slice(0, 10);
/** 1 Monday … 7 Sunday. */
const weekday = (number: number): number => ((((number + 3) % 7) + 7) % 7) + 1;

export function workCalendar(from: string, { days, fromHour, hoursADay, shut }: ShopWeek): WorkCalendar {
  const first = dayNumber(from);
  const closed = new Set(shut);
  const working: number[] = [];
  for (let k = 0; k < HORIZON_DAYS; k++)
    if (days.includes(weekday(first + k)) && !closed.has(dateOf(first + k))) working.push(k);
  const next = new Int32Array(HORIZON_DAYS + 1).fill(working.length);
  for (let k = HORIZON_DAYS - 1, w = working.length - 1; k >= 0; k--) {
    if (w >= 0 && working[w] === k) next[k] = w--;
    else next[k] = next[k + 1]!;
  }
  return {
    hoursADay,
    fromHour,
    days: working.map((k) => dateOf(first + k)),
    dayNumbers: Int32Array.from(working),
    nextWorking: next,
  };
}

/** A hair past the end of a day is still that day: sums of hours round. */
const HAIR = 1e-9;

/** The day that work at this hour is on; an hour at the very end of one day is that day where something ends. */
export function dayAt({ days, hoursADay }: WorkCalendar, workH: number, ends = false): string {
  const index = Math.floor(workH / hoursADay - (ends && workH > 0 ? HAIR : -HAIR));
  return days[Math.min(days.length - 1, Math.max(0, index))] ?? days[days.length - 1]!;
}

/** Clock hours since midnight of the first day, for an hour of work. */
function clockAt({ dayNumbers, hoursADay, fromHour }: WorkCalendar, workH: number): number {
  const day = Math.min(dayNumbers.length - 1, Math.floor(workH / hoursADay + HAIR));
  return dayNumbers[day]! * 24 + fromHour + (workH - day * hoursADay);
}

/** When work can go on that waits so many clock hours after this: nights and shut days count for paint and steel. */
export function afterWait(calendar: WorkCalendar, workH: number, clockHours: number): number {
  if (!(clockHours > 0)) return workH;
  const { nextWorking, dayNumbers, hoursADay, fromHour } = calendar;
  // Work that ends with the day ends that day, not the next morning.
  const atEnd = workH > 0 && Math.abs(workH / hoursADay - Math.round(workH / hoursADay)) < HAIR;
  const from = atEnd ? clockAt(calendar, workH - hoursADay * 1e-6) : clockAt(calendar, workH);
  const clock = from + clockHours;
  const day = Math.min(nextWorking.length - 1, Math.floor(clock / 24));
  const next = nextWorking[day]!;
  if (next >= dayNumbers.length) return dayNumbers.length * hoursADay;
  const isToday = dayNumbers[next] === day;
  const into = isToday ? clock - day * 24 - fromHour : 0;
  // After hours it is the next working day.
  if (into >= hoursADay) return (next + 1) * hoursADay;
  return Math.max(workH, next * hoursADay + Math.max(0, into));
}

/** The first hour of work on or after a day; 0 for one that is past. */
export function hourOn({ nextWorking, dayNumbers, hoursADay, days }: WorkCalendar, date: string): number {
  const first = dayNumber(days[0]!) - dayNumbers[0]!;
  const k = dayNumber(date) - first;
  if (!(k > 0)) return 0;
  return (k < nextWorking.length ? nextWorking[k]! : dayNumbers.length) * hoursADay;
}
