import { uOnFace } from '../../frame';
import { fail, ok } from '../../quantity';
import type { PieceForm } from './form';
import { flatFaces } from './sides';

/** Narrower than this there is no room for two welds and metal between them, mm (ours: 3/4 in). */
const NARROWEST_MM = 20;

/** A flat plate on a standing face: a fish plate over a hole or a crack, one of a pair on a web. */
export const sidePlate: PieceForm = {
  kind: 'side plate',
  facesOn: (shape) => flatFaces(shape, true),
  sets: { lower: true, upper: true },
  start: (_, { widthMm }) => ({ lowerEdgeMm: widthMm / 4, upperEdgeMm: (3 * widthMm) / 4 }),
  coverage: (_, { lowerEdgeMm, upperEdgeMm }, face) => {
    const ends = [uOnFace(face, upperEdgeMm), uOnFace(face, lowerEdgeMm)];
    const [uFromMm, uToMm] = [Math.min(...ends), Math.max(...ends)];
    return { uFromMm, uToMm, noseUMm: (uFromMm + uToMm) / 2 };
  },
  replaces: false,
  // In a box too, where somebody gets to it: through its floor while that is out, or an opening.
  inside: (shape) => shape.kind !== 'tube',
  check: (_, { lowerEdgeMm, upperEdgeMm }) =>
    upperEdgeMm - lowerEdgeMm >= NARROWEST_MM
      ? ok(null)
      : fail('the side plate is narrower than 3/4 in (20 mm)'),
};
