import { defaultFrame, facesOf, familyOf, FAMILY_IDS, type Family, type Frame, type Member } from '../frame';
import { inputsOf, sortedRecords, weighMember } from '.';
import type { Reading } from '../probe';
import { DEFAULT_PRACTICE } from '../reference';

/** Every family's members as they came from the maker, gauged all over: whatever the wall, nothing may be asked of them. */

/** At most so far apart, mm, that the survey reaches from one column to the next. */
const APART = 250;
const gauged = (member: Member, share: number): Reading[] =>
  shares(Math.ceil(member.lengthMm / APART)).flatMap((along) =>
    facesOf(member.shape).flatMap((face) =>
      [0.1, 0.3, 0.5, 0.7, 0.9].map((up) => ({
        kind: 'reading' as const,
        id: `${along} ${face.id} ${up}`,
        memberId: member.id,
        stationMm: along * member.lengthMm,
        face: face.id,
        heightMm: up * face.widthMm,
        thicknessMm: share * (face.wallMm ?? member.shape.thicknessMm),
        method: 'caliper' as const,
        by: 'RK',
        at: '2026-01-01T00:00:00Z',
        note: '',
      })),
    ),
  );

const shares = (count: number): number[] => Array.from({ length: count + 1 }, (_, k) => k / count);

function judged(frame: Frame, member: Member, share: number) {
  const records = {
    frame,
    practice: DEFAULT_PRACTICE,
    evidence: gauged(member, share),
    strikes: [],
    repairs: [],
    grossMassKg: 3000,
  };
  return weighMember(inputsOf(sortedRecords(records), member));
}

/** One of each shape and length: twins say the same. */
const distinct = (frame: Frame): Member[] => [
  ...new Map(frame.members.map((member) => [JSON.stringify(member.shape), member])).values(),
];

const as = (family: Family) =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'hot-rolled-50', datum: 'front hole' });

describe.each(FAMILY_IDS)('%s', (family) => {
  const frame = as(family);
  test.each(distinct(frame).map((member) => [member.name, member] as const))(
    'as new: %s asks for nothing but a look at its spots',
    (_, member) => {
      const { picture, verdict } = judged(frame, member, 0.99);
      expect(picture.zones).toEqual([]);
      const reasons = verdict.findings.filter((finding) => finding.verdict !== 'Leave');
      expect(reasons.map(({ code }) => code).filter((code) => code !== 'spots-unseen')).toEqual([]);
    },
  );
});

describe('sheet on either side of its limits', () => {
  const frame = as('unibody');
  const rail = frame.members[0]!;
  test.each([
    [0.82, false],
    [0.78, true],
  ])('gauged at %d of what it was made, all over', (share, asks) => {
    const { verdict } = judged(frame, rail, share);
    expect(verdict.findings.some((finding) => finding.code.includes('gone'))).toBe(asks);
  });
});
