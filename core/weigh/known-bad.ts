import { cellIs, isBad } from '../metal';
import { soundThresholdMm } from '../probe';
import type { MemberPicture } from './picture';

/**
 * Stations where some of the wall is known to be bad, mm: gone, unsound or read too thin. What is only doubtful or hidden asks to be looked at, and says
 * so elsewhere.
 */
export function knownBadMm({ account, practice }: Pick<MemberPicture, 'account' | 'practice'>): number[] {
  const { stationsMm, best, surface } = account;
  const isBadAt = (row: number, column: number): boolean => {
    const is = cellIs(account, row, column);
    const soundMm = soundThresholdMm(surface.rowFace[row]!.wallMm, practice);
    return isBad(is) || (is === 'measured' && best.thicknessMm[row * stationsMm.length + column]! < soundMm);
  };
  return [...stationsMm].filter((_, column) => surface.rowFace.some((__, row) => isBadAt(row, column)));
}
