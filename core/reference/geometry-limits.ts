import { z } from 'zod';
import { inchesToMm } from '../quantity';
import type { Source } from './source';

/** How far a frame may stand from straight and square before it is called out; the shop's to change, the maker's own figure wins. */
export const geometryPracticeSchema = z.object({
  /** Wheelbase left against right, mm. */
  sidesMm: z.number().gt(0).lte(50),
  /** A measure against the maker's or a known-good frame's figure that has no tolerance of its own, mm. */
  figureMm: z.number().gt(0).lte(50),
  /** The two diagonals of one rectangle against each other, mm. */
  diagonalsMm: z.number().gt(0).lte(50),
  /** A line's bow, share of the stretch between the marks it is seen from. */
  lineShare: z.number().gt(0).lte(0.02),
  /** Level across, or along one straight member, between its stations, degrees. */
  angleDeg: z.number().gt(0).lte(5),
  /** A mount out of its set's plane, or a bracket or hole against its twin, mm. */
  placeMm: z.number().gt(0).lte(50),
});
export type GeometryPractice = z.infer<typeof geometryPracticeSchema>;
export const DEFAULT_GEOMETRY_PRACTICE: GeometryPractice = {
  sidesMm: inchesToMm(1 / 8),
  figureMm: inchesToMm(1 / 4),
  diagonalsMm: inchesToMm(1 / 8),
  lineShare: 1 / 480,
  angleDeg: 0.5,
  placeMm: inchesToMm(1 / 8),
};

/** What new rolled channels and I-beams may bow, and new tubes: nothing within it can be told from how it was made. */
export const MILL_STRAIGHTNESS: Source = {
  document: 'ASTM A6 (S and C shapes, camber) and A500 (tubes)',
  clause: '1/8 in for every 5 ft: a 480th of the length',
  fromMemory: true,
};
