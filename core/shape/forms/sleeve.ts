import { developedWidthMm, facesOf } from '../../frame';
import type { PieceForm } from './form';

/** Two halves round a tube, welded to each other along both seams and to the tube at their slanted ends. */
export const sleeve: PieceForm = {
  kind: 'sleeve',
  facesOn: (shape) => (shape.kind === 'tube' ? facesOf(shape).slice(0, 1) : []),
  sets: { lower: false, upper: false },
  start: (_, { widthMm }) => ({ lowerEdgeMm: 0, upperEdgeMm: widthMm }),
  coverage: (shape) => {
    const aroundMm = developedWidthMm(shape);
    return { uFromMm: 0, uToMm: aroundMm, noseUMm: aroundMm / 2 };
  },
  replaces: false,
  wraps: true,
  inside: () => false,
};
