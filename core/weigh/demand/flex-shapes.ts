import type { CaseResult } from '../../mechanics';
import { CASE_IDS, type SolvedFrame, type Structure } from '../../frame';
import type { FlexShapes } from './demand';
import { caseOf, moved } from './moved';

/** Every solved case as a shape to draw. */
export function flexShapes(structure: Structure, solved: SolvedFrame): FlexShapes {
  return {
    nodesMm: Float64Array.from(structure.nodes.flat()),
    members: structure.members.map(({ member, nodes }) => ({ id: member.id, nodes })),
    cases: CASE_IDS.flatMap((id) => {
      const result = caseOf(solved, id);
      return result ? [{ id, movedMm: withoutTilt(structure, result) }] : [];
    }),
  };
}

/** Movements less what the whole frame sinks and tilts on its springs: the plane that fits the vertical ones best, the mean of the others. */
function withoutTilt(structure: Structure, result: CaseResult): Float64Array {
  const count = structure.nodes.length;
  const out = new Float64Array(3 * count);
  const plane = fittedPlane(structure, result);
  const mean = [0, 1].map(
    (axis) => structure.nodes.reduce((sum, _, node) => sum + moved(result, node, axis as 0 | 1), 0) / count,
  );
  structure.nodes.forEach(([x, y], node) => {
    out[3 * node] = moved(result, node, 0) - mean[0]!;
    out[3 * node + 1] = moved(result, node, 1) - mean[1]!;
    out[3 * node + 2] = moved(result, node, 2) - (plane[0] + plane[1] * x + plane[2] * y);
  });
  return out;
}

function fittedPlane(structure: Structure, result: CaseResult): [number, number, number] {
  const n = structure.nodes.length;
  const mean = structure.nodes.reduce<[number, number, number]>(
    (sum, [x, y], node) => [sum[0] + x / n, sum[1] + y / n, sum[2] + moved(result, node, 2) / n],
    [0, 0, 0],
  );
  let xx = 0,
    yy = 0,
    xy = 0,
    xz = 0,
    yz = 0;
  structure.nodes.forEach(([x, y], node) => {
    const [dx, dy, dz] = [x - mean[0], y - mean[1], moved(result, node, 2) - mean[2]];
    xx += dx * dx;
    yy += dy * dy;
    xy += dx * dy;
    xz += dx * dz;
    yz += dy * dz;
  });
  const bottom = xx * yy - xy * xy;
  if (!(bottom > 0)) return [mean[2], 0, 0];
  const [bx, by] = [(xz * yy - yz * xy) / bottom, (yz * xx - xz * xy) / bottom];
  return [mean[2] - bx * mean[0] - by * mean[1], bx, by];
}
