import { roundedContour, type Point } from '../../geometry';
import { CORNER_RADIUS_MM } from '../../reference';
import { mirroredBlank, type Blank } from './blank';
import { flatId, flatName } from './flat-name';
import { pilotMm } from './flare';
import type { FlatPattern } from './pattern';
import { isInside, type Piece } from '../repair';

/**
 * A piece's flat as something to cut: y up, its first edge at the top; drains as they are cut before their edges are turned down. It is seen from
 * outside its member: on a right-hand one the front lies to the right.
 */
export function blankOfPiece(pattern: FlatPattern): Blank {
  const blank = fromTheLeft(pattern);
  return pattern.side === 'right' ? mirroredBlank(blank) : blank;
}

/** As a left-hand member's: seen from the left, where stations run to the right. */
function fromTheLeft(pattern: FlatPattern): Blank {
  const { piece, widthMm, memberStartsMm, side } = pattern;
  const up = ([x, v]: Point): Point => [x, widthMm - v];
  const ticksAt = [0, pattern.lengthMm / 2, pattern.lengthMm];
  return {
    id: flatId(pattern),
    name: flatName(pattern),
    for: pattern.memberName,
    thicknessMm: piece.thicknessMm,
    count: 1,
    outline: roundedContour(pattern.outline.map(up), CORNER_RADIUS_MM),
    cutouts: [],
    holes: pattern.holes.map(({ xMm, vMm, diameterMm, purpose }) => ({
      xMm,
      yMm: widthMm - vMm,
      purpose,
      ...(purpose === 'drain'
        ? {
            cutMm: pilotMm(diameterMm, piece.thicknessMm, pattern.drainLipMm),
            flaredMm: diameterMm,
            lipMm: pattern.drainLipMm,
          }
        : { cutMm: diameterMm }),
    })),
    bends: pattern.bends.map(({ startVMm, endVMm, fromXMm, toXMm }) => ({
      from: up([fromXMm, (startVMm + endVMm) / 2]),
      to: up([toXMm, (startVMm + endVMm) / 2]),
      halfWidthMm: (endVMm - startVMm) / 2,
      angleRad: Math.PI / 2,
      way: 'down',
      insideRadiusMm: pattern.insideRadiusMm,
      allowanceMm: pattern.bendAllowanceMm,
    })),
    scribes: [
      ...pattern.openings.map((path) => ({ what: 'opening' as const, path: path.map(up), isClosed: true })),
      ...pattern.othersEndAtXMm.map((xMm) => ({
        what: 'other plate ends' as const,
        path: [up([xMm, 0]), up([xMm, widthMm])],
        isClosed: false,
      })),
    ],
    ...(piece.kind === 'sleeve' && { isRolled: true }),
    place: {
      memberName: pattern.memberName,
      ...(side && { side: 'left' as const }),
      front: 'left',
      ticks: ticksAt.map((xMm) => ({ xMm, stationMm: memberStartsMm + pattern.startMm + xMm })),
      isAgainstWall: isInside(piece),
      ...(isUpAtFirst(piece) && { up: 'top edge' as const }),
    },
  };
}

/** Pieces whose first edge is the upper one: all that climb an upright face from beneath, and plates on one. */
const isUpAtFirst = ({ kind, face }: Piece): boolean =>
  kind === 'bottom L' ||
  kind === 'bottom U' ||
  (kind === 'side plate' && face !== 'inner' && face !== 'inner lip');
