import {
  beamProfile,
  normalStress,
  webTieStiffness,
  section,
  solveFrame,
  warping,
  type BeamElement,
  type BeamModel,
  type CaseResult,
  type EndWarping,
  type LoadCase,
  type Section,
  type Vector3,
} from '@/core/mechanics';
import { against } from './programs';
import { ccx, shellMesh, type Mesh, type Point } from './shells';

const E = 200_000,
  NU = 0.3,
  G = E / (2 * (1 + NU));
const [DEPTH, FLANGE] = [200, 75];

type Wall = (x: number, where: 'top' | 'web' | 'bottom') => number;
const even =
  (t: number): Wall =>
  () =>
    t;

/** A channel's midline section at a station; web at x = 0, R at the middle of the web. */
function channelSection(
  depth: number,
  flange: number,
  t: (where: 'top' | 'web' | 'bottom') => number,
): Section {
  return section(
    [
      [flange, depth],
      [0, depth],
      [0, depth / 2],
      [0, 0],
      [flange, 0],
    ],
    [
      [0, 1, t('top')],
      [1, 2, t('web')],
      [2, 3, t('web')],
      [3, 4, t('bottom')],
    ],
  );
}
const profileOf = (
  depth: number,
  flange: number,
  t: (where: 'top' | 'web' | 'bottom') => number,
  mirrored: boolean,
  warps = true,
) => beamProfile(channelSection(depth, flange, t), { xMm: 0, yMm: depth / 2, mirrored }, warps)!;

/** A channel of shells along x: web in the plane y, flanges towards `inward`, middle of the web at z = 0. */
function channelShells(
  mesh: Mesh,
  set: string,
  length: number,
  step: number,
  y: number,
  inward: 1 | -1,
  t: Wall,
): void {
  const pieces = Math.round(length / step);
  mesh.patch(`${set}WEB`, [0, y, -DEPTH / 2], [length, 0, 0], pieces, [0, 0, DEPTH], 8, ([x]) => t(x, 'web'));
  for (const [where, z] of [
    ['top', DEPTH / 2],
    ['bottom', -DEPTH / 2],
  ] as const)
    mesh.patch(`${set}FLANGE`, [0, y, z], [length, 0, 0], pieces, [0, inward * FLANGE, 0], 3, ([x]) =>
      t(x, where),
    );
}

const step = (
  ids: readonly number[],
  boundary: readonly string[],
  loads: readonly string[],
  print: string,
) => [
  ...(boundary.length ? ['*BOUNDARY', ...boundary] : []),
  '*STEP',
  '*STATIC',
  '*CLOAD',
  ...loads,
  '*NODE PRINT, NSET=ALL',
  'U',
  ...(print ? [`*EL PRINT, ELSET=${print}`, 'S'] : []),
  '*END STEP',
];

/** A cantilever of channel, 2 m, its free end braced by a diaphragm of stiff shell so that the load turns the whole section. */
function cantilever(t: Wall): { drop: number; twist: number } {
  const L = 2000;
  const run = (force: (mesh: Mesh) => string[]) => {
    const mesh = shellMesh(E, NU);
    channelShells(mesh, 'R', L, 50, 0, 1, t);
    const wall = mesh.nodesWhere(([x]) => x === 0);
    const tip = [mesh.node([L, 0, DEPTH / 2]), mesh.node([L, 0, -DEPTH / 2]), mesh.node([L, 0, 0])] as const;
    return {
      ...ccx(
        mesh.write(
          step(
            [],
            wall.flatMap((id) => [`${id}, 1, 6`]),
            force(mesh),
            '',
          ),
        ),
      ),
      tip,
    };
  };
  const web = (mesh: Mesh) => mesh.nodesWhere(([x, y]) => x === L && y === 0);
  // Through the tip's shear centre, as near as a web can: the load on the web and a couple across it.
  const across = (1000 * tipShearCentre(t)) / DEPTH;
  const bend = run((mesh) => [
    ...web(mesh).map((id, _, all) => `${id}, 3, ${-1000 / all.length}`),
    `${mesh.node([L, 0, DEPTH / 2])}, 2, ${across}`,
    `${mesh.node([L, 0, -DEPTH / 2])}, 2, ${-across}`,
  ]);
  const turn = run((mesh) => [
    `${mesh.node([L, 0, DEPTH / 2])}, 2, 500`,
    `${mesh.node([L, 0, -DEPTH / 2])}, 2, -500`,
  ]);
  const dy = (r: typeof turn, k: 0 | 1) => r.moved.get(r.tip[k])![1]!;
  return { drop: bend.moved.get(bend.tip[2])![2]!, twist: (dy(turn, 0) - dy(turn, 1)) / DEPTH };
}

const tipShearCentre = (t: Wall): number =>
  profileOf(DEPTH, FLANGE, (where) => t(2000, where), false).shearCentre[0];

function beamCantilever(t: Wall, load: Omit<LoadCase, 'id' | 'lineLoads'>): CaseResult {
  const L = 2000,
    pieces = 40;
  const nodes = Array.from({ length: pieces + 1 }, (_, k): Vector3 => [(L * k) / pieces, 0, 0]);
  const shared: EndWarping = { kind: 'shared', key: 'm', ratio: 1 };
  const elements = nodes.slice(1).map((_, k): BeamElement => ({
    id: `${k}`,
    upGlobal: [0, 0, 1],
    profile: profileOf(DEPTH, FLANGE, (where) => t((L * (k + 0.5)) / pieces, where), false),
    from: { node: k, warping: k === 0 ? { kind: 'fixed' } : shared },
    to: { node: k + 1, warping: k === pieces - 1 ? { kind: 'free' } : shared },
  }));
  const hold = Infinity;
  const solved = solveFrame(
    {
      nodes,
      elements,
      supports: [{ id: 'w', node: 0, stiffness: [hold, hold, hold, hold, hold, hold] }],
      youngsMpa: E,
      shearMpa: G,
      shearDeforms: true,
    },
    [{ id: 'x', lineLoads: [], ...load }],
  );
  if (!solved.ok) throw new Error(JSON.stringify(solved.reason));
  return solved.cases[0]!;
}

/** Six channel crossmembers between two channel rails, 3 m: `joined` on the web (shallower) or flange to flange. */
const LADDER = { length: 3000, width: 800, at: [0, 600, 1200, 1800, 2400, 2950], flange: 50, t: 6 };
type Joint = 'web' | 'flange';

/** Away from the two ends, where load and supports pinch the shell. */
const isInside = (x: number): boolean => x > 200 && x < LADDER.length - 200;

function ladderShells(h: number): { stiffness: number; flangeMpa: number } {
  const { length, width, at, flange, t } = LADDER;
  const mesh = shellMesh(E, NU);
  channelShells(mesh, 'LEFT', length, 50, 0, 1, even(t));
  channelShells(mesh, 'RIGHT', length, 50, width, -1, even(t));
  for (const x of at) {
    mesh.patch('CROSSWEB', [x, 0, -h / 2], [0, width, 0], 32, [0, 0, h], h / 25, () => t);
    for (const z of [h / 2, -h / 2])
      mesh.patch('CROSSFLANGE', [x, 0, z], [0, width, 0], 32, [flange, 0, 0], 1, () => t);
  }
  const edge = (x: number, y: number) => mesh.nodesWhere((p) => p[0] === x && p[1] === y);
  const supports = [
    [0, 0],
    [0, width],
    [length, 0],
  ].flatMap(([x, y]) => edge(x!, y!).map((id) => `${id}, 3, 3`));
  const middle = (p: Point) => mesh.node(p);
  const loaded = edge(length, width);
  const solved = ccx(
    mesh.write(
      step(
        [],
        [...supports, `${middle([0, 0, 0])}, 1, 2`, `${middle([length, 0, 0])}, 2, 2`],
        loaded.map((id) => `${id}, 3, ${-1000 / loaded.length}`),
        'LEFTFLANGE',
      ),
    ),
  );
  return {
    stiffness: 1000 / -solved.moved.get(middle([length, width, 0]))![2]!,
    flangeMpa: Math.max(
      ...[...solved.alongMpa]
        .filter(([element]) => isInside(mesh.centre(element)[0]))
        .map(([, mpa]) => Math.abs(mpa)),
    ),
  };
}

function ladderBeams(joint: Joint, h: number, warps: boolean): { stiffness: number; flangeMpa: number } {
  const { length, width, at, flange, t } = LADDER;
  const nodes: Vector3[] = [];
  const index = new Map<string, number>();
  const node = (x: number, y: number) => {
    const name = `${x},${y}`;
    if (!index.has(name)) {
      index.set(name, nodes.length);
      nodes.push([x, y, 0]);
    }
    return index.get(name)!;
  };
  const elements: BeamElement[] = [];
  const railProfile = (mirrored: boolean) => profileOf(DEPTH, FLANGE, () => t, mirrored, warps);
  for (const [y, key] of [
    [0, 'left'],
    [width, 'right'],
  ] as const)
    for (let x = 0; x < length; x += 50) {
      const shared: EndWarping = { kind: 'shared', key, ratio: 1 };
      elements.push({
        id: `${key}${x}`,
        upGlobal: [0, 0, 1],
        profile: railProfile(key === 'right'),
        from: { node: node(x, y), warping: shared },
        to: { node: node(x + 50, y), warping: shared },
      });
    }
  // Crossmember along +y: its local y is −x, its flanges point to +x: mirrored.
  const cross = profileOf(h, flange, () => t, true, warps);
  const pieces = 8;
  for (const x of at)
    for (let k = 0; k < pieces; k++) {
      // Lapped on the flange and on the web, the crossmember's last flange-width turns with the rail.
      const lap = (j: number): { offsetMm?: Vector3 } =>
        joint === 'flange' && (j === 0 || j === pieces)
          ? { offsetMm: [0, (j === 0 ? 1 : -1) * FLANGE, 0] }
          : {};
      const end = (j: number): EndWarping =>
        j > 0 && j < pieces
          ? { kind: 'shared', key: `x${x}`, ratio: 1 }
          : joint === 'web'
            ? { kind: 'shared', key: `x${x}`, ratio: 1 }
            : { kind: 'shared', key: j === 0 ? 'left' : 'right', ratio: 1 };
      elements.push({
        id: `x${x}-${k}`,
        upGlobal: [0, 0, 1],
        profile: cross,
        from: { node: node(x, (width * k) / pieces), warping: end(k), ...lap(k) },
        to: { node: node(x, (width * (k + 1)) / pieces), warping: end(k + 1), ...lap(k + 1) },
      });
    }
  const hold = Infinity;
  const model: BeamModel = {
    nodes,
    elements,
    youngsMpa: E,
    shearMpa: G,
    shearDeforms: true,
    warpTies:
      joint === 'flange'
        ? []
        : at.flatMap((x) =>
            [0, width].map((y) => ({
              node: node(x, y),
              keys: [`x${x}`, y ? 'right' : 'left'] as const,
              stiffness: webTieStiffness(E, t, h),
            })),
          ),
    supports: [
      { id: 'a', node: node(0, 0), stiffness: [hold, hold, hold, 0, 0, 0] },
      { id: 'b', node: node(0, width), stiffness: [0, 0, hold, 0, 0, 0] },
      { id: 'c', node: node(length, 0), stiffness: [0, hold, hold, 0, 0, 0] },
    ],
  };
  const solved = solveFrame(model, [
    { id: 'twist', nodeLoads: [{ node: node(length, width), forceN: [0, 0, -1000] }], lineLoads: [] },
  ]);
  if (!solved.ok) throw new Error(JSON.stringify(solved.reason));
  const [result] = solved.cases;
  const omega = warping(channelSection(DEPTH, FLANGE, () => t))!.omegaMm2;
  const fibres: [number, number, number][] = [
    [FLANGE, DEPTH / 2, omega[0]!],
    [0, DEPTH / 2, omega[1]!],
    [0, -DEPTH / 2, omega[3]!],
    [FLANGE, -DEPTH / 2, omega[4]!],
  ];
  const flangeMpa = Math.max(
    ...elements.flatMap((element, k) =>
      element.id.startsWith('left') && isInside(nodes[element.from.node]![0])
        ? fibres.flatMap(([y, z, w]) =>
            [result!.from[k]!, result!.to[k]!].map((forces) =>
              Math.abs(normalStress(element.profile, forces, y, z, w).totalMpa),
            ),
          )
        : [],
    ),
  );
  return { stiffness: 1000 / -result!.displacements[6 * node(length, width) + 2]!, flangeMpa };
}

against(['shells'], 'beams with warping against shells (CalculiX S8R)', () => {
  const rusted: Wall = (x, where) => (where === 'bottom' ? 6 - (3 * x) / 2000 : 6);
  const capped: Wall = (x, where) => (where === 'bottom' && x > 2000 / 3 && x < 4000 / 3 ? 9 : 6);

  test.each([
    ['even', even(6)],
    ['bottom flange thinning along it, 6 to 3 mm', rusted],
    ['middle third of the bottom flange capped', capped],
  ] as const)('cantilever channel, %s: deflection within 1 %%, torsion within 6 %%', (_name, wall) => {
    const shells = cantilever(wall);
    const drop = beamCantilever(wall, {
      nodeLoads: [{ node: 40, forceN: [0, 0, -1000], offsetMm: [0, tipShearCentre(wall), 0] }],
    }).displacements[6 * 40 + 2]!;
    const twist = beamCantilever(wall, {
      nodeLoads: [{ node: 40, forceN: [0, 0, 0], momentNmm: [-500 * DEPTH, 0, 0] }],
    }).displacements[6 * 40 + 3]!;
    expect(Math.abs(twist / shells.twist)).toBeGreaterThan(0.94);
    expect(Math.abs(twist / shells.twist)).toBeLessThan(1.06);
    expect(Math.abs(drop / shells.drop - 1)).toBeLessThan(0.01);
  });

  test.each([
    ['web', 150],
    ['web', 100],
    ['flange', DEPTH],
  ] as const)(
    'a six-crossmember ladder in twist, %s-joined, crossmembers %i mm deep: stiffness within 20 %%, peak flange stress within 2×',
    (joint, depth) => {
      const shells = ladderShells(depth),
        beams = ladderBeams(joint, depth, true),
        plain = ladderBeams(joint, depth, false);
      expect(Math.abs(beams.stiffness / shells.stiffness - 1)).toBeLessThan(0.2);
      expect(beams.flangeMpa / shells.flangeMpa).toBeGreaterThan(0.5);
      expect(beams.flangeMpa / shells.flangeMpa).toBeLessThan(2);
      // Without warping the same ladder is far too soft and its flanges next to unstressed: the comparison can tell.
      expect(shells.stiffness / plain.stiffness).toBeGreaterThan(1.5);
      expect(shells.flangeMpa / plain.flangeMpa).toBeGreaterThan(5);
    },
  );
});
