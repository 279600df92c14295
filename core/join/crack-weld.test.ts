import { defaultFrame, familyOf, type Member } from '../frame';
import type { Crack } from '../trace';
import { crackWelds } from '.';

const member = (family: Parameters<typeof familyOf>[0]): Member =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' }).members.find(
    ({ role }) => role === 'rail',
  )!;
const crack = (path: Crack['path'], more: Partial<Crack> = {}): Crack => ({
  kind: 'crack',
  id: 'a',
  memberId: 'rail-left',
  path,
  startFound: true,
  finishFound: true,
  seenBy: 'eye',
  by: 'RK',
  at: '2026-11-10T08:00:00Z',
  note: '',
  ...more,
});
const down = (face: Crack['path'][number]['face'], mm = 40): Crack['path'] => [
  { stationMm: 1000, face, heightMm: 0 },
  { stationMm: 1000, face, heightMm: mm },
];
const wall = (of: Member, thicknessMm: number): Member => ({
  ...of,
  shape: { ...of.shape, thicknessMm } as Member['shape'],
});
const open = member('open-channel ladder');
const closed = member('boxed ladder');

test.each([
  [3.175, 'square', 1],
  [3.18, 'V', 2],
  [4.8, 'V', 2],
  [4.81, 'V', 3],
  [6.35, 'V', 3],
])('a wall of %s mm: %s, %s passes', (mm, groove, passes) =>
  expect(crackWelds(wall(open, mm), [crack(down('web'))])[0]).toMatchObject({ groove, passes }),
);

test('the groove’s metal is its area times its length', () => {
  const [v] = crackWelds(wall(open, 6), [crack(down('web', 50))]);
  // Trapezoid: root gap, and 2·t·tan 30° wider on top.
  expect(v!.weldMm3).toBeCloseTo(50 * 6 * ((1.6 + (1.6 + 2 * 6 * Math.tan(Math.PI / 6))) / 2), 6);
  const [square] = crackWelds(wall(open, 2), [crack(down('web', 50))]);
  expect(square!.weldMm3).toBeCloseTo(50 * 2 * 1, 9);
});

test('what stands behind it: the back is welded where it is reached, nothing reaches into a closed section that is whole', () => {
  expect(crackWelds(wall(open, 6), [crack(down('web'))])[0]!.backing).toBe('gouge and weld the back');
  expect(crackWelds(wall(open, 2), [crack(down('web'))])[0]!.backing).toBe('copper or magnetic bar');
  expect(crackWelds(closed, [crack(down('outer'))])[0]!.backing).toBe('none reaches');
  const round = (['outer', 'bottom', 'inner', 'top'] as const).map((face) => ({
    stationMm: 1000,
    face,
    heightMm: 5,
  }));
  expect(crackWelds(closed, [crack(round)])[0]!.backing).toBe('strip left inside');
});

test('a crack whose end nobody found is not ready', () => {
  expect(crackWelds(open, [crack(down('web'))])[0]!.isReady).toBe(true);
  expect(crackWelds(open, [crack(down('web'), { finishFound: false })])[0]!.isReady).toBe(false);
  expect(crackWelds(open, [crack(down('web'), { startFound: false })])[0]!.isReady).toBe(false);
});
