import fc from 'fast-check';
import { defaultFrame, familyOf, type Fitting, type Frame, type Member } from '../frame';
import { DEFAULT_PRACTICE } from '../reference';
import { memberPicture } from '../weigh';
import {
  heldLevel,
  pieceSchema,
  repairSchema,
  seatsOf,
  type Piece,
  type Repair,
  type RepairPicture,
} from '.';

/** Mounts on both sides of a frame whose plates are not the same left and right. */
const made = defaultFrame({
  ...familyOf('open-channel ladder').typical,
  family: 'open-channel ladder',
  steel: 'a36',
  datum: 'hole',
});
const mount = (id: string, stationMm: number, side: Fitting['side'] = 'both'): Fitting =>
  ({ id, kind: 'body mount', name: id, side, stationMm }) as Fitting;
const frame: Frame = {
  ...made,
  members: made.members.filter(({ role }) => role === 'rail'),
  fittings: [mount('cab mount', 2000), mount('step', 2600, 'left'), mount('bed mount', 3200)],
};
const rail = (side: 'left' | 'right', on = frame): Member =>
  on.members.find(({ id }) => id === `rail-${side}`)!;
const limit = DEFAULT_PRACTICE.geometry.placeMm;

interface Drawn {
  readonly thicknessMm: number;
  readonly startMm: number;
  readonly longMm: number;
  readonly kind: Piece['kind'];
}
let count = 0;
const repair = (side: 'left' | 'right', more: Partial<Piece> = {}, rest: Partial<Repair> = {}): Repair =>
  repairSchema.parse({
    id: `r${++count}`,
    memberId: `rail-${side}`,
    cutOut: false,
    plugs: false,
    weldStyle: 'continuous',
    onBench: false,
    by: 'RK',
    at: '2026-11-10T08:00:00Z',
    pieces: [
      pieceSchema.parse({
        id: `p${count}`,
        kind: 'bottom L',
        startMm: 1000,
        endMm: 3000,
        thicknessMm: 6,
        lowerEdgeMm: 0,
        upperEdgeMm: 100,
        taperMm: 100,
        ...more,
      }),
    ],
    ...rest,
  });
const context = (of: Repair, on = frame): RepairPicture => ({
  picture: memberPicture({
    frame: on,
    member: rail(of.memberId === 'rail-left' ? 'left' : 'right', on),
    practice: DEFAULT_PRACTICE,
    readings: [],
    cracks: [],
  }),
  repair: of,
  restored: [],
  pieces: [],
});
const said = (here: Repair, there: readonly Repair[], on = frame) =>
  heldLevel(context(here, on), there).map(({ weight, value, name }) => [weight, value, name]);

test('a plate on one side alone takes what is fixed over it off its place by its own thickness, on each face it covers', () => {
  expect(said(repair('left'), [])).toEqual([['deviation', 6, 'cab mount (web, bottom)']]);
});
test('the same plate on the other side holds it level; so does another form of one thickness where it covers the face', () => {
  expect(said(repair('left'), [repair('right')])).toEqual([]);
  expect(said(repair('left'), [repair('right', { kind: 'full C', upperEdgeMm: 200 })])).toEqual([]);
  // A side plate there holds the web's seats, not the bottom's.
  const side = repair('right', { kind: 'side plate', lowerEdgeMm: 20, upperEdgeMm: 120 });
  expect(said(repair('left'), [side])).toEqual([['deviation', 6, 'cab mount (bottom)']]);
});
test.each([
  [limit, 'note'],
  [limit - 0.1, 'note'],
  [limit + 0.1, 'deviation'],
])('%d mm between the sides: %s', (apartMm, weight) => {
  const [finding] = said(repair('left', { thicknessMm: 10 }), [
    repair('right', { thicknessMm: 10 - apartMm }),
  ]);
  expect(finding![0]).toBe(weight);
  expect(finding![1]).toBeCloseTo(apartMm, 9);
});
test('the thinner side is told that it is the lower one; a hair between two plates of one gauge is none', () => {
  const [thin] = said(repair('left', { thicknessMm: 4 }), [repair('right', { thicknessMm: 6 })]);
  expect(thin![1]).toBeCloseTo(-2, 9);
  expect(said(repair('left', { thicknessMm: 6.29 }), [repair('right')])).toEqual([]);
  expect(said(repair('left', { thicknessMm: 6.31 }), [repair('right')])).not.toEqual([]);
});
test('what is notched round, or was found clear, or lies elsewhere, stays where it was', () => {
  const notch = { fromMm: 1900, toMm: 2100, edge: 'first', deepMm: 60 } as const;
  expect(said(repair('left', { notches: [notch] }), [])).toEqual([]);
  const clear = { beneath: [{ hostId: 'cab mount left', way: 'clear of it' as const }] };
  expect(said(repair('left', {}, clear), [])).toEqual([]);
  const off = { beneath: [{ hostId: 'cab mount left', way: 'off and back' as const }] };
  expect(said(repair('left', {}, off), [])).toHaveLength(1);
  expect(said(repair('left', { startMm: 200, endMm: 1500 }), [])).toEqual([]);
});
test('what was found clear on the other side does not hold it level there', () => {
  const clear = { beneath: [{ hostId: 'cab mount right', way: 'clear of it' as const }] };
  expect(said(repair('left'), [repair('right', {}, clear)])).toHaveLength(1);
});
test('what stands on one side alone has no twin; nor has a member without one', () => {
  expect(seatsOf(context(repair('left')), []).map(({ name }) => name)).not.toContain('step');
  const alone = { ...frame, members: [rail('left')] };
  expect(said(repair('left'), [], alone)).toEqual([]);
});
test('a plate inside the wall moves nothing that sits outside it', () =>
  expect(said(repair('left', { inside: true }), [])).toEqual([]));
test('mounts that come to one height are told together, from the first to the last', () => {
  const long = heldLevel(context(repair('left', { endMm: 3600 })), []);
  expect(long.map(({ name }) => name)).toEqual(['cab mount; bed mount (web, bottom)']);
  expect(long[0]!.at).toEqual({ fromMm: 2000, toMm: 3200 });
});
test('a crossmember lapped over the flanges sits on the plate; one between the webs does not', () => {
  const cross = (joint: 'flange' | 'web') => ({
    ...frame,
    fittings: [],
    members: [...frame.members, { ...made.members.find(({ id }) => id === 'cross-2')!, atMm: 2000, joint }],
  });
  const full = () => repair('left', { kind: 'full C', upperEdgeMm: 200 });
  expect(said(full(), [], cross('flange')).map(([, , name]) => name)).toEqual([
    expect.stringMatching(/^Crossmember 2 \(.*top/),
  ]);
  expect(said(full(), [], cross('web'))).toEqual([]);
});
test('left told against right is right against left turned round', () => {
  const draw = fc.record({
    thicknessMm: fc.double({ min: 2, max: 12, noNaN: true }),
    startMm: fc.integer({ min: 200, max: 2500 }),
    longMm: fc.integer({ min: 600, max: 1800 }),
    kind: fc.constantFrom<Piece['kind']>('bottom L', 'top L', 'full C', 'side plate'),
  });
  const laid = (side: 'left' | 'right', { startMm, longMm, ...more }: Drawn) =>
    repair(side, { ...more, lowerEdgeMm: 40, startMm, endMm: startMm + longMm });
  const rows = (here: Repair, there: Repair) =>
    new Map(
      seatsOf(context(here), [there]).map(({ name, face, hereMm, thereMm }) => [
        `${name} ${face}`,
        hereMm - thereMm,
      ]),
    );
  fc.assert(
    fc.property(draw, draw, (a, b) => {
      const [left, right] = [laid('left', a), laid('right', b)];
      const [one, other] = [rows(left, right), rows(right, left)];
      for (const [key, value] of one) if (other.has(key)) expect(other.get(key)).toBeCloseTo(-value, 9);
    }),
    { seed: 77, numRuns: 150 },
  );
});
