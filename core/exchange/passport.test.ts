import { parsePassportCode, printPassportCode } from '.';

const CODE = {
  jobId: '0b8e5a0c-0000-4000-8000-0000000000af',
  upTo: '2026-11-28T12:00:00Z',
  sha256: '0123456789abcdef'.repeat(4),
};
const printed = printPassportCode(CODE);

test('a passport’s code is read back, however it is spaced', () => {
  expect(parsePassportCode(printed)).toEqual(CODE);
  expect(parsePassportCode(`  ${printed.replaceAll(' ', '\n')}\n`)).toEqual(CODE);
});

test.each([
  ['nothing', ''],
  ['another code', printed.replace('ossatura-passport', 'ossatura-part')],
  ['a word more', `${printed} x`],
  ['a job’s id a letter short', printPassportCode({ ...CODE, jobId: CODE.jobId.slice(1) })],
  ['a job’s id a letter long', printPassportCode({ ...CODE, jobId: `${CODE.jobId}0` })],
  ['a job’s id with a letter no id has', printPassportCode({ ...CODE, jobId: `g${CODE.jobId.slice(1)}` })],
  ['no instant', printPassportCode({ ...CODE, upTo: 'tomorrow' })],
  ['a sum a digit short', printPassportCode({ ...CODE, sha256: CODE.sha256.slice(1) })],
  ['a sum a digit long', printPassportCode({ ...CODE, sha256: `${CODE.sha256}0` })],
  ['a sum in capitals', printPassportCode({ ...CODE, sha256: CODE.sha256.toUpperCase() })],
  ['its end cut off', printed.slice(0, printed.lastIndexOf(' '))],
])('%s is none', (_what, text) => expect(parsePassportCode(text)).toBeUndefined());
