import { sectionProperties } from '@/core/mechanics';
import { evenWall, faceOf, surfaceOf, uOnFace, type MemberShape } from '@/core/frame';
import { coverage, formOf, faceOfPiece, pieceSchema, type Piece } from '@/core/shape';
import { changedSection, type PlateBand } from '@/core/weigh';
import { against, PYTHON, run } from './programs';

/**
 * Forms of plate on beams and on both sides of a channel’s wall, welded along both edges, against solid rectangles by finite elements: a slit 0.1 mm wide stands for
 * the contact between plate and wall, welds 4 mm wide bridge it at the edges. x right from the outer side, y up from the bottom.
 */
type Rectangle = [number, number, number, number];
const SLIT = 0.1;
const WELD = 4;

const beam: MemberShape = { kind: 'I', depthMm: 254, flangeMm: 102, thicknessMm: 5, flangeThicknessMm: 8 };
const beamSolid: Rectangle[] = [
  [0, 0, 102, 8],
  [0, 246, 102, 254],
  [48.5, 0, 53.5, 254],
];
const channel: MemberShape = { kind: 'channel', depthMm: 203.2, flangeMm: 76.2, thicknessMm: 6.35 };
const [D, B, T] = [203.2, 76.2, 6.35];
const channelSolid: Rectangle[] = [
  [0, 0, T, D],
  [0, D - T, B, D],
  [0, 0, B, T],
];

const piece = (shape: MemberShape, kind: Piece['kind'], more: Partial<Piece>): Piece =>
  pieceSchema.parse({
    id: 'p',
    kind,
    startMm: 0,
    endMm: 1000,
    taperMm: 0,
    thicknessMm: 5,
    ...formOf(kind).start(shape, faceOfPiece(shape, { kind, ...(more.face && { face: more.face }) })!),
    ...more,
  });
/** Joined along both edges, or along rows of bolts at heights on the web. */
function plated(shape: MemberShape, pieces: readonly Piece[], rowsMm?: readonly number[]) {
  const surface = surfaceOf(shape);
  const wall = evenWall(surface, shape.thicknessMm);
  const plates = pieces.map((one): PlateBand => {
    const { uFromMm, uToMm } = coverage(shape, one);
    return {
      uFromMm,
      uToMm,
      thicknessMm: one.thicknessMm,
      weldedAtUMm: rowsMm?.map((mm) => uOnFace(faceOf(shape, 'web')!, mm)) ?? [uFromMm, uToMm],
      carries: true,
      ...(one.inside && { inside: true }),
    };
  });
  return sectionProperties(changedSection(surface, wall, { cuts: [], plates }))!;
}

interface Case {
  readonly name: string;
  readonly ours: ReturnType<typeof plated>;
  readonly rectangles: Rectangle[];
  readonly size: number;
}
const P = 4.7625;
const ROWS = [54, 149];
const WASHER = 12;
const CASES: readonly Case[] = [
  {
    name: 'a cover under a beam’s lower flange',
    ours: plated(beam, [
      piece(beam, 'cover plate', { face: 'bottom', lowerEdgeMm: 15, upperEdgeMm: 87, thicknessMm: 8 }),
    ]),
    rectangles: [...beamSolid, [15, -8, 87, -SLIT], [15, -SLIT, 15 + WELD, 0], [87 - WELD, -SLIT, 87, 0]],
    size: 4,
  },
  {
    name: 'a pair on a beam’s web',
    ours: plated(beam, [
      piece(beam, 'side plate', { lowerEdgeMm: 30, upperEdgeMm: 224 }),
      piece(beam, 'side plate', { lowerEdgeMm: 30, upperEdgeMm: 224, inside: true }),
    ]),
    rectangles: [
      ...beamSolid,
      [43.5, 30, 48.5 - SLIT, 224],
      [48.5 - SLIT, 30, 48.5, 30 + WELD],
      [48.5 - SLIT, 224 - WELD, 48.5, 224],
      [53.5 + SLIT, 30, 58.5, 224],
      [53.5, 30, 53.5 + SLIT, 30 + WELD],
      [53.5, 224 - WELD, 53.5 + SLIT, 224],
    ],
    size: 4,
  },
  {
    name: 'an L inside and one outside a channel',
    ours: plated(channel, [
      piece(channel, 'bottom L', { upperEdgeMm: 120, thicknessMm: P }),
      piece(channel, 'bottom L', { inside: true, upperEdgeMm: 90, thicknessMm: P }),
    ]),
    rectangles: [
      ...channelSolid,
      [-P, -P, -SLIT, 120],
      [-P, -P, B, -SLIT],
      [-SLIT, 120 - WELD, 0, 120],
      [B - WELD, -SLIT, B, 0],
      [T + SLIT, T + SLIT, T + P, 90],
      [T + SLIT, T + SLIT, B, T + P],
      [T, 90 - WELD, T + SLIT, 90],
      [B - WELD, T, B, T + SLIT],
    ],
    size: 3,
  },
  {
    name: 'a sandwich bolted through a channel’s web, gripped as wide as its washers',
    ours: plated(
      channel,
      [
        piece(channel, 'side plate', { lowerEdgeMm: 30, upperEdgeMm: 173, thicknessMm: T }),
        piece(channel, 'side plate', { lowerEdgeMm: 30, upperEdgeMm: 173, thicknessMm: T, inside: true }),
      ],
      ROWS,
    ),
    rectangles: [
      ...channelSolid,
      [-T, 30, -SLIT, 173],
      [T + SLIT, 30, 2 * T, 173],
      ...ROWS.flatMap((mm): Rectangle[] => [
        [-SLIT, mm - WASHER / 2, 0, mm + WASHER / 2],
        [T, mm - WASHER / 2, T + SLIT, mm + WASHER / 2],
      ]),
    ],
    size: 3,
  },
];

interface Solid {
  readonly area: number;
  readonly cx: number;
  readonly cy: number;
  readonly ix: number;
  readonly iy: number;
  readonly j: number;
}
against(['finite elements'], 'plated sections by finite elements (gmsh and scipy)', () => {
  let solids: readonly Solid[];
  beforeAll(() => {
    const ask = CASES.map(({ rectangles, size }) => ({ rectangles, size }));
    const ran = run(PYTHON, ['checks/outside/warping.py'], JSON.stringify(ask));
    if (ran.status !== 0) throw new Error(ran.err);
    solids = JSON.parse(ran.out) as Solid[];
  }, 240_000);

  test.each(CASES.map(({ name }, k) => [name, k] as const))('%s: A, centroid, I, J', (_, k) => {
    const [{ ours }, theirs] = [CASES[k]!, solids[k]!];
    const off = (value: number, reference: number) => Math.abs(value / reference - 1);
    expect(off(ours.areaMm2, theirs.area)).toBeLessThan(0.03);
    expect(Math.abs(ours.centroidYMm - theirs.cy)).toBeLessThan(2);
    expect(Math.abs(ours.centroidXMm - theirs.cx)).toBeLessThan(1);
    expect(off(ours.ixMm4, theirs.ix)).toBeLessThan(0.03);
    expect(off(ours.iyMm4, theirs.iy)).toBeLessThan(0.04);
    // Thick plates close together: the flow turns round in welds shorter than they are thick, which a midline does not see.
    expect(off(ours.jMm4, theirs.j)).toBeLessThan(0.12);
  });
});
