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
  readonly load: () => Promise<{ waiting: Parcel[]; arrived: Parcel[]; notTaken: NotTaken[] }>;
  readonly hold: (parcel: Parcel) => Promise<boolean>;
  /** It reached the server: it stays to be put on top of records that do not hold it yet, until it is released. */
  readonly arrive: (parcel: Parcel) => Promise<void>;
  readonly release: (parcel: Parcel) => Promise<void>;
  /** Moves it from what waits to what was not taken. */
  readonly setAside: (notTaken: NotTaken) => Promise<boolean>;
  readonly discard: (parcel: Parcel) => Promise<void>;
}

const REFUSED = 'not taken ';
/** Stands beside a parcel that reached the server. A program that does not know of it sends the parcel again: it is still one record. */
const ARRIVED = 'arrived ';
/** Sorts in the order of sending; the id keeps two tabs that count alike apart. */
const keyOf = ({ number, id }: Parcel): string => `${String(number).padStart(12, '0')} ${id}`;

const refusedKey = ({ id }: Parcel): string => `${REFUSED}${id}`;
const arrivedKey = ({ id }: Parcel): string => `${ARRIVED}${id}`;

/** What lies in the store: parcels in their order, the marks beside those that arrived, and the names of those that an earlier program wrote. */
function sortedOut(entriesFound: readonly [string, unknown][]) {
  const parcels: Parcel[] = [];
  const notTaken: NotTaken[] = [];
  const reached = new Set<string>();
  const renamed = new Map<string, string>();
  for (const [key, raw] of [...entriesFound].sort(([a], [b]) => (a < b ? -1 : 1))) {
    if (key.startsWith(ARRIVED)) reached.add(key.slice(ARRIVED.length));
    else if (key.startsWith(REFUSED)) notTaken.push(raw as NotTaken);
    else {
      const parcel = readParcel(raw, parcels.length + 1);
      if (!parcel) continue;
      if (keyOf(parcel) !== key) renamed.set(parcel.id, key);
      parcels.push(parcel);
    }
  }
  return { parcels, notTaken, reached, renamed };
}

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
    const keys = [keyOf(parcel), arrivedKey(parcel), ...(earlier === undefined ? [] : [earlier])];
    await Promise.all(keys.map(remove));
  };
  return {
    load: async () => {
      const { parcels, reached, notTaken, renamed } = sortedOut(await read());
      renamed.forEach((key, id) => earlierKeys.set(id, key));
      const isHere = new Set(parcels.map(({ id }) => id));
      return {
        waiting: parcels.filter(({ id }) => !reached.has(id)),
        arrived: parcels.filter(({ id }) => reached.has(id)),
        notTaken: notTaken.filter(({ parcel }) => !isHere.has(parcel.id)),
      };
    },
    hold: (parcel) => write(keyOf(parcel), parcel),
    arrive: async (parcel) => {
      if (!(await write(arrivedKey(parcel), true))) await release(parcel);
    },
    release,
    setAside: async (notTaken) => {
      const isThere = await write(refusedKey(notTaken.parcel), notTaken);
      if (isThere) await release(notTaken.parcel);
      return isThere;
    },
    discard: (parcel) => remove(refusedKey(parcel)),
  };
}
