import {
  asKind,
  changeMember,
  defaultFrame,
  familyOf,
  frameSchema,
  moveMember,
  SHAPE_KINDS,
  shapeSchema,
  stationOf,
  type Frame,
} from '.';

const frameOf = (family: 'open-channel ladder' | 'I-beam trailer'): Frame =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
const truck = frameOf('open-channel ladder');
const trailer = frameOf('I-beam trailer');
const member = (frame: Frame, id: string) => frame.members.find((each) => each.id === id)!;

test('left and right are kept in step, names stay their own; told otherwise only one changes', () => {
  const thinner = { ...member(truck, 'rail-left').shape, thicknessMm: 5 };
  const both = changeMember(truck, 'rail-left', { shape: thinner, name: 'Near rail' }, true);
  expect(member(both, 'rail-right').shape.thicknessMm).toBe(5);
  expect([member(both, 'rail-left').name, member(both, 'rail-right').name]).toEqual([
    'Near rail',
    'Right rail',
  ]);
  const one = changeMember(truck, 'rail-left', { shape: thinner }, false);
  expect(member(one, 'rail-right').shape.thicknessMm).toBe(6.35);
});

test('an outrigger moved takes its twin along, mirrored; a crossmember moves alone; rails stay', () => {
  const moved = moveMember(trailer, 'outrigger-left-2', 3000, true);
  expect(stationOf(moved, member(moved, 'outrigger-left-2'))).toBe(3000);
  expect(stationOf(moved, member(moved, 'outrigger-right-2'))).toBe(3000);
  const [left, right] = [member(moved, 'outrigger-left-2').line!, member(moved, 'outrigger-right-2').line!];
  expect(left.to[1]).toBe(-right.to[1]);
  expect(frameSchema.safeParse(moved).success).toBe(true);
  expect(member(moveMember(truck, 'cross-3', 1234, true), 'cross-3').atMm).toBe(1234);
  expect(moveMember(truck, 'rail-left', 500, true)).toBe(truck);
  expect(moveMember(truck, 'nobody', 500, true)).toBe(truck);
});

test('a section turned into any other kind and back is one that can be made', () => {
  for (const from of [
    member(truck, 'rail-left').shape,
    member(trailer, 'rail-left').shape,
    member(trailer, 'stiffener-left-1').shape,
  ]) {
    for (const kind of SHAPE_KINDS) {
      const turned = asKind(from, kind);
      expect([kind, shapeSchema.safeParse(turned).success]).toEqual([kind, true]);
      expect(turned.depthMm).toBe(from.depthMm);
      expect(shapeSchema.safeParse(asKind(turned, from.kind)).success).toBe(true);
    }
  }
});
