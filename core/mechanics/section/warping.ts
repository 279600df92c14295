import { solveDense } from './linear';
import { shearFlow, twiceCellArea, type ShearFlow } from './properties';
import { hasMetal, type Section } from './section';
import { cellFlexibility, wiringOf } from './wiring';

/** How a section warps when it twists, and what it gives in shear. */
export interface Warping {
  /** Shear centre, section axes. */
  readonly xMm: number;
  readonly yMm: number;
  /** Normalised sectorial coordinate at every node, mm², pole at the shear centre: ∫ω dA = ∫ωx dA = ∫ωy dA = 0. */
  readonly omegaMm2: Float64Array;
  /** Warping constant ∫ω² dA, mm⁶. */
  readonly cwMm6: number;
  /** Shear flexibilities ∫ q²/t ds for unit forces, 1/mm²: along x, along y, and between them. 1 over each is a shear area. */
  readonly shearXX: number;
  readonly shearYY: number;
  readonly shearXY: number;
}

/**
 * Sectorial coordinate and warping constant (V. Z. Vlasov, Thin-Walled Elastic Beams; closed cells take off their own flow's share,
 * as in Kollbrunner & Basler, Torsion in Structures: both from memory), shear flexibilities by energy.
 * The wall's own thickness warping is left out: for flats, angles and crosses Cw is about 0 here.
 * Undefined when the metal is in separate pieces or has no bending stiffness in some direction.
 */
export function warping(section: Section): Warping | undefined {
  const alongY = shearFlow(section, 0, 1);
  const alongX = shearFlow(section, 1, 0);
  if (!alongX || !alongY) return undefined;
  const [xMm, yMm] = [alongY.momentNmm, -alongX.momentNmm];
  const omegaMm2 = sectorial(section, xMm, yMm);
  const cwMm6 = normalised(section, omegaMm2);
  return {
    xMm,
    yMm,
    omegaMm2,
    cwMm6,
    shearXX: flowWork(section, alongX, alongX),
    shearYY: flowWork(section, alongY, alongY),
    shearXY: flowWork(section, alongX, alongY),
  };
}

/** ω along the section's tree from its first node; in a cell each strip gives back the cell flow's shear, q ds/t. */
function sectorial(section: Section, poleX: number, poleY: number): Float64Array {
  const tree = wiringOf(section);
  const flow = unitTwistFlow(section);
  const omega = new Float64Array(section.xMm.length);
  for (const node of tree.visited) {
    const strip = tree.parentStrip[node]!;
    if (strip < 0) continue;
    const parent = tree.parentNode[node]!;
    const swept =
      (section.xMm[parent]! - poleX) * (section.yMm[node]! - poleY) -
      (section.xMm[node]! - poleX) * (section.yMm[parent]! - poleY);
    const forward = section.from[strip] === parent ? 1 : -1;
    omega[node] =
      omega[parent]! +
      swept -
      (forward * flow[strip]! * section.lengthMm[strip]!) / section.thicknessMm[strip]!;
  }
  return omega;
}

/** Bredt–Batho flow in every strip for Gθ' = 1, positive from → to; 0 in open parts. */
function unitTwistFlow(section: Section): Float64Array {
  const { cycles } = wiringOf(section);
  const flow = new Float64Array(section.from.length);
  if (cycles.length === 0) return flow;
  const cells = solveDense(
    cellFlexibility(section, cycles),
    Float64Array.from(cycles, (cycle) => twiceCellArea(section, cycle)),
  );
  if (cells)
    cycles.forEach(({ strips, signs }, k) =>
      strips.forEach((strip, n) => (flow[strip]! += signs[n]! * cells[k]!)),
    );
  return flow;
}

/** Shifts ω so that ∫ω dA = 0, in place; answers ∫ω² dA. */
function normalised(section: Section, omega: Float64Array): number {
  const { from, to, lengthMm, thicknessMm } = section;
  let area = 0,
    first = 0;
  for (let e = 0; e < from.length; e++) {
    if (!hasMetal(thicknessMm[e]!)) continue;
    area += thicknessMm[e]! * lengthMm[e]!;
    first += (thicknessMm[e]! * lengthMm[e]! * (omega[from[e]!]! + omega[to[e]!]!)) / 2;
  }
  for (let node = 0; node < omega.length; node++) omega[node]! -= first / area;
  let second = 0;
  for (let e = 0; e < from.length; e++) {
    if (!hasMetal(thicknessMm[e]!)) continue;
    const a = omega[from[e]!]!,
      b = omega[to[e]!]!;
    second += (thicknessMm[e]! * lengthMm[e]! * (a * a + a * b + b * b)) / 3;
  }
  return second;
}

/** ∫ q₁q₂/t ds; both flows are parabolas through their three values. */
function flowWork({ from, lengthMm, thicknessMm }: Section, one: ShearFlow, other: ShearFlow): number {
  let sum = 0;
  for (let e = 0; e < from.length; e++) {
    if (!hasMetal(thicknessMm[e]!)) continue;
    const a = one.startNPerMm[e]!,
      b = one.middleNPerMm[e]!,
      c = one.endNPerMm[e]!;
    const p = other.startNPerMm[e]!,
      q = other.middleNPerMm[e]!,
      r = other.endNPerMm[e]!;
    sum +=
      (lengthMm[e]! / (30 * thicknessMm[e]!)) *
      (4 * a * p + 16 * b * q + 4 * c * r + 2 * (a * q + b * p) + 2 * (b * r + c * q) - (a * r + c * p));
  }
  return sum;
}

/** Shear flow of a pure St Venant torque in the section's cells, N/mm a strip, from → to; open parts carry theirs across the wall. */
export function torsionFlow(section: Section, torqueNmm: number, jMm4: number): Float64Array {
  return unitTwistFlow(section).map((flow) => (flow * torqueNmm) / jMm4);
}

/** ω at the point of the metal nearest to (x, y). */
export function omegaAt(section: Section, omega: Float64Array, x: number, y: number): number {
  let best = Infinity;
  let value = 0;
  for (let e = 0; e < section.from.length; e++) {
    if (!(section.thicknessMm[e]! > 0)) continue;
    const i = section.from[e]!,
      j = section.to[e]!;
    const dx = section.xMm[j]! - section.xMm[i]!,
      dy = section.yMm[j]! - section.yMm[i]!;
    const square = dx * dx + dy * dy;
    const along =
      square > 0
        ? Math.min(Math.max(((x - section.xMm[i]!) * dx + (y - section.yMm[i]!) * dy) / square, 0), 1)
        : 0;
    const away = (section.xMm[i]! + along * dx - x) ** 2 + (section.yMm[i]! + along * dy - y) ** 2;
    if (!(away < best)) continue;
    best = away;
    value = omega[i]! + along * (omega[j]! - omega[i]!);
  }
  return value;
}
