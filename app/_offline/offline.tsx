'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';
import { PAGES } from './names';

const VERBS = [
  'answers',
  'walk',
  'frame',
  'probe',
  'trace',
  'weigh',
  'shape',
  'join',
  'join/rail',
  'order',
  'prove',
  'order/rail',
] as const;
/** A job's other screens are fetched once it has been open and quiet for so long. */
const QUIET_MS = 4000;
/** A server that is busy, or a network that comes and goes, is asked again so often. */
const TRIES = 30;

/** Makes the program start without its server: its parts are kept on the device, and every screen of a job that was opened. Over plain HTTP browsers forbid it. */
export function Offline() {
  const path = usePathname();
  const job = /^\/jobs\/[^/]+/.exec(path)?.[0];
  useEffect(() => {
    // A development server changes its parts all the time: nothing of it is kept.
    if (process.env.NODE_ENV !== 'production') return;
    if (!('serviceWorker' in navigator) || !window.isSecureContext) return;
    void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  }, []);
  useEffect(() => {
    if (!job || !('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    let timer: ReturnType<typeof setTimeout>;
    const again = (left: number) => {
      timer = setTimeout(async () => {
        if (!(await keepScreens(job)) && left > 0) again(left - 1);
      }, QUIET_MS);
    };
    again(TRIES);
    return () => clearTimeout(timer);
  }, [job]);
  return null;
}

/** Screens never visited open without the server too. The worker keeps what it fetches; false while some are not kept. */
async function keepScreens(job: string): Promise<boolean> {
  await navigator.serviceWorker.ready;
  const pages = await caches.open(PAGES);
  for (const address of ['/', ...VERBS.map((verb) => `${job}/${verb}`)])
    if (!(await pages.match(address)))
      await fetch(address, { headers: { 'x-ossatura-page': '1' } }).catch(() => undefined);
  const kept = await Promise.all(VERBS.map((verb) => pages.match(`${job}/${verb}`)));
  return kept.every(Boolean);
}
