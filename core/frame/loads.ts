import { z } from 'zod';

/** What is in a tank: water and waste burn nothing; gas goes out of the building as fuel does. One of which nobody said so is taken for fuel. */
export const TANK_HOLDS = ['fuel', 'gas', 'water', 'waste', 'air'] as const;
export type TankHolds = (typeof TANK_HOLDS)[number];
export const burns = (holds: TankHolds | undefined): boolean =>
  holds === undefined || holds === 'fuel' || holds === 'gas';

export const LOAD_KINDS = ['engine', 'cab', 'body', 'tank', 'payload', 'fittings', 'house'] as const;

/** Something heavy that the frame carries, spread evenly between two stations. */
export const loadSchema = z
  .object({
    id: z.string().min(1).max(40),
    kind: z.enum(LOAD_KINDS),
    name: z.string().trim().min(1, 'name the load').max(60),
    massKg: z.number().gt(0, 'a load weighs something').lt(80_000, 'a load over 80 t is on no road frame'),
    fromMm: z.number().gte(-3000).lte(42_000),
    toMm: z.number().gte(-3000).lte(42_000),
    holds: z.enum(TANK_HOLDS).optional(),
    /** Share of it on the left rail. */
    leftShare: z.number().gte(0).lte(1),
    /** Its centre above the ground; left out, as is usual for its kind. */
    heightMm: z
      .number()
      .gt(0, 'a load’s centre is above the ground')
      .lte(5000, 'a centre over 5 m (16 ft) up is above any road unit')
      .optional(),
  })
  .refine((load) => load.toMm >= load.fromMm, {
    path: ['toMm'],
    message: 'it ends ahead of where it starts',
  });
export type Load = z.infer<typeof loadSchema>;

/** One ticket of an axle scale: what stood on each axle, left and right, and on the coupler or pin where the unit has one. */
export const ticketSchema = z.object({
  id: z.string().min(1).max(60),
  at: z.iso.datetime(),
  by: z.string().trim().min(1, 'who: role or initials').max(40),
  /** In the order of the frame's axles, front to rear. */
  axles: z
    .array(z.object({ leftKg: z.number().gte(0).lt(40_000), rightKg: z.number().gte(0).lt(40_000) }))
    .min(1)
    .max(8),
  couplerKg: z.number().gte(0).lt(40_000).optional(),
  /** Printed by the scale's stand-in: nothing was weighed. */
  simulated: z.literal(true).optional(),
});
export type ScaleTicket = z.infer<typeof ticketSchema>;

/** A stand, crib or arm that holds the frame while it is cut and welded. */
export const frameStandSchema = z.object({
  id: z.string().min(1).max(40),
  side: z.enum(['left', 'centre', 'right']),
  stationMm: z.number().gte(0).lte(42_000),
});
export type FrameStand = z.infer<typeof frameStandSchema>;

export const loadsSchema = z.object({
  items: z.array(loadSchema).max(40),
  ticket: ticketSchema.optional(),
  /** Items taken off before anything is cut open. */ takenOff: z.array(z.string()).max(40).optional(),
  /** What it stands on from the first cut to the last weld. */
  stands: z.array(frameStandSchema).max(12).optional(),
});
export type Loads = z.infer<typeof loadsSchema>;
