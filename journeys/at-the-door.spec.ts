import { randomUUID } from 'node:crypto';
import { expect, test } from './stage';

/** What a program (or a broken page) may send: each is refused in words, with its kind and place, and nothing changes. */
const problemOf = async (response: { status(): number; json(): Promise<unknown> }) => ({
  status: response.status(),
  ...((await response.json()) as { problem: { code: string; message: string; at?: string; kept: string } })
    .problem,
});

test('refusals are typed, name what and where, and leave everything as it was', async ({ request, jobs }) => {
  const job = `/api${jobs['GR-7']}`;
  const before = await (await request.get(`${job}/bundle`)).text();
  const reading = {
    kind: 'reading',
    version: 2,
    id: randomUUID(),
    memberId: 'rail-right',
    stationMm: 100,
    face: 'web',
    heightMm: 40,
    thicknessMm: 5,
    method: 'ultrasonic',
    by: 'RK',
    at: '2026-01-01T00:00:00.000Z',
    note: '',
  };
  const post = async (path: string, data: unknown) =>
    problemOf(
      await request.post(path, {
        data: Buffer.from(typeof data === 'string' ? data : JSON.stringify(data)),
        headers: { 'content-type': 'application/json' },
      }),
    );

  expect(await post(`/api/jobs/${randomUUID()}/evidence`, { evidence: [reading] })).toMatchObject({
    status: 404,
    code: 'not-found',
  });
  expect(await post(`${job}/evidence`, '{ not json')).toMatchObject({ status: 400, code: 'unreadable' });
  expect(await post(`${job}/evidence`, { evidence: [{ ...reading, thicknessMm: -1 }] })).toMatchObject({
    status: 422,
    code: 'invalid',
    at: 'evidence.0.thicknessMm',
  });
  expect(await post(`${job}/evidence`, { evidence: [{ ...reading, stationMm: 1e9 }] })).toMatchObject({
    status: 422,
    code: 'invalid',
    at: 'evidence.0.stationMm',
  });
  expect(await post(`${job}/evidence`, { evidence: [{ ...reading, memberId: 'nowhere' }] })).toMatchObject({
    status: 422,
    at: 'evidence.0.memberId',
  });
  expect(
    await post(`${job}/strikes`, {
      id: randomUUID(),
      evidenceId: randomUUID(),
      why: 'because',
      by: 'RK',
      at: reading.at,
    }),
  ).toMatchObject({ status: 404 });
  expect(await post(`${job}/frame`, { basedOn: 1, to: {}, by: 'RK', at: reading.at })).toMatchObject({
    status: 422,
    code: 'invalid',
  });
  expect(await post(`${job}/practice`, { basedOn: 1, to: {}, by: 'RK', at: reading.at })).toMatchObject({
    status: 422,
    code: 'invalid',
  });
  expect(await post(`${job}/evidence`, { evidence: [{ ...reading, kind: 'rumour' }] })).toMatchObject({
    status: 422,
    at: 'evidence.0.kind',
  });
  expect(await post(`${job}/evidence`, { evidence: [{ ...reading, version: 99 }] })).toMatchObject({
    status: 422,
    message: expect.stringContaining('newer'),
  });
  expect(await problemOf(await request.get(`${job}/cut-sheets/nothing`))).toMatchObject({ status: 404 });
  expect((await request.get(`/jobs/${randomUUID()}/probe`)).status()).toBe(404);
  const elsewhere = await request.post(`${job}/evidence`, {
    data: { evidence: [reading] },
    headers: { origin: 'http://somewhere.example' },
  });
  expect(await problemOf(elsewhere)).toMatchObject({ status: 403, code: 'not-allowed' });
  const big = await request
    .post('/api/bundles', {
      data: Buffer.alloc(50 * 1024 * 1024, 32),
      headers: { 'content-type': 'application/json' },
    })
    .then(problemOf, () => ({ status: 413, code: 'too-large' }));
  expect(big).toMatchObject({ status: 413, code: 'too-large' });
  expect(await (await request.get(`${job}/bundle`)).text()).toBe(before);
});

test('the same write sent twice, or twenty times at once, is one', async ({ request, jobs }) => {
  const job = `/api${jobs['BM-2']}`;
  const count = async () =>
    ((await (await request.get(`${job}/records`)).json()) as { value: { evidence: unknown[] } }).value
      .evidence.length;
  const before = await count();
  const reading = {
    kind: 'reading',
    version: 2,
    id: randomUUID(),
    memberId: 'rail-right',
    stationMm: 300,
    face: 'outer',
    heightMm: 40,
    thicknessMm: 4.6,
    method: 'ultrasonic',
    by: 'RK',
    at: '2026-01-01T00:00:00.000Z',
    note: '',
  };
  const answers = await Promise.all(
    Array.from({ length: 20 }, () => request.post(`${job}/evidence`, { data: { evidence: [reading] } })),
  );
  expect(answers.map((each) => each.status())).toEqual(Array.from({ length: 20 }, () => 200));
  expect(await count()).toBe(before + 1);
  expect(
    await problemOf(
      await request.post(`${job}/evidence`, { data: { evidence: [{ ...reading, thicknessMm: 1 }] } }),
    ),
  ).toMatchObject({ status: 409, code: 'conflict' });
});

test('an escape that stands for nothing is no address, of a page or of the API', async ({ request }) => {
  for (const path of ['/jobs/%ff', '/api/jobs/%ff/records', '/api/photos/%ff'])
    expect((await request.get(path)).status()).toBe(400);
  expect((await request.get('/api/spots', { headers: { host: 'rebound.example' } })).status()).toBe(421);
  expect((await request.get('/', { headers: { host: 'rebound.example' } })).status()).toBe(421);
  const { headers } = { headers: (await request.get('/')).headers() };
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['referrer-policy']).toBe('no-referrer');
});
