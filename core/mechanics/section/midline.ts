import type { Midline, MidlineNode, Section, Strip } from './section';
import { wiring } from './wiring';

/** Builds a midline. Throws RangeError when a strip names a node that does not exist. */
export function midline(
  nodes: readonly MidlineNode[],
  strips: readonly (readonly [fromNode: number, toNode: number, ...unknown[]])[],
): Midline {
  const graph = {
    nodeCount: nodes.length,
    from: new Int32Array(strips.length),
    to: new Int32Array(strips.length),
  };
  const lengthMm = new Float64Array(strips.length);
  for (let strip = 0; strip < strips.length; strip++) {
    const from = strips[strip]![0],
      to = strips[strip]![1];
    const one = nodes[from],
      other = nodes[to];
    if (!one || !other) throw new RangeError(`strip ${from}–${to} names a node that does not exist`);
    graph.from[strip] = from;
    graph.to[strip] = to;
    lengthMm[strip] = Math.sqrt((other[0] - one[0]) ** 2 + (other[1] - one[1]) ** 2);
  }
  const xMm = new Float64Array(nodes.length),
    yMm = new Float64Array(nodes.length);
  for (let node = 0; node < nodes.length; node++) {
    xMm[node] = nodes[node]![0];
    yMm[node] = nodes[node]![1];
  }
  return { xMm, yMm, from: graph.from, to: graph.to, lengthMm, whole: wiring(graph, () => true) };
}

/** Builds a section from plain lists. Throws RangeError as `midline` does, and for a thickness below 0. */
export function section(nodes: readonly MidlineNode[], strips: readonly Strip[]): Section {
  for (const [from, to, thicknessMm] of strips)
    if (!(thicknessMm >= 0)) throw new RangeError(`strip ${from}–${to} has thickness ${thicknessMm}`);
  return withThickness(
    midline(nodes, strips),
    Float64Array.from(strips, (strip) => strip[2]),
  );
}

/** A midline given its thicknesses: written out, since spreading it costs more than the section's properties do. */
export const withThickness = (
  { xMm, yMm, from, to, lengthMm, whole }: Midline,
  thicknessMm: Float64Array,
): Section => ({ xMm, yMm, from, to, lengthMm, whole, thicknessMm });
