import type { Problem } from '@/core/exchange';

export type { Problem };

export type Written<Value> = { ok: true; value: Value } | { ok: false; problem: Problem };

export const written = <Value>(value: Value): Written<Value> => ({ ok: true, value });
export const refused = (
  code: Problem['code'],
  message: string,
  kept = 'Everything recorded before stands.',
  at?: string,
): { ok: false; problem: Problem } => ({
  ok: false,
  problem: { code, message, kept, ...(at !== undefined && { at }) },
});

/** Whether two records say the same; both have been through the same schema. */
export const sameRecord = (one: unknown, other: unknown): boolean =>
  JSON.stringify(sorted(one)) === JSON.stringify(sorted(other));

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, each]) => each !== undefined)
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([key, each]) => [key, sorted(each)]),
  );
}
