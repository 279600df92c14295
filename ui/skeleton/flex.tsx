'use client';

import type { FlexShapes } from '@/core/weigh';
import type { CaseId } from '@/core/frame';

/** One state's movement to draw: the frame's own shape is the same in all. */
export interface FlexLayer {
  readonly name: string;
  readonly ink: string;
  readonly dashed: boolean;
  readonly shapes: FlexShapes;
}

const WIDTH = 720;
const HEIGHT = 250;

/** Seen from the right front, above: along the frame to the right, across into the sheet. */
const project = (x: number, y: number, z: number): readonly [number, number] => [
  x * 0.94 + y * 0.5,
  x * 0.12 - y * 0.34 - z * 0.94,
];

/** A state's lines as one load case bends them; none where it was not worked out for it. */
function bentBy({ shapes, ...layer }: FlexLayer, caseId: CaseId, exaggeration: number) {
  const moved = shapes.cases.find(({ id }) => id === caseId)?.movedMm;
  if (!moved) return [];
  const at = (node: number, axis: number) =>
    shapes.nodesMm[3 * node + axis]! + exaggeration * moved[3 * node + axis]!;
  return [{ ...layer, lines: linesOf(shapes, at) }];
}

/** The frame bent by one load case, movements exaggerated, states over one another; how it stands unloaded drawn thin beneath. */
export function FlexView({
  layers,
  caseId,
  exaggeration,
  selected,
  label,
}: {
  layers: readonly FlexLayer[];
  caseId: CaseId;
  exaggeration: number;
  selected: string;
  label: string;
}) {
  const first = layers[0]?.shapes;
  if (!first) return null;
  const runs = layers.flatMap((layer) => bentBy(layer, caseId, exaggeration));
  const still = linesOf(first, (node, axis) => first.nodesMm[3 * node + axis]!);
  const path = pathsWithin([...still, ...runs.flatMap(({ lines }) => lines)].flatMap(({ points }) => points));
  return (
    <svg
      width="100%"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={label}
      className="block bg-sheet"
    >
      {still.map(({ id, points }) => (
        <path key={id} d={path(points)} fill="none" stroke="var(--rule)" strokeWidth="3" />
      ))}
      {runs.map(({ name, ink, dashed, lines }) =>
        lines.map(({ id, points }) => (
          <path
            key={`${name}-${id}`}
            d={path(points)}
            fill="none"
            stroke={ink}
            strokeWidth={id === selected ? 3.4 : 2}
            strokeLinejoin="round"
            {...(dashed && { strokeDasharray: '7 5' })}
          />
        )),
      )}
      <text x="10" y={HEIGHT - 10} fontSize="13" fill="var(--soft)">
        front at the left, right side nearest; movements ×{exaggeration}
      </text>
    </svg>
  );
}

const linesOf = (shapes: FlexShapes, at: (node: number, axis: 0 | 1 | 2) => number) =>
  shapes.members.map(({ id, nodes }) => ({
    id,
    points: nodes.map((node) => project(at(node, 0), -at(node, 1), at(node, 2))),
  }));

type Flat = readonly (readonly [number, number])[];

/** Lines as paths, all of what is given fitted into the picture. */
function pathsWithin(all: Flat): (points: Flat) => string {
  const [left, right] = [Math.min(...all.map(([x]) => x)), Math.max(...all.map(([x]) => x))];
  const [high, low] = [Math.min(...all.map(([, y]) => y)), Math.max(...all.map(([, y]) => y))];
  const scale = Math.min((WIDTH - 24) / (right - left), (HEIGHT - 24) / (low - high));
  const [dx, dy] = [(WIDTH - (right - left) * scale) / 2, (HEIGHT - (low - high) * scale) / 2];
  return (points) =>
    points
      .map(
        ([x, y], k) =>
          `${k ? 'L' : 'M'}${(dx + (x - left) * scale).toFixed(1)} ${(dy + (y - high) * scale).toFixed(1)}`,
      )
      .join('');
}
