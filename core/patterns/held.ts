import type { FoundThere } from './found';
import type { Pattern } from './pattern';

/** A repair where a pattern was laid, or that one was made from; stations are the member's own, mm. */
export interface PatternUse {
  readonly jobId: string;
  readonly tag: string;
  readonly memberId: string;
  readonly memberName: string;
  readonly fromMm: number;
  readonly toMm: number;
  /** When its job was last closed; absent while it is open. */
  readonly closedAt?: string;
  /** Its plates are no longer as the pattern would lay them. */
  readonly isChanged: boolean;
}

/** What was recorded of the same unit: found bad, found sound, or mended again by another repair. */
export type LaterRecord = Omit<FoundThere, 'is' | 'id'> & { readonly is: FoundThere['is'] | 'mended' };

export type Held =
  | { readonly is: 'not closed' }
  | { readonly is: 'nobody looked' }
  | { readonly is: 'held'; readonly at: string }
  | { readonly is: 'failed' | 'mended again'; readonly at: string; readonly what: string };

/**
 * How a repair held: by what was recorded of its stretch after its job was closed. The first bad word counts, whatever was said later; a look
 * somewhere else on the frame says nothing of it.
 */
export function howItHeld(use: PatternUse, records: readonly LaterRecord[]): Held {
  const { closedAt } = use;
  if (closedAt === undefined) return { is: 'not closed' };
  const there = records
    .filter(
      ({ memberId, fromMm, toMm, at }) =>
        memberId === use.memberId && toMm >= use.fromMm && fromMm <= use.toMm && at > closedAt,
    )
    .sort((a, b) => a.at.localeCompare(b.at));
  const bad = there.find(({ is }) => is === 'bad');
  if (bad) return { is: 'failed', at: bad.at, what: bad.what };
  const again = there.find(({ is }) => is === 'mended');
  if (again) return { is: 'mended again', at: again.at, what: again.what };
  const sound = there.findLast(({ is }) => is === 'sound');
  return sound ? { is: 'held', at: sound.at } : { is: 'nobody looked' };
}

/** A place where a pattern was laid, or that it was made from, and how it held there. */
export interface KnownUse {
  readonly use: PatternUse;
  readonly held: Held;
}
/** A pattern with every place that it is known to be used. */
export interface ListedPattern {
  readonly pattern: Pattern;
  readonly uses: readonly KnownUse[];
}

/** How often a pattern was made, and how often it held of those that somebody looked at later. */
export function tallyOf(uses: readonly KnownUse[]): {
  readonly made: number;
  readonly looked: number;
  readonly held: number;
  readonly failed: number;
} {
  const count = (...wanted: Held['is'][]) => uses.filter(({ held }) => wanted.includes(held.is)).length;
  const [held, failed] = [count('held'), count('failed', 'mended again')];
  return { made: uses.length - count('not closed'), looked: held + failed, held, failed };
}
