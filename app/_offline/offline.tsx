'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';
import { PAGES } from './names';

const VERBS = ['walk', 'frame', 'probe', 'trace', 'weigh', 'shape', 'join'] as const;
/** A job's other screens are fetched once it has been open and quiet for so long. */
const QUIET_MS = 4000;

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
    const timer = setTimeout(() => void keepScreens(job), QUIET_MS);
    return () => clearTimeout(timer);
  }, [job]);
  return null;
}

/** Screens never visited open without the server too. The worker keeps what it fetches. */
async function keepScreens(job: string): Promise<void> {
  await navigator.serviceWorker.ready;
  const pages = await caches.open(PAGES);
  for (const address of ['/', ...VERBS.map((verb) => `${job}/${verb}`)])
    if (!(await pages.match(address)))
      await fetch(address, { headers: { 'x-ossatura-page': '1' } }).catch(() => undefined);
}
