import { defaultFrame, familyOf, FAMILY_IDS, memberOf, startsAtMm } from '@/core/frame';
import { inchesToMm } from '@/core/quantity';
import { parseStationMm, printStation, stationDigits } from './station';

const frameOf = (family: (typeof FAMILY_IDS)[number]) =>
  defaultFrame({ ...familyOf(family).typical, family, steel: 'a36', datum: 'front hole' });

test('a rail that starts behind the datum is read on the frame’s one tape', () => {
  const rail = memberOf(frameOf('I-beam trailer'), 'rail-left')!;
  expect(startsAtMm(rail)).toBeCloseTo(914.4, 0);
  expect(printStation(rail, 0, 'in')).toBe('36 in');
  expect(stationDigits(rail, inchesToMm(12), 'in')).toBe('48');
});

test.each([
  ['a rail from the datum', 'open-channel ladder', 'rail-left', 0],
  ['the rear rail of a mixed ladder', 'mixed ladder', 'rail-left-rear', 2789],
  ['a sill, laid as a line', 'unibody', 'sill-left', 1270],
  ['a tube over the axles', 'I-beam trailer', 'axle-tube-left', 4153],
  ['a tongue that slants', 'I-beam trailer', 'tongue-left', 0],
  ['an outrigger across', 'I-beam trailer', 'outrigger-left-2', 0],
  ['an upright', 'gooseneck trailer', 'upright-left', 0],
] as const)('%s begins at %4$d mm', (_, family, id, startMm) => {
  expect(startsAtMm(memberOf(frameOf(family), id)!)).toBeCloseTo(startMm, -1);
});

test('what is typed from the datum comes back as the member’s own, and nothing before its end is taken', () => {
  for (const family of FAMILY_IDS)
    for (const member of frameOf(family).members)
      for (const ownMm of [0, 12.7, member.lengthMm]) {
        const typed = parseStationMm(`${startsAtMm(member) + ownMm}mm`, member, 'in');
        expect(typed.ok && typed.value).toBeCloseTo(ownMm, 6);
      }
  const rail = memberOf(frameOf('I-beam trailer'), 'rail-left')!;
  expect(parseStationMm('35', rail, 'in')).toMatchObject({
    ok: false,
    reason: expect.stringContaining('begins at station 36 in'),
  });
});
