import type { Section } from '../mechanics';
import { sectionProperties, warping } from '../mechanics';
import {
  facesOf,
  heightOnFace,
  isBranched,
  isClosed,
  type Face,
  type MemberShape,
  type Surface,
} from '../frame';
import { outstandLimit, YOUNGS_MODULUS_MPA, type Steel } from '../reference';

/** What a section can take, on the thickness it has: stresses in MPa that yield or buckling allow before any shop's own share is taken. */
export interface SectionStrength {
  readonly yieldMpa: number;
  /** Compression, by face: what local buckling of that wall leaves of yield. */
  readonly wallMpa: ReadonlyMap<Face['id'], number>;
  /** Compression in bending between crossmembers: lateral-torsional buckling; yield for closed sections. */
  readonly lateralMpa: number;
}

/** … and a wall held along both edges. */
const HELD_WALL = 1.49;

/** Share of yield an outstand reaches: AISC 360 (2010) E7-4 to E7-6, from memory. */
export function outstandShare(slenderness: number, yieldMpa: number): number {
  const root = Math.sqrt(YOUNGS_MODULUS_MPA / yieldMpa);
  if (slenderness <= outstandLimit(yieldMpa)) return 1;
  if (slenderness < 1.03 * root) return 1.415 - 0.74 * slenderness * Math.sqrt(yieldMpa / YOUNGS_MODULUS_MPA);
  return (0.69 * YOUNGS_MODULUS_MPA) / (yieldMpa * slenderness * slenderness);
}

/** Share of yield a wall held at both edges reaches, by Winter's effective width (G. Winter, 1947; AISI S100, from memory). */
export function heldWallShare(slenderness: number, yieldMpa: number): number {
  const root = Math.sqrt(YOUNGS_MODULUS_MPA / yieldMpa);
  if (slenderness <= HELD_WALL * root) return 1;
  const lambda = (1.052 / 2) * slenderness * Math.sqrt(yieldMpa / YOUNGS_MODULUS_MPA);
  return Math.min(1, (1 - 0.22 / lambda) / lambda);
}

/** Lateral-torsional buckling stress of an open section between holds, MPa: uniform moment (safe), Johnson's curve above half of yield (from memory). */
export function lateralMpa(section: Section, unbracedMm: number, yieldMpa: number, shearMpa: number): number {
  const properties = sectionProperties(section);
  const warp = warping(section);
  if (!properties || !warp || !(unbracedMm > 0)) return yieldMpa;
  const pull = Math.PI / unbracedMm;
  const critical =
    pull *
    Math.sqrt(
      YOUNGS_MODULUS_MPA *
        properties.iMinorMm4 *
        (shearMpa * properties.jMm4 + pull * pull * YOUNGS_MODULUS_MPA * warp.cwMm6),
    );
  const elastic = critical / Math.max(properties.sTopMm3, properties.sBottomMm3);
  return elastic > yieldMpa / 2 ? yieldMpa * (1 - yieldMpa / (4 * elastic)) : elastic;
}

/** A section and the wall it is of. */
interface Walled {
  readonly surface: Surface;
  readonly section: Section;
  readonly wallMm: ArrayLike<number>;
}

/** How thick each face is on the whole, mm: the mean of its rows. */
export function faceMeanMm(surface: Surface, wallMm: ArrayLike<number>): Map<Face['id'], number> {
  const sums = new Map<Face['id'], [sum: number, rows: number]>();
  surface.rowFace.forEach((face, row) => {
    const [sum, rows] = sums.get(face.id) ?? [0, 0];
    sums.set(face.id, [sum + wallMm[row]!, rows + 1]);
  });
  return new Map([...sums].map(([id, [sum, rows]]) => [id, sum / rows]));
}

/** The least of a web in its lower half, mm: there it cripples over what it stands on, whatever stands above. */
export function webAtBearingMm({ rowFace, uMm }: Surface, wallMm: ArrayLike<number>): number {
  let least = Infinity;
  rowFace.forEach((face, row) => {
    if (face.upright && heightOnFace(face, uMm[row]!) <= face.widthMm / 2)
      least = Math.min(least, wallMm[row]!);
  });
  return Number.isFinite(least) ? least : 0;
}

/** What a wall's section can take between holds `unbracedMm` apart. */
export function sectionStrength(
  { surface, section, wallMm }: Walled,
  steel: Steel,
  unbracedMm: number,
  shearMpa: number,
): SectionStrength {
  const means = faceMeanMm(surface, wallMm);
  const wallMpa = new Map(
    facesOf(surface.shape).map((face) => {
      const t = means.get(face.id)!;
      const share = !(t > 0)
        ? 0
        : isOutstand(surface.shape, face) || standsAlone(surface, means, face)
          ? outstandShare(outstandMm(surface.shape, face) / t, steel.yieldMpa)
          : surface.shape.kind === 'tube'
            ? 1
            : heldWallShare(face.widthMm / t, steel.yieldMpa);
      return [face.id, share * steel.yieldMpa] as const;
    }),
  );
  return {
    yieldMpa: steel.yieldMpa,
    wallMpa,
    lateralMpa: isClosed(surface.shape)
      ? steel.yieldMpa
      : lateralMpa(section, unbracedMm, steel.yieldMpa, shearMpa),
  };
}

/** A face that has lost less than this of a neighbour is still held by it (our judgement). */
const HOLDS_FROM = 0.1;
/** A wall that a neighbour held along its edge, and the neighbour is gone. */
function standsAlone(
  { faces, closed }: Surface,
  means: ReadonlyMap<Face['id'], number>,
  face: Face,
): boolean {
  const k = faces.findIndex((each) => each.id === face.id);
  const beside = closed
    ? [faces[(k + 1) % faces.length], faces[(k + faces.length - 1) % faces.length]]
    : [faces[k - 1], faces[k + 1]];
  return beside.some((each) => each && means.get(each.id)! < HOLDS_FROM * each.wallMm);
}

/** A face with a free edge. */
function isOutstand(shape: MemberShape, face: Face): boolean {
  if (shape.kind === 'angle' || shape.kind === 'flat') return true;
  if (shape.kind === 'hat') return face.id === 'outer lip' || face.id === 'inner lip';
  return !isClosed(shape) && (face.id === 'top' || face.id === 'bottom');
}
const outstandMm = (shape: MemberShape, face: Face): number =>
  isBranched(shape) ? face.widthMm / 2 : face.widthMm;

/** Bearing length of a lift pad, jack or hanger, mm (common practice, no source). */
const BEARING_MM = 100;

/**
 * What a web takes at a pad before it cripples, N: 0.80 t² [1 + 3 (N/d)(t_w/t_f)^1.5] √(E Fy t_f/t_w), over a safety of 2
 * (AISC 360 J10.3, away from an end, from memory). A box has two webs. The formula is of flanges no thinner than their web: a flange that rust made
 * thinner spreads the load no better, so t_w/t_f counts as 1 at most in the spreading.
 */
export function cripplingN(shape: MemberShape, webMm: number, flangeMm: number, yieldMpa: number): number {
  if (!(webMm > 0 && flangeMm > 0)) return 0;
  const one =
    0.8 *
    webMm *
    webMm *
    (1 + 3 * (BEARING_MM / shape.depthMm) * Math.min(1, webMm / flangeMm) ** 1.5) *
    Math.sqrt((YOUNGS_MODULUS_MPA * yieldMpa * flangeMm) / webMm);
  return ((isClosed(shape) ? 2 : 1) * one) / 2;
}
