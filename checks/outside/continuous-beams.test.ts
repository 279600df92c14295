import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  plainProfile,
  solveFrame,
  type BeamElement,
  type BeamModel,
  type LineLoad,
  type NodeLoad,
  type Vector3,
} from '@/core/mechanics';
import { against, run } from './programs';

/** Continuous beams against cba (m, kN): spans of unequal stiffness, a spring under one support. Moments at span ends and largest in between, by its plot file. */
interface Spans {
  readonly lengths: number[];
  readonly inertias: number[];
  readonly supports: [number, number][];
  readonly even: number[];
  readonly points: [span: number, force: number, at: number][];
}
const E = 2.1e8;
const PIECES = 20;

function cba({ lengths, inertias, supports, even, points }: Spans): { x: number; moment: number }[] {
  const folder = mkdtempSync(join(tmpdir(), 'cba-'));
  writeFileSync(
    join(folder, 'in.txt'),
    [
      `SPANS ${lengths.join(' ')}`,
      `INERTIA ${inertias.join(' ')}`,
      `ELASTICITY ${E}`,
      `CONSTRAINTS ${supports.flat().join(' ')}`,
      ...even.map((w, k) => `LOAD ${k + 1} 1 ${w} 0 0 0`),
      ...points.map(([span, force, at]) => `LOAD ${span + 1} 2 ${force} 0 ${at} 0`),
      '',
    ].join('\n'),
  );
  const ran = run('cba', [
    '-i',
    join(folder, 'in.txt'),
    '-o',
    join(folder, 'o.txt'),
    '-p',
    join(folder, 'p.dat'),
  ]);
  if (ran.status !== 0) throw new Error(ran.err);
  const rows = readFileSync(join(folder, 'p.dat'), 'utf8')
    .split('\n')
    .map((line) => line.trim().split(/\s+/).map(Number))
    .filter((row) => row.length >= 3 && row.every(Number.isFinite));
  rmSync(folder, { recursive: true });
  // Without live loads one of the two columns, largest and least, is empty.
  return rows.map(([x, most, least]) => ({ x: x!, moment: most! + least! }));
}

function ours({ lengths, inertias, supports, even, points }: Spans): { x: number; moment: number }[] {
  const nodes: Vector3[] = [[0, 0, 0]];
  const elements: BeamElement[] = [];
  const lineLoads: LineLoad[] = [],
    nodeLoads: NodeLoad[] = [];
  const atSupport = [0];
  let start = 0;
  lengths.forEach((length, span) => {
    const profile = plainProfile({
      areaMm2: 1e4,
      iyyMm4: inertias[span]! * 1e12,
      izzMm4: inertias[span]! * 1e12,
      jMm4: 1e6,
    });
    for (let k = 1; k <= PIECES; k++) {
      nodes.push([(start + (length * k) / PIECES) * 1000, 0, 0]);
      lineLoads.push({ element: elements.length, perMmN: [0, 0, -even[span]!] });
      elements.push({
        id: `${span}-${k}`,
        upGlobal: [0, 0, 1],
        profile,
        from: { node: nodes.length - 2, warping: { kind: 'fixed' } },
        to: { node: nodes.length - 1, warping: { kind: 'fixed' } },
      });
    }
    for (const [where, force, at] of points)
      if (where === span)
        nodeLoads.push({
          node: atSupport[span]! + Math.round((at / length) * PIECES),
          forceN: [0, 0, -force * 1000],
        });
    start += length;
    atSupport.push(nodes.length - 1);
  });
  const model: BeamModel = {
    nodes,
    elements,
    youngsMpa: E / 1000,
    shearMpa: E / 2600,
    shearDeforms: false,
    supports: supports.map(([k, turn], n) => ({
      id: `${n}`,
      node: atSupport[n]!,
      stiffness: [
        n === 0 ? Infinity : 0,
        Infinity,
        k < 0 ? Infinity : k,
        Infinity,
        turn < 0 ? Infinity : 0,
        0,
      ],
    })),
  };
  const solved = solveFrame(model, [{ id: 'x', nodeLoads, lineLoads }]);
  if (!solved.ok) throw new Error(JSON.stringify(solved.reason));
  const [result] = solved.cases;
  // Sagging positive: a moment about y that pulls the fibres at −z.
  return elements.flatMap((element, k) => [
    { x: nodes[element.from.node]![0] / 1000, moment: -result!.from[k]!.momentYNmm / 1e6 },
    { x: nodes[element.to.node]![0] / 1000, moment: -result!.to[k]!.momentYNmm / 1e6 },
  ]);
}

const BEAMS: readonly (readonly [string, Spans])[] = [
  [
    'two spans',
    {
      lengths: [5, 4],
      inertias: [4e-5, 4e-5],
      supports: [
        [-1, 0],
        [-1, 0],
        [-1, 0],
      ],
      even: [10, 6],
      points: [],
    },
  ],
  [
    'three unequal spans, fixed at one end, a point load',
    {
      lengths: [4, 6, 5],
      inertias: [4e-5, 7e-5, 3e-5],
      supports: [
        [-1, -1],
        [-1, 0],
        [-1, 0],
        [-1, 0],
      ],
      even: [5, 8, 3],
      points: [[1, 20, 2.4]],
    },
  ],
  [
    'a spring in the middle',
    {
      lengths: [5, 5],
      inertias: [4e-5, 4e-5],
      supports: [
        [-1, 0],
        [800, 0],
        [-1, 0],
      ],
      even: [10, 10],
      points: [],
    },
  ],
];

against(['continuous beams'], 'continuous beams (cba)', () => {
  test.each(BEAMS)('%s: moments all along', (_name, spans) => {
    const theirs = cba(spans);
    const mine = ours(spans);
    const largest = Math.max(...theirs.map(({ moment }) => Math.abs(moment)));
    const shared = mine.filter(({ x }) => theirs.some((each) => Math.abs(each.x - x) < 1e-6));
    expect(shared.length).toBeGreaterThan(10);
    for (const { x, moment } of shared) {
      const nearest = theirs
        .filter((each) => Math.abs(each.x - x) < 1e-6)
        .map((each) => Math.abs(each.moment - moment));
      expect(Math.min(...nearest) / largest).toBeLessThan(2e-4);
    }
  });
});
