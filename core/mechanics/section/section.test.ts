import fc from 'fast-check';
import {
  sectionProperties,
  shearCentre,
  shearFlow,
  section,
  WELD_LINK,
  type MidlineNode,
  type Section,
  type Strip,
} from '.';
import { inchesToMm, mmToInches } from '../../quantity';

const channel = (b: number, h: number, t: number) =>
  section(
    [
      [b, h],
      [0, h],
      [0, 0],
      [b, 0],
    ],
    [
      [0, 1, t],
      [1, 2, t],
      [2, 3, t],
    ],
  );
const box = (b: number, h: number, t: number) =>
  section(
    [
      [0, 0],
      [b, 0],
      [b, h],
      [0, h],
    ],
    [
      [0, 1, t],
      [1, 2, t],
      [2, 3, t],
      [3, 0, t],
    ],
  );

/** A ring of straight strips; its own properties are those of the polygon, close to the circle for many sides. */
function tube(radius: number, t: number, sides: number, slit = false): Section {
  const nodes: MidlineNode[] = Array.from({ length: sides + (slit ? 1 : 0) }, (_, k) => [
    radius * Math.cos((2 * Math.PI * k) / sides),
    radius * Math.sin((2 * Math.PI * k) / sides),
  ]);
  const strips: Strip[] = Array.from({ length: sides }, (_, k) => [k, slit ? k + 1 : (k + 1) % sides, t]);
  return section(nodes, strips);
}

/** Second method: warping as the potential of a graph Laplacian with conductance t/L; no cells or trees are looked for. */
function torsionByPotential(s: Section): number {
  const n = s.xMm.length;
  const k = Array.from({ length: n }, () => new Float64Array(n));
  const f = new Float64Array(n);
  const each = (visit: (e: number, i: number, j: number, length: number, cross: number) => void) =>
    s.from.forEach((i, e) => {
      const j = s.to[e]!;
      if (s.thicknessMm[e]! > 0)
        visit(
          e,
          i,
          j,
          Math.hypot(s.xMm[j]! - s.xMm[i]!, s.yMm[j]! - s.yMm[i]!),
          s.xMm[i]! * s.yMm[j]! - s.xMm[j]! * s.yMm[i]!,
        );
    });
  each((e, i, j, length, cross) => {
    const c = s.thicknessMm[e]! / length;
    k[i]![i]! += c;
    k[j]![j]! += c;
    k[i]![j]! -= c;
    k[j]![i]! -= c;
    const drive = (s.thicknessMm[e]! / length) * cross;
    f[i]! += drive;
    f[j]! -= drive;
  });
  k[0]![0]! += 1e6;
  const w = gauss(k, f);
  let j0 = 0;
  each((e, i, j, length, cross) => {
    const q = (s.thicknessMm[e]! / length) * (w[j]! - w[i]! + cross);
    j0 += q * cross + (length * s.thicknessMm[e]! ** 3) / 3;
  });
  return j0;
}

function gauss(a: Float64Array[], b: Float64Array): Float64Array {
  const n = b.length;
  for (let c = 0; c < n; c++)
    for (let r = 0; r < n; r++) {
      if (r === c || a[r]![c] === 0) continue;
      const m = a[r]![c]! / a[c]![c]!;
      for (let q = c; q < n; q++) a[r]![q]! -= m * a[c]![q]!;
      b[r]! -= m * b[c]!;
    }
  return b.map((v, r) => v / a[r]![r]!);
}

describe('closed forms', () => {
  test('one strip is a rectangle', () => {
    const p = sectionProperties(
      section(
        [
          [0, -50],
          [0, 50],
        ],
        [[0, 1, 6]],
      ),
    )!;
    expect(p.areaMm2).toBeCloseTo(600, 9);
    expect(p.ixMm4).toBeCloseTo((6 * 100 ** 3) / 12, 6);
    expect(p.iyMm4).toBeCloseTo((100 * 6 ** 3) / 12, 6);
    expect(p.sTopMm3).toBeCloseTo((6 * 100 ** 2) / 6, 6);
    expect(p.jMm4).toBeCloseTo((100 * 6 ** 3) / 3, 6);
  });

  test('channel: centroid, J = Σbt³/3 and shear centre e = 3b²/(6b + h) outside the web', () => {
    const [b, h, t] = [75, 200, 6];
    const p = sectionProperties(channel(b, h, t))!;
    expect(p.centroidXMm).toBeCloseTo((b * b) / (2 * b + h), 9);
    expect(p.jMm4).toBeCloseTo(((2 * b + h) * t ** 3) / 3, 6);
    const centre = shearCentre(channel(b, h, 0.001))!;
    expect(centre.xMm).toBeCloseTo((-3 * b * b) / (6 * b + h), 4);
    expect(centre.yMm).toBeCloseTo(h / 2, 6);
  });

  test('box: Bredt 4A²t/perimeter, shear centre in the middle', () => {
    const p = sectionProperties(box(60, 120, 4))!;
    expect(p.cells).toBe(1);
    expect(p.jMm4).toBeCloseTo((4 * (60 * 120) ** 2 * 4) / 360 + (360 * 64) / 3, 4);
    const centre = shearCentre(box(60, 120, 4))!;
    expect(centre.xMm).toBeCloseTo(30, 6);
    expect(centre.yMm).toBeCloseTo(60, 6);
  });

  test('round tube 2πr³t, and the same tube slit: shear centre at 2r on the far side of the slit', () => {
    const whole = sectionProperties(tube(50, 0.5, 720))!;
    expect(whole.jMm4 / (2 * Math.PI * 50 ** 3 * 0.5)).toBeCloseTo(1, 3);
    expect(whole.ixMm4 / (Math.PI * 50 ** 3 * 0.5)).toBeCloseTo(1, 3);
    const slit = tube(50, 0.01, 720, true);
    expect(sectionProperties(slit)!.jMm4 / ((2 * Math.PI * 50 * 0.01 ** 3) / 3)).toBeCloseTo(1, 3);
    expect(shearCentre(slit)!.xMm).toBeCloseTo(-100, 1);
  });

  test('two plates welded at both edges twist as one plate: J = h(t₁ + t₂)³/3 exactly', () => {
    const [h, t1, t2] = [100, 6, 4];
    const gap = (t1 + t2) / 2;
    const pair = section(
      [
        [0, 0],
        [0, h],
        [gap, 0],
        [gap, h],
      ],
      [
        [0, 1, t1],
        [2, 3, t2],
        [0, 2, WELD_LINK],
        [1, 3, WELD_LINK],
      ],
    );
    expect(sectionProperties(pair)!.jMm4).toBeCloseTo((h * (t1 + t2) ** 3) / 3, 6);
    const oneEdge = section(
      [
        [0, 0],
        [0, h],
        [gap, 0],
        [gap, h],
      ],
      [
        [0, 1, t1],
        [2, 3, t2],
        [0, 2, WELD_LINK],
      ],
    );
    expect(sectionProperties(oneEdge)!.jMm4).toBeCloseTo((h * (t1 ** 3 + t2 ** 3)) / 3, 6);
  });

  test('a cell made of links alone encloses nothing that twists', () => {
    const s = section(
      [
        [0, 0],
        [50, 0],
        [25, 40],
      ],
      [
        [0, 1, WELD_LINK],
        [1, 2, WELD_LINK],
        [2, 0, WELD_LINK],
        [0, 1, 3],
      ],
    );
    expect(Number.isFinite(sectionProperties(s)!.jMm4)).toBe(true);
    const ring = section(
      [
        [0, 0],
        [50, 0],
        [25, 40],
        [60, 0],
      ],
      [
        [0, 1, WELD_LINK],
        [1, 2, WELD_LINK],
        [2, 0, WELD_LINK],
        [1, 3, 3],
      ],
    );
    expect(sectionProperties(ring)!.jMm4).toBeCloseTo((10 * 27) / 3, 9);
  });

  test('two equal cells side by side by hand: the middle wall carries nothing', () => {
    const s = section(
      [
        [0, 0],
        [50, 0],
        [100, 0],
        [100, 80],
        [50, 80],
        [0, 80],
      ],
      [
        [0, 1, 3],
        [1, 2, 3],
        [2, 3, 3],
        [3, 4, 3],
        [4, 5, 3],
        [5, 0, 3],
        [1, 4, 3],
      ],
    );
    const p = sectionProperties(s)!;
    expect(p.cells).toBe(2);
    expect(p.jMm4).toBeCloseTo((4 * 8000 ** 2 * 3) / 360 + (440 * 27) / 3, 4);
  });
});

/**
 * American rolled shapes, rows of the AISC Manual quoted from memory. A midline model leaves out fillets and tapered flanges:
 * rolled J stands 13–14 % above it. The table's eo runs from the back of the web.
 */
describe('handbook rows (AISC, from memory)', () => {
  const inch4 = inchesToMm(1) ** 4;
  test('C6×8.2: J 0.0736 in the table, about 0.064 by midline; eo 0.599 in from the back of the web', () => {
    const [d, bf, tf, tw] = [6, 1.92, 0.343, 0.2].map(inchesToMm) as [number, number, number, number];
    const s = section(
      [
        [bf - tw / 2, d - tf],
        [0, d - tf],
        [0, 0],
        [bf - tw / 2, 0],
      ],
      [
        [0, 1, tf],
        [1, 2, tw],
        [2, 3, tf],
      ],
    );
    const j = sectionProperties(s)!.jMm4 / inch4;
    expect(j).toBeGreaterThan(0.062);
    expect(j).toBeLessThan(0.066);
    const fromWebCentre = -mmToInches(shearCentre(s)!.xMm);
    expect(fromWebCentre - 0.1).toBeCloseTo(0.599, 1);
  });

  test('HSS4×4×1/4 with design wall 0.233: A 3.37, I 7.80, J 12.8 with outside radius 2t', () => {
    const t = 0.233,
      half = 2 - t / 2,
      r = 1.5 * t;
    const corner = (cx: number, cy: number, from: number): MidlineNode[] =>
      Array.from({ length: 9 }, (_, k) => [
        inchesToMm(cx + r * Math.cos(from + (k * Math.PI) / 16)),
        inchesToMm(cy + r * Math.sin(from + (k * Math.PI) / 16)),
      ]);
    const f = half - r;
    const nodes = [
      ...corner(f, f, 0),
      ...corner(-f, f, Math.PI / 2),
      ...corner(-f, -f, Math.PI),
      ...corner(f, -f, 1.5 * Math.PI),
    ];
    const p = sectionProperties(
      section(
        nodes,
        nodes.map((_, k) => [k, (k + 1) % nodes.length, inchesToMm(t)] as const),
      ),
    )!;
    expect(p.areaMm2 / inchesToMm(1) ** 2).toBeCloseTo(3.37, 1);
    expect(p.ixMm4 / inch4 / 7.8).toBeCloseTo(1, 2);
    expect(p.jMm4 / inch4 / 12.84).toBeGreaterThan(0.97);
    expect(p.jMm4 / inch4 / 12.84).toBeLessThan(1.03);
  });
});

describe('invariants', () => {
  const walls = fc.array(fc.double({ min: 0.5, max: 8, noNaN: true }), { minLength: 7, maxLength: 7 });
  const twoCells = (t: number[]) =>
    section(
      [
        [0, 0],
        [50, 0],
        [100, 10],
        [100, 80],
        [50, 85],
        [0, 80],
      ],
      [
        [0, 1, t[0]!],
        [1, 2, t[1]!],
        [2, 3, t[2]!],
        [3, 4, t[3]!],
        [4, 5, t[4]!],
        [5, 0, t[5]!],
        [1, 4, t[6]!],
      ],
    );

  test('cell-by-cell torsion agrees with the potential method', () => {
    fc.assert(
      fc.property(walls, (t) => {
        expect(sectionProperties(twoCells(t))!.jMm4 / torsionByPotential(twoCells(t))).toBeCloseTo(1, 6);
      }),
      { seed: 7, numRuns: 60 },
    );
  });

  test('shear flow adds up to the force and is in balance at every node', () => {
    fc.assert(
      fc.property(
        walls,
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        (t, vx, vy) => {
          const s = twoCells(t);
          const flow = shearFlow(s, vx, vy)!;
          let fx = 0,
            fy = 0;
          const out = new Float64Array(s.xMm.length);
          s.from.forEach((i, e) => {
            const j = s.to[e]!;
            const mean = (flow.startNPerMm[e]! + 4 * flow.middleNPerMm[e]! + flow.endNPerMm[e]!) / 6;
            fx += mean * (s.xMm[j]! - s.xMm[i]!);
            fy += mean * (s.yMm[j]! - s.yMm[i]!);
            out[i]! += flow.startNPerMm[e]!;
            out[j]! -= flow.endNPerMm[e]!;
          });
          const size = Math.abs(vx) + Math.abs(vy) + 1;
          expect(Math.abs(fx - vx) / size).toBeLessThan(1e-9);
          expect(Math.abs(fy - vy) / size).toBeLessThan(1e-9);
          expect(Math.max(...out.map(Math.abs)) / size).toBeLessThan(1e-9);
        },
      ),
      { seed: 11, numRuns: 60 },
    );
  });

  test('less metal never adds to A, I or J', () => {
    fc.assert(
      fc.property(walls, fc.nat(6), fc.double({ min: 0, max: 1, noNaN: true }), (t, which, left) => {
        const before = sectionProperties(twoCells(t))!;
        const after = sectionProperties(twoCells(t.map((wall, k) => (k === which ? wall * left : wall))))!;
        for (const key of ['areaMm2', 'iMajorMm4', 'iMinorMm4', 'jMm4'] as const)
          expect(after[key]).toBeLessThanOrEqual(before[key] * (1 + 1e-12));
      }),
      { seed: 3, numRuns: 80 },
    );
  });

  test("turning the axes leaves principal moments, J and the shear centre's place alone", () => {
    fc.assert(
      fc.property(walls, fc.double({ min: -3, max: 3, noNaN: true }), (t, angle) => {
        const s = twoCells(t);
        const [c, d] = [Math.cos(angle), Math.sin(angle)];
        const turned = {
          ...s,
          xMm: s.xMm.map((x, k) => c * x - d * s.yMm[k]!),
          yMm: s.yMm.map((y, k) => d * s.xMm[k]! + c * y),
        };
        const [a, b] = [sectionProperties(s)!, sectionProperties(turned)!];
        for (const key of ['areaMm2', 'iMajorMm4', 'iMinorMm4', 'jMm4'] as const)
          expect(b[key] / a[key]).toBeCloseTo(1, 9);
        const [e, f] = [shearCentre(s)!, shearCentre(turned)!];
        expect(f.xMm).toBeCloseTo(c * e.xMm - d * e.yMm, 5);
        expect(f.yMm).toBeCloseTo(d * e.xMm + c * e.yMm, 5);
      }),
      { seed: 5, numRuns: 40 },
    );
  });

  test('no metal gives no numbers; separate pieces give no shear centre', () => {
    expect(
      sectionProperties(
        section(
          [
            [0, 0],
            [1, 0],
          ],
          [[0, 1, 0]],
        ),
      ),
    ).toBeUndefined();
    const apart = section(
      [
        [0, 0],
        [10, 0],
        [0, 5],
        [10, 5],
      ],
      [
        [0, 1, 1],
        [2, 3, 1],
      ],
    );
    expect(sectionProperties(apart)!.pieces).toBe(2);
    expect(shearCentre(apart)).toBeUndefined();
    expect(() => section([[0, 0]], [[0, 3, 1]])).toThrow(/does not exist/);
  });
});
