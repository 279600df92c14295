import { omegaAt, sectionProperties, warping, type Section } from '../section';

/**
 * A cross-section as a beam element needs it, about the reference point R that the member's nodes stand on.
 *
 *        z │            local x runs along the member, right-handed with y and z
 *          │   ● S      S shear centre, C centroid, R reference point (0, 0)
 *          R───C──── y
 *
 * Stiff against warping where `cwMm6` is above 0 (14-dof element); 0 takes the 12-dof path.
 */
export interface BeamProfile {
  readonly areaMm2: number;
  /** Second moments about the centroid, axes parallel to y and z: ∫y², ∫z², ∫yz. */
  readonly iyyMm4: number;
  readonly izzMm4: number;
  readonly iyzMm4: number;
  readonly jMm4: number;
  readonly cwMm6: number;
  /** Shear flexibilities for unit forces along y, along z and between, 1/mm²; all 0 for a beam stiff in shear. */
  readonly shearYY: number;
  readonly shearZZ: number;
  readonly shearYZ: number;
  readonly centroid: readonly [yMm: number, zMm: number];
  readonly shearCentre: readonly [yMm: number, zMm: number];
  /** Sectorial coordinate at R, pole at S. */
  readonly omegaAtR: number;
}

/** How a section is put into a member: its point (x, y) that becomes R, and whether its x axis is turned round (the right-hand rail). */
export interface Seat {
  readonly xMm: number;
  readonly yMm: number;
  readonly mirrored: boolean;
}

/**
 * A thin-walled section as a beam profile. `warps` false leaves warping out (closed sections; comparison).
 * Metal in separate pieces is taken as held together by its neighbours in bending, with the open torsion constant and no warping stiffness.
 * Undefined when no metal is left.
 */
export function beamProfile(section: Section, seat: Seat, warps: boolean): BeamProfile | undefined {
  const properties = sectionProperties(section);
  if (!properties) return undefined;
  const hand = seat.mirrored ? -1 : 1;
  const warp = warping(section);
  // Angles, tees and flats do not warp in their midline: what rounding leaves of Cw is none.
  const stiffens =
    warps &&
    warp !== undefined &&
    warp.cwMm6 > 1e-6 * ((properties.ixMm4 + properties.iyMm4) ** 2 / properties.areaMm2);
  const centroid = [hand * (properties.centroidXMm - seat.xMm), properties.centroidYMm - seat.yMm] as const;
  return {
    areaMm2: properties.areaMm2,
    iyyMm4: properties.iyMm4,
    izzMm4: properties.ixMm4,
    iyzMm4: hand * properties.ixyMm4,
    jMm4: properties.jMm4,
    cwMm6: stiffens ? warp.cwMm6 : 0,
    shearYY: warp?.shearXX ?? 0,
    shearZZ: warp?.shearYY ?? 0,
    shearYZ: hand * (warp?.shearXY ?? 0),
    centroid,
    shearCentre: warp ? [hand * (warp.xMm - seat.xMm), warp.yMm - seat.yMm] : centroid,
    omegaAtR: stiffens ? hand * omegaAt(section, warp.omegaMm2, seat.xMm, seat.yMm) : 0,
  };
}

/** A profile known by its figures alone, centroid and shear centre on R: tubes of a chassis leg, an axle, a leaf spring. */
export const plainProfile = (
  figures: Pick<BeamProfile, 'areaMm2' | 'iyyMm4' | 'izzMm4' | 'jMm4'>,
): BeamProfile => ({
  ...figures,
  iyzMm4: 0,
  cwMm6: 0,
  shearYY: 0,
  shearZZ: 0,
  shearYZ: 0,
  centroid: [0, 0],
  shearCentre: [0, 0],
  omegaAtR: 0,
});

/** 2 × 2 principal angle: from y to the axis about which the section bends stiffest in the y direction's plane. */
export function principal({ iyyMm4, izzMm4, iyzMm4 }: BeamProfile): {
  angleRad: number;
  iuuMm4: number;
  ivvMm4: number;
} {
  const mean = (iyyMm4 + izzMm4) / 2;
  const half = (iyyMm4 - izzMm4) / 2;
  const radius = Math.sqrt(half * half + iyzMm4 * iyzMm4);
  if (radius < 1e-12 * mean) return { angleRad: 0, iuuMm4: mean, ivvMm4: mean };
  return {
    angleRad: 0.5 * Math.atan2(2 * iyzMm4, iyyMm4 - izzMm4),
    iuuMm4: mean + radius,
    ivvMm4: mean - radius,
  };
}

/**
 * A stretch that is weaker in places, as one profile: in row, what gives adds up, so areas, second moments and torsion are averaged as flexibilities.
 * Centroid, shear centre and warping stay the whole one's: force goes round a short weak place and does not move its line for it.
 */
export function inRow(whole: BeamProfile, along: readonly BeamProfile[]): BeamProfile {
  if (along.length === 0) return whole;
  const mean = (of: (profile: BeamProfile) => number) =>
    along.reduce((sum, profile) => sum + of(profile), 0) / along.length;
  const determinant = ({ iyyMm4, izzMm4, iyzMm4 }: BeamProfile) => iyyMm4 * izzMm4 - iyzMm4 * iyzMm4;
  const [fy, fz, fyz] = [
    mean((each) => each.izzMm4 / determinant(each)),
    mean((each) => each.iyyMm4 / determinant(each)),
    mean((each) => -each.iyzMm4 / determinant(each)),
  ];
  const bottom = fy * fz - fyz * fyz;
  return {
    ...whole,
    areaMm2: 1 / mean((each) => 1 / each.areaMm2),
    iyyMm4: fz / bottom,
    izzMm4: fy / bottom,
    iyzMm4: -fyz / bottom,
    jMm4: 1 / mean((each) => 1 / each.jMm4),
    shearYY: mean((each) => each.shearYY),
    shearZZ: mean((each) => each.shearZZ),
    shearYZ: mean((each) => each.shearYZ),
  };
}
