import { format, parseISO } from 'date-fns';
import type { NoSchedule } from '@/core/order';

/** A day as it is spoken of: `Fri 4 Dec 2026`. Nothing for what is no day. */
export const dayWords = (day: string): string =>
  /^\d{4}-\d\d-\d\d$/.test(day) ? format(parseISO(day), 'EEE d MMM yyyy') : '';

export const NO_SCHEDULE_WORDS: Readonly<Record<NoSchedule, string>> = {
  'nobody works here': 'Nobody is on the shop’s list of people: put them there',
  'nobody welds': 'Something is to be welded, and nobody on the list welds',
  'not two pairs of hands': 'Some of it takes two pairs of hands, and there is one',
  'no bay': 'There is no bay on the shop’s list; or say that it is done where it stands',
  'beyond the horizon': 'It would not be done within three years',
};
