import { takesPoints, type LiftPlan, type LiftReason } from '../../walk';

export const INSTEAD = [
  'more points',
  'by the axles',
  'cribbing under hangers',
  'on tracks or ramps',
  'unload first',
  'level ground first',
  'see first',
] as const;
export type Instead = (typeof INSTEAD)[number];

/** What to carry it by instead, from why the plan was refused. */
export function insteadOf(plan: LiftPlan, reasons: readonly LiftReason[]): Instead[] {
  const has = (...codes: readonly LiftReason['code'][]) =>
    reasons.some((reason) => codes.includes(reason.code) && reason.weight !== 'note');
  return [
    ...(has('unseen under', 'hidden under', 'doubtful under', 'decided by') ? ['see first' as const] : []),
    ...(has('demand over', 'carries nothing', 'web crushes', 'rating over', 'hoist over')
      ? ['more points' as const, ...(plan.unloaded ? [] : ['unload first' as const])]
      : []),
    ...(has(
      'demand over',
      'carries nothing',
      'crack on what it loads',
      'crack near',
      'through near',
      'failed near',
      'thin near',
    ) && takesPoints(plan.way)
      ? ['by the axles' as const, 'on tracks or ramps' as const]
      : []),
    ...(has('failed near', 'through near', 'thin near', 'web crushes')
      ? ['cribbing under hangers' as const]
      : []),
    ...(has('slides', 'tips') ? ['level ground first' as const] : []),
  ];
}

export type LiftStep =
  | { readonly does: 'chock'; readonly wheels: readonly string[] }
  | { readonly does: 'unload' }
  | {
      readonly does: 'raise';
      readonly points: readonly string[];
      readonly axle?: string;
      readonly massKg?: number;
    }
  | { readonly does: 'stand'; readonly points: readonly string[] }
  | { readonly does: 'spring'; readonly axle: string }
  | { readonly does: 'pin'; readonly axle: string }
  | { readonly does: 'look again'; readonly members: readonly string[] };

/**
 * The order for taking weight off the springs: an axle at a time, the lighter first, both its sides rising evenly; a second support under
 * each spring before its pin is touched (common practice, no source). `axleLoadsKg` from the standing case.
 */
export function liftSteps(
  plan: LiftPlan,
  axles: readonly {
    readonly id: string;
    readonly name: string;
    readonly stationMm: number;
    readonly loadKg: number;
  }[],
  loadedMembers: readonly string[],
): LiftStep[] {
  const down = (id: string) => plan.wheelsDown.some((wheel) => wheel.startsWith(`${id} `));
  const raised = axles
    .filter((axle) => !down(axle.id) || plan.way === 'jack')
    .filter((axle) => plan.way !== 'jack' || axle === nearestAxle(axles, plan))
    .sort((a, b) => a.loadKg - b.loadKg);
  const stays = axles.filter((axle) => !raised.includes(axle));
  const pointsBy = (stationMm: number) =>
    plan.points
      .filter((point) =>
        raised.every(
          (axle) => Math.abs(axle.stationMm - point.stationMm) >= Math.abs(stationMm - point.stationMm),
        ),
      )
      .map((point) => point.id);
  return [
    ...(plan.unloaded ? [{ does: 'unload' as const }] : []),
    ...(stays.length && takesPoints(plan.way)
      ? [{ does: 'chock' as const, wheels: stays.map((axle) => axle.name) }]
      : []),
    ...(takesPoints(plan.way)
      ? raised.flatMap((axle): LiftStep[] => {
          const points = pointsBy(axle.stationMm);
          return [
            {
              does: 'raise',
              points: points.length ? points : plan.points.map((point) => point.id),
              axle: axle.name,
              massKg: axle.loadKg,
            },
            ...(plan.way === 'jack' ? [{ does: 'stand' as const, points }] : []),
            { does: 'spring', axle: axle.name },
            { does: 'pin', axle: axle.name },
          ];
        })
      : [{ does: 'raise' as const, points: [] }]),
    { does: 'look again', members: loadedMembers },
  ];
}

const nearestAxle = <Axle extends { stationMm: number }>(
  axles: readonly Axle[],
  { points }: LiftPlan,
): Axle | undefined =>
  points[0] &&
  [...axles].sort(
    (a, b) => Math.abs(a.stationMm - points[0]!.stationMm) - Math.abs(b.stationMm - points[0]!.stationMm),
  )[0];
