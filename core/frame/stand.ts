import type { Support } from '../mechanics';

/** What a frame stands on at one place. */
export type Stand =
  | { readonly on: 'tyre'; readonly axleId: string; readonly side: 'left' | 'right' }
  | { readonly on: 'pad'; readonly pointId: string }
  | { readonly on: 'jack' }
  | { readonly on: 'leg'; readonly legId: string }
  | { readonly on: 'coupler' };

/** A support of the solver that knows what it is. */
export interface StandSupport extends Support {
  readonly stand: Stand;
}

/** A name for a stand, for lists and for the solver; nothing is read back out of it. */
export function standName(stand: Stand): string {
  switch (stand.on) {
    case 'tyre':
      return `tyre ${stand.axleId} ${stand.side}`;
    case 'pad':
      return stand.pointId;
    case 'leg':
      return stand.legId;
    case 'jack':
    case 'coupler':
      return stand.on;
    default:
      return stand satisfies never;
  }
}

export const standSupport = (stand: Stand, support: Omit<Support, 'id'>): StandSupport => ({
  ...support,
  id: standName(stand),
  stand,
});
