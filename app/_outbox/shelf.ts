import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import type { Problem } from '@/core/exchange';
import { readParcel } from './held-before';
import type { Parcel } from './parcel';

/** A parcel the server refused for what it says. It stays until somebody mends it or throws it away. */
export interface NotTaken {
  readonly parcel: Parcel;
  readonly problem: Problem;
  readonly at: string;
}

/** Where parcels lie in the browser. Every write says whether it is really there: storage can be blocked or full. */
export interface Shelf {
  readonly load: () => Promise<{ waiting: Parcel[]; notTaken: NotTaken[] }>;
  readonly hold: (parcel: Parcel) => Promise<boolean>;
  readonly release: (parcel: Parcel) => Promise<void>;
  /** Moves it from what waits to what was not taken. */
  readonly setAside: (notTaken: NotTaken) => Promise<boolean>;
  readonly discard: (parcel: Parcel) => Promise<void>;
}

const REFUSED = 'not taken ';
/** Sorts in the order of sending; the id keeps two tabs that count alike apart. */
const keyOf = ({ number, id }: Parcel): string => `${String(number).padStart(12, '0')} ${id}`;

const refusedKey = ({ id }: Parcel): string => `${REFUSED}${id}`;

/** The browser's own store, one entry a parcel, so that two tabs never write over each other's. */
export function browserShelf(): Shelf {
  let opened: UseStore | undefined;
  const store = () => (opened ??= createStore('ossatura', 'outbox'));
  /** Entries an earlier program wrote lie under names of its own. */
  const earlierKeys = new Map<string, string>();
  const write = (key: string, value: unknown) =>
    Promise.resolve()
      .then(() => set(key, value, store()))
      .then(
        () => true,
        () => false,
      );
  const remove = (key: string) =>
    Promise.resolve()
      .then(() => del(key, store()))
      .catch(() => undefined);
  const read = () =>
    Promise.resolve()
      .then(() => entries<string, unknown>(store()))
      .catch(() => []);
  const release = async (parcel: Parcel) => {
    const earlier = earlierKeys.get(parcel.id);
    await Promise.all([keyOf(parcel), ...(earlier === undefined ? [] : [earlier])].map(remove));
  };
  return {
    load: async () => {
      const found = (await read()).sort(([a], [b]) => (a < b ? -1 : 1));
      const waiting: Parcel[] = [];
      const notTaken: NotTaken[] = [];
      for (const [key, raw] of found) {
        if (key.startsWith(REFUSED)) {
          notTaken.push(raw as NotTaken);
          continue;
        }
        const parcel = readParcel(raw, waiting.length + 1);
        if (!parcel) continue;
        if (keyOf(parcel) !== key) earlierKeys.set(parcel.id, key);
        waiting.push(parcel);
      }
      const isWaiting = new Set(waiting.map(({ id }) => id));
      return { waiting, notTaken: notTaken.filter(({ parcel }) => !isWaiting.has(parcel.id)) };
    },
    hold: (parcel) => write(keyOf(parcel), parcel),
    release,
    setAside: async (notTaken) => {
      const isThere = await write(refusedKey(notTaken.parcel), notTaken);
      if (isThere) await release(notTaken.parcel);
      return isThere;
    },
    discard: (parcel) => remove(refusedKey(parcel)),
  };
}
