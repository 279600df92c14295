import { baseMetalStrengthNPerMm, filletStrengthNPerMm } from '../../mechanics';
import { chosenLegMm, FILLER_TENSILE_MPA } from '../../reference';
import type { WorkPlace, WorkWhyNot } from './work';

export const wallOf = ({ member }: WorkPlace): number => member.shape.thicknessMm;

/** The thinnest plate on the shelf that is at least so thick; the thickest where none is. */
export function fromShelf({ practice }: WorkPlace, leastMm: number): number {
  const stock = [...practice.stockThicknessesMm].sort((a, b) => a - b);
  return stock.find((mm) => mm >= leastMm - 0.2) ?? stock.at(-1) ?? leastMm;
}

/** Leg and strength of a fillet between a plate and the metal it lands on, N/mm: the weaker of weld and metal beside it. */
export function fillet(
  { steel }: WorkPlace,
  plateMm: number,
  wallMm: number,
): { legMm: number; nPerMm: number } {
  const legMm = chosenLegMm(plateMm, wallMm);
  const base = baseMetalStrengthNPerMm(Math.min(plateMm, wallMm), steel.yieldMpa, steel.tensileMpa);
  return { legMm, nPerMm: Math.min(filletStrengthNPerMm(legMm, FILLER_TENSILE_MPA), base) };
}

/** Welded on: not on steel that its maker lets nobody weld, nor on aluminium. */
export const unlessWelded = ({ steel }: WorkPlace): WorkWhyNot | undefined =>
  steel.weldRepair === 'yes' ? undefined : 'the steel is not welded';
