import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, memberOf, recordIdSchema } from '../frame';
import { fail, ok } from '../quantity';
import { gapLimitMm, GAP_IGNORED_MM } from '../reference';
import { WELD_ACCESS, WELD_POSITIONS, type WeldLine } from './weld-line';

export const seamKeySchema = z.string().min(1).max(160);

/** What somebody found or chose at one seam. Only what is said counts; the last word on each matter stands. */
export const seamSchema = z.object({
  kind: z.literal('seam'),
  id: recordIdSchema,
  memberId: z.string().min(1).max(40),
  /** Repair or work it belongs to. */
  ofId: z.string().min(1).max(60),
  seam: seamKeySchema,
  /** Gap between the parts when they are tacked. */
  gapMm: z
    .number()
    .gte(0, 'a gap is not below nothing')
    .lte(25, 'a gap over 1 in (25 mm) is no joint')
    .optional(),
  access: z.enum(WELD_ACCESS).optional(),
  position: z.enum(WELD_POSITIONS).optional(),
  /** Why it stays open on purpose; empty takes that back. */
  leftOpen: z.string().trim().max(200).optional(),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type SeamSaid = z.infer<typeof seamSchema>;

export const seamKind = evidenceKind<SeamSaid>({
  name: 'seam',
  schema: seamSchema,
  fits: (frame, { memberId }) =>
    memberOf(frame, memberId) ? ok({}) : fail(`member ${memberId} is not on this frame`, 'memberId'),
  // It says nothing of the metal: what joins the plates is worked out anew by the plan's own mark.
  tells: () => [],
});

/** A weld that nobody can see or turn a torch at is counted as this much of itself (our judgement): it must be longer. */
export const POOR_ACCESS_SHARE = 0.75;

/** A line with what was recorded of it. */
export function settled(line: WeldLine, repairId: string, said: readonly SeamSaid[]): WeldLine {
  const own = said.filter(({ ofId, seam }) => ofId === repairId && seam === line.key);
  if (own.length === 0) return line;
  const last = <Key extends keyof SeamSaid>(key: Key) =>
    own.reduce<SeamSaid[Key] | undefined>((value, each) => each[key] ?? value, undefined);
  const [gapMm, access, position, leftOpen] = [
    last('gapMm'),
    last('access') ?? line.access,
    last('position') ?? line.position,
    last('leftOpen'),
  ];
  const grown = gapMm !== undefined && gapMm > GAP_IGNORED_MM ? gapMm : 0;
  const isPoor = access === 'poor';
  return {
    ...line,
    access,
    position,
    ...(gapMm !== undefined && { gapMm }),
    ...(leftOpen && { leftOpen }),
    // Measured from the wall, leg and edge both stand out by the gap; the throat beyond it stays what it was.
    legMm: line.legMm + (line.kind === 'fillet' ? grown : 0),
    maximumLegMm: line.maximumLegMm + (line.kind === 'fillet' ? grown : 0),
    fillerNPerMm: line.fillerNPerMm * (isPoor ? POOR_ACCESS_SHARE : 1),
    ...(line.plugs &&
      isPoor && { plugs: { ...line.plugs, strengthN: line.plugs.strengthN * POOR_ACCESS_SHARE } }),
  };
}

/** A gap too wide to weld over: the parts are fitted again. */
export const isGapOver = ({ gapMm, thinnerMm }: Pick<WeldLine, 'gapMm' | 'thinnerMm'>): boolean =>
  gapMm !== undefined && gapMm > gapLimitMm(thinnerMm) + 1e-6;
