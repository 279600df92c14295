import fc from 'fast-check';
import {
  beamProfile,
  normalStress,
  plainProfile,
  prepareFrame,
  solveFrame,
  warping,
  section,
  sectionProperties,
  plasticModuli,
  torsionFlow,
  shearFlow,
  type BeamElement,
  type BeamModel,
  type BeamProfile,
  type CaseResult,
  type EndWarping,
  type LoadCase,
  type Section,
  type Vector3,
  type WorkedElements,
} from '..';

const E = 200_000,
  G = 77_000;
const HELD = [Infinity, Infinity, Infinity, Infinity, Infinity, Infinity] as const;
const PINNED = [Infinity, Infinity, Infinity, Infinity, 0, 0] as const;
const near = (value: number, expected: number, share = 1e-6) =>
  expect(Math.abs(value / expected - 1)).toBeLessThan(share);

/** Channel 200 × 75 × 6 by midlines, back of the web at x = 0; R at the middle of the web. */
const channel = (t = 6): Section =>
  section(
    [
      [75, 200],
      [0, 200],
      [0, 100],
      [0, 0],
      [75, 0],
    ],
    [
      [0, 1, t],
      [1, 2, t],
      [2, 3, t],
      [3, 4, t],
    ],
  );
const box = (): Section =>
  section(
    [
      [0, 0],
      [60, 0],
      [60, 100],
      [0, 100],
    ],
    [
      [0, 1, 4],
      [1, 2, 4],
      [2, 3, 4],
      [3, 0, 4],
    ],
  );
const open = beamProfile(channel(), { xMm: 0, yMm: 100, mirrored: false }, true)!;
const closed = beamProfile(box(), { xMm: 30, yMm: 50, mirrored: false }, false)!;

const SHARED = (key: string): EndWarping => ({ kind: 'shared', key, ratio: 1 });
/** A straight member cut into pieces from `start` along `step`, both ends' warping as given. */
function straight(
  profile: BeamProfile,
  lengthMm: number,
  pieces: number,
  ends: { from?: EndWarping; to?: EndWarping } = {},
  direction: Vector3 = [1, 0, 0],
  up: Vector3 = [0, 0, 1],
): Pick<BeamModel, 'nodes' | 'elements'> {
  const nodes = Array.from(
    { length: pieces + 1 },
    (_, k) => direction.map((part) => (part * lengthMm * k) / pieces) as unknown as Vector3,
  );
  const elements = nodes.slice(1).map((_, k): BeamElement => ({
    id: `e${k}`,
    upGlobal: up,
    profile,
    from: { node: k, warping: (k === 0 && ends.from) || SHARED('m') },
    to: { node: k + 1, warping: (k === pieces - 1 && ends.to) || SHARED('m') },
  }));
  return { nodes, elements };
}
const material = { youngsMpa: E, shearMpa: G };
function only(model: Omit<BeamModel, 'youngsMpa' | 'shearMpa'>, load: Omit<LoadCase, 'id'>): CaseResult {
  const solved = solveFrame({ ...model, ...material }, [{ id: 'one', ...load }]);
  if (!solved.ok) throw new Error(JSON.stringify(solved.reason));
  return solved.cases[0]!;
}
const end = (result: CaseResult, dof: number) => result.displacements[result.displacements.length - 6 + dof]!;
const fixedAtStart = [{ id: 'wall', node: 0, stiffness: HELD }];

describe('closed forms (Timoshenko; Gere & Goodno, beam tables)', () => {
  const L = 3000,
    P = 1000;
  test.each([1, 3, 10])(
    'cantilever with a tip load through the shear centre, %i elements: P L³/3EI + P L/GA',
    (pieces) => {
      const model = { ...straight(open, L, pieces, { from: { kind: 'fixed' } }), supports: fixedAtStart };
      const load = {
        nodeLoads: [
          { node: pieces, forceN: [0, 0, P] as Vector3, offsetMm: [0, open.shearCentre[0], 0] as Vector3 },
        ],
        lineLoads: [],
      };
      near(end(only({ ...model, shearDeforms: false }, load), 2), (P * L ** 3) / (3 * E * open.izzMm4));
      near(
        end(only({ ...model, shearDeforms: true }, load), 2),
        (P * L ** 3) / (3 * E * open.izzMm4) + (P * L * open.shearZZ) / G,
      );
      expect(Math.abs(end(only({ ...model, shearDeforms: false }, load), 3))).toBeLessThan(1e-9);
    },
  );

  test('an even load between fixed ends: w L²/12 at the wall, w L²/24 in the middle, w L⁴/384EI', () => {
    const result = only(
      {
        ...straight(closed, L, 4),
        supports: [0, 4].map((node) => ({ id: `${node}`, node, stiffness: HELD })),
        shearDeforms: false,
      },
      {
        nodeLoads: [],
        lineLoads: [0, 1, 2, 3].map((element) => ({ element, perMmN: [0, 0, -2] as Vector3 })),
      },
    );
    near(Math.abs(result.from[0]!.momentYNmm), (2 * L * L) / 12);
    near(Math.abs(result.to[1]!.momentYNmm), (2 * L * L) / 24);
    near(result.displacements[2 * 6 + 2]!, (-2 * L ** 4) / (384 * E * closed.izzMm4));
    expect(result.residual).toBeLessThan(1e-9);
    expect(result.equilibriumError).toBeLessThan(1e-9);
  });

  test('two equal spans under an even load: 1.25 w L on the middle support', () => {
    const supports = [0, 4, 8].map((node) => ({ id: `${node}`, node, stiffness: PINNED }));
    const result = only(
      { ...straight(closed, 2 * L, 8), supports, shearDeforms: false },
      {
        nodeLoads: [],
        lineLoads: Array.from({ length: 8 }, (_, element) => ({ element, perMmN: [0, 0, -1] as Vector3 })),
      },
    );
    near(result.reactions[1]![2]!, 1.25 * L);
    near(result.reactions[0]![2]!, 0.375 * L);
  });

  test('twist: T L/GJ for a tube; T/GJ (L − tanh kL/k) for a channel held against warping at the wall (Vlasov)', () => {
    const twist = {
      nodeLoads: [{ node: 5, forceN: [0, 0, 0] as Vector3, momentNmm: [1e5, 0, 0] as Vector3 }],
      lineLoads: [],
    };
    near(
      end(only({ ...straight(closed, L, 5), supports: fixedAtStart, shearDeforms: true }, twist), 3),
      (1e5 * L) / (G * closed.jMm4),
    );
    const k = Math.sqrt((G * open.jMm4) / (E * open.cwMm6));
    for (const length of [400, 3000, 40_000]) {
      const result = only(
        {
          ...straight(open, length, 5, { from: { kind: 'fixed' }, to: { kind: 'free' } }),
          supports: fixedAtStart,
          shearDeforms: true,
        },
        twist,
      );
      near(end(result, 3), (1e5 / (G * open.jMm4)) * (length - Math.tanh(k * length) / k), 1e-6);
      near(Math.abs(result.from[0]!.bimomentNmm2), (1e5 * Math.tanh(k * length)) / k, 1e-6);
    }
  });

  test('a cantilever whose load hangs below the flange: σ_w = B ω/Cw, B by hand (Vlasov)', () => {
    const H = 5000,
      drop = -250;
    const model = {
      ...straight(open, L, 6, { from: { kind: 'fixed' }, to: { kind: 'free' } }),
      supports: fixedAtStart,
      shearDeforms: true,
    };
    const result = only(model, {
      nodeLoads: [{ node: 6, forceN: [0, H, 0], offsetMm: [0, 0, drop] }],
      lineLoads: [],
    });
    const k = Math.sqrt((G * open.jMm4) / (E * open.cwMm6));
    const torque = H * (0 - drop);
    near(Math.abs(result.from[0]!.bimomentNmm2), (torque * Math.tanh(k * L)) / k, 1e-6);
    const warp = warping(channel())!;
    const lip = normalStress(open, result.from[0]!, 75, -100, warp.omegaMm2[4]!);
    near(
      Math.abs(lip.warpingMpa),
      Math.abs((((torque * Math.tanh(k * L)) / k) * warp.omegaMm2[4]!) / warp.cwMm6),
      1e-6,
    );
    expect(Math.abs(lip.warpingMpa)).toBeGreaterThan(50);
    near(Math.abs(lip.bendingMpa), (H * L * (75 - open.centroid[0])) / open.iyyMm4, 1e-6);
  });

  test('twist of a two-rung ladder by hand: tubes bend and twist, T = 2·(rails + rungs)', () => {
    // Square frame a × a of equal tubes pinned at three corners, fourth pushed down: by symmetry every side carries torque and bending alike.
    const a = 1000;
    const nodes: Vector3[] = [
      [0, 0, 0],
      [a, 0, 0],
      [a, a, 0],
      [0, a, 0],
    ];
    const tube = plainProfile({ areaMm2: 1e6, iyyMm4: 1e6, izzMm4: 1e6, jMm4: 2e6 });
    const side = (from: number, to: number): BeamElement => ({
      id: `${from}${to}`,
      upGlobal: [0, 0, 1],
      profile: tube,
      from: { node: from, warping: { kind: 'fixed' } },
      to: { node: to, warping: { kind: 'fixed' } },
    });
    const supports = [0, 1, 2].map((node) => ({
      id: `${node}`,
      node,
      stiffness: (node === 0
        ? [Infinity, Infinity, Infinity, 0, 0, Infinity]
        : [0, 0, Infinity, 0, 0, 0]) as unknown as typeof HELD,
    }));
    const result = only(
      { nodes, elements: [side(0, 1), side(1, 2), side(2, 3), side(3, 0)], supports, shearDeforms: false },
      { nodeLoads: [{ node: 3, forceN: [0, 0, -100], momentNmm: [0, 0, 0] }], lineLoads: [] },
    );
    // Corner forces ±P; each side: shear P/2, end moments ±P a/4, torque P a/4. Energy: P w/2 = 4 [ (P/2)² a³/24EI + (P a/4)² a/2GJ ].
    const w = 2 * 4 * 100 * (a ** 3 / (4 * 24 * E * 1e6) + a ** 3 / (16 * 2 * G * 2e6));
    near(-result.displacements[3 * 6 + 2]!, w, 1e-6);
  });
});

describe('invariants', () => {
  const load = (direction: Vector3): LoadCase => ({
    id: 'x',
    nodeLoads: [{ node: 4, forceN: direction, momentNmm: [2e4, -3e4, 1e4] }],
    lineLoads: [],
  });

  test('a frame turned in space answers the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: -1.4, max: 1.4, noNaN: true }),
        (yaw, pitch) => {
          const turn = ([x, y, z]: Vector3): Vector3 => {
            const [px, pz] = [
              x * Math.cos(pitch) - z * Math.sin(pitch),
              x * Math.sin(pitch) + z * Math.cos(pitch),
            ];
            return [px * Math.cos(yaw) - y * Math.sin(yaw), px * Math.sin(yaw) + y * Math.cos(yaw), pz];
          };
          const plain = { ...straight(open, 2000, 4), supports: fixedAtStart, shearDeforms: true };
          const turned = {
            ...straight(open, 2000, 4, {}, turn([1, 0, 0]), turn([0, 0, 1])),
            supports: fixedAtStart,
            shearDeforms: true,
          };
          const a = only(plain, load([300, -500, 900]));
          const b = only(turned, {
            nodeLoads: [{ node: 4, forceN: turn([300, -500, 900]), momentNmm: turn([2e4, -3e4, 1e4]) }],
            lineLoads: [],
          });
          const moved = turn([end(a, 0), end(a, 1), end(a, 2)]);
          moved.forEach((value, axis) =>
            expect(Math.abs(value - end(b, axis))).toBeLessThan(1e-6 * Math.hypot(...moved)),
          );
          near(a.from[0]!.momentYNmm, b.from[0]!.momentYNmm, 1e-6);
          near(a.from[0]!.bimomentNmm2, b.from[0]!.bimomentNmm2, 1e-6);
        },
      ),
      { seed: 5, numRuns: 12 },
    );
  });

  test('a finer mesh answers the same, and equilibrium holds to rounding', () => {
    const [coarse, fine] = [2, 16].map((pieces) => {
      const result = only(
        { ...straight(open, 2500, pieces), supports: fixedAtStart, shearDeforms: true },
        { nodeLoads: [{ node: pieces, forceN: [0, 400, -800], momentNmm: [3e5, 0, 0] }], lineLoads: [] },
      );
      expect(result.equilibriumError).toBeLessThan(1e-9);
      return result;
    });
    for (const dof of [1, 2, 3, 4, 5]) near(end(coarse!, dof), end(fine!, dof), 1e-6);
  });

  test('work done is mutual (Maxwell–Betti) between any two places', () => {
    const model = {
      ...straight(open, 2500, 5, { from: { kind: 'fixed' } }),
      supports: fixedAtStart,
      shearDeforms: true,
    };
    const one = only(model, { nodeLoads: [{ node: 2, forceN: [0, 0, 100] }], lineLoads: [] });
    const other = only(model, {
      nodeLoads: [{ node: 5, forceN: [0, 0, 0], momentNmm: [100, 0, 0] }],
      lineLoads: [],
    });
    near(end(one, 3), other.displacements[2 * 6 + 2]!, 1e-6);
  });

  test('the mirrored rail is the mirror image', () => {
    const right = beamProfile(channel(), { xMm: 0, yMm: 100, mirrored: true }, true)!;
    const push = (profile: BeamProfile, hand: number) =>
      only(
        { ...straight(profile, 2000, 3), supports: fixedAtStart, shearDeforms: true },
        {
          nodeLoads: [{ node: 3, forceN: [10, hand * 500, -700], momentNmm: [hand * 1e5, 2e4, hand * 3e4] }],
          lineLoads: [],
        },
      );
    const [a, b] = [push(open, 1), push(right, -1)];
    [1, -1, 1, -1, 1, -1].forEach((sign, dof) => near(end(a, dof), sign * end(b, dof), 1e-6));
  });

  test('less metal anywhere never makes it stiffer', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.2, max: 1, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (left) => {
          const rusted = section(
            [
              [75, 200],
              [0, 200],
              [0, 100],
              [0, 0],
              [75, 0],
            ],
            [
              [0, 1, 6 * left[0]!],
              [1, 2, 6 * left[1]!],
              [2, 3, 6 * left[2]!],
              [3, 4, 6 * left[3]!],
            ],
          );
          const thin = beamProfile(rusted, { xMm: 0, yMm: 100, mirrored: false }, true)!;
          const work = (profile: BeamProfile) =>
            end(
              only(
                { ...straight(profile, 2000, 4), supports: fixedAtStart, shearDeforms: true },
                { nodeLoads: [{ node: 4, forceN: [0, 0, 1000] }], lineLoads: [] },
              ),
              2,
            );
          expect(work(thin)).toBeGreaterThanOrEqual(work(open) * (1 - 1e-9));
        },
      ),
      { seed: 3, numRuns: 25 },
    );
  });

  test('with one element changed and the others known it is the same as the whole built anew', () => {
    const model: BeamModel = {
      ...straight(open, 2000, 4),
      supports: fixedAtStart,
      shearDeforms: true,
      ...material,
    };
    const known: WorkedElements = new WeakMap();
    prepareFrame(model, known);
    const thin = {
      ...model.elements[1]!,
      profile: beamProfile(channel(3), { xMm: 0, yMm: 100, mirrored: false }, true)!,
    };
    const thinned = { ...model, elements: model.elements.map((each, k) => (k === 1 ? thin : each)) };
    expect(model.elements.map((each) => known.has(each))).toEqual([true, true, true, true]);
    const again = prepareFrame(thinned, known);
    const anew = solveFrame(thinned, [load([1, 2, 3])]);
    if (!('solve' in again) || !anew.ok) throw new Error('no answer');
    const solved = again.solve([load([1, 2, 3])]);
    expect(solved.ok && solved.cases[0]!.displacements).toEqual(anew.cases[0]!.displacements);
  });
});

describe('what has no answer is named, never numbered', () => {
  const model: BeamModel = {
    ...straight(closed, 1000, 2),
    supports: fixedAtStart,
    shearDeforms: true,
    ...material,
  };
  const reason = (changed: BeamModel, cases: LoadCase[] = []) => {
    const solved = solveFrame(changed, cases);
    return solved.ok ? undefined : solved.reason;
  };
  test('no supports', () => expect(reason({ ...model, supports: [] })).toEqual({ kind: 'no supports' }));
  test('a pin at the only support lets it swing, and it says which way', () => {
    expect(
      reason({
        ...model,
        supports: [{ id: 'pin', node: 0, stiffness: [Infinity, Infinity, Infinity, Infinity, 0, Infinity] }],
      }),
    ).toMatchObject({ kind: 'mechanism', node: 2, along: 'z' });
  });
  test.each([2, 20])(
    'a frame of %d m that only turns about one end, however long its lever; a hair at the other holds it',
    (metres) => {
      const long: BeamModel = {
        ...straight(open, 1000 * metres, 20 * metres),
        supports: [
          { id: 'pin', node: 0, stiffness: [Infinity, Infinity, Infinity, Infinity, 0, 0] },
          { id: 'rest', node: 20 * metres, stiffness: [0, 0, Infinity, 0, 0, 0] },
        ],
        shearDeforms: true,
        ...material,
      };
      expect(reason(long)).toMatchObject({ kind: 'mechanism', node: 20 * metres, along: 'y' });
      const [pin, rest] = long.supports;
      const held = { ...long, supports: [pin!, { ...rest!, stiffness: [0, 1, Infinity, 0, 0, 0] as const }] };
      const pushed: LoadCase = {
        id: 'c',
        nodeLoads: [{ node: 20 * metres, forceN: [0, 10, 0] }],
        lineLoads: [],
      };
      const solved = solveFrame(held, [pushed]);
      expect(solved.ok && solved.cases[0]!.displacements[6 * 20 * metres + 1]).toBeCloseTo(10, 4);
    },
  );
  test('a part that hangs on nothing', () => {
    const loose: BeamElement = {
      ...model.elements[0]!,
      id: 'loose',
      from: { node: 3, warping: { kind: 'fixed' } },
      to: { node: 4, warping: { kind: 'fixed' } },
    };
    const found = reason({
      ...model,
      nodes: [...model.nodes, [0, 500, 0], [500, 500, 0]],
      elements: [...model.elements, loose],
    });
    expect(found).toMatchObject({ kind: 'mechanism' });
    expect(found?.kind === 'mechanism' && [...found.moving].sort()).toEqual([3, 4]);
  });
  test('an element without length, without metal, along its own up; a load that is no number', () => {
    const bad = (change: Partial<BeamElement>) =>
      reason({ ...model, elements: [{ ...model.elements[0]!, ...change }, model.elements[1]!] });
    expect(bad({ to: { node: 0, warping: { kind: 'fixed' } } })).toMatchObject({
      kind: 'bad element',
      why: 'no length',
    });
    expect(bad({ profile: { ...closed, areaMm2: 0 } })).toMatchObject({
      kind: 'bad element',
      why: 'a section without metal',
    });
    expect(bad({ upGlobal: [1, 0, 0] })).toMatchObject({ kind: 'bad element' });
    expect(
      reason(model, [{ id: 'c', nodeLoads: [{ node: 1, forceN: [NaN, 0, 0] }], lineLoads: [] }]),
    ).toMatchObject({ kind: 'bad load', caseId: 'c' });
  });
  test('a released end turns freely: a beam pinned to a wall at both ends carries w L²/8 in the middle', () => {
    const L = 1000;
    const out = [false, false, false, false, true, true] as const;
    const { nodes, elements } = straight(closed, L, 2);
    const hinged = [
      { ...elements[0]!, from: { ...elements[0]!.from, released: out } },
      { ...elements[1]!, to: { ...elements[1]!.to, released: out } },
    ];
    const result = only(
      {
        nodes,
        elements: hinged,
        supports: [0, 2].map((node) => ({ id: `${node}`, node, stiffness: HELD })),
        shearDeforms: false,
      },
      { nodeLoads: [], lineLoads: [0, 1].map((element) => ({ element, perMmN: [0, 0, -1] as Vector3 })) },
    );
    near(Math.abs(result.to[0]!.momentYNmm), (L * L) / 8);
    expect(Math.abs(result.from[0]!.momentYNmm)).toBeLessThan(1e-3);
  });
  test('an end that gives by a spring: P L³/3EI + P L²/k at the tip; even load between two such ends, w L²/12 · 1/(1 + 2EI/kL) at the wall', () => {
    const [L, k] = [1000, 5e8];
    const ei = E * closed.iyyMm4;
    const gives = [false, false, false, false, false, k] as const;
    const { nodes, elements } = straight(closed, L, 2);
    const hung = { ...elements[0]!, from: { ...elements[0]!.from, released: gives } };
    const tip = only(
      { nodes, elements: [hung, elements[1]!], supports: fixedAtStart, shearDeforms: false },
      { nodeLoads: [{ node: 2, forceN: [0, 1000, 0] }], lineLoads: [] },
    );
    near(end(tip, 1), (1000 * L ** 3) / (3 * ei) + (1000 * L * L) / k);
    const both = only(
      {
        nodes,
        elements: [hung, { ...elements[1]!, to: { ...elements[1]!.to, released: gives } }],
        supports: [0, 2].map((node) => ({ id: `${node}`, node, stiffness: HELD })),
        shearDeforms: false,
      },
      { nodeLoads: [], lineLoads: [0, 1].map((element) => ({ element, perMmN: [0, 1, 0] as Vector3 })) },
    );
    near(Math.abs(both.from[0]!.momentZNmm), (L * L) / 12 / (1 + (2 * ei) / (k * L)));
  });
});

describe('section figures that the beam stands on', () => {
  test('channel: shear centre 3b²t/(h + 6b), Cw = t b³ h² (3b + 2h)/(12 (6b + h)) (AISC Design Guide 9, from memory)', () => {
    const warp = warping(channel())!;
    const [b, h, t] = [75, 200, 6];
    near(-warp.xMm, (3 * b * b) / (6 * b + h), 1e-6);
    near(warp.cwMm6, (t * b ** 3 * h ** 2 * (3 * b + 2 * h)) / (12 * (6 * b + h)), 1e-6);
  });
  test('I: Cw = h² Iy/4; split tube: Cw = 2π t r⁵ (π²/3 − 2); square box: no warping at all', () => {
    const [b, h, t] = [80, 160, 5];
    const shape = section(
      [
        [0, 0],
        [b / 2, 0],
        [b, 0],
        [0, h],
        [b / 2, h],
        [b, h],
      ],
      [
        [0, 1, t],
        [1, 2, t],
        [3, 4, t],
        [4, 5, t],
        [1, 4, t],
      ],
    );
    near(warping(shape)!.cwMm6, ((h * h) / 4) * ((2 * t * b ** 3) / 12), 1e-9);
    const r = 50,
      n = 720;
    const split = section(
      Array.from(
        { length: n + 1 },
        (_, k) => [r * Math.cos((2 * Math.PI * k) / n), r * Math.sin((2 * Math.PI * k) / n)] as const,
      ),
      Array.from({ length: n }, (_, k) => [k, k + 1, 2] as const),
    );
    near(warping(split)!.cwMm6, 2 * Math.PI * 2 * r ** 5 * (Math.PI ** 2 / 3 - 2), 1e-3);
    const square = section(
      [
        [0, 0],
        [80, 0],
        [80, 80],
        [0, 80],
      ],
      [
        [0, 1, 4],
        [1, 2, 4],
        [2, 3, 4],
        [3, 0, 4],
      ],
    );
    expect(warping(square)!.cwMm6 / 80 ** 6).toBeLessThan(1e-12);
  });
  test('plastic modulus: 1.5 times the elastic one for a flat, b t (h/2)·2 + t_w h²/4 for an I, halves by area where it is lopsided', () => {
    const flat = section(
      [
        [0, 0],
        [0, 100],
      ],
      [[0, 1, 8]],
    );
    near(plasticModuli(flat)!.zxMm3 / sectionProperties(flat)!.sTopMm3, 1.5, 1e-9);
    const tee = section(
      [
        [0, 100],
        [-40, 100],
        [40, 100],
        [0, 0],
      ],
      [
        [1, 0, 10],
        [0, 2, 10],
        [0, 3, 8],
      ],
    );
    // flange 80 × 10 = 800, web 100 × 8 = 800: the line lies at the foot of the flange, half its thickness down from its midline
    expect(plasticModuli(tee)!.halvingYMm).toBeGreaterThan(95 - 1e-6);
  });
  test('torsion flow of a box is T/2A; shear flow turned into flexibility gives a flat 6/5', () => {
    const flow = torsionFlow(box(), 1e6, sectionProperties(box())!.jMm4);
    expect(Math.abs(Math.abs(flow[0]!) / (1e6 / (2 * 60 * 100)) - 1)).toBeLessThan(0.01);
    const flat = section(
      [
        [0, 0],
        [0, 100],
        [50, 0],
      ],
      [
        [0, 1, 8],
        [0, 2, 1e-6],
      ],
    );
    near(warping(flat)!.shearYY * 800, 1.2, 1e-3);
    expect(shearFlow(flat, 0, 1)!.momentNmm).toBeDefined();
  });
});
