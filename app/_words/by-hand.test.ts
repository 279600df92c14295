import { defaultFrame, facesOf, FAMILY_IDS, familyOf, type Member } from '@/core/frame';
import {
  HOST_NEEDS,
  memberPicture,
  thinAllOver,
  weigh,
  type Finding,
  type MemberPicture,
  type Verdict,
} from '@/core/weigh';
import { DEFAULT_PRACTICE, metalPractice } from '@/core/reference';
import { pieceKindsFor } from '@/core/shape';
import { HOST_NEED_WORDS, nothingDrawnWords } from './by-hand';

const members = FAMILY_IDS.flatMap((family) => {
  const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
  const kinds = new Map(frame.members.map((member) => [`${member.role} ${member.shape.kind}`, member]));
  return [...kinds.values()].map((member) => ({ frame, member }));
});
const pictureOf = ({ frame, member }: (typeof members)[number]): MemberPicture =>
  memberPicture({
    frame,
    member,
    readings: [],
    cracks: [],
    practice: metalPractice(DEFAULT_PRACTICE),
    signs: [
      {
        kind: 'sign',
        id: 's',
        memberId: member.id,
        stationMm: member.lengthMm / 2,
        face: 'web',
        heightMm: 10,
        detail: { sign: 'struck', tool: 'hammer', answer: 'gave way' },
        by: 'RK',
        at: '2026-01-01T00:00:00Z',
        note: '',
      },
    ],
  });
const withoutPlates = ({ role, shape }: Member) => role !== 'rail' || pieceKindsFor(shape).length === 0;

test('every need of a bracket, joint, panel or closed space says what is done', () => {
  for (const need of HOST_NEEDS) expect(HOST_NEED_WORDS[need].length).toBeGreaterThan(20);
});

test.each(
  members.filter(({ member }) => withoutPlates(member)).map((each) => [each.member.name, each] as const),
)('%s, gone in the middle: what is needed and by whom, no step that would not help', (_name, each) => {
  const verdict = each.member.role === 'rail' ? 'Mend' : 'Renew';
  const words = nothingDrawnWords(pictureOf(each), { verdict, findings: [] }, 'in');
  expect(words).not.toMatch(/strike it or read it|measure/i);
  expect(words).not.toContain('Its reasons are in Weigh');
  expect(words.length).toBeGreaterThan(40);
});

test('nobody has looked: that is asked for; nothing wrong: that is said', () => {
  const each = members[0]!;
  const { signs: _, ...bare } = pictureOf(each);
  const unseen = memberPicture({ ...bare, readings: [], signs: [] });
  const words = (picture: MemberPicture, verdict: Verdict) =>
    nothingDrawnWords(picture, { verdict, findings: [] }, 'in');
  expect(words(unseen, 'Can’t say')).toContain('strike it or read it first');
  expect(words(pictureOf(each), 'Watch')).toContain('Weigh says Watch');
});

test('a crack that nobody traced: that first, unless damage is known besides', () => {
  const each = members[0]!;
  const gone = pictureOf(each);
  const { signs: _, ...bare } = gone;
  const crack = { code: 'crack-not-traced', verdict: 'Mend', name: 'Front hanger' } as Finding;
  const words = (picture: MemberPicture) =>
    nothingDrawnWords(picture, { verdict: 'Mend', findings: [crack] }, 'in');
  expect(words(memberPicture({ ...bare, readings: [], signs: [] }))).toMatch(/Front hanger.*in Trace/);
  expect(words(gone)).not.toMatch(/in Trace/);
});

describe('a rail read along its whole length, and thin all over in its middle fifth', () => {
  const frame = defaultFrame({
    ...familyOf('open-channel ladder').typical,
    family: 'open-channel ladder',
    steel: 'a36',
    datum: 'hole',
  });
  const rail = frame.members.find(({ id }) => id === 'rail-left')!;
  const readTo = (left: number, steel: 'a36' | 'heat-treated-110' = 'a36'): MemberPicture => {
    const member = { ...rail, steel };
    return memberPicture({
      frame: { ...frame, members: frame.members.map((each) => (each.id === rail.id ? member : each)) },
      member,
      practice: metalPractice(DEFAULT_PRACTICE),
      cracks: [],
      readings: Array.from({ length: 41 }, (_, k) => k / 40).flatMap((share) =>
        facesOf(rail.shape).flatMap((face) =>
          [0.2, 0.5, 0.8].map((up) => ({
            ...{
              kind: 'reading' as const,
              id: `${share} ${face.id} ${up}`,
              memberId: rail.id,
              face: face.id,
            },
            ...{
              stationMm: share * rail.lengthMm,
              heightMm: up * face.widthMm,
              method: 'ultrasonic' as const,
            },
            ...{ by: 'RK', at: '2026-01-01T00:00:00Z', note: '' },
            thicknessMm: face.wallMm * (share >= 0.4 && share <= 0.6 ? left : 1),
          })),
        ),
      ),
    });
  };
  const said = (picture: MemberPicture) => [picture, weigh(picture)] as const;

  test('is to be mended and cut nowhere: the stretch is said, and a piece may be laid over it', () => {
    const [picture, verdict] = said(readTo(0.85));
    expect(verdict.verdict).toBe('Mend');
    const thin = thinAllOver(picture, verdict)!;
    expect(thin.fromMm / rail.lengthMm).toBeCloseTo(0.39, 1);
    expect(thin.toMm / rail.lengthMm).toBeCloseTo(0.61, 1);
    expect(nothingDrawnWords(picture, verdict, 'mm')).toMatch(/thin all over, \d+ mm to \d+ mm/);
  });
  test.each<[string, MemberPicture]>([
    ['above the shop’s share', readTo(0.95)],
    ['with walls so thin that they are cut', readTo(0.5)],
    ['of a steel that takes no welds', readTo(0.85, 'heat-treated-110')],
  ])('%s: nothing is laid over it', (_, picture) =>
    expect(thinAllOver(picture, weigh(picture))).toBeUndefined(),
  );
});
