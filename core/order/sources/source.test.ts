import { defaultFrame, familyOf } from '../../frame';
import type { OrderScene } from '../scene';
import { onMember } from './source';

const ladder = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const scene = {
  frame: {
    ...ladder,
    members: ladder.members.map((each) => (each.role === 'rail' ? { ...each, startMm: 300 } : each)),
  },
} as unknown as OrderScene;
const { lengthMm } = ladder.members.find(({ id }) => id === 'rail-left')!;

test.each([
  ['on the rail, from its own start', 1300, 1000],
  ['at its start', 300, 0],
  ['ahead of it: at its start', 200, 0],
  ['at its end', 300 + lengthMm, lengthMm],
  ['behind it: at its end', 400 + lengthMm, lengthMm],
])('%s', (_, frameMm, stationMm) =>
  expect(onMember(scene, 'rail-left', frameMm)).toEqual({ memberId: 'rail-left', stationMm }),
);
test('a crossmember is told by the stations of its own', () => {
  const cross = ladder.members.find(({ role }) => role === 'crossmember')!;
  expect(onMember(scene, cross.id, 40)).toEqual({ memberId: cross.id, stationMm: 40 });
  expect(onMember(scene, cross.id, cross.lengthMm + 1)).toMatchObject({ stationMm: cross.lengthMm });
});
test('nothing is said of a member that is gone', () => expect(onMember(scene, 'gone', 40)).toEqual({}));
