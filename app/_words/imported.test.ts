import { importedWords } from './imported';

test.each([
  [
    { wasHere: true, added: 0, stands: ['unit', 'frame'], picturesMissing: 0 },
    'This job was already here',
    'Nothing of it was new. Not changed, though the bundle says otherwise: the unit’s facts, the frame.',
  ],
  [{ wasHere: false, added: 1, stands: [], picturesMissing: 0 }, 'Job taken in', '1 record was added.'],
  [
    { wasHere: true, added: 3, stands: [], picturesMissing: 2 },
    'This job was already here',
    '3 records were added. 2 of its pictures did not come with it.',
  ],
] as const)('%j in words', (came, title, description) =>
  expect(importedWords({ jobId: 'j', ...came })).toEqual({ title, description }),
);
