import type { Finding } from '../finding';
import { actOn } from '../mended';
import type { MemberPicture } from '../picture';
import { geometryChecks, type GeometryCheck } from '../straight';

/** A member bowed, bent or kinked beyond its limit is straightened or renewed: deformation is damage, however thick its metal. */
export const straightness = (picture: MemberPicture): Finding[] =>
  memberChecks(picture).map(asFinding(picture));

/** What was measured along this member, compared. */
export const memberChecks = ({ member, geometry = [], practice }: MemberPicture): GeometryCheck[] =>
  geometryChecks(geometry, [], practice.geometry).filter(
    // What tells nothing makes no verdict harsher either.
    ({ memberId, notSaid }) => memberId === member.id && notSaid !== 'two marks',
  );

const asFinding =
  (picture: MemberPicture) =>
  ({ is, says, notSaid, quantity, value, plusMinus, limit, at }: GeometryCheck): Finding => ({
    code: is === 'out' ? 'not-straight' : is === 'straight' ? 'straight' : 'straight-undecided',
    verdict: is === 'out' ? actOn(picture) : is === 'straight' ? 'Leave' : 'Watch',
    quantity,
    value,
    plusMinus,
    limit,
    source: quantity === 'angle' ? 'practice' : 'millStraightness',
    name: notSaid ?? says,
    ...(at && { at }),
    firmness: is === 'can’t say' ? 'could flip with one more reading' : 'firm',
  });
