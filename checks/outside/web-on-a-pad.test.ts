import type { MemberShape } from '@/core/frame';
import { webBearingN } from '@/core/weigh';
import { webCripplingN } from '@/core/weigh/strength';
import { against } from './programs';
import { ccx, shellMesh } from './shells';

/**
 * A channel standing on a pad in its middle, against CalculiX S8R shells: what the wall above the pad is pressed with. The mesh stands on end, since what
 * is read from it is the stress along x: x up the web, y along the member, z out along the flanges.
 */
const [DEPTH, FLANGE, WALL, LENGTH, PAD] = [200, 75, 6, 1000, 100];
const [YIELD, LOAD_N] = [250, 1000];
const shape: MemberShape = { kind: 'channel', depthMm: DEPTH, flangeMm: FLANGE, thicknessMm: WALL };

/** The greatest membrane stress up the web, MPa a newton on the pad; the web's lowest 50 mm `lowMm` thick, and whole above. */
function pressedMpaPerN(lowMm: number): number {
  const mesh = shellMesh(200_000, 0.3);
  const along = [0, LENGTH, 0] as const;
  mesh.patch('WEB', [0, 0, 0], along, 80, [50, 0, 0], 8, () => lowMm);
  mesh.patch('WEB', [50, 0, 0], along, 80, [DEPTH - 50, 0, 0], 10, () => WALL);
  for (const x of [0, DEPTH]) mesh.patch('FLANGE', [x, 0, 0], along, 80, [0, 0, FLANGE], 6, () => WALL);
  const ends = mesh.nodesWhere(([, y, z]) => (y === 0 || y === LENGTH) && z === 0);
  const pad = mesh.nodesWhere(([x, y, z]) => x === 0 && z === 0 && Math.abs(y - LENGTH / 2) <= PAD / 2);
  const deck = mesh.write([
    '*BOUNDARY',
    ...ends.flatMap((id) => [`${id}, 1, 1`, `${id}, 3, 3`]),
    `${mesh.node([0, 0, 0])}, 2, 2`,
    ...pad.map((id) => `${id}, 3, 3`),
    '*STEP',
    '*STATIC',
    '*CLOAD',
    ...pad.map((id) => `${id}, 1, ${LOAD_N / pad.length}`),
    '*NODE PRINT, NSET=ALL',
    'U',
    '*EL PRINT, ELSET=WEB',
    'S',
    '*END STEP',
  ]);
  const over = [...ccx(deck).alongMpa].filter(
    ([element]) => Math.abs(mesh.centre(element)[1] - LENGTH / 2) < PAD,
  );
  return Math.max(...over.map(([, mpa]) => Math.abs(mpa))) / LOAD_N;
}

against(['shells'], 'a web on a pad against shells (CalculiX)', () => {
  const cases = [6, 4, 3, 2].map((lowMm) => [lowMm, pressedMpaPerN(lowMm)] as const);
  test.each(cases)(
    'lowest web %d mm: what it may bear presses it to less than yield over 1.5',
    (lowMm, perN) => {
      const pressed = webBearingN(shape, lowMm, WALL, YIELD) * perN;
      expect(pressed).toBeLessThan(YIELD / 1.5);
      expect(pressed).toBeGreaterThan(YIELD / 15);
    },
  );
  test('judged by the mean of its web, or by crippling alone, it would be pressed past yield', () => {
    const [lowMm, perN] = cases[3]!;
    const meanMm = (50 * lowMm + (DEPTH - 50) * WALL) / DEPTH;
    expect(webCripplingN(shape, meanMm, WALL, YIELD) * perN).toBeGreaterThan(YIELD);
    expect(webCripplingN(shape, WALL, WALL, YIELD) * cases[0]![1]).toBeGreaterThan(YIELD);
  });
});
