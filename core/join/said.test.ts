import fc from 'fast-check';
import { baseMetalStrengthNPerMm } from '../mechanics';
import { strengthNPerMm } from '.';
import { POOR_ACCESS_SHARE, seamKind, type SeamSaid, type WeldLine } from '.';
import { settled } from './said';

const LINE: WeldLine = {
  id: 'A1',
  key: 'p upper edge 1',
  pieceId: 'p',
  kind: 'fillet',
  type: 'lap',
  place: 'upper edge',
  face: 'web',
  path: [
    [0, 0],
    [500, 0],
  ],
  fromMm: 0,
  toMm: 500,
  lengthMm: 500,
  legMm: 4,
  minimumLegMm: 3,
  maximumLegMm: 5,
  style: 'continuous',
  position: 'horizontal',
  access: 'good',
  thinnerMm: 6,
  wallMm: 6,
  fillerNPerMm: 500,
  baseNPerMm: 600,
};
const said = (more: Partial<SeamSaid>): SeamSaid => ({
  kind: 'seam',
  id: '6f1f1c1e-7a43-4b7e-9d6d-2f4b1c1e7a43',
  memberId: 'rail-left',
  ofId: 'r',
  seam: LINE.key,
  by: 'RK',
  at: '2026-11-10T08:00:00Z',
  note: '',
  ...more,
});
const with_ = (...all: Partial<SeamSaid>[]) => settled(LINE, 'r', all.map(said));

test('nothing said, or said of another seam or repair, leaves a line as it was', () => {
  expect(with_()).toBe(LINE);
  expect(with_({ gapMm: 3, seam: 'p lower edge 1' })).toBe(LINE);
  expect(with_({ gapMm: 3, ofId: 'another' })).toBe(LINE);
});

test('a gap over 1/16 in grows the leg by all of it, and adds no strength', () => {
  expect(with_({ gapMm: 25.4 / 16 })).toMatchObject({ legMm: 4, maximumLegMm: 5 });
  expect(with_({ gapMm: 2 })).toMatchObject({ legMm: 6, maximumLegMm: 7, fillerNPerMm: 500, gapMm: 2 });
});

test('the last word on each matter stands', () => {
  const line = with_({ gapMm: 3, access: 'poor' }, { gapMm: 0 }, { position: 'overhead' });
  expect(line).toMatchObject({ gapMm: 0, legMm: 4, access: 'poor', position: 'overhead' });
  expect(with_({ leftOpen: 'drains there' }).leftOpen).toBe('drains there');
  expect(with_({ leftOpen: 'drains there' }, { leftOpen: '' }).leftOpen).toBeUndefined();
});

test('poor access takes a quarter of what filler and plugs carry, never of the wall', () => {
  expect(with_({ access: 'poor' })).toMatchObject({
    fillerNPerMm: POOR_ACCESS_SHARE * 500,
    baseNPerMm: 600,
  });
  const plug = settled({ ...LINE, kind: 'plug', plugs: { count: 4, diameterMm: 11, strengthN: 8000 } }, 'r', [
    said({ access: 'poor', gapMm: 3 }),
  ]);
  expect(plug.plugs!.strengthN).toBe(6000);
  expect(plug.legMm).toBe(4);
});

test.each([
  [{ gapMm: -0.1 }, false],
  [{ gapMm: 0 }, true],
  [{ gapMm: 25 }, true],
  [{ gapMm: 25.1 }, false],
  [{ seam: '' }, false],
  [{ access: 'middling' }, false],
])('%j is kept: %s', (more, isKept) => {
  expect(seamKind.schema.safeParse({ ...said({}), ...more }).success).toBe(isKept);
});

test('neither a thinner wall, nor a gap, nor poor access ever strengthens a seam', () => {
  const wall = fc.double({ min: 0.3, max: 12, noNaN: true });
  fc.assert(
    fc.property(
      wall,
      wall,
      fc.double({ min: 0, max: 25, noNaN: true }),
      fc.boolean(),
      fc.double({ min: 200, max: 800, noNaN: true }),
      (one, other, gapMm, isPoor, yieldMpa) => {
        const at = (wallMm: number) => ({
          ...LINE,
          wallMm,
          baseNPerMm: baseMetalStrengthNPerMm(wallMm, yieldMpa, 1.4 * yieldMpa),
        });
        const [thin, thick] = [Math.min(one, other), Math.max(one, other)].map(at);
        expect(strengthNPerMm(thin!)).toBeLessThanOrEqual(strengthNPerMm(thick!) + 1e-9);
        const found = settled(thick!, 'r', [said({ gapMm, access: isPoor ? 'poor' : 'good' })]);
        expect(strengthNPerMm(found)).toBeLessThanOrEqual(strengthNPerMm(thick!) + 1e-9);
        expect(found.legMm).toBeGreaterThanOrEqual(thick!.legMm);
      },
    ),
  );
});
