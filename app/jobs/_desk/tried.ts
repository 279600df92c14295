import { besideRepairs, workRepair, type JobFile, type WorkedRepair } from '@/core/job';
import { memberStates, repairPicture, type MemberState, type Repair } from '@/core/shape';
import type { WorkView } from './work-context';

/** A repair as if it had been kept so, and its member's states with it. */
export interface Tried {
  readonly tried: WorkedRepair;
  readonly states: readonly MemberState[];
}

/** Loaded by whoever drags a repair for the first time: it takes most of what plates, bolts and welds are worked out with. */
export function triedAs({ picture, repairs, letIn }: WorkView, repair: Repair, file: JobFile): Tried {
  const { isProposal = false } = repairs.find((each) => each.repair.id === repair.id) ?? {};
  const beside = besideRepairs(file, picture.member);
  const tried = workRepair(repairPicture(picture, repair), isProposal, file.grossMassKg, beside);
  const shown = repairs.map((each) => (each.repair.id === repair.id ? repair : each.repair));
  return { tried, states: memberStates(picture, shown, letIn) };
}
