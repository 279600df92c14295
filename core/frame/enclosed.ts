import { z } from 'zod';

const station = z
  .number()
  .gte(0, 'a station is not below 0')
  .lte(40_000, 'a station over 40 m is off any frame');
const id = z.string().min(1).max(40);
const name = z.string().trim().min(1, 'a name is needed').max(60);

export const PANEL_KINDS = ['skin', 'floor', 'bulkhead'] as const;
/** Sheet that is no member: it hides members behind it, and cracks or gapes when one of them goes. Stations are the frame's. */
export const panelSchema = z.object({
  id,
  kind: z.enum(PANEL_KINDS),
  name,
  side: z.enum(['left', 'right']).optional(),
  fromMm: station,
  toMm: station,
  behindIds: z.array(id).min(1, 'which member does it lie over?').max(20),
});
export type Panel = z.infer<typeof panelSchema>;

/** A closed space of a member: dirt and water stay in it unless it drains. Stations are the member's own. */
export const pocketSchema = z.object({
  id,
  name,
  memberId: id,
  fromMm: station,
  toMm: station,
  drains: z.number().int().gte(0).lte(20),
});
export type Pocket = z.infer<typeof pocketSchema>;
