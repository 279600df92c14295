import type { Held } from './answer';
import type { Keeping } from './outbox';
import type { Parcel } from './parcel';

/** Why writes are still in the browser, for a narrow place and in full. */
export function heldWords(held: Held | undefined): { readonly short: string; readonly full: string } {
  switch (held?.why) {
    case undefined:
    case 'no answer':
      return { short: 'offline', full: 'The server does not answer. It is asked again every few seconds.' };
    case 'not this program':
      return {
        short: 'not the server',
        full: 'Something else answers at this address, such as a network’s log-in page. Log in to the network, or ask who runs the server.',
      };
    case 'server':
      return {
        short: held.problem.code === 'other-records' ? 'other records' : 'server in trouble',
        full: `The server says: ${held.problem.message}. It is asked again every few seconds.`,
      };
    default:
      return held satisfies never;
  }
}

/** How the writes of this browser stand, in a few words. */
export function keepingWords({ state, waiting, held, onThisPageOnly }: Keeping): string {
  if (state === 'looking') return 'looking';
  const unsafe = onThisPageOnly > 0 ? '; not safe if you close this page' : '';
  if (state === 'kept') return unsafe ? `not taken${unsafe}` : 'kept';
  if (state === 'held here') return `${heldWords(held).short}: ${waiting} held here${unsafe}`;
  return 'sending';
}

const KINDS: Readonly<Record<Parcel['kind'], string>> = {
  evidence: 'evidence',
  photo: 'photo',
  strike: 'strike through',
  repair: 'repair',
  withdrawal: 'repair taken out of the plan',
};
/** What a parcel holds. */
export function parcelWords(parcel: Parcel): string {
  if (parcel.kind !== 'evidence') return KINDS[parcel.kind];
  const records = parcel.body.evidence as readonly { kind?: string }[];
  return [...new Set(records.map((record) => record.kind ?? 'evidence'))].join(', ');
}

/** What a parcel's record is about, by whom and when, as far as it says so. */
export function parcelStamp(parcel: Parcel): {
  readonly on?: string;
  readonly by?: string;
  readonly at?: string;
} {
  const record = (
    parcel.kind === 'evidence'
      ? parcel.body.evidence[0]
      : parcel.kind === 'repair'
        ? parcel.body.repair
        : parcel.body
  ) as { memberId?: string; by?: string; at?: string };
  return {
    ...(record.memberId !== undefined && { on: record.memberId.replaceAll('-', ' ') }),
    ...(record.by !== undefined && { by: record.by }),
    ...(record.at !== undefined && { at: record.at }),
  };
}
