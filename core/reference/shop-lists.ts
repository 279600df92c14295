import { z } from 'zod';
import type { Form } from '../quantity';
import { DEFAULT_WEEK, shopWeekSchema } from './shop-week';

const name = z.string().trim().min(1, 'a name is needed').max(60);
const price = z.number().gte(0).lte(1e6);

/** Somebody of the shop, by role or initials, and what they may do. */
export const personSchema = z.object({
  name: z.string().trim().min(1, 'initials or a role').max(12, 'initials or a role, not a whole name'),
  role: name,
  welds: z.boolean(),
  /** Which paper says so, and until when. */
  qualification: z.string().trim().max(120).default(''),
});
export type Person = z.infer<typeof personSchema>;
/** A place to work at. */
export const baySchema = z.object({
  name,
  hasLift: z.boolean(),
  longestMm: z.number().gt(0).lte(40_000).optional(),
});
export type Bay = z.infer<typeof baySchema>;
/** A cap or plate that is bought in: generic, as the shop describes it. */
export const kitSchema = z.object({
  name,
  family: z.string().trim().max(40).default(''),
  coversMm: z.number().gt(0).lte(12_000),
  edgeMm: z.number().gte(0).lte(1000),
  thicknessMm: z.number().gt(0.5).lt(40),
  price: price.optional(),
  /** Alike pieces of a set, each as long as it covers, welded end to end; one where nothing is said. */
  pieces: z.number().int().gte(1).lte(12).optional(),
  /** What its maker says of how it goes on. */
  instructions: z.string().trim().max(200).optional(),
  /** Days from the order to the door. */
  leadDays: z.number().int().gte(0).lte(365).optional(),
});
export type Kit = z.infer<typeof kitSchema>;
export const consumableSchema = z.object({ name, unit: z.string().trim().min(1).max(20), price });
export type Consumable = z.infer<typeof consumableSchema>;
/** A piece of steel on the shelf or in the offcut pile. */
export const shelfSchema = z.object({
  thicknessMm: z.number().gt(0.5).lt(50),
  lengthMm: z.number().gt(0).lte(20_000),
  widthMm: z.number().gt(0).lte(5000),
  count: z.number().int().gte(1).lte(1000),
});
export type ShelfPiece = z.infer<typeof shelfSchema>;

const once = <Item extends { readonly name: string }>(items: readonly Item[]): boolean =>
  new Set(items.map((item) => item.name.toLowerCase())).size === items.length;

/** What a shop has, beside how it works. */
export const shopListsSchema = z.object({
  people: z.array(personSchema).max(60).refine(once, 'two people have one name'),
  bays: z.array(baySchema).max(40).refine(once, 'two bays have one name'),
  kits: z.array(kitSchema).max(200).refine(once, 'two kits have one name'),
  consumables: z.array(consumableSchema).max(200).refine(once, 'two consumables have one name'),
  shelf: z.array(shelfSchema).max(400),
  week: shopWeekSchema.default(() => DEFAULT_WEEK),
});
export type ShopLists = z.infer<typeof shopListsSchema>;
export const NO_LISTS: ShopLists = {
  people: [],
  bays: [],
  kits: [],
  consumables: [],
  shelf: [],
  week: DEFAULT_WEEK,
};
export const shopListsForm: Form<ShopLists> = {
  name: 'shop lists',
  version: 2,
  schema: shopListsSchema,
  upcasts: { 1: (body) => body },
};
