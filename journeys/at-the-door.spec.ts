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

  expect(await post(`/api/jobs/${randomUUID()}/readings`, { readings: [reading] })).toMatchObject({
    status: 404,
    code: 'not-found',
  });
  expect(await post(`${job}/readings`, '{ not json')).toMatchObject({ status: 400, code: 'unreadable' });
  expect(await post(`${job}/readings`, { readings: [{ ...reading, thicknessMm: -1 }] })).toMatchObject({
    status: 422,
    code: 'invalid',
    at: 'readings.0.thicknessMm',
  });
  expect(await post(`${job}/readings`, { readings: [{ ...reading, stationMm: 1e9 }] })).toMatchObject({
    status: 422,
    code: 'invalid',
    at: 'readings.0',
  });
  expect(await post(`${job}/readings`, { readings: [{ ...reading, memberId: 'nowhere' }] })).toMatchObject({
    status: 422,
    at: 'readings.0.memberId',
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
  expect(
    await post(`${job}/setup`, { basedOn: 1, frame: {}, practice: {}, by: 'RK', at: reading.at }),
  ).toMatchObject({ status: 422, code: 'invalid' });
  expect(await problemOf(await request.get(`${job}/cut-sheets/nothing`))).toMatchObject({ status: 404 });
  expect((await request.get(`/jobs/${randomUUID()}/probe`)).status()).toBe(404);
  const elsewhere = await request.post(`${job}/readings`, {
    data: { readings: [reading] },
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
    ((await (await request.get(`${job}/records`)).json()) as { value: { readings: unknown[] } }).value
      .readings.length;
  const before = await count();
  const reading = {
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
    Array.from({ length: 20 }, () => request.post(`${job}/readings`, { data: { readings: [reading] } })),
  );
  expect(answers.map((each) => each.status())).toEqual(Array.from({ length: 20 }, () => 200));
  expect(await count()).toBe(before + 1);
  expect(
    await problemOf(
      await request.post(`${job}/readings`, { data: { readings: [{ ...reading, thicknessMm: 1 }] } }),
    ),
  ).toMatchObject({ status: 409, code: 'conflict' });
});
