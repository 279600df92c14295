import { fateOf, NO_ANSWER, type Fate } from './answer';
import { keepingWords } from './keeping-words';
import { createOutbox, type Means } from './outbox';
import type { Draft, Parcel } from './parcel';
import type { NotTaken, Shelf } from './shelf';

/** A shelf that outlives pages, and can be broken. */
function memoryShelf() {
  const waiting = new Map<string, Parcel>();
  const arrived = new Map<string, Parcel>();
  const refused = new Map<string, NotTaken>();
  const state = { isBroken: false };
  const inOrder = (parcels: Map<string, Parcel>) => [...parcels.values()].sort((a, b) => a.number - b.number);
  const shelf: Shelf = {
    load: async () => ({
      waiting: inOrder(waiting),
      arrived: inOrder(arrived),
      notTaken: [...refused.values()].filter(({ parcel }) => !waiting.has(parcel.id)),
    }),
    hold: async (parcel) => !state.isBroken && Boolean(waiting.set(parcel.id, parcel)),
    arrive: async (parcel) => {
      waiting.delete(parcel.id);
      if (!state.isBroken) arrived.set(parcel.id, parcel);
    },
    release: async ({ id }) => void [waiting, arrived].forEach((each) => each.delete(id)),
    setAside: async (item) => {
      if (state.isBroken) return false;
      refused.set(item.parcel.id, item);
      waiting.delete(item.parcel.id);
      return true;
    },
    discard: async ({ id }) => void refused.delete(id),
  };
  return { shelf, state, waiting, arrived, refused };
}

const reading = (id: string, jobId = 'j'): Draft => ({
  kind: 'evidence',
  id,
  jobId,
  body: { evidence: [{ id }] },
});
const photo = (id: string): Draft => ({ kind: 'photo', id, jobId: 'j', body: {}, file: new Blob(['x']) });
const strike = (id: string, evidenceId: string): Draft => ({
  kind: 'strike',
  id,
  jobId: 'j',
  body: { id, evidenceId, why: 'slip', by: 'RK', at: '2026-01-01T00:00:00Z' },
});

const KEPT: Fate = { fate: 'kept' };
const refusal = (code: 'invalid' | 'conflict' = 'invalid'): Fate => ({
  fate: 'refused',
  problem: { code, message: 'no', kept: 'all' },
});

/** A page with its outbox, on a shelf, before a server that answers by `answer`. */
function page(
  answer: (parcel: Parcel) => Fate | Promise<Fate>,
  more: Partial<Means> = {},
  on = memoryShelf(),
) {
  const posted: string[] = [];
  const outbox = createOutbox({
    shelf: on.shelf,
    post: async (parcel) => {
      posted.push(parcel.id);
      return answer(parcel);
    },
    books: () => 'ours',
    now: () => '2026-01-01T00:00:00Z',
    ...more,
  });
  return { outbox, posted, on };
}

test('nothing is said to be kept before it is known what an earlier page left', async () => {
  const { outbox } = page(() => KEPT);
  expect(outbox.keeping().state).toBe('looking');
  await outbox.start();
  expect(outbox.keeping().state).toBe('kept');
});

test('sent in the order of recording, whatever the clock says', async () => {
  const { outbox, posted, on } = page(() => KEPT);
  await Promise.all(['a', 'b', 'c'].map((id) => outbox.send(reading(id))));
  expect(posted).toEqual(['a', 'b', 'c']);
  expect(outbox.keeping()).toMatchObject({ state: 'kept', waiting: 0 });
  expect(on.waiting.size).toBe(0);
});

test('no answer: all stays, on the next page too, and goes in order once the server is back', async () => {
  const on = memoryShelf();
  const first = page(() => NO_ANSWER, {}, on);
  for (const id of ['a', 'b']) await first.outbox.send(reading(id));
  await first.outbox.send(strike('s', 'a'));
  expect(first.outbox.keeping()).toMatchObject({ state: 'held here', waiting: 3, onThisPageOnly: 0 });
  const second = page(() => KEPT, {}, on);
  const early = second.outbox.send(reading('c'));
  await second.outbox.start();
  await early;
  expect(second.posted).toEqual(['a', 'b', 's', 'c']);
  expect(on.waiting.size).toBe(0);
});

test('what reached the server is told, job by job, until an answer asked for afterwards holds it', async () => {
  const { outbox } = page(({ id }) => (id === 'lost' ? refusal() : KEPT));
  for (const id of ['a', 'lost', 'b']) await outbox.send(reading(id));
  await outbox.send(reading('elsewhere', 'other'));
  const ids = (jobId: string) => outbox.arrivedFor(jobId).map(({ id }) => id);
  expect([ids('j'), ids('other')]).toEqual([['a', 'b'], ['elsewhere']]);
  const before = outbox.arrivedFor('j');
  await outbox.send(reading('c'));
  outbox.seen(before);
  expect([ids('j'), ids('other')]).toEqual([['c'], ['elsewhere']]);
});

describe('what reached the server and no answer held before the page was closed', () => {
  const closed = async (...drafts: Draft[]) => {
    const on = memoryShelf();
    const { outbox } = page(() => KEPT, {}, on);
    await outbox.start();
    for (const draft of drafts) await outbox.send(draft);
    return { on, outbox };
  };
  const opened = async (on: ReturnType<typeof memoryShelf>, books?: string) => {
    const next = page(() => NO_ANSWER, books === undefined ? {} : { books: () => books }, on);
    await next.outbox.start();
    return next;
  };

  test('is there on the next page, is not sent again, and counts as kept', async () => {
    const { on } = await closed(reading('a'), photo('p'));
    const { outbox, posted } = await opened(on);
    expect(outbox.arrivedFor('j').map(({ id }) => id)).toEqual(['a', 'p']);
    expect(outbox.heldFile('p')?.size).toBe(1);
    expect(posted).toEqual([]);
    expect(outbox.keeping()).toMatchObject({ state: 'kept', waiting: 0 });
  });
  test('goes before what is recorded there', async () => {
    const { on } = await closed(reading('a'), reading('b'));
    const { outbox } = await opened(on);
    await outbox.send(reading('c'));
    expect(on.waiting.get('c')!.number).toBeGreaterThan(on.arrived.get('b')!.number);
  });
  test('is gone for good once an answer holds it, whichever page asked', async () => {
    const { on } = await closed(reading('a'), reading('elsewhere', 'other'));
    const second = await opened(on);
    second.outbox.seen(second.outbox.arrivedFor('j'));
    expect([...on.arrived.keys()]).toEqual(['elsewhere']);
    expect((await opened(on)).outbox.arrivedFor('j')).toEqual([]);
  });
  test('is not laid over another set of records behind the same address', async () => {
    const { on } = await closed(reading('a'));
    expect((await opened(on, 'others')).outbox.arrivedFor('j')).toEqual([]);
    expect(on.arrived.size).toBe(0);
  });
  test('an answer that holds it before the browser has noted it leaves nothing behind', async () => {
    const on = memoryShelf();
    const { outbox } = page(() => KEPT, {}, on);
    outbox.onArrived((parcel) => outbox.seen([parcel]));
    await outbox.start();
    await outbox.send(reading('a'));
    expect([on.arrived.size, on.waiting.size]).toEqual([0, 0]);
  });
  test('what the browser could not hold is not noted either', async () => {
    const on = memoryShelf();
    on.state.isBroken = true;
    const { outbox } = page(() => KEPT, {}, on);
    await outbox.start();
    outbox.onArrived(() => (on.state.isBroken = false));
    await outbox.send(reading('a'));
    expect(on.arrived.size).toBe(0);
    expect(outbox.arrivedFor('j')).toHaveLength(1);
  });
});

test('a parcel is never sent twice at once, though many ask', async () => {
  let most = 0;
  let now = 0;
  const { outbox, posted } = page(async () => {
    most = Math.max(most, ++now);
    await Promise.resolve();
    now--;
    return KEPT;
  });
  await Promise.all([outbox.send(reading('a')), outbox.retry(), outbox.start(), outbox.retry()]);
  expect(posted).toEqual(['a']);
  expect(most).toBe(1);
});

test('a true refusal goes to the shelf with its reason, the rest goes on, and it is still there on the next page', async () => {
  const on = memoryShelf();
  const { outbox, posted } = page(({ id }) => (id === 'bad' ? refusal() : KEPT), {}, on);
  const heard: string[] = [];
  outbox.onRefused(({ parcel }) => heard.push(parcel.id));
  await outbox.start();
  for (const id of ['a', 'bad', 'b']) await outbox.send(reading(id));
  expect(posted).toEqual(['a', 'bad', 'b']);
  expect(heard).toEqual(['bad']);
  expect(outbox.keeping().notTaken.map(({ parcel }) => parcel.id)).toEqual(['bad']);
  const next = page(() => KEPT, {}, on);
  await next.outbox.start();
  expect(next.outbox.keeping()).toMatchObject({ state: 'kept', notTaken: [{ problem: { message: 'no' } }] });
  expect(next.posted).toEqual([]);
});

test('mended it is sent again and leaves the shelf; refused again it is back; thrown away it is gone', async () => {
  const on = memoryShelf();
  let fate = refusal();
  const { outbox } = page(() => fate, {}, on);
  await outbox.send(reading('bad'));
  await outbox.sendAgain(outbox.keeping().notTaken[0]!);
  expect(outbox.keeping().notTaken).toHaveLength(1);
  fate = KEPT;
  await outbox.sendAgain(outbox.keeping().notTaken[0]!, reading('good'));
  expect(outbox.keeping()).toMatchObject({ state: 'kept', notTaken: [] });
  expect(on.refused.size).toBe(0);
  fate = refusal('conflict');
  await outbox.send(reading('worse'));
  await outbox.discard(outbox.keeping().notTaken[0]!);
  expect(on.refused.size).toBe(0);
  expect(outbox.keeping().notTaken).toEqual([]);
});

test('a picture on its way holds up no reading; a strike of that picture waits for it', async () => {
  let isUp = false;
  const { outbox, posted } = page(({ kind }) => (kind === 'photo' && !isUp ? NO_ANSWER : KEPT));
  await outbox.start();
  await outbox.send(photo('p'));
  await outbox.send(strike('s', 'p'));
  await outbox.send(reading('a'));
  expect(posted.filter((id) => id !== 'p')).toEqual(['a']);
  isUp = true;
  await outbox.retry();
  expect(posted.slice(-2)).toEqual(['p', 's']);
  expect(outbox.keeping().state).toBe('kept');
});

test('one job in trouble holds up no other', async () => {
  const { outbox, posted } = page(({ jobId }) => (jobId === 'j' ? NO_ANSWER : KEPT));
  await outbox.send(reading('a'));
  await outbox.send(reading('b', 'other'));
  expect(posted).toContain('b');
  expect(outbox.keeping()).toMatchObject({ state: 'held here', waiting: 1 });
});

test('storage blocked or full: it says so until it is safe or sent', async () => {
  const on = memoryShelf();
  on.state.isBroken = true;
  let fate: Fate = NO_ANSWER;
  const { outbox } = page(() => fate, {}, on);
  await outbox.send(reading('a'));
  expect(outbox.keeping()).toMatchObject({ state: 'held here', onThisPageOnly: 1 });
  expect(keepingWords(outbox.keeping())).toBe('offline: 1 held here; not safe if you close this page');
  on.state.isBroken = false;
  await outbox.retry();
  expect(outbox.keeping().onThisPageOnly).toBe(0);
  expect(keepingWords(outbox.keeping())).toBe('offline: 1 held here');
  fate = KEPT;
  await outbox.retry();
  expect(outbox.keeping()).toMatchObject({ state: 'kept', waiting: 0, onThisPageOnly: 0 });
});

test('refused where nothing can be stored, it lies on this page only, and says so until it is thrown away', async () => {
  const on = memoryShelf();
  on.state.isBroken = true;
  const { outbox } = page(() => refusal(), {}, on);
  await outbox.send(reading('bad'));
  expect(outbox.keeping()).toMatchObject({ state: 'kept', onThisPageOnly: 1, notTaken: [{}] });
  expect(keepingWords(outbox.keeping())).toBe('not taken; not safe if you close this page');
  await outbox.discard(outbox.keeping().notTaken[0]!);
  expect(outbox.keeping()).toMatchObject({ onThisPageOnly: 0, notTaken: [] });
  expect(keepingWords(outbox.keeping())).toBe('kept');
});

test('a parcel says which records it is meant for', async () => {
  const seen: (string | undefined)[] = [];
  const { outbox } = page((parcel) => {
    seen.push(parcel.books);
    return KEPT;
  });
  await outbox.send(reading('a'));
  expect(seen).toEqual(['ours']);
});

describe('what an answer means', () => {
  const json = (status: number, body: unknown) => Response.json(body, { status });
  const problem = (code: string) => ({ ok: false, problem: { code, message: 'm', kept: 'k' } });
  const redirected = () => {
    const response = json(200, { ok: true, value: null });
    Object.defineProperty(response, 'redirected', { value: true });
    return response;
  };
  test.each<[string, Response, Fate['fate'], string | undefined]>([
    ['it says it is kept', json(200, { ok: true, value: null }), 'kept', undefined],
    ['a login page', new Response('<html>', { status: 200 }), 'held', 'not this program'],
    ['a redirect that ended in JSON', redirected(), 'held', 'not this program'],
    ['200 and nothing', new Response('', { status: 200 }), 'held', 'not this program'],
    ['200 and other JSON', json(200, { status: 'fine' }), 'held', 'not this program'],
    ['500 in words', json(500, problem('failed')), 'held', 'server'],
    ['500 without', new Response('oops', { status: 500 }), 'held', 'not this program'],
    ['503: locked, full', json(503, problem('unavailable')), 'held', 'server'],
    ['409: other records', json(409, problem('other-records')), 'held', 'server'],
    ['401: the shop’s key', json(401, problem('not-allowed')), 'held', 'server'],
    ['429', json(429, problem('too-many')), 'held', 'server'],
    ['a bad message', json(400, problem('unreadable')), 'held', 'server'],
    ['401 without a reason', new Response('', { status: 401 }), 'held', 'not this program'],
    ['403 without', new Response('', { status: 403 }), 'held', 'not this program'],
    ['404 without', new Response('<h1>404</h1>', { status: 404 }), 'held', 'not this program'],
    ['413 without', new Response('', { status: 413 }), 'held', 'not this program'],
    ['429 without', new Response('', { status: 429 }), 'held', 'not this program'],
    ['a refusal on a 200', json(200, problem('invalid')), 'held', 'server'],
    ['invalid', json(422, problem('invalid')), 'refused', undefined],
    ['conflict', json(409, problem('conflict')), 'refused', undefined],
    ['stale', json(409, problem('stale')), 'refused', undefined],
    ['no such job', json(404, problem('not-found')), 'refused', undefined],
    ['too large', json(413, problem('too-large')), 'refused', undefined],
  ])('%s', async (_, response, fate, why) => {
    const read = await fateOf(response);
    expect(read.fate).toBe(fate);
    expect(read.fate === 'held' ? read.held.why : undefined).toBe(why);
  });
});
