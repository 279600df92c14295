import { strToU8, unzipSync, zipSync } from 'fflate';
import { roundedContour } from '../geometry';
import type { Blank } from '../shape';
import { cutListCsv, isZip, printBundleZip, printScaleTicket, readBundleZip, readScaleTicket } from '.';

describe('an axle scale’s ticket', () => {
  const stands = {
    axles: [
      { leftKg: 2310, rightKg: 2290 },
      { leftKg: 3105, rightKg: 3190 },
    ],
    couplerKg: 560,
  };

  test('out and in again is the same, with its coupler and without', () => {
    expect(readScaleTicket(printScaleTicket(stands))).toEqual({ ok: true, value: stands });
    const { axles } = stands;
    expect(printScaleTicket({ axles })).not.toContain('COUPLER');
    expect(readScaleTicket(printScaleTicket({ axles }))).toEqual({ ok: true, value: { axles } });
  });

  test('each figure is in the unit behind it (1 lb = 0.45359237 kg, exact)', () => {
    const read = readScaleTicket('# weighed empty\n\nAXLE 1;LEFT 1000 lb;RIGHT 400 kg\nCOUPLER ; 200 lb\n');
    expect(read).toEqual({
      ok: true,
      value: { axles: [{ leftKg: 453.59237, rightKg: 400 }], couplerKg: 90.718474 },
    });
    expect(readScaleTicket('axle 1;left 400 kg;right 1000 LB')).toMatchObject({
      value: { axles: [{ leftKg: 400, rightKg: 453.59237 }] },
    });
  });

  test.each([
    ['AXLE 2;LEFT 1 kg;RIGHT 1 kg', 'line 1'],
    ['AXLE 1;LEFT 1 kg;RIGHT 1 kg\nAXLE 3;LEFT 1 kg;RIGHT 1 kg', 'line 2'],
    ['AXLE 1;LEFT 1 kg;RIGHT 1 kg\r\n\r\nAXLE 2;LEFT 1 kg', 'line 3'],
    ['AXLE 1;LEFT 1 kg;RIGHT 1', 'line 1'],
    ['COUPLER;560 kg', 'names no axle'],
    ['', 'names no axle'],
  ])('%j is refused, by its line', (text, says) => {
    expect(readScaleTicket(text)).toMatchObject({ ok: false, reason: expect.stringContaining(says) });
  });

  test('a line that is none is shown to its sixtieth letter', () => {
    const read = readScaleTicket('x'.repeat(100));
    expect(read).toMatchObject({ ok: false, reason: expect.stringMatching(/: x{60}$/) });
  });
});

describe('a job with its pictures in one zip', () => {
  const hash = (letter: string) => letter.repeat(64);
  const picture = new Uint8Array([255, 216, 255, 217]);
  const zip = (files: Record<string, Uint8Array>) => zipSync(files);

  test('out and in again is the same; the same job gives the same bytes, however its pictures are listed', () => {
    const one = new Map([
      [hash('b'), picture],
      [hash('a'), picture],
    ]);
    const other = new Map([...one].reverse());
    const bytes = printBundleZip({ text: '{"a":1}', pictures: one });
    expect(printBundleZip({ text: '{"a":1}', pictures: other })).toEqual(bytes);
    expect(Object.keys(unzipSync(bytes))).toEqual([
      'job.json',
      `pictures/${hash('a')}.jpg`,
      `pictures/${hash('b')}.jpg`,
    ]);
    const back = readBundleZip(bytes);
    if (!back.ok) throw new Error(back.reason);
    expect(back.value.text).toBe('{"a":1}');
    expect([...back.value.pictures.keys()].sort()).toEqual([hash('a'), hash('b')]);
    expect([...back.value.pictures.values()].every((each) => each.length === 4)).toBe(true);
  });

  test.each([
    [[0x50, 0x4b, 3, 4], true],
    [[0x50, 0x4c, 3, 4], false],
    [[0x51, 0x4b, 3, 4], false],
    [[0x7b, 0x0a], false],
    [[], false],
  ])('%j is a zip: %s', (bytes, is) => {
    expect(isZip(new Uint8Array(bytes))).toBe(is);
  });

  test('what is no part of a job is passed over', () => {
    const read = readBundleZip(
      zip({ 'job.json': strToU8('{}'), '../out.txt': picture, 'pictures/short.jpg': picture }),
    );
    expect(read).toMatchObject({ ok: true, value: { text: '{}', pictures: new Map() } });
  });

  test('without a job, or not to be unpacked, it is refused', () => {
    expect(readBundleZip(zip({ [`pictures/${hash('a')}.jpg`]: picture }))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('no job.json'),
    });
    expect(readBundleZip(new Uint8Array([0x50, 0x4b, 1, 2, 3]))).toMatchObject({ ok: false });
  });

  test('it unpacks to so many bytes and no more, counted over all its files', () => {
    const bytes = zip({
      'job.json': new Uint8Array(600),
      [`pictures/${hash('a')}.jpg`]: new Uint8Array(400),
    });
    expect(readBundleZip(bytes, 1000).ok).toBe(true);
    expect(readBundleZip(bytes, 999)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('unpacks to'),
    });
  });

  test('400 MB by what its own list says are read, a byte more is not', () => {
    // Stored, not squeezed: what its list says of the picture's size is all that is false.
    const bytes = zipSync(
      { 'job.json': strToU8('{}'), [`pictures/${hash('a')}.jpg`]: picture },
      { level: 0 },
    );
    const list = new DataView(bytes.buffer);
    const saying = (size: number) => {
      for (let at = 0; at + 46 < bytes.length; at++)
        if (list.getUint32(at, true) === 0x02014b50 && list.getUint32(at + 24, true) !== 2)
          list.setUint32(at + 24, size, true);
      return readBundleZip(bytes);
    };
    expect(saying(400 * 1024 * 1024 - 2).ok).toBe(true);
    expect(saying(400 * 1024 * 1024 - 1)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('more than 400 MB'),
    });
  });

  test('three thousand files are taken, one more is not', () => {
    const pictures = (count: number) =>
      Object.fromEntries(
        Array.from({ length: count }, (_, k) => [
          `pictures/${k.toString(16).padStart(64, '0')}.jpg`,
          picture,
        ]),
      );
    expect(readBundleZip(zip({ 'job.json': strToU8('{}'), ...pictures(2999) })).ok).toBe(true);
    expect(readBundleZip(zip({ 'job.json': strToU8('{}'), ...pictures(3000) })).ok).toBe(false);
  });
});

describe('everything to cut', () => {
  const blank: Blank = {
    id: 'one',
    name: '=plate',
    for: 'right rail',
    thicknessMm: 6.35,
    count: 2,
    outline: roundedContour(
      [
        [0, 0],
        [508, 0],
        [508, 254],
        [0, 254],
      ],
      0,
    ),
    cutouts: [],
    holes: [],
    bends: [],
    scribes: [],
  };
  const tube = {
    name: 'tube',
    for: 'cross',
    count: 2,
    sectionMm: [50.8, 25.4] as const,
    lengthMm: 1270,
    wallMm: 3.175,
    massKg: 8,
  };
  const rows = (system: 'in' | 'mm') =>
    cutListCsv([blank], [tube], system)
      .trim()
      .split('\n')
      .map((line) => line.split(','));

  test('in inches to the thousandth, in millimetres to the tenth; masses of one each, in kg', () => {
    // Steel at 490 lb/ft³.
    const mass = (20 * 10 * 0.25 * (490 / 1728) * 0.45359237).toFixed(3);
    expect(rows('in').slice(1)).toEqual([
      [
        "'=plate",
        'right rail',
        '2',
        'sheet',
        '20.000',
        '10.000',
        '0.250',
        'in',
        '0',
        '0',
        '60.000',
        '1',
        mass,
      ],
      ['tube 2.000 1.000', 'cross', '2', 'length', '50.000', '', '0.125', 'in', '', '', '', '', '4.000'],
    ]);
    expect(rows('mm')[1]!.slice(4, 8)).toEqual(['508.0', '254.0', '6.3', 'mm']);
    expect(rows('mm')[2]![0]).toBe('tube 50.8 25.4');
  });

  test('the head names as many columns as each row has', () => {
    const [head, ...each] = rows('mm');
    expect(head).toHaveLength(13);
    expect(each.every((row) => row.length === 13)).toBe(true);
  });
});
