import { sectionProperties, withThickness, type EndForces } from '../../mechanics';
import { YOUNGS_MODULUS_MPA } from '../../reference';
import type { Cut } from './cut';
import type { StationDemand } from './demand';

/** One limit at an element's end. */
export type Limit = Pick<StationDemand, 'stressMpa' | 'allowableMpa' | 'utilisation' | 'why' | 'warpingMpa'>;

/** Steel yields in shear at this share of its yield in tension (AISC 360 G2, from memory): 0.6 of 0.67 is the 0.4 of old. */
const SHEAR_OF_YIELD = 0.6;
/** Plate buckling in shear, long panels (AISC 360 G2.1, from memory). */
const SHEAR_BUCKLING = 5.34;

/** What a web keeps of its shear as slender as it is: all to 1.10 √(k E/Fy), then less (AISC 360 G2, from memory). */
export function shearShare(slenderness: number, yieldMpa: number): number {
  const root = Math.sqrt((SHEAR_BUCKLING * YOUNGS_MODULUS_MPA) / yieldMpa);
  if (slenderness <= 1.1 * root) return 1;
  return slenderness <= 1.37 * root
    ? (1.1 * root) / slenderness
    : (1.51 * root * root) / (slenderness * slenderness);
}

/** Shear up and down, on what is left of the upright walls over the stretch. */
export function shearOf(cut: Cut, forces: EndForces, share: number): Limit | undefined {
  const { leastMm } = cut;
  const { rowFace, edgeUMm, faces, shape } = cut.surface;
  let [areaMm2, bandMm] = [0, 0];
  rowFace.forEach((face, row) => {
    if (!face.upright) return;
    const wideMm = edgeUMm[row + 1]! - edgeUMm[row]!;
    areaMm2 += leastMm[row]! * wideMm;
    bandMm += wideMm;
  });
  if (bandMm === 0) return undefined;
  const meanMm = areaMm2 / bandMm;
  const tall = Math.max(...faces.filter(({ upright }) => upright).map(({ widthMm }) => widthMm));
  const buckles =
    shape.kind === 'tube' || meanMm === 0 ? 1 : shearShare(tall / meanMm, cut.strength.yieldMpa);
  const allowableMpa = share * SHEAR_OF_YIELD * buckles * cut.strength.yieldMpa;
  const stressMpa = areaMm2 > 0 ? Math.abs(forces.shearZN) / areaMm2 : 0;
  const isAsked = Math.abs(forces.shearZN) > 1;
  const utilisation = areaMm2 > 0 ? stressMpa / allowableMpa : isAsked ? Infinity : 0;
  return { stressMpa, allowableMpa, utilisation, why: 'shear', warpingMpa: 0 };
}

/**
 * Beside an opening longer than the member is deep, the wall above and the wall below each carry half of the shear, bent both ways over the
 * opening's length: V/2 · L/2 at its ends, on top of what the whole section is stressed with (Vierendeel; as for castellated beams).
 */
export function besideSlot(
  cut: Cut,
  forces: EndForces,
  greatestMpa: number,
  share: number,
): Limit | undefined {
  const { slot, section, surface } = cut;
  if (!slot) return undefined;
  const momentNmm = (Math.abs(forces.shearZN) / 2) * (slot.longMm / 2);
  const part = (keep: (row: number) => boolean) =>
    sectionProperties(
      withThickness(
        section,
        section.thicknessMm.map((mm, strip) => (strip < surface.uMm.length && !keep(strip) ? 0 : mm)),
      ),
    );
  const tees = [part((row) => row < slot.fromRow), part((row) => row > slot.toRow)];
  const bentMpa = Math.max(
    ...tees.map((tee) => (tee ? momentNmm / Math.min(tee.sTopMm3, tee.sBottomMm3) : Infinity)),
  );
  const allowableMpa = share * cut.strength.yieldMpa;
  const stressMpa = bentMpa + greatestMpa;
  return { stressMpa, allowableMpa, utilisation: stressMpa / allowableMpa, why: 'a slot', warpingMpa: 0 };
}
