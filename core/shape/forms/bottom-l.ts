import { developedWidthMm, uOnFace } from '../../frame';
import type { PieceForm } from './form';
import { mainSideOf } from './sides';

/** Under the bottom flange and up the web: an open channel, or an angle. */
export const bottomL: PieceForm = {
  kind: 'bottom L',
  facesOn: mainSideOf('channel', 'angle'),
  sets: { lower: false, upper: true },
  start: ({ depthMm }) => ({ lowerEdgeMm: 0, upperEdgeMm: depthMm / 2 }),
  coverage: (shape, { upperEdgeMm }, side) => ({
    uFromMm: uOnFace(side, upperEdgeMm),
    uToMm: developedWidthMm(shape),
    noseUMm: side.uStartMm + side.widthMm,
  }),
  replaces: true,
  freeLegMm: (shape, _, side) => developedWidthMm(shape) - (side.uStartMm + side.widthMm),
  inside: () => true,
};
