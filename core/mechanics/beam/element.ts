import type { BeamElement, BeamModel, LineLoad, Releases, Vector3 } from './model';
import { principal, type BeamProfile } from './profile';

/**
 * The 14-dof element. Its own ends, each:  0 u along   1 v  2 w across   3 θx   4 θy   5 θz   6 ψ = θx′
 *
 *     z ↑   → x                  u at the centroid C; v, w, θx at the shear centre S; θy, θz turns of the cross-section
 *     R ●━━━━━━━━━━━● R          a point (y, z) of the wall moves u + z θy − y θz − ω ψ along the member
 *       from        to
 *
 * Axial and bending about principal axes (S. P. Timoshenko), torsion with warping restrained by the exact solution of
 * E Cw θ⁗ − G J θ″ = m (Vlasov), nodally exact for prismatic lengths.
 */
export const END = 7;
export const SIZE = 14;

export interface ElementFrame {
  readonly lengthMm: number;
  /** Rows: local x, y, z in global axes. */
  readonly axes: Float64Array;
}

const subtract = (a: Vector3, b: Vector3): Vector3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const plus = (a: Vector3, b: Vector3 | undefined): Vector3 =>
  b ? [a[0] + b[0], a[1] + b[1], a[2] + b[2]] : a;
export const cross = (a: Vector3, b: Vector3): Vector3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const lengthOf = (a: Vector3): number => Math.sqrt(a[0] * a[0] + a[1] * a[1] + a[2] * a[2]);

/** Length and axes of an element; a reason when it has none. */
export function elementFrame(nodes: readonly Vector3[], element: BeamElement): ElementFrame | string {
  const [a, b] = [nodes[element.from.node], nodes[element.to.node]];
  if (!a || !b) return 'a node that does not exist';
  const along = subtract(plus(b, element.to.offsetMm), plus(a, element.from.offsetMm));
  const lengthMm = lengthOf(along);
  if (!(lengthMm > 1e-6)) return 'no length';
  const side = cross(element.upGlobal, along);
  const sideLength = lengthOf(side);
  if (!(sideLength > 1e-9 * lengthMm)) return 'its up direction runs along it';
  const x: Vector3 = [along[0] / lengthMm, along[1] / lengthMm, along[2] / lengthMm];
  const y: Vector3 = [side[0] / sideLength, side[1] / sideLength, side[2] / sideLength];
  return { lengthMm, axes: Float64Array.from([...x, ...y, ...cross(x, y)]) };
}

/** Stiffness on the element's own dof, 14 × 14 row-major. */
export function ownStiffness(
  profile: BeamProfile,
  lengthMm: number,
  model: Pick<BeamModel, 'youngsMpa' | 'shearMpa' | 'shearDeforms'>,
): Float64Array {
  const k = new Float64Array(SIZE * SIZE);
  const put = (row: number, column: number, value: number) => {
    k[row * SIZE + column]! += value;
    if (row !== column) k[column * SIZE + row]! += value;
  };
  const ea = (model.youngsMpa * profile.areaMm2) / lengthMm;
  put(0, 0, ea);
  put(7, 7, ea);
  put(0, 7, -ea);
  addBending(put, profile, lengthMm, model);
  addTorsion(put, profile, lengthMm, model);
  return k;
}

type Put = (row: number, column: number, value: number) => void;

/** Bending in both principal planes, turned back to y and z; shear flexibility is taken in each plane by itself. */
function addBending(
  put: Put,
  profile: BeamProfile,
  L: number,
  { youngsMpa, shearMpa, shearDeforms }: Pick<BeamModel, 'youngsMpa' | 'shearMpa' | 'shearDeforms'>,
): void {
  const { angleRad, iuuMm4, ivvMm4 } = principal(profile);
  const cos = Math.cos(angleRad),
    sin = Math.sin(angleRad);
  const flexible = (dy: number, dz: number) =>
    shearDeforms ? profile.shearYY * dy * dy + 2 * profile.shearYZ * dy * dz + profile.shearZZ * dz * dz : 0;
  // Plane of deflection along u = (cos, sin): fibres spread along u, iuu; and along v = (−sin, cos): ivv.
  for (const [dy, dz, inertia] of [
    [cos, sin, iuuMm4],
    [-sin, cos, ivvMm4],
  ] as const) {
    const ei = youngsMpa * inertia;
    const phi = (12 * ei * flexible(dy, dz)) / (shearMpa * L * L);
    const base = ei / (L * L * L * (1 + phi));
    // Deflection d = v dy + w dz; slope of d as a turn: θz dy − θy dz.
    const shape: readonly (readonly [number, number])[] = [
      [1, dy],
      [2, dz],
      [5, dy],
      [4, -dz],
      [8, dy],
      [9, dz],
      [12, dy],
      [11, -dz],
    ];
    const plane = [
      [12, 6 * L, -12, 6 * L],
      [6 * L, (4 + phi) * L * L, -6 * L, (2 - phi) * L * L],
      [-12, -6 * L, 12, -6 * L],
      [6 * L, (2 - phi) * L * L, -6 * L, (4 + phi) * L * L],
    ] as const;
    for (let a = 0; a < 8; a++)
      for (let b = a; b < 8; b++) {
        const [rowDof, rowPart] = shape[a]!;
        const [columnDof, columnPart] = shape[b]!;
        put(rowDof, columnDof, base * plane[a >> 1]![b >> 1]! * rowPart * columnPart);
      }
  }
}

/** Below this k L the exact torsion matrix loses digits and the cubic one is as good. */
const NEARLY_CUBIC = 0.05;

function addTorsion(
  put: Put,
  { jMm4, cwMm6 }: BeamProfile,
  L: number,
  { youngsMpa, shearMpa }: Pick<BeamModel, 'youngsMpa' | 'shearMpa'>,
): void {
  const gj = shearMpa * jMm4;
  if (!(cwMm6 > 0)) {
    put(3, 3, gj / L);
    put(10, 10, gj / L);
    put(3, 10, -gj / L);
    return;
  }
  const { force, near, far, forceMoment } = torsionTerms(gj, youngsMpa * cwMm6, L);
  put(3, 3, force);
  put(10, 10, force);
  put(3, 10, -force);
  put(3, 6, forceMoment);
  put(3, 13, forceMoment);
  put(10, 6, -forceMoment);
  put(10, 13, -forceMoment);
  put(6, 6, near);
  put(13, 13, near);
  put(6, 13, far);
}

/** Terms of [θ₁ ψ₁ θ₂ ψ₂]: those of a beam under tension, with E Cw for its bending stiffness and G J for the tension. */
function torsionTerms(
  gj: number,
  ecw: number,
  L: number,
): { force: number; forceMoment: number; near: number; far: number } {
  const k = Math.sqrt(gj / ecw);
  const kl = k * L;
  if (kl < NEARLY_CUBIC) {
    const b = ecw / (L * L * L),
      t = gj / (30 * L);
    return {
      force: 12 * b + 36 * t,
      forceMoment: 6 * L * b + 3 * L * t,
      near: 4 * L * L * b + 4 * L * L * t,
      far: 2 * L * L * b - L * L * t,
    };
  }
  // cosh and sinh over e^{kl}/2, so that a long slender length does not overflow
  const fade = Math.exp(-2 * kl),
    top = Math.exp(-kl);
  const c = 1 + fade,
    s = 1 - fade,
    one = 2 * top;
  const d = 2 * one - 2 * c + kl * s;
  return {
    force: (ecw * k * k * k * s) / d,
    forceMoment: (ecw * k * k * (c - one)) / d,
    near: (ecw * k * (kl * c - s)) / d,
    far: (ecw * k * (s - kl * one)) / d,
  };
}

/** Bimoment at both ends of a fixed length under an evenly spread torque of 1 N·mm/mm: L²/12 without St Venant stiffness. */
export function fixedEndBimoment(
  { jMm4, cwMm6 }: BeamProfile,
  L: number,
  youngsMpa: number,
  shearMpa: number,
): number {
  if (!(cwMm6 > 0)) return 0;
  const kSquared = (shearMpa * jMm4) / (youngsMpa * cwMm6);
  const half = (Math.sqrt(kSquared) * L) / 2;
  return half < NEARLY_CUBIC / 2 ? (L * L) / 12 : (half / Math.tanh(half) - 1) / kSquared;
}

/**
 * From an end's unknowns (3 displacements and 3 turns of the node in global axes, 1 warping) to the element's own seven, 7 × 7 row-major:
 * rigid offset, turn into local axes, then from R to centroid and shear centre.
 */
export function endTransform(
  profile: BeamProfile,
  axes: Float64Array,
  offsetMm: Vector3 | undefined,
): Float64Array {
  const [yC, zC] = profile.centroid;
  const [yS, zS] = profile.shearCentre;
  // rows: own dof; columns: u v w θx θy θz ψ at R, local axes
  const local = [
    [1, 0, 0, 0, zC, -yC, profile.omegaAtR - zC * yS + yC * zS],
    [0, 1, 0, -zS, 0, 0, 0],
    [0, 0, 1, yS, 0, 0, 0],
    [0, 0, 0, 1, 0, 0, 0],
    [0, 0, 0, 0, 1, 0, -yS],
    [0, 0, 0, 0, 0, 1, -zS],
    [0, 0, 0, 0, 0, 0, 1],
  ];
  if (!(profile.cwMm6 > 0)) for (const row of local) row[6] = 0;
  const [rx, ry, rz] = offsetMm ?? [0, 0, 0];
  const out = new Float64Array(49);
  for (let row = 0; row < 7; row++) {
    const own = local[row]!;
    for (let c = 0; c < 3; c++) {
      const [u, v, w] = [axes[c]!, axes[3 + c]!, axes[6 + c]!];
      out[row * 7 + c] = own[0]! * u + own[1]! * v + own[2]! * w;
      out[row * 7 + 3 + c] = own[3]! * u + own[4]! * v + own[5]! * w;
    }
    // u_R = u_node + θ × r
    const [tx, ty, tz] = [out[row * 7]!, out[row * 7 + 1]!, out[row * 7 + 2]!];
    out[row * 7 + 3]! += ry * tz - rz * ty;
    out[row * 7 + 4]! += rz * tx - rx * tz;
    out[row * 7 + 5]! += rx * ty - ry * tx;
    out[row * 7 + 6] = own[6]!;
  }
  return out;
}

/**
 * Lets go of released dof by eliminating what turns or slides behind the joint: the element follows freely, or by the joint's own spring. Changes both
 * arguments. A reason when it then has no stiffness there at all is left to the solver.
 */
export function release(
  k: Float64Array,
  loads: readonly Float64Array[],
  from: Releases | undefined,
  to: Releases | undefined,
): void {
  const gone = [from, to].flatMap((releases, end) =>
    (releases ?? []).flatMap((how, dof) =>
      how === false ? [] : [{ dof: end * END + dof, spring: how === true ? 0 : how }],
    ),
  );
  for (const { dof, spring } of gone) {
    const own = k[dof * SIZE + dof]!;
    if (!(own > 0)) continue;
    const pivot = own + spring;
    for (const load of loads) {
      const share = load[dof]! / pivot;
      for (let row = 0; row < SIZE; row++) load[row]! -= k[row * SIZE + dof]! * share;
    }
    const column = Float64Array.from({ length: SIZE }, (_, row) => k[row * SIZE + dof]!);
    for (let row = 0; row < SIZE; row++)
      for (let c = 0; c < SIZE; c++) k[row * SIZE + c]! -= (column[row]! * column[c]!) / pivot;
    if (spring === 0) for (let row = 0; row < SIZE; row++) k[row * SIZE + dof] = k[dof * SIZE + row] = 0;
  }
}

/** Consistent end loads on the element's own dof for an evenly spread load. */
export function ownLineLoad(
  profile: BeamProfile,
  frame: ElementFrame,
  load: LineLoad,
  model: Pick<BeamModel, 'youngsMpa' | 'shearMpa'>,
): Float64Array {
  const { lengthMm: L, axes } = frame;
  const along = (row: number) =>
    load.perMmN[0] * axes[3 * row]! +
    load.perMmN[1] * axes[3 * row + 1]! +
    load.perMmN[2] * axes[3 * row + 2]!;
  const [qx, qy, qz] = [along(0), along(1), along(2)];
  const [yLine, zLine] = load.lineYz ?? profile.centroid;
  const [yS, zS] = profile.shearCentre;
  const [yC, zC] = profile.centroid;
  const torque = (yLine - yS) * qz - (zLine - zS) * qy;
  const f = new Float64Array(SIZE);
  const bimoment = torque * fixedEndBimoment(profile, L, model.youngsMpa, model.shearMpa);
  const [bendY, bendZ] = [(zLine - zC) * qx, -(yLine - yC) * qx];
  for (const [at, sign] of [
    [0, 1],
    [END, -1],
  ] as const) {
    f[at] = (qx * L) / 2;
    f[at + 1] = (qy * L) / 2;
    f[at + 2] = (qz * L) / 2;
    f[at + 3] = (torque * L) / 2;
    f[at + 4] = (-sign * qz * L * L) / 12 + (bendY * L) / 2;
    f[at + 5] = (sign * qy * L * L) / 12 + (bendZ * L) / 2;
    f[at + 6] = sign * bimoment;
  }
  return f;
}
