'use client';

import { useSyncExternalStore } from 'react';
import { localTime } from './local-time';

const never = () => () => undefined;

/** An instant as it is read on this device. Until the page is live the server's word for it is UTC, and says so. */
export function When({ at, only }: { at: string; only?: 'day' }) {
  const words = useSyncExternalStore(
    never,
    () => localTime(at, only),
    () => (only === 'day' ? at.slice(0, 10) : `${at.slice(0, 16).replace('T', ' ')} UTC`),
  );
  return <time dateTime={at}>{words}</time>;
}
