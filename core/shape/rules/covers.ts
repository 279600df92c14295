import { developedWidthMm, faceAtU, isBranched, isClosed, type Member, type MemberShape } from '../../frame';
import { inchesToMm } from '../../quantity';
import { BETWEEN_HEAT_ZONES_MM, stiffenedLimit } from '../../reference';
import { crackExtent, unrolledPath } from '../../trace';
import { nominalMm, soundThresholdMm } from '../../probe';
import type { MemberPicture } from '../../weigh';
import { pastOf, skinsUnder, type Clash } from '../clashes';
import { facesCovered } from '../faces-covered';
import { plugLayout } from '../plugs';
import { formOf } from '../forms';
import { flatWidths } from '../flat/flat-widths';
import { coverageAt, type Piece, type Repair } from '../repair';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';

/** A crack that runs out of a free edge has no tip there: what lies this near the edge need not be covered, mm (ours: 1/2 in). */
const AT_EDGE_MM = inchesToMm(1 / 2);

/** A crack under a repair is covered along its whole path, on every face it runs over; what a plate leaves free of it goes on. */
export function crackCoverage({ picture, repair }: RepairPicture): RepairFinding[] {
  const { shape } = picture.member;
  const aroundMm = developedWidthMm(shape);
  const laps = isClosed(shape) ? [-aroundMm, 0, aroundMm] : [0];
  const isCovered = ([stationMm, u]: readonly [number, number]) =>
    repair.pieces.some((piece) => {
      const cover = coverageAt(picture.member, piece, stationMm);
      return cover && laps.some((lap) => u + lap >= cover.uFromMm && u + lap <= cover.uToMm);
    });
  const isAtEdge = ([, u]: readonly [number, number]) => !isClosed(shape) && isNearFreeEdge(shape, u);
  return cracksUnder(picture, repair.pieces).flatMap((crack): RepairFinding[] => {
    const path = unrolledPath(shape, crack.path);
    return path.every((point) => isCovered(point) || isAtEdge(point))
      ? []
      : [
          {
            code: 'crack-uncovered',
            weight: 'broken',
            quantity: 'length',
            source: 'practice',
            at: crackExtent(crack),
          },
        ];
  });
}

/** Ahead of a crack's tip to the edge of what covers it, at least, mm (ours: 1 in): nearer, the edge's own weld runs over where it would go on. */
const PAST_TIP_MM = inchesToMm(1);

/** A crack's tip on the unrolled wall, and to which side it would go on across the member. */
interface Tip {
  readonly stationMm: number;
  readonly u: number;
  readonly ahead: 1 | -1;
}

/**
 * Both tips of a crack under a repair lie well inside what covers them, on the side to which they would go on. Out of a free edge there is none; how
 * far a plate reaches past one along the member is for its run-out to say.
 */
export function crackTips({ picture, repair }: RepairPicture): RepairFinding[] {
  const { shape } = picture.member;
  return cracksUnder(picture, repair.pieces).flatMap((crack): RepairFinding[] => {
    const value = Math.min(
      Infinity,
      ...tipsOf(shape, unrolledPath(shape, crack.path)).map((tip) =>
        coveredAhead(picture.member, repair, tip),
      ),
    );
    // What is not covered at all is said by the rule before this one.
    return value >= 0 && value < PAST_TIP_MM - 1e-6
      ? [
          {
            code: 'crack-tip-close',
            weight: 'deviation',
            quantity: 'length',
            source: 'practice',
            value,
            limit: PAST_TIP_MM,
            at: crackExtent(crack),
          },
        ]
      : [];
  });
}

function tipsOf(shape: MemberShape, path: readonly (readonly [number, number])[]): Tip[] {
  const ends = [
    [path[0], path[1]],
    [path.at(-1), path.at(-2)],
  ] as const;
  return ends.flatMap(([tip, before]): Tip[] => {
    if (!tip || !before || Math.abs(tip[1] - before[1]) < 1) return [];
    if (!isClosed(shape) && isNearFreeEdge(shape, tip[1])) return [];
    return [{ stationMm: tip[0], u: tip[1], ahead: tip[1] > before[1] ? 1 : -1 }];
  });
}

/** From a tip ahead to the edge of what covers it, the most of all pieces; past the sheet's own end nothing goes on. Negative where nothing covers it. */
function coveredAhead(
  member: Member,
  { pieces }: Pick<Repair, 'pieces'>,
  { stationMm, u, ahead }: Tip,
): number {
  const aroundMm = developedWidthMm(member.shape);
  const isShut = isClosed(member.shape);
  const laps = isShut ? [-aroundMm, 0, aroundMm] : [0];
  return Math.max(
    -Infinity,
    ...pieces.flatMap((piece) => {
      const cover = coverageAt(member, piece, stationMm);
      if (!cover) return [];
      return laps
        .map((lap) => u + lap)
        .filter((at) => at >= cover.uFromMm && at <= cover.uToMm)
        .map((at) => {
          const edgeMm = ahead > 0 ? cover.uToMm : cover.uFromMm;
          const isEnd = !isShut && (edgeMm <= SHEET_END_MM || edgeMm >= aroundMm - SHEET_END_MM);
          return isEnd ? Infinity : Math.abs(edgeMm - at);
        });
    }),
  );
}
const SHEET_END_MM = 0.5;

/** The sheet's ends, and both tips of a beam's flanges. */
function isNearFreeEdge(shape: MemberShape, u: number): boolean {
  const face = faceAtU(shape, u);
  const isNear = (mm: number) => Math.abs(u - mm) <= AT_EDGE_MM;
  const ends = isBranched(shape) && !face.upright ? [face.uStartMm, face.uStartMm + face.widthMm] : [];
  return [0, developedWidthMm(shape), ...ends].some(isNear);
}

/** Cracks that a repair is for: those its pieces lie over in length, some of them at all. */
const cracksUnder = ({ cracks }: RepairPicture['picture'], pieces: readonly Piece[]) =>
  cracks.filter((crack) => {
    const { fromMm, toMm } = crackExtent(crack);
    return pieces.some(({ startMm, endMm }) => startMm <= fromMm && endMm >= toMm);
  });

/**
 * Nothing lands on an earlier skin, and none is closed in: it comes off first, or stays and is signed for. Its welds are ground off no deeper than leaves
 * sound metal: that depth is the finding's limit.
 */
export function skinBeneath({ picture, repair }: RepairPicture): RepairFinding[] {
  return repair.pieces.flatMap((piece) =>
    skinsUnder(picture, piece).map((skin): RepairFinding => {
      const past = pastOf(repair, skin);
      const [code, weight] =
        past === 'off for good'
          ? (['skin-off', 'note'] as const)
          : past === 'stays beneath'
            ? (['skin-stays', 'deviation'] as const)
            : (['skin-beneath', 'broken'] as const);
      return {
        code,
        weight,
        pieceId: piece.id,
        ...(past === 'off for good'
          ? { quantity: 'thickness' as const, ...groundTo(picture, piece, skin) }
          : { quantity: 'length' as const }),
        source: 'practice',
        name: skin.name,
        at: { fromMm: skin.fromMm, toMm: skin.toMm },
      };
    }),
  );
}

/** What the wall beneath a skin was made, and what of it must stay as its welds are ground off; of several faces, of the thickest. */
function groundTo({ member, practice }: MemberPicture, piece: Piece, { face }: Clash) {
  const faces = face ? [face] : [...facesCovered(member.shape, piece)];
  const madeMm = Math.max(...faces.map((each) => nominalMm(member, each)));
  return { value: madeMm, limit: soundThresholdMm(madeMm, practice) };
}

/** Ends of plates on both sides of one wall, or of caps that meet, are staggered: heat zones lie apart, and no section loses both at once. */
export function staggered({ picture, repair: { pieces } }: RepairPicture): RepairFinding[] {
  const inner = (mm: number) => mm > 1 && mm < picture.member.lengthMm - 1;
  return pieces.flatMap((one, k) =>
    pieces.slice(k + 1).flatMap((other): RepairFinding[] => {
      const apart = (['startMm', 'endMm'] as const)
        .filter((end) => inner(one[end]) && inner(other[end]))
        .map((end) => ({ awayMm: Math.abs(one[end] - other[end]), stationMm: one[end] }))
        .sort((a, b) => a.awayMm - b.awayMm)[0];
      if (!apart || apart.awayMm >= BETWEEN_HEAT_ZONES_MM - 1e-6) return [];
      return [
        {
          code: 'ends-level',
          weight: 'broken',
          pieceId: other.id,
          quantity: 'length',
          value: apart.awayMm,
          limit: BETWEEN_HEAT_ZONES_MM,
          source: 'practice',
          at: { fromMm: apart.stationMm, toMm: apart.stationMm },
        },
      ];
    }),
  );
}

/** A wide thin plate buckles off the wall between its welds: width over thickness between welds, bends and plugs. */
export function wideBetweenWelds({ picture, repair }: RepairPicture): RepairFinding[] {
  const most = stiffenedLimit(picture.steel.yieldMpa);
  return repair.pieces
    .filter(({ kind }) => !formOf(kind).wraps)
    .flatMap((piece): RepairFinding[] => {
      const rows = repair.plugs ? plugLayout(picture.member, piece, picture.practice.weld).rowsUMm : [];
      const ratio = Math.max(...flatWidths(picture.member.shape, piece, rows)) / piece.thicknessMm;
      return ratio > most
        ? [
            {
              code: 'wide-between-welds',
              weight: 'deviation',
              pieceId: piece.id,
              quantity: 'count',
              value: ratio,
              limit: most,
              source: 'stiffened',
            },
          ]
        : [];
    });
}
