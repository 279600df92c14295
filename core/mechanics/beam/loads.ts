import { cross, END, ownLineLoad, ownStiffness, plus, release, SIZE } from './element';
import {
  ON_REFERENCE,
  type BeamModel,
  type LineLoad,
  type LoadCase,
  type NodeLoad,
  type Vector3,
} from './model';
import type { Numbering, Prepared, UnitLoads } from './prepared';

/** Read once: where modules are not bundled, an import is looked up each time it is used. */
const [END_DOF, ELEMENT_DOF] = [END, SIZE];

const areNumbers = (vector: readonly number[] | undefined): boolean =>
  vector === undefined || vector.every((value) => Number.isFinite(value));

/** What is wrong with a case's loads, if anything. */
export function badLoad(model: BeamModel, load: LoadCase): string | undefined {
  for (const { node, forceN, momentNmm, offsetMm } of load.nodeLoads) {
    if (!model.nodes[node]) return `a load on node ${node}, which does not exist`;
    if (!(areNumbers(forceN) && areNumbers(momentNmm) && areNumbers(offsetMm)))
      return `a load on node ${node} that is no number`;
  }
  for (const { element, perMmN } of load.lineLoads) {
    if (!model.elements[element]) return `a load on element ${element}, which does not exist`;
    if (!(Number.isFinite(perMmN[0]) && Number.isFinite(perMmN[1]) && Number.isFinite(perMmN[2])))
      return `a load on element ${model.elements[element].id} that is no number`;
  }
  return undefined;
}

const AXES: readonly Vector3[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

/** End loads of a load spread over an element: its own dof, and those the model knows. */
function endLoads(
  model: BeamModel,
  { element, frame, turn, warpRatio }: Prepared,
  line: LineLoad,
): readonly [Float64Array, Float64Array] {
  const own = ownLineLoad(element.profile, frame, line, model);
  if (element.from.released || element.to.released)
    release(
      ownStiffness(element.profile, frame.lengthMm, model),
      [own],
      element.from.released,
      element.to.released,
    );
  const onUnknowns = new Float64Array(ELEMENT_DOF);
  for (let e = 0; e < 2; e++)
    for (let c = 0; c < END_DOF; c++) {
      let sum = 0;
      for (let m = 0; m < END_DOF; m++) sum += turn[e]![m * 7 + c]! * own[e * END_DOF + m]!;
      onUnknowns[e * END_DOF + c] = c === 6 ? sum * warpRatio[e]! : sum;
    }
  return [own, onUnknowns];
}

/** The two lines that nearly every load lies on are worked out once for all cases; none for a line of its own. */
function unitLoads(model: BeamModel, one: Prepared, { element, lineYz }: LineLoad): UnitLoads | undefined {
  const make = () =>
    AXES.map((perMmN) => endLoads(model, one, { element, perMmN, ...(lineYz && { lineYz }) }));
  if (!lineYz) return (one.units.onCentroid ??= make());
  return lineYz === ON_REFERENCE ? (one.units.onReference ??= make()) : undefined;
}

/** Own end loads of every element, fourteen each, one after another; what they put on the model's unknowns is added to `f`. */
export function lineLoadsOf(
  model: BeamModel,
  prepared: readonly Prepared[],
  load: LoadCase,
  f: Float64Array,
): Float64Array {
  const sums = new Float64Array(prepared.length * ELEMENT_DOF);
  const add = (element: number, [own, onUnknowns]: UnitLoads[number], times: number) => {
    const { unknowns } = prepared[element]!;
    for (let k = 0, into = element * ELEMENT_DOF; k < ELEMENT_DOF; k++, into++) {
      sums[into]! += times * own[k]!;
      const at = unknowns[k]!;
      if (at >= 0) f[at]! += times * onUnknowns[k]!;
    }
  };
  for (const line of load.lineLoads) {
    const one = prepared[line.element]!;
    const units = unitLoads(model, one, line);
    if (!units) add(line.element, endLoads(model, one, line), 1);
    else
      for (let axis = 0; axis < 3; axis++)
        if (line.perMmN[axis]! !== 0) add(line.element, units[axis]!, line.perMmN[axis]!);
  }
  return sums;
}

export function addNodeLoads(numbering: Numbering, load: LoadCase, f: Float64Array): void {
  for (const nodeLoad of load.nodeLoads) {
    const start = numbering.nodeStart[nodeLoad.node]!;
    const moment = momentOnNode(nodeLoad);
    for (let axis = 0; axis < 3; axis++) {
      f[start + axis]! += nodeLoad.forceN[axis]!;
      f[start + 3 + axis]! += moment[axis]!;
    }
  }
}

/** Moment of a load about its node. */
export const momentOnNode = ({ forceN, momentNmm, offsetMm }: NodeLoad): Vector3 =>
  plus(offsetMm ? cross(offsetMm, forceN) : [0, 0, 0], momentNmm);
