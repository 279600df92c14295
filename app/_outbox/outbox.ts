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
  /** What this browser brought to the server, on this page or an earlier one, until an answer asked for afterwards holds it: see `seen`. */
  readonly arrivedFor: (jobId: string) => readonly Parcel[];
  /** The server’s own answer holds these: they need not be put on top of it any more. */
  readonly seen: (parcels: readonly Parcel[]) => void;
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

export const createOutbox = (means: Means): Outbox => new Lanes(means);

/** Writes wait in lanes: in a lane one after the other, lanes beside one another, some for another lane's. */
class Lanes implements Outbox {
  private waiting: readonly Parcel[] = [];
  private reached: readonly Parcel[] = [];
  private notTaken: readonly NotTaken[] = [];
  private said = LOOKING;
  private last = 0;
  private isLoaded = false;
  private started: Promise<void> | undefined;
  private readonly unsafe = new Set<string>();
  private readonly running = new Set<string>();
  private readonly held = new Map<string, Held>();
  private readonly arrived = listeners<Parcel>();
  private readonly refused = listeners<NotTaken>();
  private readonly changed = listeners<void>();

  constructor(private readonly means: Means) {}

  readonly onArrived = this.arrived.add;
  readonly onRefused = this.refused.add;
  readonly onKeeping = this.changed.add;
  readonly keeping = () => this.said;
  readonly waitingFor = (jobId: string) => this.waiting.filter((parcel) => parcel.jobId === jobId);
  readonly arrivedFor = (jobId: string) => this.reached.filter((parcel) => parcel.jobId === jobId);
  readonly seen = (parcels: readonly Parcel[]) => {
    this.reached = this.reached.filter((parcel) => !parcels.includes(parcel));
    parcels.forEach((parcel) => void this.means.shelf.release(parcel));
  };
  readonly heldFile = (id: string) => {
    const parcel = [...this.waiting, ...this.reached].find((each) => each.id === id);
    return parcel?.kind === 'photo' ? parcel.file : undefined;
  };

  readonly start = () => (this.started ??= this.load().then(() => this.drain()));

  readonly send = async (draft: Draft): Promise<void> => {
    const place = this.means.books();
    const parcel = {
      ...draft,
      version: PARCEL_VERSION,
      number: this.isLoaded ? ++this.last : 0,
      ...(place !== undefined && { books: place }),
    } as Parcel;
    this.unsafe.add(parcel.id);
    this.waiting = [...this.waiting, parcel];
    this.show();
    if (!this.isLoaded) return this.start();
    await this.hold(parcel);
    await this.drain();
  };

  readonly retry = async (): Promise<void> => {
    const lying = this.waiting.filter(({ id, number }) => number > 0 && this.unsafe.has(id));
    await Promise.all(lying.map((parcel) => this.hold(parcel)));
    await this.drain();
  };

  readonly sendAgain = async (item: NotTaken, mended?: Draft): Promise<void> => {
    this.notTaken = this.notTaken.filter((each) => each !== item);
    await this.send(mended ?? item.parcel);
    if (mended && mended.id !== item.parcel.id) await this.means.shelf.discard(item.parcel);
  };

  readonly discard = async (item: NotTaken): Promise<void> => {
    this.notTaken = this.notTaken.filter((each) => each !== item);
    this.unsafe.delete(item.parcel.id);
    await this.means.shelf.discard(item.parcel);
    this.show();
  };

  private show(): void {
    const why = [...this.held.values()][0];
    this.said = {
      state: this.stateNow(why),
      waiting: this.waiting.length,
      onThisPageOnly: this.unsafe.size,
      ...(why && this.waiting.length > 0 && { held: why }),
      notTaken: this.notTaken,
    };
    this.changed.tell();
  }

  private stateNow(why: Held | undefined): Keeping['state'] {
    if (this.waiting.length === 0) return this.isLoaded ? 'kept' : 'looking';
    return this.running.size === 0 && why ? 'held here' : 'sending';
  }

  private async hold(parcel: Parcel): Promise<void> {
    const isSafe = await this.means.shelf.hold(parcel);
    // It may have arrived meanwhile: then nothing of it must stay behind.
    if (!this.waiting.includes(parcel)) return this.means.shelf.release(parcel);
    if (isSafe) this.unsafe.delete(parcel.id);
    this.show();
  }

  private mustWait(parcel: Parcel): boolean {
    return this.waiting.some((other) => other !== parcel && waitsFor(parcel, other));
  }
  private next(lane: string): Parcel | undefined {
    return this.waiting.find((parcel) => laneOf(parcel) === lane && !this.mustWait(parcel));
  }

  private async runLane(lane: string): Promise<void> {
    if (this.running.has(lane)) return;
    this.running.add(lane);
    this.show();
    try {
      for (let parcel = this.next(lane); parcel; parcel = this.next(lane)) {
        const fate = await this.means.post(parcel);
        if (fate.fate === 'held') {
          this.held.set(lane, fate.held);
          return;
        }
        this.held.delete(lane);
        await (fate.fate === 'refused' ? this.setAside(parcel, fate.problem) : this.settle(parcel));
      }
      this.held.delete(lane);
    } finally {
      this.running.delete(lane);
      this.show();
    }
  }

  private leave(parcel: Parcel): void {
    this.waiting = this.waiting.filter((each) => each !== parcel);
    this.unsafe.delete(parcel.id);
  }
  /** No longer waiting and arrived in one breath: whoever puts the two together must not miss it between them. */
  private async settle(parcel: Parcel): Promise<void> {
    const isOnShelf = !this.unsafe.has(parcel.id);
    this.leave(parcel);
    this.reached = [...this.reached, parcel];
    this.arrived.tell(parcel);
    const { shelf } = this.means;
    await Promise.all([isOnShelf ? shelf.arrive(parcel) : shelf.release(parcel), shelf.discard(parcel)]);
    // An answer may have held it meanwhile: then nothing of it must stay behind.
    if (!this.reached.includes(parcel)) await shelf.release(parcel);
  }
  private async setAside(parcel: Parcel, problem: Problem): Promise<void> {
    const item = { parcel, problem, at: this.means.now() };
    this.leave(parcel);
    this.notTaken = [...this.notTaken, item];
    // Where storage is blocked or full it lies on this page only, like anything else.
    if (!(await this.means.shelf.setAside(item))) this.unsafe.add(parcel.id);
    this.refused.tell(item);
  }

  private async drain(): Promise<void> {
    await Promise.all([...new Set(this.waiting.map(laneOf))].map((lane) => this.runLane(lane)));
    this.show();
    // A strike that waited for a picture's lane may go now.
    const isFreed = this.waiting.some((parcel) => !this.held.has(laneOf(parcel)) && !this.mustWait(parcel));
    if (isFreed && this.running.size === 0) await this.drain();
  }

  /** What was sent before this was known is counted after what an earlier page left. */
  private async load(): Promise<void> {
    const { shelf, books } = this.means;
    const found = await shelf.load();
    this.last = [...found.waiting, ...found.arrived].reduce((most, { number }) => Math.max(most, number), 0);
    const place = books();
    const isOurs = (parcel: Parcel) => [undefined, place].includes(parcel.books) || place === undefined;
    this.reached = [...found.arrived.filter(isOurs), ...this.reached];
    found.arrived.filter((parcel) => !isOurs(parcel)).forEach((parcel) => void shelf.release(parcel));
    const early = this.waiting.map((parcel) => ({ ...parcel, number: ++this.last }) as Parcel);
    this.waiting = [...found.waiting.filter(({ id }) => !early.some((each) => each.id === id)), ...early];
    this.notTaken = found.notTaken;
    this.isLoaded = true;
    this.show();
    await Promise.all(early.map((parcel) => this.hold(parcel)));
  }
}
