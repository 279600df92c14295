import { axlesOf, defaultLiftPoints, type Frame } from '../frame';
import { takesPoints, type LiftPlan, type LiftPoint, type LiftWay } from './lift';

/** Wheels of a frame by the name a plan knows them by. */
export const wheelsOf = (frame: Frame): { id: string; name: string }[] =>
  axlesOf(frame).flatMap((axle) =>
    (['left', 'right'] as const)
      .filter((side) => axle.side === 'both' || axle.side === side)
      .map((side) => ({ id: `${axle.id} ${side}`, name: `${axle.name}, ${side}` })),
  );

/** Where a way of lifting usually takes a frame: its own lift points, else a fifth in; the jack ahead of the last axle; all wheels down but the one it lifts. */
export function usualLift(frame: Frame, way: LiftWay): LiftPlan {
  return {
    way,
    points: usualPoints(frame, way),
    wheelsDown: way === 'jack' ? allButTheJacked(frame) : [],
    unloaded: false,
    slopeAlongDeg: 0,
    slopeAcrossDeg: 0,
  };
}

function usualPoints(frame: Frame, way: LiftWay): LiftPoint[] {
  const usual = defaultLiftPoints(frame);
  if (way === 'jack') return [{ id: 'jack', side: usual.jackSide, stationMm: usual.jackMm }];
  if (!takesPoints(way)) return [];
  const ends = [
    ['front', Math.min(...usual.liftMm)],
    ['rear', Math.max(...usual.liftMm)],
  ] as const;
  return ends.flatMap(([end, stationMm]) =>
    (['left', 'right'] as const).map((side) => ({ id: `${end} ${side}`, side, stationMm })),
  );
}

function allButTheJacked(frame: Frame): string[] {
  const { jackMm, jackSide } = defaultLiftPoints(frame);
  const [lifted] = [...axlesOf(frame)].sort(
    (a, b) => Math.abs(a.stationMm - jackMm) - Math.abs(b.stationMm - jackMm),
  );
  return wheelsOf(frame)
    .map(({ id }) => id)
    .filter((id) => id !== `${lifted?.id} ${jackSide}`);
}
