import type { Vector3 } from '../mechanics';
import { passes, type Frame, type Member } from './frame';
import { breadthMm, type MemberShape } from './shape';

/**
 * Where a member stands in the frame: the line of its reference points (halfway up the web of a channel or angle, else the section's middle),
 * its up direction, and whether its section is turned round: on a right-hand rail the section's outer side lies to the right.
 */
export interface Placement {
  readonly from: Vector3;
  readonly to: Vector3;
  readonly up: Vector3;
  readonly mirrored: boolean;
}

/** From the outer side of a rail in to its reference line. */
export const inFromOuter = (shape: MemberShape): number =>
  shape.kind === 'channel' || shape.kind === 'angle' ? shape.thicknessMm / 2 : breadthMm(shape) / 2;

export function placementOf(frame: Frame, member: Member): Placement {
  if (member.line)
    return { ...member.line, up: upOf(member.line.from, member.line.to), mirrored: member.side === 'right' };
  if (member.role === 'crossmember') {
    const x = member.atMm ?? 0;
    return {
      from: [x, railY(frame, 'left', x), 0],
      to: [x, railY(frame, 'right', x), 0],
      up: [0, 0, 1],
      mirrored: false,
    };
  }
  const side = member.side === 'right' ? 1 : -1;
  const y = side * (frame.widthMm / 2 - inFromOuter(member.shape));
  const startMm = member.startMm ?? 0;
  return { from: [startMm, y, 0], to: [startMm + member.lengthMm, y, 0], up: [0, 0, 1], mirrored: side > 0 };
}

/** The reference line of the rail that passes a station on one side; the outermost edge where there is none. */
function railY(frame: Frame, side: 'left' | 'right', stationMm: number): number {
  const rail = frame.members.find(
    (each) => each.role === 'rail' && each.side === side && !each.line && passes(each, stationMm),
  );
  return (side === 'left' ? -1 : 1) * (frame.widthMm / 2 - (rail ? inFromOuter(rail.shape) : 0));
}

/** Up, but for what stands upright: there the section's top looks forward. */
function upOf(from: Vector3, to: Vector3): Vector3 {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
  return Math.abs(to[2] - from[2]) > 0.8 * length ? [-1, 0, 0] : [0, 0, 1];
}

export const lineLengthMm = ({ from, to }: { from: Vector3; to: Vector3 }): number =>
  Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
