import { format } from 'date-fns';

/** The zone's short name at an instant, as the device has it: EST, GMT+1. */
const zoneOf = (at: Date): string =>
  new Intl.DateTimeFormat('en', { timeZoneName: 'short' })
    .formatToParts(at)
    .find((part) => part.type === 'timeZoneName')?.value ?? '';

/** An instant in the zone of whoever reads it, named; a day alone needs no zone. */
export function localTime(at: string, only?: 'day'): string {
  const date = new Date(at);
  return only === 'day' ? format(date, 'yyyy-MM-dd') : `${format(date, 'yyyy-MM-dd HH:mm')} ${zoneOf(date)}`;
}

/** The calendar day where whoever reads it is, yyyy-mm-dd. */
export const today = (): string => localTime(new Date().toISOString(), 'day');
