import { surfaceOf, type MemberShape } from '@/core/frame';
import { intensityPerMpa, sectionProperties, withThickness } from '@/core/mechanics';
import { crossingOf, intensityBetween } from '@/core/trace';
import { against } from './programs';
import { ccx, shellMesh } from './shells';

/**
 * A crack from the tip of a channel's flange against CalculiX S8R shells: K from how much softer the rail grows as the crack does,
 * K² = E F² dC/da / (2 t). A cantilever, held sideways where crossmembers would be or all along its web.
 */
const [E, NU] = [200_000, 0.3];
const [DEPTH, FLANGE, WALL, LENGTH, AT, SLOT] = [200, 75, 6, 2000, 700, 4];
const ACROSS = 24;
const STEP = FLANGE / ACROSS;
const FORCE_N = 1000;

function give(cutMm: number, held: 'at crossmembers' | 'along the web'): number {
  const mesh = shellMesh(E, NU);
  for (const [from, to, pieces] of [
    [0, 400, 6],
    [400, AT - SLOT / 2, 12],
    [AT - SLOT / 2, AT + SLOT / 2, 1],
    [AT + SLOT / 2, 1000, 12],
    [1000, LENGTH, 10],
  ] as const) {
    const isCut = pieces === 1;
    mesh.patch('WEB', [from, 0, -DEPTH / 2], [to - from, 0, 0], pieces, [0, 0, DEPTH], 8, () => WALL);
    for (const z of [DEPTH / 2, -DEPTH / 2])
      mesh.patch(
        'FLANGE',
        [from, 0, z],
        [to - from, 0, 0],
        pieces,
        [0, FLANGE, 0],
        z < 0 ? ACROSS : 6,
        ([, y]) => (isCut && z < 0 && y > FLANGE - cutMm ? 0.01 : WALL),
      );
  }
  const atWeb = mesh.nodesWhere(([x, y, z]) => y === 0 && x > 0 && Math.abs(z) === DEPTH / 2);
  const holds =
    held === 'along the web'
      ? atWeb
      : [400, 1000, LENGTH].flatMap((x) => [DEPTH / 2, -DEPTH / 2].map((z) => mesh.node([x, 0, z])));
  const tip = mesh.nodesWhere(([x, y]) => x === LENGTH && y === 0);
  const deck = mesh.write([
    '*BOUNDARY',
    ...mesh.nodesWhere(([x]) => x === 0).map((id) => `${id}, 1, 6`),
    ...holds.map((id) => `${id}, 2, 2`),
    '*STEP',
    '*STATIC',
    '*CLOAD',
    // Upwards: the lower flange, cracked, is pulled.
    ...tip.map((id) => `${id}, 3, ${FORCE_N / tip.length}`),
    '*NODE PRINT, NSET=ALL',
    'U',
    '*END STEP',
  ]);
  return ccx(deck).moved.get(mesh.node([LENGTH, 0, 0]))![2]! / FORCE_N;
}

const shape: MemberShape = {
  kind: 'channel',
  depthMm: DEPTH + WALL,
  flangeMm: FLANGE + WALL / 2,
  thicknessMm: WALL,
};
function nominalMpa(): number {
  const { midline, uMm } = surfaceOf(shape);
  const { sBottomMm3 } = sectionProperties(withThickness(midline, new Float64Array(uMm.length).fill(WALL)))!;
  return (FORCE_N * (LENGTH - AT)) / sBottomMm3;
}
/** K by shells for one MPa of nominal stress. */
function shellK(pieces: number, held: Parameters<typeof give>[1]): number {
  const softer = (give((pieces + 1) * STEP, held) - give((pieces - 1) * STEP, held)) / (2 * STEP);
  return Math.sqrt((E * FORCE_N * FORCE_N * softer) / (2 * WALL)) / nominalMpa();
}
const ours = (pieces: number, share: number) => {
  const crossing = crossingOf(shape, [
    { stationMm: AT, face: 'bottom', heightMm: shape.flangeMm },
    { stationMm: AT, face: 'bottom', heightMm: shape.flangeMm - pieces * STEP },
  ]);
  if (typeof crossing === 'string') throw new Error(crossing);
  return intensityBetween(crossing, crossing.aMm, share);
};

against(['shells'], 'a flange crack against shells (CalculiX)', () => {
  const cases = (['at crossmembers', 'along the web'] as const).map(
    (held) => [10, held, shellK(10, held)] as const,
  );
  test.each(cases)('%d of 24 across, held %s: inside the range shown, within 5 %%', (pieces, _, k) => {
    expect(k).toBeGreaterThan(0.95 * ours(pieces, 0));
    expect(k).toBeLessThan(1.05 * ours(pieces, 1));
  });
  test('the unrolled wall by itself reads low where only crossmembers hold it', () => {
    const wall = intensityPerMpa({ kind: 'edge', widthMm: 2 * FLANGE + DEPTH }, 10 * STEP);
    expect(wall / cases[0]![2]).toBeLessThan(0.8);
  });
});
