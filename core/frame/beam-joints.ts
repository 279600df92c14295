import { dot, minus } from '../geometry';
import { type Vector3 } from '../mechanics';
import type { Member } from './frame';
import { type Placement } from './placement';
import { breadthMm } from './shape';

export interface Joint {
  readonly one: number;
  readonly oneMm: number;
  readonly other: number;
  readonly otherMm: number;
}

export type Beam = { readonly member: Member; readonly placement: Placement };

export const along = ({ from, to }: Placement, share: number): Vector3 => [
  from[0] + share * (to[0] - from[0]),
  from[1] + share * (to[1] - from[1]),
  from[2] + share * (to[2] - from[2]),
];

export const size = (a: Vector3): number => Math.sqrt(dot(a, a));

/** Two members touch where their lines come within both their half sizes of each other. */
const FIT_UP_MM = 12;

const halfSize = (member: Member): number =>
  Math.max(
    member.shape.depthMm,
    member.role === 'rail' && member.shape.kind === 'channel' ? 0 : breadthMm(member.shape),
  ) / 2;

export function jointsOf(beams: readonly Beam[]): Joint[] {
  const joints: Joint[] = [];
  for (let i = 0; i < beams.length; i++)
    for (let j = i + 1; j < beams.length; j++) joints.push(...jointBetween(beams, i, j));
  return joints;
}

function jointBetween(beams: readonly Beam[], i: number, j: number): Joint[] {
  const [a, b] = [beams[i]!, beams[j]!];
  const reach = halfSize(a.member) + halfSize(b.member) + FIT_UP_MM;
  const [p, q] = [minus(a.placement.to, a.placement.from), minus(b.placement.to, b.placement.from)];
  const [la, lb] = [size(p), size(q)];
  if (!(la > 0 && lb > 0)) return [];
  const parallel = Math.abs(dot(p, q)) > 0.985 * la * lb;
  const pairs = parallel
    ? overlapShares(a.placement, b.placement)
    : [closestShares(a.placement, b.placement)];
  return pairs
    .filter(([s, t]) => size(minus(along(a.placement, s), along(b.placement, t))) <= reach)
    .map(([s, t]) => ({ one: i, oneMm: s * la, other: j, otherMm: t * lb }));
}

const clamp = (value: number): number => Math.min(Math.max(value, 0), 1);

/** Closest approach of two segments, as shares along each (C. Ericson, Real-Time Collision Detection, 5.1.9). */
function closestShares(a: Placement, b: Placement): [number, number] {
  const [p, q, r] = [minus(a.to, a.from), minus(b.to, b.from), minus(a.from, b.from)];
  const [pp, qq, pq, pr, qr] = [dot(p, p), dot(q, q), dot(p, q), dot(p, r), dot(q, r)];
  const bottom = pp * qq - pq * pq;
  const s = bottom > 1e-9 * pp * qq ? clamp((pq * qr - pr * qq) / bottom) : 0;
  const t = clamp((pq * s + qr) / qq);
  return [clamp((pq * t - pr) / pp), t];
}

/** Where parallel members lie beside each other: both ends of the stretch they share, and between at most every 600 mm. */
function overlapShares(a: Placement, b: Placement): [number, number][] {
  const p = minus(a.to, a.from);
  const q = minus(b.to, b.from);
  const onA = (point: Vector3) => dot(minus(point, a.from), p) / dot(p, p);
  const [first, last] = [onA(b.from), onA(b.to)].sort((x, y) => x - y) as [number, number];
  const [from, to] = [Math.max(0, first), Math.min(1, last)];
  if (to < from - 0.02) return [closestShares(a, b)];
  const pieces = Math.max(1, Math.ceil(((to - from) * size(p)) / 600));
  return Array.from({ length: pieces + 1 }, (_, k) => {
    const s = clamp(from + ((to - from) * k) / pieces);
    return [s, clamp(dot(minus(along(a, s), b.from), q) / dot(q, q))] as [number, number];
  });
}
