import { ask, tell } from './ask';

const answering = (make: () => Promise<Partial<Response>>) =>
  jest.spyOn(globalThis, 'fetch').mockImplementation(make as never);
const json = (body: unknown, more: Partial<Response> = {}) =>
  answering(() =>
    Promise.resolve({
      redirected: false,
      headers: new Headers(),
      json: () => Promise.resolve(body),
      ...more,
    }),
  );
afterEach(() => jest.restoreAllMocks());

test('a value comes back as it was said', async () => {
  json({ ok: true, value: { id: 'j' } });
  expect(await ask('/api/x')).toEqual({ ok: true, value: { id: 'j' } });
});

test('it says when, and whether this device kept it since', async () => {
  const said = { ok: true, value: 1 };
  const date = 'Fri, 27 Nov 2026 10:00:00 GMT';
  json(said, { headers: new Headers({ date }) });
  expect(await ask('/api/x')).toEqual({ ...said, saidAt: '2026-11-27T10:00:00.000Z' });
  const keptAt = 'Fri, 27 Nov 2026 09:00:00 GMT';
  json(said, { headers: new Headers({ date, 'x-ossatura-kept-at': keptAt }) });
  expect(await ask('/api/x')).toEqual({ ...said, saidAt: '2026-11-27T09:00:00.000Z', stale: true });
});

test('what the server refuses comes back in its own words', async () => {
  const problem = { code: 'invalid', message: 'a wall over 50 mm is not a frame', kept: 'two readings' };
  json({ ok: false, problem });
  expect(await ask('/api/x')).toEqual({ ok: false, problem });
});

test('no server is a problem, not an exception, and what was typed is said to stand', async () => {
  answering(() => Promise.reject(new TypeError('Failed to fetch')));
  const answer = await ask('/api/x');
  expect(answer).toMatchObject({ ok: false, problem: { message: 'the server cannot be reached' } });
  expect(!answer.ok && answer.problem.kept).toContain('still on this page');
});

test.each([
  ['a page that is no JSON', () => Promise.reject(new SyntaxError('<'))],
  ['nothing', () => Promise.resolve(null)],
  ['a bare value', () => Promise.resolve({ id: 'j' })],
  ['a refusal without a reason', () => Promise.resolve({ ok: false, problem: {} })],
  ['a yes without a value', () => Promise.resolve({ ok: true })],
])('%s cannot be read', async (_, body) => {
  answering(() => Promise.resolve({ redirected: false, json: body }));
  expect(await ask('/api/x')).toMatchObject({
    ok: false,
    problem: { message: 'the server’s answer cannot be read' },
  });
});

test('a login page standing between is not taken for an answer, whatever it says', async () => {
  json({ ok: true, value: 1 }, { redirected: true });
  expect((await ask('/api/x')).ok).toBe(false);
});

test('telling sends JSON, and nothing is answered out of a cache', async () => {
  const fetched = json({ ok: true, value: 1 });
  await tell('/api/x', { stationMm: 5 });
  expect(fetched).toHaveBeenCalledWith('/api/x', {
    cache: 'no-store',
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{"stationMm":5}',
  });
});
