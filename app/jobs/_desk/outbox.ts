'use client';

import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import { useSyncExternalStore } from 'react';
import type { Problem } from '@/core/exchange';
import { readdressed } from './held-before';

/** One write on its way: held in the browser until the server has it on disk. */
export interface Parcel {
  readonly id: string;
  readonly url: string;
  readonly body: unknown;
  /** A photo's picture goes with its record, as a form. */ readonly file?: Blob;
}
export interface Refused {
  readonly parcel: Parcel;
  readonly problem: Problem;
}

export type Keeping = 'kept' | 'sending' | 'held here';
interface Outbox {
  state: Keeping;
  waiting: number;
  keptAt?: number;
}

/** One entry a parcel, so that two tabs never write over each other's; keys sort in the order of sending. */
let shelf: UseStore | undefined;
const store = (): UseStore => (shelf ??= createStore('ossatura', 'outbox'));
let sent = 0;
const keys = new WeakMap<Parcel, string>();

let outbox: Outbox = { state: 'kept', waiting: 0 };
let parcels: Parcel[] = [];
let draining = false;
let started: Promise<void> | undefined;
const listeners = new Set<() => void>();
const refusals = new Set<(refused: Refused) => void>();
const arrivals = new Set<(parcel: Parcel) => unknown>();

function show(state: Keeping): void {
  outbox = {
    state,
    waiting: parcels.length,
    ...(state === 'kept' ? { keptAt: Date.now() } : outbox.keptAt !== undefined && { keptAt: outbox.keptAt }),
  };
  listeners.forEach((listener) => listener());
}

/** Takes up what an earlier page left behind. Once a page. */
export function startOutbox(): Promise<void> {
  started ??= (async () => {
    const held = (await entries<string, Parcel>(store()).catch(() => []))
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, parcel]) => [key, readdressed(parcel)] as const);
    const left = held.filter(([, parcel]) => !parcels.some((mine) => mine.id === parcel.id));
    left.forEach(([key, parcel]) => keys.set(parcel, key));
    parcels = [...left.map(([, parcel]) => parcel), ...parcels];
    window.addEventListener('online', () => void drain());
    setInterval(() => void drain(), 4000);
    if (parcels.length) await drain();
  })();
  return started;
}

/** Holds a write in the browser, then sends it, in order, until the server answers. */
export async function send(url: string, id: string, body: unknown, file?: Blob): Promise<void> {
  const parcel: Parcel = { id, url, body, ...(file && { file }) };
  keys.set(parcel, `${new Date().toISOString()} ${String(sent++).padStart(6, '0')} ${id}`);
  parcels = [...parcels, parcel];
  show('sending');
  await set(keys.get(parcel)!, parcel, store()).catch(() => undefined);
  void drain();
}

async function drain(): Promise<void> {
  if (draining) return;
  draining = true;
  try {
    while (parcels.length) {
      const parcel = parcels[0]!;
      show('sending');
      const answer = await post(parcel);
      if (answer === 'unreachable') return show('held here');
      // No longer waiting and arrived in one breath: whoever puts the two together must not miss it between them.
      parcels = parcels.slice(1);
      if (answer === 'kept') arrivals.forEach((listener) => listener(parcel));
      await del(keys.get(parcel)!, store()).catch(() => undefined);
      if (answer !== 'kept') refusals.forEach((listener) => listener({ parcel, problem: answer }));
      if (parcels.length === 0) show('kept');
    }
  } finally {
    draining = false;
  }
}

async function post(parcel: Parcel): Promise<'kept' | 'unreachable' | Problem> {
  try {
    const response = await fetch(parcel.url, { method: 'POST', ...contentOf(parcel) });
    if (response.ok) return 'kept';
    if ([502, 503, 504].includes(response.status)) return 'unreachable';
    return ((await response.json()) as { problem: Problem }).problem;
  } catch {
    return 'unreachable';
  }
}

function contentOf({ body, file }: Parcel): RequestInit {
  if (!file) return { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
  const form = new FormData();
  form.set('record', JSON.stringify(body));
  form.set('file', file, 'photo');
  return { body: form };
}

/** Told when a write has reached the server's disk. */
export function onArrived(listener: (parcel: Parcel) => unknown): () => void {
  arrivals.add(listener);
  return () => void arrivals.delete(listener);
}

/** The picture of a photo that is still held here. */
export const heldFile = (id: string): Blob | undefined => parcels.find((parcel) => parcel.id === id)?.file;

export function onRefused(listener: (refused: Refused) => void): () => void {
  refusals.add(listener);
  return () => void refusals.delete(listener);
}

/** Writes for one job still waiting: shown as if kept, because they are, here. */
export const waitingFor = (jobId: string): readonly Parcel[] =>
  parcels.filter((parcel) => parcel.url.includes(jobId));

const AT_REST: Outbox = { state: 'kept', waiting: 0 };
export const useOutbox = (): Outbox =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    () => outbox,
    () => AT_REST,
  );
