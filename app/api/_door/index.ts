import { Readable } from 'node:stream';
import type { z } from 'zod';
import pino from 'pino';
import { schemaWords } from '@/core/quantity';
import { admission, gateFrom, KEY_COOKIE, TURNED_AWAY } from '../../_gate/admission';
import { SAFE_HEADERS } from '../../_gate/headers';
import { booksOf, database, refused, storageFailure, type Problem, type Written } from '@/data';

const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });

const STATUS: Readonly<Record<Problem['code'], number>> = {
  'not-found': 404,
  invalid: 422,
  conflict: 409,
  stale: 409,
  'too-large': 413,
  'not-allowed': 403,
  unreadable: 400,
  'other-records': 409,
  'too-many': 429,
  unavailable: 503,
  failed: 500,
};

export const answer = <Value>(outcome: Written<Value>): Response =>
  outcome.ok
    ? Response.json({ ok: true, value: outcome.value })
    : Response.json(outcome, { status: STATUS[outcome.problem.code] });

export const notFound = (what: string): Response => answer(refused('not-found', `there is no such ${what}`));

const MEGABYTE = 1024 * 1024;
export const JSON_LIMIT = 4 * MEGABYTE;
export const FILE_LIMIT = 20 * MEGABYTE;
/** A job with its pictures. */
export const ZIP_LIMIT = 300 * MEGABYTE;

export const tooLarge = (limit: number) =>
  refused(
    'too-large',
    `the file is over ${limit / MEGABYTE} MB, the most that is taken in at once`,
    'Nothing of it was taken in; everything recorded before stands.',
  );

/** A body's bytes, counted as they come: what is over the limit is refused without being held. Undefined where it is over. */
export async function bodyBytes(request: Request, limit: number): Promise<Uint8Array[] | undefined> {
  if (Number(request.headers.get('content-length') ?? 0) > limit) return undefined;
  const chunks: Uint8Array[] = [];
  if (!request.body) return chunks;
  const reader = request.body.getReader();
  let size = 0;
  for (let chunk = await reader.read(); !chunk.done; chunk = await reader.read()) {
    size += chunk.value.byteLength;
    if (size > limit) {
      await reader.cancel();
      return undefined;
    }
    chunks.push(chunk.value);
  }
  return chunks;
}

/** Reads a body as text, up to a limit. */
export async function bodyText(request: Request, limit: number): Promise<Written<string>> {
  const chunks = await bodyBytes(request, limit);
  return chunks ? { ok: true, value: Buffer.concat(chunks).toString('utf8') } : tooLarge(limit);
}

/** Reads a body as a form, up to a limit; undefined where it is no form. */
export async function bodyForm(request: Request, limit: number): Promise<Written<FormData | undefined>> {
  const chunks = await bodyBytes(request, limit);
  if (!chunks) return tooLarge(limit);
  const whole = new Response(Buffer.concat(chunks), {
    headers: { 'content-type': request.headers.get('content-type') ?? '' },
  });
  return { ok: true, value: await whole.formData().catch(() => undefined) };
}

/** A JSON body through its schema; what is wrong is named by path. */
export async function body<Schema extends z.ZodType>(
  request: Request,
  schema: Schema,
): Promise<Written<z.output<Schema>>> {
  const text = await bodyText(request, JSON_LIMIT);
  if (!text.ok) return text;
  let raw: unknown;
  try {
    raw = JSON.parse(text.value);
  } catch {
    return refused('unreadable', 'the message is not JSON');
  }
  const parsed = schema.safeParse(raw, { error: schemaWords });
  if (parsed.success) return { ok: true, value: parsed.data };
  const issue = parsed.error.issues[0]!;
  return refused(
    'invalid',
    issue.message,
    'Nothing was changed; everything recorded before stands.',
    issue.path.join('.'),
  );
}

const gate = gateFrom(process.env);

/** Whether a request is let in at all; a browser's write for a page of another site is not, whatever else it brings. */
function turnedAway(request: Request): Response | undefined {
  const cookie = new RegExp(`(?:^|;\\s*)${KEY_COOKIE}=([^;]*)`).exec(
    request.headers.get('cookie') ?? '',
  )?.[1];
  const { headers } = request;
  const found = admission(
    { headers, pathname: new URL(request.url).pathname },
    { cookie: cookie && decodeURIComponent(cookie), address: undefined },
    gate,
  );
  const origin = headers.get('origin');
  const isForeign =
    request.method !== 'GET' && origin !== null && origin.replace(/^https?:\/\//, '') !== headers.get('host');
  if (found === 'in' && !isForeign) return undefined;
  const { status, message } = TURNED_AWAY[found === 'in' || found === 'key brought' ? 'another site' : found];
  return Response.json(refused('not-allowed', message), { status });
}

const safe = (response: Response): Response => {
  for (const [name, value] of Object.entries(SAFE_HEADERS)) response.headers.set(name, value);
  return response;
};

/** What a browser holds is meant for one set of records; another set behind the same address is not to get it. */
function isForOtherRecords(request: Request): boolean {
  const meant = request.headers.get('x-ossatura-records');
  return meant !== null && meant !== booksOf(database());
}

const FAILED: Problem = {
  code: 'failed',
  message: 'the server failed on this request',
  kept: 'Everything recorded before stands.',
};

/** Runs a handler. Storage that cannot be reached is answered with its reason; any other failure is logged and answered without its insides. */
export async function guarded(request: Request, work: () => Promise<Response> | Response): Promise<Response> {
  return safe(turnedAway(request) ?? (await worked(request, work)));
}

async function worked(request: Request, work: () => Promise<Response> | Response): Promise<Response> {
  try {
    if (isForOtherRecords(request))
      return answer(
        refused('other-records', 'other records are kept at this address now', 'Nothing was changed.'),
      );
    return await work();
  } catch (error) {
    const problem = storageFailure(error);
    log.error(
      { error: error instanceof Error ? { message: error.message, stack: error.stack } : error },
      problem?.message ?? 'request failed',
    );
    return answer({ ok: false, problem: problem ?? FAILED });
  }
}

/** A mutation: body through its schema, then the write. */
export const mutation = <Schema extends z.ZodType>(
  request: Request,
  schema: Schema,
  write: (value: z.output<Schema>) => Written<unknown> | Promise<Written<unknown>>,
): Promise<Response> =>
  guarded(request, async () => {
    const value = await body(request, schema);
    return value.ok ? answer(await write(value.value)) : answer(value);
  });

/** A file's name as a header can say it; where it has letters beyond ASCII once more with them (RFC 6266), or two units' files have one name. */
function attached(name: string): string {
  const plain = name.replace(/[^\w.-]+/g, '-');
  const whole = name.normalize('NFC').replace(/[^\p{L}\p{N}_.-]+/gu, '-');
  const again = whole === plain ? '' : `; filename*=UTF-8''${encodeURIComponent(whole)}`;
  return `attachment; filename="${plain}"${again}`;
}

/** A file to take away. */
export const download = (content: BodyInit, type: string, name: string): Response =>
  new Response(content, {
    headers: {
      'content-type': type,
      'content-disposition': attached(name),
      'cache-control': 'no-store',
    },
  });

/** A download that is sent as it is made: no faster than it is taken, so that a large one takes no more room than a small one. */
export const streamed = (pieces: AsyncIterable<Uint8Array>, type: string, name: string): Response =>
  download(Readable.toWeb(Readable.from(pieces)) as ReadableStream, type, name);

export const systemOf = (request: Request): 'in' | 'mm' =>
  new URL(request.url).searchParams.get('unit') === 'mm' ? 'mm' : 'in';
