import { parseCelsius, printTemperature, printTemperatureDifference, temperatureDigits } from '.';

test.each([
  ['68', 'in', 20],
  ['20', 'mm', 20],
  ['20 C', 'in', 20],
  ['68°F', 'mm', 20],
  ['-40', 'in', -40],
  ['−5,5', 'mm', -5.5],
  ['+3.5 c', 'mm', 3.5],
] as const)('%s where %s is used: %d °C', (text, system, celsius) => {
  const read = parseCelsius(text, system);
  expect(read.ok && read.value).toBeCloseTo(celsius, 9);
});
test.each(['warm', '20 K', '1e3', '--4'])('“%s” is no temperature, with the reason', (text) => {
  const read = parseCelsius(text, 'mm');
  expect(!read.ok && read.reason).toMatch(/is no temperature/);
});
test('nothing typed asks for one', () =>
  expect(parseCelsius('  ', 'in')).toMatchObject({ ok: false, reason: 'a temperature: 68, 68 F, 20 C' }));
test('printed', () => {
  expect(printTemperature(20, 'in')).toBe('68 °F');
  expect(printTemperature(19.6, 'mm')).toBe('20 °C');
  expect(printTemperatureDifference(3, 'in')).toBe('5.4 °F');
  expect(printTemperatureDifference(3, 'mm')).toBe('3.0 °C');
  expect(temperatureDigits(20, 'in')).toBe('68');
  expect(temperatureDigits(20.04, 'mm')).toBe('20');
});
