import { isOnlyTold, type Way } from '../walk';
import type { Interim } from './records';

/** Records that say somebody looked at the metal again. */
export const LOOKED_BY = ['crack look', 'look', 'reading', 'load test', 'geometry'] as const;
/** A look that nobody made, or only told of, is none. */
export const isLookMade = (record: {
  readonly at: string;
  readonly result?: string;
  readonly seenBy?: string;
  readonly ways?: readonly Way[];
}): boolean => record.result !== 'not seen' && record.seenBy !== 'told' && !isOnlyTold(record.ways ?? []);

/** Records that may make what an owner was told too mild. */
export const SPEAKS_AGAINST = ['crack', 'crack look', 'find', 'sign', 'reading', 'complaint'] as const;

/** When a unit that waits is looked at again. */
export interface LookDue {
  /** yyyy-mm-dd, where days count. */
  readonly on?: string;
  /** Where distance counts: what is left of it, below nothing once it is passed. */
  readonly leftKm?: number;
  readonly isOver: boolean;
}

const DAY_MS = 86_400_000;

/**
 * From what was told and the last look since, whichever is later. `trips` are the unit's, told since; `today` is the day where it is. Undefined
 * for what stands still, and where nothing was asked for.
 */
export function lookDue(
  { at, everyDays, everyKm, answer }: Pick<Interim, 'at' | 'everyDays' | 'everyKm' | 'answer'>,
  lastLook: string | undefined,
  trips: readonly { readonly at: string; readonly km: number }[],
  today: string,
): LookDue | undefined {
  if (answer === 'do not move' || (everyDays === undefined && everyKm === undefined)) return undefined;
  const from = lastLook !== undefined && lastLook > at ? lastLook : at;
  const on =
    everyDays === undefined
      ? undefined
      : new Date(Date.parse(from) + everyDays * DAY_MS).toISOString().slice(0, 10);
  const leftKm =
    everyKm === undefined
      ? undefined
      : everyKm - trips.filter((trip) => trip.at >= from).reduce((sum, { km }) => sum + km, 0);
  return {
    ...(on !== undefined && { on }),
    ...(leftKm !== undefined && { leftKm }),
    isOver: (on !== undefined && on <= today) || (leftKm !== undefined && leftKm <= 0),
  };
}
