import { isLifted, isRaised, type SolvedFrame } from '../../frame';
import type { LoadFactors } from '../../reference';
import type { Cut } from './cut';
import type { StationDemand } from './demand';
import { peakOf, swungOf } from './fibres';

/** The one used most of what it may carry. */
export const most = (all: readonly StationDemand[]): StationDemand | undefined =>
  all.reduce<StationDemand | undefined>(
    (worst, here) => (!worst || here.utilisation > worst.utilisation ? here : worst),
    undefined,
  );

/** An element's worst in use, and its worst raised. */
export function elementDemand(
  cut: Cut,
  { element, stationMm }: { readonly element: number; readonly stationMm: number },
  solved: SolvedFrame,
  { factors, gradients }: { readonly factors: LoadFactors; readonly gradients: readonly number[] },
): { used?: StationDemand; lifted?: StationDemand } {
  const used: StationDemand[] = [],
    lifted: StationDemand[] = [];
  let rangeMpa = 0;
  const standing = solved.cases.find(({ id }) => id === 'standing');
  for (const [k, { id, result, kept }] of solved.cases.entries()) {
    const at = kept[element]!;
    if (at < 0) continue;
    const share = isLifted(id) ? factors.liftAllowable : factors.roadAllowable;
    for (const end of ['from', 'to'] as const) {
      const level =
        standing && standing.kept[element]! >= 0 && standing.result[end][standing.kept[element]!]!;
      const forces = result[end][at]!;
      const { greatestMpa, ...peak } =
        id === 'one wheel in a ditch' && level
          ? swungOf(cut, forces, level)
          : peakOf(cut, forces, { share, gradient: gradients[k]! });
      // ±0.5 g about standing: the range is the standing stress itself.
      if (id === 'standing') rangeMpa = Math.max(rangeMpa, greatestMpa);
      (isRaised(id) ? lifted : used).push({ stationMm, caseId: id, ...peak, rangeMpa: 0 });
    }
  }
  const [road, raised] = [most(used), most(lifted)];
  return { ...(road && { used: { ...road, rangeMpa } }), ...(raised && { lifted: raised }) };
}
