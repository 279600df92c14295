import { nextText, readIfTyped } from './typed';
import { ok } from '@/core/quantity';
import { turned } from './turned';

describe('a field as the page changes', () => {
  const toMm = (text: string) => turned(text, 'in', 'mm');
  const same = (text: string) => text;
  test('one that follows is not turned a second time when the units change', () => {
    expect(nextText('120', { followed: '120', follows: '3048', turn: toMm })).toBe('3048');
  });
  test('one somebody typed in is turned once, and stays when the cursor moves', () => {
    expect(nextText('100', { followed: '120', follows: '3048', turn: toMm })).toBe('2540');
    expect(nextText('100', { followed: '120', follows: '130', turn: same })).toBe('100');
  });
  test('one that follows goes with the cursor; one that follows nothing is only turned', () => {
    expect(nextText('120', { followed: '120', follows: '130', turn: same })).toBe('130');
    expect(nextText('1', { turn: toMm })).toBe('25.4');
    expect(nextText('', { turn: toMm })).toBe('');
  });
});

test('nothing typed is nothing known, and is not handed to the parser', () => {
  const read = readIfTyped((text) => ok(text.length));
  expect(read.parse(' ')).toBeUndefined();
  expect(read.parse('abc')).toBe(3);
});
