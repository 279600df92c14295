import {
  plainProfile,
  solveFrame,
  type BeamElement,
  type BeamModel,
  type CaseResult,
  type NodeLoad,
  type Vector3,
} from '@/core/mechanics';
import { against } from './programs';
import { E, G, z88 } from './z88';

const tube = (side: number, wall: number) =>
  plainProfile({
    areaMm2: 4 * side * wall,
    iyyMm4: (2 / 3) * side ** 3 * wall,
    izzMm4: 0.9 * side ** 3 * wall,
    jMm4: side ** 3 * wall,
  });
const HELD = [Infinity, Infinity, Infinity, Infinity, Infinity, Infinity] as const;

function chain(points: readonly Vector3[], profile = tube(80, 5)): Pick<BeamModel, 'nodes' | 'elements'> {
  return { nodes: points, elements: points.slice(1).map((_, k) => beam(k, k + 1, profile)) };
}
const beam = (from: number, to: number, profile = tube(80, 5)): BeamElement => ({
  id: `${from}-${to}`,
  upGlobal: [0, 0, 1],
  profile,
  from: { node: from, warping: { kind: 'fixed' } },
  to: { node: to, warping: { kind: 'fixed' } },
});
const model = (parts: Pick<BeamModel, 'nodes' | 'elements'>, supports: BeamModel['supports']): BeamModel => ({
  ...parts,
  supports,
  youngsMpa: E,
  shearMpa: G,
  shearDeforms: false,
});
const wall = [{ id: 'wall', node: 0, stiffness: HELD }];
const line = (count: number, end: Vector3): Vector3[] =>
  Array.from({ length: count + 1 }, (_, k) => end.map((value) => (value * k) / count) as unknown as Vector3);

/** Rails 4 m long, seven rungs, rail and rung of different tube. */
function ladder(rungs = 7): Pick<BeamModel, 'nodes' | 'elements'> {
  const nodes: Vector3[] = Array.from(
    { length: rungs },
    (_, k) =>
      [
        [(4000 * k) / (rungs - 1), 0, 0],
        [(4000 * k) / (rungs - 1), 850, 0],
      ] as Vector3[],
  ).flat();
  const elements = Array.from({ length: rungs }, (_, k) => [
    beam(2 * k, 2 * k + 1, tube(60, 4)),
    ...(k + 1 < rungs ? [beam(2 * k, 2 * k + 2), beam(2 * k + 1, 2 * k + 3)] : []),
  ]).flat();
  return { nodes, elements };
}
const springs = (kN: number): [number, number, number, number, number, number] => [0, 0, kN, 0, 0, 0];

const FRAMES: readonly (readonly [string, BeamModel, readonly NodeLoad[]])[] = [
  [
    'straight',
    model(chain(line(8, [3000, 0, 0])), wall),
    [
      { node: 8, forceN: [500, -300, -900], momentNmm: [2e5, 1e5, -3e5] },
      { node: 3, forceN: [0, 200, 400] },
    ],
  ],
  [
    'skew in plan',
    model(chain(line(6, [2000, 1500, 0])), wall),
    [{ node: 6, forceN: [500, -300, -900], momentNmm: [2e5, 1e5, -3e5] }],
  ],
  [
    'inclined and skew',
    model(chain(line(6, [2000, 800, 700])), wall),
    [{ node: 6, forceN: [500, -300, -900], momentNmm: [2e5, 1e5, -3e5] }],
  ],
  [
    'ladder in twist',
    model(ladder(), [
      { id: 'a', node: 0, stiffness: [Infinity, Infinity, Infinity, 0, 0, 0] },
      { id: 'b', node: 1, stiffness: [Infinity, 0, Infinity, 0, 0, 0] },
      { id: 'c', node: 12, stiffness: [0, 0, Infinity, 0, 0, 0] },
    ]),
    [{ node: 13, forceN: [0, 0, -1000] }],
  ],
  [
    'ladder on springs',
    model(ladder(), [
      { id: 'a', node: 2, stiffness: [Infinity, Infinity, 150, 0, 0, 0] },
      { id: 'b', node: 3, stiffness: [Infinity, 0, 150, 0, 0, 0] },
      { id: 'c', node: 10, stiffness: springs(220) },
      { id: 'd', node: 11, stiffness: springs(220) },
    ]),
    [
      { node: 5, forceN: [0, 300, -4000] },
      { node: 8, forceN: [800, 0, -2500], momentNmm: [0, 3e5, 0] },
    ],
  ],
];

/** An element's end forces as they act on it, in global axes. */
function onElement(
  element: BeamElement,
  nodes: readonly Vector3[],
  result: CaseResult,
  k: number,
): [number[], number[]] {
  const [a, b] = [nodes[element.from.node]!, nodes[element.to.node]!];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  const x = [0, 1, 2].map((axis) => (b[axis]! - a[axis]!) / length);
  const flat = Math.hypot(x[0]!, x[1]!);
  const y = [-x[1]! / flat, x[0]! / flat, 0];
  const z = [x[1]! * y[2]! - x[2]! * y[1]!, x[2]! * y[0]! - x[0]! * y[2]!, x[0]! * y[1]! - x[1]! * y[0]!];
  const global = (sign: number, f: CaseResult['from'][number]) =>
    [
      [f.axialN, f.shearYN, f.shearZN],
      [f.torqueNmm, f.momentYNmm, f.momentZNmm],
    ].flatMap(([p, q, r]) => [0, 1, 2].map((axis) => sign * (p! * x[axis]! + q! * y[axis]! + r! * z[axis]!)));
  return [global(-1, result.from[k]!), global(1, result.to[k]!)];
}

/** Against the largest of its kind (moves, turns, forces, moments): Z88 prints eight digits of moves, six of forces. */
function expectAlike(ours: number[][], theirs: number[][], share: number): void {
  for (const part of [
    [0, 1, 2],
    [3, 4, 5],
  ]) {
    const largest = Math.max(...theirs.flatMap((row) => part.map((dof) => Math.abs(row[dof]!))));
    ours.forEach((row, k) =>
      part.forEach((dof) => expect(Math.abs(row[dof]! - theirs[k]![dof]!)).toBeLessThan(share * largest)),
    );
  }
}

against(['frames'], 'frames by another solver (Z88)', () => {
  test.each(FRAMES)('%s: all six displacements and all end forces', (_name, frame, loads) => {
    const theirs = z88(frame, loads);
    const solved = solveFrame(frame, [{ id: 'x', nodeLoads: loads, lineLoads: [] }]);
    if (!solved.ok) throw new Error(JSON.stringify(solved.reason));
    const [result] = solved.cases;
    const moved = frame.nodes.map((_, node) => [...result!.displacements.slice(6 * node, 6 * node + 6)]);
    expectAlike(moved, theirs.moved, 1e-6);
    const ends = frame.elements.map((element, k) => onElement(element, frame.nodes, result!, k));
    expectAlike(ends.flat(), theirs.ends.flat(), 1e-5);
    expect(result!.equilibriumError).toBeLessThan(1e-8);
  });

  test('the comparison would notice one rung a tenth softer', () => {
    const [, frame, loads] = FRAMES[3]!;
    const softer = {
      ...frame,
      elements: frame.elements.map((element, k) =>
        k === 3 ? { ...element, profile: { ...element.profile, jMm4: 0.9 * element.profile.jMm4 } } : element,
      ),
    };
    const solved = solveFrame(softer, [{ id: 'x', nodeLoads: loads, lineLoads: [] }]);
    const theirs = z88(frame, loads);
    expect(() =>
      expectAlike(
        frame.nodes.map((_, node) => [
          ...(solved.ok ? solved.cases[0]!.displacements : []).slice(6 * node, 6 * node + 6),
        ]),
        theirs.moved,
        1e-6,
      ),
    ).toThrow();
  });
});
