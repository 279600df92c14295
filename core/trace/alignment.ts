import { z } from 'zod';
import { bySchema, evidenceKind, HOST_ON, hostOf, instantSchema, memberOf, recordIdSchema } from '../frame';
import { fail, ok } from '../quantity';

const offMm = z.number().gte(-500).lte(500);

/**
 * How far what parted, or a bracket that let go, stands off its place: across, up and along from where it was (the other half of the break, the twin,
 * the maker's figures), and the angle between the two halves. Zero is what is wanted before anything is welded.
 */
export const alignmentSchema = z.object({
  kind: z.literal('alignment'),
  id: recordIdSchema,
  of: z.discriminatedUnion('on', [
    z.object({
      on: z.literal('member'),
      id: z.string().min(1).max(40),
      stationMm: z.number().gte(0).lte(40_000),
    }),
    z.object({ on: z.enum(HOST_ON), id: z.string().min(1).max(60) }),
  ]),
  acrossMm: offMm,
  upMm: offMm,
  alongMm: offMm,
  angleDeg: z.number().gte(-45).lte(45).optional(),
  /** From it to two places that did not move, and the same on the other side. */
  diagonalsMm: z.tuple([z.number().gt(0).lte(20_000), z.number().gt(0).lte(20_000)]).optional(),
  held: z.boolean(),
  /** An axle whose bracket let go turns as soon as the last weld is cut, unless it is held. */
  axleHeld: z.boolean().optional(),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type Alignment = z.infer<typeof alignmentSchema>;

export const alignmentKind = evidenceKind<Alignment>({
  name: 'alignment',
  schema: alignmentSchema,
  fits: (frame, { of }) => {
    const is = of.on === 'member' ? memberOf(frame, of.id) : hostOf(frame, of.on, of.id);
    return is ? ok({}) : fail(`${of.id} is not on this frame`, 'of');
  },
  tells: () => [],
});

/** As good as in line: 1/16 in and half a degree; diagonals alike to 1/8 in (common practice, no source). */
const [LINE_MM, LINE_DEG, DIAGONALS_MM] = [1.5875, 0.5, 3.175];
/** Sizes come as sixteenths turned into millimetres: at the limit is within it. */
const ROUNDING_MM = 1e-6;

export const ALIGNMENT_LACKS = [
  'not recorded',
  'out of line',
  'diagonals differ',
  'not held',
  'axle not held',
] as const;
export type AlignmentLack = (typeof ALIGNMENT_LACKS)[number];

/** What is missing before anything may be welded there; nothing where it is in line and held. */
export function alignmentLacks(last: Alignment | undefined, locatesAxle: boolean): AlignmentLack[] {
  if (!last) return ['not recorded'];
  const { acrossMm, upMm, alongMm, angleDeg = 0, diagonalsMm, held, axleHeld } = last;
  const off = Math.max(Math.abs(acrossMm), Math.abs(upMm), Math.abs(alongMm));
  return [
    ...(off > LINE_MM + ROUNDING_MM || Math.abs(angleDeg) > LINE_DEG ? (['out of line'] as const) : []),
    ...(diagonalsMm && Math.abs(diagonalsMm[0] - diagonalsMm[1]) > DIAGONALS_MM + ROUNDING_MM
      ? (['diagonals differ'] as const)
      : []),
    ...(held ? [] : (['not held'] as const)),
    ...(locatesAxle && !axleHeld ? (['axle not held'] as const) : []),
  ];
}
