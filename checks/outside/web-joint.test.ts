import { webTurnStiffness, type WebJoint } from '@/core/mechanics';
import { against } from './programs';
import { ccx, shellMesh } from './shells';

/**
 * What a crossmember's end turns against on a rail's web, against CalculiX S8R shells: a stub of channel on the web of a rail that is held at both ends, turned
 * about the web's upright line by a couple at its far end. Its own bending is taken out by how its turn grows along it.
 *
 *     rail, from above   ━━━━━━━━━┯━━━━━━━━━
 *                                 │ ↑
 *                            stub │ ↓ couple
 */
const [E, NU] = [200_000, 0.3];
const [LENGTH, STUB, FLANGE, COUPLE_NMM] = [1600, 400, 75, 1e6];

function shellStiffness({ webHighMm: H, webMm, deepMm, broadMm }: WebJoint, stubMm: number): number {
  const mesh = shellMesh(E, NU);
  const [x, pieces] = [LENGTH / 2, Math.round((2 * LENGTH) / broadMm)];
  mesh.patch('WEB', [0, 0, -H / 2], [LENGTH, 0, 0], pieces, [0, 0, H], H / 25, () => webMm);
  for (const z of [-H / 2, H / 2])
    mesh.patch('FLANGE', [0, 0, z], [LENGTH, 0, 0], pieces, [0, FLANGE, 0], 3, () => webMm);
  mesh.patch('STUB', [x, 0, -deepMm / 2], [0, STUB, 0], 16, [0, 0, deepMm], deepMm / 25, () => stubMm);
  const sides = [-deepMm / 2, deepMm / 2];
  for (const z of sides) mesh.patch('STUB', [x, 0, z], [0, STUB, 0], 16, [-broadMm, 0, 0], 2, () => stubMm);
  const ends = mesh.nodesWhere(([at]) => at === 0 || at === LENGTH);
  const pull = COUPLE_NMM / broadMm / 2;
  const { moved } = ccx(
    mesh.write([
      '*BOUNDARY',
      ...ends.map((id) => `${id}, 1, 6`),
      '*STEP',
      '*STATIC',
      '*CLOAD',
      ...sides.flatMap((z) => [
        `${mesh.node([x, STUB, z])}, 2, ${pull.toFixed(3)}`,
        `${mesh.node([x - broadMm, STUB, z])}, 2, ${(-pull).toFixed(3)}`,
      ]),
      '*NODE PRINT, NSET=ALL',
      'U',
      '*END STEP',
    ]),
  );
  const along = (at: number, y: number, z: number) => moved.get(mesh.node([at, y, z]))![1]!;
  const turnAt = (y: number) =>
    sides.reduce((sum, z) => sum + (along(x, y, z) - along(x - broadMm, y, z)) / broadMm, 0) / 2;
  const [near, far] = [turnAt(150), turnAt(250)];
  return COUPLE_NMM / (near - 1.5 * (far - near));
}

const JOINT: WebJoint = { webHighMm: 200, webMm: 6, deepMm: 150, broadMm: 50 };
against(['shells'], 'a crossmember’s end on a web against shells (CalculiX S8R)', () => {
  const shells = shellStiffness(JOINT, 4);
  const off = (joint: WebJoint, theirs: number) => Math.abs(webTurnStiffness(E, joint) / theirs - 1);

  test.each<[string, WebJoint, number]>([
    ['half as deep as the web', { ...JOINT, deepMm: 100 }, 4],
    ['twice as broad', { ...JOINT, broadMm: 100 }, 4],
    ['as thick as the web', JOINT, 6],
  ])('%s: within 12 %%', (_, joint, stubMm) =>
    expect(off(joint, shellStiffness(joint, stubMm))).toBeLessThan(0.12),
  );
  test('as fitted within 12 %; a web as thin as the stub, softer by less than a third', () => {
    expect(off(JOINT, shells)).toBeLessThan(0.12);
    const thin = { ...JOINT, webMm: 4 };
    const share = webTurnStiffness(E, thin) / shellStiffness(thin, 4);
    expect(share).toBeGreaterThan(0.67);
    expect(share).toBeLessThan(1);
  });
  test('a web a millimetre thinner, or a stub half as broad, would be told from it', () => {
    expect(off({ ...JOINT, webMm: 5 }, shells)).toBeGreaterThan(0.3);
    expect(off({ ...JOINT, broadMm: 25 }, shells)).toBeGreaterThan(0.3);
  });
});
