/// <reference lib="webworker" />
import {
  CacheFirst,
  ExpirationPlugin,
  NetworkFirst,
  Serwist,
  type PrecacheEntry,
  type SerwistPlugin,
} from 'serwist';
import { EARLIER_READS, KEPT_AT, OURS, PAGES, READS } from './names';

declare const self: ServiceWorkerGlobalScope & { __SW_MANIFEST: (PrecacheEntry | string)[] };

/** Only this program's own answers are kept: a network's log-in page is not to be shown as a job. */
const onlyOurs: SerwistPlugin = {
  cacheWillUpdate: async ({ response }) =>
    response.ok && !response.redirected && response.headers.has(OURS) ? response : null,
};
/** A page or answer from this device's own store says when it was kept. */
const saysWhen: SerwistPlugin = {
  cachedResponseWillBeUsed: async ({ cachedResponse }) => {
    if (!cachedResponse) return cachedResponse;
    const headers = new Headers(cachedResponse.headers);
    headers.set(KEPT_AT, cachedResponse.headers.get('date') ?? '');
    return new Response(cachedResponse.body, { status: cachedResponse.status, headers });
  },
};
/** A job's screen is one page whatever member its address asks for; the Yard is another with every search. */
const oneAScreen: SerwistPlugin = {
  cacheKeyWillBeUsed: async ({ request }) =>
    new URL(request.url).pathname.startsWith('/jobs/') ? request.url.split('?')[0]! : request.url,
};

/** A server that has not answered by then is taken for gone; what was kept is shown, and says since when. */
const TIMEOUT_S = 6;
const A_MONTH_S = 30 * 24 * 3600;
const upToDate = (cacheName: string, more: readonly SerwistPlugin[] = []) =>
  new NetworkFirst({
    cacheName,
    networkTimeoutSeconds: TIMEOUT_S,
    plugins: [
      onlyOurs,
      saysWhen,
      ...more,
      new ExpirationPlugin({ maxEntries: 400, maxAgeSeconds: A_MONTH_S }),
    ],
  });

const isPage = (path: string) =>
  path === '/' || path === '/new' || /^\/jobs\/[^/]+(\/[a-z]+){0,2}$/.test(path);
const isRead = (path: string) => /^\/api\/(jobs\/[^/]+\/(records|earlier)|spots)$/.test(path);

/**
 * A web worker reads what it is to do from its own address. An answer kept under another address would take that from it: it gets the script
 * without one.
 */
async function workerScript(request: Request): Promise<Response> {
  const kept = await caches.match(request.url.split(/[?#]/)[0]!, { ignoreSearch: true });
  const { body, headers, status } = kept ?? (await fetch(request));
  return new Response(body, { status, headers });
}
self.addEventListener('fetch', (event) => {
  if (event.request.destination !== 'worker') return;
  event.respondWith(workerScript(event.request));
  event.stopImmediatePropagation();
});

// Pages of an earlier build ask for parts that are no longer kept: they are fetched anew.
self.addEventListener('activate', (event) =>
  event.waitUntil(Promise.all([PAGES, ...EARLIER_READS].map((name) => caches.delete(name)))),
);

new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin &&
        isPage(url.pathname) &&
        (request.mode === 'navigate' || request.headers.has('x-ossatura-page')),
      handler: upToDate(PAGES, [oneAScreen]),
    },
    {
      matcher: ({ url, sameOrigin, request }) =>
        sameOrigin && request.method === 'GET' && isRead(url.pathname),
      handler: upToDate(READS),
    },
    {
      // A picture is named by what is in it: it never changes.
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/api/photos/'),
      handler: new CacheFirst({
        cacheName: 'pictures',
        plugins: [onlyOurs, new ExpirationPlugin({ maxEntries: 600, maxAgeSeconds: A_MONTH_S })],
      }),
    },
  ],
}).addEventListeners();
