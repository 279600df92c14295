import { z } from 'zod';
import { evidenceKind, lastWord, maybeLast } from '../../frame';
import { seamKeySchema } from '../said';
import { atSeam, onItsMember } from './stamp';

/** What is looked for along a weld (AWS D1.1 visual acceptance, from memory, in a shop's words). */
export const DEFECTS = [
  'crack',
  'porosity',
  'undercut',
  'missed length',
  'too small',
  'no fusion',
  'burnt through',
  'crater not filled',
] as const;
export type Defect = (typeof DEFECTS)[number];

export const DYES = ['not done', 'clean', 'bled'] as const;

/** One entry in a seam's log: laid, looked at. Later entries answer earlier ones; none is ever taken away. */
export const seamLogSchema = z
  .object({
    kind: z.literal('seam log'),
    ...atSeam,
    seam: seamKeySchema,
    mark: z.string().min(1).max(12),
    what: z.enum(['welded', 'looked at']),
    /** How long the seam was when this was said, mm: another length, and it is another seam by now. */
    lengthMm: z.number().gt(0).lte(60_000).optional(),
    /** Of welding. */
    machine: z.string().trim().max(60).optional(),
    amps: z.number().gt(0).lte(1000).optional(),
    volts: z.number().gt(0).lte(100).optional(),
    wire: z.string().trim().max(60).optional(),
    ambientC: z.number().gte(-50).lte(60).optional(),
    /** Of looking: what was found, and nothing found is a finding too. */
    defects: z.array(z.enum(DEFECTS)).max(DEFECTS.length).optional(),
    dye: z.enum(DYES).optional(),
  })
  .refine(({ what, defects }) => what !== 'looked at' || defects !== undefined, {
    message: 'a look says what was found, or that nothing was',
    path: ['defects'],
  });
export type SeamLog = z.infer<typeof seamLogSchema>;

export const seamLogKind = evidenceKind<SeamLog>({
  name: 'seam log',
  schema: seamLogSchema,
  fits: onItsMember,
  tells: () => [],
});

export const SEAM_STANDS = [
  'changed',
  'not welded',
  'part laid',
  'not looked at',
  'defect',
  'no photo',
  'good',
  'left open',
] as const;
export type SeamStands = (typeof SEAM_STANDS)[number];

/** Runs of a seam that were ticked at the rail, of all its plan has, and when the last was. */
export interface LaidAtTheRail {
  readonly runs: number;
  readonly of: number;
  readonly at: string;
}

/** The entries of many seams, each seam's own together, in their order. */
export function logsBySeam(logs: readonly SeamLog[]): SeamLog[][] {
  const seams = new Map<string, SeamLog[]>();
  for (const entry of logs) {
    const key = `${entry.ofId} ${entry.seam}`;
    seams.set(key, [...(seams.get(key) ?? []), entry]);
  }
  return [...seams.values()];
}

const isCracked = ({ what, defects = [], dye }: SeamLog): boolean =>
  what === 'looked at' && (defects.includes('crack') || dye === 'bled');

/**
 * The last look that found a seam cracked, where it was not welded again since, by the clock and as it was kept. No later look answers it: a crack does not
 * heal, and one that was no crack is struck through.
 */
export const crackedSince = (log: readonly SeamLog[]): SeamLog | undefined =>
  log.findLast(
    (look, k) =>
      isCracked(look) && !log.slice(k + 1).some(({ what, at }) => what === 'welded' && at >= look.at),
  );

/** How a seam stands by its log, and by what was ticked at the rail: the last welding and what was seen since. Dye that bled is a crack. */
export function seamStands(
  log: readonly SeamLog[],
  {
    hasPhoto,
    isLeftOpen,
    lengthMm,
    laid,
  }: {
    readonly hasPhoto: boolean;
    readonly isLeftOpen: boolean;
    readonly lengthMm?: number;
    readonly laid?: LaidAtTheRail;
  },
): SeamStands {
  if (isLeftOpen) return 'left open';
  if (maybeLast(log).some((last) => isOtherLength(last.lengthMm, lengthMm))) return 'changed';
  const welded = log.findLastIndex(({ what }) => what === 'welded');
  if (welded < 0 && !laid) return 'not welded';
  if (welded < 0 && laid!.runs < laid!.of) return 'part laid';
  if (crackedSince(log)) return 'defect';
  // A look kept late, from before the weld was laid, saw another one.
  const laidAt = welded < 0 ? laid!.at : latest(log.filter(({ what }) => what === 'welded'));
  const looks = log.slice(welded + 1).filter(({ what, at }) => what === 'looked at' && at >= laidAt);
  const look = lastWord(looks, (each) => Number(isBad(each)));
  if (!look) return 'not looked at';
  if (isBad(look)) return 'defect';
  return hasPhoto ? 'good' : 'no photo';
}

const isBad = ({ defects = [], dye }: SeamLog): boolean => defects.length > 0 || dye === 'bled';
const latest = (log: readonly SeamLog[]): string => log.reduce((last, { at }) => (at > last ? at : last), '');

/** More than a hand's breadth of a short seam, a twentieth of a long one (ours). */
const isOtherLength = (said: number | undefined, now: number | undefined): boolean =>
  said !== undefined && now !== undefined && Math.abs(said - now) > Math.max(20, 0.05 * now);

/** Nothing is laid over a seam that stands like this: no coat, no plate, no skin. */
export const mayBeCovered = (stands: SeamStands): boolean => stands === 'good' || stands === 'left open';
