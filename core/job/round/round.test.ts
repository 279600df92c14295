import { workJob, type Evidence } from '..';
import { defaultFrame, familyOf, memberOf, type Fitting, type Frame } from '../../frame';
import type { Vector } from '../../geometry';
import { DEFAULT_PRACTICE } from '../../reference';
import { faceOfPiece, formOf, pieceSchema, type Piece } from '../../shape';
import { fittingFaces } from './beside';
import { outOf, wallFaces, type Stretch } from './stretch';

const family = 'open-channel ladder';
const made = defaultFrame({ ...familyOf(family).typical, family, steel: 'hot-rolled-50', datum: 'hole' });
const STATION = 1500;
const stretchOf = (
  memberId: string,
  fittings: readonly Fitting[] = [],
  evidence: readonly Evidence[] = [],
): Stretch => {
  const frame: Frame = { ...made, fittings: [...fittings] };
  const works = workJob({ frame, practice: DEFAULT_PRACTICE, evidence, strikes: [], repairs: [] });
  const { picture } = works.find((work) => work.picture.member.id === memberId)!;
  return { picture, fromMm: STATION - 300, toMm: STATION + 300, mostSteps: 10 };
};
const right = stretchOf('rail-right');
const { shape } = memberOf(made, 'rail-right')!;
const piece = (kind: Piece['kind'], more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind,
    startMm: STATION - 200,
    endMm: STATION + 200,
    thicknessMm: 5,
    taperMm: 0,
    ...formOf(kind).start(shape, faceOfPiece(shape, { kind, ...(more.face && { face: more.face }) })!),
    ...more,
  });
/** Along, up, and to the right as one looks forward; each to the thousandth, without a nought below nothing. */
const rounded = (way: Vector) => way.map((part) => Math.round(part * 1000) / 1000 + 0);

describe('the wall as it is looked at', () => {
  /** The web read every inch over a foot, all of it at one share of its thickness. */
  const read = (share: number): Evidence[] =>
    Array.from({ length: 13 }, (_, column) =>
      Array.from({ length: 6 }, (__, row): Evidence => ({
        kind: 'reading',
        id: `r${column}-${row}`,
        memberId: 'rail-right',
        stationMm: STATION + 25 * (column - 6),
        face: 'web',
        heightMm: shape.depthMm * (0.2 + 0.12 * row),
        thicknessMm: shape.thicknessMm * share,
        method: 'ultrasonic',
        by: 'RK',
        at: '2026-01-01T00:00:00Z',
        note: '',
      })),
    ).flat();
  /** Cells of the web round the middle of what was read. */
  const there = (share: number) =>
    wallFaces(stretchOf('rail-right', [], read(share)), []).filter(({ corners }) => {
      const [along, up] = corners[0]!.map((_, axis) => corners.reduce((sum, at) => sum + at[axis]! / 4, 0));
      return Math.abs(along! - STATION) < 60 && Math.abs(up! - shape.depthMm / 2) < 20;
    });
  test('what is rusted away is a hole one looks through; a skin that is left is none', () => {
    expect(there(0)).toEqual([]);
    expect(there(0.02)).toEqual([]);
    expect(there(0.05).length).toBeGreaterThan(3);
    for (const { kept } of there(0.05)) expect(kept).toBeCloseTo(0.05, 2);
  });
});

describe('which way a piece comes off', () => {
  test.each<[string, Piece, number[]]>([
    ['a plate on the web, away from the web', piece('side plate', { face: 'web' }), [0, 0, -1]],
    ['inside, the other way', piece('side plate', { face: 'web', inside: true }), [0, 0, 1]],
    ['one on the top flange, up', piece('cover plate', { face: 'top' }), [0, 1, 0]],
    ['one on the bottom flange, down', piece('cover plate', { face: 'bottom' }), [0, -1, 0]],
  ])('%s', (_, one, way) => {
    expect(rounded(outOf(right, one))).toEqual(way);
    // The left rail is its mirror image.
    const [along, up, across] = way as [number, number, number];
    expect(rounded(outOf(stretchOf('rail-left'), one))).toEqual([along, up, -across + 0]);
  });
  test('an L round the bottom, down and outward, no further than the others', () => {
    const [along, up, across] = outOf(right, piece('bottom L'));
    expect([along, Math.hypot(up, across)]).toEqual([0, expect.closeTo(1, 9)]);
    expect(Math.max(up, across)).toBeLessThan(-0.2);
  });
});

describe('which way a bracket comes off', () => {
  const hung = (dropMm: number | undefined): Fitting => ({
    id: 'b',
    kind: 'bracket',
    name: 'bracket',
    side: 'right',
    stationMm: STATION,
    ...(dropMm !== undefined && { dropMm }),
  });
  test.each<[string, number | undefined, number[]]>([
    ['of which nobody said how low its load acts, outward', undefined, [0, 0, -1]],
    ['whose load acts within its rail’s depth, outward', shape.depthMm / 2, [0, 0, -1]],
    ['whose load acts lower, down', shape.depthMm / 2 + 1, [0, -1, 0]],
  ])('%s', (_, dropMm, way) => {
    const faces = fittingFaces(stretchOf('rail-right', [hung(dropMm)]));
    expect(faces).toHaveLength(6);
    for (const { off } of faces) expect(rounded(off!)).toEqual(way);
  });
  test('on the other rail there is none, nor beyond the stretch', () => {
    expect(fittingFaces(stretchOf('rail-left', [hung(0)]))).toEqual([]);
    const beside = (mm: number) => stretchOf('rail-right', [{ ...hung(0), stationMm: STATION + mm }]);
    expect([-301, -300, 300, 301].map((mm) => fittingFaces(beside(mm)).length)).toEqual([0, 6, 6, 0]);
  });
});
