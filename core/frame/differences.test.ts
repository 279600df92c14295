import { defaultFrame, familyOf, frameDifferences } from '.';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'front hole',
});

test('a frame and itself differ in nothing', () => expect(frameDifferences(frame, frame)).toEqual([]));

test('each part that differs is named, on whichever side it is', () => {
  const [first, second, ...rest] = frame.members;
  const other = {
    ...frame,
    datum: 'bumper',
    lengthMm: frame.lengthMm + 10,
    members: [
      { ...first!, lengthMm: first!.lengthMm - 1 },
      ...rest,
      { ...second!, id: 'new', name: 'New one' },
    ],
    fittings: frame.fittings.slice(1),
    loads: { items: [] },
  };
  expect(frameDifferences(frame, other)).toEqual([
    { what: 'datum' },
    { what: 'size' },
    { what: 'member', name: first!.name, is: 'other' },
    { what: 'member', name: second!.name, is: 'only here' },
    { what: 'member', name: 'New one', is: 'only there' },
    { what: 'bracket', name: frame.fittings[0]!.name, is: 'only here' },
    { what: 'loads' },
  ]);
});
