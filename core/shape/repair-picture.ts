import { inchesToMm } from '../quantity';
import { crackExtent } from '../trace';
import type { MemberPicture, SectionKept } from '../weigh';
import { carryingReach } from './development';
import { landingsAt, type EdgeLanding } from './landing';
import { reachOf, turnsOf, type Piece, type Repair } from './repair';
import { memberStates, stateKept } from './states';

export interface PieceStation {
  readonly stationMm: number;
  readonly edges: readonly EdgeLanding[];
}

/** A repair with what follows from it along the rail; the repair rules read only this. */
export interface RepairPicture {
  readonly picture: MemberPicture;
  readonly repair: Repair;
  /** The damage it answers: zones and cracks its pieces lie over. */
  readonly target?: { readonly fromMm: number; readonly toMm: number };
  /** Sections as repaired at the map's columns over the target; over its pieces' whole length where it answers nothing and only reinforces. */
  readonly restored: readonly SectionKept[];
  readonly pieces: readonly {
    readonly piece: Piece;
    readonly stations: readonly PieceStation[];
    readonly carries: { startMm: number; endMm: number };
  }[];
}

export function repairPicture(picture: MemberPicture, repair: Repair): RepairPicture {
  const target = damageUnder(picture, repair);
  const repaired = memberStates(picture, [repair]).find((state) => state.id === 'as repaired');
  const over = target ?? reachOf(repair);
  const columns = columnsOver([...(picture.found?.stationsMm ?? [])], over);
  return {
    picture,
    repair,
    ...(target && { target }),
    restored: repaired
      ? columns
          .map((stationMm) => stateKept(picture, repaired, stationMm))
          .filter((kept) => kept !== undefined)
      : [],
    pieces: repair.pieces.map((piece) => ({
      piece,
      stations: stationsOf(picture, repair, piece),
      carries: carryingReach(picture, repair, piece),
    })),
  };
}

/** Columns of the map over a run; the nearest one where it is a crack's and lies between two. */
function columnsOver(
  stationsMm: readonly number[],
  { fromMm, toMm }: { readonly fromMm: number; readonly toMm: number },
): number[] {
  const within = stationsMm.filter((stationMm) => stationMm >= fromMm && stationMm <= toMm);
  if (within.length > 0 || stationsMm.length === 0) return within;
  const middleMm = (fromMm + toMm) / 2;
  const away = (mm: number) => Math.abs(mm - middleMm);
  return [stationsMm.reduce((near, mm) => (away(mm) < away(near) ? mm : near))];
}

function damageUnder(picture: MemberPicture, repair: Repair): { fromMm: number; toMm: number } | undefined {
  const { fromMm, toMm } = reachOf(repair);
  const under = [...picture.zones, ...picture.cracks.map(crackExtent)].filter(
    (run) => run.fromMm <= toMm && run.toMm >= fromMm,
  );
  if (under.length === 0) return undefined;
  return {
    fromMm: Math.min(...under.map((run) => run.fromMm)),
    toMm: Math.max(...under.map((run) => run.toMm)),
  };
}

/** Looked at every inch, at both ends, and where the tapers end. */
function stationsOf(picture: MemberPicture, repair: Repair, piece: Piece): PieceStation[] {
  const count = Math.max(4, Math.ceil((piece.endMm - piece.startMm) / inchesToMm(1)));
  const even = Array.from(
    { length: count + 1 },
    (_, k) => piece.startMm + ((piece.endMm - piece.startMm) * k) / count,
  );
  const stations = [...new Set([...even, ...turnsOf(piece)])].sort((a, b) => a - b);
  return stations.map((stationMm) => ({ stationMm, edges: landingsAt(picture, repair, piece, stationMm) }));
}

export const extentOf = (stations: readonly PieceStation[]): { fromMm: number; toMm: number } => ({
  fromMm: stations[0]!.stationMm,
  toMm: stations[stations.length - 1]!.stationMm,
});
