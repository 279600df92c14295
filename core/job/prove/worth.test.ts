import type { MemberWork } from '../member';
import { worthOf } from './worth';

const section = (stationMm: number, top: number, bottom = top, plusMinus = 0) => ({
  stationMm,
  kept: { modulusTop: { value: top, plusMinus }, modulusBottom: { value: bottom, plusMinus } },
});
type Section = ReturnType<typeof section>;
const worth = (sections: readonly Section[], restored: readonly Section[], more: object = {}) =>
  worthOf([
    {
      picture: { sections },
      repairs: [
        {
          repair: { id: 'r', memberId: 'rail', pieces: [{ startMm: 1000, endMm: 1400 }] },
          isProposal: false,
          restored,
          ...more,
        },
      ],
    } as unknown as Pick<MemberWork, 'picture' | 'repairs'>,
  ]);

test('at the place where least was left as found, with what it is as repaired', () => {
  const [found, repaired] = [
    [section(1000, 0.9), section(1200, 0.8, 0.3), section(1400, 0.5)],
    [section(1000, 0.95), section(1200, 1.1), section(1400, 0.4)],
  ];
  expect(worth(found, repaired)).toEqual([
    { repairId: 'r', memberId: 'rail', stationMm: 1200, before: found[1], after: repaired[1] },
  ]);
});

test('a section found sixty millimetres off is that place; farther off it is another one', () => {
  const [at] = worth([section(1140, 0.3)], [section(1200, 1)]);
  expect(at!.before).toMatchObject({ stationMm: 1140 });
  const [off] = worth([section(1139.9, 0.3)], [section(1200, 1)]);
  expect(off).toMatchObject({ stationMm: 1200 });
  expect(off).not.toHaveProperty('before');
});

test('where nobody read the metal, at its weakest as repaired; where nothing is known, at its middle, with neither', () => {
  expect(worth([], [section(1100, 0.9), section(1300, 0.6)])[0]).toMatchObject({
    stationMm: 1300,
    after: { stationMm: 1300 },
  });
  expect(worth([], [])).toEqual([{ repairId: 'r', memberId: 'rail', stationMm: 1200 }]);
});

test('what is read counts before what is not, however weak that is as repaired', () =>
  expect(worth([section(1000, 0.9)], [section(1000, 1), section(1300, 0.2)])[0]).toMatchObject({
    stationMm: 1000,
  }));

test('a proposal is worth nothing yet', () =>
  expect(worth([section(1000, 0.5)], [section(1000, 1)], { isProposal: true })).toEqual([]));
