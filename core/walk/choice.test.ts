import { choiceSchema } from '.';

const choice = {
  kind: 'choice',
  id: '00000000-0000-4000-8000-000000000001',
  chosen: 'bolt on',
  by: 'RK',
  at: '2026-11-20T08:00:00Z',
};
const stage = { heldWhen: 'no movement at the next look, 1,000 miles', next: 'splice or renew' };

describe('a staged choice: the cheaper form first', () => {
  test.each<[string, object, boolean]>([
    ['nothing agreed', {}, true],
    ['its test and what comes next', { stage }, true],
    ['no test', { stage: { ...stage, heldWhen: ' ' } }, false],
    ['next is the same again', { stage: { ...stage, next: 'bolt on' } }, false],
    ['next is no way', { stage: { ...stage, next: 'hope' } }, false],
  ])('%s: %s', (_what, more, isGood) =>
    expect(choiceSchema.safeParse({ ...choice, ...more }).success).toBe(isGood),
  );
});
