import { defaultFrame, familyOf, memberOf, surfaceOf, type Member } from '../../frame';
import { withThickness } from '../../mechanics';
import { cutOf, heldIn, type Cut } from './cut';
import { cutsIn } from './cuts';
import type { StateWall } from './demand';

const family = 'open-channel ladder';
const frame = defaultFrame({ ...familyOf(family).typical, family, steel: 'hot-rolled-50', datum: 'hole' });
const rail = memberOf(frame, 'rail-left')!;
const surface = surfaceOf(rail.shape);
const wallOf = (thinned = 1, row = 0): StateWall => {
  const wallMm = Float64Array.from(surface.rowFace, (face, k) => face.wallMm * (k === row ? thinned : 1));
  return { surface, section: withThickness(surface.midline, wallMm), wallMm };
};
/** A cut’s figures, and what it may take. */
const figures = (cut: Cut | undefined) =>
  cut && { ...cut, strength: [cut.strength.yieldMpa, cut.strength.lateralMpa(1)] };
const all = () => true;
const at = (stationMm: number) => ({ stationMm, halfMm: 50 });
/** Two stations of one stretch between crossmembers, so that both are held alike. */
const holds = heldIn(frame)(rail, all);
const [here, there] = [2000, 2100];

const cutsOf = (wallAt: (member: Member, stationMm: number) => StateWall | undefined) => {
  const cut = cutsIn(frame, { wallAt })(all);
  return [cut(rail, at(here)), cut(rail, at(there))] as const;
};

test('one cut stands for two stretches of the same metal held alike, and is what each would have been', () => {
  expect(holds(here)).toEqual(holds(there));
  const [one, other] = cutsOf(() => wallOf());
  expect(other).toBe(one);
  expect(figures(one)).toEqual(figures(cutOf(rail, wallOf(), holds(here))));
});

test.each([0, surface.rowFace.length - 1])('metal that is less by a hair in row %d is another cut', (row) => {
  const [one, other] = cutsOf((_, mm) => wallOf(mm === there ? 1 - 1e-12 : 1, row));
  expect(other).not.toBe(one);
  expect(figures(other)).toEqual(figures(cutOf(rail, wallOf(1 - 1e-12, row), holds(there))));
});

test('a wall of the same figures over another section is another cut', () => {
  const { section, ...wall } = wallOf();
  const wider = { ...section, xMm: section.xMm.map((mm, k) => (k === 0 ? mm + 1 : mm)) };
  const [one, other] = cutsOf((_, mm) => ({ ...wall, section: mm === there ? wider : section }));
  expect(other!.profile.izzMm4).not.toBe(one!.profile.izzMm4);
});

test('metal with an opening, slack metal or a weaker place nearby shares no cut with plain metal', () => {
  const slot = { longMm: 400, fromRow: 2, toRow: 4 };
  const least = Float64Array.from(wallOf().wallMm, (mm) => mm / 2);
  for (const more of [{ slot }, { leastMm: least }, { bends: { whole: wallOf(0.5).section, inRow: [] } }]) {
    const [one, other] = cutsOf((_, mm) => ({ ...wallOf(), ...(mm === there && more) }));
    expect(other).toMatchObject(more);
    expect(one).not.toHaveProperty('slot');
    expect(other).not.toBe(one);
  }
});

test('held over another length the same metal is another cut: it can take less', () => {
  const cut = cutsIn(frame, { wallAt: () => wallOf() });
  const [held, loose] = [cut(all)(rail, at(here))!, cut(() => false)(rail, at(here))!];
  expect(loose).not.toBe(held);
  expect(loose.strength.lateralMpa(1)).toBeLessThan(held.strength.lateralMpa(1));
});

test('a fibre stands where any of the strips that meet there has metal', () => {
  const wallMm = Float64Array.from(surface.rowFace, (face, row) => (row < 2 ? 0 : face.wallMm));
  const section = withThickness(surface.midline, wallMm);
  const { hasMetal } = cutOf(rail, { surface, section, wallMm }, holds(here))!;
  const { from, to } = surface.midline;
  expect([hasMetal[from[0]!], hasMetal[to[0]!], hasMetal[to[1]!]]).toEqual([false, false, true]);
});

test('where nothing is left there is no cut', () => {
  expect(cutsOf(() => undefined)).toEqual([undefined, undefined]);
});
