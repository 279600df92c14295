import type { Problem } from '@/core/exchange';

/** Why a parcel is still here. */
export type Held =
  | { readonly why: 'no answer' }
  | { readonly why: 'not this program' }
  | { readonly why: 'server'; readonly problem: Problem };
/** What became of a parcel: on the server's disk; to be sent again; or refused for what it says, which sending again will not change. */
export type Fate =
  | { readonly fate: 'kept' }
  | { readonly fate: 'held'; readonly held: Held }
  | { readonly fate: 'refused'; readonly problem: Problem };

/** Refusals for what a record says. Anything else is about the server or the way to it, and passes. */
const FOR_GOOD: ReadonlySet<Problem['code']> = new Set([
  'invalid',
  'conflict',
  'stale',
  'not-found',
  'too-large',
]);

const held = (why: 'no answer' | 'not this program'): Fate => ({ fate: 'held', held: { why } });

/**
 * Reads a server's answer. A parcel is kept only when this program says so in so many words: a login page, a redirect, an empty 200 or a
 * bare status from something in between are no answer from it.
 */
export async function fateOf(response: Response): Promise<Fate> {
  if (response.redirected) return held('not this program');
  const said: unknown = await response.json().catch(() => undefined);
  if (said === null || typeof said !== 'object' || !('ok' in said)) return held('not this program');
  if (said.ok === true) return response.ok && 'value' in said ? { fate: 'kept' } : held('not this program');
  const problem = 'problem' in said ? (said.problem as Partial<Problem> | null) : undefined;
  if (typeof problem?.code !== 'string' || typeof problem.message !== 'string')
    return held('not this program');
  const isRefusal = response.status >= 400 && response.status < 500 && FOR_GOOD.has(problem.code);
  return isRefusal
    ? { fate: 'refused', problem: problem as Problem }
    : { fate: 'held', held: { why: 'server', problem: problem as Problem } };
}

export const NO_ANSWER: Fate = held('no answer');
