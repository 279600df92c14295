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
import { characteristicLength, held, recovered } from './recovery';
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

function assembled(
  model: BeamModel,
  numbering: Numbering,
  prepared: readonly Prepared[],
): PreparedFrame | Unsolvable {
  const first = Int32Array.from({ length: numbering.count }, (_, k) => k);
  for (const { unknowns } of prepared) {
    const least = unknowns.reduce((low, k) => (k >= 0 && k < low ? k : low), numbering.count);
    for (const k of unknowns) if (k >= 0 && least < first[k]!) first[k] = least;
  }
  for (const { node } of model.supports)
    for (let dof = 0; dof < NODE_DOF; dof++)
      first[numbering.nodeStart[node]! + dof] = Math.min(
        first[numbering.nodeStart[node]! + dof]!,
        numbering.nodeStart[node]!,
      );
  const ties = (model.warpTies ?? []).map(
    ({ node, keys: [one, other], stiffness }) =>
      [numbering.warp.get(`${node}:${one}`), numbering.warp.get(`${node}:${other}`), stiffness] as const,
  );
  for (const [a, b] of ties)
    if (a !== undefined && b !== undefined) first[Math.max(a, b)] = Math.min(first[Math.max(a, b)]!, a, b);
  const matrix = skyline(numbering.count, first);
  for (const { unknowns, stiffness } of prepared) {
    for (let r = 0; r < SIZE; r++)
      for (let c = r; c < SIZE; c++) {
        const value = stiffness[r * SIZE + c]!;
        if (value === 0 || unknowns[r]! < 0 || unknowns[c]! < 0) continue;
        addTo(matrix, unknowns[r]!, unknowns[c]!, unknowns[r] === unknowns[c] && r !== c ? 2 * value : value);
      }
  }
  for (const [a, b, stiffness] of ties) {
    // A closed member has no warping to tie.
    if (a === undefined || b === undefined || !(diagonalOf(matrix, a) > 0 && diagonalOf(matrix, b) > 0))
      continue;
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
    model,
    unknownCount: numbering.count,
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

function solveCases(
  model: BeamModel,
  numbering: Numbering,
  prepared: readonly Prepared[],
  matrix: Skyline,
  factors: Factors,
  idle: Uint8Array,
  stiffest: number,
  cases: readonly LoadCase[],
): Solved {
  const results: CaseResult[] = [];
  for (const load of cases) {
    const wrong = badLoad(model, load);
    if (wrong) return { ok: false, reason: { kind: 'bad load', caseId: load.id, why: wrong } };
    const f = new Float64Array(numbering.count);
    const ownLoads = lineLoadsOf(model, prepared, load, f);
    addNodeLoads(numbering, load, f);
    for (let k = 0; k < f.length; k++)
      if (idle[k] && Math.abs(f[k]!) > 0) {
        const node = numbering.nodeOf[k]!;
        return {
          ok: false,
          reason: {
            kind: 'mechanism',
            node,
            at: model.nodes[node]!,
            along: DIRECTIONS[k - numbering.nodeStart[node]!] ?? 'about x',
            moving: [node],
          },
        };
      }
    const u = solveFactored(factors, f);
    results.push(recovered(model, numbering, prepared, ownLoads, load, f, u, matrix, stiffest));
  }
  return { ok: true, cases: results };
}

/** One frame, its cases. */
export function solveFrame(model: BeamModel, cases: readonly LoadCase[]): Solved {
  const frame = prepareFrame(model);
  return 'solve' in frame ? frame.solve(cases) : { ok: false, reason: frame };
}
