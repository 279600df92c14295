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

/** The worst fibre at an element's end: tension against yield, compression against the least of yield, its wall and sideways buckling. */
export function peakOf(cut: Cut, forces: EndForces, share: number): FibrePeak {
  const { profile, section } = cut;
  const { axialMpa, perYMpa, perZMpa, perOmegaMpa } = stressField(profile, forces);
  let greatestMpa = 0;
  let peak: Omit<FibrePeak, 'greatestMpa'> = {
    stressMpa: 0,
    allowableMpa: share * cut.strength.yieldMpa,
    utilisation: 0,
    why: 'yield',
    warpingMpa: 0,
  };
  for (let node = 0; node < section.xMm.length; node++) {
    if (!cut.hasMetal[node]) continue;
    const warpingMpa = perOmegaMpa * cut.omega[node]!;
    const stressMpa =
      axialMpa +
      perYMpa * (cut.y[node]! - profile.centroid[0]) +
      perZMpa * (cut.z[node]! - profile.centroid[1]) +
      warpingMpa;
    greatestMpa = Math.max(greatestMpa, Math.abs(stressMpa));
    const [limit, why] =
      stressMpa >= 0 ? ([cut.strength.yieldMpa, 'yield'] as const) : compressionLimit(cut, node);
    const allowableMpa = share * limit;
    const utilisation = allowableMpa > 0 ? Math.abs(stressMpa) / allowableMpa : Infinity;
    if (utilisation > peak.utilisation) peak = { stressMpa, allowableMpa, utilisation, why, warpingMpa };
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
  const swung = peakOf(cut, change, 1);
  const { yieldMpa } = cut.strength;
  return {
    ...swung,
    allowableMpa: yieldMpa,
    utilisation: yieldMpa > 0 ? swung.greatestMpa / yieldMpa : Infinity,
    why: 'yield',
  };
}

function compressionLimit(
  { strength, faceOfNode }: Cut,
  node: number,
): readonly [number, StationDemand['why']] {
  const face = faceOfNode[node];
  const wall = face === undefined ? strength.yieldMpa : strength.wallMpa.get(face)!;
  if (wall < strength.yieldMpa && wall <= strength.lateralMpa) return [wall, 'wall buckling'];
  return strength.lateralMpa < strength.yieldMpa
    ? [strength.lateralMpa, 'sideways buckling']
    : [strength.yieldMpa, 'yield'];
}
