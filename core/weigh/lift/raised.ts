import { solveRaised, totalKg, type Frame } from '../../frame';
import type { LoadFactors } from '../../reference';
import { liftsAllWheels, takesPoints, type LiftFacts, type LiftPlan } from '../../walk';
import { preparedDemand, type FrameState, type PreparedDemand } from '../demand';

/** How a frame fares on any plan of raising it: meshed once, solved for each plan. */
export interface PreparedLift {
  readonly facts: (plan: LiftPlan) => LiftFacts;
  /** On the walls as found alone, in half the time. */
  readonly foundFacts: (plan: LiftPlan) => Solved;
}

/** What is known of a frame beside what it is and carries. */
type Known = Omit<FrameState, 'frame' | 'factors'>;

/** `states.found`: as found; `states.least`: with all doubtful, hidden and unseen metal taken away. */
export function preparedLift(
  frame: Frame,
  factors: LoadFactors,
  states: { readonly found: Known; readonly least: Known },
): PreparedLift {
  const found = preparedOn(frame, factors, states.found);
  const least = preparedOn(frame, factors, states.least);
  return {
    foundFacts: found,
    facts: (plan) => {
      const { members, pads, unsolved } = least(plan);
      return {
        ...found(plan),
        loadsKnown: totalKg(frame) > 0,
        least: { members, pads, ...(unsolved !== undefined && { unsolved }) },
      };
    },
  };
}

/** A plan solved on one wall. */
type Solved = Omit<LiftFacts, 'loadsKnown' | 'least'>;

/** In one state: meshed for the frame as loaded, and without what is taken off before where a plan asks for that. */
function preparedOn(frame: Frame, factors: LoadFactors, known: Known): (plan: LiftPlan) => Solved {
  const off = new Set(frame.loads?.takenOff ?? []);
  const items = frame.loads?.items ?? [];
  const loaded = preparedDemand({ frame, factors, ...known });
  const unloaded =
    off.size && frame.loads
      ? preparedDemand({
          frame: { ...frame, loads: { ...frame.loads, items: items.filter((item) => !off.has(item.id)) } },
          factors,
          ...known,
        })
      : loaded;
  return (plan) => solvedFor(plan.unloaded ? unloaded : loaded, plan);
}

function solvedFor({ structure, demandOf }: PreparedDemand, plan: LiftPlan): Solved {
  const down = new Set(plan.wheelsDown);
  const solved = solveRaised(structure, {
    points: takesPoints(plan.way) ? plan.points : [],
    isDown: (wheel) => (takesPoints(plan.way) ? down.has(`${wheel.axle.id} ${wheel.side}`) : true),
    onCoupler: !liftsAllWheels(plan.way) && plan.way !== 'on its legs',
    onLegs: plan.way === 'on its legs',
    slopeAlongDeg: plan.slopeAlongDeg,
    slopeAcrossDeg: plan.slopeAcrossDeg,
  });
  if (!solved.ok) return { supports: [], members: [], pads: [], unsolved: solved.reason };
  const members = demandOf(solved.value);
  return {
    supports: solved.value.cases[0]!.supports,
    members: members.flatMap(({ memberId, lifted }) =>
      lifted ? [{ memberId, stationMm: lifted.stationMm, utilisation: lifted.utilisation }] : [],
    ),
    pads: members.flatMap(({ pads }) =>
      pads.flatMap(({ stand, upN, capacityN }) =>
        stand.on === 'pad' ? [{ pointId: stand.pointId, upN, capacityN }] : [],
      ),
    ),
  };
}
