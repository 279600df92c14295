import type { Frame } from '../frame';
import type { Fitting } from '../fitting';

/** Where lift arms and a jack are put. */
export interface LiftPoints {
  readonly liftMm: readonly number[];
  readonly jackMm: number;
  readonly jackSide: 'left' | 'right';
}

export const sideOf = (mark: Fitting): 'left' | 'right' => (mark.side === 'right' ? 'right' : 'left');

/**
 * Lift arms on the recorded lift points, else a fifth of the length in from both ends. The jack where it is recorded; else at the last lift point, the
 * spring hanger ahead of the last axle, or a foot ahead of that axle, on the right.
 */
export function defaultLiftPoints(frame: Frame): LiftPoints {
  const stationsOf = (kind: Fitting['kind']) =>
    frame.fittings.filter((mark) => mark.kind === kind).map((mark) => mark.stationMm);
  const recorded = stationsOf('lift point');
  const rails = frame.members.filter((member) => member.role === 'rail' && member.side === 'left');
  const from = Math.min(...rails.map((rail) => rail.startMm ?? 0));
  const length = frame.lengthMm - from;
  const lastAxle = Math.max(...stationsOf('axle'), from + 0.7 * length);
  const jack = frame.fittings.find((mark) => mark.kind === 'jack');
  const hangers = stationsOf('spring hanger').filter(
    (mm) => mm < lastAxle && mm > lastAxle - HANGER_AHEAD_MM,
  );
  return {
    liftMm: recorded.length >= 2 ? recorded : [from + 0.22 * length, from + 0.78 * length],
    jackMm:
      jack?.stationMm ??
      (recorded.length || hangers.length
        ? Math.max(...(recorded.length ? recorded : hangers))
        : Math.max(from, lastAxle - JACK_AHEAD_MM)),
    jackSide: jack ? sideOf(jack) : 'right',
  };
}
const HANGER_AHEAD_MM = 1000;
const JACK_AHEAD_MM = 300;
