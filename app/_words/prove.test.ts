import { defaultFrame, familyOf, memberOf, type Frame } from '@/core/frame';
import type { Change, OpenItem } from '@/core/prove';
import { changeName, changeWords, itemWords } from './prove';
import { printStation } from './station';

const change = (more: Partial<Change>): Change =>
  ({ quantity: 'length', by: 0, plusMinus: 1, limit: 3, name: 'line, up', ...more }) as Change;

test('records that cannot be read are counted and named, the first three of them', () => {
  const item = (parts: string[]): OpenItem => ({
    key: 'records unreadable',
    code: 'records unreadable',
    name: parts.slice(0, 3).join(', '),
    may: 'two names',
    parts,
  });
  const said = (...parts: string[]) => itemWords({} as Frame, item(parts), 'in');
  expect(said('evidence a')).toBe('1: evidence a');
  expect(said('a', 'b', 'c')).toBe('3: a, b, c');
  expect(said('a', 'b', 'c', 'd')).toBe('4: a, b, c …');
});
test('more has its sign, less has its, and what prints as nothing has none', () => {
  const said = (by: number) => changeWords(change({ by }), 'mm').split(' ±')[0];
  expect([said(2), said(-2), said(0), said(1e-6), said(-1e-6)]).toEqual([
    '+2.0 mm',
    '-2.0 mm',
    '0.0 mm',
    '0.0 mm',
    '0.0 mm',
  ]);
});
test('a place on a rail that begins behind the datum is told from the datum, as on every other page', () => {
  const family = 'unibody';
  const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'hole' });
  const rail = frame.members.find(({ startMm }) => (startMm ?? 0) > 0)!;
  const name = changeName(frame, change({ memberId: rail.id, atMm: [100] }), 'mm');
  expect(name).toBe(`${rail.name}, line, up, at ${printStation(memberOf(frame, rail.id)!, 100, 'mm')}`);
  expect(name).not.toContain('at 100 mm');
});
