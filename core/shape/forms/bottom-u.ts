import { faceOf, uOnFace } from '../../frame';
import type { PieceForm } from './form';
import { mainSideOf } from './sides';

/** A cap over the lower part of a box or a hat: up both sides. */
export const bottomU: PieceForm = {
  kind: 'bottom U',
  facesOn: mainSideOf('box', 'hat'),
  sets: { lower: false, upper: true },
  start: ({ depthMm }) => ({ lowerEdgeMm: 0, upperEdgeMm: depthMm / 2 }),
  coverage: (shape, { upperEdgeMm }, side) => {
    const inner = faceOf(shape, 'inner')!;
    return {
      uFromMm: uOnFace(side, upperEdgeMm),
      uToMm: uOnFace(inner, upperEdgeMm),
      noseUMm: (side.uStartMm + side.widthMm + inner.uStartMm) / 2,
    };
  },
  replaces: true,
  inside: () => false,
};
