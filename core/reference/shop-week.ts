import { z } from 'zod';

/** When a shop works: days by their number (1 Monday … 7 Sunday), from what hour, how many hours of work; days it is shut. */
export const shopWeekSchema = z.object({
  days: z
    .array(z.number().int().gte(1).lte(7))
    .min(1, 'a shop works one day a week at least')
    .max(7)
    .refine((days) => new Set(days).size === days.length, 'a day is there twice'),
  fromHour: z.number().gte(0).lte(23),
  hoursADay: z.number().gt(0).lte(24),
  shut: z.array(z.iso.date()).max(400),
});
export type ShopWeek = z.infer<typeof shopWeekSchema>;
/** Five days, seven hours of work in each (common practice, no source). */
export const DEFAULT_WEEK: ShopWeek = { days: [1, 2, 3, 4, 5], fromHour: 8, hoursADay: 7, shut: [] };
