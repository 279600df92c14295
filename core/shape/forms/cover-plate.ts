import { uOnFace } from '../../frame';
import { inchesToMm, fail, ok } from '../../quantity';
import type { PieceForm } from './form';
import { flatFaces } from './sides';

const NARROWEST_MM = 20;
/** Room left at each edge of the flange for the fillet's shelf, until a leg is known (common practice, no source). */
const SHELF_MM = inchesToMm(3 / 8);

/** A flat plate over a flange: under a beam's lower one, over its upper one, or on the floor of a box or hat. */
export const coverPlate: PieceForm = {
  kind: 'cover plate',
  facesOn: (shape) =>
    [...flatFaces(shape, false)].reverse().filter(({ widthMm }) => widthMm >= NARROWEST_MM + 2 * SHELF_MM),
  sets: { lower: true, upper: true },
  start: (_, { widthMm }) => ({ lowerEdgeMm: SHELF_MM, upperEdgeMm: widthMm - SHELF_MM }),
  coverage: (_, { lowerEdgeMm, upperEdgeMm }, face) => {
    const ends = [uOnFace(face, lowerEdgeMm), uOnFace(face, upperEdgeMm)];
    const [uFromMm, uToMm] = [Math.min(...ends), Math.max(...ends)];
    return { uFromMm, uToMm, noseUMm: (uFromMm + uToMm) / 2 };
  },
  replaces: false,
  inside: () => false,
  check: (_, { lowerEdgeMm, upperEdgeMm }) =>
    upperEdgeMm - lowerEdgeMm >= NARROWEST_MM
      ? ok(null)
      : fail('the cover plate is narrower than 3/4 in (20 mm)'),
};
