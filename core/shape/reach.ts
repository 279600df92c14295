import { inchesToMm } from '../quantity';
import { BETWEEN_HEAT_ZONES_MM, lapMm } from '../reference';
import { crossingsOn } from '../frame';
import type { MemberPicture } from '../weigh';
import { isBolted, type BoltedRepair } from './bolting';
import { boltedForceN, developmentMm, plateForceN } from './development';
import { roundDown, roundUp, type Target } from './layouts';
import type { Piece, Repair } from './repair';

/** Moves the ends out past the damage: one rail depth, the taper and a lap, and the development length, whichever is most. Ends of twin caps are staggered. */
export function withReach(picture: MemberPicture, target: Target, repair: Repair): Repair {
  if (isBolted(repair)) return boltedReach(picture, target, repair);
  const { member } = picture;
  return repair.pieces.reduce<Repair>(
    (soFar, piece, k) => {
      const lap = lapMm(Math.min(piece.thicknessMm, picture.built.thicknessMm));
      const plain = Math.max(member.shape.depthMm, piece.taperMm + lap) + k * STAGGER_MM;
      let placed = {
        ...piece,
        startMm: Math.max(0, target.fromMm - plain),
        endMm: Math.min(member.lengthMm, target.toMm + plain),
      };
      for (let round = 0; round < 3; round++) {
        const reach = (end: 'start' | 'finish') =>
          Math.max(plain, finiteOr(developmentMm(picture, { pieces: [placed] }, placed, end), plain));
        placed = {
          ...placed,
          startMm: freeEnd(picture, soFar.pieces, target.fromMm - reach('start'), -1),
          endMm: freeEnd(picture, soFar.pieces, target.toMm + reach('finish'), 1),
        };
      }
      return { ...soFar, pieces: [...soFar.pieces, placed] };
    },
    { ...repair, pieces: [] },
  );
}

/** Ends of a repair's pieces stand so far apart: two heat zones and room to measure. */
const STAGGER_MM = inchesToMm(3);
const LEVEL_TRIES = 4;

/** A place for an end that is level with no end of the other pieces: moved outward until it is, as often as may help. */
function freeEnd(
  picture: MemberPicture,
  others: readonly Piece[],
  wantedMm: number,
  outward: 1 | -1,
): number {
  const taken = others.map(({ startMm, endMm }) => (outward > 0 ? endMm : startMm));
  const isLevel = (mm: number) => taken.some((each) => Math.abs(each - mm) < BETWEEN_HEAT_ZONES_MM);
  let mm = endPlace(picture, wantedMm, outward);
  for (let tried = 0; tried < LEVEL_TRIES && isLevel(mm); tried++)
    mm = endPlace(picture, mm + outward * STAGGER_MM, outward);
  return mm;
}

/** Further than this past damage a bolted plate is not tried, in rail depths: the rules would refuse it. */
const FARTHEST_DEPTHS = 4;

/** Each end out to where the bolts between it and the damage take the plate's force, as far as a plate may reach; twins lie alike but for their stagger. */
function boltedReach(picture: MemberPicture, target: Target, repair: Repair & BoltedRepair): Repair {
  const { member } = picture;
  const plainMm = member.shape.depthMm;
  const farthestMm = FARTHEST_DEPTHS * plainMm - inchesToMm(4);
  const laid = (frontMm: number, rearMm: number): Repair & BoltedRepair => ({
    ...repair,
    pieces: repair.pieces.reduce<Piece[]>(
      (before, piece) => [
        ...before,
        {
          ...piece,
          startMm: freeEnd(picture, before, target.fromMm - frontMm, -1),
          endMm: freeEnd(picture, before, target.toMm + rearMm, 1),
        },
      ],
      [],
    ),
  });
  const isEnough = (tried: BoltedRepair, isFront: boolean) =>
    tried.pieces.every((piece) => {
      const run = isFront ? ([piece.startMm, target.fromMm] as const) : ([target.toMm, piece.endMm] as const);
      const isAtEnd = isFront ? piece.startMm <= 1 : piece.endMm >= member.lengthMm - 1;
      return isAtEnd || boltedForceN(picture, tried, piece, run) >= plateForceN(picture, piece);
    });
  const steps = Math.max(0, Math.floor((farthestMm - plainMm) / repair.bolts.pitchMm));
  const reach = (isFront: boolean): number => {
    const outMm = (step: number) => (step > steps ? farthestMm : plainMm + step * repair.bolts.pitchMm);
    const isReached = (step: number) => {
      const mm = outMm(step);
      return isEnough(laid(isFront ? mm : plainMm, isFront ? plainMm : mm), isFront);
    };
    // The farther out, the more bolts: the first step that is enough, by halves.
    let [low, high] = [0, steps + 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (isReached(middle)) high = middle;
      else low = middle + 1;
    }
    return outMm(low);
  };
  return laid(reach(true), reach(false));
}

/** An end rounded outward, on the member, and clear of the heat of a crossmember's weld. */
function endPlace(picture: MemberPicture, wantedMm: number, outward: 1 | -1): number {
  const clearMm = BETWEEN_HEAT_ZONES_MM + inchesToMm(1);
  const near = crossingsOn(picture.frame, picture.member).find(
    ({ stationMm }) => Math.abs(stationMm - wantedMm) < clearMm,
  );
  const cleared = near ? near.stationMm + outward * clearMm : wantedMm;
  const rounded = outward > 0 ? roundUp(cleared) : roundDown(cleared);
  return Math.min(picture.member.lengthMm, Math.max(0, rounded));
}

/** The same repair with one end of a piece taken further out: the way back from welds that do not fit. */
export function lengthened(
  picture: MemberPicture,
  repair: Repair,
  pieceId: string,
  end: 'front end' | 'rear end',
  byMm: number,
): Repair {
  const pieces = repair.pieces.map((piece) => {
    if (piece.id !== pieceId) return piece;
    const others = repair.pieces.filter(({ id }) => id !== pieceId);
    return end === 'front end'
      ? { ...piece, startMm: freeEnd(picture, others, piece.startMm - byMm, -1) }
      : { ...piece, endMm: freeEnd(picture, others, piece.endMm + byMm, 1) };
  });
  return { ...repair, pieces };
}

const finiteOr = (value: number, otherwise: number): number => (Number.isFinite(value) ? value : otherwise);
