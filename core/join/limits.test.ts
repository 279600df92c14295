import { inchesToMm } from '../quantity';
import {
  boltShearN,
  maximumLegMm,
  minimumLegMm,
  plugHoleMm,
  shortestRunMm,
  widestPitchMm,
} from '../reference';
import {
  checkJoining,
  designShearN,
  JOIN_FINDING_CODES,
  strengthNPerMm,
  type BoltSet,
  type Joining,
  type WeldLine,
} from '.';
import type { RepairPicture } from '../shape';

/** Every remark on welds with a case on either side of its limit. */
const line = (more: Partial<WeldLine> = {}): WeldLine => ({
  id: 'A1',
  key: 'p upper edge 1',
  pieceId: 'p',
  kind: 'fillet',
  type: 'lap',
  access: 'good',
  path: [
    [0, 0],
    [500, 0],
  ],
  place: 'upper edge',
  face: 'web',
  fromMm: 0,
  toMm: 500,
  lengthMm: 500,
  legMm: 4,
  minimumLegMm: 3,
  maximumLegMm: 5,
  style: 'continuous',
  position: 'horizontal',
  thinnerMm: 6,
  wallMm: 6,
  fillerNPerMm: 500,
  baseNPerMm: 600,
  flowNPerMm: 100,
  ...more,
});
const codes = (
  lines: readonly WeldLine[],
  more: {
    ends?: Joining['ends'];
    plugs?: boolean;
    thicknessMm?: number;
    seamsContinuous?: boolean;
  } = {},
) =>
  checkJoining(
    {
      repair: { plugs: more.plugs ?? false, pieces: [{ thicknessMm: more.thicknessMm ?? 3 }] },
      picture: { legal: { seamsContinuous: more.seamsContinuous ?? false } },
    } as RepairPicture,
    { lines, ends: more.ends ?? [], bolts: [], totalWeldMm: 0 },
  ).map(({ code, weight }) => [code, weight]);
const AMPLE = ['flow-ample', 'note'];

test('of bolts the holes decide where they give before a bolt shears, and only there', () => {
  const shearN = boltShearN(6, 12.7)!;
  const set = (strengthN?: number) => ({ id: 'B1', marks: 6, diameterMm: 12.7, strengthN }) as BoltSet;
  const said = (...bolts: BoltSet[]) =>
    checkJoining({ repair: { bolts: {}, pieces: [] } } as unknown as RepairPicture, {
      lines: [],
      ends: [],
      bolts,
      boltShare: 0.5,
      totalWeldMm: 0,
    }).map(({ code }) => code);
  expect(said(set(0.99 * shearN))).toContain('wall-bears');
  for (const holds of [shearN, 1.01 * shearN, undefined])
    expect(said(set(holds))).not.toContain('wall-bears');
  expect(said()).toEqual(['no-lines']);
});

test.each<[string, Partial<WeldLine>, string[][]]>([
  ['within everything', {}, [AMPLE]],
  ['a leg at its least', { legMm: 3 }, [AMPLE]],
  ['a leg under its least', { legMm: 2.99 }, [['leg-under-minimum', 'broken'], AMPLE]],
  ['a leg at its most', { legMm: 5 }, [AMPLE]],
  ['a leg over its most', { legMm: 5.01 }, [['leg-over-maximum', 'broken'], AMPLE]],
  ['a gap that is passed over', { gapMm: 1.58 }, [AMPLE]],
  ['a gap that grows its leg', { gapMm: 1.6 }, [AMPLE, ['gap-grows-leg', 'note']]],
  ['the widest gap in plate', { gapMm: 4.76 }, [AMPLE, ['gap-grows-leg', 'note']]],
  ['a gap too wide in plate', { gapMm: 4.78 }, [AMPLE, ['gap-over', 'broken']]],
  ['a gap too wide in sheet', { gapMm: 1.6, thinnerMm: 4.7 }, [AMPLE, ['gap-over', 'broken']]],
  ['poor access', { access: 'poor' }, [AMPLE, ['access-poor', 'note']]],
  ['a wall just thick enough', { wallMm: 1.59 }, [AMPLE]],
  ['a wall that burns through', { wallMm: 1.58 }, [AMPLE, ['burns-through', 'note']]],
  ['a wall nobody knows', { wallMm: 0 }, [AMPLE]],
  ['base as strong as filler', { baseNPerMm: 500 }, [AMPLE]],
  ['base weaker than filler', { baseNPerMm: 499 }, [['base-metal-governs', 'note'], AMPLE]],
  ['flow at its strength', { flowNPerMm: 500 }, [AMPLE]],
  ['flow over its strength', { flowNPerMm: 501 }, [['flow-over', 'broken']]],
  [
    'flow over the base metal’s strength',
    { flowNPerMm: 450, baseNPerMm: 440 },
    [
      ['base-metal-governs', 'note'],
      ['flow-over', 'broken'],
    ],
  ],
  ['overhead', { position: 'overhead' }, [AMPLE, ['overhead', 'note']]],
])('%s', (_what, more, expected) => expect(codes([line(more)])).toEqual(expected));

test('without a weight the flow is unknown and said; without a line there is nothing to hold it', () => {
  const { flowNPerMm: _, ...unweighed } = line();
  expect(codes([unweighed])).toEqual([['weight-unknown', 'note']]);
  expect(codes([])).toEqual([['no-lines', 'broken']]);
  expect(codes([line({ kind: 'plug' })])).toEqual([['no-lines', 'broken']]);
});

test('an end that cannot take its plate’s force is short; one that just can is not', () => {
  const front = line({ place: 'front end' });
  const end = (capacityN: number) => ({
    pieceId: 'p',
    end: 'front end' as const,
    forceN: 1000,
    capacityN,
    runMm: 1,
  });
  expect(codes([front], { ends: [end(1000)] })).toEqual([AMPLE]);
  expect(codes([front], { ends: [end(999)] })).toEqual([AMPLE, ['end-short', 'broken']]);
});

test('the trade’s 3/8 plug is said to be smaller only where the published hole is larger', () => {
  const diameterMm = plugHoleMm(inchesToMm(1 / 8));
  const plug = line({ kind: 'plug', id: 'A2', plugs: { count: 3, diameterMm, strengthN: 1 } });
  expect(plugHoleMm(inchesToMm(1 / 16))).toBeLessThanOrEqual(inchesToMm(7 / 16));
  expect(codes([line(), plug], { plugs: true, thicknessMm: inchesToMm(1 / 8) })).toEqual([
    AMPLE,
    ['trade-plug-smaller', 'note'],
  ]);
  const small = { ...plug, plugs: { ...plug.plugs!, diameterMm: diameterMm - 0.1 } };
  expect(codes([line(), small], { plugs: true, thicknessMm: inchesToMm(1 / 8) })).toEqual([
    AMPLE,
    ['plug-under-published', 'deviation'],
  ]);
  expect(codes([line(), plug], { plugs: false, thicknessMm: inchesToMm(1 / 8) })).toEqual([AMPLE]);
});

test('the weaker of filler and base metal is the strength', () => {
  expect(strengthNPerMm(line({ fillerNPerMm: 3, baseNPerMm: 4 }))).toBe(3);
  expect(strengthNPerMm(line({ fillerNPerMm: 4, baseNPerMm: 3 }))).toBe(3);
});

describe('figures of the tables, on both sides of each step', () => {
  const inch = (mm: number) => Math.round((mm / 25.4) * 1e4) / 1e4;
  test.each([
    [1 / 8, 1 / 8],
    [3 / 16, 3 / 16],
    [1 / 4, 3 / 16],
    [1 / 4 + 0.01, 3 / 16],
    [1 / 2, 3 / 16],
    [1 / 2 + 0.01, 1 / 4],
    [3 / 4, 1 / 4],
  ])('least leg on %d in (AWS D1.1, cyclically loaded, from memory): %d in', (thick, leg) =>
    expect(inch(minimumLegMm(inchesToMm(thick)))).toBeCloseTo(leg, 3),
  );
  test.each([
    [3 / 16, 3 / 16],
    [0.249, 0.249],
    [1 / 4, 3 / 16],
    [3 / 8, 5 / 16],
  ])('most leg along an edge of %d in (AISC 360 J2.2b, from memory): %d in', (thick, leg) =>
    expect(inch(maximumLegMm(inchesToMm(thick)))).toBeCloseTo(leg, 3),
  );
  test.each([
    [1 / 8, 1.5],
    [3 / 8, 1.5],
    [1 / 2, 2],
  ])(
    'shortest run of a %d in leg: the greater of four legs and 1 1/2 in (AISC 360 J2.2b, from memory): %d in',
    (leg, run) => expect(inch(shortestRunMm(inchesToMm(leg)))).toBeCloseTo(run, 3),
  );
  test('widest pitch 0.75 √(E/Fy) t (AISC 360, from memory)', () =>
    expect(widestPitchMm(5, 200_000, 250)).toBeCloseTo(0.75 * Math.sqrt(800) * 5, 9));
  test('the shear it is designed for: 3 g on a sixth of the weight', () =>
    expect(designShearN(6000)).toBeCloseTo(3 * 9.80665 * 1000, 6));
});

test('every code stands once', () =>
  expect(new Set(JOIN_FINDING_CODES).size).toBe(JOIN_FINDING_CODES.length));

test('a seam left open is said, and not allowed where patches are welded all round; it flows nothing', () => {
  const open = line({ id: 'A2', leftOpen: 'drains there', flowNPerMm: 9999 });
  expect(codes([line(), open])).toEqual([AMPLE, ['left-open', 'deviation']]);
  expect(codes([line(), open], { seamsContinuous: true })).toEqual([AMPLE, ['open-not-allowed', 'broken']]);
  expect(codes([open])).toEqual([['no-lines', 'broken']]);
});
