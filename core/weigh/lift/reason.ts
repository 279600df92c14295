import type { LiftReason } from '../../walk';

type Said = Omit<LiftReason, 'weight'>;
export const refused = (reason: Said): LiftReason => ({ ...reason, weight: 'refused' });
export const unknown = (reason: Said): LiftReason => ({ ...reason, weight: 'unknown' });
export const note = (reason: Said): LiftReason => ({ ...reason, weight: 'note' });
