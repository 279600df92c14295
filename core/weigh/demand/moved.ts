import type { CaseResult } from '../../mechanics';
import type { CaseId, SolvedFrame } from '../../frame';

export const caseOf = (solved: SolvedFrame, id: CaseId): CaseResult | undefined =>
  solved.cases.find((each) => each.id === id)?.result;
/** How far a node moves along an axis, mm. */
export const moved = (result: CaseResult, node: number, axis: 0 | 1 | 2): number =>
  result.displacements[6 * node + axis]!;
