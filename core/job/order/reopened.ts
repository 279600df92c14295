import { crackedSince, logsBySeam, seamStands, type SeamLog } from '../../join';
import { taskId } from '../../order';

/** The tasks that a thing's welds are laid and looked at by: a plate's or work's, a crack's. */
const LAYS = ['weld', 'crack weld'] as const;
const LOOKS = ['look at welds', 'look at crack'] as const;

/** It cracked, was laid anew, and nobody looked at what was laid. */
const isLaidUnseen = (log: readonly SeamLog[]): boolean =>
  seamStands(log, { hasPhoto: true, isLeftOpen: false }) === 'not looked at' &&
  crackedSince(log.filter(({ what }) => what === 'looked at')) !== undefined;

/** Tasks that no tick ends as it stands, by the logs of seams alone, for where a job's plates are not worked out: a weld that cracked, its look. */
export function reopenedBy(logs: readonly SeamLog[]): ReadonlySet<string> {
  const ids = logsBySeam(logs).flatMap((log) => {
    const { ofId } = log[0]!;
    const whats = crackedSince(log) ? [...LAYS, ...LOOKS] : isLaidUnseen(log) ? LOOKS : [];
    return whats.map((what) => taskId(what, ofId));
  });
  return new Set(ids);
}
