import { developedWidthMm, faceOf, isClosed, uOnFace, type Hole, type Member } from '../frame';
import { coverageAt, type Piece } from './repair';

/** A hole of the maker's that a piece meets: wholly under it, to be repeated in it, or half covered by its edge or end. */
export interface HoleUnder {
  readonly hole: Hole;
  /** Developed coordinate of its middle, on the piece's own lap of a closed section. */
  readonly uMm: number;
  readonly is: 'under it' | 'half covered';
}

/** Metal that a repeated hole leaves to the plate's edge, of its diameter: half of it (ours). */
const EDGE_SHARE = 0.5;

/** The maker's holes that a piece meets. */
export function holesUnder(member: Member, piece: Piece): HoleUnder[] {
  return (member.holes ?? []).flatMap((hole): HoleUnder[] => {
    const face = faceOf(member.shape, hole.face);
    if (!face) return [];
    const at = uOnFace(face, hole.heightMm);
    const aroundMm = developedWidthMm(member.shape);
    const laps = isClosed(member.shape) ? [at - aroundMm, at, at + aroundMm] : [at];
    for (const uMm of laps) {
      const is = meets(member, piece, hole, uMm);
      if (is) return [{ hole, uMm, is }];
    }
    return [];
  });
}

function meets(
  member: Member,
  piece: Piece,
  { stationMm, diameterMm }: Hole,
  uMm: number,
): HoleUnder['is'] | undefined {
  const radiusMm = diameterMm / 2;
  const isTouched = [stationMm - radiusMm, stationMm, stationMm + radiusMm].some((mm) => {
    const cover = coverageAt(member, piece, mm);
    return cover && uMm + radiusMm > cover.uFromMm && uMm - radiusMm < cover.uToMm;
  });
  if (!isTouched) return undefined;
  const roomMm = radiusMm + EDGE_SHARE * diameterMm;
  const isUnder = [stationMm - roomMm, stationMm, stationMm + roomMm].every((mm) => {
    const cover = coverageAt(member, piece, mm);
    return cover && uMm - roomMm >= cover.uFromMm && uMm + roomMm <= cover.uToMm;
  });
  return isUnder ? 'under it' : 'half covered';
}
