import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, memberOf, recordIdSchema } from '../../frame';
import {
  contourArea,
  flattenContour,
  reversedContour,
  type Contour,
  type Point,
  type Vertex,
} from '../../geometry';
import { fail, ok, type Outcome } from '../../quantity';
import { fromCorner, type Blank } from './blank';
import { checkOutline } from './findings';

/** A point of an outline, mm; `round`: it lies on an arc between the corners before and after it, and is no corner itself. */
export const outlinePointSchema = z.object({
  xMm: z.number().gte(-20_000).lte(20_000),
  yMm: z.number().gte(-20_000).lte(20_000),
  round: z.boolean().optional(),
});
export type OutlinePoint = z.infer<typeof outlinePointSchema>;

/** A flat taken from the opening itself: measured point by point, or tapped on a straightened photo of a card. */
export const outlineSchema = z.object({
  kind: z.literal('outline'),
  id: recordIdSchema,
  name: z.string().trim().min(1, 'a name is needed').max(60),
  memberId: z.string().min(1).max(40),
  thicknessMm: z.number().gt(0.3).lt(40),
  points: z.array(outlinePointSchema).min(3, 'an outline has at least three corners').max(400),
  from: z.enum(['measured', 'photo']),
  /** How far a length of a metre may be off, mm, where it came from a photo. */
  errorPerMetreMm: z.number().gte(0).lte(1000).optional(),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type Outline = z.infer<typeof outlineSchema>;

export const outlineKind = evidenceKind<Outline>({
  name: 'outline',
  schema: outlineSchema,
  fits: (frame, { memberId, points }) => {
    if (!memberOf(frame, memberId)) return fail(`${memberId} is not on this frame`, 'memberId');
    const contour = contourOf(points);
    return contour.ok ? ok({}) : fail(contour.reason, 'points');
  },
  tells: ({ memberId }) => [memberId],
});

/** The closed path through an outline's corners, arcs fitted to the round points between them, counter-clockwise. Fails where it encloses nothing. */
export function contourOf(points: readonly OutlinePoint[]): Outcome<Contour> {
  const first = points.findIndex(({ round }) => !round);
  if (first < 0)
    return fail('a round outline has at least two corners: where one arc ends and the next begins');
  const turned = [...points.slice(first), ...points.slice(0, first)];
  const vertices: Vertex[] = [];
  for (let k = 0; k < turned.length;) {
    let end = k + 1;
    while (end < turned.length && turned[end]!.round) end++;
    const [from, to] = [at(turned[k]!), at(turned[end % turned.length]!)];
    vertices.push({
      x: from[0],
      y: from[1],
      bulge: bulgeThrough(from, to, turned.slice(k + 1, end).map(at)),
    });
    k = end;
  }
  if (vertices.length === 1)
    return fail('a round outline has at least two corners: where one arc ends and the next begins');
  const checked = checkOutline(flattenContour(vertices, 0.5));
  if (!checked.ok) return checked;
  if (Math.abs(contourArea(vertices)) < 1) return fail('the outline encloses nothing');
  return ok(contourArea(vertices) > 0 ? vertices : reversedContour(vertices));
}

const at = ({ xMm, yMm }: OutlinePoint): Point => [xMm, yMm];

/** Three quarters round is as far as an arc between two corners goes: beyond it there is a corner missing. */
const MOST_BULGE = Math.tan((1.5 * Math.PI) / 4);

/** Round points that lie so near the straight way are on it, mm. */
const STRAIGHT_MM = 0.05;
/** Looked at so coarsely first: which arc is meant, before how much of one. */
const COARSE = 24;

/**
 * Bulge of the arc from one corner to another that passes its round points best: least squares of their distances from it, by golden section on the bulge.
 * No round points, no bulge.
 */
export function bulgeThrough(from: Point, to: Point, between: readonly Point[]): number {
  if (between.length === 0) return 0;
  const off = (bulge: number) =>
    between.reduce((sum, point) => sum + distanceFromArc(from, to, bulge, point) ** 2, 0);
  const side = Math.sign(
    between.reduce(
      (sum, [x, y]) => sum + (to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0]),
      0,
    ),
  );
  // To the left of the way the arc turns right: its bulge is negative.
  if (off(0) <= between.length * STRAIGHT_MM ** 2) return 0;
  const step = ((side > 0 ? -1 : 1) * MOST_BULGE) / COARSE;
  const coarse = Array.from({ length: COARSE + 1 }, (_, k) => k * step);
  const near = coarse.reduce((best, bulge) => (off(bulge) < off(best) ? bulge : best), 0);
  let [low, high] = [near - Math.abs(step), near + Math.abs(step)];
  const golden = (Math.sqrt(5) - 1) / 2;
  for (let k = 0; k < 60; k++) {
    const [a, b] = [high - golden * (high - low), low + golden * (high - low)];
    if (off(a) < off(b)) high = b;
    else low = a;
  }
  return (low + high) / 2;
}

function distanceFromArc([ax, ay]: Point, [bx, by]: Point, bulge: number, [x, y]: Point): number {
  const chord = Math.hypot(bx - ax, by - ay);
  const [ux, uy] = [(bx - ax) / chord, (by - ay) / chord];
  if (Math.abs(bulge) < 1e-6) return Math.abs((x - ax) * -uy + (y - ay) * ux);
  const apothem = ((chord / 2) * (1 - bulge ** 2)) / (2 * bulge);
  const radius = (chord * (1 + bulge ** 2)) / (4 * Math.abs(bulge));
  const [cx, cy] = [(ax + bx) / 2 - uy * apothem, (ay + by) / 2 + ux * apothem];
  return Math.abs(Math.hypot(x - cx, y - cy) - radius);
}

/** An outline as something to cut; undefined where it encloses nothing any more. */
export function blankOfOutline(
  { id, name, thicknessMm, points }: Outline,
  forWhat: string,
): Blank | undefined {
  const contour = contourOf(points);
  if (!contour.ok) return undefined;
  return {
    id,
    name,
    for: forWhat,
    thicknessMm,
    count: 1,
    outline: fromCorner(contour.value).contour,
    cutouts: [],
    holes: [],
    bends: [],
    scribes: [],
  };
}
