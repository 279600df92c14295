import type { FaceId } from '../frame';
import { cellIs, isBad } from '../metal';
import { soundThresholdMm } from '../probe';
import type { MemberPicture } from './picture';

/** A station where some of the wall is bad, and on which faces, mm along the member. */
export interface KnownBad {
  readonly stationMm: number;
  readonly faces: ReadonlySet<FaceId>;
}

/**
 * Stations where some of the wall is known to be bad: gone, unsound or read too thin. What is only doubtful or hidden asks to be looked at, and says
 * so elsewhere.
 */
export function knownBad({ account, practice }: Pick<MemberPicture, 'account' | 'practice'>): KnownBad[] {
  const { stationsMm, best, surface } = account;
  const isBadAt = (row: number, column: number): boolean => {
    const is = cellIs(account, row, column);
    const soundMm = soundThresholdMm(surface.rowFace[row]!.wallMm, practice);
    return isBad(is) || (is === 'measured' && best.thicknessMm[row * stationsMm.length + column]! < soundMm);
  };
  return [...stationsMm].flatMap((stationMm, column) => {
    const faces = new Set(surface.rowFace.filter((_, row) => isBadAt(row, column)).map(({ id }) => id));
    return faces.size > 0 ? [{ stationMm, faces }] : [];
  });
}
