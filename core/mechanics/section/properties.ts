import { solveDense } from './linear';
import { hasMetal, WELD_LINK, type Cycle, type Section, type Wiring } from './section';
import { cellFlexibility, wiringOf } from './wiring';

/** Properties of a thin-walled section about its own centroid; axes parallel to the section's x (right) and y (up). */
export interface SectionProperties {
  readonly areaMm2: number;
  readonly centroidXMm: number;
  readonly centroidYMm: number;
  /** Second moments ∫y², ∫x², ∫xy. */
  readonly ixMm4: number;
  readonly iyMm4: number;
  readonly ixyMm4: number;
  /** Larger and smaller principal second moment, and the angle from x to the major axis. */
  readonly iMajorMm4: number;
  readonly iMinorMm4: number;
  readonly majorAxisRad: number;
  /** Distances from the centroid to the extreme fibres, all positive. */
  readonly topMm: number;
  readonly bottomMm: number;
  readonly leftMm: number;
  readonly rightMm: number;
  /** Elastic section moduli Ix / distance, at the top and the bottom fibre; Iy likewise. */
  readonly sTopMm3: number;
  readonly sBottomMm3: number;
  readonly sLeftMm3: number;
  readonly sRightMm3: number;
  /** St Venant torsion constant: Σ bt³/3, plus Bredt–Batho flow in every cell. */
  readonly jMm4: number;
  readonly cells: number;
  /** Separate pieces of metal; above 1 the parts are not joined and bend together only as far as something else holds them. */
  readonly pieces: number;
}

/**
 * Section properties. Undefined when no metal is left.
 * Second moments include each strip's own t³ term; corners are squared (rolled fillets are not modelled).
 * Torsion: R. Bredt, closed cells; Batho, flow compatibility between cells; open parts Σbt³/3 (Timoshenko & Goodier, Theory of Elasticity, ch. 10).
 */
export function sectionProperties(section: Section): SectionProperties | undefined {
  const sums = momentSums(section, 1);
  if (!(sums.area > 0)) return undefined;
  const centroidXMm = sums.sx / sums.area;
  const centroidYMm = sums.sy / sums.area;
  const ixMm4 = sums.yy - sums.area * centroidYMm * centroidYMm;
  const iyMm4 = sums.xx - sums.area * centroidXMm * centroidXMm;
  const ixyMm4 = sums.xy - sums.area * centroidXMm * centroidYMm;
  const topMm = sums.top - centroidYMm,
    bottomMm = centroidYMm - sums.bottom,
    leftMm = centroidXMm - sums.left,
    rightMm = sums.right - centroidXMm;
  const mean = (ixMm4 + iyMm4) / 2;
  const radius = Math.sqrt(((ixMm4 - iyMm4) / 2) ** 2 + ixyMm4 * ixyMm4);
  const { cycles, pieces } = wiringOf(section);
  return {
    areaMm2: sums.area,
    centroidXMm,
    centroidYMm,
    ixMm4,
    iyMm4,
    ixyMm4,
    iMajorMm4: mean + radius,
    iMinorMm4: mean - radius,
    majorAxisRad: 0.5 * Math.atan2(-2 * ixyMm4, ixMm4 - iyMm4),
    topMm,
    bottomMm,
    leftMm,
    rightMm,
    sTopMm3: ixMm4 / topMm,
    sBottomMm3: ixMm4 / bottomMm,
    sLeftMm3: iyMm4 / leftMm,
    sRightMm3: iyMm4 / rightMm,
    jMm4: sums.openJ + closedTorsion(section, cycles),
    cells: cycles.length,
    pieces,
  };
}

/**
 * Area, first and second moments about the origin, Σbt³/3, and the extreme fibres, in one pass over the strips.
 * `ownThickness` 0 leaves out each strip's own t³ term: the pure midline moments that a midline shear flow is in balance with.
 */
function momentSums({ xMm, yMm, from, to, thicknessMm, lengthMm }: Section, ownThickness: 0 | 1) {
  let area = 0,
    sx = 0,
    sy = 0,
    xx = 0,
    yy = 0,
    xy = 0,
    openJ = 0;
  let top = -Infinity,
    bottom = Infinity,
    left = Infinity,
    right = -Infinity;
  for (let e = 0; e < from.length; e++) {
    const t = thicknessMm[e]!;
    const length = lengthMm[e]!;
    if (!(t > 0) || t === WELD_LINK || length === 0) continue;
    const i = from[e]!,
      j = to[e]!;
    const xi = xMm[i]!,
      xj = xMm[j]!,
      yi = yMm[i]!,
      yj = yMm[j]!;
    const a = t * length;
    const own = (ownThickness * a * t * t) / 12;
    const cos = (xj - xi) / length,
      sin = (yj - yi) / length;
    area += a;
    sx += (a * (xi + xj)) / 2;
    sy += (a * (yi + yj)) / 2;
    xx += (a * (xi * xi + xi * xj + xj * xj)) / 3 + own * sin * sin;
    yy += (a * (yi * yi + yi * yj + yj * yj)) / 3 + own * cos * cos;
    xy += (a * (2 * xi * yi + 2 * xj * yj + xi * yj + xj * yi)) / 6 - own * sin * cos;
    openJ += (a * t * t) / 3;
    const acrossX = (t * (sin < 0 ? -sin : sin)) / 2,
      acrossY = (t * (cos < 0 ? -cos : cos)) / 2;
    const high = yi > yj ? yi : yj,
      low = yi > yj ? yj : yi,
      far = xi > xj ? xi : xj,
      near = xi > xj ? xj : xi;
    if (high + acrossY > top) top = high + acrossY;
    if (low - acrossY < bottom) bottom = low - acrossY;
    if (far + acrossX > right) right = far + acrossX;
    if (near - acrossX < left) left = near - acrossX;
  }
  return { area, sx, sy, xx, yy, xy, openJ, top, bottom, left, right };
}

/** Twice the area a cell encloses, signed by its direction of travel. */
export function twiceCellArea({ xMm, yMm, from, to }: Section, { strips, signs }: Cycle): number {
  let sum = 0;
  for (let n = 0; n < strips.length; n++) {
    const i = from[strips[n]!]!,
      j = to[strips[n]!]!;
    sum += signs[n]! * (xMm[i]! * yMm[j]! - xMm[j]! * yMm[i]!);
  }
  return sum;
}

/** Σ 2A q over the cells, their flows q from ∮ q ds/t = 2A each; a single cell is Bredt's 4A² / ∮ ds/t. */
function closedTorsion(section: Section, cycles: readonly Cycle[]): number {
  if (cycles.length === 0) return 0;
  if (cycles.length === 1) {
    const flexibility = cellPerimeterOverThickness(section, cycles[0]!);
    return flexibility > 0 ? twiceCellArea(section, cycles[0]!) ** 2 / flexibility : 0;
  }
  const twiceArea = Float64Array.from(cycles, (cycle) => twiceCellArea(section, cycle));
  const flow = solveDense(cellFlexibility(section, cycles), twiceArea);
  return flow ? twiceArea.reduce((sum, area, k) => sum + area * flow[k]!, 0) : 0;
}

function cellPerimeterOverThickness({ lengthMm, thicknessMm }: Section, { strips }: Cycle): number {
  let sum = 0;
  for (let n = 0; n < strips.length; n++) sum += lengthMm[strips[n]!]! / thicknessMm[strips[n]!]!;
  return sum;
}

export interface ShearFlow {
  /** Flow in N/mm at the start, middle and end of each strip, positive from → to. */
  readonly startNPerMm: Float64Array;
  readonly middleNPerMm: Float64Array;
  readonly endNPerMm: Float64Array;
  /** Moment of the flow about the origin, N·mm, counter-clockwise. */
  readonly momentNmm: number;
}

/**
 * Shear flow q(s) for a shear force (vxN, vyN) acting through the shear centre: VQ/I in open parts, with cell flows closed so
 * that no cell twists. Undefined when the metal is in separate pieces or has no bending stiffness in the force's direction.
 */
export function shearFlow(section: Section, vxN: number, vyN: number): ShearFlow | undefined {
  const tree = wiringOf(section);
  const sums = momentSums(section, 0);
  if (!(sums.area > 0) || tree.pieces !== 1) return undefined;
  const [cx, cy] = [sums.sx / sums.area, sums.sy / sums.area];
  const ix = sums.yy - sums.area * cy * cy,
    iy = sums.xx - sums.area * cx * cx,
    ixy = sums.xy - sums.area * cx * cy;
  const determinant = ix * iy - ixy * ixy;
  if (!(determinant > 1e-9 * (ix + iy) ** 2)) return undefined;
  const gradientX = (vxN * ix - vyN * ixy) / determinant;
  const gradientY = (vyN * iy - vxN * ixy) / determinant;
  const stressGradient = Float64Array.from(
    section.xMm,
    (x, node) => gradientX * (x - cx) + gradientY * (section.yMm[node]! - cy),
  );
  return closeCells(section, tree, stressGradient);
}

function closeCells(section: Section, tree: Wiring, stressGradient: Float64Array): ShearFlow | undefined {
  const { lengthMm } = section;
  const { cycles } = tree;
  const start = openFlowAtStart(section, tree, stressGradient, lengthMm);
  const gap = Float64Array.from(
    cycles,
    (cycle) =>
      -cycle.strips.reduce(
        (sum, strip, n) =>
          sum +
          (cycle.signs[n]! * flowIntegral(section, strip, start[strip]!, stressGradient, lengthMm)) /
            section.thicknessMm[strip]!,
        0,
      ),
  );
  const closing = cycles.length ? solveDense(cellFlexibility(section, cycles), gap) : new Float64Array(0);
  if (!closing) return undefined;
  cycles.forEach((cycle, k) =>
    cycle.strips.forEach((strip, n) => (start[strip]! += cycle.signs[n]! * closing[k]!)),
  );
  return gatherFlow(section, start, stressGradient, lengthMm);
}

const metalThickness = (section: Section, strip: number): number =>
  hasMetal(section.thicknessMm[strip]!) ? section.thicknessMm[strip]! : 0;

/** What the strip's own metal adds to the flow along it: t ∫ σ' ds. */
function stripLoad(section: Section, strip: number, gradient: Float64Array, lengthMm: Float64Array): number {
  return (
    (metalThickness(section, strip) *
      lengthMm[strip]! *
      (gradient[section.from[strip]!]! + gradient[section.to[strip]!]!)) /
    2
  );
}

/** ∫ q ds along a strip whose flow starts at q0. */
function flowIntegral(
  section: Section,
  strip: number,
  q0: number,
  gradient: Float64Array,
  lengthMm: Float64Array,
): number {
  const length = lengthMm[strip]!;
  const bent = (2 * gradient[section.from[strip]!]! + gradient[section.to[strip]!]!) / 6;
  return q0 * length - metalThickness(section, strip) * length * length * bent;
}

/** Flow at each strip's start with every chord cut open at its far end: loads are gathered from the tips towards the root. */
function openFlowAtStart(
  section: Section,
  tree: Wiring,
  gradient: Float64Array,
  lengthMm: Float64Array,
): Float64Array {
  const gathered = new Float64Array(section.xMm.length);
  const start = new Float64Array(section.from.length);
  for (const chord of tree.chords) {
    const load = stripLoad(section, chord, gradient, lengthMm);
    start[chord] = load;
    gathered[section.from[chord]!]! += load;
  }
  for (let n = tree.visited.length - 1; n >= 0; n--) {
    const node = tree.visited[n]!;
    const strip = tree.parentStrip[node]!;
    if (strip < 0) continue;
    const load = stripLoad(section, strip, gradient, lengthMm);
    const towardsRoot = section.from[strip] === node;
    start[strip] = towardsRoot ? -gathered[node]! : gathered[node]! + load;
    gathered[tree.parentNode[node]!]! += gathered[node]! + load;
  }
  return start;
}

function gatherFlow(
  section: Section,
  start: Float64Array,
  gradient: Float64Array,
  lengthMm: Float64Array,
): ShearFlow {
  const count = section.from.length;
  const middle = new Float64Array(count);
  const end = new Float64Array(count);
  let momentNmm = 0;
  for (let e = 0; e < count; e++) {
    if (!(section.thicknessMm[e]! > 0) || lengthMm[e] === 0) continue;
    const i = section.from[e]!,
      j = section.to[e]!;
    const t = metalThickness(section, e);
    const length = lengthMm[e]!;
    middle[e] = start[e]! - (t * length * (3 * gradient[i]! + gradient[j]!)) / 8;
    end[e] = start[e]! - stripLoad(section, e, gradient, lengthMm);
    const arm = (section.xMm[i]! * section.yMm[j]! - section.xMm[j]! * section.yMm[i]!) / length;
    momentNmm += arm * flowIntegral(section, e, start[e]!, gradient, lengthMm);
  }
  return { startNPerMm: start, middleNPerMm: middle, endNPerMm: end, momentNmm };
}

/** The point through which a shear force bends without twisting; undefined for metal in separate pieces. */
export function shearCentre(section: Section): { xMm: number; yMm: number } | undefined {
  const vertical = shearFlow(section, 0, 1);
  const sideways = shearFlow(section, 1, 0);
  return vertical && sideways && { xMm: vertical.momentNmm, yMm: -sideways.momentNmm };
}
