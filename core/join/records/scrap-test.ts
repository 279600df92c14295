import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, recordIdSchema } from '../../frame';
import { ok } from '../../quantity';
import { GASES, WIRES } from '../../reference';
import { WELD_POSITIONS } from '../weld-line';

/** A weld tried on scrap of the same thickness and broken open: what held is the shop's own start. */
export const scrapTestSchema = z.object({
  kind: z.literal('scrap test'),
  id: recordIdSchema,
  thicknessMm: z.number().gt(0.3).lte(25),
  wire: z.enum(WIRES),
  gas: z.enum(GASES),
  position: z.enum(WELD_POSITIONS),
  amps: z.number().gt(0, 'amps are more than nothing').lte(500),
  volts: z.number().gt(0, 'volts are more than nothing').lte(50),
  /** Wire fed, mm/s. */
  feedMmS: z.number().gt(0).lte(500).optional(),
  held: z.boolean(),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type ScrapTest = z.infer<typeof scrapTestSchema>;

export const scrapTestKind = evidenceKind<ScrapTest>({
  name: 'scrap test',
  schema: scrapTestSchema,
  fits: () => ok({}),
  tells: () => [],
});
