import { choiceOf, intakeOf, isUnauthorised, lastOf, type Evidence } from '.';

const at = (hour: number) => `2026-11-20T${String(hour).padStart(2, '0')}:00:00Z`;
const intake = (hour: number, authorised: 'yes' | 'no'): Evidence =>
  ({
    kind: 'intake',
    id: `${hour}`,
    by: 'TM',
    at: at(hour),
    note: '',
    makersClaim: { authorised },
  }) as unknown as Evidence;
const plan = (hour: number, ofId: string): Evidence =>
  ({ kind: 'weld plan', id: `${ofId} ${hour}`, ofId, at: at(hour) }) as unknown as Evidence;
const choice = (hour: number): Evidence =>
  ({ kind: 'choice', id: `${hour}`, at: at(hour) }) as unknown as Evidence;
const of = (...evidence: Evidence[]) => ({ evidence, strikes: [] });

test.each([
  ['yes after no', [intake(9, 'no'), intake(10, 'yes')], false],
  ['no after yes', [intake(9, 'yes'), intake(10, 'no')], true],
  ['a yes of before, kept late', [intake(10, 'no'), intake(9, 'yes')], true],
  ['a no of before, kept late: which was last nobody knows', [intake(10, 'yes'), intake(9, 'no')], true],
])('a maker’s word at the counter, %s', (_, evidence, is) =>
  expect(isUnauthorised(intakeOf(of(...evidence)))).toBe(is),
);

test('what the owner chose, and an order of runs, by the clock; of one repair only', () => {
  expect(choiceOf(of(choice(10), choice(9)))?.id).toBe('10');
  const plans = of(plan(10, 'a'), plan(11, 'b'), plan(9, 'a'));
  expect(lastOf(plans, 'weld plan', ({ ofId }) => ofId === 'a')?.id).toBe('a 10');
  expect(lastOf(plans, 'weld plan')?.id).toBe('b 11');
  expect(lastOf(plans, 'slot')).toBeUndefined();
});
