import {
  elementFrame,
  END,
  endTransform,
  ownStiffness,
  plus,
  release,
  SIZE,
  type ElementFrame,
} from './element';
import { NODE_DOF, type BeamElement, type BeamModel, type ElementEnd, type Vector3 } from './model';
import { eliminationOrder, patternOf, type Pattern } from './sparse';

/** Read once: where modules are not bundled, an import is looked up each time it is used. */
const [END_DOF, ELEMENT_DOF] = [END, SIZE];

export type UnitLoads = readonly (readonly [own: Float64Array, onUnknowns: Float64Array])[];

/** An element worked out by itself: its stiffness, and the way from its two nodes to its own dof. */
export interface Worked {
  readonly element: BeamElement;
  readonly frame: ElementFrame;
  /** Halfway along its line of reference points. */
  readonly middle: Vector3;
  /** 7 × 7 for each end. */
  readonly turn: readonly [Float64Array, Float64Array];
  /** The factor on a shared warping at each end. */
  readonly warpRatio: readonly [number, number];
  /** Stiffness on the model's unknowns, upper half; and the element's own end forces for them, 14 × 14. */
  readonly stiffness: Float64Array;
  readonly forces: Float64Array;
  /** Loads of 1 N/mm along each global axis, on the centroid and on the reference line: own end loads, and the same on the model's unknowns. Made when first asked for. */
  readonly units: { onCentroid?: UnitLoads; onReference?: UnitLoads };
}

/** The same in its model: which of the model's unknowns its fourteen are, −1 where held. */
export interface Prepared extends Worked {
  readonly unknowns: Int32Array;
}

/** Elements worked out before, on the same nodes and of the same steel. */
export type WorkedElements = WeakMap<BeamElement, Worked>;

/** Which unknown is whose, and which are tied to which. */
export interface Numbering {
  readonly count: number;
  readonly pattern: Pattern;
  /** First unknown of each node. */
  readonly nodeStart: Int32Array;
  readonly nodeOf: Int32Array;
  readonly warp: ReadonlyMap<string, number>;
}

const warpKey = (end: ElementEnd): string | undefined =>
  end.warping.kind === 'shared' ? `${end.node}:${end.warping.key}` : undefined;

/** Unknowns node by node as they are eliminated; every node's six, then its members' warpings. */
export function numberUnknowns({ nodes, elements }: BeamModel): Numbering {
  const neighbours: number[][] = nodes.map(() => []);
  const warps = nodes.map(() => new Set<string>());
  for (const { from, to } of elements) {
    neighbours[from.node]?.push(to.node);
    neighbours[to.node]?.push(from.node);
    for (const end of [from, to]) {
      const key = warpKey(end);
      if (key) warps[end.node]?.add(key);
    }
  }
  const elimination = eliminationOrder(neighbours);
  const pattern = patternOf(
    elimination,
    warps.map((keys) => NODE_DOF + keys.size),
  );
  const nodeStart = new Int32Array(nodes.length);
  const nodeOf = new Int32Array(pattern.size);
  const warp = new Map<string, number>();
  elimination.order.forEach((node, turn) => {
    const from = pattern.first[turn]!;
    nodeStart[node] = from;
    nodeOf.fill(node, from, pattern.first[turn + 1]);
    [...warps[node]!].forEach((key, k) => warp.set(key, from + NODE_DOF + k));
  });
  return { count: pattern.size, pattern, nodeStart, nodeOf, warp };
}

/** One element in its model; a reason when it is none. */
export function prepare(
  model: BeamModel,
  element: BeamElement,
  numbering: Numbering,
  known: WorkedElements,
): Prepared | string {
  const one = known.get(element) ?? worked(model, element);
  if (typeof one === 'string') return one;
  known.set(element, one);
  const unknowns = new Int32Array(ELEMENT_DOF);
  for (const [half, end] of [element.from, element.to].entries()) {
    for (let dof = 0; dof < NODE_DOF; dof++)
      unknowns[half * END_DOF + dof] = numbering.nodeStart[end.node]! + dof;
    const key = warpKey(end);
    unknowns[half * END_DOF + 6] = key === undefined ? -1 : numbering.warp.get(key)!;
  }
  return { ...one, unknowns };
}

function worked(model: BeamModel, element: BeamElement): Worked | string {
  const frame = elementFrame(model.nodes, element);
  if (typeof frame === 'string') return frame;
  const { profile } = element;
  if (!(profile.areaMm2 > 0 && profile.iyyMm4 > 0 && profile.izzMm4 > 0 && profile.jMm4 > 0))
    return 'a section without metal';
  const own = ownStiffness(profile, frame.lengthMm, model);
  release(own, [], element.from.released, element.to.released);
  for (const [end, at] of [
    [element.from, 6],
    [element.to, END_DOF + 6],
  ] as const)
    if (end.warping.kind === 'free' && own[at * ELEMENT_DOF + at]! > 0) letGo(own, at);
  const turn = [
    endTransform(profile, frame.axes, element.from.offsetMm),
    endTransform(profile, frame.axes, element.to.offsetMm),
  ] as const;
  const warpRatio = [element.from, element.to].map((end) =>
    end.warping.kind === 'shared' ? end.warping.ratio : 0,
  ) as [number, number];
  const [a, b] = [
    plus(model.nodes[element.from.node]!, element.from.offsetMm),
    plus(model.nodes[element.to.node]!, element.to.offsetMm),
  ];
  const middle: Vector3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
  return { element, frame, middle, turn, warpRatio, units: {}, ...turned(own, turn, warpRatio) };
}

function letGo(own: Float64Array, dof: number): void {
  const column = Float64Array.from({ length: ELEMENT_DOF }, (_, row) => own[row * ELEMENT_DOF + dof]!);
  const pivot = column[dof]!;
  for (let row = 0; row < ELEMENT_DOF; row++)
    for (let c = 0; c < ELEMENT_DOF; c++) own[row * ELEMENT_DOF + c]! -= (column[row]! * column[c]!) / pivot;
  for (let row = 0; row < ELEMENT_DOF; row++) own[row * ELEMENT_DOF + dof] = own[dof * ELEMENT_DOF + row] = 0;
}

/** K T and Tᵀ K T, end by end; the warping column takes its ratio. */
function turned(
  own: Float64Array,
  turn: readonly [Float64Array, Float64Array],
  ratio: readonly [number, number],
): { forces: Float64Array; stiffness: Float64Array } {
  const forces = new Float64Array(ELEMENT_DOF * ELEMENT_DOF);
  for (let e = 0; e < 2; e++) {
    const t = turn[e]!;
    for (let row = 0; row < ELEMENT_DOF; row++)
      for (let c = 0; c < END_DOF; c++) {
        let sum = 0;
        for (let m = 0; m < END_DOF; m++) sum += own[row * ELEMENT_DOF + e * END_DOF + m]! * t[m * 7 + c]!;
        forces[row * ELEMENT_DOF + e * END_DOF + c] = c === 6 ? sum * ratio[e]! : sum;
      }
  }
  const stiffness = new Float64Array(ELEMENT_DOF * ELEMENT_DOF);
  for (let e = 0; e < 2; e++) {
    const t = turn[e]!;
    for (let r = 0; r < END_DOF; r++)
      for (let c = e * END_DOF + r; c < ELEMENT_DOF; c++) {
        let sum = 0;
        for (let m = 0; m < END_DOF; m++) sum += t[m * 7 + r]! * forces[(e * END_DOF + m) * ELEMENT_DOF + c]!;
        stiffness[(e * END_DOF + r) * ELEMENT_DOF + c] = r === 6 ? sum * ratio[e]! : sum;
      }
  }
  return { forces, stiffness };
}
