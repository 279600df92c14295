import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BeamModel, NodeLoad, Vector3 } from '@/core/mechanics';
import { run } from './programs';

/**
 * The 12-dof path against Z88's beam in space (element type 2: Bernoulli, no warping), through its text files.
 * Z88's local y–y axis lies in the global XY plane, so IYY there is ∫z² here; springs are axial stubs with EA/L = k.
 */
export const E = 200_000,
  NU = 0.3,
  G = E / (2 * (1 + NU));
const STUB_MM = 100;

export interface Answer {
  readonly moved: number[][];
  readonly ends: [number[], number[]][];
}

export function z88(model: BeamModel, loads: readonly NodeLoad[]): Answer {
  const folder = mkdtempSync(join(tmpdir(), 'z88-'));
  const nodes = [...model.nodes];
  const beams = model.elements.map(({ from, to, profile: p }) => ({
    ends: [from.node, to.node],
    figures: [p.areaMm2, p.izzMm4, 50, p.iyyMm4, 50, p.jMm4, 1e5],
  }));
  const conditions: string[] = [];
  for (const { node, stiffness } of model.supports)
    stiffness.forEach((k, dof) => {
      if (k === Infinity) conditions.push(`${node + 1} ${dof + 1} 2 0`);
      else if (k > 0) {
        nodes.push(
          nodes[node]!.map((value, axis) => value - (axis === dof ? STUB_MM : 0)) as unknown as Vector3,
        );
        beams.push({
          ends: [nodes.length - 1, node],
          figures: [(k * STUB_MM) / E, 1e-6, 50, 1e-6, 50, 1e-6, 1e5],
        });
        for (let held = 1; held <= 6; held++) conditions.push(`${nodes.length} ${held} 2 0`);
      }
    });
  for (const load of loads)
    [...load.forceN, ...(load.momentNmm ?? [0, 0, 0])].forEach(
      (value, dof) => value !== 0 && conditions.push(`${load.node + 1} ${dof + 1} 1 ${value}`),
    );
  writeFileSync(
    join(folder, 'z88i1.txt'),
    [
      `3 ${nodes.length} ${beams.length} ${6 * nodes.length} ${beams.length} 0 1 0 0`,
      ...nodes.map((at, k) => `${k + 1} 6 ${at.join(' ')}`),
      ...beams.flatMap(({ ends }, k) => [`${k + 1} 2`, ends.map((node) => node + 1).join(' ')]),
      ...beams.map(({ figures }, k) => `${k + 1} ${k + 1} ${E} ${NU} 4 ${figures.join(' ')}`),
      '',
    ].join('\n'),
  );
  writeFileSync(join(folder, 'z88i2.txt'), [conditions.length, ...conditions, ''].join('\n'));
  writeFileSync(join(folder, 'z88i3.txt'), '0 0 0\n');
  writeFileSync(join(folder, 'z88i5.txt'), '0\n');
  writeFileSync(
    join(folder, 'z88.dyn'),
    readFileSync('/usr/share/z88/z88.dyn', 'utf8').replace(/MAXNEG\s+\d+/, 'MAXNEG 5000'),
  );
  const ran = ['z88f', 'z88e'].map((program) => run('sh', ['-c', `cd '${folder}' && ${program} -c`]));
  const rows = (file: string) =>
    readFileSync(join(folder, file), 'utf8')
      .split('\n')
      .map((line) => line.trim().split(/\s+/).map(Number))
      .filter((row) => row.length === 7 && row.every(Number.isFinite));
  if (ran.some(({ status }) => status !== 0)) throw new Error(ran.map(({ out }) => out).join('\n'));
  const moved = rows('z88o2.txt')
    .slice(0, model.nodes.length)
    .map((row) => row.slice(1));
  const each = rows('z88o4.txt').map((row) => row.slice(1));
  rmSync(folder, { recursive: true });
  return { moved, ends: model.elements.map((_, k) => [each[2 * k]!, each[2 * k + 1]!]) };
}
