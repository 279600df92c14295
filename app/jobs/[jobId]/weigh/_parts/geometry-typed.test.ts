import { defaultFrame, familyOf } from '@/core/frame';
import { MEASURES } from '@/core/weigh';
import { turned } from '../../../../_parts/turned';
import { readFigure } from './figure-typed';
import {
  GEOMETRY_FORMS,
  readGeometry,
  rowKey,
  suggestedStations,
  turnedFields,
  type TypedMeasure,
} from './geometry-typed';

const frame = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const member = frame.members.find(({ id }) => id === 'rail-left')!;
const stamp = { id: '00000000-0000-4000-8000-000000000001', by: 'RK', at: '2026-11-20T08:00:00Z' };
const on = { system: 'in', member } as const;
const typed = (more: Partial<TypedMeasure>): TypedMeasure => ({
  of: 'wheelbase',
  fields: {},
  rows: 5,
  direction: 'across',
  instrument: 'tape',
  stood: 'on its wheels, empty',
  checkedOn: '',
  isSimulated: false,
  ...more,
});
const read = (more: Partial<TypedMeasure>) => readGeometry(typed(more), on, stamp);

describe('a measure as it is typed', () => {
  test('wheelbase in feet and fractions', () => {
    const fields = { fromId: 'axle-1', toId: 'axle-2', leftMm: `11' 10-1/8"`, rightMm: '142' };
    expect(read({ fields })).toMatchObject({
      ok: true,
      value: { measure: { leftMm: 142.125 * 25.4, rightMm: 142 * 25.4 }, instrument: 'tape' },
    });
  });
  test('a line: stations from the datum, offsets either side, rows without a reading passed over', () => {
    const fields = {
      '0 stationMm': '0',
      '0 offMm': '-1/4',
      '1 stationMm': '60',
      '2 stationMm': '80',
      '2 offMm': '0',
    };
    const three = { ...fields, '3 stationMm': '120', '3 offMm': '3mm' };
    expect(read({ of: 'line', instrument: 'string', fields: three, isSimulated: true })).toMatchObject({
      ok: true,
      value: {
        simulated: true,
        measure: {
          direction: 'across',
          memberId: member.id,
          marks: [
            { stationMm: 0, offMm: -6.35 },
            { stationMm: 80 * 25.4, offMm: 0 },
            { stationMm: 120 * 25.4, offMm: 3 },
          ],
        },
      },
    });
    // Two are kept, and say nothing; one is no line.
    expect(read({ of: 'line', instrument: 'string', fields }).ok).toBe(true);
    const one = { ...fields, '2 offMm': '' };
    expect(read({ of: 'line', instrument: 'string', fields: one })).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/2 at least: 1/),
    });
  });
  test.each<[string, Partial<TypedMeasure>, RegExp, string?]>([
    ['nothing', {}, /say which|nothing was typed/, 'fromId'],
    [
      'words for a length',
      { fields: { fromId: 'a', toId: 'b', leftMm: 'long' } },
      /left side.*not a length/,
      'leftMm',
    ],
    ['one axle twice', { fields: { fromId: 'a', toId: 'a', leftMm: '1', rightMm: '1' } }, /another one/],
    [
      'a station before the member',
      { of: 'line', fields: { '0 stationMm': '-5', '0 offMm': '1' } },
      /station/,
      '0 stationMm',
    ],
    [
      'degrees in words',
      { of: 'level across', instrument: 'angle finder', fields: { '0 stationMm': '1', '0 degrees': 'flat' } },
      /degrees/,
      '0 degrees',
    ],
    [
      'no name',
      { of: 'diagonals', fields: { oneMm: '100', otherMm: '100' } },
      /between which corners/,
      'place',
    ],
    [
      'an angle with a tape',
      {
        of: 'level across',
        fields: { '0 stationMm': '1', '0 degrees': '1', '1 stationMm': '9', '1 degrees': '1' },
      },
      /angle finder or a level/,
    ],
    [
      'a mark off the member',
      {
        of: 'line',
        instrument: 'string',
        fields: {
          '0 stationMm': '1',
          '0 offMm': '2000',
          '1 stationMm': '2',
          '1 offMm': '1',
          '2 stationMm': '3',
          '2 offMm': '1',
        },
      },
      /at most 1000/,
    ],
  ])('%s is refused by name, and where', (_what, more, reason, ...[at]) =>
    expect(read(more)).toMatchObject({ ok: false, reason: expect.stringMatching(reason), ...(at && { at }) }),
  );
  test('a comma, a degree sign, a long minus', () => {
    const fields = { '0 stationMm': '1', '0 degrees': '−0,4°', '1 stationMm': '90', '1 degrees': '1.5' };
    expect(read({ of: 'level across', instrument: 'spirit level', fields })).toMatchObject({
      ok: true,
      value: { measure: { stations: [{ degrees: -0.4 }, { degrees: 1.5 }] } },
    });
  });
});

test('every measure asks for what it is made of', () => {
  for (const of of MEASURES)
    expect(GEOMETRY_FORMS[of].single.length + (GEOMETRY_FORMS[of].rows?.fields.length ?? 0)).toBeGreaterThan(
      1,
    );
});

test('other units: lengths are turned, degrees and names stay', () => {
  const fields = { place: '12', oneMm: '100', [rowKey(0, 'degrees')]: '0.4' };
  const as = (text: string) => turned(text, 'in', 'mm');
  expect(turnedFields(fields, 'diagonals', as)).toMatchObject({ place: '12', oneMm: '2540' });
  expect(turnedFields({ '0 stationMm': '10', '0 degrees': '0.4' }, 'level across', as)).toEqual({
    '0 stationMm': '254',
    '0 degrees': '0.4',
  });
});

test('stations to measure at: a member from end to end, across at the axles', () => {
  const along = suggestedStations('line', { ...on, frame });
  expect(Object.keys(along)).toHaveLength(5);
  expect(along[rowKey(0, 'stationMm')]).toBe('0');
  expect(Object.keys(suggestedStations('level across', { ...on, frame })).length).toBeGreaterThan(1);
  expect(suggestedStations('mounts', { ...on, frame })).toEqual({});
});

describe('a figure from elsewhere as it is typed', () => {
  const figure = { mm: '142', toleranceMm: '', where: 'page 12', place: '' };
  const chosen = { system: 'in', endIds: ['axle-1', 'axle-2'] } as const;
  test('a wheelbase, with and without a tolerance of its own', () => {
    expect(readFigure('wheelbase', figure, chosen)).toEqual({
      ok: true,
      value: {
        where: 'page 12',
        figure: { of: 'wheelbase', fromId: 'axle-1', toId: 'axle-2', mm: 142 * 25.4 },
      },
    });
    expect(readFigure('wheelbase', { ...figure, toleranceMm: '1/8' }, chosen)).toMatchObject({
      value: { toleranceMm: 3.175 },
    });
  });
  test.each([
    ['wheelbase', { ...figure, where: '' }, chosen, 'where'],
    ['wheelbase', { ...figure, mm: '' }, chosen, 'mm'],
    ['wheelbase', { ...figure, toleranceMm: 'x' }, chosen, 'toleranceMm'],
    ['diagonals', figure, chosen, 'place'],
    ['wheelbase', figure, { ...chosen, endIds: ['a', 'a'] }, undefined],
    ['mounts', figure, chosen, undefined],
  ] as const)('%s %#: refused', (of, what, on, at) =>
    expect(readFigure(of, what, on)).toMatchObject({ ok: false, ...(at && { at }) }),
  );
});
