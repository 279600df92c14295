import { z } from 'zod';

/** How a crack is looked for, whatever it is in; *told* is somebody else's word for it. */
export const SEEN_BY_IDS = [
  'eye',
  'dye penetrant',
  'magnetic particle',
  'light through',
  'scope',
  'told',
] as const;
export type SeenBy = (typeof SEEN_BY_IDS)[number];
/** Where it starts. */
export const STARTS_AT = ['weld toe', 'bracket end', 'hole', 'old repair', 'plain edge', 'mid-face'] as const;
export const DEPTHS = ['through', 'surface'] as const;
export const CRACK_SIGNS = ['rust in it', 'fresh streak', 'opens under load', 'after grinding'] as const;
export const CRACK_ENDS = ['found', 'runs under something', 'not found'] as const;
export type CrackEnd = (typeof CRACK_ENDS)[number];

/** What a unit had done when somebody looked: odometer, km, or the hours it had run. */
export const usedSchema = {
  usedKm: z.number().gte(0).lte(1e7).optional(),
  usedHours: z.number().gte(0).lte(1e6).optional(),
};
