import { stressField, type EndForces } from '../../mechanics';
import type { Cut } from './cut';
import { fieldAt, pressedLimit } from './fibres';

/** A stretch before it was plated, standing under its own weight. */
export interface Before {
  readonly cut: Cut;
  readonly standing: EndForces;
}

/**
 * A plate welded on while the frame stands carries nothing of what stood there: its old metal keeps M_dead over the section it had, and only what
 * comes on top is shared. Jacked off first, and let down when the welds are cold, the plate takes its part of everything.
 *
 *     old metal   σ = dead on the section found + (case − standing) on the section repaired
 *     plate       σ =                             (case − standing) on the section repaired
 */
export function lockedIn(
  before: Before,
  after: Cut,
  { forces, standing }: { readonly forces: EndForces; readonly standing: EndForces },
  share: number,
): number {
  const dead = fieldAt(before.cut, stressField(before.cut.profile, before.standing));
  const [now, level] = [forces, standing].map((each) => fieldAt(after, stressField(after.profile, each)));
  let used = 0;
  for (let node = 0; node < after.section.xMm.length; node++) {
    if (!after.hasMetal[node] || !after.isWall[node]) continue;
    const [y, z, omega] = [after.y[node]!, after.z[node]!, after.omega[node]!];
    // Warping under its own weight is small, and stays with the section that had it.
    const stressMpa = dead(y, z, 0) + now!(y, z, omega) - level!(y, z, omega);
    const limitMpa = stressMpa >= 0 ? after.strength.yieldMpa : pressedLimit(after, node);
    used = Math.max(used, Math.abs(stressMpa) / (share * limitMpa));
  }
  return used;
}
