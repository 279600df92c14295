/**
 * A result that is either a value or the reason there is none; `at` is the place that is wrong, where one can be named.
 * "Cannot be computed" is never a number.
 */
export type Outcome<Value> = { ok: true; value: Value } | Failure;
export interface Failure {
  ok: false;
  reason: string;
  at?: string;
}

export const ok = <Value>(value: Value): Outcome<Value> => ({ ok: true, value });
export const fail = (reason: string, at?: string): Failure => ({
  ok: false,
  reason,
  ...(at !== undefined && { at }),
});

/** The value of an outcome that the caller has already established to be good. Throws the reason otherwise. */
export function valueOf<Value>(outcome: Outcome<Value>): Value {
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.value;
}
