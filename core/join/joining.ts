import { STANDARD_GRAVITY } from '../quantity';
import { isBolted, type BoltedRepair, type RepairPicture } from '../shape';
import { boltFlowShare, boltSets } from './bolt-set';
import { boltedEnds, endDemands } from './end-demand';
import { edgeLines } from './lines/edges';
import { endLines } from './lines/ends';
import { jointLines } from './lines/joints';
import { linkFlows } from './lines/flows';
import { plugLine } from './lines/plugs';
import type { BareLine } from './lines/base';
import { settled, type SeamSaid } from './said';
import type { Joining, WeldLine } from './weld-line';

/**
 * Shear a rail is designed for here, N: bump 3 g (common practice, no source); half the unit's weight to each rail, two thirds of that over
 * the heavier axle, half of it to each side of the spring, so a sixth of the weight. A stand-in until the frame's own demand is computed.
 */
export const designShearN = (grossMassKg: number): number => (3 * STANDARD_GRAVITY * grossMassKg) / 6;

/**
 * Every weld line of a repair. `shearN` gives the flow along the edges; without it the flow is left out. `said`: what was recorded of its seams, in the
 * order it was kept; what names no seam of this repair is passed over.
 */
export function joining(
  context: RepairPicture,
  shearN: number | undefined,
  said: readonly SeamSaid[] = [],
): Joining {
  return isBolted(context.repair) ? bolting(context, context.repair, shearN) : welding(context, shearN, said);
}

function bolting(context: RepairPicture, repair: BoltedRepair, shearN: number | undefined): Joining {
  const boltShare = shearN === undefined ? undefined : boltFlowShare(context, shearN);
  return {
    lines: [],
    totalWeldMm: 0,
    bolts: boltSets(context),
    ends: boltedEnds(context, repair),
    ...(boltShare !== undefined && { boltShare }),
  };
}

function welding(context: RepairPicture, shearN: number | undefined, said: readonly SeamSaid[]): Joining {
  const flows = shearN === undefined ? undefined : linkFlows(context, shearN);
  const lines = context.pieces.flatMap(({ piece, stations }, k) =>
    marked(piece.id, String.fromCharCode(65 + k), [
      ...edgeLines(context, piece, stations, flows),
      ...endLines(context, piece, stations),
      ...jointLines(context, piece),
      ...plugLine(context, piece, stations),
    ]).map((line) => settled(line, context.repair.id, said)),
  );
  const laid = lines.filter(({ leftOpen }) => leftOpen === undefined);
  return {
    lines,
    bolts: [],
    ends: context.pieces.flatMap(({ piece }) => endDemands(context, piece, lines)),
    totalWeldMm: laid.filter((line) => line.kind === 'fillet').reduce((sum, line) => sum + line.lengthMm, 0),
  };
}

/** Lines with their marks, and keys that stay while their piece, place and order do. */
function marked(pieceId: string, letter: string, bare: readonly BareLine[]): WeldLine[] {
  const seen = new Map<string, number>();
  return bare.map((line, n): WeldLine => {
    const nth = (seen.get(line.place) ?? 0) + 1;
    seen.set(line.place, nth);
    return {
      ...line,
      id: `${letter}${n + 1}`,
      key: `${pieceId} ${line.place} ${nth}`,
      access: 'good',
    };
  });
}
