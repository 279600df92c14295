import { isLifted, isRaised, type SolvedFrame } from '../../frame';
import type { LoadFactors } from '../../reference';
import type { Cut } from './cut';
import type { StationDemand } from './demand';
import { peakOf, swungOf } from './fibres';
import type { EndForces } from '../../mechanics';
import { lockedIn } from './locked-in';
import { besideSlot, shearOf, type Limit } from './shear';

/** The one used most of what it may carry. */
export const most = (all: readonly StationDemand[]): StationDemand | undefined =>
  all.reduce<StationDemand | undefined>(
    (worst, here) => (!worst || here.utilisation > worst.utilisation ? here : worst),
    undefined,
  );

/** The one used most in each case. */
export const mostOfEach = (all: readonly StationDemand[]): StationDemand[] =>
  [...new Set(all.map(({ caseId }) => caseId))].map((id) => most(all.filter(({ caseId }) => caseId === id))!);

/** What an element is asked: its worst in use, and its worst raised. */
interface ElementDemand {
  readonly used?: StationDemand;
  /** Every case it is used in, each at its worst. */
  readonly byCase: readonly StationDemand[];
  readonly lifted?: StationDemand;
}

/** The worst of several; the range of stress is the greatest of theirs. */
export function worstOf(asks: readonly ElementDemand[]): ElementDemand {
  const used = most(asks.flatMap((each) => each.used ?? []));
  const lifted = most(asks.flatMap((each) => each.lifted ?? []));
  const rangeMpa = Math.max(0, ...asks.map((each) => each.used?.rangeMpa ?? 0));
  const byCase = mostOfEach(asks.flatMap((each) => each.byCase));
  const locked = asks.find((each) => each.used?.lockedIn !== undefined)?.used?.lockedIn;
  return {
    byCase,
    ...(used && { used: { ...used, rangeMpa, ...(locked !== undefined && { lockedIn: locked }) } }),
    ...(lifted && { lifted }),
  };
}

/** How an element is looked at: by which limits, how the moment changes along its member in each case, and what it was before it was plated. */
interface Looked {
  readonly factors: LoadFactors;
  readonly gradients: readonly number[];
  readonly before?: { readonly cut: Cut; readonly from: EndForces; readonly to: EndForces };
}

/** An element's worst in use, and its worst raised: of each case the worse of its ends. */
export function elementDemand(
  cut: Cut,
  { element, stationMm }: { readonly element: number; readonly stationMm: number },
  solved: SolvedFrame,
  { factors, gradients, before }: Looked,
): ElementDemand {
  const used: StationDemand[] = [],
    lifted: StationDemand[] = [];
  let [rangeMpa, locked] = [0, 0];
  const standing = solved.cases.find(({ id, kept }) => id === 'standing' && kept[element]! >= 0);
  for (let k = 0; k < solved.cases.length; k++) {
    const { id, result, kept } = solved.cases[k]!;
    const at = kept[element]!;
    if (at < 0) continue;
    const share = isLifted(id) ? factors.liftAllowable : factors.roadAllowable;
    let worse: Limit | undefined;
    for (const end of ENDS) {
      const level = standing?.result[end][standing.kept[element]!];
      const isDitch = id === 'one wheel in a ditch';
      const asked = { forces: result[end][at]!, share, gradient: gradients[k]! };
      const { greatestMpa, peak } = endDemand(cut, asked, isDitch ? level : undefined);
      if (!worse || peak.utilisation > worse.utilisation) worse = peak;
      // ±0.5 g about standing: the range is the standing stress itself.
      if (id === 'standing') rangeMpa = Math.max(rangeMpa, greatestMpa);
      if (before && level && !isLifted(id) && !isDitch)
        locked = Math.max(
          locked,
          lockedIn(
            { cut: before.cut, standing: before[end] },
            cut,
            { forces: asked.forces, standing: level },
            share,
          ),
        );
    }
    (isRaised(id) ? lifted : used).push({ stationMm, caseId: id, ...worse!, rangeMpa: 0 });
  }
  const [road, raised] = [most(used), most(lifted)];
  return {
    byCase: used,
    ...(road && { used: { ...road, rangeMpa, ...(before && { lockedIn: locked }) } }),
    ...(raised && { lifted: raised }),
  };
}
const ENDS = ['from', 'to'] as const;

/** What an end is asked most of: its fibres, its upright walls, what stands beside a slot. Where it swings from `level`, it is the swing that counts. */
function endDemand(
  cut: Cut,
  {
    forces,
    share,
    gradient,
  }: { readonly forces: EndForces; readonly share: number; readonly gradient: number },
  level: EndForces | undefined,
): { readonly greatestMpa: number; readonly peak: Limit } {
  if (level) return swungOf(cut, forces, level);
  const { greatestMpa, peak: fibre } = peakOf(cut, forces, { share, gradient });
  const [shear, slot] = [shearOf(cut, forces, share), besideSlot(cut, forces, greatestMpa, share)];
  let peak: Limit = fibre;
  if (shear && shear.utilisation > peak.utilisation) peak = shear;
  if (slot && slot.utilisation > peak.utilisation) peak = slot;
  return { greatestMpa, peak };
}
