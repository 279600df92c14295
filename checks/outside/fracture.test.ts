import { intensityPerMpa, parisCycles, type CrackedStrip } from '@/core/mechanics';
import { against, PYTHON, run } from './programs';

/** Stress intensity against CalculiX by the energy a crack sets free, and lives against SciPy's adaptive quadrature. */
function asked(questions: readonly (readonly (string | number)[])[]): number[] {
  const ran = run(PYTHON, [`${__dirname}/fracture.py`], JSON.stringify(questions));
  if (ran.status !== 0) throw new Error(ran.err);
  return JSON.parse(ran.out) as number[];
}

const PLATES = [
  ['edge', 80, 8],
  ['edge', 80, 24],
  ['edge', 80, 56],
  ['centre', 120, 12],
  ['centre', 120, 42],
] as const;

against(['finite elements', 'shells'], 'cracks by finite elements and by quadrature', () => {
  const theirs = asked(PLATES.map((plate) => ['intensity', ...plate, plate[2] < 20 ? 1 : 2]));
  test.each(PLATES.map((plate, k) => [...plate, k] as const))(
    '%s crack in a strip %d mm wide, a %d mm: K within 2 %%',
    (kind, widthMm, aMm, k) => {
      const ours = intensityPerMpa({ kind, widthMm }, aMm);
      expect(Math.abs(ours / theirs[k]! - 1)).toBeLessThan(0.02);
    },
  );
  test('the comparison notices an edge crack taken for half of a centre crack', () => {
    const ours = intensityPerMpa({ kind: 'centre', widthMm: 160 }, 24);
    expect(Math.abs(ours / theirs[1]! - 1)).toBeGreaterThan(0.2);
  });
  test('lives by Paris’s law to a billionth', () => {
    const strip: CrackedStrip = { kind: 'edge', widthMm: 80 };
    const law = { constant: 2.18e-13, exponent: 3 };
    const spans = [
      [3, 30],
      [10, 47],
      [40, 70],
    ] as const;
    const quads = asked(spans.map((span) => ['life', 'tangent', 80, 2.18e-13, 3, 60, ...span]));
    const [wrong] = asked([['life', 'polynomial', 80, 2.18e-13, 3, 60, 40, 70]]) as [number];
    const ours = spans.map((span) => parisCycles((a) => intensityPerMpa(strip, a), law, 60, span));
    ours.forEach((cycles, k) => expect(Math.abs(cycles / quads[k]! - 1)).toBeLessThan(1e-9));
    expect(Math.abs(ours[2]! / wrong - 1)).toBeGreaterThan(0.02);
  });
});
