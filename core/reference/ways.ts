import { z } from 'zod';
import { inchesToMm } from '../quantity';

/** The schools of what is done with a bad frame (common practice, no source; the trade disagrees). */
export const APPROACHES = ['repair', 'replace only', 'preservation', 'section', 'bolt on'] as const;
export type Approach = (typeof APPROACHES)[number];
/** The three schools of where to cut and land. */
export const SCHOOL_IDS = ['half-inch band', 'one inch left', 'where rust ends'] as const;
export const schoolSchema = z.enum(SCHOOL_IDS);
export type School = z.infer<typeof schoolSchema>;

export const OPENINGS = ['by section', 'cut out', 'overlay'] as const;
export const SEAMS = ['continuous', 'runs to continuous', 'skip'] as const;
export const DRAINS = ['open', 'sealed'] as const;
export const COATS = ['after welding', 'before, inside'] as const;
export const CRACK_WAYS = ['weld and plate', 'weld only', 'splice'] as const;

/** How a shop works, where the trade disagrees; all common practice, no source. */
export const waysSchema = z.object({
  approach: z.enum(APPROACHES),
  /** Where the edge of a plate may come; the shop's own school where nothing is said here. */
  margin: schoolSchema.optional(),
  /** Bad metal is cut out, or plated over; by section: cut out of closed ones, over on open ones. */
  opening: z.enum(OPENINGS),
  seams: z.enum(SEAMS),
  plugs: z.boolean(),
  drains: z.enum(DRAINS),
  coat: z.enum(COATS),
  cracks: z.enum(CRACK_WAYS),
  /** Up to this share of a rail is spliced; beyond that it is renewed. */
  spliceShare: z.number().gt(0).lte(1),
  /** No plate longer than this; absent where only four rail depths past the damage limit it. */
  longestPlateMm: z.number().gte(100).lte(12_000).optional(),
});
export type Ways = z.infer<typeof waysSchema>;
const part = waysSchema.partial();
export type WaysPart = z.infer<typeof part>;

/** Ways everywhere, and where sheet, plate or a family of frames is worked otherwise. Families by their names. */
export const shopWaysSchema = z.object({
  everywhere: waysSchema,
  sheet: part.optional(),
  plate: part.optional(),
  families: z.record(z.string().min(1).max(40), part).default({}),
});
export type ShopWays = z.infer<typeof shopWaysSchema>;
export const DEFAULT_WAYS: ShopWays = {
  everywhere: {
    approach: 'repair',
    opening: 'by section',
    seams: 'runs to continuous',
    plugs: false,
    drains: 'open',
    coat: 'after welding',
    cracks: 'weld and plate',
    spliceShare: 0.25,
  },
  families: {},
};

/** Walls made from this up are plate; thinner ones are sheet. */
export const PLATE_FROM_MM = inchesToMm(1 / 8);
export const isPlate = (madeMm: number): boolean => madeMm >= PLATE_FROM_MM - 1e-9;

/** The ways that hold for a wall of a frame: its family's before its wall class's before those everywhere. */
export function waysFor(
  { ways, school }: { readonly ways: ShopWays; readonly school: School },
  { family, madeMm }: { readonly family: string; readonly madeMm: number },
): Ways & { readonly margin: School } {
  const { everywhere, sheet, plate, families } = ways;
  return { margin: school, ...everywhere, ...(isPlate(madeMm) ? plate : sheet), ...families[family] };
}
