import { riseK, STEEL_PLATE } from '.';

const { conductivity, perVolume, loss } = STEEL_PLATE;
const THICK_MM = 6;

/** A square plate in finite differences, explicit in time, losing heat from both faces: one source put into its middle cell. */
function bySteps(heatJ: number, untilS: number, thicknessMm: number): (distanceMm: number) => number {
  const [cells, cellMm] = [121, 2.5];
  const diffusivity = conductivity / perVolume;
  const stepS = (0.2 * cellMm ** 2) / diffusivity;
  const decay = (2 * loss) / (perVolume * thicknessMm);
  let now = new Float64Array(cells * cells);
  const middle = cells >> 1;
  now[middle * cells + middle] = heatJ / (perVolume * thicknessMm * cellMm ** 2);
  const steps = Math.round(untilS / stepS);
  for (let step = 0; step < steps; step++) {
    const next = new Float64Array(now);
    for (let row = 1; row < cells - 1; row++)
      for (let column = 1; column < cells - 1; column++) {
        const at = row * cells + column;
        const around = now[at - 1]! + now[at + 1]! + now[at - cells]! + now[at + cells]! - 4 * now[at]!;
        next[at] = now[at]! + stepS * ((diffusivity * around) / cellMm ** 2 - decay * now[at]!);
      }
    now = next;
  }
  return (distanceMm) => now[middle * cells + middle + Math.round(distanceMm / cellMm)]!;
}

test.each([
  [20, 6],
  [60, 6],
  [60, 3],
])('after %d s in a plate of %d mm: within 3 %% of a plate in finite differences', (untilS, thicknessMm) => {
  const steps = bySteps(20_000, untilS, thicknessMm);
  const peak = riseK(20_000, 0, untilS, thicknessMm);
  for (const distanceMm of [0, 10, 25, 50])
    expect(Math.abs(riseK(20_000, distanceMm ** 2, untilS, thicknessMm) - steps(distanceMm))).toBeLessThan(
      0.03 * peak,
    );
});

test.each([5, 60, 600])('after %d s the plate holds what its faces have not given off', (sinceS) => {
  const [heatJ, stepMm] = [10_000, 0.2];
  let held = 0;
  for (let r = stepMm / 2; r < 1500; r += stepMm)
    held += riseK(heatJ, r * r, sinceS, THICK_MM) * 2 * Math.PI * r * stepMm * THICK_MM * perVolume;
  const left = heatJ * Math.exp((-2 * loss * sinceS) / (perVolume * THICK_MM));
  expect(held / left).toBeCloseTo(1, 4);
});

test('nothing before it was lit; hotter near, in thin plate, with more heat; cooler later', () => {
  const at = (mm: number, s: number, thicknessMm = 6, heatJ = 1000) => riseK(heatJ, mm * mm, s, thicknessMm);
  expect(at(0, 0)).toBe(0);
  expect(at(0, -5)).toBe(0);
  expect(at(0, NaN)).toBe(0);
  expect(at(10, 20)).toBeGreaterThan(at(30, 20));
  expect(at(10, 20, 3)).toBeGreaterThan(at(10, 20));
  expect(at(10, 20, 6, 2000)).toBeCloseTo(2 * at(10, 20), 9);
  expect(at(0, 20)).toBeGreaterThan(at(0, 40));
});
