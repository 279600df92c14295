import {
  boughtKind,
  extraAnswerKind,
  extraKind,
  gateSaidKind,
  handoverKind,
  jobPlanKind,
  permitKind,
  removalKind,
  slotKind,
  taskSaidKind,
} from '.';
import { frameFor } from './scene-for-tests';

const stamp = { id: '00000000-0000-4000-8000-000000000001', by: 'RK', at: '2026-11-24T08:00:00Z', note: '' };
const good = (kind: { schema: { safeParse: (body: unknown) => { success: boolean } } }, body: object) =>
  kind.schema.safeParse({ ...stamp, ...body }).success;

const task = { kind: 'task', taskId: 'clear A', title: 'Clear', is: 'done' };
const gate = { kind: 'gate', gate: 'cure', of: 'A', is: 'forced', second: 'TM', note: 'ferry at noon' };
const permit = { kind: 'permit', zoneId: 'A', is: 'given', checks: [], none: [], helper: 'TM', watchMin: 60 };
const extra = { kind: 'extra', zoneId: 'A', grows: true, what: 'a hole', hours: [1, 2], money: [0, 10] };
const answer = { kind: 'extra answer', extraId: 'x', answer: 'yes', who: 'owner', how: 'in person' };
const bought = { kind: 'bought', key: 'steel 4.8', name: 'sheet', is: 'in' };
const slot = { kind: 'slot', startOn: '2026-12-01', chance: 0.8 };
const planned = (after: number[]) => ({
  kind: 'job plan',
  basis: 'b',
  tasks: [
    { id: 'a', title: 'a', hours: [1, 2], hands: 1, after: [] },
    { id: 'b', title: 'b', hours: [1, 2], hands: 1, after },
  ],
});
const handover = { kind: 'handover', to: 'TM', halfDone: [], words: 'hanger is off' };

test.each([
  ['done', taskSaidKind, task, true],
  ['not needed, without a reason', taskSaidKind, { ...task, is: 'not needed' }, false],
  ['not needed, with one', taskSaidKind, { ...task, is: 'not needed', note: 'bolted' }, true],
  ['forced by two, with a reason', gateSaidKind, gate, true],
  ['forced by one', gateSaidKind, { ...gate, second: '' }, false],
  ['forced by oneself twice', gateSaidKind, { ...gate, second: 'rk' }, false],
  ['forced without a reason', gateSaidKind, { ...gate, note: ' ' }, false],
  ['air of 100 %', gateSaidKind, { ...gate, is: 'measured', humidity: 1 }, true],
  ['air of 101 %', gateSaidKind, { ...gate, is: 'measured', humidity: 1.01 }, false],
  ['a permit with a helper', permitKind, permit, true],
  ['a permit to oneself', permitKind, { ...permit, helper: 'RK' }, false],
  ['a watch of half an hour', permitKind, { ...permit, watchMin: 30 }, true],
  ['a watch of 29 min', permitKind, { ...permit, watchMin: 29 }, false],
  ['a permit with no watch', permitKind, { ...permit, watchMin: undefined }, false],
  ['the arc out, of no permit', permitKind, { ...permit, is: 'arc out' }, false],
  ['the arc out, of one', permitKind, { ...permit, is: 'arc out', permitId: 'p' }, true],
  ['an extra', extraKind, extra, true],
  ['an extra with its hours turned round', extraKind, { ...extra, hours: [2, 1] }, false],
  ['yes', extraAnswerKind, answer, true],
  ['later, no day', extraAnswerKind, { ...answer, answer: 'later' }, false],
  ['later, with one', extraAnswerKind, { ...answer, answer: 'later', until: '2027-01-01' }, true],
  [
    'later, until no day there is',
    extraAnswerKind,
    { ...answer, answer: 'later', until: '2027-02-30' },
    false,
  ],
  ['in', boughtKind, bought, true],
  ['ordered, nobody knows when it comes', boughtKind, { ...bought, is: 'ordered' }, false],
  ['even odds', slotKind, { ...slot, chance: 0.5 }, true],
  ['under even odds', slotKind, { ...slot, chance: 0.49 }, false],
  ['a day there is not', slotKind, { ...slot, startOn: '2026-13-01' }, false],
  ['away, no way to go', slotKind, { ...slot, away: { travelHours: 0, power: 'none' } }, false],
  ['a plan whose tasks wait for earlier ones', jobPlanKind, planned([0]), true],
  ['a plan whose task waits for itself', jobPlanKind, planned([1]), false],
  ['a handover', handoverKind, handover, true],
  ['a handover to oneself', handoverKind, { ...handover, to: 'RK' }, false],
] as const)('%s: kept %#', (_, kind, body, isGood) => expect(good(kind as never, body)).toBe(isGood));

test('a part of which nobody said where it lies is kept, and that is said; scrap lies nowhere', () => {
  const warns = (place: string, fate: 'goes back' | 'scrap') => {
    const removal = removalKind.schema.parse({
      kind: 'removal',
      ...stamp,
      partId: 'p',
      name: 'Line',
      place,
      fate,
    });
    const fit = removalKind.fits(frameFor('unibody'), removal);
    return fit.ok && fit.value.warning !== undefined;
  };
  expect([warns('', 'goes back'), warns('crate 2', 'goes back'), warns('', 'scrap')]).toEqual([
    true,
    false,
    false,
  ]);
});
