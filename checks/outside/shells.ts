import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { run } from './programs';

/**
 * A mesh of CalculiX S8R shells put together from flat patches; nodes at the same place are one node.
 *
 *   4───7───3      corners 1–4, middles 5–8
 *   8       6
 *   1───5───2
 */
export type Point = readonly [number, number, number];
export interface Mesh {
  /** A patch spanned by two edges from a corner, cut into pieces; a thickness for it. Its elements get the set's name. */
  patch(
    set: string,
    corner: Point,
    u: Point,
    pieces: number,
    v: Point,
    across: number,
    thicknessAt: (centre: Point) => number,
  ): void;
  /** The same between four corners, whichever way they lie. */
  quad(
    set: string,
    corners: readonly [Point, Point, Point, Point],
    pieces: number,
    across: number,
    thicknessAt: (centre: Point) => number,
  ): void;
  node(at: Point): number;
  /** The middle of an element. */
  centre(element: number): Point;
  nodesWhere(test: (at: Point) => boolean): number[];
  write(more: readonly string[]): string;
}

const key = (at: Point) => at.map((value) => Math.round(value * 1000)).join();

export function shellMesh(youngsMpa: number, poisson: number): Mesh {
  const nodes = new Map<string, { id: number; at: Point }>();
  const elements: { id: number; set: string; thickness: number; nodes: number[]; centre: Point }[] = [];
  const nodeAt = (at: Point): number => {
    const found = nodes.get(key(at)) ?? { id: nodes.size + 1, at };
    nodes.set(key(at), found);
    return found.id;
  };
  /** Elements over a grid whose places `at` tells by their number both ways. */
  const lay = (
    set: string,
    at: (a: number, b: number) => Point,
    [pieces, across]: readonly [number, number],
    thicknessAt: (centre: Point) => number,
  ) => {
    for (let a = 0; a < pieces; a++)
      for (let b = 0; b < across; b++) {
        const around = [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
          [0.5, 0],
          [1, 0.5],
          [0.5, 1],
          [0, 0.5],
        ] as const;
        elements.push({
          id: elements.length + 1,
          set,
          thickness: thicknessAt(at(a + 0.5, b + 0.5)),
          centre: at(a + 0.5, b + 0.5),
          nodes: around.map(([p, q]) => nodeAt(at(a + p, b + q))),
        });
      }
  };
  return {
    // A flat patch by steps along its edges: places that two patches share come out the same to the last figure.
    patch(set, corner, u, pieces, v, across, thicknessAt) {
      const at = (a: number, b: number): Point =>
        [0, 1, 2].map(
          (axis) => corner[axis]! + (u[axis]! * a) / pieces + (v[axis]! * b) / across,
        ) as unknown as Point;
      lay(set, at, [pieces, across], thicknessAt);
    },
    quad(set, [one, two, three, four], pieces, across, thicknessAt) {
      const at = (a: number, b: number): Point => {
        const [p, q] = [a / pieces, b / across];
        return [0, 1, 2].map(
          (axis) =>
            one[axis]! * (1 - p) * (1 - q) +
            two[axis]! * p * (1 - q) +
            three[axis]! * p * q +
            four[axis]! * (1 - p) * q,
        ) as unknown as Point;
      };
      lay(set, at, [pieces, across], thicknessAt);
    },
    node: nodeAt,
    centre: (element) => elements[element - 1]!.centre,
    nodesWhere: (test) => [...nodes.values()].filter(({ at }) => test(at)).map(({ id }) => id),
    write(more) {
      const groups = new Map<string, typeof elements>();
      for (const element of elements) {
        const name = `${element.set}_${Math.round(element.thickness * 1000)}`;
        groups.set(name, [...(groups.get(name) ?? []), element]);
      }
      return [
        '*NODE, NSET=ALL',
        // A field of more than twenty characters is not read.
        ...[...nodes.values()].map(
          ({ id, at }) => `${id}, ${at.map((value) => value.toFixed(6)).join(', ')}`,
        ),
        ...[...groups].flatMap(([name, group]) => [
          `*ELEMENT, TYPE=S8R, ELSET=${name}`,
          ...group.map((each) => `${each.id}, ${each.nodes.join(', ')}`),
        ]),
        '*MATERIAL, NAME=STEEL',
        '*ELASTIC',
        `${youngsMpa}, ${poisson}`,
        ...[...groups].flatMap(([name, group]) => [
          `*SHELL SECTION, ELSET=${name}, MATERIAL=STEEL`,
          `${group[0]!.thickness}`,
        ]),
        ...[...new Set(elements.map(({ set }) => set))].flatMap((set) => [
          `*ELSET, ELSET=${set}`,
          ...[...groups.keys()].filter((name) => name.startsWith(`${set}_`)).map((name) => `${name},`),
        ]),
        ...more,
        '',
      ].join('\n');
    },
  };
}

/**
 * Runs CalculiX; answers the displacements of set ALL by node, and for each element of the printed sets its mean sxx and syy: the wall's membrane
 * stress along x and along y.
 */
export function ccx(deck: string): {
  moved: Map<number, readonly number[]>;
  alongMpa: Map<number, number>;
  acrossMpa: Map<number, number>;
} {
  const folder = mkdtempSync(join(tmpdir(), 'ccx-'));
  writeFileSync(join(folder, 'job.inp'), deck);
  const ran = run('sh', ['-c', `cd '${folder}' && OMP_NUM_THREADS=1 ccx job`]);
  const printed = (() => {
    try {
      return readFileSync(join(folder, 'job.dat'), 'utf8');
    } catch {
      return '';
    }
  })();
  rmSync(folder, { recursive: true });
  const moved = new Map<number, readonly number[]>();
  const sums = new Map<number, [along: number, across: number, count: number]>();
  let isStress = false;
  for (const row of printed.split('\n')) {
    if (row.includes('displacements')) isStress = false;
    if (row.includes('stresses')) isStress = true;
    const numbers = row
      .replace(/_shell_\d+/, '')
      .trim()
      .split(/\s+/)
      .map(Number);
    if (numbers.some((value) => !Number.isFinite(value))) continue;
    if (isStress && numbers.length === 8) {
      const [along, across, count] = sums.get(numbers[0]!) ?? [0, 0, 0];
      sums.set(numbers[0]!, [along + numbers[2]!, across + numbers[3]!, count + 1]);
    } else if (!isStress && numbers.length === 4) moved.set(numbers[0]!, numbers.slice(1));
  }
  if (moved.size === 0 || ![...moved.values()].some((u) => u.some((value) => value !== 0)))
    throw new Error(`CalculiX moved nothing: ${ran.out.slice(-2000)}`);
  const mean = (of: (sums: [number, number, number]) => number) =>
    new Map([...sums].map(([element, each]) => [element, of(each) / each[2]]));
  return { moved, alongMpa: mean(([along]) => along), acrossMpa: mean(([, across]) => across) };
}
