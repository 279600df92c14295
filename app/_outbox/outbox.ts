import type { Problem } from '@/core/exchange';
import type { Fate, Held } from './answer';
import { laneOf, PARCEL_VERSION, waitsFor, type Draft, type Parcel } from './parcel';
import type { NotTaken, Shelf } from './shelf';

/** How the writes of this browser stand. */
export interface Keeping {
  /** `kept` is said only of what is on the server's disk. */
  readonly state: 'looking' | 'kept' | 'sending' | 'held here';
  readonly waiting: number;
  /** How many of them lie on this page only: closing it would lose them. */
  readonly onThisPageOnly: number;
  readonly held?: Held;
  readonly notTaken: readonly NotTaken[];
}
export const LOOKING: Keeping = { state: 'looking', waiting: 0, onThisPageOnly: 0, notTaken: [] };

export interface Outbox {
  /** Takes up what an earlier page left behind, and tries again from time to time. Once a page. */
  readonly start: () => Promise<void>;
  /** Holds a write in the browser, then sends it, in order, until the server says it is on its disk. */
  readonly send: (draft: Draft) => Promise<void>;
  readonly retry: () => Promise<void>;
  /** Sends what was refused again, as it was or mended. */
  readonly sendAgain: (notTaken: NotTaken, mended?: Draft) => Promise<void>;
  readonly discard: (notTaken: NotTaken) => Promise<void>;
  readonly waitingFor: (jobId: string) => readonly Parcel[];
  readonly heldFile: (id: string) => Blob | undefined;
  readonly keeping: () => Keeping;
  readonly onKeeping: (listener: () => void) => () => void;
  readonly onArrived: (listener: (parcel: Parcel) => unknown) => () => void;
  readonly onRefused: (listener: (notTaken: NotTaken) => unknown) => () => void;
}

/** What an outbox works with; given in, so that it can be tried without a browser. */
export interface Means {
  readonly shelf: Shelf;
  readonly post: (parcel: Parcel) => Promise<Fate>;
  /** The set of records this page was made from. */
  readonly books: () => string | undefined;
  readonly now: () => string;
}

/** Many listeners to one piece of news. */
function listeners<News>() {
  const all = new Set<(news: News) => unknown>();
  return {
    tell: (news: News) => all.forEach((listener) => listener(news)),
    add: (listener: (news: News) => unknown) => {
      all.add(listener);
      return () => void all.delete(listener);
    },
  };
}

export function createOutbox({ shelf, post, books, now }: Means): Outbox {
  let waiting: readonly Parcel[] = [];
  let notTaken: readonly NotTaken[] = [];
  let keeping = LOOKING;
  let last = 0;
  let isLoaded = false;
  let started: Promise<void> | undefined;
  const unsafe = new Set<string>();
  const running = new Set<string>();
  const held = new Map<string, Held>();
  const [arrived, refused, changed] = [listeners<Parcel>(), listeners<NotTaken>(), listeners<void>()];

  function show(): void {
    const why = [...held.values()][0];
    const state =
      !isLoaded && waiting.length === 0
        ? 'looking'
        : waiting.length === 0
          ? 'kept'
          : running.size === 0 && why
            ? 'held here'
            : 'sending';
    keeping = {
      state,
      waiting: waiting.length,
      onThisPageOnly: unsafe.size,
      ...(why && waiting.length > 0 && { held: why }),
      notTaken,
    };
    changed.tell();
  }

  async function hold(parcel: Parcel): Promise<void> {
    const isSafe = await shelf.hold(parcel);
    // It may have arrived meanwhile: then nothing of it must stay behind.
    if (!waiting.includes(parcel)) return shelf.release(parcel);
    if (isSafe) unsafe.delete(parcel.id);
    show();
  }

  const mustWait = (parcel: Parcel) => waiting.some((other) => other !== parcel && waitsFor(parcel, other));
  const next = (lane: string) => waiting.find((parcel) => laneOf(parcel) === lane && !mustWait(parcel));

  async function runLane(lane: string): Promise<void> {
    if (running.has(lane)) return;
    running.add(lane);
    show();
    try {
      for (let parcel = next(lane); parcel; parcel = next(lane)) {
        const fate = await post(parcel);
        if (fate.fate === 'held') {
          held.set(lane, fate.held);
          return;
        }
        held.delete(lane);
        await (fate.fate === 'refused' ? setAside(parcel, fate.problem) : settle(parcel));
      }
      held.delete(lane);
    } finally {
      running.delete(lane);
      show();
    }
  }

  function leave(parcel: Parcel): void {
    waiting = waiting.filter((each) => each !== parcel);
    unsafe.delete(parcel.id);
  }
  /** No longer waiting and arrived in one breath: whoever puts the two together must not miss it between them. */
  async function settle(parcel: Parcel): Promise<void> {
    leave(parcel);
    arrived.tell(parcel);
    await Promise.all([shelf.release(parcel), shelf.discard(parcel)]);
  }
  async function setAside(parcel: Parcel, problem: Problem): Promise<void> {
    const item = { parcel, problem, at: now() };
    leave(parcel);
    notTaken = [...notTaken, item];
    // Where storage is blocked or full it lies on this page only, like anything else.
    if (!(await shelf.setAside(item))) unsafe.add(parcel.id);
    refused.tell(item);
  }

  async function drain(): Promise<void> {
    await Promise.all([...new Set(waiting.map(laneOf))].map(runLane));
    show();
    // A strike that waited for a picture's lane may go now.
    const isFreed = waiting.some((parcel) => !held.has(laneOf(parcel)) && !mustWait(parcel));
    if (isFreed && running.size === 0) await drain();
  }

  /** What was sent before this was known is counted after what an earlier page left. */
  async function load(): Promise<void> {
    const found = await shelf.load();
    last = found.waiting.reduce((most, { number }) => Math.max(most, number), 0);
    const early = waiting.map((parcel) => ({ ...parcel, number: ++last }) as Parcel);
    waiting = [...found.waiting.filter(({ id }) => !early.some((each) => each.id === id)), ...early];
    notTaken = found.notTaken;
    isLoaded = true;
    show();
    await Promise.all(early.map(hold));
  }
  const start = () => (started ??= load().then(drain));

  async function send(draft: Draft): Promise<void> {
    const place = books();
    const parcel = {
      ...draft,
      version: PARCEL_VERSION,
      number: isLoaded ? ++last : 0,
      ...(place !== undefined && { books: place }),
    } as Parcel;
    unsafe.add(parcel.id);
    waiting = [...waiting, parcel];
    show();
    if (!isLoaded) return start();
    await hold(parcel);
    await drain();
  }

  async function retry(): Promise<void> {
    await Promise.all(waiting.filter(({ id, number }) => number > 0 && unsafe.has(id)).map(hold));
    await drain();
  }

  async function sendAgain(item: NotTaken, mended?: Draft): Promise<void> {
    notTaken = notTaken.filter((each) => each !== item);
    await send(mended ?? item.parcel);
    if (mended && mended.id !== item.parcel.id) await shelf.discard(item.parcel);
  }

  return {
    start,
    send,
    retry,
    sendAgain,
    discard: async (item) => {
      notTaken = notTaken.filter((each) => each !== item);
      unsafe.delete(item.parcel.id);
      await shelf.discard(item.parcel);
      show();
    },
    waitingFor: (jobId) => waiting.filter((parcel) => parcel.jobId === jobId),
    heldFile: (id) => {
      const parcel = waiting.find((each) => each.id === id);
      return parcel?.kind === 'photo' ? parcel.file : undefined;
    },
    keeping: () => keeping,
    onKeeping: changed.add,
    onArrived: arrived.add,
    onRefused: refused.add,
  };
}
