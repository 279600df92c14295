import {
  boltedForceN,
  endForceN,
  plateForceN,
  type BoltedRepair,
  type Piece,
  type RepairPicture,
} from '../shape';
import { strengthNPerMm, type EndDemand, type WeldLine } from './weld-line';

/** Ends of bolted pieces: the bolts between each and the damage. */
export const boltedEnds = (context: RepairPicture, repair: BoltedRepair): EndDemand[] =>
  repair.pieces.flatMap((piece) =>
    endsWithin(context, piece).map((end): EndDemand => {
      const [low, high] = runToDamage(context, piece, end);
      return {
        pieceId: piece.id,
        end,
        forceN: plateForceN(context.picture, piece),
        capacityN: boltedForceN(context.picture, repair, piece, [low, high]),
        runMm: Math.max(0, high - low),
      };
    }),
  );

/** A piece's ends that lie within its member. */
const endsWithin = ({ picture }: RepairPicture, piece: Piece): EndDemand['end'][] => [
  ...(piece.startMm > 1 ? (['front end'] as const) : []),
  ...(piece.endMm < picture.member.lengthMm - 1 ? (['rear end'] as const) : []),
];

/** From an end of a piece to the damage it is for, or to its middle where it is for none. */
function runToDamage({ target }: RepairPicture, piece: Piece, end: EndDemand['end']): [number, number] {
  const isFront = end === 'front end';
  const damageMm = target ? (isFront ? target.fromMm : target.toMm) : (piece.startMm + piece.endMm) / 2;
  return isFront ? [piece.startMm, damageMm] : [damageMm, piece.endMm];
}

/** Force against the welds between an end and the damage. */
export function endDemands(context: RepairPicture, piece: Piece, lines: readonly WeldLine[]): EndDemand[] {
  const { picture } = context;
  const forceN = endForceN(picture, piece);
  const own = lines.filter(
    (line) =>
      line.pieceId === piece.id &&
      line.kind === 'fillet' &&
      line.place !== 'seam' &&
      line.place !== 'joint' &&
      line.leftOpen === undefined,
  );
  return own
    .filter((line) => line.place === 'front end' || line.place === 'rear end')
    .map((endLine) => {
      const end = endLine.place === 'front end' ? 'front end' : 'rear end';
      const [low, high] = runToDamage(context, piece, end);
      const capacityN = own.reduce(
        (sum, line) =>
          sum +
          strengthNPerMm(line) *
            (line === endLine
              ? (line.countedMm ?? line.lengthMm)
              : overlap(line.fromMm, line.toMm, low, high) * share(line)),
        0,
      );
      return {
        pieceId: piece.id,
        end,
        forceN,
        capacityN,
        runMm: Math.max(0, high - low),
        ...(endLine.countedMm !== undefined && { endShare: endLine.countedMm / endLine.lengthMm }),
      };
    });
}

/** Part of an intermittent line that is weld. */
const share = (line: WeldLine): number =>
  line.style === 'skip' && line.runs ? line.runs.lengthMm / line.runs.pitchMm : 1;
const overlap = (a: number, b: number, low: number, high: number): number =>
  Math.max(0, Math.min(b, high) - Math.max(a, low));
