import type { BeamProfile } from './profile';

/** Components in global axes: x, y, z. */
export type Vector3 = readonly [number, number, number];

/** Displacements of a node, in order: along x, y, z (mm), about x, y, z (rad). */
export const NODE_DOF = 6;

/**
 * What becomes of warping at an element's end. Nodes hold any number of warping unknowns; a member running on through a node keeps one
 * and the same (`node` with the member's own key), a crossmember's end is `fixed` on a web, or follows the flange it is welded to:
 * `ratio` times the rail's own unknown.
 */
export type EndWarping =
  | { readonly kind: 'fixed' }
  | { readonly kind: 'free' }
  | { readonly kind: 'shared'; readonly key: string; readonly ratio: number };

/**
 * Which of an element end's six local dof are let go (a pin, a slide): along x, y, z, about x, y, z. A number: it gives there as a spring of so much,
 * N/mm or N·mm a radian.
 */
type Release = boolean | number;
export type Releases = readonly [Release, Release, Release, Release, Release, Release];

export interface ElementEnd {
  readonly node: number;
  /** Rigid offset from the node to the element's reference point R, global axes. */
  readonly offsetMm?: Vector3;
  readonly warping: EndWarping;
  readonly released?: Releases;
}

/** A straight beam element between two ends. `upGlobal` lies in its local x–z plane. */
export interface BeamElement {
  readonly id: string;
  readonly from: ElementEnd;
  readonly to: ElementEnd;
  readonly upGlobal: Vector3;
  readonly profile: BeamProfile;
}

/** A spring from a node (or a point rigidly out from it) to the ground: stiffness along and about the global axes; Infinity holds fast. */
export interface Support {
  readonly id: string;
  readonly node: number;
  readonly offsetMm?: Vector3;
  readonly stiffness: readonly [kx: number, ky: number, kz: number, krx: number, kry: number, krz: number];
}

/** Two members' warping at one node, tied by something that gives: a rail's web between its own flange and a crossmember's. N·mm² a unit of warping (1/mm). */
export interface WarpTie {
  readonly node: number;
  readonly keys: readonly [string, string];
  readonly stiffness: number;
}

export interface BeamModel {
  readonly nodes: readonly Vector3[];
  readonly elements: readonly BeamElement[];
  readonly supports: readonly Support[];
  readonly warpTies?: readonly WarpTie[];
  readonly youngsMpa: number;
  readonly shearMpa: number;
  /** Shear deformation in (Timoshenko) or out (Bernoulli). */
  readonly shearDeforms: boolean;
}

/** A force and moment on a node, or on a point rigidly out from it; global axes. */
export interface NodeLoad {
  readonly node: number;
  readonly forceN: Vector3;
  readonly momentNmm?: Vector3;
  readonly offsetMm?: Vector3;
}

/** The line of reference points itself: a load that sits on the web of a channel. */
export const ON_REFERENCE: readonly [number, number] = [0, 0];

/** A load spread evenly over an element's length, N/mm in global axes, on a line at local (y, z) from R. Left out: on the centroid. */
export interface LineLoad {
  readonly element: number;
  readonly perMmN: Vector3;
  readonly lineYz?: readonly [number, number];
}

export interface LoadCase {
  readonly id: string;
  readonly nodeLoads: readonly NodeLoad[];
  readonly lineLoads: readonly LineLoad[];
}

/** Inner forces at an element's end, local axes, on its own centroid and shear centre. */
export interface EndForces {
  /** Tension positive. */
  readonly axialN: number;
  /** Shear along y and z; torque and the part of it that St Venant shear carries; all as exerted by the part beyond (larger x). */
  readonly shearYN: number;
  readonly shearZN: number;
  readonly torqueNmm: number;
  readonly stVenantNmm: number;
  /** Bending about y (z fibres) and z (y fibres) axes. */
  readonly momentYNmm: number;
  readonly momentZNmm: number;
  /** Bimoment, N·mm². */
  readonly bimomentNmm2: number;
}

export interface CaseResult {
  readonly id: string;
  /** Six displacements a node. */
  readonly displacements: Float64Array;
  readonly from: readonly EndForces[];
  readonly to: readonly EndForces[];
  /** Force and moment of each support on the frame, at the support's point. */
  readonly reactions: readonly (readonly number[])[];
  /** |K u − f| over |f|, and the unbalanced force (N) over the total force applied. */
  readonly residual: number;
  readonly equilibriumError: number;
}

export type Solved =
  | { readonly ok: true; readonly cases: readonly CaseResult[] }
  | { readonly ok: false; readonly reason: Unsolvable };

/** Why there is no answer: never numbers from a frame that can move. `at` is where it moves most, `along` which way. */
export type Unsolvable =
  | { readonly kind: 'no supports' }
  | {
      readonly kind: 'mechanism';
      readonly node: number;
      readonly at: Vector3;
      readonly along: 'x' | 'y' | 'z' | 'about x' | 'about y' | 'about z';
      readonly moving: readonly number[];
    }
  | { readonly kind: 'bad element'; readonly element: number; readonly id: string; readonly why: string }
  | { readonly kind: 'bad load'; readonly caseId: string; readonly why: string };
