import type { Repair } from '@/core/shape';
import { newId } from '../../_client';

/** A repair as it is drawn: one of the shop's, or a proposal of the engine's. It may be a moment older than the records. */
export interface ShownRepair {
  readonly repair: Repair;
  readonly isProposal: boolean;
}

/** A proposal taken over as the shop's own: it gets its own ids and a name to it. */
export function asOwn(repair: Repair, isProposal: boolean, by: string): Repair {
  const stamp = { by: by.trim() || 'unnamed', at: new Date().toISOString() };
  if (!isProposal) return { ...repair, ...stamp };
  const id = newId();
  return {
    ...repair,
    ...stamp,
    id,
    pieces: repair.pieces.map((piece, k) => ({ ...piece, id: `${id.slice(0, 8)}-${k + 1}` })),
  };
}

/** What a proposal says, whatever its number. */
const gist = ({ memberId, pieces, cutOut, bolts }: Repair) =>
  JSON.stringify([memberId, pieces, cutOut, bolts]);

/**
 * The record that a change shown on `shown` is made on. Two quick changes must not undo each other, and a proposal touched twice must not be
 * taken over twice: what stands among the records goes before what was drawn. `taken`: which proposals became which repairs on this page.
 */
export function changedRepair(
  { repair, isProposal }: ShownRepair,
  to: (standing: Repair) => Partial<Repair>,
  by: string,
  { standing, taken }: { standing: readonly Repair[]; taken: Map<string, string> },
): Repair {
  const id = isProposal ? taken.get(gist(repair)) : repair.id;
  const own = standing.find((each) => each.id === id);
  const base = own ?? repair;
  const next = asOwn({ ...base, ...to(base) }, isProposal && !own, by);
  if (isProposal) taken.set(gist(repair), next.id);
  return next;
}
