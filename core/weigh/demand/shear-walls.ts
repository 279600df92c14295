import type { Surface } from '../../frame';
import { YOUNGS_MODULUS_MPA } from '../../reference';

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

/** Upright walls as they are sheared: what is left of them over a stretch, and what they take before any share of it, MPa. */
export interface ShearWalls {
  readonly areaMm2: number;
  readonly mpa: number;
}

/** Undefined where a section has no upright wall. */
export function shearWalls(
  { rowFace, edgeUMm, faces, shape }: Surface,
  leastMm: ArrayLike<number>,
  yieldMpa: number,
): ShearWalls | undefined {
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
  const buckles = shape.kind === 'tube' || meanMm === 0 ? 1 : shearShare(tall / meanMm, yieldMpa);
  return { areaMm2, mpa: SHEAR_OF_YIELD * buckles * yieldMpa };
}
