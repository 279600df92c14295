import { format, parseISO } from 'date-fns';
import type { BayTrouble, LookDue, NoSchedule } from '@/core/order';
import { printDistance, type UnitSystem } from '@/core/quantity';

/** A day as it is spoken of: `Fri 4 Dec 2026`. Nothing for what is no day. */
export const dayWords = (day: string): string =>
  /^\d{4}-\d\d-\d\d$/.test(day) ? format(parseISO(day), 'EEE d MMM yyyy') : '';

export const NO_SCHEDULE_WORDS: Readonly<Record<NoSchedule, string>> = {
  'nobody works here': 'Nobody is on the shop’s list of people: put them there',
  'nobody welds': 'Something is to be welded, and nobody on the list welds',
  'not two pairs of hands': 'Some of it takes two pairs of hands, and there is one',
  'no bay': 'There is no bay on the shop’s list; or say that it is done where it stands',
  'no bay fits':
    'No bay on the shop’s list is as long as its frame and has the lift it needs; or say that it is done where it stands',
  'beyond the horizon': 'It would not be done within three years',
};

export const BAY_TROUBLE_WORDS: Readonly<Record<BayTrouble, string>> = {
  'no lift': 'has no lift',
  'too short': 'is shorter than its frame',
};

/** When what waits is looked at again, or that it should have been. */
export function lookDueWords({ on, leftKm, isOver }: LookDue, system: UnitSystem): string {
  const day = on === undefined ? [] : [dayWords(on)];
  if (isOver)
    return leftKm !== undefined && leftKm <= 0
      ? 'Its distance is used up: look at it now'
      : `Its look was due ${day.join()}: look at it now`;
  const far = leftKm === undefined ? [] : [`after ${printDistance(leftKm, system)} more`];
  return `Looked at again ${[...day, ...far].join(', or ')}`;
}
