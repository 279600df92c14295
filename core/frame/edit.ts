import type { Frame, Member } from './frame';
import { twinOf } from './frame';
import { lineLengthMm, placementOf } from './placement';
import type { MemberShape, ShapeKind } from './shape';
import { breadthMm } from './shape';

type Change = Partial<
  Pick<
    Member,
    | 'shape'
    | 'steel'
    | 'lengthMm'
    | 'startMm'
    | 'line'
    | 'joint'
    | 'holes'
    | 'hidden'
    | 'carries'
    | 'atMm'
    | 'name'
  >
>;

/** A member changed; where pairs are kept in step its twin changes with it, mirrored. Names stay each one's own. */
export function changeMember(frame: Frame, id: string, change: Change, inStep: boolean): Frame {
  const member = frame.members.find((each) => each.id === id);
  const twin = inStep && member ? twinOf(frame, member) : undefined;
  const mirrored: Change = { ...change, ...(change.line && { line: mirrorLine(change.line) }) };
  return {
    ...frame,
    members: frame.members.map((each) =>
      each.id === id
        ? fitted({ ...each, ...change })
        : each.id === twin?.id
          ? fitted({ ...each, ...mirrored, name: each.name })
          : each,
    ),
  };
}

const fitted = (member: Member): Member =>
  member.line ? { ...member, lengthMm: lineLengthMm(member.line) } : member;

const mirrorLine = ({ from, to }: NonNullable<Member['line']>): NonNullable<Member['line']> => ({
  from: [from[0], -from[1], from[2]],
  to: [to[0], -to[1], to[2]],
});

/** Where a member stands along the frame. */
export const stationOf = (frame: Frame, member: Member): number =>
  member.atMm ?? placementOf(frame, member).from[0];

/** Moves a crossmember or any other placed member along the frame, its twin with it where pairs are kept in step. Rails stay. */
export function moveMember(frame: Frame, id: string, stationMm: number, inStep: boolean): Frame {
  const member = frame.members.find((each) => each.id === id);
  if (!member || member.role === 'rail') return frame;
  if (member.role === 'crossmember') return changeMember(frame, id, { atMm: stationMm }, false);
  if (!member.line) return frame;
  const by = stationMm - member.line.from[0];
  const { from, to } = member.line;
  return changeMember(
    frame,
    id,
    { line: { from: [from[0] + by, from[1], from[2]], to: [to[0] + by, to[1], to[2]] } },
    inStep,
  );
}

/** A section of another kind with the same depth, breadth and wall, as far as it has them. */
export function asKind(shape: MemberShape, kind: ShapeKind): MemberShape {
  const { depthMm, thicknessMm } = shape;
  const breadth = Math.max(breadthMm(shape), 4 * thicknessMm, 20);
  switch (kind) {
    case 'channel':
    case 'angle':
      return { kind, depthMm, flangeMm: breadth, thicknessMm };
    case 'box':
      return { kind, depthMm, widthMm: breadth, thicknessMm };
    case 'I':
      return { kind, depthMm, flangeMm: breadth, thicknessMm, flangeThicknessMm: thicknessMm };
    case 'hat':
      return { kind, depthMm, widthMm: breadth, lipMm: Math.max(15, 0.25 * breadth), thicknessMm };
    case 'tube':
    case 'flat':
      return { kind, depthMm, thicknessMm };
    case 'built-up':
      return {
        kind,
        depthMm,
        topMm: breadth,
        bottomMm: breadth,
        thicknessMm,
        topThicknessMm: thicknessMm,
        bottomThicknessMm: thicknessMm,
      };
    default:
      return kind satisfies never;
  }
}
