import { uOnFace } from '../../frame';
import type { PieceForm } from './form';
import { mainSideOf } from './sides';

/** Over the top flange and down the web of an open channel. */
export const topL: PieceForm = {
  kind: 'top L',
  facesOn: mainSideOf('channel'),
  sets: { lower: true, upper: false },
  start: ({ depthMm }) => ({ lowerEdgeMm: depthMm / 2, upperEdgeMm: depthMm }),
  coverage: (_, { lowerEdgeMm }, side) => ({
    uFromMm: 0,
    uToMm: uOnFace(side, lowerEdgeMm),
    noseUMm: side.uStartMm,
  }),
  replaces: false,
  freeLegMm: (_, __, side) => side.uStartMm,
  inside: () => true,
};
