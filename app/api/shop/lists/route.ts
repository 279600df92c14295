import { z } from 'zod';
import { mutation } from '../../_door';
import { bySchema, instantSchema } from '@/core/frame';
import { shopListsSchema } from '@/core/reference';
import { changeShopLists, database } from '@/data';

const change = z.object({
  basedOn: z.number().int().gte(0),
  to: shopListsSchema,
  by: bySchema,
  at: instantSchema,
});

/** People, bays, kits, consumables and steel on the shelf. */
export const POST = (request: Request) =>
  mutation(request, change, (value) => changeShopLists(database(), value));
