import { prepareFrame } from '../../mechanics';
import type { Frame } from '../frame';
import type { FrameStand } from '../loads';
import type { StandSupport } from '../stand';
import { standingModel } from '../standing-model';
import { type Structure } from '../structure';
import { heldByFriction } from './by-friction';
import { gravityLoads, sprungMassKg } from './gravity';
import { heldSquare } from './held-square';
import { laidOnKept } from './kept-lines';
import { defaultLiftPoints } from './lift-points';
import { padUnder } from './pads';
import { supportForces } from './solve';
import type { SolvedFrame, UnsolvedCase } from './solved';

/** Cut open or tacked, a frame stands still: its weight, and a fifth more for what is leant on it and for knocks (common practice, no source). */
export const ON_STANDS_G = 1.2;

/** Four stands to start from, where a lift would hold it. */
export const usualStands = (frame: Frame): FrameStand[] => {
  const { liftMm } = defaultLiftPoints(frame);
  return [Math.min(...liftMm), Math.max(...liftMm)].flatMap((mm) =>
    (['left', 'right'] as const).map((side) => ({
      id: `stand ${side} ${Math.round(mm)}`,
      side,
      stationMm: Math.round(mm),
    })),
  );
};

/**
 * The frame on its stands alone, whatever it hangs together with by now. A stand carries and does not pull: one that would is let go, and the frame
 * solved again on the others; on fewer than three it tips.
 */
export function solveOnStands(structure: Structure, stands: readonly FrameStand[]): SolvedFrame {
  const none = (why: UnsolvedCase['why']): SolvedFrame => ({
    cases: [],
    unsolved: [{ id: 'on stands', why }],
    problems: structure.problems,
    wheels: [],
  });
  if (stands.length === 0) return none({ kind: 'no stands' });
  const lineLoads = gravityLoads(structure).inDirection([0, 0, -ON_STANDS_G]);
  let supports: readonly StandSupport[] = stands.flatMap(({ id, side, stationMm }) =>
    padUnder(structure, side, stationMm, { on: 'pad', pointId: id }),
  );
  while (supports.length >= 3) {
    supports = heldByFriction(supports, sprungMassKg(structure.frame));
    const stood = standingModel(
      structure,
      { nodes: [], elements: [], ties: heldSquare(structure) },
      supports,
    );
    const prepared = prepareFrame(stood.model, structure.worked);
    if (!('solve' in prepared)) return none(prepared);
    const solved = prepared.solve([
      {
        id: 'on stands',
        nodeLoads: [],
        lineLoads: laidOnKept(structure, stood.kept)(lineLoads),
      },
    ]);
    if (!solved.ok) return none(solved.reason);
    const [result] = solved.cases;
    const forces = supportForces(stood.model, supports, result!);
    const hardest = forces.reduce((least, each, k) => (each.upN < forces[least]!.upN ? k : least), 0);
    if (forces[hardest]!.upN >= 0)
      return {
        cases: [
          {
            id: 'on stands',
            result: result!,
            kept: stood.kept.subarray(0, structure.elements.length),
            supports: forces,
          },
        ],
        unsolved: [],
        problems: [...structure.problems, ...stood.problems],
        wheels: [],
      };
    supports = supports.filter((_, k) => k !== hardest);
  }
  return none({ kind: 'tips' });
}
