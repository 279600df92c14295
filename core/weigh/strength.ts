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
  /** Compression, by face: what local buckling of that wall leaves of yield, where its far edge has `ratio` of the stress at its worse one. */
  readonly wallMpa: ReadonlyMap<Face['id'], (ratio: number) => number>;
  /** Compression in bending between crossmembers: lateral-torsional buckling for a moment that varies by `gradient` (1: even); yield for closed sections. */
  readonly lateralMpa: (gradient: number) => number;
}

/** Share of yield an outstand reaches: AISC 360 (2010) E7-4 to E7-6, from memory. */
export function outstandShare(slenderness: number, yieldMpa: number): number {
  const root = Math.sqrt(YOUNGS_MODULUS_MPA / yieldMpa);
  if (slenderness <= outstandLimit(yieldMpa)) return 1;
  if (slenderness < 1.03 * root) return 1.415 - 0.74 * slenderness * Math.sqrt(yieldMpa / YOUNGS_MODULUS_MPA);
  return (0.69 * YOUNGS_MODULUS_MPA) / (yieldMpa * slenderness * slenderness);
}

/** Winter's curve leaves yield at this slenderness λ, where it is 1 exactly. */
const WINTER_FROM = 0.673;

/** Plate buckling: 4 where both edges are pressed alike, 24 in pure bending (AISI S100 B2.3, from memory). `ratio`: stress at the far edge over the greatest compression. */
export const plateBuckling = (ratio: number): number => {
  const fall = 1 - Math.min(Math.max(ratio, -1), 1);
  return 4 + 2 * fall ** 3 + 2 * fall;
};

/** Share of yield a wall held at both edges reaches, by Winter's effective width (G. Winter, 1947; AISI S100, from memory). */
export function heldWallShare(slenderness: number, yieldMpa: number, ratio = 1): number {
  const lambda =
    (1.052 / Math.sqrt(plateBuckling(ratio))) * slenderness * Math.sqrt(yieldMpa / YOUNGS_MODULUS_MPA);
  return lambda <= WINTER_FROM ? 1 : (1 - 0.22 / lambda) / lambda;
}

/** How much later a beam buckles sideways for a moment that changes along it: 1.75 + 1.05 r + 0.3 r², at most 2.3; r the lesser end's over the greater's, + where they bend it both ways (AISC 360 commentary F1, from memory). */
export function momentGradient(oneNmm: number, otherNmm: number): number {
  const [lesser, greater] = Math.abs(oneNmm) < Math.abs(otherNmm) ? [oneNmm, otherNmm] : [otherNmm, oneNmm];
  // Inner moments of one sign bend it one way: single curvature.
  const r = greater === 0 ? -1 : -lesser / greater;
  return Math.min(2.3, 1.75 + 1.05 * r + 0.3 * r * r);
}

/** Lateral-torsional buckling stress of an open section between holds, MPa: times the moment's gradient, Johnson's curve above half of yield (from memory). */
export function lateralMpa(
  section: Section,
  unbracedMm: number,
  yieldMpa: number,
  shearMpa: number,
  gradient = 1,
): number {
  return johnson(gradient * elasticLateralMpa(section, unbracedMm, shearMpa), yieldMpa);
}

const johnson = (elastic: number, yieldMpa: number): number =>
  elastic > yieldMpa / 2 ? yieldMpa * (1 - yieldMpa / (4 * elastic)) : elastic;

/** Infinite where nothing can be said of it. */
function elasticLateralMpa(section: Section, unbracedMm: number, shearMpa: number): number {
  const properties = sectionProperties(section);
  const warp = warping(section);
  if (!properties || !warp || !(unbracedMm > 0)) return Infinity;
  const pull = Math.PI / unbracedMm;
  const critical =
    pull *
    Math.sqrt(
      YOUNGS_MODULUS_MPA *
        properties.iMinorMm4 *
        (shearMpa * properties.jMm4 + pull * pull * YOUNGS_MODULUS_MPA * warp.cwMm6),
    );
  return critical / Math.max(properties.sTopMm3, properties.sBottomMm3);
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
  const { yieldMpa } = steel;
  const shareOf = (face: Face): ((ratio: number) => number) => {
    const t = means.get(face.id)!;
    if (!(t > 0)) return () => 0;
    if (isOutstand(surface.shape, face) || standsAlone(surface, means, face)) {
      const share = outstandShare(outstandMm(surface.shape, face) / t, yieldMpa);
      return () => share;
    }
    return surface.shape.kind === 'tube'
      ? () => 1
      : (ratio) => heldWallShare(face.widthMm / t, yieldMpa, ratio);
  };
  const wallMpa = new Map(
    facesOf(surface.shape).map((face) => {
      const share = shareOf(face);
      return [face.id, (ratio: number) => share(ratio) * yieldMpa] as const;
    }),
  );
  if (isClosed(surface.shape)) return { yieldMpa, wallMpa, lateralMpa: () => yieldMpa };
  const elastic = elasticLateralMpa(section, unbracedMm, shearMpa);
  return { yieldMpa, wallMpa, lateralMpa: (gradient) => johnson(gradient * elastic, yieldMpa) };
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
 * What a web takes at a pad, away from a member's end, N: the least of yielding over the bearing and of crippling beside it, and for walls bent from
 * sheet what tests on those came to. A box has two webs. `flangeMm` spreads the load; what rust made thinner than the web spreads it no better.
 */
export function webBearingN(shape: MemberShape, webMm: number, flangeMm: number, yieldMpa: number): number {
  if (!(webMm > 0 && flangeMm > 0)) return 0;
  const one = Math.min(
    webYieldN(webMm, flangeMm, yieldMpa),
    webCripplingN(shape, webMm, flangeMm, yieldMpa),
    shape.kind === 'I' || shape.kind === 'built-up' ? Infinity : formedWebN(shape, webMm, yieldMpa),
  );
  return (isClosed(shape) ? 2 : 1) * one;
}

/** Fy t (5 k + N) over 1.5, k the flange alone: fillets are not known (AISC 360 J10.2, from memory). */
export const webYieldN = (webMm: number, flangeMm: number, yieldMpa: number): number =>
  (yieldMpa * webMm * (5 * flangeMm + BEARING_MM)) / 1.5;

/** 0.80 t² [1 + 3 (N/d)(tw/tf)^1.5] √(E Fy tf/tw) over 2 (AISC 360 J10.3, from memory); tw/tf at most 1 in the spreading. */
export const webCripplingN = (
  { depthMm }: Pick<MemberShape, 'depthMm'>,
  webMm: number,
  flangeMm: number,
  yieldMpa: number,
): number =>
  (0.8 *
    webMm *
    webMm *
    (1 + 3 * (BEARING_MM / depthMm) * Math.min(1, webMm / flangeMm) ** 1.5) *
    Math.sqrt((YOUNGS_MODULUS_MPA * yieldMpa * flangeMm) / webMm)) /
  2;

/** Of the bend's term nothing less is believed: past R/t 6 or so there were no tests (ours). */
const LEAST_BEND_TERM = 0.2;
/**
 * 13 t² Fy (1 − 0.32 √(R/t)) (1 + 0.10 √(N/t)) (1 − 0.01 √(h/t)) over 1.80: one web of a channel without lips, load on one flange, away from
 * the end (AISI S100, web crippling, from memory). The inside bend is taken as round as the wall was thick (common practice, no source).
 */
export function formedWebN(
  { depthMm, thicknessMm }: Pick<MemberShape, 'depthMm' | 'thicknessMm'>,
  webMm: number,
  yieldMpa: number,
): number {
  const bend = Math.max(LEAST_BEND_TERM, 1 - 0.32 * Math.sqrt(thicknessMm / webMm));
  const bearing = 1 + 0.1 * Math.sqrt(BEARING_MM / webMm);
  const tall = Math.max(0, 1 - 0.01 * Math.sqrt(depthMm / webMm));
  return (13 * webMm * webMm * yieldMpa * bend * bearing * tall) / 1.8;
}
