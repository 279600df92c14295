import { format } from 'date-fns';

/** Names the zone. Making one takes some fifty times as long as asking it (measured), and a table has many rows; a device that travels gets another. */
let namer: { readonly offset: number; readonly format: Intl.DateTimeFormat } | undefined;
function zoneNamer(): Intl.DateTimeFormat {
  const offset = new Date().getTimezoneOffset();
  if (namer?.offset !== offset)
    namer = { offset, format: new Intl.DateTimeFormat('en', { timeZoneName: 'short' }) };
  return namer.format;
}

/** The zone's short name at an instant, as the device has it: EST, GMT+1. */
const zoneOf = (at: Date): string =>
  zoneNamer()
    .formatToParts(at)
    .find((part) => part.type === 'timeZoneName')?.value ?? '';

/** An instant in the zone of whoever reads it, named; a day alone needs no zone. */
export function localTime(at: string, only?: 'day'): string {
  const date = new Date(at);
  return only === 'day' ? format(date, 'yyyy-MM-dd') : `${format(date, 'yyyy-MM-dd HH:mm')} ${zoneOf(date)}`;
}

/** The calendar day where whoever reads it is, yyyy-mm-dd. */
export const today = (): string => localTime(new Date().toISOString(), 'day');
