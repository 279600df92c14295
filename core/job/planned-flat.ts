import { blankOfPiece, type Blank, type FlatFinding, type FlatPattern } from '../shape';
import { brokenRules, type WorkedRepair } from './worked-repair';

/** A blank of the job, and what speaks against cutting it: rules that its repair or work breaks, what the brake would say. */
export interface ToCut {
  readonly blank: Blank;
  /** The repair it is a plate of: there is a sheet to scribe it by. */
  readonly repairId?: string;
  readonly broken: number;
  readonly findings: readonly FlatFinding[];
  /** Its repair is only the engine's proposal: nobody kept it yet. */
  readonly isProposal: boolean;
}

/** A flat of a repair, with what its repair breaks. */
export interface PlannedFlat {
  readonly repairId: string;
  readonly pattern: FlatPattern;
  readonly broken: number;
  readonly isProposal: boolean;
}

export const flatsOf = (repairs: readonly WorkedRepair[]): PlannedFlat[] =>
  repairs.flatMap((worked) =>
    worked.patterns.map((pattern) => ({
      pattern,
      repairId: worked.repair.id,
      broken: brokenRules(worked).length,
      isProposal: worked.isProposal,
    })),
  );

export const toCutOf = ({ pattern, repairId, broken, isProposal }: PlannedFlat): ToCut => ({
  blank: blankOfPiece(pattern),
  repairId,
  broken,
  findings: pattern.findings,
  isProposal,
});
