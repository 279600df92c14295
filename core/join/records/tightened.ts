import { z } from 'zod';
import { evidenceKind, lastWord } from '../../frame';
import { atSeam, onItsMember } from './stamp';

/** Bolts of a set brought to their torque, or looked at again. */
export const tightenedSchema = z.object({
  kind: z.literal('tightened'),
  ...atSeam,
  set: z.string().min(1).max(12),
  torqueNm: z.number().gt(0, 'a torque is more than nothing').lte(5000),
  /** Looked at again: whether any turned before it clicked. */
  moved: z.enum(['none', 'some']).optional(),
});
export type Tightened = z.infer<typeof tightenedSchema>;

export const tightenedKind = evidenceKind<Tightened>({
  name: 'tightened',
  schema: tightenedSchema,
  fits: onItsMember,
  tells: () => [],
});

/** Bolts settle: looked at again after a day at the latest (common practice, no source: 50 to 100 miles, or a day). */
export const LOOK_AGAIN_HOURS = 24;

export const RETIGHTEN = ['not tightened', 'look again', 'wait', 'settled'] as const;
export type Retighten = (typeof RETIGHTEN)[number];

/** That none moved this soon after the wrench tells nothing, min (ours): no joint has settled, and no road was driven. */
export const TELLS_AFTER_MIN = 10;

type Log = readonly Pick<Tightened, 'at' | 'moved'>[];

/** Whether bolts looked at at this moment would show if they had settled: not right after they were brought to their torque. */
export const wouldTell = (log: Log, atMs: number): boolean =>
  !log.some(({ at, moved }) => {
    const apartMs = Math.abs(atMs - Date.parse(at));
    return moved !== 'none' && apartMs < TELLS_AFTER_MIN * 60_000;
  });

/** How a set stands: never tightened; tightened and due again; not due yet; looked at again and none had moved. */
export function retighten(log: Log, nowMs: number): Retighten {
  const told = log.filter(({ at, moved }) => moved !== 'none' || wouldTell(log, Date.parse(at)));
  // Where two devices disagree which was last, that none had moved is the one to doubt.
  const last = lastWord(told, ({ moved }) => (moved === 'none' ? 0 : 1));
  if (!last) return 'not tightened';
  if (last.moved === 'none') return 'settled';
  return nowMs - Date.parse(last.at) >= LOOK_AGAIN_HOURS * 3_600_000 ? 'look again' : 'wait';
}
