import { evenWall, surfaceOf, type MemberShape } from '../frame';
import { sectionProperties } from '../mechanics';
import { changedSection } from '../weigh';
import { checkRepair, flatPattern, pieceKindsFor, pieceSchema, repairSchema, type Piece } from '.';

const TUBE: MemberShape = { kind: 'tube', depthMm: 88.9, thicknessMm: 5.5 };
const sleeve = (more: Partial<Piece> = {}): Piece =>
  pieceSchema.parse({
    id: 's',
    kind: 'sleeve',
    startMm: 500,
    endMm: 1100,
    thicknessMm: 6.35,
    lowerEdgeMm: 0,
    upperEdgeMm: 0,
    taperMm: 60,
    ...more,
  });
const member = {
  id: 'axle',
  name: 'Axle tube',
  role: 'axle tube' as const,
  shape: TUBE,
  steel: 'a36' as const,
  lengthMm: 1800,
  line: { from: [2000, -900, 0] as [number, number, number], to: [2000, 900, 0] as [number, number, number] },
};
const surface = surfaceOf(TUBE);
const around = Math.PI * 88.9;
const withSleeve = (wallMm: number, thicknessMm: number) =>
  sectionProperties(
    changedSection(surface, evenWall(surface, wallMm), {
      cuts: [],
      plates: [
        {
          uFromMm: 0,
          uToMm: around,
          thicknessMm,
          weldedAtUMm: surface.faces.map(({ uStartMm }) => uStartMm),
          carries: true,
          closes: true,
        },
      ],
    }),
  )!;
const ring = (outside: number, inside: number) => ({
  area: (Math.PI / 4) * (outside ** 2 - inside ** 2),
  i: (Math.PI / 64) * (outside ** 4 - inside ** 4),
});

test('a tube in its sleeve is two rings about one axis: area, inertia and torsion by the closed forms', () => {
  for (const t of [3.2, 6.35, 9.5]) {
    const [tube, own] = [ring(88.9, 88.9 - 11), ring(88.9 + 2 * t, 88.9)];
    const both = withSleeve(5.5, t);
    expect(both.areaMm2 / (tube.area + own.area)).toBeCloseTo(1, 2);
    expect(both.ixMm4 / (tube.i + own.i)).toBeCloseTo(1, 1);
    expect(Math.abs(both.ixMm4 / (tube.i + own.i) - 1)).toBeLessThan(0.03);
    // Chords lie inside their circle: a little weaker than it is, never stronger.
    expect(both.ixMm4).toBeLessThan(tube.i + own.i);
    expect(Math.abs(both.iyMm4 / both.ixMm4 - 1)).toBeLessThan(1e-6);
    expect(Math.abs(both.jMm4 / (2 * (tube.i + own.i)) - 1)).toBeLessThan(0.04);
  }
});
test('over a tube that rusted right away it is a ring by itself', () => {
  const alone = withSleeve(0, 6.35);
  const own = ring(88.9 + 12.7, 88.9);
  expect(Math.abs(alone.ixMm4 / own.i - 1)).toBeLessThan(0.03);
  expect(Math.abs(alone.jMm4 / (2 * own.i) - 1)).toBeLessThan(0.03);
});
test('it goes on a round tube and on nothing else, and is cut as long as the circle through its own middle', () => {
  expect(pieceKindsFor(TUBE)).toEqual(['sleeve']);
  expect(checkRepair(member, { pieces: [sleeve()] })).toEqual({ ok: true, value: null });
  const box: MemberShape = { kind: 'box', depthMm: 90, widthMm: 90, thicknessMm: 5 };
  const refused = checkRepair({ ...member, shape: box }, { pieces: [sleeve()] });
  expect(refused).toMatchObject({ ok: false, reason: 'a sleeve does not fit a box' });
  const tower = { ...member, role: 'tower' as const, name: 'Tower' };
  expect(checkRepair(tower, { pieces: [sleeve()] })).toMatchObject({
    ok: false,
    reason: 'a sleeve does not go round Tower',
  });
  const repair = repairSchema.parse({
    id: 'r',
    memberId: 'axle',
    cutOut: false,
    pieces: [sleeve()],
    weldStyle: 'continuous',
    plugs: false,
    onBench: false,
    by: 'MR',
    at: '2026-05-01T08:00:00Z',
  });
  const flat = flatPattern(member, repair, sleeve(), {
    bendRadiusPerThickness: 1.5,
    bendK: 0.41,
    drainDiameterMm: 25.4,
  });
  expect(flat.widthMm).toBeCloseTo(Math.PI * (88.9 + 6.35), 3);
  expect(flat.bends).toEqual([]);
});
