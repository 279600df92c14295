import { dequal } from 'dequal';
import { AGAIN_MS } from '@/ui/controls';

type Stamped = { readonly id: string; readonly at: string };

/** Whether a record says the same as the one before it, so soon after it that a finger touched twice: it was said once. */
export function touchedAgain(nowMs: () => number): (record: Stamped) => boolean {
  let last: { readonly said: object; readonly atMs: number } | undefined;
  return ({ id: _id, at: _at, ...said }) => {
    const atMs = nowMs();
    const isAgain = last !== undefined && atMs - last.atMs < AGAIN_MS && dequal(last.said, said);
    if (!isAgain) last = { said, atMs };
    return isAgain;
  };
}
