import { edgeAt, KNOWN, soundThresholdMm, type SoundEdge } from '../probe';
import { cellIs, type MetalAccount } from '../metal';
import { isJudged, type SectionKept } from './kept';
import type { Face } from '../frame';
import type { Practice } from '../reference';

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
  /** Somebody read, struck, felt or saw it here: what lies between two readings makes no damage by itself. */
  readonly direct: boolean;
  readonly topDirect: boolean;
  /** Some of the top flange is gone or unsound by hand here. */
  readonly topGone: boolean;
  /** An upright face is found gone here by hand. */
  readonly sideGone: boolean;
  /** Highest conservative bound of the sound edge over the uprights, mm above the bottom corner. */
  readonly edgeUpperMm: number;
  readonly weak: boolean;
}

/** An edge bound this low is the corner itself. */
const AT_THE_CORNER_MM = 6;

export function damageByColumn(
  account: MetalAccount,
  edges: readonly SoundEdge[],
  sections: readonly SectionKept[],
  practice: Pick<Practice, 'soundFraction' | 'leaveFraction'>,
): ColumnDamage[] {
  const weakAt = new Set(
    sections
      .filter(
        (s) =>
          isJudged(s) &&
          Math.min(s.kept.modulusTop!.value, s.kept.modulusBottom!.value) < practice.leaveFraction,
      )
      .map((s) => s.stationMm),
  );
  const isUnsound = unsoundBy(account, practice);
  return Array.from(account.stationsMm, (stationMm, column) => {
    const top = shareOf(account, column, isUnsound, (face) => face.id === 'top');
    const bottom = shareOf(account, column, isUnsound, (face) => face.id === 'bottom');
    const side = shareOf(account, column, isUnsound, (face) => face.upright);
    return {
      stationMm,
      topShare: top.share,
      bottomShare: bottom.share,
      topDirect: top.direct,
      topGone: top.gone,
      direct: top.direct || bottom.direct || side.direct,
      sideGone: side.gone,
      edgeUpperMm: edgeUpper(edges, stationMm),
      weak: weakAt.has(stationMm),
    };
  });
}

/** Gone, or read and thinner than sound: never by a guess. A crack is no lost metal here; it has a rule of its own. */
function unsoundBy(account: MetalAccount, practice: Pick<Practice, 'soundFraction'>) {
  const { rowFace } = account.surface;
  return (row: number, column: number): 'not' | 'between' | 'direct' | 'gone' => {
    const is = cellIs(account, row, column);
    if (is === 'gone' || is === 'unsound') return 'gone';
    const thin =
      account.best.thicknessMm[row * account.stationsMm.length + column]! <
      soundThresholdMm(rowFace[row]!.wallMm, practice);
    if (!thin || !isRead(account, row, column)) return 'not';
    return is === 'measured' ? 'direct' : 'between';
  };
}

/** Near a reading, whatever else was said of it. */
const isRead = ({ best, stationsMm }: MetalAccount, row: number, column: number): boolean =>
  best.known[row * stationsMm.length + column] !== KNOWN.guess;

function shareOf(
  { surface }: MetalAccount,
  column: number,
  isUnsound: ReturnType<typeof unsoundBy>,
  wanted: (face: Face) => boolean,
): { share: number; direct: boolean; gone: boolean } {
  let [unsound, all] = [0, 0];
  let [direct, gone] = [false, false];
  surface.rowFace.forEach((face, row) => {
    if (!wanted(face)) return;
    all++;
    const is = isUnsound(row, column);
    if (is !== 'not') unsound++;
    gone ||= is === 'gone';
    direct ||= is === 'direct' || is === 'gone';
  });
  return { share: all === 0 ? 0 : unsound / all, direct, gone };
}

function edgeUpper(edges: readonly SoundEdge[], stationMm: number): number {
  const bounds = edges
    .map((edge) => edgeAt(edge, stationMm))
    .filter((at) => at && at.kind !== 'not read further down')
    .map((at) => at!.upperMm);
  return Math.max(0, ...bounds);
}

/**
 * Damage grouped into zones; gaps shorter than `joinMm` are bridged, since their repairs would run into each other. A run that nobody read,
 * struck or felt anywhere, only lying between readings, is none: it asks for a reading.
 */
export function damageZones(columns: readonly ColumnDamage[], joinMm: number): DamageZone[] {
  const runs: (DamageZone & { direct: boolean })[] = [];
  for (const column of columns) {
    const here = {
      topFlange: column.topShare > 0,
      bottomFlange: column.bottomShare > 0,
      side: column.sideGone || column.edgeUpperMm > AT_THE_CORNER_MM,
      direct: column.direct || column.edgeUpperMm > AT_THE_CORNER_MM,
    };
    if (!(here.topFlange || here.bottomFlange || here.side || column.weak)) continue;
    const last = runs[runs.length - 1];
    if (!last || column.stationMm - last.toMm > joinMm)
      runs.push({ fromMm: column.stationMm, toMm: column.stationMm, ...here });
    else
      runs[runs.length - 1] = {
        fromMm: last.fromMm,
        toMm: column.stationMm,
        topFlange: last.topFlange || here.topFlange,
        bottomFlange: last.bottomFlange || here.bottomFlange,
        side: last.side || here.side,
        direct: last.direct || here.direct,
      };
  }
  return runs.filter(({ direct }) => direct).map(({ direct: _, ...zone }) => zone);
}
