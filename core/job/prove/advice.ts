import { hostOf, isEnclosing, type CaseId } from '../../frame';
import { STANDARD_GRAVITY } from '../../quantity';
import { FELT_IDS, type Felt } from '../../weigh';
import type { JobDemand, StateDemand } from '../demand';
import type { MemberWork } from '../member';
import { stands, type JobRecords } from '../records';

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
  /** Every case there is, the hardest first. */
  readonly cases: readonly AskedCase[];
  /** What it was reckoned with: how many g over a bump. */
  readonly bumpG: number;
  /** The hanger that reaches lowest, where any does. */
  readonly levered?: Levered;
  /** Members that close a space in, by name, and pockets whose drain was last found blocked. */
  readonly closedIn: readonly string[];
  readonly blocked: readonly string[];
}

/** Where one case asks most of the frame, and how many times as hard that case may be before it is at its limit there. */
export interface AskedCase {
  readonly memberId: string;
  readonly stationMm: number;
  readonly caseId: CaseId;
  readonly reserve: number;
}

/** A hanger as a lever: what a wheel's push sideways, shared with the other hanger of its spring, turns about the middle of the rail, N·m. */
export interface Levered {
  readonly name: string;
  readonly dropMm: number;
  readonly inCase: 'tandem scrub' | 'corner';
  readonly momentNm: number;
}

/** Whether everything that the repaired frame was worked out with was kept by somebody: the engine's proposals are in it too, and nobody decided them. */
export const isAllKept = (works: readonly Pick<MemberWork, 'repairs'>[]): boolean =>
  works.every(({ repairs }) => repairs.every(({ isProposal }) => !isProposal));

/**
 * Undefined where the frame was not solved on its wheels, loaded: nothing is known of the road then. While a proposal is among its repairs it is told as it
 * was found.
 */
export function adviceOf(
  records: Pick<JobRecords, 'grossMassKg' | 'frame' | 'practice' | 'evidence' | 'strikes'>,
  demand: JobDemand,
  isKept: boolean,
): Advice | undefined {
  const state = isKept && demand['as repaired'] ? 'as repaired' : 'as found';
  const solved = demand[state];
  if (!solved?.isDriven) return undefined;
  const { grossMassKg, frame, practice } = records;
  const cases = askedCases(solved);
  const levered = leveredIn(records, solved, cases);
  return {
    state,
    axles: axlesOf(solved),
    ...(grossMassKg !== undefined && { grossMarginKg: grossMassKg - standingKg(solved) }),
    cases,
    bumpG: practice.loadFactors.bumpG,
    ...(levered && { levered }),
    closedIn: frame.members.filter(({ shape }) => isEnclosing(shape)).map(({ name }) => name),
    blocked: blockedDrains(records),
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

function askedCases({ members }: StateDemand): AskedCase[] {
  const hardest = new Map<CaseId, AskedCase>();
  for (const { memberId, byCase } of members)
    for (const { stationMm, caseId, utilisation } of byCase) {
      const asked = { memberId, stationMm, caseId, reserve: 1 / utilisation };
      if (utilisation > 0 && asked.reserve < (hardest.get(caseId)?.reserve ?? Infinity))
        hardest.set(caseId, asked);
    }
  return [...hardest.values()].sort((a, b) => a.reserve - b.reserve);
}

/** Springs hang from two hangers, which share what pushes their wheel sideways. */
const HANGERS_OF_A_SPRING = 2;
function leveredIn(
  { frame, practice }: Pick<JobRecords, 'frame' | 'practice'>,
  { wheels }: StateDemand,
  cases: readonly AskedCase[],
): Levered | undefined {
  const [lowest] = frame.fittings
    .filter(({ kind, dropMm }) => kind === 'spring hanger' && dropMm !== undefined && dropMm > 0)
    .sort((a, b) => b.dropMm! - a.dropMm!);
  if (!lowest || wheels.length === 0) return undefined;
  const { scrubShare, cornerG } = practice.loadFactors;
  const inCase =
    cases.some(({ caseId }) => caseId === 'tandem scrub') && scrubShare > cornerG ? 'tandem scrub' : 'corner';
  const sideN =
    (inCase === 'corner' ? cornerG : scrubShare) *
    Math.max(...wheels.map(({ loadKg }) => loadKg)) *
    STANDARD_GRAVITY;
  const { name, dropMm } = lowest;
  return {
    name,
    dropMm: dropMm!,
    inCase,
    momentNm: ((sideN / HANGERS_OF_A_SPRING) * dropMm!) / 1000,
  };
}

/** Pockets whose drain was last found blocked. */
function blockedDrains(records: Pick<JobRecords, 'frame' | 'evidence' | 'strikes'>): string[] {
  const last = new Map(
    stands(records, 'find')
      .filter(({ on, part }) => on === 'pocket' && part === 'drain')
      .sort((a, b) => a.at.localeCompare(b.at))
      .map(({ hostId, state: { is } }) => [hostId, is]),
  );
  return [...last].flatMap(([id, is]) => {
    const pocket = hostOf(records.frame, 'pocket', id);
    return is === 'blocked' && pocket ? [pocket.name] : [];
  });
}

/** What the frame model expects a repair to change of what one feels. */
export interface ExpectedFelt {
  readonly id: Felt['id'];
  readonly quantity: Felt['quantity'];
  readonly found: number;
  readonly repaired: number;
  /** Repaired over found; absent where it did not move as found. */
  readonly ratio?: number;
  /** The same where all that is doubtful of the metal as found is taken for gone: how much better it may become. */
  readonly ratioAtLeast?: number;
}

/** What one would feel, as found and as repaired, by the frame model; nothing where either was not solved, or a proposal is among the repairs. */
export function expectedFelt(demand: JobDemand, isKept: boolean): ExpectedFelt[] {
  if (!isKept) return [];
  const [found, repaired, least] = [demand['as found'], demand['as repaired'], demand.least];
  return FELT_IDS.flatMap((id): ExpectedFelt[] => {
    const [was, is] = [found, repaired].map((state) => state?.felt.find((each) => each.id === id));
    if (!was || !is) return [];
    const worst = least?.felt.find((each) => each.id === id);
    return [
      {
        id,
        quantity: was.quantity,
        found: was.value,
        repaired: is.value,
        ...(was.value > 0 && { ratio: is.value / was.value }),
        // Doubt only ever makes it give more.
        ...(worst && worst.value > was.value && { ratioAtLeast: is.value / worst.value }),
      },
    ];
  });
}
