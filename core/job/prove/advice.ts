import type { CaseId } from '../../frame';
import { FELT_IDS, type Felt } from '../../weigh';
import type { JobDemand, StateDemand } from '../demand';
import type { MemberWork } from '../member';
import type { JobRecords } from '../records';

/** One axle as the unit is loaded, kg: what stands on it, and what is left to its rating (over it, below nothing). */
export interface AxleMargin {
  readonly name: string;
  readonly loadKg: number;
  /** Absent where nobody said what it is rated for. */
  readonly ratingKg?: number;
  readonly marginKg?: number;
}

/** What keeps a frame whole, as this one was worked out. Only the road counts: nobody drives on a lift. */
export interface Advice {
  readonly state: 'as repaired' | 'as found';
  readonly axles: readonly AxleMargin[];
  /** Gross mass less what stands on its wheels and its coupler, kg. */
  readonly grossMarginKg?: number;
  /** Where the road asks most of it, in which case, and how many times as hard that case may be before it is at its limit. */
  readonly first?: {
    readonly memberId: string;
    readonly stationMm: number;
    readonly caseId: CaseId;
    readonly reserve: number;
  };
}

/** Whether everything that the repaired frame was worked out with was kept by somebody: the engine's proposals are in it too, and nobody decided them. */
export const isAllKept = (works: readonly Pick<MemberWork, 'repairs'>[]): boolean =>
  works.every(({ repairs }) => repairs.every(({ isProposal }) => !isProposal));

/**
 * Undefined where the frame was not solved on its wheels, loaded: nothing is known of the road then. While a proposal is among its repairs it is told as it
 * was found.
 */
export function adviceOf(
  { grossMassKg }: Pick<JobRecords, 'grossMassKg'>,
  demand: JobDemand,
  isKept: boolean,
): Advice | undefined {
  const state = isKept && demand['as repaired'] ? 'as repaired' : 'as found';
  const solved = demand[state];
  if (!solved?.isDriven) return undefined;
  const first = askedMost(solved);
  return {
    state,
    axles: axlesOf(solved),
    ...(grossMassKg !== undefined && { grossMarginKg: grossMassKg - standingKg(solved) }),
    ...(first && { first }),
  };
}

const standingKg = ({ wheels, couplerKg = 0 }: StateDemand): number =>
  wheels.reduce((sum, { loadKg }) => sum + loadKg, couplerKg);

function axlesOf({ wheels }: StateDemand): AxleMargin[] {
  return [...new Set(wheels.map(({ axleId }) => axleId))].map((id) => {
    const own = wheels.filter(({ axleId }) => axleId === id);
    const loadKg = own.reduce((sum, wheel) => sum + wheel.loadKg, 0);
    const rated = own.map(({ ratingKg }) => ratingKg);
    const ratingKg = rated.every((each) => each !== undefined)
      ? rated.reduce((sum: number, each) => sum + each!, 0)
      : undefined;
    return {
      name: own[0]!.axleName,
      loadKg,
      ...(ratingKg !== undefined && { ratingKg, marginKg: ratingKg - loadKg }),
    };
  });
}

function askedMost({ members }: StateDemand): Advice['first'] {
  const worst = members.flatMap(({ memberId, worst: at }) => (at ? [{ memberId, ...at }] : []));
  const [first] = worst.sort((a, b) => b.utilisation - a.utilisation);
  if (!first || !(first.utilisation > 0)) return undefined;
  const { memberId, stationMm, caseId, utilisation } = first;
  return { memberId, stationMm, caseId, reserve: 1 / utilisation };
}

/** What the frame model expects a repair to change of what one feels. */
export interface ExpectedFelt {
  readonly id: Felt['id'];
  readonly quantity: Felt['quantity'];
  readonly found: number;
  readonly repaired: number;
  /** Repaired over found; absent where it did not move as found. */
  readonly ratio?: number;
}

/** What one would feel, as found and as repaired, by the frame model; nothing where either was not solved, or a proposal is among the repairs. */
export function expectedFelt(demand: JobDemand, isKept: boolean): ExpectedFelt[] {
  if (!isKept) return [];
  const [found, repaired] = [demand['as found'], demand['as repaired']];
  return FELT_IDS.flatMap((id): ExpectedFelt[] => {
    const [was, is] = [found, repaired].map((state) => state?.felt.find((each) => each.id === id));
    if (!was || !is) return [];
    return [
      {
        id,
        quantity: was.quantity,
        found: was.value,
        repaired: is.value,
        ...(was.value > 0 && { ratio: is.value / was.value }),
      },
    ];
  });
}
