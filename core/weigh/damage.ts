import { edgeAt, KNOWN, type SoundEdge, type ThicknessMap } from '../probe';
import { isJudged, type SectionKept } from './kept';
import type { Face } from '../frame';

/** A run of stations where the metal is not sound. */
export interface DamageZone {
  readonly fromMm: number;
  readonly toMm: number;
  readonly topFlange: boolean;
  readonly bottomFlange: boolean;
  /** An upright face is unsound somewhere other than up from the bottom corner. */
  readonly side: boolean;
}

export interface ColumnDamage {
  readonly stationMm: number;
  /** Share of each flange's width that is unsound, guesses not counted. */
  readonly topShare: number;
  readonly bottomShare: number;
  /** Highest conservative bound of the sound edge over the uprights, mm above the bottom corner. */
  readonly edgeUpperMm: number;
  readonly weak: boolean;
}

/** An edge bound this low is the corner itself. */
const AT_THE_CORNER_MM = 6;

export function damageByColumn(
  map: ThicknessMap,
  edges: readonly SoundEdge[],
  sections: readonly SectionKept[],
  soundMm: number,
  leaveFraction: number,
): ColumnDamage[] {
  const weakAt = new Set(
    sections
      .filter(
        (s) => isJudged(s) && Math.min(s.kept.modulusTop!.value, s.kept.modulusBottom!.value) < leaveFraction,
      )
      .map((s) => s.stationMm),
  );
  return Array.from(map.stationsMm, (stationMm, column) => ({
    stationMm,
    topShare: unsoundShare(map, column, soundMm, (face) => face.id === 'top'),
    bottomShare: unsoundShare(map, column, soundMm, (face) => face.id === 'bottom'),
    edgeUpperMm: edgeUpper(edges, stationMm),
    weak: weakAt.has(stationMm),
  }));
}

function unsoundShare(
  map: ThicknessMap,
  column: number,
  soundMm: number,
  wanted: (face: Face) => boolean,
): number {
  let unsound = 0,
    all = 0;
  map.surface.rowFace.forEach((face, row) => {
    if (!wanted(face)) return;
    all++;
    const cell = row * map.stationsMm.length + column;
    if (
      map.known[cell] !== KNOWN.guess &&
      map.thicknessMm[cell]! < (soundMm * face.wallMm) / map.surface.shape.thicknessMm
    )
      unsound++;
  });
  return all === 0 ? 0 : unsound / all;
}

function edgeUpper(edges: readonly SoundEdge[], stationMm: number): number {
  const bounds = edges
    .map((edge) => edgeAt(edge, stationMm))
    .filter((at) => at && at.kind !== 'not read further down')
    .map((at) => at!.upperMm);
  return Math.max(0, ...bounds);
}

/** Damage grouped into zones; gaps shorter than `joinMm` are bridged, since their repairs would run into each other. */
export function damageZones(columns: readonly ColumnDamage[], joinMm: number): DamageZone[] {
  const zones: DamageZone[] = [];
  for (const column of columns) {
    const topFlange = column.topShare > 0;
    const bottomFlange = column.bottomShare > 0;
    const side = column.edgeUpperMm > AT_THE_CORNER_MM;
    if (!(topFlange || bottomFlange || side || column.weak)) continue;
    const last = zones[zones.length - 1];
    if (last && column.stationMm - last.toMm <= joinMm) {
      zones[zones.length - 1] = {
        fromMm: last.fromMm,
        toMm: column.stationMm,
        topFlange: last.topFlange || topFlange,
        bottomFlange: last.bottomFlange || bottomFlange,
        side: last.side || side,
      };
    } else {
      zones.push({ fromMm: column.stationMm, toMm: column.stationMm, topFlange, bottomFlange, side });
    }
  }
  return zones;
}
