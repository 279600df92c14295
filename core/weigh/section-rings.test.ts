import { evenWall, surfaceOf, type MemberShape } from '../frame';
import { sectionProperties } from '../mechanics';
import { drawnSection, NO_CHANGE, wallSection, type Ring } from '.';

const area = (ring: Ring): number =>
  Math.abs(
    ring.reduce((sum, [x, y], k) => {
      const [nx, ny] = ring[(k + 1) % ring.length]!;
      return sum + x * ny - nx * y;
    }, 0),
  ) / 2;
const shapes: readonly MemberShape[] = [
  { kind: 'channel', depthMm: 200, flangeMm: 75, thicknessMm: 6 },
  { kind: 'box', depthMm: 150, widthMm: 80, thicknessMm: 5 },
  { kind: 'angle', depthMm: 80, flangeMm: 60, thicknessMm: 6 },
  { kind: 'hat', depthMm: 60, widthMm: 90, lipMm: 20, thicknessMm: 1.5 },
];

describe('a section as it is drawn', () => {
  test.each(shapes)(
    '$kind: its strips have the area of the section, by the shoelace, but for corners',
    (shape) => {
      const surface = surfaceOf(shape);
      const wall = evenWall(surface, shape.thicknessMm);
      const { wall: rings, plates } = drawnSection(surface, wall, NO_CHANGE, 1);
      const drawn = rings.reduce((sum, ring) => sum + area(ring), 0);
      expect(plates).toEqual([]);
      // Strips meet in each corner: its square is drawn twice.
      const { areaMm2 } = sectionProperties(wallSection(surface, wall))!;
      expect(drawn / areaMm2).toBeGreaterThan(0.99);
      expect(drawn / areaMm2).toBeLessThan(1.1);
      const twice = drawnSection(surface, wall, NO_CHANGE, 2).wall.reduce((sum, ring) => sum + area(ring), 0);
      expect(twice).toBeCloseTo(2 * drawn, 6);
    },
  );
  test('what is gone or cut out is not drawn; plates are, round the corners they cover', () => {
    const surface = surfaceOf(shapes[0]!);
    const wall = evenWall(surface, 6);
    const whole = drawnSection(surface, wall, NO_CHANGE, 1).wall.length;
    const [from, to] = [surface.edgeUMm[0]!, surface.edgeUMm[3]!];
    const cut = { cuts: [{ uFromMm: from - 0.1, uToMm: to + 0.1 }], plates: [] };
    expect(drawnSection(surface, wall, cut, 1).wall).toHaveLength(whole - 3);
    const thin = Float64Array.from(wall);
    [thin[0], thin[1]] = [0.05, 0.051];
    expect(drawnSection(surface, thin, NO_CHANGE, 1).wall).toHaveLength(whole - 1);
    const plate = { uFromMm: 240, uToMm: 340, thicknessMm: 5, weldedAtUMm: [240, 340], carries: true };
    const [ring] = drawnSection(surface, wall, { cuts: [], plates: [plate] }, 1).plates;
    expect(area(ring!)).toBeGreaterThan(100 * 5 * 0.98);
    expect(area(ring!)).toBeLessThan(100 * 5 + 4 * 25);
    const inside = { ...plate, uFromMm: 280, uToMm: 340, inside: true };
    const [inner] = drawnSection(surface, wall, { cuts: [], plates: [inside] }, 1).plates;
    expect(inner).not.toEqual(ring);
  });
});
