import { consumedWords } from './settings';

const takes = { wireKg: 0.5, gasL: 200, arcMinutes: 11, discs: 2, primerMl: 40.2 };

test('what seams take, in the reader’s units: a bottle and a tin hold no less than is needed', () => {
  expect(consumedWords(takes, 'in')).toBe('Wire 1.10 lb, gas 8 ft³, 2 flap discs, weld-through primer 41 ml');
  expect(consumedWords(takes, 'mm')).toBe(
    'Wire 0.500 kg, gas 200 L, 2 flap discs, weld-through primer 41 ml',
  );
});

test('no gas with a wire that wants none, no primer where nothing laps', () => {
  expect(consumedWords({ ...takes, gasL: 0, primerMl: 0, discs: 1 }, 'mm')).toBe(
    'Wire 0.500 kg, 1 flap disc',
  );
});
