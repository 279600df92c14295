import { addNodeLoads, badLoad, lineLoadsOf } from './loads';
import {
  NODE_DOF,
  type BeamModel,
  type CaseResult,
  type LoadCase,
  type Solved,
  type Support,
  type Unsolvable,
} from './model';
import { numberUnknowns, prepare, type Numbering, type Prepared, type WorkedElements } from './prepared';
import { characteristicLength, held, recovered, type System } from './recovery';
import { SIZE } from './element';
import {
  addTo,
  diagonalAt,
  emptyMatrix,
  factorise,
  freeMode,
  placeOf,
  solveFactored,
  stillness,
  type Factors,
  type Matrix,
} from './sparse';

/** A shape that meets less resistance than this share of what its unknowns meet one by one moves freely. */
const FREE_STILLNESS = 1e-12;

/** A frame ready for any number of load cases: one factorisation. */
export interface PreparedFrame {
  readonly model: BeamModel;
  readonly solve: (cases: readonly LoadCase[]) => Solved;
  readonly unknownCount: number;
}

/**
 * Builds and factorises a frame. A frame that can move, or an element that is none, is answered with where and why. Elements `known` from another model
 * on the same nodes are taken over; those worked out now are known afterwards.
 */
export function prepareFrame(
  model: BeamModel,
  known: WorkedElements = new WeakMap(),
): PreparedFrame | Unsolvable {
  if (!model.supports.some((support) => support.stiffness.some((k) => k > 0))) return { kind: 'no supports' };
  const numbering = numberUnknowns(model);
  const prepared: Prepared[] = [];
  for (const [index, element] of model.elements.entries()) {
    const one = prepare(model, element, numbering, known);
    if (typeof one === 'string') return { kind: 'bad element', element: index, id: element.id, why: one };
    prepared.push(one);
  }
  return assembled(model, numbering, prepared);
}

type Ties = readonly (readonly [a: number | undefined, b: number | undefined, stiffness: number])[];

/** Both its nodes' unknowns stand together in the rows of whichever is eliminated first. */
function addElement(matrix: Matrix, { unknowns, stiffness }: Prepared): void {
  const { first, blockOf, rows, start, values } = matrix;
  const [one, other] = [blockOf[unknowns[0]!]!, blockOf[unknowns[SIZE / 2]!]!];
  const [early, late] = one < other ? [one, other] : [other, one];
  const width = rows[early]!.length;
  const besideEarly = placeOf(matrix, early, late) - first[late]!;
  for (let r = 0; r < SIZE; r++)
    for (let c = r; c < SIZE; c++) {
      const value = stiffness[r * SIZE + c]!;
      const p = unknowns[r]!,
        q = unknowns[c]!;
      if (value === 0 || p < 0 || q < 0) continue;
      const row = Math.min(p, q),
        column = Math.max(p, q);
      const block = blockOf[row]!;
      const at =
        block === early
          ? start[early]! +
            (row - first[early]!) * width +
            (blockOf[column] === early ? column - first[early]! : column + besideEarly)
          : start[late]! + (row - first[late]!) * rows[late]!.length + column - first[late]!;
      values[at]! += p === q && r !== c ? 2 * value : value;
    }
}

function addTies(matrix: Matrix, ties: Ties): void {
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
  const matrix = emptyMatrix(numbering.pattern);
  for (const one of prepared) addElement(matrix, one);
  addTies(matrix, ties);
  const stiffest = stiffestDiagonal(matrix);
  for (const support of model.supports) addSupport(matrix, numbering, support, stiffest);
  const idle = holdIdle(matrix);
  const factors = factorise(matrix);
  const free = factors.suspects.find((unknown) => !(stillness(matrix, factors, unknown) > FREE_STILLNESS));
  if (free !== undefined) return mechanism(model, numbering, factors, free);
  const system: System = {
    model,
    numbering,
    prepared,
    matrix,
    stiffest,
    extentMm: characteristicLength(model),
  };
  return {
    model,
    unknownCount: numbering.count,
    solve: (cases) => solveCases(system, factors, idle, cases),
  };
}

const diagonalOf = (matrix: Matrix, k: number): number => matrix.values[diagonalAt(matrix, k)]!;

function stiffestDiagonal(matrix: Matrix): number {
  let most = 1;
  for (let k = 0; k < matrix.size; k++) most = Math.max(most, diagonalOf(matrix, k));
  return most;
}

/** Tᵀ k T of a spring at a point rigidly out from its node: its forces also turn the node. */
function addSupport(
  matrix: Matrix,
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
function holdIdle(matrix: Matrix): Uint8Array {
  const idle = new Uint8Array(matrix.size);
  for (let k = 0; k < matrix.size; k++)
    if (!(diagonalOf(matrix, k) > 0)) {
      idle[k] = 1;
      matrix.values[diagonalAt(matrix, k)] = 1;
    }
  return idle;
}

const DIRECTIONS = ['x', 'y', 'z', 'about x', 'about y', 'about z'] as const;

function mechanism(model: BeamModel, numbering: Numbering, factors: Factors, unknown: number): Unsolvable {
  const mode = freeMode(factors, unknown);
  const size = characteristicLength(model);
  let most = 0;
  let where = { node: numbering.nodeOf[unknown]!, dof: 0 };
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
