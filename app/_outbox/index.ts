'use client';

import { useEffect, useSyncExternalStore } from 'react';
import { fateOf, NO_ANSWER, type Fate } from './answer';
import { createOutbox, LOOKING, type Keeping, type Outbox } from './outbox';
import { addressOf, type Parcel } from './parcel';
import { browserShelf } from './shelf';

export type { Held } from './answer';
export type { Keeping } from './outbox';
export * from './parcel';
export type { NotTaken } from './shelf';

const RETRY_MS = 4000;
/** A server that has not answered by then is asked again; a picture may take longer over a shop's wireless. */
const TIMEOUT_MS = { record: 15_000, picture: 120_000 } as const;

function contentsOf(parcel: Parcel): RequestInit {
  if (parcel.kind !== 'photo')
    return { headers: { 'content-type': 'application/json' }, body: JSON.stringify(parcel.body) };
  const form = new FormData();
  form.set('record', JSON.stringify(parcel.body));
  form.set('file', parcel.file, 'photo');
  return { body: form };
}

async function post(parcel: Parcel): Promise<Fate> {
  const { headers, body } = contentsOf(parcel) as { headers?: Record<string, string>; body: BodyInit };
  try {
    const response = await fetch(addressOf(parcel), {
      method: 'POST',
      headers: { ...headers, ...(parcel.books !== undefined && { 'x-ossatura-records': parcel.books }) },
      body,
      signal: AbortSignal.timeout(parcel.kind === 'photo' ? TIMEOUT_MS.picture : TIMEOUT_MS.record),
    });
    return await fateOf(response);
  } catch {
    return NO_ANSWER;
  }
}

let outbox: Outbox | undefined;
/** This page's outbox. */
export const theOutbox = (): Outbox =>
  (outbox ??= createOutbox({
    shelf: browserShelf(),
    post,
    books: () => document.documentElement.dataset.records,
    now: () => new Date().toISOString(),
  }));

/** How the writes of this browser stand; keeps trying while the page is open, and asks before a page is closed that alone holds something. */
export function useKeeping(): Keeping {
  const keeping = useSyncExternalStore(
    (listener) => theOutbox().onKeeping(listener),
    () => theOutbox().keeping(),
    () => LOOKING,
  );
  useEffect(() => {
    void theOutbox().start();
    const retry = () => void theOutbox().retry();
    const timer = setInterval(retry, RETRY_MS);
    window.addEventListener('online', retry);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', retry);
    };
  }, []);
  const isUnsafe = keeping.onThisPageOnly > 0 && keeping.state !== 'sending';
  useEffect(() => {
    if (!isUnsafe) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isUnsafe]);
  return keeping;
}
