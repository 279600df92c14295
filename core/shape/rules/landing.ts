import { lapMm, weldableMm } from '../../reference';
import type { EdgeLanding } from '../landing';
import { inchesToMm } from '../../quantity';
import type { MemberPicture } from '../../weigh';
import { faceOfPiece, formOf } from '../forms';
import { taperLengthMm, type Piece } from '../repair';
import type { RepairFinding } from '../repair-finding';
import { extentOf, type RepairPicture } from '../repair-picture';

/** Each lengthwise edge must lie on sound metal over its whole run; a flange tip that is gone leaves the plate's edge free instead. */
export function landing({ picture, pieces }: RepairPicture): RepairFinding[] {
  return pieces.flatMap(({ piece, stations }) => {
    if (stations.every(({ edges }) => edges.length === 0)) return [nothingKnown(picture, piece)];
    return [0, 1].flatMap((side) => {
      const missed = (why: EdgeLanding['why'], upright: boolean) =>
        stations.filter(
          ({ edges }) =>
            edges[side] &&
            !edges[side].lands &&
            edges[side].why === why &&
            edges[side].face.upright === upright,
        );
      const finding = (
        code: RepairFinding['code'],
        weight: RepairFinding['weight'],
        at: typeof stations,
        source: RepairFinding['source'] = 'practice',
      ): RepairFinding[] =>
        at.length
          ? [
              {
                code,
                weight,
                pieceId: piece.id,
                quantity: 'length',
                source,
                at: extentOf(at),
                name: at[0]!.edges[side]!.face.id,
              },
            ]
          : [];
      const struck = stations.filter(({ edges }) => edges[side]?.why === 'struck');
      return [
        ...finding('edge-struck-only', 'deviation', struck),
        ...finding('edge-not-on-sound-metal', 'broken', missed('unsound', true)),
        ...finding('edge-above-corner', 'broken', missed('above the corner', true)),
        ...finding(
          'edge-not-measured',
          'deviation',
          [...missed('not measured', true), ...missed('not measured', false)].sort(
            (a, b) => a.stationMm - b.stationMm,
          ),
        ),
        ...(isBent(piece)
          ? finding('edge-left-free', 'note', missed('unsound', false))
          : finding('edge-not-on-sound-metal', 'broken', missed('unsound', false))),
      ];
    });
  });
}

/** Nothing at all is on record of the metal: not one of its welds is known to land. */
const nothingKnown = ({ member: { shape } }: MemberPicture, piece: Piece): RepairFinding => ({
  code: 'edge-not-measured',
  weight: 'deviation',
  pieceId: piece.id,
  quantity: 'length',
  source: 'practice',
  at: { fromMm: piece.startMm, toMm: piece.endMm },
  name: faceOfPiece(shape, piece)?.id ?? piece.kind,
});

/** A bent piece's leg may hang free of a rotten flange, stiffened by its bend; a flat one lies on nothing there. */
const isBent = ({ kind }: Piece): boolean => !(formOf(kind).sets.lower && formOf(kind).sets.upper);

/** Caps that meet are welded to each other there; this much between them is room for one weld. */
const MEETING_MM = inchesToMm(1);

/** Whether a piece's edge meets another piece's: it lands on that, not on the old wall. */
const meetsAnother = (piece: Piece, others: readonly Piece[]): boolean =>
  others
    .filter(({ face, inside }) => face === piece.face && inside === piece.inside)
    .some((other) =>
      [other.lowerEdgeMm - piece.upperEdgeMm, piece.lowerEdgeMm - other.upperEdgeMm].some(
        (gapMm) => other !== piece && gapMm >= 0 && gapMm <= MEETING_MM + 1e-6,
      ),
    );

/** Over the straight part: sound metal between the edge's bound and the plate's edge against the published lap; less is the half-inch school's stated deviation. */
export function lap({ picture, repair, pieces }: RepairPicture): RepairFinding[] {
  return pieces.flatMap(({ piece, stations }) => {
    if (meetsAnother(piece, repair.pieces)) return [];
    const wanted = lapMm(Math.min(piece.thicknessMm, picture.built.thicknessMm));
    const straight = stations.filter(
      ({ stationMm }) =>
        stationMm >= piece.startMm + taperLengthMm(piece) - 1 &&
        stationMm <= piece.endMm - taperLengthMm(piece) + 1,
    );
    const landed = straight.flatMap(({ stationMm, edges }) =>
      edges
        .filter((edge) => edge.lands && edge.lapMm !== undefined)
        .map((edge) => ({ stationMm, lap: edge.lapMm! })),
    );
    const least = landed.sort((a, b) => a.lap - b.lap)[0];
    if (!least || least.lap >= wanted - 0.5) return [];
    return [
      {
        code: 'lap-short',
        // An edge that ends before the sound metal begins lands on nothing: no school allows that.
        weight: least.lap < 0 ? 'broken' : 'deviation',
        pieceId: piece.id,
        quantity: 'length',
        value: least.lap,
        limit: wanted,
        source: 'lap',
        at: { fromMm: least.stationMm, toMm: least.stationMm },
      },
    ];
  });
}

/** Lower-bound wall under the welds against what can be welded at all. */
export function tooThinToWeld({ picture, pieces }: RepairPicture): RepairFinding[] {
  return pieces.flatMap(({ piece, stations }) => {
    const thin = stations.flatMap(({ stationMm, edges }) =>
      edges
        .filter((edge) => edge.lands)
        .map(({ wallMm, face }) => ({
          stationMm,
          wall: wallMm,
          limit: weldableMm(face.wallMm, picture.practice),
        }))
        .filter(({ wall, limit }) => wall < limit),
    );
    const worst = thin.sort((a, b) => a.wall - b.wall)[0];
    return worst
      ? [
          {
            code: 'wall-too-thin-to-weld',
            weight: 'broken',
            pieceId: piece.id,
            quantity: 'thickness',
            value: worst.wall,
            limit: worst.limit,
            source: 'sound',
            at: { fromMm: worst.stationMm, toMm: worst.stationMm },
          },
        ]
      : [];
  });
}
