import { z } from 'zod';

const pair = (most: number) =>
  z
    .tuple([z.number().gte(0).lte(most), z.number().gte(0).lte(most)])
    .refine(([least, top]) => least <= top, 'the least comes first');
const hours = pair(2000);

/**
 * What work takes, hours, least and most of each piece of it. All common practice, no source: a short patch of a sheet rail about two days, a
 * truck with one bad rail a week or more. The shop's own figures replace them.
 */
export const normsSchema = z.object({
  /** What comes off and goes back for one stretch: bed, tank, lines, trim. */
  stripDown: hours,
  /** A stretch cleaned, opened, cut and made ready. */
  makeReady: hours,
  /** A plate cut, bent and fitted. */
  plate: hours,
  weldPerMetre: hours,
  crackWelded: hours,
  splice: hours,
  crossmember: hours,
  rail: hours,
  fitting: hours,
  boltedPlate: hours,
  temporary: hours,
  frameSwap: hours,
  /** A member or a set of mounts pressed back into line, and measured. */
  straighten: hours.default((): [number, number] => [4, 16]),
  /** A body item that is through, soft or cracked, made good: a floor sheet, an arch, a mount on the tub. */
  bodyItem: hours.default((): [number, number] => [2, 10]),
  /** A member cleaned and coated inside and out. */
  coating: hours,
  /** How often something seizes or breaks where a stretch is stripped, and what it adds. */
  seizedChance: z.number().gte(0).lte(1),
  seized: hours,
  /** How often a critical spot nobody saw hides a patch's worth, and what that adds. */
  hiddenChance: z.number().gte(0).lte(1),
  hidden: hours,
});
export type Norms = z.infer<typeof normsSchema>;
export const DEFAULT_NORMS: Norms = {
  stripDown: [1, 6],
  makeReady: [1, 4],
  plate: [1, 3],
  weldPerMetre: [0.5, 1.5],
  crackWelded: [0.5, 2],
  splice: [16, 40],
  crossmember: [4, 12],
  rail: [40, 100],
  fitting: [2, 10],
  boltedPlate: [4, 12],
  temporary: [1, 4],
  frameSwap: [60, 160],
  straighten: [4, 16],
  bodyItem: [2, 10],
  coating: [1, 3],
  seizedChance: 0.5,
  seized: [0.5, 4],
  hiddenChance: 0.25,
  hidden: [2, 12],
};
