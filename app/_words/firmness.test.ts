import { defaultFrame, familyOf } from '@/core/frame';
import type { Firmness } from '@/core/weigh';
import { firmLine, wouldChange } from './firmness';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const rail = frame.members.find(({ id }) => id === 'rail-left')!;
const drawn: Firmness = {
  is: 'could flip with one more reading',
  other: 0.12,
  fields: 500,
  next: { stationMm: 2540, face: 'web', heightMm: 50.8, worth: 0.2, why: 'strength kept' },
  unseen: [],
};

test.each<[string, Firmness, string, string | undefined]>([
  ['drawn', drawn, 'in 12 %', 'a reading at 100 in, web, 2 in up'],
  ['none the other way', { ...drawn, is: 'firm', other: 0 }, 'in none', 'a reading at 100 in, web, 2 in up'],
  [
    'decided by what was found',
    { ...drawn, is: 'firm', other: 0, fields: 0 },
    'what was found decides',
    undefined,
  ],
  ['hand and eye', { ...drawn, fields: 0 }, 'rests on hand and eye', 'a reading at 100 in, web, 2 in up'],
  [
    'thin by less than the tool may be off',
    { ...drawn, fields: 0, isWithinError: true, unseen: ['hanger'] },
    'by less than the tool may be off; not seen: hanger',
    'look at hanger',
  ],
  [
    'too little known',
    { ...drawn, is: 'open', fields: 0, unseen: ['hanger'] },
    'too little is known; not seen: hanger',
    'look at hanger',
  ],
])('%s', (_what, firmness, line, change) => {
  expect(firmLine(firmness)).toContain(line);
  expect(wouldChange(firmness, rail, 'in')).toBe(change);
});
