import { z } from 'zod';
import { answer, body, bodyText, download, guarded, JSON_LIMIT, mutation, notFound, systemOf } from '.';
import { refused } from '@/data';

const mockLogged = jest.fn();
jest.mock('pino', () => ({
  __esModule: true,
  default: () => ({ error: (...words: unknown[]) => mockLogged(...words) as unknown }),
}));

const HERE = 'http://127.0.0.1:3000/api/x';
const post = (text: BodyInit, headers: Record<string, string> = {}) =>
  new Request(HERE, { method: 'POST', body: text, headers: { host: '127.0.0.1:3000', ...headers } });
const schema = z.object({
  reading: z.object({ thicknessMm: z.number().gte(0, 'a thickness is not below 0') }),
});

describe('answers', () => {
  test.each([
    ['not-found', 404],
    ['invalid', 422],
    ['conflict', 409],
    ['stale', 409],
    ['too-large', 413],
    ['not-allowed', 403],
    ['unreadable', 400],
    ['other-records', 409],
    ['too-many', 429],
    ['unavailable', 503],
    ['failed', 500],
  ] as const)('%s is said with status %d', async (code, status) => {
    const response = answer(refused(code, 'why'));
    expect(response.status).toBe(status);
    expect(await response.json()).toMatchObject({ ok: false, problem: { code, message: 'why' } });
  });
  test('a value is said with 200; what does not exist is named', async () => {
    expect(await answer({ ok: true, value: 3 }).json()).toEqual({ ok: true, value: 3 });
    expect((await notFound('job').json()) as object).toMatchObject({
      problem: { message: 'there is no such job' },
    });
  });
});

describe('what comes in', () => {
  test('is taken up to the limit and not a byte further, counted in bytes', async () => {
    expect(await bodyText(post('é'.repeat(5)), 10)).toEqual({ ok: true, value: 'ééééé' });
    expect(await bodyText(post('é'.repeat(5) + '.'), 10)).toMatchObject({ problem: { code: 'too-large' } });
  });
  test('a length announced over the limit is refused before anything is read', async () => {
    const request = post('{}', { 'content-length': String(JSON_LIMIT + 1) });
    expect(await bodyText(request, JSON_LIMIT)).toMatchObject({ ok: false, problem: { code: 'too-large' } });
  });
  test('an endless body is cut off, and its sender told to stop', async () => {
    let sent = 0;
    let stopped = false;
    const endless = new ReadableStream<Uint8Array>({
      pull: (stream) => {
        sent += 1024;
        stream.enqueue(new Uint8Array(1024));
      },
      cancel: () => {
        stopped = true;
      },
    });
    const request = new Request(HERE, { method: 'POST', body: endless, duplex: 'half' } as RequestInit);
    expect(await bodyText(request, 4096)).toMatchObject({ problem: { code: 'too-large' } });
    expect(stopped).toBe(true);
    expect(sent).toBeLessThan(20 * 1024);
  });
  test('an empty body is no JSON, and no mistake of the server', async () => {
    expect(await bodyText(new Request(HERE, { method: 'POST' }), 10)).toEqual({ ok: true, value: '' });
    expect(await body(new Request(HERE, { method: 'POST' }), schema)).toMatchObject({
      problem: { code: 'unreadable' },
    });
  });
  test('JSON goes through its schema; what is wrong is named by its place and what stands is said', async () => {
    const good = await body(post('{"reading":{"thicknessMm":4}}'), schema);
    expect(good).toEqual({ ok: true, value: { reading: { thicknessMm: 4 } } });
    expect(await body(post('{"reading":{"thicknessMm":-1}}'), schema)).toMatchObject({
      problem: { code: 'invalid', message: 'a thickness is not below 0', at: 'reading.thicknessMm' },
    });
    const broken = await body(post('{"reading":'), schema);
    expect(broken).toMatchObject({ problem: { code: 'unreadable', message: 'the message is not JSON' } });
  });
});

describe('who may write', () => {
  const work = jest.fn(() => Response.json({ ok: true, value: 1 }));
  beforeEach(() => work.mockClear());
  const asked = async (headers: Record<string, string>, method = 'POST') =>
    (await guarded(new Request(HERE, { method, headers: { host: '127.0.0.1:3000', ...headers } }), work))
      .status;

  test.each([
    ['its own page, plain', { origin: 'http://127.0.0.1:3000' }, 200],
    ['its own page behind a lock', { origin: 'https://127.0.0.1:3000' }, 200],
    ['a program that names no page', {}, 200],
    ['another site', { origin: 'http://elsewhere.example' }, 403],
    ['the same name at another port', { origin: 'http://127.0.0.1:4000' }, 403],
    ['a page of no site', { origin: 'null' }, 403],
    ['another site’s page, as the browser says', { 'sec-fetch-site': 'cross-site' }, 403],
    ['a name of another’s making', { host: 'rebound.example' }, 421],
  ] as const)('%s', async (_, headers, status) => {
    expect(await asked(headers)).toBe(status);
    expect(work).toHaveBeenCalledTimes(status === 200 ? 1 : 0);
  });
  test('reading is open to any page', async () =>
    expect(await asked({ origin: 'http://elsewhere.example' }, 'GET')).toBe(200));
});

test('records in trouble are answered with their trouble, to be asked again', async () => {
  const response = await guarded(post('{}'), () => {
    throw Object.assign(new Error('database is locked'), { code: 'SQLITE_BUSY' });
  });
  expect(response.status).toBe(503);
  expect(await response.json()).toMatchObject({
    problem: { code: 'unavailable', message: expect.stringContaining('in use') },
  });
  expect(response.headers.get('x-content-type-options')).toBe('nosniff');
});

test('a failure nobody foresaw is answered without its insides, which the log keeps', async () => {
  const response = await guarded(post('{}'), () => {
    throw new Error('SELECT secret FROM shelf at /srv/private');
  });
  expect(response.status).toBe(500);
  const said = await response.text();
  expect(said).toContain('Everything recorded before stands.');
  expect(said).not.toMatch(/SELECT|srv/);
  expect(JSON.stringify(mockLogged.mock.calls)).toContain('SELECT secret FROM shelf');
});

test('a mutation writes what passed its schema, and nothing else is written', async () => {
  const write = jest.fn((value: z.output<typeof schema>) => ({ ok: true as const, value }));
  expect((await mutation(post('{"reading":{"thicknessMm":4,"more":1}}'), schema, write)).status).toBe(200);
  expect(write).toHaveBeenCalledWith({ reading: { thicknessMm: 4 } });
  expect((await mutation(post('{"reading":{}}'), schema, write)).status).toBe(422);
  expect(write).toHaveBeenCalledTimes(1);
});

test('a file to take away has a name no header can be broken with, and is not kept by anybody', () => {
  const { headers } = download('x', 'text/csv', 'GR-7 "right"\r\nrail.csv');
  expect(headers.get('content-disposition')).toBe('attachment; filename="GR-7-right-rail.csv"');
  expect(headers.get('cache-control')).toBe('no-store');
  expect(download('x', 'text/csv', 'Łódź 1’s.csv').headers.get('content-disposition')).toBe(
    `attachment; filename="-d-1-s.csv"; filename*=UTF-8''${encodeURIComponent('Łódź-1-s.csv')}`,
  );
});

test.each([
  ['', 'in'],
  ['?unit=mm', 'mm'],
  ['?unit=in', 'in'],
  ['?unit=cubits', 'in'],
])('%s is answered in %s', (query, system) => expect(systemOf(new Request(HERE + query))).toBe(system));
