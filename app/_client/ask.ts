import type { Problem } from '@/core/exchange';
import { KEPT_AT } from '../_offline/names';

/** What the server answers: a value, and when it said it (`stale`: this device kept it since, the server does not answer now); or what was wrong and what stands in spite of it. */
export type Answer<Value> =
  | { readonly ok: true; readonly value: Value; readonly saidAt?: string; readonly stale?: boolean }
  | { readonly ok: false; readonly problem: Problem };

const STILL_HERE = 'What you typed is still on this page; try again.';
const unanswered = (message: string): Answer<never> => ({
  ok: false,
  problem: { code: 'unreadable', message, kept: STILL_HERE },
});

/** Asks the server for one thing. Never throws: no server, a login page or a broken answer come back as a problem like any other. */
export async function ask<Value>(url: string, init?: RequestInit): Promise<Answer<Value>> {
  const response = await fetch(url, { cache: 'no-store', ...init }).catch(() => undefined);
  if (!response) return unanswered('the server cannot be reached');
  const said: unknown = response.redirected ? undefined : await response.json().catch(() => undefined);
  if (!isAnswer<Value>(said)) return unanswered('the server’s answer cannot be read');
  const [keptAt, date] = [KEPT_AT, 'date'].map((name) => response.headers.get(name));
  const saidAt = keptAt ?? date;
  if (!said.ok || !saidAt) return said;
  return { ...said, saidAt: new Date(saidAt).toISOString(), ...(keptAt && { stale: true }) };
}

function isAnswer<Value>(said: unknown): said is Answer<Value> {
  if (said === null || typeof said !== 'object' || !('ok' in said)) return false;
  if (said.ok === true) return 'value' in said;
  return 'problem' in said && typeof (said.problem as Problem | undefined)?.message === 'string';
}

/** Tells the server one thing, as JSON. */
export const tell = <Value>(url: string, body: unknown): Promise<Answer<Value>> =>
  ask(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
