import type { HostSpan } from '../../frame';
import { isToldOnly, type OpenFind } from '../../walk';
import type { Saying } from '../saying';

/** A find beside a member's own wall, and the stretch of the member it is a witness of. */
export interface Beside {
  readonly open: OpenFind;
  readonly span: HostSpan;
}

/**
 * What a skin, floor or closed space tells of the member behind or round it: a crack or gap means that something moved, packed wet dirt that it
 * rusts from inside. Nothing is known of how much is left: doubtful. A bracket or joint is bad by itself and says nothing of the wall it hangs on.
 */
export function findSays({ open: { find, grownMm }, span }: Beside): Saying[] {
  if (find.on !== 'panel' && find.on !== 'pocket') return [];
  if (find.part === 'drain') return [];
  return [
    {
      claim: 'doubtful',
      by: isToldOnly(find.state) ? 'told' : 'seen',
      recordId: find.id,
      at: find.at,
      where: find.title,
      what:
        grownMm === undefined
          ? `${find.part} ${find.state.is}`
          : `${find.part} ${find.state.is}, and growing`,
      fromMm: span.fromMm,
      toMm: span.toMm,
    },
  ];
}
