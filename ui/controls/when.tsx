'use client';

import { format } from 'date-fns';
import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

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

/** An instant as it is read on this device. Until the page is live the server's word for it is UTC, and says so. */
export function When({ at, only }: { at: string; only?: 'day' }) {
  const words = useSyncExternalStore(
    never,
    () => localTime(at, only),
    () => (only === 'day' ? at.slice(0, 10) : `${at.slice(0, 16).replace('T', ' ')} UTC`),
  );
  return <time dateTime={at}>{words}</time>;
}
