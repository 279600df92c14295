import type { Repair } from '@/core/shape';
import { newId } from '../../_client';

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
