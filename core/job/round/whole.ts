import { cross, minus, unit, type Vector } from '../../geometry';
import { facesOf, placementOf, referencePoint, surfacePoint, type Frame, type Member } from '../../frame';
import { isJudged, type SectionKept } from '../../weigh';
import { STAYS, type RoundFace } from './face';

/** Steps along a member of the whole frame. */
const STEPS = 16;

/** What is known of members' sections, by their id. */
export type SectionsOf = (
  memberId: string,
) => readonly Pick<SectionKept, 'stationMm' | 'kept' | 'guessedShare'>[];

/** The whole frame, member by member, shaded by what their sections keep of their area; what nobody measured has no shade. */
export const frameFaces = (frame: Frame, sectionsOf: SectionsOf): RoundFace[] =>
  frame.members.flatMap((member) => memberFaces(frame, member, sectionsOf(member.id)));

function memberFaces(frame: Frame, member: Member, sections: ReturnType<SectionsOf>): RoundFace[] {
  const at = pointsOn(frame, member);
  const judged = sections.filter((section) => isJudged(section) && section.kept.area !== undefined);
  return Array.from({ length: STEPS }, (_, k) => k).flatMap((k) => {
    const [from, to] = [(k * member.lengthMm) / STEPS, ((k + 1) * member.lengthMm) / STEPS];
    const within = judged.filter(({ stationMm }) => stationMm >= from - 1 && stationMm <= to + 1);
    const kept =
      within.length > 0 ? Math.min(...within.map((section) => section.kept.area!.value)) : undefined;
    return stripsOf(member).map(([face, u0, u1]): RoundFace => ({
      part: 'wall',
      corners: [at(from, face, u0), at(to, face, u0), at(to, face, u1), at(from, face, u1)],
      out: STAYS,
      ...(kept !== undefined && { kept: Math.min(1, kept) }),
    }));
  });
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
