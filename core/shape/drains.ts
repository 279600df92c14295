import { isClosed, type Member } from '../frame';
import type { MetalPractice, Ways } from '../reference';
import type { DamageZone } from '../weigh';
import { coverage, taperLengthMm, type Piece, type Repair } from './repair';

/** A hole in a cap that lets water out of the rail, and its lip: turned down so far that a drop leaves it, mm (common practice, no source: 1/8 in). */
export interface Drain {
  readonly stationMm: number;
  readonly uMm: number;
  readonly diameterMm: number;
  /** The rail's own floor is gone above it; else it is drilled through that too. */
  readonly isOpenAbove: boolean;
}
export const LIP_MM = 3.2;

/** A pocket longer than this has an outlet in its middle too, mm (ours). */
const LONG_MM = 1200;

type Drained = Pick<MetalPractice, 'drainDiameterMm'> & Partial<Pick<Ways, 'drains'>>;

/** Stretches of a piece above which the rail's floor is cut out: water stands there and nowhere else under the cap. */
export function openedAbove(zones: readonly DamageZone[], repair: Repair, piece: Piece): [number, number][] {
  if (!repair.cutOut) return [];
  return zones
    .map(({ fromMm, toMm }): [number, number] => [
      Math.max(fromMm, piece.startMm),
      Math.min(toMm, piece.endMm),
    ])
    .filter(([fromMm, toMm]) => toMm > fromMm);
}

/**
 * A closed pocket's outlets in its lower cap: where the rail's floor is cut out, at both ends of that stretch, for nobody recorded which way the rail
 * slopes; over metal that stays, inside both ends of the cap's straight part, through the old floor too. An open section holds no water.
 */
export function drainsOf(
  member: Member,
  repair: Repair,
  piece: Piece,
  { practice, zones }: { readonly practice: Drained; readonly zones: readonly DamageZone[] },
): Drain[] {
  if (!isClosed(member.shape) || piece.kind !== 'bottom U' || practice.drains === 'sealed') return [];
  const { drainDiameterMm: diameterMm } = practice;
  const { noseUMm: uMm } = coverage(member.shape, piece);
  const opened = openedAbove(zones, repair, piece);
  const taperMm = taperLengthMm(piece);
  const runs = opened.length > 0 ? opened : [[piece.startMm + taperMm, piece.endMm - taperMm] as const];
  return runs.flatMap(([fromMm, toMm]) =>
    placesIn(fromMm, toMm, diameterMm, opened.length > 0 ? toMm - fromMm : piece.endMm - piece.startMm).map(
      (stationMm) => ({
        stationMm,
        uMm,
        diameterMm,
        isOpenAbove: opened.length > 0,
      }),
    ),
  );
}

/** At both ends of a run, half a diameter of metal beside each, and in its middle where the pocket is long; one alone where there is no room for two. */
function placesIn(fromMm: number, toMm: number, diameterMm: number, pocketMm: number): number[] {
  const [first, last] = [fromMm + diameterMm, toMm - diameterMm];
  if (last - first < 2 * diameterMm) return [(fromMm + toMm) / 2];
  return pocketMm > LONG_MM ? [first, (first + last) / 2, last] : [first, last];
}
