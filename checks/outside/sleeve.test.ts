import { defaultFrame, facesOf, familyOf, type Member, type MemberShape } from '@/core/frame';
import { YOUNGS_MODULUS_MPA, DEFAULT_PRACTICE } from '@/core/reference';
import type { Reading } from '@/core/probe';
import { memberStates, pieceSchema, repairSchema, stateProperties, type Repair } from '@/core/shape';
import { memberPicture } from '@/core/weigh';
import { against } from './programs';
import { ccx, shellMesh, type Mesh, type Point } from './shells';

/**
 * A tube in its sleeve against CalculiX S8R shells: two tubes of one axis, joined by weld along both slanted ends of the outer one and bearing on each other
 * between, bent and twisted from one end. What is compared is how much a length turns: all of it, and the middle where the sleeve is whole.
 *
 *              ╱──────────────────╲ weld
 *     ━━━━━━━━╱━━━━━━━━━━━━━━━━━━━━╲━━━━━━━ ← couple or torque
 *       a         c           d         b
 */
const [E, NU] = [YOUNGS_MODULUS_MPA, 0.3];
const G = E / (2 * (1 + NU));
const [OUTSIDE, WALL, PLATE, LENGTH] = [88.9, 5.5, 6.35, 1200];
const [FROM, TO, BACK] = [250, 950, 140];
const RUSTED = [500, 700] as const;
type Span = readonly [fromMm: number, toMm: number];
const [WHOLE, MIDDLE]: [Span, Span] = [
  [150, 1050],
  [425, 775],
];
const [FACETS, STEP] = [16, 50];
const COUPLE_NMM = 1e6;

/** Wall of the tube along it, mm. */
type Wall = (x: number) => number;
const SOUND: Wall = () => WALL;
const rusted =
  (left: number): Wall =>
  (x) =>
    x > RUSTED[0] && x < RUSTED[1] ? left * WALL : WALL;

/** Radius of the corners of a polygon with as much area as its circle. */
const cornerMm = (radiusMm: number): number =>
  radiusMm * Math.sqrt((2 * Math.PI) / FACETS / Math.sin((2 * Math.PI) / FACETS));
const TUBE_R = cornerMm((OUTSIDE - WALL) / 2);
const SLEEVE_R = cornerMm((OUTSIDE + PLATE) / 2);
const corner = (x: number, radius: number, k: number): Point => {
  const angle = (2 * Math.PI * (k % FACETS)) / FACETS;
  return [x, radius * Math.cos(angle), radius * Math.sin(angle)];
};

/** Where the tube's lengths begin and end at a corner: the sleeve's noses lie at corner 0, and fall back to where its halves meet. */
const backMm = (k: number): number => (BACK * Math.min(k % FACETS, FACETS - (k % FACETS))) / (FACETS / 2);
const STOPS: readonly ((k: number) => number)[] = [
  () => 0,
  (k) => FROM + backMm(k),
  (k) => TO - backMm(k),
  () => LENGTH,
];
const PIECES = STOPS.slice(1).map((to, n) => Math.round((to(0) - STOPS[n]!(0)) / STEP));

function facets(mesh: Mesh, set: string, radius: number, length: number, wall: Wall): void {
  const [from, to] = [STOPS[length]!, STOPS[length + 1]!];
  for (let k = 0; k < FACETS; k++)
    mesh.quad(
      set,
      [
        corner(from(k), radius, k),
        corner(to(k), radius, k),
        corner(to(k + 1), radius, k + 1),
        corner(from(k + 1), radius, k + 1),
      ],
      PIECES[length]!,
      1,
      ([x]) => wall(x),
    );
}

interface Turns {
  readonly bent: (span: Span) => number;
  readonly twisted: (span: Span) => number;
}

/** What a span turns through, radians: bent, and twisted. */
function shellTurns(wall: Wall, hasSleeve: boolean): Turns {
  const mesh = shellMesh(E, NU);
  for (const length of [0, 1, 2]) facets(mesh, 'TUBE', TUBE_R, length, wall);
  if (hasSleeve) sleeveOn(mesh);
  const held = mesh.nodesWhere(([x]) => x === 0);
  const turn = (loads: readonly string[]) =>
    ccx(
      mesh.write([
        '*BOUNDARY',
        ...held.map((id) => `${id}, 1, 6`),
        ...(hasSleeve ? bearing(mesh) : []),
        '*STEP',
        '*STATIC',
        '*CLOAD',
        ...loads,
        '*NODE PRINT, NSET=ALL',
        'U',
        '*END STEP',
      ]),
    ).moved;
  const rim = Array.from({ length: FACETS }, (_, k) => corner(LENGTH, TUBE_R, k));
  const square = rim.reduce((sum, [, , z]) => sum + z * z, 0);
  const bent = turn(rim.map((at) => `${mesh.node(at)}, 1, ${((COUPLE_NMM * at[2]) / square).toFixed(3)}`));
  const round = COUPLE_NMM / FACETS / TUBE_R ** 2;
  const twisted = turn(
    rim.flatMap((at) => [
      `${mesh.node(at)}, 2, ${(-round * at[2]).toFixed(3)}`,
      `${mesh.node(at)}, 3, ${(round * at[1]).toFixed(3)}`,
    ]),
  );
  const along = (moved: typeof bent, k: number, x: number, of: (u: readonly number[]) => number) =>
    between(mesh, k, x, (id) => of(moved.get(id)!));
  const bentAt = (x: number) => {
    const [up, down] = [FACETS / 4, (3 * FACETS) / 4].map((k) => along(bent, k, x, ([u]) => u!));
    return (up! - down!) / (2 * TUBE_R);
  };
  const twistedAt = (x: number) =>
    Array.from({ length: FACETS }, (_, k) => {
      const [, y, z] = corner(x, TUBE_R, k);
      return along(twisted, k, x, ([, v, w]) => (y * w! - z * v!) / TUBE_R ** 2);
    }).reduce((sum, each) => sum + each, 0) / FACETS;
  return {
    bent: ([from, to]) => Math.abs(bentAt(to) - bentAt(from)),
    twisted: ([from, to]) => Math.abs(twistedAt(to) - twistedAt(from)),
  };
}

/** A figure of the tube at a corner and a station, between the nodes before and after it. */
function between(mesh: Mesh, k: number, x: number, of: (node: number) => number): number {
  const places = STOPS.slice(1).flatMap((to, n) => {
    const [from, pieces] = [STOPS[n]!(k), 2 * PIECES[n]!];
    return Array.from({ length: pieces + 1 }, (_, p) => from + ((to(k) - from) * p) / pieces);
  });
  const after = places.findIndex((mm) => mm >= x);
  const [low, high] = [places[after - 1]!, places[after]!];
  const share = (x - low) / (high - low);
  const [one, other] = [low, high].map((mm) => of(mesh.node(corner(mm, TUBE_R, k))));
  return one! * (1 - share) + other! * share;
}

/** The sleeve over the tube's middle length, and its weld along both ends. */
function sleeveOn(mesh: Mesh): void {
  facets(mesh, 'SLEEVE', SLEEVE_R, 1, () => PLATE);
  for (const end of [STOPS[1]!, STOPS[2]!])
    for (let k = 0; k < FACETS; k++)
      mesh.quad(
        'WELD',
        [
          corner(end(k), TUBE_R, k),
          corner(end(k), SLEEVE_R, k),
          corner(end(k + 1), SLEEVE_R, k + 1),
          corner(end(k + 1), TUBE_R, k + 1),
        ],
        1,
        1,
        () => PLATE,
      );
}

/** Tube and sleeve keep their distance from each other between the welds, and slide. */
function bearing(mesh: Mesh): string[] {
  const pieces = 2 * PIECES[1]!;
  return Array.from({ length: FACETS }, (_, k) => k).flatMap((k) =>
    Array.from({ length: pieces - 1 }, (_, p) => {
      const [from, to] = [STOPS[1]!(k), STOPS[2]!(k)];
      const x = from + ((to - from) * (p + 1)) / pieces;
      const angle = (2 * Math.PI * k) / FACETS;
      const [one, other] = [TUBE_R, SLEEVE_R].map((radius) => mesh.node(corner(x, radius, k)));
      // The first term gives way to the others: it must not be nothing.
      const terms = (
        [
          [2, Math.cos(angle)],
          [3, Math.sin(angle)],
        ] as const
      )
        .filter(([, share]) => Math.abs(share) > 1e-6)
        .sort((a, b) => Math.abs(b[1]) - Math.abs(a[1]));
      return [
        '*EQUATION',
        String(2 * terms.length),
        [
          ...terms.map(([axis, share]) => `${one}, ${axis}, ${share.toFixed(6)}`),
          ...terms.map(([axis, share]) => `${other}, ${axis}, ${(-share).toFixed(6)}`),
        ].join(', '),
      ];
    }).flat(),
  );
}

const SHAPE: MemberShape = { kind: 'tube', depthMm: OUTSIDE, thicknessMm: WALL };
const made = defaultFrame({
  ...familyOf('I-beam trailer').typical,
  family: 'I-beam trailer',
  steel: 'a36',
  datum: 'hole',
});
const tube: Member = {
  id: 'axle',
  name: 'Axle tube',
  role: 'axle tube',
  shape: SHAPE,
  steel: 'a36',
  lengthMm: LENGTH,
  line: { from: [2000, -600, 0], to: [2000, 600, 0] },
};
const SLEEVED: Repair = repairSchema.parse({
  id: 'r',
  memberId: tube.id,
  cutOut: false,
  pieces: [
    pieceSchema.parse({
      id: 's',
      kind: 'sleeve',
      startMm: FROM,
      endMm: TO,
      thicknessMm: PLATE,
      lowerEdgeMm: 0,
      upperEdgeMm: 0,
      taperMm: BACK,
    }),
  ],
  weldStyle: 'continuous',
  plugs: false,
  onBench: false,
  by: 'RK',
  at: '2026-11-10T08:00:00Z',
});

/** The same as Shape reckons it: the repaired section along the tube, each length by itself. */
function reckonedTurns(wall: Wall, repairs: readonly Repair[]): Turns {
  const readings = Array.from({ length: 49 }, (_, k) => 25 * k).flatMap((stationMm) =>
    facesOf(SHAPE).map((face): Reading => ({
      kind: 'reading',
      id: `${stationMm} ${face.id}`,
      memberId: tube.id,
      stationMm,
      face: face.id,
      heightMm: face.widthMm / 2,
      thicknessMm: wall(stationMm),
      method: 'ultrasonic',
      by: 'RK',
      at: '2026-01-01T00:00:00Z',
      note: '',
    })),
  );
  const frame = { ...made, members: [...made.members, tube] };
  const picture = memberPicture({ frame, member: tube, practice: DEFAULT_PRACTICE, readings, cracks: [] });
  const states = memberStates(picture, repairs);
  const state = states.find(({ id }) => id === (repairs.length > 0 ? 'as repaired' : 'as found'))!;
  const step = 5;
  const sum = ([from, to]: Span, stiffness: (x: number) => number) => {
    let turns = 0;
    for (let x = from + step / 2; x < to; x += step) turns += (COUPLE_NMM * step) / stiffness(x);
    return turns;
  };
  return {
    bent: (span) => sum(span, (x) => E * stateProperties(picture, state, x)!.ixMm4),
    twisted: (span) => sum(span, (x) => G * stateProperties(picture, state, x)!.jMm4),
  };
}

against(['shells'], 'a sleeve against shells (CalculiX S8R)', () => {
  const both = (mine: Turns, theirs: Turns, span: Span) =>
    (['bent', 'twisted'] as const).map((how) => mine[how](span) / theirs[how](span));
  test('over sound tube: where it is whole it turns as reckoned, within 4 %', () => {
    const [theirs, mine] = [shellTurns(SOUND, true), reckonedTurns(SOUND, [SLEEVED])];
    for (const share of both(mine, theirs, MIDDLE)) expect(Math.abs(share - 1)).toBeLessThan(0.04);
    // Over its slanted ends it is not counted yet: from end to end it is softer than it is, never stiffer.
    for (const share of both(mine, theirs, WHOLE)) {
      expect(share).toBeGreaterThan(1);
      expect(share).toBeLessThan(1.25);
    }
  });
  // Nothing but its ends ties the sleeve to the tube along it: right over rust it takes up less, beside it more.
  test.each<[string, number, number]>([
    ['half', 0.5, 0.15],
    ['a fifth', 0.2, 0.3],
  ])(
    'over a tube rusted to %s: a little stiffer right there, from end to end softer all the same',
    (_, left, within) => {
      const [theirs, mine] = [shellTurns(rusted(left), true), reckonedTurns(rusted(left), [SLEEVED])];
      for (const share of both(mine, theirs, MIDDLE)) {
        expect(share).toBeGreaterThan(1 - within);
        expect(share).toBeLessThan(1);
      }
      for (const share of both(mine, theirs, WHOLE)) {
        expect(share).toBeGreaterThan(1);
        expect(share).toBeLessThan(1.25);
      }
    },
  );
  test('the tube alone turns as reckoned, and twice as far as with its sleeve: one that did not count would be told', () => {
    const [alone, mine] = [shellTurns(rusted(0.5), false), reckonedTurns(rusted(0.5), [])];
    for (const share of both(mine, alone, WHOLE)) expect(Math.abs(share - 1)).toBeLessThan(0.06);
    expect(alone.bent(MIDDLE) / reckonedTurns(rusted(0.5), [SLEEVED]).bent(MIDDLE)).toBeGreaterThan(2);
  });
});
