import { developedWidthMm } from '../../frame';
import type { PieceForm } from './form';
import { mainSideOf } from './sides';

/** A whole channel over the old one: both flanges and the web. */
export const fullC: PieceForm = {
  kind: 'full C',
  facesOn: mainSideOf('channel'),
  sets: { lower: false, upper: false },
  start: ({ depthMm }) => ({ lowerEdgeMm: 0, upperEdgeMm: depthMm }),
  coverage: (shape, _, side) => ({
    uFromMm: 0,
    uToMm: developedWidthMm(shape),
    noseUMm: side.uStartMm + side.widthMm / 2,
  }),
  replaces: false,
  freeLegMm: (_, __, side) => side.uStartMm,
  inside: () => true,
};
