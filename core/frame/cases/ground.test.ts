import { drawnDown, type Grounded } from './ground';

/**
 * A body on four springs at its corners, level, that gives in twist as much as its springs do. By hand: of what a corner is drawn down by, 7/8
 * come on its own spring, 1/8 on each neighbour, and the one across is eased by 1/8. With one corner off the ground the rest is statics.
 */
const four = (standsN: readonly number[]): Grounded => ({
  standsN,
  gives: [
    [0.875, 0.125, 0.125, -0.125],
    [0.125, 0.875, -0.125, 0.125],
    [0.125, -0.125, 0.875, 0.125],
    [-0.125, 0.125, 0.125, 0.875],
  ],
});
const heavyBehind = four([600, 600, 1400, 1400]);
const stands = ({ standsN, gives }: Grounded, drawn: readonly number[]) =>
  standsN.map((each, i) => each + drawn.reduce((sum, of, j) => sum + gives[i]![j]! * of, 0) - drawn[i]!);

test('a shallow ditch: the tyre follows the ground, and what it loses its neighbours take', () => {
  const drawn = drawnDown(heavyBehind, 0, 800)!;
  expect(drawn).toEqual([800, 0, 0, 0]);
  expect(stands(heavyBehind, drawn)).toEqual([500, 700, 1500, 1300]);
});
test('at eight times its load the corner is just off the ground, by hand; deeper, it hangs and nothing more changes', () => {
  expect(stands(heavyBehind, drawnDown(heavyBehind, 0, 4799)!)[0]).toBeCloseTo(0.125, 6);
  const [deep, deeper] = [drawnDown(heavyBehind, 0, 4801)!, drawnDown(heavyBehind, 0, 1e6)!];
  expect(deep[0]).toBeCloseTo(4800, 6);
  expect(deeper).toEqual(deep);
  // On three corners: 600 N more on each neighbour, 600 N less across.
  stands(heavyBehind, deep).forEach((each, k) => expect(each).toBeCloseTo([0, 1200, 2000, 800][k]!, 6));
});
test('heavier than the corner across it does not hang: the body tips until its tyre finds the bottom of the ditch', () => {
  const heavyHere = four([1400, 1400, 600, 600]);
  const drawn = drawnDown(heavyHere, 0, 1e5)!;
  expect(drawn[0]).toBe(1e5);
  const forces = stands(heavyHere, drawn);
  // The corner across is off instead; by statics what it carried is shared as on three corners.
  expect(forces[3]).toBeCloseTo(0, 6);
  forces.forEach((each, k) => expect(each).toBeCloseTo([800, 2000, 1200, 0][k]!, 3));
});
test('no wheel ever pulls, whatever the loads (seeded); what it carries in all stays', () => {
  let seed = 7;
  const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  let settled = 0;
  for (let run = 0; run < 400; run++) {
    const grounded = four(Array.from({ length: 4 }, () => 100 + 2000 * random()));
    const drawn = drawnDown(grounded, Math.floor(4 * random()), 20_000 * random());
    if (!drawn) continue;
    settled++;
    const forces = stands(grounded, drawn);
    for (const each of forces) expect(each).toBeGreaterThan(-0.01);
    const total = (of: readonly number[]) => of.reduce((sum, each) => sum + each, 0);
    expect(total(forces)).toBeCloseTo(total(grounded.standsN), 3);
  }
  expect(settled).toBeGreaterThan(390);
});
test('what cannot settle is not answered', () =>
  expect(drawnDown({ standsN: [-5], gives: [[1]] }, 0, 1)).toBeUndefined());
