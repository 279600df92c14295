import { BETWEEN_HEAT_ZONES_MM } from '../../reference';
import { CRITICAL_REACH_MM, crossingsOn, fittingsOn } from '../../frame';
import { isBolted } from '../bolting';
import type { RepairFinding } from '../repair-finding';
import type { RepairPicture } from '../repair-picture';
import { lengthsOf, type Piece } from '../repair';

/** Ends that lie within the member; at its very end there is nothing to run out onto. */
function innerEnds(
  { picture }: RepairPicture,
  piece: Piece,
): { stationMm: number; end: 'start' | 'finish' }[] {
  const ends: { stationMm: number; end: 'start' | 'finish' }[] = [];
  if (piece.startMm > 1) ends.push({ stationMm: piece.startMm, end: 'start' });
  if (piece.endMm < picture.member.lengthMm - 1) ends.push({ stationMm: piece.endMm, end: 'finish' });
  return ends;
}

/** Past the damage by at least one rail depth. */
export function runOut(context: RepairPicture): RepairFinding[] {
  const { picture, target, pieces } = context;
  if (!target) return [];
  const limit = picture.member.shape.depthMm;
  return pieces.flatMap(({ piece }) =>
    innerEnds(context, piece).flatMap(({ stationMm, end }): RepairFinding[] => {
      const value = end === 'start' ? target.fromMm - stationMm : stationMm - target.toMm;
      return value < limit - 1
        ? [
            {
              code: 'run-out-short',
              weight: 'broken',
              pieceId: piece.id,
              quantity: 'length',
              value,
              limit,
              source: 'practice',
              at: { fromMm: stationMm, toMm: stationMm },
            },
          ]
        : [];
    }),
  );
}

/** A plate that reaches past the damage by more than this many rail depths is looking for metal it does not find (our judgement). */
const LONGEST_REACH = 4;

/** Past the damage by so much that the plate carries more of its own length than of the rail's. */
export function tooLong(context: RepairPicture): RepairFinding[] {
  const { picture, target, pieces } = context;
  const limit = LONGEST_REACH * picture.member.shape.depthMm;
  return pieces.flatMap(({ piece }): RepairFinding[] => {
    const value = target ? Math.max(target.fromMm - piece.startMm, piece.endMm - target.toMm) : 0;
    const most = picture.ways.longestPlateMm ?? Infinity;
    const lengthMm = Math.max(...lengthsOf(piece).map(({ fromMm, toMm }) => toMm - fromMm));
    if (lengthMm > most + 1e-6)
      return [
        {
          code: 'plate-over-longest',
          weight: 'deviation',
          pieceId: piece.id,
          quantity: 'length',
          value: lengthMm,
          limit: most,
          source: 'practice',
        },
      ];
    return value > limit + 1
      ? [
          {
            code: 'plate-too-long',
            weight: 'deviation',
            pieceId: piece.id,
            quantity: 'length',
            value,
            limit,
            source: 'practice',
          },
        ]
      : [];
  });
}

/** The welds need room to bring the plate's force in before the damage starts; until then the plate does not count. */
export function development({ target, pieces, repair }: RepairPicture): RepairFinding[] {
  if (!target) return [];
  return pieces.flatMap(({ piece, carries }): RepairFinding[] => {
    const short = Math.max(carries.startMm - target.fromMm, target.toMm - carries.endMm);
    if (!(short > 1)) return [];
    const available = Math.min(target.fromMm - piece.startMm, piece.endMm - target.toMm);
    return [
      {
        code: 'development-short',
        weight: 'broken',
        pieceId: piece.id,
        quantity: 'length',
        value: available,
        ...(Number.isFinite(short) && { limit: available + short }),
        ...(isBolted(repair)
          ? { name: 'bolts', source: 'bolted' as const }
          : { source: 'baseMetal' as const }),
      },
    ];
  });
}

/** No square cut across a rail. */
export function squareEnd(context: RepairPicture): RepairFinding[] {
  return context.pieces.flatMap(({ piece }) =>
    piece.taperMm >= context.picture.member.shape.depthMm / 4 || innerEnds(context, piece).length === 0
      ? []
      : [
          {
            code: 'square-end' as const,
            weight: 'broken' as const,
            pieceId: piece.id,
            quantity: 'length' as const,
            value: piece.taperMm,
            limit: context.picture.member.shape.depthMm / 4,
            source: 'practice' as const,
          },
        ],
  );
}

/** Ends are kept off other welds' heat, and noted near what hangs on the rail. */
export function endPlaces(context: RepairPicture): RepairFinding[] {
  const { picture, pieces, repair } = context;
  const crossings = crossingsOn(picture.frame, picture.member);
  const marks = fittingsOn(picture.frame, picture.member).filter((mark) => mark.kind !== 'axle');
  return pieces.flatMap(({ piece }) =>
    innerEnds(context, piece).flatMap(({ stationMm }): RepairFinding[] => {
      const at = { fromMm: stationMm, toMm: stationMm };
      const near = crossings.find(
        (crossing) =>
          !isBolted(repair) && Math.abs(crossing.stationMm - stationMm) < BETWEEN_HEAT_ZONES_MM + 25,
      );
      const mark = marks
        .map((candidate) => ({ candidate, away: Math.abs(candidate.stationMm - stationMm) }))
        .filter(({ away }) => away < CRITICAL_REACH_MM)
        .sort((a, b) => a.away - b.away)[0];
      return [
        ...(near
          ? [
              {
                code: 'end-near-weld' as const,
                weight: 'deviation' as const,
                pieceId: piece.id,
                quantity: 'length' as const,
                value: Math.abs(near.stationMm - stationMm),
                limit: BETWEEN_HEAT_ZONES_MM + 25,
                source: 'practice' as const,
                at,
                name: near.member.name,
              },
            ]
          : []),
        ...(mark
          ? [
              {
                code: 'end-in-critical-zone' as const,
                weight: 'note' as const,
                pieceId: piece.id,
                quantity: 'length' as const,
                value: mark.away,
                limit: CRITICAL_REACH_MM,
                source: 'practice' as const,
                at,
                name: mark.candidate.name,
              },
            ]
          : []),
      ];
    }),
  );
}
