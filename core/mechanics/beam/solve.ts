import { addNodeLoads, badLoad, lineLoadsOf } from './loads';
import {
  NODE_DOF,
  type BeamElement,
  type BeamModel,
  type CaseResult,
  type LoadCase,
  type Solved,
  type Support,
  type Unsolvable,
} from './model';
import { numberUnknowns, prepare, type Numbering, type Prepared } from './prepared';
import { characteristicLength, held, recovered, type System } from './recovery';
import { SIZE } from './element';
import { addTo, factorise, freeMode, skyline, solveFactored, type Factors, type Skyline } from './skyline';

/** A pivot that keeps less than this share of its diagonal moves freely: rounding leaves 1e-16 to 1e-13, the softest real support 1e-9. */
const FREE_SHARE = 1e-12;

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

type Ties = readonly (readonly [a: number | undefined, b: number | undefined, stiffness: number])[];

/** For each unknown the first one it is coupled to: the skyline's outline. */
function outline(
  model: BeamModel,
  numbering: Numbering,
  prepared: readonly Prepared[],
  ties: Ties,
): Int32Array {
  const first = Int32Array.from({ length: numbering.count }, (_, k) => k);
  const reach = (k: number, least: number) => {
    if (least < first[k]!) first[k] = least;
  };
  for (const { unknowns } of prepared) {
    const least = unknowns.reduce((low, k) => (k >= 0 && k < low ? k : low), numbering.count);
    for (const k of unknowns) if (k >= 0) reach(k, least);
  }
  for (const { node } of model.supports) {
    const start = numbering.nodeStart[node]!;
    for (let dof = 0; dof < NODE_DOF; dof++) reach(start + dof, start);
  }
  for (const [a, b] of ties) if (a !== undefined && b !== undefined) reach(Math.max(a, b), Math.min(a, b));
  return first;
}

function addElement(matrix: Skyline, { unknowns, stiffness }: Prepared): void {
  for (let r = 0; r < SIZE; r++)
    for (let c = r; c < SIZE; c++) {
      const value = stiffness[r * SIZE + c]!;
      if (value === 0 || unknowns[r]! < 0 || unknowns[c]! < 0) continue;
      addTo(matrix, unknowns[r]!, unknowns[c]!, unknowns[r] === unknowns[c] && r !== c ? 2 * value : value);
    }
}

function addTies(matrix: Skyline, ties: Ties): void {
  for (const [a, b, stiffness] of ties) {
    // A closed member has no warping to tie.
    if (a === undefined || b === undefined || !(diagonalOf(matrix, a) > 0 && diagonalOf(matrix, b) > 0))
      continue;
    addTo(matrix, a, a, stiffness);
    addTo(matrix, b, b, stiffness);
    addTo(matrix, a, b, -stiffness);
  }
}

function assembled(
  model: BeamModel,
  numbering: Numbering,
  prepared: readonly Prepared[],
): PreparedFrame | Unsolvable {
  const ties: Ties = (model.warpTies ?? []).map(({ node, keys: [one, other], stiffness }) => [
    numbering.warp.get(`${node}:${one}`),
    numbering.warp.get(`${node}:${other}`),
    stiffness,
  ]);
  const matrix = skyline(numbering.count, outline(model, numbering, prepared, ties));
  for (const one of prepared) addElement(matrix, one);
  addTies(matrix, ties);
  const stiffest = stiffestDiagonal(matrix);
  for (const support of model.supports) addSupport(matrix, numbering, support, stiffest);
  const idle = holdIdle(matrix);
  const factors = factorise(matrix);
  if (!(factors.weakest.share > FREE_SHARE)) return mechanism(model, numbering, factors);
  const system: System = { model, numbering, prepared, matrix, stiffest };
  return {
    model,
    unknownCount: numbering.count,
    solve: (cases) => solveCases(system, factors, idle, cases),
    withElements: (changed) => withChanged(system, changed),
  };
}

/** The same frame with some elements' profiles changed. */
function withChanged(
  { model, numbering, prepared }: System,
  changed: ReadonlyMap<number, BeamElement>,
): PreparedFrame | Unsolvable {
  const next = [...prepared];
  const elements = [...model.elements];
  for (const [index, element] of changed) {
    const one = prepare(model, element, numbering);
    if (typeof one === 'string') return { kind: 'bad element', element: index, id: element.id, why: one };
    next[index] = one;
    elements[index] = element;
  }
  return assembled({ ...model, elements }, numbering, next);
}

const diagonalOf = (matrix: Skyline, k: number): number => matrix.values[matrix.start[k + 1]! - 1]!;

function stiffestDiagonal(matrix: Skyline): number {
  let most = 1;
  for (let k = 0; k < matrix.size; k++) most = Math.max(most, diagonalOf(matrix, k));
  return most;
}

/** Tᵀ k T of a spring at a point rigidly out from its node: its forces also turn the node. */
function addSupport(
  matrix: Skyline,
  numbering: Numbering,
  { node, offsetMm, stiffness }: Support,
  stiffest: number,
): void {
  const start = numbering.nodeStart[node]!;
  const [x, y, z] = offsetMm ?? [0, 0, 0];
  // point = u + θ × r
  const rows = [
    [1, 0, 0, 0, z, -y],
    [0, 1, 0, -z, 0, x],
    [0, 0, 1, y, -x, 0],
    [0, 0, 0, 1, 0, 0],
    [0, 0, 0, 0, 1, 0],
    [0, 0, 0, 0, 0, 1],
  ];
  stiffness.forEach((raw, dof) => {
    const k = held(raw, stiffest, offsetMm !== undefined);
    if (!(k > 0)) return;
    for (let r = 0; r < 6; r++)
      for (let c = r; c < 6; c++) {
        const value = k * rows[dof]![r]! * rows[dof]![c]!;
        if (value !== 0) addTo(matrix, start + r, start + c, value);
      }
  });
}

/** Unknowns that nothing resists and nothing couples (warping of closed members, turns of a pin): held, and remembered. */
function holdIdle(matrix: Skyline): Uint8Array {
  const idle = new Uint8Array(matrix.size);
  for (let k = 0; k < matrix.size; k++)
    if (!(diagonalOf(matrix, k) > 0)) {
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
  return {
    kind: 'mechanism',
    node: where.node,
    at: model.nodes[where.node]!,
    along: DIRECTIONS[where.dof]!,
    moving,
  };
}

function solveCases(system: System, factors: Factors, idle: Uint8Array, cases: readonly LoadCase[]): Solved {
  const { model, numbering, prepared } = system;
  const results: CaseResult[] = [];
  for (const load of cases) {
    const wrong = badLoad(model, load);
    if (wrong) return { ok: false, reason: { kind: 'bad load', caseId: load.id, why: wrong } };
    const f = new Float64Array(numbering.count);
    const ownLoads = lineLoadsOf(model, prepared, load, f);
    addNodeLoads(numbering, load, f);
    const pushed = f.findIndex((force, k) => idle[k] !== 0 && Math.abs(force) > 0);
    if (pushed >= 0) return { ok: false, reason: heldByNothing(system, pushed) };
    results.push(recovered(system, load, { ownLoads, f, u: solveFactored(factors, f) }));
  }
  return { ok: true, cases: results };
}

/** A load on an unknown that nothing holds. */
function heldByNothing({ model, numbering }: System, unknown: number): Unsolvable {
  const node = numbering.nodeOf[unknown]!;
  return {
    kind: 'mechanism',
    node,
    at: model.nodes[node]!,
    along: DIRECTIONS[unknown - numbering.nodeStart[node]!] ?? 'about x',
    moving: [node],
  };
}

/** One frame, its cases. */
export function solveFrame(model: BeamModel, cases: readonly LoadCase[]): Solved {
  const frame = prepareFrame(model);
  return 'solve' in frame ? frame.solve(cases) : { ok: false, reason: frame };
}
