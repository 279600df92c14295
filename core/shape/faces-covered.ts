import { facesOf, isClosed, type FaceId, type MemberShape } from '../frame';
import { coverage, type Piece } from './repair';

/** A piece covers a face where it lies over more of it than this, mm: a bend's own radius does not count. */
const MORE_THAN_MM = 3;

/** Faces that a piece lies on, at its full width. */
export function facesCovered(shape: MemberShape, piece: Piece): ReadonlySet<FaceId> {
  const { uFromMm, uToMm } = coverage(shape, piece);
  const aroundMm = facesOf(shape).reduce((sum, { widthMm }) => sum + widthMm, 0);
  const laps = isClosed(shape) ? [-aroundMm, 0, aroundMm] : [0];
  return new Set(
    facesOf(shape)
      .filter(({ uStartMm, widthMm }) =>
        laps.some(
          (lapMm) =>
            Math.min(uToMm, uStartMm + lapMm + widthMm) - Math.max(uFromMm, uStartMm + lapMm) > MORE_THAN_MM,
        ),
      )
      .map(({ id }) => id),
  );
}
