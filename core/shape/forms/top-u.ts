import { uOnFace } from '../../frame';
import type { PieceForm } from './form';
import { mainSideOf } from './sides';

/** A cap over the upper part of a box: down both sides. With a bottom cap it makes a sleeve. */
export const topU: PieceForm = {
  kind: 'top U',
  facesOn: mainSideOf('box'),
  sets: { lower: true, upper: false },
  start: ({ depthMm }) => ({ lowerEdgeMm: depthMm / 2, upperEdgeMm: depthMm }),
  coverage: (_, { lowerEdgeMm }, side) => ({
    uFromMm: -(side.widthMm - lowerEdgeMm),
    uToMm: uOnFace(side, lowerEdgeMm),
    noseUMm: side.uStartMm / 2,
  }),
  replaces: false,
  inside: () => false,
};
