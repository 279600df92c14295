import { solveRaised, totalKg, type Frame } from '../frame';
import type { LoadFactors } from '../reference';
import { liftsAllWheels, takesPoints, type LiftFacts, type LiftPlan } from '../walk';
import { preparedDemand, type WallAt } from './demand';

/** How a frame fares on any plan of raising it: meshed once, solved for each plan. */
export interface PreparedLift {
  readonly facts: (plan: LiftPlan) => LiftFacts;
}

/** `isMeasured`: whether a member's sections rest on readings; else they are as built. */
export function preparedLift(
  frame: Frame,
  factors: LoadFactors,
  wallAt: WallAt,
  isMeasured: (memberId: string) => boolean,
): PreparedLift {
  const prepare = (loads: Frame['loads']) =>
    preparedDemand(loads ? { ...frame, loads } : frame, factors, wallAt);
  const loaded = prepare(frame.loads);
  const off = new Set(frame.loads?.takenOff ?? []);
  const unloaded =
    off.size && frame.loads
      ? prepare({ ...frame.loads, items: frame.loads.items.filter((item) => !off.has(item.id)) })
      : loaded;
  return {
    facts: (plan) => {
      const { structure, demandOf } = plan.unloaded ? unloaded : loaded;
      const down = new Set(plan.wheelsDown);
      const solved = solveRaised(structure, {
        points: takesPoints(plan.way) ? plan.points : [],
        isDown: (wheel) => (takesPoints(plan.way) ? down.has(`${wheel.axle.id} ${wheel.side}`) : true),
        onCoupler: !liftsAllWheels(plan.way) && plan.way !== 'on its legs',
        onLegs: plan.way === 'on its legs',
        slopeAlongDeg: plan.slopeAlongDeg,
        slopeAcrossDeg: plan.slopeAcrossDeg,
      });
      const loadsKnown = totalKg(frame) > 0;
      if (!solved.ok) return { supports: [], members: [], pads: [], loadsKnown, unsolved: solved.reason };
      const members = demandOf(solved.value);
      return {
        loadsKnown,
        supports: solved.value.cases[0]!.supports,
        members: members.flatMap(({ memberId, lifted }) =>
          lifted
            ? [
                {
                  memberId,
                  stationMm: lifted.stationMm,
                  utilisation: lifted.utilisation,
                  measured: isMeasured(memberId),
                },
              ]
            : [],
        ),
        pads: members.flatMap(({ pads }) =>
          pads.flatMap(({ stand, upN, capacityN }) =>
            stand.on === 'pad' ? [{ pointId: stand.pointId, upN, capacityN }] : [],
          ),
        ),
      };
    },
  };
}
