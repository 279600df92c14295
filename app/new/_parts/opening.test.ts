import { FAMILY_IDS } from '@/core/frame';
import { UNIT_KINDS } from '@/core/frame';
import {
  FAMILY_OF_KIND,
  familyFields,
  frameFrom,
  hasOwnMeasures,
  readOpening,
  steelOfKind,
  type OpeningFields,
} from './opening';

const fields = (more: Partial<OpeningFields> = {}): OpeningFields => ({
  tag: 'T-9',
  description: 'flatbed',
  kind: 'truck',
  exposure: 'road salt',
  duty: 'work',
  gross: '26,000',
  built: '1998',
  title: 'rust',
  purpose: 'repair',
  complaint: '',
  by: 'RK',
  family: 'open-channel ladder',
  depth: '8',
  breadth: '2-3/4',
  wall: '1/4',
  flangeWall: '1/4',
  length: '240',
  width: '34',
  first: '38',
  wheelbase: '146',
  rearAxles: '1',
  spread: '50',
  starting: '',
  steel: 'a36',
  measures: '',
  datum: 'front hole',
  ...more,
});
const stamp = {
  unitId: '00000000-0000-4000-8000-000000000001',
  jobId: '00000000-0000-4000-8000-000000000002',
  at: '2026-01-01T00:00:00Z',
};
const problems = (more: Partial<OpeningFields>, system: 'in' | 'mm' = 'in') => {
  const read = readOpening(fields(more), system, undefined, stamp);
  return read.ok ? {} : read.problems;
};

test('a good form opens a unit, a job and a frame that hangs together', () => {
  const read = readOpening(fields(), 'in', undefined, stamp);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const { unit, job, frame } = read.opening;
  expect(job.unitId).toBe(unit.id);
  expect(unit.grossMassKg).toBeCloseTo(11793.4, 1);
  expect(unit.builtYear).toBe(1998);
  expect(frame.members.filter((member) => member.role === 'rail').map((member) => member.shape)).toEqual(
    [0, 1].map(() => ({ kind: 'channel', depthMm: 203.2, flangeMm: 69.85, thicknessMm: 6.35 })),
  );
  expect(frame.lengthMm).toBe(6096);
});

test('inches and millimetres open the same frame', () => {
  const inches = frameFrom(fields(), 'in');
  const millimetres = frameFrom(
    fields({
      depth: '203.2',
      breadth: '69.85',
      wall: '6.35',
      length: '6096',
      width: '863.6',
      first: '965.2',
      wheelbase: '3708.4',
      spread: '1270',
      gross: '26000 lb',
    }),
    'mm',
  );
  const rounded = (value: unknown) =>
    JSON.parse(
      JSON.stringify(value, (_, each: unknown) =>
        typeof each === 'number' ? Math.round(each * 1e6) / 1e6 : each,
      ),
    ) as unknown;
  expect(rounded(millimetres)).toEqual(rounded(inches));
});

test('a wall may be given as a fraction, a gauge or millimetres', () => {
  const wall = (text: string) => {
    const frame = frameFrom(fields({ wall: text }), 'in');
    return frame.ok && frame.frame.members[0]!.shape.thicknessMm;
  };
  expect(wall('3/16')).toBeCloseTo(4.7625, 6);
  expect(wall('7ga')).toBeCloseTo(0.1793 * 25.4, 6);
  expect(wall('5mm')).toBe(5);
});

test.each<[Partial<OpeningFields>, keyof OpeningFields]>([
  [{ tag: '' }, 'tag'],
  [{ by: '' }, 'by'],
  [{ built: '98' }, 'built'],
  [{ built: '2101' }, 'built'],
  [{ built: 'last year' }, 'built'],
  [{ gross: 'heavy' }, 'gross'],
  [{ gross: '-4' }, 'gross'],
  [{ depth: 'tall' }, 'depth'],
  [{ depth: '400' }, 'depth'],
  [{ depth: '0' }, 'depth'],
  [{ breadth: '0.1' }, 'breadth'],
  [{ wall: '3' }, 'wall'],
  [{ wall: '0.001' }, 'wall'],
  [{ wall: '-1/4' }, 'wall'],
  [{ length: '2' }, 'wheelbase'],
  [{ wheelbase: '0' }, 'wheelbase'],
  [{ wheelbase: '220' }, 'wheelbase'],
  [{ first: '-3' }, 'first'],
  [{ length: '99999', wheelbase: '100' }, 'length'],
  [{ width: '1' }, 'width'],
])('%j is refused at its own field', (more, field) => {
  expect(Object.keys(problems(more))).toContain(field);
  expect(problems(more)[field]!.length).toBeGreaterThan(3);
});

describe('a job begins with a tag, a kind and who opens it; the numbers come later', () => {
  const bare = (more: Partial<OpeningFields> = {}) => {
    const read = readOpening(
      fields({
        description: '',
        title: '',
        datum: '',
        gross: '',
        ...familyFields('open-channel ladder', 'in'),
        ...more,
      }),
      'in',
      undefined,
      stamp,
    );
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    return read.opening;
  };
  test('what was left open is named so that it shows', () => {
    const { unit, job, frame } = bare();
    expect([unit.description, job.title, frame.datum]).toEqual([
      'truck',
      'First look',
      'front end of the left rail, until a hole that stays is named',
    ]);
    expect(bare({ purpose: 'pre-purchase look' }).job.title).toBe('Look before buying');
  });
  test('usual measures are marked as nobody’s; one typed, or a word, makes them the unit’s', () => {
    expect(bare().frame.presumed).toBe(true);
    expect(bare({ length: '241' }).frame.presumed).toBeUndefined();
    expect(bare({ measures: 'taken from this unit' }).frame.presumed).toBeUndefined();
    expect(bare({ length: '241', measures: 'usual for the family' }).frame.presumed).toBe(true);
  });
  test('only a truck’s or motorhome’s steel is left open', () =>
    expect(UNIT_KINDS.filter((kind) => steelOfKind(kind) === 'unknown')).toEqual(['truck', 'motorhome']));
});

test('a wall more than a third of a side cannot be folded', () => {
  expect(problems({ wall: '1', depth: '2.5', breadth: '2.5' })).toHaveProperty('wall');
});

test('several wrong fields are all named', () => {
  expect(Object.keys(problems({ tag: '', by: '', depth: 'x', wall: 'y' })).sort()).toEqual([
    'by',
    'depth',
    'tag',
    'wall',
  ]);
});

test('a new job on a unit of the yard keeps the unit as it is', () => {
  const unit = {
    id: '00000000-0000-4000-8000-00000000000a',
    tag: 'GR-7',
    description: 'gritter',
    kind: 'truck' as const,
    exposure: 'salt load' as const,
    duty: 'work' as const,
  };
  const read = readOpening(fields({ tag: 'other' }), 'in', unit, stamp);
  expect(read.ok && read.opening.unit).toEqual(unit);
  expect(read.ok && read.opening.job.unitId).toBe(unit.id);
});

test.each(FAMILY_IDS)(
  '%s opens as its own form starts, with loads once the gross weight is known',
  (family) => {
    const read = readOpening(fields({ family, ...familyFields(family, 'in') }), 'in', undefined, stamp);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.opening.frame.family).toBe(family);
    expect(read.opening.frame.loads!.items.reduce((sum, item) => sum + item.massKg, 0)).toBeGreaterThan(5000);
    const inMm = readOpening(fields({ family, ...familyFields(family, 'mm') }), 'mm', undefined, stamp);
    expect(inMm.ok && Math.abs(inMm.opening.frame.lengthMm - read.opening.frame.lengthMm)).toBeLessThan(1);
  },
);

test('a starting frame of the shop’s own is opened as it is kept, under the new datum', () => {
  const own = frameFrom(fields({ length: '300', wheelbase: '200' }), 'in');
  if (!own.ok) throw new Error('no frame');
  const read = readOpening(fields({ depth: 'nonsense', starting: 'x' }), 'in', undefined, stamp, own.frame);
  expect(read.ok && read.opening.frame).toEqual({ ...own.frame, datum: 'front hole' });
});

test('every kind of unit has a family to start from, and a measure typed is known for one', () => {
  for (const kind of UNIT_KINDS) {
    const family = FAMILY_OF_KIND[kind];
    const untouched = fields({ kind, family, ...familyFields(family, 'in') });
    expect(FAMILY_IDS).toContain(family);
    expect(hasOwnMeasures(untouched, 'in')).toBe(false);
    expect(hasOwnMeasures({ ...untouched, length: '241' }, 'in')).toBe(true);
    expect(hasOwnMeasures({ ...untouched, tag: 'other', datum: 'bumper' }, 'in')).toBe(false);
  }
});
