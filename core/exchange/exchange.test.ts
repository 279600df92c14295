import { readFileSync } from 'node:fs';
import DxfParser from 'dxf-parser';
import {
  blankDxf,
  parseBundle,
  printBundle,
  readingsFromCsv,
  readingsToCsv,
  READING_COLUMNS,
  guessColumns,
  missingFields,
  peekCsv,
  type JobBundle,
} from '.';
import { valueOf } from '../quantity';
import { defaultFrame, familyOf } from '../frame';
import type { Reading } from '../probe';
import { DEFAULT_MONEY, DEFAULT_PRACTICE } from '../reference';
import { blankOfPiece, flatPattern, type Piece, type Repair } from '../shape';

const frame = defaultFrame({
  family: 'boxed ladder',
  railShape: { kind: 'box', depthMm: 150, widthMm: 75, thicknessMm: 5 },
  steel: 'a36',
  lengthMm: 6000,
  widthMm: 860,
  datum: 'hole',
});
const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const reading = (n: number, more: Partial<Reading> = {}): Reading => ({
  kind: 'reading',
  id: id(n),
  memberId: 'rail-left',
  stationMm: 100 * n,
  face: 'outer',
  heightMm: 40.5,
  thicknessMm: 3.21,
  method: 'ultrasonic',
  by: 'RK',
  at: '2026-01-01T00:00:00Z',
  note: '',
  ...more,
});
const defaults = {
  by: 'TM',
  at: '2026-02-02T00:00:00Z',
  system: 'in' as const,
  idFor: (says: string) =>
    `00000000-0000-4000-8000-${[...says]
      .reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 999_999_999_989, 7)
      .toString()
      .padStart(12, '0')}`,
  existing: [] as Reading[],
};
const imported = (text: string, existing: readonly Reading[] = []) => {
  const outcome = readingsFromCsv(frame, text, { ...defaults, existing });
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.value;
};

describe('readings as CSV', () => {
  const some = [
    reading(1),
    reading(2, { note: 'says "thin", twice', by: 'A, B' }),
    reading(3, { face: 'bottom', method: 'feel', thicknessMm: 0 }),
  ];

  test.each(['in', 'mm'] as const)(
    'out in %s and in again: the same to a thousandth of a millimetre',
    (system) => {
      const back = imported(readingsToCsv(frame, some, [], system));
      expect(back.rejected).toEqual([]);
      back.readings.forEach((one, k) => {
        const { stationMm, heightMm, thicknessMm, ...rest } = some[k]!;
        const { stationMm: s, heightMm: h, thicknessMm: t, ...restBack } = one;
        expect(restBack).toEqual(rest);
        expect(
          [s, h, t].map((each, n) => Math.abs(each - [stationMm, heightMm, thicknessMm][n]!) < 1e-3),
        ).toEqual([true, true, true]);
      });
    },
  );

  test('columns as documented; struck rows are marked; nothing a spreadsheet would run', () => {
    const csv = readingsToCsv(
      frame,
      [reading(1, { note: '=HYPERLINK("x")' })],
      [{ id: id(7), evidenceId: id(1), why: 'slip', by: 'RK', at: '2026-01-02T00:00:00Z' }],
      'in',
    );
    expect(csv.split('\n')[0]).toBe(READING_COLUMNS.join(','));
    expect(csv).toContain('RK,2026-01-02T00:00:00Z,slip');
    expect(csv).toContain(`"'=HYPERLINK(""x"")"`);
  });

  test('bad rows are reported by line and reason, the good ones kept', () => {
    const { readings, rejected, warnings } = imported(
      [
        'member,station,face,height,thickness,unit,method',
        'Left rail,14-3/8,outer,1,0.148,in,',
        'Middle rail,10,outer,1,0.1,in,',
        'Left rail,ten,outer,1,0.1,in,',
        'Left rail,10,web,1,0.1,in,',
        'Left rail,10,side,1,0.1,in,',
        'Left rail,10,outer,1,-0.1,in,',
        'Left rail,1000,outer,1,0.1,in,',
        'Left rail,10,outer,1,0.1,furlong,',
        'Left rail,10,outer,1,0.1,in,guess',
        'rail-right,250,INNER,40,10ga,mm,Caliper',
        'Left rail,10,outer,1,0.4,in,',
        'Left rail,10',
      ].join('\n'),
    );
    expect(readings.map((each) => each.memberId)).toEqual(['rail-left', 'rail-right', 'rail-left']);
    expect(readings[1]).toMatchObject({
      stationMm: 250,
      heightMm: 40,
      thicknessMm: 3.4163,
      method: 'caliper',
      face: 'inner',
      by: 'TM',
    });
    expect(rejected.map((each) => each.line)).toEqual([3, 4, 5, 6, 7, 8, 9, 10, 13]);
    expect(rejected.map((each) => each.reason).join('\n')).toMatch(
      /Middle rail[\s\S]*station[\s\S]*no web face[\s\S]*side[\s\S]*below zero[\s\S]*off Left rail[\s\S]*furlong[\s\S]*guess/,
    );
    expect(warnings.map((each) => each.line)).toEqual([12]);
  });

  test('a bad row is named by its line in the file: after a note of two lines, empty lines, and whichever ends of line', () => {
    const lines = [
      'member,station,face,height,thickness,unit,note',
      '',
      'Left rail,14,outer,1,0.148,in,"scraped',
      'twice"',
      '',
      'Left rail,ten,outer,1,0.1,in,',
    ];
    for (const end of ['\n', '\r\n']) {
      const { readings, rejected } = imported(`${lines.join(end)}${end}${end}`);
      expect(readings).toHaveLength(1);
      expect(readings[0]!.note).toMatch(/^scraped\s+twice$/);
      expect(rejected).toEqual([{ line: 6, reason: expect.stringContaining('ten') }]);
    }
  });

  test('a file taken in again, corrected, adds only what is new; figures on record are not replaced', () => {
    const header = 'id,member,station,face,height,thickness,unit,method';
    const first = imported(
      [
        header,
        ',Left rail,10,outer,1,0.1,in,',
        ',Left rail,10,outer,1,0.1,in,',
        ',Left rail,ten,outer,1,0.2,in,',
      ].join('\n'),
    );
    expect([first.readings.length, first.rejected.length, first.already]).toEqual([2, 1, 0]);
    const again = imported(
      [
        header,
        ',Left rail,10,outer,1,0.1,in,',
        ',Left rail,10,outer,1,0.1,in,',
        ',Left rail,10,outer,1,0.2,in,',
      ].join('\n'),
      first.readings,
    );
    expect([again.readings.length, again.rejected.length, again.already]).toEqual([1, 0, 2]);
    const exported = readingsToCsv(frame, some, [], 'in');
    expect(imported(exported, some)).toMatchObject({ readings: [], rejected: [], already: 3 });
    const tampered = imported(`${header}\n${some[0]!.id},Left rail,100,outer,40.5,1.11,mm,`, some);
    expect(tampered.readings).toEqual([]);
    expect(tampered.rejected[0]).toMatchObject({ line: 2, reason: expect.stringContaining('which stand') });
  });

  const HEAD = 'id,member,station,face,height,thickness,unit,method,by,at,note,simulated';
  test('each row keeps its own note, who and when, whatever rows before it said', () => {
    const at = '2026-01-05T00:00:00Z';
    const { readings } = imported(
      [
        HEAD,
        `,Left rail,10,outer,1,0.1,in,,RK,${at},first,yes`,
        `,Left rail,11,outer,1,0.1,in,,RK,${at},second,`,
        `,Left rail,12,outer,1,0.1,in,,RK,${at},,no`,
        `,Left rail,13,outer,1,0.1,in,,TM,${at},,`,
        `${id(77)},Left rail,14,outer,1,0.1,in,,,,,`,
        ',Left rail,15,outer,1,0.1,in,,,,,YES',
      ].join('\n'),
    );
    expect(readings.map(({ by, at: when, note, simulated }) => [by, when, note, simulated])).toEqual([
      ['RK', at, 'first', true],
      ['RK', at, 'second', undefined],
      ['RK', at, '', undefined],
      ['TM', at, '', undefined],
      ['TM', defaults.at, '', undefined],
      ['TM', defaults.at, '', true],
    ]);
    expect(readings[4]!.id).toBe(id(77));
    expect(new Set(readings.map((each) => each.id)).size).toBe(6);
    expect(
      readingsToCsv(frame, readings.slice(0, 2), [], 'mm')
        .trim()
        .split('\n')
        .map((line) => line.split(',').at(-1)),
    ).toEqual(['simulated', 'yes', '']);
  });

  test('a figure without a unit is in what the reader reads in; with one, in that', () => {
    const text =
      'member,station,face,height,thickness,unit\nLeft rail,10,outer,1,0.1,\nLeft rail,10,outer,1,2,mm';
    const of = (system: 'in' | 'mm') =>
      valueOf(readingsFromCsv(frame, text, { ...defaults, system })).readings.map((each) => each.stationMm);
    expect(of('in')).toEqual([254, 10]);
    expect(of('mm')).toEqual([10, 10]);
  });

  test('who, when or an id that cannot be is named, and the next row with none of it is read', () => {
    const { readings, rejected } = imported(
      [
        HEAD,
        ',Left rail,10,outer,1,0.1,in,,RK,yesterday,,',
        'seven,Left rail,11,outer,1,0.1,in,,RK,,,',
        ',Left rail,12,outer,1,0.1,in,,RK,,,',
      ].join('\n'),
    );
    expect(rejected.map(({ line, reason }) => [line, reason.split(':')[0]])).toEqual([
      [2, 'at'],
      [3, 'id'],
    ]);
    expect(readings).toHaveLength(1);
  });

  test.each([
    ['thickness', 0.0009, 'already'],
    ['thickness', 0.0011, 'refused'],
    ['station', 0.0009, 'already'],
    ['station', -0.0011, 'refused'],
    ['height', 0.0009, 'already'],
    ['height', 0.0011, 'refused'],
  ] as const)('%s off by %s mm from what is on record under that id: %s', (figure, off, is) => {
    const { stationMm, heightMm, thicknessMm } = reading(5);
    const at = { station: stationMm, height: heightMm, thickness: thicknessMm };
    at[figure] += off;
    const text = `${HEAD}\n${id(5)},rail-left,${at.station},outer,${at.height},${at.thickness},mm,,,,,`;
    const { already, rejected } = imported(text, [reading(5)]);
    expect([already, rejected.length]).toEqual(is === 'already' ? [1, 0] : [0, 1]);
  });
  test.each([
    ['another member', 'rail-right,500,outer,40.5,3.21,mm,'],
    ['another face', 'rail-left,500,inner,40.5,3.21,mm,'],
    ['another method', 'rail-left,500,outer,40.5,3.21,mm,caliper'],
  ])('%s under an id that is on record is refused', (_what, cells) => {
    expect(imported(`${HEAD}\n${id(5)},${cells},,,,`, [reading(5)]).rejected).toHaveLength(1);
  });

  test.each([
    ['station', 0.0004, 1],
    ['station', 0.0011, 2],
    ['thickness', 0.00004, 1],
    ['thickness', 0.00011, 2],
  ] as const)(
    'a row without an id that differs in its %s by %s mm from one taken in before: %s ids',
    (figure, off, different) => {
      const row = (by: number) => {
        const of = { station: 100, thickness: 3, [figure]: { station: 100, thickness: 3 }[figure] + by };
        return `Left rail,${of.station},outer,40,${of.thickness},mm`;
      };
      const ids = [0, off].map((by) => {
        const { readings } = imported(`member,station,face,height,thickness,unit\n${row(by)}`);
        return readings[0]!.id;
      });
      expect(new Set(ids).size).toBe(different);
    },
  );

  test('byte-order mark, capitals in the header, CRLF and a thousand rows are all read', () => {
    const rows = Array.from({ length: 1000 }, (_, k) => `Left rail,${(k % 200) + 1},outer,1,0.1,in`);
    expect(
      imported(`\ufeffMember,Station,Face,Height,Thickness,Unit\r\n${rows.join('\r\n')}`).readings,
    ).toHaveLength(1000);
  });

  test('more rows than a frame has readings is another kind of file', () => {
    const rows = 'Left rail,24,outer,2,0.1\n'.repeat(100_001);
    expect(readingsFromCsv(frame, `member,station,face,height,thickness\n${rows}`, defaults)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('100001 rows'),
    });
    const asMany = 'nobody,24,outer,2,0.1\n'.repeat(100_000);
    expect(readingsFromCsv(frame, `member,station,face,height,thickness\n${asMany}`, defaults)).toMatchObject(
      {
        ok: true,
        value: { readings: [], rejected: { length: 100_000 } },
      },
    );
  });

  test.each(['', 'hello', 'a,b\n1,2', '\u0000\u0001'])(
    '%j is no such table: nothing is imported and it says so',
    (text) => {
      expect(readingsFromCsv(frame, text, defaults)).toMatchObject({
        ok: false,
        reason: expect.stringContaining('Nothing was imported'),
      });
    },
  );
});

describe('another tool’s columns', () => {
  const theirs =
    'Rail;Distance (mm);Side;H;THK (mm);Operator\nLeft rail;1200;outer;100;4,9;AB\nLeft rail;1300;outer;100;4,7;AB\nNo rail;1;outer;1;5,0;AB\n';
  test('a peek names the columns and shows a few rows; the guess is by name, the unit from its bracket', () => {
    const peek = valueOf(peekCsv(theirs));
    expect(peek.names).toEqual(['Rail', 'Distance (mm)', 'Side', 'H', 'THK (mm)', 'Operator']);
    const guess = guessColumns(peek.names);
    expect(guess).toMatchObject({
      member: { column: 'Rail' },
      station: { column: 'Distance (mm)' },
      face: { column: 'Side' },
      height: { column: 'H' },
      thickness: { column: 'THK (mm)' },
      unit: { always: 'mm' },
    });
    expect(missingFields(guess)).toEqual([]);
    expect(missingFields({ member: { always: ' ' } })).toEqual([
      'member',
      'station',
      'face',
      'height',
      'thickness',
    ]);
    expect(peekCsv('just words').ok).toBe(false);
    const cutShort = 'a,b\n1,"two\nlines"\n3,4\n5,"never clo';
    expect(valueOf(peekCsv(cutShort, 2)).rows).toEqual([
      ['1', 'two\nlines'],
      ['3', '4'],
    ]);
  });
  test.each([
    ['thickness (mm)', 'mm'],
    ['thickness [in]', 'in'],
    ['thickness (inches)', 'in'],
  ])('%s is read in %s', (column, unit) =>
    expect(guessColumns(['member', column]).unit).toEqual({ always: unit }),
  );
  test('a column that a row does not have is none, in a table with decimal commas too', () => {
    const short = theirs.replace('Left rail;1300;outer;100;4,7;AB', 'Left rail;1300');
    const columns = guessColumns(valueOf(peekCsv(short)).names);
    const read = valueOf(readingsFromCsv(frame, short, { ...defaults, columns }));
    expect(read.readings.map((each) => each.stationMm)).toEqual([1200]);
    expect(read.rejected.map(({ line }) => line)).toEqual([3, 4]);
  });
  test('commas of a table parted by commas are no decimals', () => {
    const named = theirs.replaceAll(',', '.').replaceAll(';', ',');
    const columns = guessColumns(valueOf(peekCsv(named)).names);
    const read = valueOf(readingsFromCsv(frame, named, { ...defaults, columns }));
    expect(read.readings.map((each) => each.thicknessMm)).toEqual([4.9, 4.7]);
  });
  test('read with its decimal commas and its own unit; a bad row is named by line; without a map it is no such table', () => {
    const read = valueOf(
      readingsFromCsv(frame, theirs, { ...defaults, columns: guessColumns(valueOf(peekCsv(theirs)).names) }),
    );
    expect(read.readings.map((each) => [each.stationMm, each.thicknessMm])).toEqual([
      [1200, 4.9],
      [1300, 4.7],
    ]);
    expect(read.rejected).toEqual([{ line: 4, reason: expect.stringContaining('No rail') }]);
    expect(readingsFromCsv(frame, theirs, defaults).ok).toBe(false);
    expect(
      readingsFromCsv(frame, theirs, { ...defaults, columns: { member: { column: 'Rail' } } }),
    ).toMatchObject({ ok: false, reason: expect.stringContaining('station') });
  });
  test('what the file does not say can hold for every row', () => {
    const bare = 'pos,reading\n10,0.19\n20,0.18\n';
    const columns = {
      ...guessColumns(['pos', 'reading']),
      member: { always: 'Left rail' },
      face: { always: 'outer' },
      height: { always: '4' },
      unit: { always: 'in' },
    };
    expect(
      valueOf(readingsFromCsv(frame, bare, { ...defaults, columns })).readings.map((each) => each.heightMm),
    ).toEqual([101.6, 101.6]);
  });
});

const bundle: JobBundle = {
  format: 'ossatura job',
  frame,
  practice: DEFAULT_PRACTICE,
  evidence: [reading(1), reading(2)],
  repairs: [],
  strikes: [{ id: id(7), evidenceId: id(1), why: 'slip', by: 'RK', at: '2026-01-02T00:00:00Z' }],
  notices: [],
  unit: {
    id: id(50),
    tag: 'T-1',
    description: 'trailer',
    kind: 'trailer',
    exposure: 'sea air',
    duty: 'work',
  },
  job: {
    id: id(51),
    unitId: id(50),
    title: 'look',
    purpose: 'repair',
    complaint: '',
    openedBy: 'RK',
    openedAt: '2026-01-01T00:00:00Z',
  },
};

describe('bundles', () => {
  test('out and in again is identical, to the byte when printed again', () => {
    const text = printBundle(bundle);
    const back = parseBundle(text);
    expect(back).toEqual({ ok: true, value: bundle });
    expect(back.ok && printBundle(back.value)).toBe(text);
  });

  test('a job bundle of the first version, whole: every record of it, in its order', () => {
    const old = JSON.parse(readFileSync('core/job/stored/job-bundle.1.json', 'utf8')) as Record<
      string,
      { id: string }[]
    >;
    const bundle = valueOf(parseBundle(JSON.stringify(old)));
    const ids = [...old.readings!, ...old.cracks!, ...old.walk!, ...old.survey!].map((record) => record.id);
    expect(bundle.evidence.map((record) => record.id)).toEqual(ids);
    // Prices and norms came later: the shop's start as everybody's do.
    expect(bundle.practice.money).toEqual(DEFAULT_MONEY);
    expect(bundle.strikes).toHaveLength(old.strikes!.length);
  });

  const printed = (change: Partial<Record<keyof JobBundle, unknown>>) =>
    JSON.stringify({ ...(JSON.parse(printBundle(bundle)) as object), ...change });
  test.each([
    ['not JSON', '{', 'not JSON'],
    ['another format', printed({ format: 'x' }), 'format'],
    [
      'a reading off its member',
      printed({ evidence: [reading(1, { stationMm: 9999 })], strikes: [] }),
      'station is off',
    ],
    [
      'a reading on no member',
      printed({ evidence: [reading(1, { memberId: 'x' })], strikes: [] }),
      'not on this frame',
    ],
    ['a strike of nothing', printed({ evidence: [] }), 'names evidence that is not in the file'],
    ['another unit’s job', printed({ job: { ...bundle.job, unitId: id(99) } }), 'another unit'],
    [
      'a negative thickness',
      printed({ evidence: [reading(1, { thicknessMm: -1 })], strikes: [] }),
      'evidence.0.thicknessMm',
    ],
    [
      'evidence of a kind nobody knows',
      printed({ evidence: [{ ...reading(1), kind: 'rumour' }], strikes: [] }),
      'evidence.0.kind',
    ],
    [
      'a record of a newer program',
      printed({ evidence: [{ ...reading(1), version: 99 }], strikes: [] }),
      'written by a newer Ossatura',
    ],
    ['a bundle of a newer program', printed({ version: 99 } as never), 'written by a newer Ossatura'],
    ['a frame that is none', printed({ frame: { family: 'bicycle' } }), 'frame.family'],
  ])('%s is refused whole, with the place', (_what, text, words) => {
    const outcome = parseBundle(text);
    expect(outcome.ok).toBe(false);
    expect(!outcome.ok && outcome.reason).toContain(words);
    expect(!outcome.ok && outcome.reason).toContain('Nothing was imported');
  });
});

describe('DXF', () => {
  const piece: Piece = {
    id: 'p',
    kind: 'bottom U',
    startMm: 1000,
    endMm: 2200,
    thicknessMm: 4.7625,
    lowerEdgeMm: 0,
    upperEdgeMm: 120,
    taperMm: 100,
  };
  const repair: Repair = {
    id: 'r',
    memberId: 'rail-left',
    cutOut: true,
    pieces: [piece],
    weldStyle: 'continuous',
    plugs: false,
    onBench: false,
    by: 'RK',
    at: '2026-01-01T00:00:00Z',
  };
  const pattern = flatPattern(frame.members[0]!, repair, piece, DEFAULT_PRACTICE);
  const read = (text: string) => new DxfParser().parseSync(text)!;
  const extents = (text: string) => {
    const points = read(text).entities.flatMap((entity) =>
      'vertices' in entity ? (entity.vertices as { x: number; y: number }[]) : [],
    );
    return {
      x: [Math.min(...points.map((p) => p.x)), Math.max(...points.map((p) => p.x))],
      y: [Math.min(...points.map((p) => p.y)), Math.max(...points.map((p) => p.y))],
    };
  };

  test.each([
    ['in', 1, 1 / 25.4],
    ['mm', 4, 1],
  ] as const)('in %s: unit code, layers, one closed outline, holes, bends', (system, code, scale) => {
    const parsed = read(blankDxf(blankOfPiece(pattern), system, { twin: false }));
    expect(parsed.header['$INSUNITS']).toBe(code);
    const on = (layer: string, type: string) =>
      parsed.entities.filter((entity) => entity.layer === layer && entity.type === type);
    expect(on('CUT', 'LWPOLYLINE')).toHaveLength(1);
    expect(on('CUT', 'LWPOLYLINE')[0]).toMatchObject({ shape: true });
    expect(on('CUT', 'CIRCLE')).toHaveLength(2);
    expect(on('BEND', 'LWPOLYLINE')).toHaveLength(6);
    expect(on('MARK', 'TEXT').length).toBeGreaterThanOrEqual(2);
    const size = extents(blankDxf(blankOfPiece(pattern), system, { twin: false }));
    expect(size.x[1]! - size.x[0]!).toBeCloseTo(pattern.lengthMm * scale, 4);
    expect(size.y[1]! - size.y[0]!).toBeCloseTo(pattern.widthMm * scale, 4);
  });

  test('a repair that breaks rules says so on its cut sheet, in MARK; one that breaks none has only its label', () => {
    const words = (warning?: string) =>
      read(blankDxf(blankOfPiece(pattern), 'mm', { twin: false, warning }))
        .entities.filter((entity) => entity.type === 'TEXT' && entity.layer === 'MARK')
        .map((entity) => (entity as unknown as { text: string }).text);
    expect(words('DO NOT CUT: RULES BROKEN: 2')).toEqual(['DO NOT CUT: RULES BROKEN: 2', ...words()]);
    expect(words().join()).not.toContain('BROKEN');
  });

  test('the twin is its mirror image within the same length', () => {
    const outline = (twin: boolean) =>
      (
        read(
          blankDxf(
            blankOfPiece({
              ...pattern,
              outline: pattern.outline.map(([x, v], k) => [k === 1 ? x + 10 : x, v] as const),
            }),
            'mm',
            { twin },
          ),
        ).entities.find((entity) => entity.layer === 'CUT') as unknown as {
          vertices: { x: number; y: number; bulge?: number }[];
        }
      ).vertices;
    const [here, there] = [outline(false), outline(true)];
    here.forEach((vertex, k) => {
      // It goes round the same way, so its corners come in the other order, each bend before its corner instead of behind.
      const twin = there[there.length - 1 - k]!;
      expect(twin.x).toBeCloseTo(pattern.lengthMm - vertex.x, 6);
      expect(twin.y).toBeCloseTo(vertex.y, 6);
      const before = there[(2 * there.length - 2 - k) % there.length]!;
      expect(before.bulge ?? 0).toBeCloseTo(vertex.bulge ?? 0, 6);
    });
  });
});

describe('a rail that begins behind the datum', () => {
  const trailer = defaultFrame({
    ...familyOf('I-beam trailer').typical,
    family: 'I-beam trailer',
    steel: 'a36',
    datum: 'coupler ball',
  });
  const beginsIn = 914 / 25.4;
  const row = (station: number) =>
    `member,station,face,height,thickness,unit\nrail-left,${station},web,2,0.2,in\n`;
  const read = (text: string) => {
    const outcome = readingsFromCsv(trailer, text, defaults);
    if (!outcome.ok) throw new Error(outcome.reason);
    return outcome.value;
  };

  test('is read and written on the frame’s one tape', () => {
    const [reading] = read(row(beginsIn + 10)).readings;
    expect(reading!.stationMm).toBeCloseTo(254, 3);
    expect(readingsToCsv(trailer, [reading!], [], 'in').split('\n')[1]).toMatch(/,45\.98\d*,web,/);
  });

  test('a station before its end is turned down, one at its end is not', () => {
    expect(read(row(beginsIn)).rejected).toEqual([]);
    expect(read(row(beginsIn - 1)).rejected[0]!.reason).toContain('runs from 36.0 in');
  });
});
