import { cross, END, plus, SIZE } from './element';
import { momentOnNode } from './loads';
import {
  NODE_DOF,
  type BeamModel,
  type CaseResult,
  type EndForces,
  type LoadCase,
  type Support,
  type Vector3,
} from './model';
import type { Numbering, Prepared } from './prepared';
import { multiply, type Matrix } from './sparse';

/** Read once: where modules are not bundled, an import is looked up each time it is used. */
const [END_DOF, ELEMENT_DOF] = [END, SIZE];

/** A hold that never gives: so stiff that the frame cannot tell. Out on an offset it couples move and turn, where a stiffer one would cost digits. */
export const held = (k: number, stiffest: number, isOffset: boolean): number =>
  k === Infinity ? stiffest * (isOffset ? 1e6 : 1e10) : k;

/** The model's largest extent, mm: what turns are weighed against moves with. */
export function characteristicLength({ nodes }: BeamModel): number {
  const span = (axis: 0 | 1 | 2) =>
    Math.max(...nodes.map((node) => node[axis])) - Math.min(...nodes.map((node) => node[axis]));
  return Math.max(span(0), span(1), span(2), 1);
}

/** A frame assembled: its elements, its matrix before factorising, and the stiffest of its diagonal. */
export interface System {
  readonly model: BeamModel;
  readonly numbering: Numbering;
  readonly prepared: readonly Prepared[];
  readonly matrix: Matrix;
  readonly stiffest: number;
  /** The model's largest extent, mm. */
  readonly extentMm: number;
}
/** One load on it: what elements carry themselves, the whole on the unknowns, and how these moved. */
export interface SolvedLoad {
  readonly ownLoads: Float64Array;
  readonly f: Float64Array;
  readonly u: Float64Array;
}

/** Displacements, end forces, reactions, and how well they balance. */
export function recovered(
  { model, numbering, prepared, matrix, stiffest, extentMm }: System,
  load: LoadCase,
  { ownLoads, f, u }: SolvedLoad,
): CaseResult {
  const displacements = new Float64Array(model.nodes.length * NODE_DOF);
  model.nodes.forEach((_, node) =>
    displacements.set(
      u.subarray(numbering.nodeStart[node]!, numbering.nodeStart[node]! + NODE_DOF),
      node * NODE_DOF,
    ),
  );
  const from: EndForces[] = [],
    to: EndForces[] = [];
  prepared.forEach((one, index) => {
    const ends = endForces(model, one, u, { ownLoads, at: index * ELEMENT_DOF });
    from.push(ends[0]);
    to.push(ends[1]);
  });
  const reactions = model.supports.map((support) => reactionOf(support, displacements, stiffest));
  const away = multiply(matrix, u);
  let error = 0,
    size = 0;
  for (let k = 0; k < f.length; k++) {
    error += (away[k]! - f[k]!) ** 2;
    size += f[k]! ** 2;
  }
  return {
    id: load.id,
    displacements,
    from,
    to,
    reactions,
    residual: size > 0 ? Math.sqrt(error / size) : 0,
    equilibriumError: unbalanced(model, prepared, load, { reactions, extentMm }),
  };
}

// Written out: in a loop over an array this is the dearest part of a solve.
/** Forces at the far end and the near end's bimoment from the stiffness; the rest of the near end by balance. */
// eslint-disable-next-line max-lines-per-function
function endForces(
  model: BeamModel,
  { element, frame, forces, unknowns, warpRatio }: Prepared,
  u: Float64Array,
  { ownLoads, at: first }: { readonly ownLoads: Float64Array; readonly at: number },
): [EndForces, EndForces] {
  let q6 = 0,
    q7 = 0,
    q8 = 0,
    q9 = 0,
    q10 = 0,
    q11 = 0,
    q12 = 0,
    q13 = 0;
  for (let c = 0; c < ELEMENT_DOF; c++) {
    const at = unknowns[c]!;
    if (at < 0) continue;
    const value = u[at]!;
    q6 += forces[84 + c]! * value;
    q7 += forces[98 + c]! * value;
    q8 += forces[112 + c]! * value;
    q9 += forces[126 + c]! * value;
    q10 += forces[140 + c]! * value;
    q11 += forces[154 + c]! * value;
    q12 += forces[168 + c]! * value;
    q13 += forces[182 + c]! * value;
  }
  const q0 = -q7 - ownLoads[first]!,
    q1 = -q8 - ownLoads[first + 1]!,
    q2 = -q9 - ownLoads[first + 2]!,
    q3 = -q10 - ownLoads[first + 3]!,
    q4 = frame.lengthMm * q9 - q11 - ownLoads[first + 4]!,
    q5 = -frame.lengthMm * q8 - q12 - ownLoads[first + 5]!;
  q6 -= ownLoads[first + 6]!;
  q7 -= ownLoads[first + 7]!;
  q8 -= ownLoads[first + 8]!;
  q9 -= ownLoads[first + 9]!;
  q10 -= ownLoads[first + 10]!;
  q11 -= ownLoads[first + 11]!;
  q12 -= ownLoads[first + 12]!;
  q13 -= ownLoads[first + 13]!;
  const warps = element.profile.cwMm6 > 0;
  const twistRigidity = model.shearMpa * element.profile.jMm4;
  const twist = (half: 0 | 1) =>
    unknowns[half * END_DOF + 6]! < 0 ? 0 : u[unknowns[half * END_DOF + 6]!]! * warpRatio[half];
  return [
    {
      axialN: 0 - q0,
      shearYN: 0 - q1,
      shearZN: 0 - q2,
      torqueNmm: 0 - q3,
      momentYNmm: 0 - q4,
      momentZNmm: 0 - q5,
      stVenantNmm: warps ? twistRigidity * twist(0) : 0 - q3,
      bimomentNmm2: q6,
    },
    {
      axialN: q7,
      shearYN: q8,
      shearZN: q9,
      torqueNmm: q10,
      momentYNmm: q11,
      momentZNmm: q12,
      stVenantNmm: warps ? twistRigidity * twist(1) : q10,
      bimomentNmm2: 0 - q13,
    },
  ];
}

function reactionOf(
  { node, offsetMm, stiffness }: Support,
  displacements: Float64Array,
  stiffest: number,
): number[] {
  const at = (dof: number) => displacements[node * NODE_DOF + dof]!;
  const turn: Vector3 = [at(3), at(4), at(5)];
  const [mx, my, mz] = offsetMm ? cross(turn, offsetMm) : [0, 0, 0];
  const moved = [at(0) + mx!, at(1) + my!, at(2) + mz!, ...turn];
  return stiffness.map((k, dof) =>
    k > 0 ? -held(k, stiffest, offsetMm !== undefined) * moved[dof]! + 0 : 0,
  );
}

/** All forces and moments about the origin, summed: what is left over the sum of what was applied. */
function unbalanced(
  model: BeamModel,
  prepared: readonly Prepared[],
  load: LoadCase,
  { reactions, extentMm }: { readonly reactions: CaseResult['reactions']; readonly extentMm: number },
): number {
  const sum = [0, 0, 0, 0, 0, 0];
  let applied = 0;
  const add = (at: Vector3, force: Vector3, moment: Vector3) => {
    const arm = cross(at, force);
    for (let axis = 0; axis < 3; axis++) {
      sum[axis]! += force[axis]!;
      sum[3 + axis]! += arm[axis]! + moment[axis]!;
    }
  };
  for (const nodeLoad of load.nodeLoads) {
    add(model.nodes[nodeLoad.node]!, nodeLoad.forceN, momentOnNode(nodeLoad));
    applied += Math.hypot(...nodeLoad.forceN);
  }
  for (const line of load.lineLoads) {
    const { element, frame, middle } = prepared[line.element]!;
    const [y, z] = line.lineYz ?? element.profile.centroid;
    const { axes, lengthMm } = frame;
    const [px, py, pz] = [
      middle[0] + y * axes[3]! + z * axes[6]!,
      middle[1] + y * axes[4]! + z * axes[7]!,
      middle[2] + y * axes[5]! + z * axes[8]!,
    ];
    const [fx, fy, fz] = [line.perMmN[0] * lengthMm, line.perMmN[1] * lengthMm, line.perMmN[2] * lengthMm];
    sum[0]! += fx;
    sum[1]! += fy;
    sum[2]! += fz;
    sum[3]! += py * fz - pz * fy;
    sum[4]! += pz * fx - px * fz;
    sum[5]! += px * fy - py * fx;
    applied += Math.sqrt(fx * fx + fy * fy + fz * fz);
  }
  model.supports.forEach((support, k) => {
    const r = reactions[k]!;
    add(plus(model.nodes[support.node]!, support.offsetMm), [r[0]!, r[1]!, r[2]!], [r[3]!, r[4]!, r[5]!]);
  });
  const scale = applied || 1;
  return Math.max(
    ...sum.slice(0, 3).map((value) => Math.abs(value) / scale),
    ...sum.slice(3).map((value) => Math.abs(value) / (scale * extentMm)),
  );
}
