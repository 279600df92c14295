import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped } from './stamp';

export const FATES = ['goes back', 'scrap', 'trimmed, goes back'] as const;

/** Something that came off: where it lies, what its bolts are in, where it sat. */
export const removalSchema = z.object({
  kind: z.literal('removal'),
  ...stamped,
  /** As the plan names the part. */
  partId: z.string().min(1).max(80),
  name: z.string().trim().min(1, 'what came off?').max(120),
  /** Which shelf, crate, corner; empty where nobody said. */
  place: z.string().trim().max(80).default(''),
  bag: z.string().trim().max(40).default(''),
  fate: z.enum(FATES),
  /** Fuel and gas: carried out of the building, not only off the unit. */
  isOutside: z.boolean().optional(),
  /** How full it was, as the gauge or a stick said. */
  level: z.string().trim().max(60).optional(),
  /** Its place from the datum before it came off, mm: along, out, below the middle of the rails. */
  sat: z
    .object({
      stationMm: z.number().gte(-3000).lte(42_000),
      outMm: z.number().gte(-3000).lte(3000).optional(),
      dropMm: z.number().gte(-4000).lte(4000).optional(),
    })
    .optional(),
  broke: z.string().trim().max(120).optional(),
});
export type Removal = z.infer<typeof removalSchema>;

export const removalKind = evidenceKind<Removal>({
  name: 'removal',
  schema: removalSchema,
  fits: (_frame, { place, name, fate }) =>
    ok(place === '' && fate !== 'scrap' ? { warning: `nobody said where ${name} lies` } : {}),
  tells: nobody,
});
