import {
  beamProfile,
  inRow,
  section,
  solveFrame,
  type BeamElement,
  type BeamProfile,
  type EndWarping,
  type Vector3,
} from '@/core/mechanics';
import { ccx, shellMesh } from './shells';

/**
 * A cracked channel rail against CalculiX S8R shells: a cantilever held sideways where crossmembers would be, its lower flange cut through from the
 * edge at 0.7 m, the cut going on up the web. The beam has the slack wedges that the frame model gives it: metal within 45° of the cut carries
 * nothing. What is compared is its whole stiffness.
 */
const E = 200_000,
  NU = 0.3;
const [DEPTH, FLANGE, WALL, LENGTH, AT, SLOT] = [200, 75, 6, 2000, 700, 4];
const HELD = [400, 1000, LENGTH];
interface Cut {
  readonly flangeMm: number;
  readonly webMm: number;
}

function shellDrop({ flangeMm, webMm }: Cut): number {
  const mesh = shellMesh(E, NU);
  const runs = [
    [0, 400, 8],
    [400, AT - SLOT / 2, 12],
    [AT - SLOT / 2, AT + SLOT / 2, 1],
    [AT + SLOT / 2, 1000, 12],
    [1000, LENGTH, 14],
  ] as const;
  for (const [from, to, pieces] of runs) {
    const isCut = pieces === 1;
    const along: Vector3 = [to - from, 0, 0];
    mesh.patch('WEB', [from, 0, -DEPTH / 2], along, pieces, [0, 0, DEPTH], 8, ([, , z]) =>
      isCut && z < -DEPTH / 2 + webMm ? 0.01 : WALL,
    );
    for (const z of [DEPTH / 2, -DEPTH / 2])
      mesh.patch('FLANGE', [from, 0, z], along, pieces, [0, FLANGE, 0], 6, ([, y]) =>
        isCut && z < 0 && y > FLANGE - flangeMm ? 0.01 : WALL,
      );
  }
  const tip = mesh.nodesWhere(([x, y]) => x === LENGTH && y === 0);
  const deck = mesh.write([
    '*BOUNDARY',
    ...mesh.nodesWhere(([x]) => x === 0).map((id) => `${id}, 1, 6`),
    ...HELD.flatMap((x) => [DEPTH / 2, -DEPTH / 2].map((z) => `${mesh.node([x, 0, z])}, 2, 2`)),
    '*STEP',
    '*STATIC',
    '*CLOAD',
    ...tip.map((id) => `${id}, 3, ${-1000 / tip.length}`),
    '*NODE PRINT, NSET=ALL',
    'U',
    '*END STEP',
  ]);
  return ccx(deck).moved.get(mesh.node([LENGTH, 0, 0]))![2]!;
}

/** The channel with its lower flange gone from the edge in, then its web from the bottom up. */
function profileOf({ flangeMm, webMm }: Cut): BeamProfile {
  const nodes: [number, number][] = [
    ...Array.from({ length: 16 }, (_, k): [number, number] => [FLANGE * (1 - k / 15), DEPTH]),
    ...Array.from({ length: 40 }, (_, k): [number, number] => [0, DEPTH * (1 - (k + 1) / 40)]),
    ...Array.from({ length: 15 }, (_, k): [number, number] => [(FLANGE * (k + 1)) / 15, 0]),
  ];
  const strips = nodes.slice(1).map((to, k): [number, number, number] => {
    const [x, y] = [(nodes[k]![0] + to[0]) / 2, (nodes[k]![1] + to[1]) / 2];
    const isGone = y === 0 ? x > FLANGE - flangeMm : x === 0 && y < webMm;
    return [k, k + 1, isGone ? 0 : WALL];
  });
  return beamProfile(section(nodes, strips), { xMm: 0, yMm: DEPTH / 2, mirrored: false }, true)!;
}

/** What is slack at a distance from a cut: it grows shallower from its far edge by as much. */
function slackAt({ flangeMm, webMm }: Cut, awayMm: number): Cut {
  const left = Math.max(0, flangeMm + webMm - awayMm);
  return { flangeMm: Math.min(flangeMm, left), webMm: Math.max(0, left - flangeMm) };
}

function beamDrop(cut: Cut, isSoftened = true): number {
  const step = 100;
  const count = LENGTH / step;
  const whole = profileOf({ flangeMm: 0, webMm: 0 });
  const shared: EndWarping = { kind: 'shared', key: 'rail', ratio: 1 };
  const elements = Array.from({ length: count }, (_, k): BeamElement => {
    const along = [0.125, 0.375, 0.625, 0.875].map((share) =>
      profileOf(slackAt(cut, Math.abs((k + share) * step - AT))),
    );
    return {
      id: `${k}`,
      upGlobal: [0, 0, 1],
      profile: isSoftened ? inRow(whole, along) : whole,
      from: { node: k, warping: k === 0 ? { kind: 'fixed' } : shared },
      to: { node: k + 1, warping: k === count - 1 ? { kind: 'free' } : shared },
    };
  });
  const fast = Infinity;
  const solved = solveFrame(
    {
      nodes: Array.from({ length: count + 1 }, (_, k): Vector3 => [k * step, 0, 0]),
      elements,
      supports: [
        { id: 'wall', node: 0, stiffness: [fast, fast, fast, fast, fast, fast] },
        ...HELD.map((x) => ({
          id: `held ${x}`,
          node: x / step,
          stiffness: [0, fast, 0, fast, 0, 0] as const,
        })),
      ],
      youngsMpa: E,
      shearMpa: E / 2.6,
      shearDeforms: true,
    },
    [{ id: 'tip', lineLoads: [], nodeLoads: [{ node: count, forceN: [0, 0, -1000] }] }],
  );
  if (!solved.ok) throw new Error(JSON.stringify(solved.reason));
  return solved.cases[0]!.displacements[6 * count + 2]!;
}

const CUTS: readonly Cut[] = [
  { flangeMm: 0, webMm: 0 },
  { flangeMm: 25, webMm: 0 },
  { flangeMm: 75, webMm: 0 },
  { flangeMm: 75, webMm: 50 },
  { flangeMm: 75, webMm: 100 },
];
const shells = CUTS.map(shellDrop);

test.each(CUTS.map((cut, k) => [cut.flangeMm, cut.webMm, k] as const))(
  'cut %d mm across the flange and %d mm up the web: as soft as the shells, within 15 %',
  (_, __, k) => {
    const ratio = beamDrop(CUTS[k]!) / shells[k]!;
    expect(ratio).toBeGreaterThan(0.85);
    expect(ratio).toBeLessThan(1.15);
  },
);
test('a model that leaves the crack out is told from one that has it', () =>
  expect(beamDrop(CUTS[4]!, false) / shells[4]!).toBeLessThan(0.85));
