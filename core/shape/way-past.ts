import { developedWidthMm, isClosed } from '../frame';
import { inchesToMm } from '../quantity';
import type { MemberPicture } from '../weigh';
import { clashesUnder, jointsCutLoose, skinsUnder, type Clash } from './clashes';
import { coverage, type Notch, type Piece, type Repair } from './repair';

/** A notch clears what it passes by this much, mm: room for its weld (ours: 1 in). */
const CLEAR_MM = inchesToMm(1);
/** A plate that keeps less of its width than this beside a notch is none there (our judgement). */
const LEAST_KEPT = 0.5;

/**
 * A drawn repair with a way past all it meets: ends of crossmembers and outriggers by a notch where that leaves half the plate, everything else by
 * coming off and going back, earlier skins by coming off for good, which the rules then say. A technician who stands there may know better.
 */
export function withWayPast(picture: MemberPicture, repair: Repair, notched = true): Repair {
  const off = new Set<string>();
  const pieces = repair.pieces.map((piece) => {
    const clashes = clashesUnder(picture.frame, picture.member, piece);
    const notches = clashes.flatMap((clash) => {
      const notch = notched ? notchRound(picture, piece, clash) : undefined;
      if (!notch) off.add(clash.hostId);
      return notch ? [notch] : [];
    });
    return notches.length > 0 ? { ...piece, notches } : piece;
  });
  for (const { hostId } of jointsCutLoose(picture, repair)) off.add(hostId);
  const skins = new Set(
    repair.pieces.flatMap((piece) => skinsUnder(picture, piece).map(({ hostId }) => hostId)),
  );
  const beneath = [
    ...[...off].map((hostId) => ({ hostId, way: 'off and back' as const })),
    ...[...skins].map((hostId) => ({ hostId, way: 'off for good' as const })),
  ];
  return { ...repair, pieces, ...(beneath.length > 0 && { beneath }) };
}

/** A notch from the nearer edge round what stands on the wall at a known height; undefined where none will do. */
function notchRound(
  { member }: MemberPicture,
  piece: Piece,
  { band, fromMm, toMm }: Clash,
): Notch | undefined {
  if (!band) return undefined;
  const { uFromMm, uToMm } = coverage(member.shape, piece);
  const aroundMm = isClosed(member.shape) ? developedWidthMm(member.shape) : 0;
  const laps = [-aroundMm, 0, aroundMm].map((lap) => ({ from: band.uFromMm + lap, to: band.uToMm + lap }));
  const met = laps.find(({ from, to }) => uFromMm < to && uToMm > from);
  if (!met) return undefined;
  const [first, last] = [met.to + CLEAR_MM - uFromMm, uToMm - met.from + CLEAR_MM];
  const deepMm = Math.min(first, last);
  if (!(deepMm > 0 && deepMm <= (1 - LEAST_KEPT) * (uToMm - uFromMm))) return undefined;
  return {
    fromMm: Math.max(piece.startMm, fromMm - CLEAR_MM),
    toMm: Math.min(piece.endMm, toMm + CLEAR_MM),
    edge: first <= last ? 'first' : 'last',
    deepMm,
  };
}
