import { STANDARD_GRAVITY } from '../../quantity';
import type { StandSupport } from '../stand';

/** How far a support would give under a side push as great as what it carries, mm: far beyond anything that bends, near enough for the model to stand (ours). */
const SIDE_GIVE_MM = 1000;
/** One that carries next to nothing still keeps its foot: this share of an equal part (ours). */
const LEAST_SHARE = 0.01;

/**
 * A raised frame is held sideways by friction alone, each support in proportion to what it carries (`carriesN`, in their order; an equal part of
 * `massKg` where nothing was solved yet). Supports that held like walls would thrust against each other while rails sag between them and springs settle:
 * an arch that makes rails look stronger than they are and pushes pads out on level ground; a jack leans and a tyre creeps instead. What pushes the
 * whole frame, as a slope does, comes out as one share of their load everywhere. A coupler is bolted and holds.
 */
export function heldByFriction(
  supports: readonly StandSupport[],
  massKg: number,
  carriesN: readonly number[] = [],
): StandSupport[] {
  const equalN = (massKg * STANDARD_GRAVITY) / supports.length;
  return supports.map((support, k) => {
    if (support.stand.on === 'coupler') return support;
    const [, , ...others] = support.stiffness;
    const sideways = Math.max(carriesN[k] ?? equalN, LEAST_SHARE * equalN) / SIDE_GIVE_MM;
    return { ...support, stiffness: [sideways, sideways, ...others] };
  });
}
