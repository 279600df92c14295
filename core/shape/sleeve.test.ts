import { defaultFrame, evenWall, facesOf, familyOf, surfaceOf, type MemberShape } from '../frame';
import { chosenLegMm, DEFAULT_PRACTICE, FILLER_TENSILE_MPA, steel } from '../reference';
import { sectionProperties } from '../mechanics';
import { changedSection, memberPicture } from '../weigh';
import {
  checkRepair,
  developmentMm,
  endForceN,
  flatPattern,
  memberStates,
  pieceKindsFor,
  pieceSchema,
  plateForceN,
  repairSchema,
  ringNPerMm,
  stateProperties,
  type Piece,
} from '.';

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

describe('what a sleeve’s end weld brings in', () => {
  const made = defaultFrame({
    ...familyOf('I-beam trailer').typical,
    family: 'I-beam trailer',
    steel: 'a36',
    datum: 'hole',
  });
  const picture = (wallMm: number) =>
    memberPicture({
      frame: { ...made, members: [...made.members, member] },
      member,
      practice: DEFAULT_PRACTICE,
      readings: Array.from({ length: 37 }, (_, k) => 50 * k).flatMap((stationMm) =>
        facesOf(TUBE).map((face) => ({
          kind: 'reading' as const,
          id: `${stationMm} ${face.id}`,
          memberId: member.id,
          stationMm,
          face: face.id,
          heightMm: face.widthMm / 2,
          thicknessMm: wallMm,
          method: 'ultrasonic' as const,
          by: 'RK',
          at: '2026-01-01T00:00:00Z',
          note: '',
        })),
      ),
      cracks: [],
    });
  const counts = (more: Partial<Piece>, wallMm = 5.5) => {
    const piece = sleeve({ startMm: 300, endMm: 1400, ...more });
    return Number.isFinite(developmentMm(picture(wallMm), { pieces: [piece] }, piece, 'start'));
  };
  const half = around / 2;
  test('falling back at 45° it takes the tube’s own force; a snipped corner, or a square end, does not make it', () => {
    expect(counts({ taperMm: half })).toBe(true);
    expect(counts({ taperMm: half / 2 })).toBe(false);
    expect(counts({ taperMm: 1 })).toBe(false);
    expect(counts({ taperMm: 0 })).toBe(false);
  });
  test('by hand at 45°: fillet 1.3 times, wall half of yield, √2 longer; the weaker of them against 0.6 of yield on the tube', () => {
    const piece = sleeve({ startMm: 300, endMm: 1400, taperMm: half });
    const { filler, wall } = ringNPerMm(picture(5.5), piece, 5.5);
    const legMm = chosenLegMm(6.35, 5.5);
    expect(
      filler / ((1 + 0.5 * Math.SQRT1_2 ** 1.5) * 0.3 * FILLER_TENSILE_MPA * legMm * Math.SQRT1_2),
    ).toBeCloseTo(1, 6);
    expect(wall / (0.5 * steel('a36').yieldMpa * 5.5)).toBeCloseTo(1, 6);
    expect(endForceN(picture(5.5), piece) / (0.6 * steel('a36').yieldMpa * 5.5 * around)).toBeCloseTo(1, 2);
    // A sleeve thinner than the tube brings no more than itself.
    const thin = { ...piece, thicknessMm: 3 };
    expect(endForceN(picture(5.5), thin) / plateForceN(picture(5.5), thin)).toBeCloseTo(1, 9);
  });
  test('on metal too thin where it is welded it counts for nothing', () => {
    expect(counts({ taperMm: half }, 5.5)).toBe(true);
    expect(counts({ taperMm: half }, 3.5)).toBe(false);
  });
  test('a sleeve over rust brings a tube back, and breaks no rule of its welds', () => {
    const of = picture(5.5);
    const piece = sleeve({ startMm: 300, endMm: 1400, taperMm: half });
    const repair = repairSchema.parse({
      id: 'r',
      memberId: 'axle',
      cutOut: false,
      pieces: [piece],
      weldStyle: 'continuous',
      plugs: false,
      onBench: false,
      by: 'MR',
      at: '2026-05-01T08:00:00Z',
    });
    const state = memberStates(of, [repair]).find(({ id }) => id === 'as repaired')!;
    const [tube, own] = [ring(88.9, 88.9 - 11), ring(88.9 + 2 * 6.35, 88.9)];
    expect(stateProperties(of, state, 850)!.ixMm4 / (tube.i + own.i)).toBeGreaterThan(0.96);
    expect(stateProperties(of, state, 310)!.ixMm4 / tube.i).toBeLessThan(1.03);
  });
});
