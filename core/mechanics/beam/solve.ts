import { elementFrame, END, endTransform, ownLineLoad, ownStiffness, release, SIZE, cross, plus, type ElementFrame } from './element';
import { NODE_DOF, type BeamElement, type BeamModel, type CaseResult, type ElementEnd, type EndForces, type LineLoad, type LoadCase, type NodeLoad, type Solved, type Support, type Unsolvable, type Vector3 } from './model';
import { addTo, factorise, freeMode, multiply, nodeOrder, skyline, solveFactored, type Factors, type Skyline } from './skyline';

/** A pivot that keeps less than this share of its diagonal moves freely: rounding leaves 1e-16 to 1e-13, the softest real support 1e-9. */
const FREE_SHARE = 1e-12;

/** An element worked out: its stiffness and the way from the model's unknowns to its own dof. */
interface Prepared {
  readonly element: BeamElement;
  readonly frame: ElementFrame;
  /** Halfway along its line of reference points. */
  readonly middle: Vector3;
  /** 7 × 7 for each end. */
  readonly turn: readonly [Float64Array, Float64Array];
  /** The model's unknowns of the fourteen, −1 where held; and the factor on a shared warping. */
  readonly unknowns: Int32Array;
  readonly warpRatio: readonly [number, number];
  /** Stiffness on the model's unknowns, upper half; and the element's own end forces for them, 14 × 14. */
  readonly stiffness: Float64Array;
  readonly forces: Float64Array;
  /** Loads of 1 N/mm along each global axis on the centroid: own end loads, and the same on the model's unknowns. Made when first asked for. */
  unit?: readonly (readonly [own: Float64Array, onUnknowns: Float64Array])[];
}

/** A frame ready for any number of load cases: one factorisation. */
export interface PreparedFrame {
  readonly model: BeamModel;
  readonly solve: (cases: readonly LoadCase[]) => Solved;
  /** The same frame with some elements' profiles changed; the rest is kept. */
  readonly withElements: (changed: ReadonlyMap<number, BeamElement>) => PreparedFrame | Unsolvable;
  readonly unknownCount: number;
}

/** Builds and factorises a frame. A frame that can move, or an element that is none, is answered with where and why. */
export function prepareFrame(model: BeamModel): PreparedFrame | Unsolvable {
  if (!model.supports.some((support) => support.stiffness.some((k) => k > 0))) return { kind: 'no supports' };
  const numbering = numberUnknowns(model);
  const prepared: Prepared[] = [];
  for (const [index, element] of model.elements.entries()) {
    const one = prepare(model, element, numbering);
    if (typeof one === 'string') return { kind: 'bad element', element: index, id: element.id, why: one };
    prepared.push(one);
  }
  return assembled(model, numbering, prepared);
}

interface Numbering {
  readonly count: number;
  /** First unknown of each node. */
  readonly nodeStart: Int32Array;
  readonly nodeOf: Int32Array;
  readonly warp: ReadonlyMap<string, number>;
}

const warpKey = (end: ElementEnd): string | undefined => (end.warping.kind === 'shared' ? `${end.node}:${end.warping.key}` : undefined);

function numberUnknowns({ nodes, elements }: BeamModel): Numbering {
  const neighbours = nodes.map(() => new Set<number>());
  const warps = nodes.map(() => new Set<string>());
  for (const { from, to } of elements) {
    neighbours[from.node]?.add(to.node);
    neighbours[to.node]?.add(from.node);
    for (const end of [from, to]) {
      const key = warpKey(end);
      if (key) warps[end.node]?.add(key);
    }
  }
  const nodeStart = new Int32Array(nodes.length);
  const warp = new Map<string, number>();
  const nodeOf: number[] = [];
  for (const node of nodeOrder(neighbours.map((set) => [...set]))) {
    nodeStart[node] = nodeOf.length;
    for (let dof = 0; dof < NODE_DOF; dof++) nodeOf.push(node);
    for (const key of warps[node]!) {
      warp.set(key, nodeOf.length);
      nodeOf.push(node);
    }
  }
  return { count: nodeOf.length, nodeStart, nodeOf: Int32Array.from(nodeOf), warp };
}

function prepare(model: BeamModel, element: BeamElement, numbering: Numbering): Prepared | string {
  const frame = elementFrame(model.nodes, element);
  if (typeof frame === 'string') return frame;
  const { profile } = element;
  if (!(profile.areaMm2 > 0 && profile.iyyMm4 > 0 && profile.izzMm4 > 0 && profile.jMm4 > 0)) return 'a section without metal';
  const own = ownStiffness(profile, frame.lengthMm, model);
  release(own, [], element.from.released, element.to.released);
  for (const [end, at] of [[element.from, 6], [element.to, END + 6]] as const) if (end.warping.kind === 'free' && own[at * SIZE + at]! > 0) letGo(own, at);
  const turn = [endTransform(profile, frame.axes, element.from.offsetMm), endTransform(profile, frame.axes, element.to.offsetMm)] as const;
  const warpRatio = [element.from, element.to].map((end) => (end.warping.kind === 'shared' ? end.warping.ratio : 0)) as [number, number];
  const unknowns = new Int32Array(SIZE);
  for (const [half, end] of [element.from, element.to].entries()) {
    for (let dof = 0; dof < NODE_DOF; dof++) unknowns[half * END + dof] = numbering.nodeStart[end.node]! + dof;
    const key = warpKey(end);
    unknowns[half * END + 6] = key === undefined ? -1 : numbering.warp.get(key)!;
  }
  const [a, b] = [plus(model.nodes[element.from.node]!, element.from.offsetMm), plus(model.nodes[element.to.node]!, element.to.offsetMm)];
  const middle: Vector3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
  return { element, frame, middle, turn, unknowns, warpRatio, ...turned(own, turn, warpRatio) };
}

function letGo(own: Float64Array, dof: number): void {
  const column = Float64Array.from({ length: SIZE }, (_, row) => own[row * SIZE + dof]!);
  const pivot = column[dof]!;
  for (let row = 0; row < SIZE; row++) for (let c = 0; c < SIZE; c++) own[row * SIZE + c]! -= (column[row]! * column[c]!) / pivot;
  for (let row = 0; row < SIZE; row++) own[row * SIZE + dof] = own[dof * SIZE + row] = 0;
}

/** K T and Tᵀ K T, end by end; the warping column takes its ratio. */
function turned(own: Float64Array, turn: readonly [Float64Array, Float64Array], ratio: readonly [number, number]): { forces: Float64Array; stiffness: Float64Array } {
  const forces = new Float64Array(SIZE * SIZE);
  for (let e = 0; e < 2; e++) {
    const t = turn[e]!;
    for (let row = 0; row < SIZE; row++) for (let c = 0; c < END; c++) {
      let sum = 0;
      for (let m = 0; m < END; m++) sum += own[row * SIZE + e * END + m]! * t[m * 7 + c]!;
      forces[row * SIZE + e * END + c] = c === 6 ? sum * ratio[e]! : sum;
    }
  }
  const stiffness = new Float64Array(SIZE * SIZE);
  for (let e = 0; e < 2; e++) {
    const t = turn[e]!;
    for (let r = 0; r < END; r++) for (let c = e * END + r; c < SIZE; c++) {
      let sum = 0;
      for (let m = 0; m < END; m++) sum += t[m * 7 + r]! * forces[(e * END + m) * SIZE + c]!;
      stiffness[(e * END + r) * SIZE + c] = r === 6 ? sum * ratio[e]! : sum;
    }
  }
  return { forces, stiffness };
}

function assembled(model: BeamModel, numbering: Numbering, prepared: readonly Prepared[]): PreparedFrame | Unsolvable {
  const first = Int32Array.from({ length: numbering.count }, (_, k) => k);
  for (const { unknowns } of prepared) {
    const least = unknowns.reduce((low, k) => (k >= 0 && k < low ? k : low), numbering.count);
    for (const k of unknowns) if (k >= 0 && least < first[k]!) first[k] = least;
  }
  for (const { node } of model.supports) for (let dof = 0; dof < NODE_DOF; dof++) first[numbering.nodeStart[node]! + dof] = Math.min(first[numbering.nodeStart[node]! + dof]!, numbering.nodeStart[node]!);
  const ties = (model.warpTies ?? []).map(({ node, keys: [one, other], stiffness }) => [numbering.warp.get(`${node}:${one}`), numbering.warp.get(`${node}:${other}`), stiffness] as const);
  for (const [a, b] of ties) if (a !== undefined && b !== undefined) first[Math.max(a, b)] = Math.min(first[Math.max(a, b)]!, a, b);
  const matrix = skyline(numbering.count, first);
  for (const { unknowns, stiffness } of prepared) {
    for (let r = 0; r < SIZE; r++) for (let c = r; c < SIZE; c++) {
      const value = stiffness[r * SIZE + c]!;
      if (value === 0 || unknowns[r]! < 0 || unknowns[c]! < 0) continue;
      addTo(matrix, unknowns[r]!, unknowns[c]!, unknowns[r] === unknowns[c] && r !== c ? 2 * value : value);
    }
  }
  for (const [a, b, stiffness] of ties) {
    // A closed member has no warping to tie.
    if (a === undefined || b === undefined || !(diagonalOf(matrix, a) > 0 && diagonalOf(matrix, b) > 0)) continue;
    addTo(matrix, a, a, stiffness);
    addTo(matrix, b, b, stiffness);
    addTo(matrix, a, b, -stiffness);
  }
  const stiffest = stiffestDiagonal(matrix);
  for (const support of model.supports) addSupport(matrix, numbering, support, stiffest);
  const idle = holdIdle(matrix);
  const factors = factorise(matrix);
  if (!(factors.weakest.share > FREE_SHARE)) return mechanism(model, numbering, factors);
  const frame: PreparedFrame = {
    model, unknownCount: numbering.count,
    solve: (cases) => solveCases(model, numbering, prepared, matrix, factors, idle, stiffest, cases),
    withElements: (changed) => {
      const next = [...prepared];
      const elements = [...model.elements];
      for (const [index, element] of changed) {
        const one = prepare(model, element, numbering);
        if (typeof one === 'string') return { kind: 'bad element', element: index, id: element.id, why: one };
        next[index] = one;
        elements[index] = element;
      }
      return assembled({ ...model, elements }, numbering, next);
    },
  };
  return frame;
}

const diagonalOf = (matrix: Skyline, k: number): number => matrix.values[matrix.start[k + 1]! - 1]!;

function stiffestDiagonal(matrix: Skyline): number {
  let most = 1;
  for (let k = 0; k < matrix.size; k++) most = Math.max(most, diagonalOf(matrix, k));
  return most;
}

/** A hold that never gives: so stiff that the frame cannot tell. Out on an offset it couples move and turn, where a stiffer one would cost digits. */
const held = (k: number, stiffest: number, isOffset: boolean): number => (k === Infinity ? stiffest * (isOffset ? 1e6 : 1e10) : k);

/** Tᵀ k T of a spring at a point rigidly out from its node: its forces also turn the node. */
function addSupport(matrix: Skyline, numbering: Numbering, { node, offsetMm, stiffness }: Support, stiffest: number): void {
  const start = numbering.nodeStart[node]!;
  const [x, y, z] = offsetMm ?? [0, 0, 0];
  // point = u + θ × r
  const rows = [[1, 0, 0, 0, z, -y], [0, 1, 0, -z, 0, x], [0, 0, 1, y, -x, 0], [0, 0, 0, 1, 0, 0], [0, 0, 0, 0, 1, 0], [0, 0, 0, 0, 0, 1]];
  stiffness.forEach((raw, dof) => {
    const k = held(raw, stiffest, offsetMm !== undefined);
    if (!(k > 0)) return;
    for (let r = 0; r < 6; r++) for (let c = r; c < 6; c++) {
      const value = k * rows[dof]![r]! * rows[dof]![c]!;
      if (value !== 0) addTo(matrix, start + r, start + c, value);
    }
  });
}

/** Unknowns that nothing resists and nothing couples (warping of closed members, turns of a pin): held, and remembered. */
function holdIdle(matrix: Skyline): Uint8Array {
  const idle = new Uint8Array(matrix.size);
  for (let k = 0; k < matrix.size; k++) if (!(diagonalOf(matrix, k) > 0)) {
    idle[k] = 1;
    matrix.values[matrix.start[k + 1]! - 1] = 1;
  }
  return idle;
}

const DIRECTIONS = ['x', 'y', 'z', 'about x', 'about y', 'about z'] as const;

function mechanism(model: BeamModel, numbering: Numbering, factors: Factors): Unsolvable {
  const mode = freeMode(factors, factors.weakest.column);
  const size = characteristicLength(model);
  let most = 0;
  let where = { node: numbering.nodeOf[factors.weakest.column]!, dof: 0 };
  const moving: number[] = [];
  model.nodes.forEach((_, node) => {
    let here = 0;
    for (let dof = 0; dof < NODE_DOF; dof++) {
      const amount = Math.abs(mode[numbering.nodeStart[node]! + dof]!) * (dof < 3 ? 1 : size / 20);
      here = Math.max(here, amount);
      if (amount > most) [most, where] = [amount, { node, dof }];
    }
    if (here > 0) moving.push(node);
  });
  return { kind: 'mechanism', node: where.node, at: model.nodes[where.node]!, along: DIRECTIONS[where.dof]!, moving };
}

function characteristicLength({ nodes }: BeamModel): number {
  const span = (axis: 0 | 1 | 2) => Math.max(...nodes.map((node) => node[axis])) - Math.min(...nodes.map((node) => node[axis]));
  return Math.max(span(0), span(1), span(2), 1);
}

function solveCases(model: BeamModel, numbering: Numbering, prepared: readonly Prepared[], matrix: Skyline, factors: Factors, idle: Uint8Array, stiffest: number, cases: readonly LoadCase[]): Solved {
  const results: CaseResult[] = [];
  for (const load of cases) {
    const wrong = badLoad(model, load);
    if (wrong) return { ok: false, reason: { kind: 'bad load', caseId: load.id, why: wrong } };
    const f = new Float64Array(numbering.count);
    const ownLoads = lineLoadsOf(model, prepared, load, f);
    addNodeLoads(numbering, load, f);
    for (let k = 0; k < f.length; k++) if (idle[k] && Math.abs(f[k]!) > 0) {
      const node = numbering.nodeOf[k]!;
      return { ok: false, reason: { kind: 'mechanism', node, at: model.nodes[node]!, along: DIRECTIONS[k - numbering.nodeStart[node]!] ?? 'about x', moving: [node] } };
    }
    const u = solveFactored(factors, f);
    results.push(recovered(model, numbering, prepared, ownLoads, load, f, u, matrix, stiffest));
  }
  return { ok: true, cases: results };
}

const areNumbers = (vector: readonly number[] | undefined): boolean => vector === undefined || vector.every((value) => Number.isFinite(value));

function badLoad(model: BeamModel, load: LoadCase): string | undefined {
  for (const { node, forceN, momentNmm, offsetMm } of load.nodeLoads) {
    if (!model.nodes[node]) return `a load on node ${node}, which does not exist`;
    if (!(areNumbers(forceN) && areNumbers(momentNmm) && areNumbers(offsetMm))) return `a load on node ${node} that is no number`;
  }
  for (const { element, perMmN } of load.lineLoads) {
    if (!model.elements[element]) return `a load on element ${element}, which does not exist`;
    if (!(Number.isFinite(perMmN[0]) && Number.isFinite(perMmN[1]) && Number.isFinite(perMmN[2]))) return `a load on element ${model.elements[element].id} that is no number`;
  }
  return undefined;
}

const AXES: readonly Vector3[] = [[1, 0, 0], [0, 1, 0], [0, 0, 1]];

/** End loads of a load spread over an element: its own dof, and those the model knows. */
function endLoads(model: BeamModel, { element, frame, turn, warpRatio }: Prepared, line: LineLoad): readonly [Float64Array, Float64Array] {
  const own = ownLineLoad(element.profile, frame, line, model);
  if (element.from.released || element.to.released) release(ownStiffness(element.profile, frame.lengthMm, model), [own], element.from.released, element.to.released);
  const onUnknowns = new Float64Array(SIZE);
  for (let e = 0; e < 2; e++) for (let c = 0; c < END; c++) {
    let sum = 0;
    for (let m = 0; m < END; m++) sum += turn[e]![m * 7 + c]! * own[e * END + m]!;
    onUnknowns[e * END + c] = c === 6 ? sum * warpRatio[e]! : sum;
  }
  return [own, onUnknowns];
}

/** Own end loads of every loaded element; what they put on the model's unknowns is added to `f`. */
function lineLoadsOf(model: BeamModel, prepared: readonly Prepared[], load: LoadCase, f: Float64Array): (Float64Array | undefined)[] {
  const sums: (Float64Array | undefined)[] = [];
  const add = ({ unknowns }: Prepared, into: Float64Array, [own, onUnknowns]: readonly [Float64Array, Float64Array], times: number) => {
    for (let k = 0; k < SIZE; k++) {
      into[k]! += times * own[k]!;
      const at = unknowns[k]!;
      if (at >= 0) f[at]! += times * onUnknowns[k]!;
    }
  };
  for (const line of load.lineLoads) {
    const one = prepared[line.element]!;
    const into = (sums[line.element] ??= new Float64Array(SIZE));
    if (line.lineYz) {
      add(one, into, endLoads(model, one, line), 1);
      continue;
    }
    one.unit ??= AXES.map((perMmN) => endLoads(model, one, { element: line.element, perMmN }));
    for (let axis = 0; axis < 3; axis++) if (line.perMmN[axis]! !== 0) add(one, into, one.unit[axis]!, line.perMmN[axis]!);
  }
  return sums;
}

function addNodeLoads(numbering: Numbering, load: LoadCase, f: Float64Array): void {
  for (const nodeLoad of load.nodeLoads) {
    const start = numbering.nodeStart[nodeLoad.node]!;
    const moment = momentOnNode(nodeLoad);
    for (let axis = 0; axis < 3; axis++) {
      f[start + axis]! += nodeLoad.forceN[axis]!;
      f[start + 3 + axis]! += moment[axis]!;
    }
  }
}

const momentOnNode = ({ forceN, momentNmm, offsetMm }: NodeLoad): Vector3 => plus(offsetMm ? cross(offsetMm, forceN) : [0, 0, 0], momentNmm);

function recovered(model: BeamModel, numbering: Numbering, prepared: readonly Prepared[], ownLoads: readonly (Float64Array | undefined)[], load: LoadCase, f: Float64Array, u: Float64Array, matrix: Skyline, stiffest: number): CaseResult {
  const displacements = new Float64Array(model.nodes.length * NODE_DOF);
  model.nodes.forEach((_, node) => displacements.set(u.subarray(numbering.nodeStart[node]!, numbering.nodeStart[node]! + NODE_DOF), node * NODE_DOF));
  const from: EndForces[] = [], to: EndForces[] = [];
  prepared.forEach((one, index) => {
    const ends = endForces(model, one, u, ownLoads[index]);
    from.push(ends[0]);
    to.push(ends[1]);
  });
  const reactions = model.supports.map((support) => reactionOf(support, displacements, stiffest));
  const away = multiply(matrix, u);
  let error = 0, size = 0;
  for (let k = 0; k < f.length; k++) {
    error += (away[k]! - f[k]!) ** 2;
    size += f[k]! ** 2;
  }
  return { id: load.id, displacements, from, to, reactions, residual: size > 0 ? Math.sqrt(error / size) : 0, equilibriumError: unbalanced(model, prepared, load, reactions) };
}

/** Forces at the far end and the near end's bimoment from the stiffness; the rest of the near end by balance. */
function endForces(model: BeamModel, { element, frame, forces, unknowns, warpRatio }: Prepared, u: Float64Array, load: Float64Array | undefined): [EndForces, EndForces] {
  let q6 = 0, q7 = 0, q8 = 0, q9 = 0, q10 = 0, q11 = 0, q12 = 0, q13 = 0;
  for (let c = 0; c < SIZE; c++) {
    const at = unknowns[c]!;
    if (at < 0) continue;
    const value = u[at]!;
    q6 += forces[84 + c]! * value; q7 += forces[98 + c]! * value; q8 += forces[112 + c]! * value; q9 += forces[126 + c]! * value;
    q10 += forces[140 + c]! * value; q11 += forces[154 + c]! * value; q12 += forces[168 + c]! * value; q13 += forces[182 + c]! * value;
  }
  let q0 = -q7, q1 = -q8, q2 = -q9, q3 = -q10, q4 = frame.lengthMm * q9 - q11, q5 = -frame.lengthMm * q8 - q12;
  if (load) {
    q0 -= load[0]!; q1 -= load[1]!; q2 -= load[2]!; q3 -= load[3]!; q4 -= load[4]!; q5 -= load[5]!; q6 -= load[6]!;
    q7 -= load[7]!; q8 -= load[8]!; q9 -= load[9]!; q10 -= load[10]!; q11 -= load[11]!; q12 -= load[12]!; q13 -= load[13]!;
  }
  const warps = element.profile.cwMm6 > 0;
  const twistRigidity = model.shearMpa * element.profile.jMm4;
  const twist = (half: 0 | 1) => (unknowns[half * END + 6]! < 0 ? 0 : u[unknowns[half * END + 6]!]! * warpRatio[half]);
  return [
    { axialN: 0 - q0, shearYN: 0 - q1, shearZN: 0 - q2, torqueNmm: 0 - q3, momentYNmm: 0 - q4, momentZNmm: 0 - q5, stVenantNmm: warps ? twistRigidity * twist(0) : 0 - q3, bimomentNmm2: q6 },
    { axialN: q7, shearYN: q8, shearZN: q9, torqueNmm: q10, momentYNmm: q11, momentZNmm: q12, stVenantNmm: warps ? twistRigidity * twist(1) : q10, bimomentNmm2: 0 - q13 },
  ];
}

function reactionOf({ node, offsetMm, stiffness }: Support, displacements: Float64Array, stiffest: number): number[] {
  const at = (dof: number) => displacements[node * NODE_DOF + dof]!;
  const turn: Vector3 = [at(3), at(4), at(5)];
  const [mx, my, mz] = offsetMm ? cross(turn, offsetMm) : [0, 0, 0];
  const moved = [at(0) + mx!, at(1) + my!, at(2) + mz!, ...turn];
  return stiffness.map((k, dof) => (k > 0 ? -held(k, stiffest, offsetMm !== undefined) * moved[dof]! + 0 : 0));
}

/** All forces and moments about the origin, summed: what is left over the sum of what was applied. */
function unbalanced(model: BeamModel, prepared: readonly Prepared[], load: LoadCase, reactions: readonly (readonly number[])[]): number {
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
    const [px, py, pz] = [middle[0] + y * axes[3]! + z * axes[6]!, middle[1] + y * axes[4]! + z * axes[7]!, middle[2] + y * axes[5]! + z * axes[8]!];
    const [fx, fy, fz] = [line.perMmN[0] * lengthMm, line.perMmN[1] * lengthMm, line.perMmN[2] * lengthMm];
    sum[0]! += fx; sum[1]! += fy; sum[2]! += fz;
    sum[3]! += py * fz - pz * fy; sum[4]! += pz * fx - px * fz; sum[5]! += px * fy - py * fx;
    applied += Math.sqrt(fx * fx + fy * fy + fz * fz);
  }
  model.supports.forEach((support, k) => {
    const r = reactions[k]!;
    add(plus(model.nodes[support.node]!, support.offsetMm), [r[0]!, r[1]!, r[2]!], [r[3]!, r[4]!, r[5]!]);
  });
  const scale = applied || 1;
  const arm = characteristicLength(model);
  return Math.max(...sum.slice(0, 3).map((value) => Math.abs(value) / scale), ...sum.slice(3).map((value) => Math.abs(value) / (scale * arm)));
}

/** One frame, its cases. */
export function solveFrame(model: BeamModel, cases: readonly LoadCase[]): Solved {
  const frame = prepareFrame(model);
  return 'solve' in frame ? frame.solve(cases) : { ok: false, reason: frame };
}
