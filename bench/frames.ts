/** The frame solver: a ladder of channel, ten cases with end forces; time by size, one section changed, and against Z88 on the same model net of its start-up. */
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
  type WorkedElements,
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
      stiffness: [k === 0 ? HOLD : 0, k % 2 === 0 ? HOLD : 0, HOLD, 0, 0, 0],
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

const ofSize = ([perRail, rungs]: readonly [number, number]): BeamModel => ladder(perRail, rungs);
const [MIDDLE, LARGE] = [
  [150, 14],
  [300, 28],
] as const;

console.log('Frame solver, ladder of channel, 14-dof elements, 10 cases with end forces; medians of 9');
const times = [[38, 4] as const, [75, 7] as const, MIDDLE, LARGE].map((size) => {
  const model = ofSize(size);
  const ms = timed(() => whole(model));
  console.log(
    `  ${String(model.elements.length).padStart(4)} elements  ${ms.toFixed(1).padStart(6)} ms  ${((1000 * ms) / model.elements.length).toFixed(1)} µs an element`,
  );
  return ms;
});
console.log(`  880 elements against 440: ${(times[3]! / times[2]!).toFixed(2)} to 1 (wanted: under 2.2)`);

const model = ofSize(MIDDLE);
const load = cases(model);
const known: WorkedElements = new WeakMap();
prepareFrame(model, known);
const changed = timed(() => {
  const thin = { ...model.elements[60]!, profile: channel(200, 75, 3, false) };
  const elements = model.elements.map((each, k) => (k === 60 ? thin : each));
  const again = prepareFrame({ ...model, elements }, known);
  if ('solve' in again) again.solve(load);
});
console.log(
  `  one section of 440 changed, all solved again: ${changed.toFixed(1)} ms, ${(changed / times[2]!).toFixed(2)} of the whole (wanted: under 0.33)`,
);

/** The same ladder as a program without warping and shear flexibility knows it. */
const plain = (of: BeamModel): BeamModel => ({
  ...of,
  shearDeforms: false,
  elements: of.elements.map((element) => ({
    ...element,
    profile: { ...element.profile, cwMm6: 0, centroid: [0, 0], shearCentre: [0, 0], iyzMm4: 0, omegaAtR: 0 },
  })),
});
const twoElements: BeamModel = (() => {
  const small = plain(ladder(2, 2));
  return {
    ...small,
    nodes: small.nodes.slice(0, 3),
    elements: small.elements.slice(0, 2),
    supports: [{ id: 'wall', node: 0, stiffness: [HOLD, HOLD, HOLD, HOLD, HOLD, HOLD] }],
  };
})();
try {
  const startUp = timed(() => void z88(twoElements, [{ node: 2, forceN: [0, 0, -1000] }]));
  for (const size of [MIDDLE, LARGE]) {
    const of = plain(ofSize(size));
    const ours = timed(() => whole(of));
    const theirs = timed(() => void z88(of, [{ node: 40, forceN: [0, 0, -1000] }])) - startUp;
    console.log(
      `  12-dof path, ${of.elements.length} elements: ${ours.toFixed(1)} ms for ten cases; Z88 ${theirs.toFixed(1)} ms for one, net of ${startUp.toFixed(0)} ms of start-up: ${((10 * theirs) / ours).toFixed(1)} to 1 for the ten, ${(theirs / ours).toFixed(1)} to 1 for one against ten`,
    );
  }
} catch (error) {
  console.log(`  Z88 was not compared: ${(error as Error).message.slice(0, 120)}`);
}
