import { sectionProperties, withThickness, type EndForces } from '../../mechanics';
import type { Cut } from './cut';
import type { StationDemand } from './demand';

/** One limit at an element's end. */
export type Limit = Pick<StationDemand, 'stressMpa' | 'allowableMpa' | 'utilisation' | 'why' | 'warpingMpa'>;

/** Shear up and down, on what is left of the upright walls over the stretch. */
export function shearOf({ shear }: Pick<Cut, 'shear'>, forces: EndForces, share: number): Limit | undefined {
  if (!shear) return undefined;
  const { areaMm2, mpa } = shear;
  const allowableMpa = share * mpa;
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
