import type { Cycle, Section, Wiring } from './section';

interface Graph {
  readonly nodeCount: number;
  readonly from: Int32Array;
  readonly to: Int32Array;
}

/** How a section hangs together as it is: its midline's own wiring unless a strip is gone. */
export function wiringOf(section: Section): Wiring {
  const { thicknessMm } = section;
  for (let strip = 0; strip < thicknessMm.length; strip++) {
    if (!(thicknessMm[strip]! > 0))
      return wiring(
        { nodeCount: section.xMm.length, from: section.from, to: section.to },
        (each) => thicknessMm[each]! > 0,
      );
  }
  return section.whole;
}

/** Works out the wiring of the strips that are there. */
export function wiring(graph: Graph, isThere: (strip: number) => boolean): Wiring {
  const forest = spanningForest(graph, isThere);
  const chords = chordsOf(graph, isThere, forest);
  return { ...forest, chords, cycles: chords.map((chord) => cycleThrough(chord, graph, forest)) };
}

type Forest = Omit<Wiring, 'chords' | 'cycles'>;

function spanningForest(graph: Graph, isThere: (strip: number) => boolean): Forest {
  const { nodeCount, from, to } = graph;
  const { start, incident } = incidence(graph, isThere);
  const parentStrip = new Int32Array(nodeCount).fill(-1);
  const parentNode = new Int32Array(nodeCount).fill(-1);
  const depth = new Int32Array(nodeCount).fill(-1);
  const queue = new Int32Array(nodeCount);
  let tail = 0;
  let pieces = 0;
  for (let root = 0; root < nodeCount; root++) {
    if (depth[root]! >= 0 || start[root] === start[root + 1]) continue;
    pieces++;
    depth[root] = 0;
    let head = tail;
    queue[tail++] = root;
    while (head < tail) {
      const node = queue[head++]!;
      for (let k = start[node]!; k < start[node + 1]!; k++) {
        const strip = incident[k]!;
        const other = from[strip] === node ? to[strip]! : from[strip]!;
        if (depth[other]! >= 0) continue;
        depth[other] = depth[node]! + 1;
        parentStrip[other] = strip;
        parentNode[other] = node;
        queue[tail++] = other;
      }
    }
  }
  return { visited: queue.subarray(0, tail), parentStrip, parentNode, depth, pieces };
}

/** Strips at each node, compressed: those of node n are incident[start[n]] … incident[start[n+1] - 1]. */
function incidence(
  { nodeCount, from, to }: Graph,
  isThere: (strip: number) => boolean,
): { start: Int32Array; incident: Int32Array } {
  const start = new Int32Array(nodeCount + 1);
  let live = 0;
  for (let strip = 0; strip < from.length; strip++) {
    if (!isThere(strip)) continue;
    start[from[strip]! + 1]!++;
    start[to[strip]! + 1]!++;
    live++;
  }
  for (let node = 0; node < nodeCount; node++) start[node + 1]! += start[node]!;
  const incident = new Int32Array(2 * live);
  const next = start.slice();
  for (let strip = 0; strip < from.length; strip++) {
    if (!isThere(strip)) continue;
    incident[next[from[strip]!]!++] = strip;
    incident[next[to[strip]!]!++] = strip;
  }
  return { start, incident };
}

function chordsOf(
  { from }: Graph,
  isThere: (strip: number) => boolean,
  { parentStrip, visited }: Forest,
): number[] {
  const isTree = new Uint8Array(from.length);
  for (const node of visited) if (parentStrip[node]! >= 0) isTree[parentStrip[node]!] = 1;
  const chords: number[] = [];
  for (let strip = 0; strip < from.length; strip++) {
    if (isThere(strip) && !isTree[strip]) chords.push(strip);
  }
  return chords;
}

function cycleThrough(chord: number, { from, to }: Graph, tree: Forest): Cycle {
  const strips = [chord];
  const signs = [1];
  let ahead = to[chord]!;
  let behind = from[chord]!;
  while (ahead !== behind) {
    const climbAhead = tree.depth[ahead]! >= tree.depth[behind]!;
    const node = climbAhead ? ahead : behind;
    const strip = tree.parentStrip[node]!;
    const upward = from[strip] === node ? 1 : -1;
    strips.push(strip);
    signs.push(climbAhead ? upward : -upward);
    if (climbAhead) ahead = tree.parentNode[node]!;
    else behind = tree.parentNode[node]!;
  }
  return { strips: Int32Array.from(strips), signs: Int8Array.from(signs) };
}

/**
 * Flexibility of the cells: entry (k, j) = Σ over shared strips of ± length / thickness. Weld links bend nothing and add 0.
 * Row-major, cycles × cycles.
 */
export function cellFlexibility(
  { from, lengthMm, thicknessMm }: Section,
  cycles: readonly Cycle[],
): Float64Array {
  const count = cycles.length;
  const flexibility = new Float64Array(count * count);
  const signInCycle = new Int8Array(from.length);
  for (let k = 0; k < count; k++) {
    const { strips, signs } = cycles[k]!;
    for (let n = 0; n < strips.length; n++) signInCycle[strips[n]!] = signs[n]!;
    for (let j = 0; j < count; j++) {
      const other = cycles[j]!;
      let sum = 0;
      for (let n = 0; n < other.strips.length; n++) {
        const strip = other.strips[n]!;
        if (signInCycle[strip] !== 0)
          sum += (signInCycle[strip]! * other.signs[n]! * lengthMm[strip]!) / thicknessMm[strip]!;
      }
      flexibility[k * count + j] = sum;
    }
    for (let n = 0; n < strips.length; n++) signInCycle[strips[n]!] = 0;
  }
  return flexibility;
}
