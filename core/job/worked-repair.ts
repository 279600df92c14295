import type { SectionKept } from '../weigh';
import type { Clash, FlatPattern, Repair, RepairFinding, RepairPicture, Unchecked } from '../shape';
import type { JoinFinding, Joining } from '../join';

/** A repair worked right through: what it restores, which rules it breaks, its flat patterns and its welds. */
export interface WorkedRepair {
  readonly repair: Repair;
  readonly isProposal: boolean;
  readonly target?: { readonly fromMm: number; readonly toMm: number };
  readonly restored: readonly SectionKept[];
  /** Each piece looked at along its length: where its edges land. */
  readonly pieces: RepairPicture['pieces'];
  readonly findings: readonly RepairFinding[];
  /** What no rule could look at. */
  readonly unchecked: readonly Unchecked[];
  /** What its plates meet, piece by piece. */
  readonly clashes: readonly (Clash & { readonly pieceId: string })[];
  /** What speaks against offering it at all. */
  readonly against: readonly (RepairFinding | JoinFinding)[];
  readonly patterns: readonly FlatPattern[];
  readonly joined: Joining;
  readonly joinFindings: readonly JoinFinding[];
}

/** Rules of plate and weld that a repair breaks: it is not to be cut or welded like that. */
export const brokenRules = ({
  findings,
  joinFindings,
}: WorkedRepair): readonly (RepairFinding | JoinFinding)[] => [
  ...findings.filter(({ weight }) => weight === 'broken'),
  ...joinFindings.filter(({ weight }) => weight === 'broken'),
];
