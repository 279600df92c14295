import { cross, minus, unit, type Vector } from '../../geometry';
import { facesOf, placementOf, referencePoint, surfacePoint, type Frame, type Member } from '../../frame';
import { isJudged, type SectionKept } from '../../weigh';
import { STAYS, type RoundFace } from './face';

/** Steps along a member of the whole frame. */
const STEPS = 16;

/** What is known of a member's sections, and where nothing holds it together: a section is none there. */
export interface KnownOf {
  readonly sections: readonly Pick<SectionKept, 'stationMm' | 'kept' | 'guessedShare'>[];
  readonly partedAtMm: readonly number[];
}

/**
 * The whole frame, member by member, shaded by the least that its sections keep of area and bending strength; parted, by nothing left; what nobody measured
 * has no shade.
 */
export const frameFaces = (frame: Frame, knownOf: (memberId: string) => KnownOf | undefined): RoundFace[] =>
  frame.members.flatMap((member) => memberFaces(frame, member, knownOf(member.id)));

function memberFaces(frame: Frame, member: Member, known: KnownOf | undefined): RoundFace[] {
  const at = pointsOn(frame, member);
  return Array.from({ length: STEPS }, (_, k) => k).flatMap((k) => {
    const [from, to] = [(k * member.lengthMm) / STEPS, ((k + 1) * member.lengthMm) / STEPS];
    const kept = known && leastKept(known, (mm) => mm >= from - 1 && mm <= to + 1);
    return stripsOf(member).map(([face, u0, u1]): RoundFace => ({
      part: 'wall',
      corners: [at(from, face, u0), at(to, face, u0), at(to, face, u1), at(from, face, u1)],
      out: STAYS,
      ...(kept !== undefined && { kept }),
    }));
  });
}

/** What carries: a flange that is gone takes little area and most of the strength. */
const CARRYING = ['area', 'modulusTop', 'modulusBottom'] as const;

function leastKept({ sections, partedAtMm }: KnownOf, isHere: (mm: number) => boolean): number | undefined {
  if (partedAtMm.some(isHere)) return 0;
  const values = sections
    .filter((section) => isJudged(section) && isHere(section.stationMm))
    .flatMap(({ kept }) => CARRYING.flatMap((key) => kept[key]?.value ?? []));
  return values.length > 0 ? Math.min(1, ...values) : undefined;
}

type FaceOf = ReturnType<typeof facesOf>[number];

/** Each face whole; a tube's in three. */
const stripsOf = ({ shape }: Member): (readonly [FaceOf, number, number])[] =>
  facesOf(shape).flatMap((face) => {
    const parts = shape.kind === 'tube' ? 3 : 1;
    return Array.from({ length: parts }, (_, k) => {
      const step = face.widthMm / parts;
      return [face, face.uStartMm + k * step, face.uStartMm + (k + 1) * step] as const;
    });
  });

/** Points of a member where it stands in its frame: frame's x back, y up, z to the left. */
function pointsOn(frame: Frame, member: Member): (stationMm: number, face: FaceOf, u: number) => Vector {
  const { from, to, up, mirrored } = placementOf(frame, member);
  const turned = ([x, y, z]: readonly [number, number, number]): Vector => [x, z, -y];
  const [start, end] = [turned(from), turned(to)];
  const along = unit(minus(end, start));
  const upward = turned(up);
  // A section's x runs in from its outer side: to the right of whoever looks along a left-hand member.
  const inward = unit(cross(upward, along));
  const length = Math.hypot(...minus(end, start));
  const { xMm, yMm } = referencePoint(member.shape);
  const sign = mirrored ? -1 : 1;
  return (stationMm, face, u) => {
    const [x, y] = surfacePoint(member.shape, face, u);
    const share = (stationMm / member.lengthMm) * length;
    return [0, 1, 2].map(
      (k) => start[k]! + along[k]! * share + upward[k]! * (y - yMm) + sign * inward[k]! * (x - xMm),
    ) as unknown as Vector;
  };
}
