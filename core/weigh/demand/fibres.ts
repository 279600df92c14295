import { stressField, type EndForces } from '../../mechanics';
import type { Cut } from './cut';
import type { FaceEdges } from './fibre-nodes';
import type { StationDemand } from './demand';
import type { Limit } from './shear';

interface FibrePeak {
  /** Largest stress of either sign at any fibre, whatever governs. */
  readonly greatestMpa: number;
  readonly peak: Limit;
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
  const { yieldMpa } = cut.strength;
  const lateralMpa = cut.strength.lateralMpa(gradient);
  let worst = -1,
    greatestMpa = 0,
    utilisation = 0;
  let pressedMost: Pressed | undefined;
  // This runs for every fibre of every element in every case: numbers only.
  for (const { face, nodes } of cut.fibres) {
    const pressed = pressedOn(cut, face, { stressAt, lateralMpa });
    for (let k = 0; k < nodes.length; k++) {
      const stressMpa = stressAt(nodes[k]!);
      const size = Math.abs(stressMpa);
      if (size > greatestMpa) greatestMpa = size;
      const limit = share * (stressMpa >= 0 ? yieldMpa : pressed.mpa);
      const used = limit > 0 ? size / limit : Infinity;
      if (used > utilisation) {
        utilisation = used;
        worst = nodes[k]!;
        pressedMost = stressMpa >= 0 ? undefined : pressed;
      }
    }
  }
  const { mpa, why } = pressedMost ?? { mpa: yieldMpa, why: 'yield' };
  const stressMpa = worst < 0 ? 0 : stressAt(worst);
  const warpingMpa = worst < 0 ? 0 : field.perOmegaMpa * cut.omega[worst]!;
  return { greatestMpa, peak: { stressMpa, allowableMpa: share * mpa, utilisation, why, warpingMpa } };
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
  const { greatestMpa, peak } = peakOf(cut, change, { share: 1, gradient: 1 });
  const { yieldMpa } = cut.strength;
  const utilisation = yieldMpa > 0 ? greatestMpa / yieldMpa : Infinity;
  return { greatestMpa, peak: { ...peak, allowableMpa: yieldMpa, utilisation, why: 'yield' } };
}

/** What compression may reach, and why no more. */
interface Pressed {
  readonly mpa: number;
  readonly why: StationDemand['why'];
}

/** On a face by how it is pressed from edge to edge; on a plate, which is on none, by its member's buckling sideways. */
function pressedOn(
  { strength: { yieldMpa, wallMpa } }: Cut,
  face: FaceEdges | undefined,
  { stressAt, lateralMpa }: { readonly stressAt: (node: number) => number; readonly lateralMpa: number },
): Pressed {
  if (face) {
    const one = stressAt(face.first),
      other = stressAt(face.last);
    const worse = Math.min(one, other),
      better = Math.max(one, other);
    const mpa = worse < 0 ? wallMpa.get(face.id)!(better / worse) : yieldMpa;
    if (mpa < yieldMpa && mpa <= lateralMpa) return { mpa, why: 'wall buckling' };
  }
  return lateralMpa < yieldMpa
    ? { mpa: lateralMpa, why: 'sideways buckling' }
    : { mpa: yieldMpa, why: 'yield' };
}
