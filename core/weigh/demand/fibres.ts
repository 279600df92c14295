import { stressField, type EndForces } from '../../mechanics';
import type { Cut } from './cut';
import type { StationDemand } from './demand';

interface FibrePeak {
  /** Largest stress of either sign at any fibre, whatever governs. */
  greatestMpa: number;
  stressMpa: number;
  allowableMpa: number;
  utilisation: number;
  why: StationDemand['why'];
  warpingMpa: number;
}

/** Stress at a point (y, z, ω) of a cut. */
export const fieldAt =
  (
    { profile: { centroid } }: Cut,
    { axialMpa, perYMpa, perZMpa, perOmegaMpa }: ReturnType<typeof stressField>,
  ) =>
  (y: number, z: number, omega: number): number =>
    axialMpa + perYMpa * (y - centroid[0]) + perZMpa * (z - centroid[1]) + perOmegaMpa * omega;

/** What compression may reach at a node of an evenly pressed wall. */
export const pressedLimit = ({ strength, faceOfNode }: Cut, node: number): number => {
  const face = faceOfNode[node];
  const wall = face === undefined ? strength.yieldMpa : strength.wallMpa.get(face)!(1);
  return Math.min(wall, strength.lateralMpa(1), strength.yieldMpa);
};

/** How an element's end is looked at: the share of each limit that may be used, and how the moment changes along its member (1: it does not). */
interface Allowed {
  readonly share: number;
  readonly gradient: number;
}

/** The worst fibre at an element's end: tension against yield, compression against the least of yield, its wall and sideways buckling. */
export function peakOf(cut: Cut, forces: EndForces, { share, gradient }: Allowed): FibrePeak {
  const field = stressField(cut.profile, forces);
  const at = fieldAt(cut, field);
  const stressAt = (node: number): number => at(cut.y[node]!, cut.z[node]!, cut.omega[node]!);
  const pressed = compressionLimits(cut, stressAt, gradient);
  let greatestMpa = 0;
  let peak: Omit<FibrePeak, 'greatestMpa'> = {
    stressMpa: 0,
    allowableMpa: share * cut.strength.yieldMpa,
    utilisation: 0,
    why: 'yield',
    warpingMpa: 0,
  };
  for (let node = 0; node < cut.section.xMm.length; node++) {
    if (!cut.hasMetal[node]) continue;
    const stressMpa = stressAt(node);
    greatestMpa = Math.max(greatestMpa, Math.abs(stressMpa));
    const [limit, why] = stressMpa >= 0 ? ([cut.strength.yieldMpa, 'yield'] as const) : pressed(node);
    const allowableMpa = share * limit;
    const utilisation = allowableMpa > 0 ? Math.abs(stressMpa) / allowableMpa : Infinity;
    if (utilisation > peak.utilisation)
      peak = { stressMpa, allowableMpa, utilisation, why, warpingMpa: field.perOmegaMpa * cut.omega[node]! };
  }
  return { ...peak, greatestMpa };
}

/**
 * A ditch drops the frame by its depth and no further, whatever that takes: metal that yields once shakes down, and holds while it swings within
 * twice its yield. Either side may drop: from ditch to ditch it swings twice what one takes it from standing, so that once is held against yield.
 */
export function swungOf(cut: Cut, forces: EndForces, level: EndForces): FibrePeak {
  const change = Object.fromEntries(
    Object.entries(forces).map(([key, value]) => [key, value - level[key as keyof EndForces]]),
  ) as unknown as EndForces;
  const swung = peakOf(cut, change, { share: 1, gradient: 1 });
  const { yieldMpa } = cut.strength;
  return {
    ...swung,
    allowableMpa: yieldMpa,
    utilisation: yieldMpa > 0 ? swung.greatestMpa / yieldMpa : Infinity,
    why: 'yield',
  };
}

/** What compression may reach at a node: each wall by how it is pressed from edge to edge. */
function compressionLimits(
  { strength, faceOfNode, edgesOfFace }: Cut,
  stressAt: (node: number) => number,
  gradient: number,
): (node: number) => readonly [number, StationDemand['why']] {
  const lateral = strength.lateralMpa(gradient);
  const walls = new Map(
    [...edgesOfFace].map(([face, [one, other]]) => {
      const [worse, better] = [stressAt(one), stressAt(other)].sort((a, b) => a - b) as [number, number];
      return [face, worse < 0 ? strength.wallMpa.get(face)!(better / worse) : strength.yieldMpa] as const;
    }),
  );
  return (node) => {
    const face = faceOfNode[node];
    const wall = face === undefined ? strength.yieldMpa : walls.get(face)!;
    if (wall < strength.yieldMpa && wall <= lateral) return [wall, 'wall buckling'];
    return lateral < strength.yieldMpa ? [lateral, 'sideways buckling'] : [strength.yieldMpa, 'yield'];
  };
}
