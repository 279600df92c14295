/** A result that is either a value or the reason there is none. "Cannot be computed" is never a number. */
export type Outcome<Value> = { ok: true; value: Value } | { ok: false; reason: string };

export const ok = <Value>(value: Value): Outcome<Value> => ({ ok: true, value });
export const fail = (reason: string): { ok: false; reason: string } => ({ ok: false, reason });

/** The value of an outcome that the caller has already established to be good. Throws the reason otherwise. */
export function valueOf<Value>(outcome: Outcome<Value>): Value {
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.value;
}
