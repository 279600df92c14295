import type { z } from 'zod';
import pino from 'pino';
import { refused, type Problem, type Written } from '@/data';

const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });

const STATUS: Readonly<Record<Problem['code'], number>> = {
  'not-found': 404,
  invalid: 422,
  conflict: 409,
  stale: 409,
  'too-large': 413,
  'not-allowed': 403,
  unreadable: 400,
};

export const answer = <Value>(outcome: Written<Value>): Response =>
  outcome.ok
    ? Response.json({ ok: true, value: outcome.value })
    : Response.json(outcome, { status: STATUS[outcome.problem.code] });

export const notFound = (what: string): Response => answer(refused('not-found', `there is no such ${what}`));

const MEGABYTE = 1024 * 1024;
export const JSON_LIMIT = 4 * MEGABYTE;
export const FILE_LIMIT = 20 * MEGABYTE;

/** Reads a body as text, stopping as soon as it passes the limit: a 50 MB file is refused without being held. */
export async function bodyText(request: Request, limit: number): Promise<Written<string>> {
  const tooLarge = () =>
    refused(
      'too-large',
      `the file is over ${limit / MEGABYTE} MB, the most that is taken in at once`,
      'Nothing of it was taken in; everything recorded before stands.',
    );
  if (Number(request.headers.get('content-length') ?? 0) > limit) return tooLarge();
  if (!request.body) return { ok: true, value: '' };
  const decoder = new TextDecoder();
  const reader = request.body.getReader();
  let text = '';
  let size = 0;
  for (let chunk = await reader.read(); !chunk.done; chunk = await reader.read()) {
    size += chunk.value.byteLength;
    if (size > limit) {
      await reader.cancel();
      return tooLarge();
    }
    text += decoder.decode(chunk.value, { stream: true });
  }
  return { ok: true, value: text + decoder.decode() };
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
  const parsed = schema.safeParse(raw);
  if (parsed.success) return { ok: true, value: parsed.data };
  const issue = parsed.error.issues[0]!;
  return refused(
    'invalid',
    issue.message,
    'Nothing was changed; everything recorded before stands.',
    issue.path.join('.'),
  );
}

/** A write that a browser sends for a page of another site; this server's own pages and plain programs pass. */
function isFromElsewhere(request: Request): boolean {
  const origin = request.headers.get('origin');
  return (
    request.method !== 'GET' &&
    origin !== null &&
    origin.replace(/^https?:\/\//, '') !== request.headers.get('host')
  );
}

/** Runs a handler; an unforeseen failure is logged and answered without its insides. */
export async function guarded(request: Request, work: () => Promise<Response> | Response): Promise<Response> {
  if (isFromElsewhere(request))
    return answer(refused('not-allowed', 'this was sent from another site’s page'));
  try {
    return await work();
  } catch (error) {
    log.error(
      { error: error instanceof Error ? { message: error.message, stack: error.stack } : error },
      'request failed',
    );
    return Response.json(
      {
        ok: false,
        problem: {
          code: 'unreadable',
          message: 'the server failed on this request',
          kept: 'Everything recorded before stands.',
        },
      },
      { status: 500 },
    );
  }
}

/** A mutation: body through its schema, then the write. */
export const mutation = <Schema extends z.ZodType>(
  request: Request,
  schema: Schema,
  write: (value: z.output<Schema>) => Written<unknown>,
): Promise<Response> =>
  guarded(request, async () => {
    const value = await body(request, schema);
    return value.ok ? answer(write(value.value)) : answer(value);
  });

/** A file to take away. */
export const download = (content: BodyInit, type: string, name: string): Response =>
  new Response(content, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${name.replace(/[^\w.-]+/g, '-')}"`,
      'cache-control': 'no-store',
    },
  });

export const systemOf = (request: Request): 'in' | 'mm' =>
  new URL(request.url).searchParams.get('unit') === 'mm' ? 'mm' : 'in';
