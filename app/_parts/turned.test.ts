import { turned } from './turned';

test.each([
  ['0.250', 'in', 'mm', 'length', '6.35'],
  ['0.118', 'in', 'mm', 'length', '2.9972'],
  ['6,4', 'mm', 'in', 'length', '0.2519685'],
  ['26,000', 'in', 'mm', 'weight', '11793.4016'],
  ['11800', 'mm', 'in', 'weight', '26014.547'],
  ['3/8', 'in', 'mm', 'length', '3/8'],
  ['14 ⅜', 'in', 'mm', 'length', '14 ⅜'],
  ['10ga', 'in', 'mm', 'length', '10ga'],
  ['4.7mm', 'mm', 'in', 'length', '4.7mm'],
  ['26000 lb', 'in', 'mm', 'weight', '26000 lb'],
  ['half typ', 'in', 'mm', 'length', 'half typ'],
  ['68', 'in', 'mm', 'temperature', '20'],
  ['-5', 'mm', 'in', 'temperature', '23'],
  ['68 F', 'in', 'mm', 'temperature', '68 F'],
  ['', 'in', 'mm', 'length', ''],
  ['0.25', 'in', 'in', 'length', '0.25'],
] as const)('%s from %s to %s as a %s is %s', (text, from, to, kind, expected) =>
  expect(turned(text, from, to, kind)).toBe(expected),
);

test.each(['0.25', '0.118', '14.375', '0.0598', '1', '96'])(
  '%s in inches comes back from millimetres as it was',
  (text) => expect(turned(turned(text, 'in', 'mm'), 'mm', 'in')).toBe(text),
);
test.each(['6.4', '3', '1524', '4.76', '0.9'])('%s mm comes back from inches as it was', (text) =>
  expect(turned(turned(text, 'mm', 'in'), 'in', 'mm')).toBe(text),
);
test.each(['26000', '3500', '450'])('%s lb comes back from kilograms as it was', (text) =>
  expect(turned(turned(text, 'in', 'mm', 'weight'), 'mm', 'in', 'weight')).toBe(text),
);
