/** The frame solver: a ladder of channel with warping, ten cases with end forces; time by size, one section changed, and against Z88's whole process. */
import {
  beamProfile,
  prepareFrame,
  section,
  type BeamElement,
  type BeamModel,
  type BeamProfile,
  type EndWarping,
  type LoadCase,
  type Vector3,
} from '@/core/mechanics';
import { z88 } from '@/checks/outside/z88';

const HOLD = Infinity;
const channel = (depth: number, flange: number, t: number, mirrored: boolean): BeamProfile =>
  beamProfile(
    section(
      [
        [flange, depth],
        [0, depth],
        [0, depth / 2],
        [0, 0],
        [flange, 0],
      ],
      [
        [0, 1, t],
        [1, 2, t],
        [2, 3, t],
        [3, 4, t],
      ],
    ),
    { xMm: 0, yMm: depth / 2, mirrored },
    true,
  )!;

/** Two rails of `perRail` elements, `rungs` crossmembers of ten. */
function ladder(perRail: number, rungs: number): BeamModel {
  const nodes: Vector3[] = [];
  const index = new Map<string, number>();
  const at = (x: number, y: number): number => {
    const key = `${x.toFixed(3)},${y.toFixed(3)}`;
    if (!index.has(key)) {
      index.set(key, nodes.length);
      nodes.push([x, y, 0]);
    }
    return index.get(key)!;
  };
  const elements: BeamElement[] = [];
  const step = 50,
    length = perRail * step;
  const [left, right, cross] = [
    channel(200, 75, 6, false),
    channel(200, 75, 6, true),
    channel(150, 50, 5, true),
  ];
  const rows = Array.from({ length: rungs }, (_, k) => Math.round((k * perRail) / (rungs - 1)) * step);
  for (const [key, y, profile] of [
    ['left', 0, left],
    ['right', 850, right],
  ] as const)
    for (let x = 0; x < length; x += step) {
      const warping: EndWarping = { kind: 'shared', key, ratio: 1 };
      elements.push({
        id: `${key}${x}`,
        upGlobal: [0, 0, 1],
        profile,
        from: { node: at(x, y), warping },
        to: { node: at(x + step, y), warping },
      });
    }
  for (const x of rows)
    for (let k = 0; k < 10; k++) {
      const end = (j: number): EndWarping =>
        j === 0 || j === 10 ? { kind: 'fixed' } : { kind: 'shared', key: `x${x}`, ratio: 1 };
      elements.push({
        id: `x${x}-${k}`,
        upGlobal: [0, 0, 1],
        profile: cross,
        from: { node: at(x, 85 * k), warping: end(k) },
        to: { node: at(x, 85 * (k + 1)), warping: end(k + 1) },
      });
    }
  return {
    nodes,
    elements,
    youngsMpa: 200_000,
    shearMpa: 77_000,
    shearDeforms: true,
    supports: [
      [0, 0],
      [0, 850],
      [length, 0],
      [length, 850],
    ].map(([x, y], k) => ({
      id: `${k}`,
      node: at(x!, y!),
      stiffness: [k === 0 ? HOLD : 0, k < 2 ? HOLD : 0, HOLD, 0, 0, 0],
    })) as unknown as BeamModel['supports'],
  };
}

const cases = (model: BeamModel): LoadCase[] =>
  Array.from({ length: 10 }, (_, k) => ({
    id: `${k}`,
    nodeLoads: [{ node: (k * 13 + 5) % model.nodes.length, forceN: [100 * k, -50, -1000] as Vector3 }],
    lineLoads: model.elements.map((_, element) => ({ element, perMmN: [0, 0, -0.2 * (k + 1)] as Vector3 })),
  }));

function timed(work: () => void, rounds = 9): number {
  for (let k = 0; k < 4; k++) work();
  const times = Array.from({ length: rounds }, () => {
    const since = performance.now();
    work();
    return performance.now() - since;
  }).sort((a, b) => a - b);
  return times[rounds >> 1]!;
}

const whole = (model: BeamModel) => {
  const frame = prepareFrame(model);
  if (!('solve' in frame)) throw new Error(frame.kind);
  frame.solve(cases(model));
};

console.log('Frame solver, ladder of channel, 14-dof elements, 10 cases with end forces; medians of 9');
for (const [perRail, rungs] of [
  [38, 4],
  [75, 7],
  [150, 14],
  [300, 28],
] as const) {
  const model = ladder(perRail, rungs);
  const ms = timed(() => whole(model));
  console.log(
    `  ${String(model.elements.length).padStart(4)} elements  ${ms.toFixed(1).padStart(6)} ms  ${((1000 * ms) / model.elements.length).toFixed(1)} µs an element`,
  );
}
const model = ladder(150, 14);
const frame = prepareFrame(model);
if (!('solve' in frame)) throw new Error(frame.kind);
console.log(`  ${frame.unknownCount} unknowns in the one of ${model.elements.length} elements`);
const thin = { ...model.elements[60]!, profile: channel(200, 75, 3, false) };
const load = cases(model);
console.log(
  `  one section changed, all solved again: ${timed(() => {
    const again = frame.withElements(new Map([[60, thin]]));
    if ('solve' in again) again.solve(load);
  }).toFixed(1)} ms (wanted: under 30)`,
);
try {
  const plain: BeamModel = {
    ...model,
    shearDeforms: false,
    elements: model.elements.map((element) => ({
      ...element,
      profile: {
        ...element.profile,
        cwMm6: 0,
        centroid: [0, 0],
        shearCentre: [0, 0],
        iyzMm4: 0,
        omegaAtR: 0,
      },
    })),
  };
  const ours = timed(() => whole(plain));
  const theirs = timed(() => void z88(plain, [{ node: 40, forceN: [0, 0, -1000] }]), 3);
  console.log(
    `  12-dof path ${ours.toFixed(1)} ms for ten cases; Z88's whole process for one ${theirs.toFixed(0)} ms: ${((10 * theirs) / ours).toFixed(0)} to 1 for the ten`,
  );
} catch (error) {
  console.log(`  Z88 was not compared: ${(error as Error).message.slice(0, 120)}`);
}
