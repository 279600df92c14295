import { BETWEEN_HEAT_ZONES_MM } from '../reference';
import { CRITICAL_REACH_MM, crossingsOn, fittingsOn } from '../frame';
import { inchesToMm } from '../quantity';
import type { MemberPicture } from '../weigh';
import { isBolted } from './bolting';
import { NO_FOOT } from './clashes';
import { drainsOf } from './drains';
import { formOf } from './forms';
import { holesUnder } from './holes';
import { plugLayout } from './plugs';
import { lengthsOf, taperLengthMm, type Piece, type Repair } from './repair';

/** Metal that stays between a joint's weld and a hole or a notch, mm (ours: 1 in). */
export const JOINT_CLEAR_MM = inchesToMm(1);
/** Joints are marked to the nearest quarter inch. */
const STEP_MM = inchesToMm(1 / 4);

/** From a joint to the nearest rim of a hole or side of a notch of its piece, along the piece, mm; negative inside one. */
export function besideJoint(picture: MemberPicture, repair: Repair, piece: Piece, stationMm: number): number {
  return Math.min(
    Infinity,
    ...pierced(picture, repair, piece).map(({ fromMm, toMm }) =>
      Math.max(fromMm - stationMm, stationMm - toMm),
    ),
  );
}

/** Stretches of a piece that its holes, drains, plugs and notches take. */
function pierced(
  { member, practice, ways, zones }: MemberPicture,
  repair: Repair,
  piece: Piece,
): { readonly fromMm: number; readonly toMm: number }[] {
  const round = (stationMm: number, diameterMm: number) => ({
    fromMm: stationMm - diameterMm / 2,
    toMm: stationMm + diameterMm / 2,
  });
  const drains = drainsOf(member, repair, piece, { practice: { ...practice, drains: ways.drains }, zones });
  const plugs = plugLayout(member, piece, practice.weld);
  return [
    ...(piece.notches ?? []),
    ...holesUnder(member, piece).map(({ hole }) => round(hole.stationMm, hole.diameterMm)),
    ...drains.map(({ stationMm, diameterMm }) => round(stationMm, diameterMm)),
    ...(repair.plugs
      ? Array.from({ length: plugs.count }, (_, k) =>
          round(piece.startMm + plugs.fromMm + k * plugs.pitchMm, plugs.diameterMm),
        )
      : []),
  ];
}

/**
 * A repair whose plates are no longer than the shop's longest: those that are get joints, as few as will do, each where it meets least. Bolted plates
 * and sleeves are of one length; so is a plate for which no place will do.
 */
export function inLengths(picture: MemberPicture, repair: Repair): Repair {
  const longestMm = picture.ways.longestPlateMm;
  if (longestMm === undefined || isBolted(repair)) return repair;
  return repair.pieces.reduce((soFar, piece) => {
    if (
      formOf(piece.kind).wraps ||
      !lengthsOf(piece).some(({ fromMm, toMm }) => toMm - fromMm > longestMm + 1e-6)
    )
      return soFar;
    const joints = jointsFor(picture, soFar, piece, longestMm);
    return joints
      ? { ...soFar, pieces: soFar.pieces.map((each) => (each.id === piece.id ? { ...each, joints } : each)) }
      : soFar;
  }, repair);
}

/** As few joints as the longest length lets, one after another from the front, each at the best place that leaves the rest room. */
function jointsFor(
  picture: MemberPicture,
  repair: Repair,
  piece: Piece,
  longestMm: number,
): number[] | undefined {
  const { startMm, endMm } = piece;
  const count = Math.ceil((endMm - startMm) / longestMm - 1e-9);
  const taperMm = taperLengthMm(piece);
  const costs = costAt(picture, repair, piece);
  const joints: number[] = [];
  for (let k = 1; k < count; k++) {
    const before = joints[k - 2] ?? startMm;
    const idealMm = startMm + ((endMm - startMm) * k) / count;
    const lowMm = Math.max(startMm + taperMm, before + LEAST_MM, endMm - (count - k) * longestMm);
    const highMm = Math.min(endMm - taperMm, before + longestMm, endMm - (count - k) * LEAST_MM);
    const at = bestBetween(lowMm, highMm, (mm) => costs(mm) + Math.abs(mm - idealMm) / (endMm - startMm));
    if (at === undefined) return undefined;
    joints.push(at);
  }
  return joints;
}
const LEAST_MM = inchesToMm(2);

/** Quarter inches of the member between two stations, both ends of the stretch among them: the cheapest, the first of equals. */
function bestBetween(lowMm: number, highMm: number, cost: (mm: number) => number): number | undefined {
  if (!(highMm >= lowMm)) return undefined;
  const first = Math.ceil(lowMm / STEP_MM);
  const count = Math.max(0, Math.floor(highMm / STEP_MM) - first + 1);
  const places = [...Array.from({ length: count }, (_, k) => (first + k) * STEP_MM), lowMm, highMm];
  return places.reduce((best, mm) => (cost(mm) < cost(best) ? mm : best));
}

/** What speaks against a joint at a station: what breaks a rule far more than a deviation, that more than a note. */
function costAt(picture: MemberPicture, repair: Repair, piece: Piece): (mm: number) => number {
  const { frame, member } = picture;
  const holes = pierced(picture, repair, piece);
  const crossings = crossingsOn(frame, member).map(({ stationMm }) => stationMm);
  const brackets = fittingsOn(frame, member)
    .filter(({ kind }) => !NO_FOOT.has(kind))
    .map(({ stationMm }) => stationMm);
  const others = repair.pieces
    .filter(({ id }) => id !== piece.id)
    .flatMap((other) => [other.startMm, other.endMm, ...(other.joints ?? [])]);
  const nearest = (places: readonly number[], mm: number) =>
    Math.min(Infinity, ...places.map((each) => Math.abs(each - mm)));
  const isPierced = (mm: number) =>
    holes.some(({ fromMm, toMm }) => mm > fromMm - JOINT_CLEAR_MM && mm < toMm + JOINT_CLEAR_MM);
  return (mm) =>
    100 * Number(isPierced(mm)) +
    100 * Number(nearest(others, mm) < BETWEEN_HEAT_ZONES_MM) +
    10 * Number(nearest(crossings, mm) < BETWEEN_HEAT_ZONES_MM + JOINT_CLEAR_MM) +
    10 * Number(picture.zones.some(({ fromMm, toMm }) => mm >= fromMm && mm <= toMm)) +
    3 * Number(nearest(brackets, mm) < CRITICAL_REACH_MM);
}
