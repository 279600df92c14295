import { sectionProperties, withThickness } from '@/core/mechanics';
import { surfaceOf, type MemberShape } from '@/core/frame';
import { steel } from '@/core/reference';
import { sectionStrength } from '@/core/weigh';
import { besideSlot } from '@/core/weigh/demand/shear';
import type { Cut } from '@/core/weigh/demand/cut';
import { against } from './programs';
import { ccx, shellMesh, type Point } from './shells';

/**
 * A long opening in the middle of a channel's web against CalculiX S8R shells: a cantilever held sideways along its web, pushed down at its end.
 *
 *     ▓│════════════════════════│
 *     ▓│       ┌────────┐       │ ↓
 *     ▓│═══════╧════════╧═══════│        what is compared is the greatest stress beside the opening
 */
const [E, NU] = [200_000, 0.3];
const [DEPTH, FLANGE, WALL, LENGTH, PUSH_N] = [200, 75, 6, 2000, 10_000];
/** Half the opening's height: four of the model's rows. */
const OPEN = 30;
const MIDDLE = LENGTH / 2;

/** The greatest stress in the web about its middle; and over the opening itself, in the flanges. */
function shellStressMpa(longMm: number): { readonly webMpa: number; readonly flangeMpa: number } {
  const mesh = shellMesh(E, NU);
  const [from, to] = [MIDDLE - longMm / 2, MIDDLE + longMm / 2];
  for (const [a, b, pieces] of [
    [0, from, 30],
    [from, to, 16],
    [to, LENGTH, 30],
  ] as const) {
    for (const [low, high, across] of [
      [-DEPTH / 2, -OPEN, 8],
      [-OPEN, OPEN, 6],
      [OPEN, DEPTH / 2, 8],
    ] as const)
      if (a !== from || low !== -OPEN)
        mesh.patch('WEB', [a, 0, low], [b - a, 0, 0], pieces, [0, 0, high - low], across, () => WALL);
    for (const z of [DEPTH / 2, -DEPTH / 2])
      mesh.patch('FLANGE', [a, 0, z], [b - a, 0, 0], pieces, [0, FLANGE, 0], 6, () => WALL);
  }
  const held = mesh.nodesWhere(([, y, z]) => y === 0 && Math.abs(z) === DEPTH / 2);
  const tip = mesh.nodesWhere(([x, y]) => x === LENGTH && y === 0);
  const { alongMpa } = ccx(
    mesh.write([
      '*BOUNDARY',
      ...mesh.nodesWhere(([x]) => x === 0).map((id) => `${id}, 1, 6`),
      ...held.map((id) => `${id}, 2, 2`),
      '*STEP',
      '*STATIC',
      '*CLOAD',
      ...tip.map((id) => `${id}, 3, ${-PUSH_N / tip.length}`),
      '*NODE PRINT, NSET=ALL',
      'U',
      '*EL PRINT, ELSET=WEB',
      'S',
      '*EL PRINT, ELSET=FLANGE',
      'S',
      '*END STEP',
    ]),
  );
  const most = (isIn: (centre: Point) => boolean) =>
    Math.max(
      ...[...alongMpa].filter(([element]) => isIn(mesh.centre(element))).map(([, mpa]) => Math.abs(mpa)),
    );
  const isFlange = ([, , z]: Point) => Math.abs(z) > DEPTH / 2 - 1;
  return {
    webMpa: most((at) => !isFlange(at) && Math.abs(at[0] - MIDDLE) < 500),
    flangeMpa: most((at) => isFlange(at) && Math.abs(at[0] - MIDDLE) <= longMm / 2),
  };
}

/** The model's own figure at the opening's end next to the wall, and what a beam that sees only the net section would say. */
function saidMpa(longMm: number): { readonly slotted: number; readonly asBeam: number } {
  // The shells are its midline.
  const shape: MemberShape = {
    kind: 'channel',
    depthMm: DEPTH + WALL,
    flangeMm: FLANGE + WALL / 2,
    thicknessMm: WALL,
  };
  const surface = surfaceOf(shape);
  const middle = surface.edgeUMm[surface.edgeUMm.length - 1]! / 2;
  const gone = surface.rowFace.flatMap((face, row) =>
    face.upright && Math.abs(surface.uMm[row]! - middle) < OPEN ? [row] : [],
  );
  const leastMm = Float64Array.from(surface.uMm, (_, row) => (gone.includes(row) ? 0 : WALL));
  const section = withThickness(surface.midline, leastMm);
  const { sTopMm3, sBottomMm3 } = sectionProperties(section)!;
  const asBeam = (PUSH_N * (LENGTH - MIDDLE + longMm / 2)) / Math.min(sTopMm3, sBottomMm3);
  const walled = { surface, section, wallMm: leastMm };
  const strength = sectionStrength(walled, steel('a36'), 500, E / (2 * (1 + NU)));
  const slot = { longMm, fromRow: gone[0]!, toRow: gone[gone.length - 1]! };
  const cut: Pick<Cut, 'surface' | 'section' | 'leastMm' | 'strength' | 'slot'> = {
    surface,
    section,
    leastMm,
    strength,
    slot,
  };
  const pushed = { shearZN: PUSH_N } as Parameters<typeof besideSlot>[1];
  return { slotted: besideSlot(cut as Cut, pushed, asBeam, 1)!.stressMpa, asBeam };
}

against(['shells'], 'a slotted web against shells (CalculiX)', () => {
  const shells = new Map([2 * OPEN, 250, 400, 600].map((longMm) => [longMm, shellStressMpa(longMm)]));
  test.each([250, 400, 600])(
    'open over %d mm: never less than the shells say, and at most 1.4 times',
    (longMm) => {
      const ratio = saidMpa(longMm).slotted / shells.get(longMm)!.webMpa;
      expect(ratio).toBeGreaterThan(1);
      expect(ratio).toBeLessThan(1.4);
    },
  );
  test('a hole as long as it is high is net section: its flanges are stressed as the beam says, and not as with the whole web', () => {
    const asBeam = saidMpa(2 * OPEN).asBeam;
    expect(Math.abs(asBeam / shells.get(2 * OPEN)!.flangeMpa - 1)).toBeLessThan(0.06);
    // A web three times as open would be told from it.
    expect(Math.abs(asBeam / shells.get(600)!.flangeMpa - 1)).toBeGreaterThan(0.06);
  });
  test('a beam on the net section, without the tees’ own bending, is far too mild', () => {
    for (const longMm of [400, 600])
      expect(saidMpa(longMm).asBeam / shells.get(longMm)!.webMpa).toBeLessThan(0.65);
  });
});
