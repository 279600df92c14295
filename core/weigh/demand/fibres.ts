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
export const pressedLimit = ({ strength, faceOfNode, edgesOfFace }: Cut, node: number): number => {
  const face = edgesOfFace[faceOfNode[node]!];
  const wall = face ? strength.wallMpa.get(face.id)!(1) : strength.yieldMpa;
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
  const stressAt = stressesIn(cut, field);
  const pressed = compressionLimits(cut, stressAt, gradient);
  const { faceOfNode, hasMetal, strength } = cut;
  let [worst, greatestMpa, utilisation] = [-1, 0, 0];
  // This runs for every fibre of every element in every case: numbers only.
  for (let node = 0; node < hasMetal.length; node++) {
    if (!hasMetal[node]) continue;
    const stressMpa = stressAt(node);
    const size = Math.abs(stressMpa);
    if (size > greatestMpa) greatestMpa = size;
    const limit = stressMpa >= 0 ? strength.yieldMpa : pressed.mpa[faceOfNode[node]! + 1]!;
    const used = share * limit > 0 ? size / (share * limit) : Infinity;
    if (used > utilisation) {
      utilisation = used;
      worst = node;
    }
  }
  if (worst < 0)
    return {
      greatestMpa,
      stressMpa: 0,
      allowableMpa: share * strength.yieldMpa,
      utilisation: 0,
      why: 'yield',
      warpingMpa: 0,
    };
  const stressMpa = stressAt(worst);
  const face = faceOfNode[worst]! + 1;
  const [limit, why] =
    stressMpa >= 0 ? ([strength.yieldMpa, 'yield'] as const) : [pressed.mpa[face]!, pressed.why[face]!];
  const warpingMpa = field.perOmegaMpa * cut.omega[worst]!;
  return { greatestMpa, stressMpa, allowableMpa: share * limit, utilisation, why, warpingMpa };
}

/** The stress at each node of a cut. */
function stressesIn(
  { profile: { centroid }, y, z, omega }: Cut,
  { axialMpa, perYMpa, perZMpa, perOmegaMpa }: ReturnType<typeof stressField>,
): (node: number) => number {
  const [yMm, zMm] = centroid;
  return (node) =>
    axialMpa + perYMpa * (y[node]! - yMm) + perZMpa * (z[node]! - zMm) + perOmegaMpa * omega[node]!;
}

/**
 * A ditch drops the frame by its depth and no further, whatever that takes: metal that yields once shakes down, and holds while it swings within
 * twice its yield. Either side may drop: from ditch to ditch it swings twice what one takes it from standing, so that once is held against yield.
 */
export function swungOf(cut: Cut, forces: EndForces, level: EndForces): FibrePeak {
  const change: EndForces = {
    axialN: forces.axialN - level.axialN,
    shearYN: forces.shearYN - level.shearYN,
    shearZN: forces.shearZN - level.shearZN,
    torqueNmm: forces.torqueNmm - level.torqueNmm,
    stVenantNmm: forces.stVenantNmm - level.stVenantNmm,
    momentYNmm: forces.momentYNmm - level.momentYNmm,
    momentZNmm: forces.momentZNmm - level.momentZNmm,
    bimomentNmm2: forces.bimomentNmm2 - level.bimomentNmm2,
  };
  const swung = peakOf(cut, change, { share: 1, gradient: 1 });
  const { yieldMpa } = cut.strength;
  return {
    ...swung,
    allowableMpa: yieldMpa,
    utilisation: yieldMpa > 0 ? swung.greatestMpa / yieldMpa : Infinity,
    why: 'yield',
  };
}

/** What compression may reach, and why no more: first where no face is, on a plate; then on each face of the cut. */
interface PressedLimits {
  readonly mpa: readonly number[];
  readonly why: readonly StationDemand['why'][];
}

/** By how each face is pressed from edge to edge. */
function compressionLimits(
  { strength, edgesOfFace }: Cut,
  stressAt: (node: number) => number,
  gradient: number,
): PressedLimits {
  const { yieldMpa } = strength;
  const lateral = strength.lateralMpa(gradient);
  const mpa = [Math.min(lateral, yieldMpa)];
  const why: StationDemand['why'][] = [lateral < yieldMpa ? 'sideways buckling' : 'yield'];
  for (const { id, first, last } of edgesOfFace) {
    const [one, other] = [stressAt(first), stressAt(last)];
    const [worse, better] = one < other ? [one, other] : [other, one];
    const wall = worse < 0 ? strength.wallMpa.get(id)!(better / worse) : yieldMpa;
    const buckles = wall < yieldMpa && wall <= lateral;
    mpa.push(buckles ? wall : mpa[0]!);
    why.push(buckles ? 'wall buckling' : why[0]!);
  }
  return { mpa, why };
}
