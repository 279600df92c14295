import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, recordIdSchema } from '../../frame';
import { ok } from '../../quantity';
import { farMm, fitsMeasure, hostIdSchema, keyOfMeasure, mountSchema, placeName } from './measure';

/** Where a figure is known from. */
export const KNOWN_FROM = ['the maker', 'a known-good frame', 'the good side', 'before the damage'] as const;

/** A figure from elsewhere that a measure of this unit is held against: by the same names. */
export const figureSchema = z.object({
  kind: z.literal('figure'),
  id: recordIdSchema,
  figure: z.discriminatedUnion('of', [
    z.object({ of: z.literal('wheelbase'), fromId: hostIdSchema, toId: hostIdSchema, mm: farMm }),
    z.object({ of: z.literal('diagonals'), place: placeName, mm: farMm }),
    z.object({ of: z.literal('mounts'), set: placeName, points: z.array(mountSchema).min(2).max(12) }),
  ]),
  from: z.enum(KNOWN_FROM),
  /** Which book, page, unit. */
  where: z.string().trim().min(2, 'say where it stands: the book and page, or which unit').max(120),
  toleranceMm: z.number().gt(0).lte(100).optional(),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type Figure = z.infer<typeof figureSchema>;

export const figureKind = evidenceKind<Figure>({
  name: 'figure',
  schema: figureSchema,
  fits: (frame, { figure }) =>
    figure.of === 'wheelbase'
      ? fitsMeasure(frame, { ...figure, leftMm: figure.mm, rightMm: figure.mm })
      : ok({}),
  tells: () => [],
});
export const keyOfFigure = ({ figure }: Figure): string => {
  if (figure.of === 'wheelbase') return keyOfMeasure({ ...figure, leftMm: figure.mm, rightMm: figure.mm });
  return figure.of === 'diagonals'
    ? `diagonals ${figure.place.toLowerCase()}`
    : `mounts ${figure.set.toLowerCase()}`;
};
