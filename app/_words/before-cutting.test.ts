import { defaultFrame, familyOf, typicalLoads, usualStands, type Frame, type Loads } from '@/core/frame';
import { beforeCuttingWords } from './before-cutting';

const bare = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const carrying = (loads: Partial<Loads>): Frame => ({
  ...bare,
  loads: { items: typicalLoads(bare, 5000), ...loads },
});

test('what comes off and where it stands, in either system', () => {
  const frame = carrying({ takenOff: ['payload', 'tank'], stands: usualStands(bare).slice(0, 2) });
  expect(beforeCuttingWords(frame, 'in')).toMatch(
    /^Before cutting: take off fuel, payload; stand it at left 52 13\/16 in, right 52 13\/16 in\.$/,
  );
  expect(beforeCuttingWords(frame, 'mm')).toContain('left 1341 mm');
});
test('what was not said is said not to have been; where nothing was, there is nothing to print', () => {
  expect(beforeCuttingWords(carrying({ takenOff: ['payload'] }), 'in')).toContain(
    'where it stands has not been said',
  );
  expect(beforeCuttingWords(carrying({ stands: usualStands(bare) }), 'in')).toContain(
    'nothing is listed to be taken off',
  );
  expect(beforeCuttingWords(carrying({}), 'in')).toBeUndefined();
  expect(beforeCuttingWords(bare, 'in')).toBeUndefined();
});
