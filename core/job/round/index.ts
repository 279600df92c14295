import { dot, type Look, type Vector } from '../../geometry';
import type { MemberPicture } from '../../weigh';
import type { WorkedRepair } from '../worked-repair';
import { crossmemberFaces, fittingFaces } from './beside';
import type { RoundFace } from './face';
import { boltFaces, drainFaces, weldFaces } from './joins';
import { plateFaces, stretchOf, wallFaces } from './stretch';

export { ROUND_PARTS, type RoundFace, type RoundPart } from './face';
export { frameFaces, type KnownOf } from './whole';

/** Steps along a stretch: as fine as is seen on a screen. */
const FINE_STEPS = 48;

/** A repaired stretch in the round: the wall by what is left of it and without what is cut out, plates, welds or bolts, drains, what hangs beside. */
export function repairFaces(
  picture: MemberPicture,
  worked: WorkedRepair,
  mostSteps = FINE_STEPS,
): RoundFace[] {
  const stretch = stretchOf(picture, worked.repair.pieces, mostSteps);
  return [
    ...wallFaces(stretch, [worked.repair]),
    ...worked.repair.pieces.flatMap((piece) => plateFaces(stretch, piece)),
    ...weldFaces(stretch, worked),
    ...drainFaces(stretch, worked),
    ...boltFaces(stretch, worked),
    ...fittingFaces(stretch),
    ...crossmemberFaces(stretch),
  ];
}

/** What lies on a wall is told from it by more than its own thickness: brought to the eye on the side that looks at it, put back on the other. */
const LIFT_MM = 14;
/** A bracket's faces are as large as a hand: by so much more. */
const LIFT_LARGE_MM = 45;
export const liftOf = ({ out, off }: RoundFace, toEye: Vector): number =>
  off ? LIFT_LARGE_MM * dot(off, toEye) : LIFT_MM * dot(out, toEye);

/** Pulled apart by so many mm: what goes out goes as far as its share. */
export const pulledApart = (faces: readonly RoundFace[], byMm: number): RoundFace[] =>
  byMm === 0
    ? [...faces]
    : faces.map((face) => ({
        ...face,
        corners: face.corners.map(
          ([x, y, z]) => [x + byMm * face.out[0], y + byMm * face.out[1], z + byMm * face.out[2]] as const,
        ),
      }));

/** The usual way to look at a member: from outside and a little above or, where the work lies beneath, from below. */
export const usualLook = ({ member: { side } }: Pick<MemberPicture, 'member'>, isBeneath: boolean): Look => ({
  turnRad: (side === 'right' ? Math.PI : 0) + 0.45,
  tipRad: isBeneath ? -0.15 : 0.35,
});
