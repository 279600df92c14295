import { defaultFrame, familyOf } from '@/core/frame';
import { inchesToMm, poundsToKg, STANDARD_GRAVITY } from '@/core/quantity';
import { LIFT_REASONS, LIFT_WAYS, SIGN_KINDS, signDetailSchema, signWeight, wheelsOf } from '@/core/walk';
import {
  INSTEAD_WORDS,
  LIFT_WAY_WORDS,
  liftReasonWords,
  SIGN_WORDS,
  signWords,
  stepWords,
  tapWords,
  unseenWords,
} from '@/app/_words/walk';
import { formIn, readLift, withPoint, usualForm } from './lift-form';
import { quickFinds } from './quick-finds';
import { readSign, SIGN_FIELDS, type SignTyped } from './sign-fields';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});

/** Something sensible in every field that has to be filled. */
const filled = (kind: (typeof SIGN_KINDS)[number]): SignTyped =>
  Object.fromEntries(
    SIGN_FIELDS[kind].flatMap((field) =>
      field.as === 'length'
        ? [[field.name, '3/4']]
        : field.as === 'words'
          ? [[field.name, 'step bracket']]
          : field.as === 'choice' && field.ask
            ? [[field.name, field.options[0]!]]
            : [],
    ),
  );

test('what one touch keeps is a sign like any other, worst first, and nothing of it is chosen beforehand', () => {
  for (const system of ['in', 'mm'] as const) {
    const finds = quickFinds(system);
    for (const { detail } of finds) expect(signDetailSchema.safeParse(detail).success).toBe(true);
    expect(finds.map(({ detail }) => signWeight(detail) === 'failed')).toEqual(finds.map(({ bad }) => bad));
    expect(new Set(finds.map(({ id }) => id)).size).toBe(finds.length);
  }
  expect(readSign('struck', {}, 'in')).toEqual({ ok: false, reason: 'it answers: choose one' });
});

describe('a sign’s form', () => {
  test.each(SIGN_KINDS)('%s is read as typed, in both systems, and said in one line', (kind) => {
    for (const system of ['in', 'mm'] as const) {
      const typed =
        system === 'in'
          ? filled(kind)
          : Object.fromEntries(
              Object.entries(filled(kind)).map(([name, value]) => [name, value === '3/4' ? '19' : value]),
            );
      const read = readSign(kind, typed, system);
      expect(read).toMatchObject({ ok: true, value: { sign: kind } });
      if (!read.ok) continue;
      expect(signWords(read.value, system)).not.toMatch(/undefined|NaN/);
      expect(SIGN_WORDS[kind].length).toBeGreaterThan(3);
      expect(signWeight(read.value)).toBeDefined();
    }
  });
  test('the field that is wrong is named', () => {
    expect(readSign('dent', { deepMm: 'deep', acrossMm: '1' }, 'in')).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/^deep: /),
    });
    expect(readSign('layers', { counted: '2.5' }, 'in')).toMatchObject({
      ok: false,
      reason: expect.stringContaining('whole number'),
    });
    expect(readSign('debris', { full: '140' }, 'in')).toMatchObject({
      ok: false,
      reason: expect.stringContaining('how full'),
    });
    expect(readSign('welded solid', { joint: '' }, 'in')).toMatchObject({
      ok: false,
      reason: expect.stringContaining('which joint'),
    });
  });
  test('lengths and weights are read in the chosen system', () => {
    expect(readSign('debris', { full: '40', outKg: '10', waterLineMm: '2 1/2' }, 'in')).toMatchObject({
      ok: true,
      value: { full: 0.4, outKg: poundsToKg(10), waterLineMm: inchesToMm(2.5) },
    });
    expect(readSign('hole', { acrossMm: '20', longMm: '' }, 'mm')).toEqual({
      ok: true,
      value: { sign: 'hole', acrossMm: 20 },
    });
  });
});

describe('a plan of raising', () => {
  test.each(LIFT_WAYS)('%s starts from somewhere sensible and reads back', (way) => {
    for (const system of ['in', 'mm'] as const) {
      const plan = readLift(usualForm(frame, way, system));
      expect(plan).toMatchObject({ ok: true, value: { way } });
      if (plan.ok)
        for (const point of plan.value.points) expect(point.stationMm).toBeLessThan(frame.lengthMm);
    }
    expect(LIFT_WAY_WORDS[way].length).toBeGreaterThan(3);
  });
  test('every point added has a name of its own, also after one was taken away; two of one name are refused', () => {
    const start = usualForm(frame, 'stands', 'in');
    const two = withPoint(withPoint(start));
    const again = withPoint({ ...two, points: two.points.filter((_, k) => k !== 4) });
    expect(new Set(again.points.map((point) => point.id)).size).toBe(again.points.length);
    const twins = { ...start, points: start.points.map((point) => ({ ...point, id: 'one' })) };
    expect(readLift(twins)).toMatchObject({ ok: false, reason: expect.stringContaining('one name') });
  });
  test('a jack lifts one wheel and the others stay down', () => {
    expect(wheelsOf(frame)).toHaveLength(4);
    expect(usualForm(frame, 'jack', 'in').wheelsDown).toHaveLength(3);
    expect(usualForm(frame, 'two-post pads', 'in').wheelsDown).toEqual([]);
  });
  test('turned to millimetres it is the same plan', () => {
    const form = { ...usualForm(frame, 'stands', 'in'), hoist: '9000' };
    const [one, two] = [readLift(form), readLift(formIn(form, 'mm'))];
    if (!one.ok || !two.ok) throw new Error('not read');
    one.value.points.forEach((point, k) =>
      expect(Math.abs(point.stationMm - two.value.points[k]!.stationMm)).toBeLessThan(0.6),
    );
    expect(two.value.hoistRatingN! / one.value.hoistRatingN!).toBeCloseTo(1, 2);
    expect(formIn({ ...form, hoist: 'heavy' }, 'mm').hoist).toBe('heavy');
  });
  test('ratings are masses typed in pounds or kilograms; what is wrong is named', () => {
    const form = usualForm(frame, 'jack', 'in');
    const rated = readLift({ ...form, points: form.points.map((point) => ({ ...point, rating: '6000' })) });
    expect(rated.ok && rated.value.points[0]!.ratingN).toBeCloseTo(poundsToKg(6000) * STANDARD_GRAVITY, 6);
    expect(readLift({ ...form, points: [{ ...form.points[0]!, station: 'here' }] })).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/^jack: /),
    });
    expect(readLift({ ...form, along: 'steep' })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('slope'),
    });
    expect(readLift({ ...form, along: '40' })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('15°'),
    });
    expect(readLift({ ...form, hoist: 'heavy' })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('hoist rating'),
    });
  });
});

test('every reason of the gate is said in both systems, and nothing is ever called safe', () => {
  const said = LIFT_REASONS.flatMap((code) =>
    (['in', 'mm'] as const).map((system) =>
      liftReasonWords(
        { code, weight: 'refused', stationMm: 500, value: 0.7, limit: 1, name: 'hanger' },
        system,
      ),
    ),
  );
  const steps = [
    { does: 'unload' },
    { does: 'chock', wheels: ['front axle'] },
    { does: 'raise', points: ['a'], axle: 'Rear axle', massKg: 900 },
    { does: 'raise', points: [] },
    { does: 'stand', points: ['a'] },
    { does: 'spring', axle: 'Rear axle' },
    { does: 'pin', axle: 'Rear axle' },
    { does: 'look again', members: ['Left rail'] },
  ] as const;
  const words = [
    ...said,
    ...steps.map((step) => stepWords(step, 'in')),
    ...Object.values(INSTEAD_WORDS),
    unseenWords('by eye only'),
    unseenWords('no light'),
    tapWords({ answer: 'duller', why: 'rings shorter', ringRatio: 0.3, toneRatio: 0.7 }),
    tapWords({ answer: 'cannot tell', why: 'too few taps' }),
  ];
  for (const each of words) {
    expect(each.length).toBeGreaterThan(4);
    expect(each).not.toMatch(/undefined|NaN|\bsafe/);
  }
});
