import { inchesToMm, STANDARD_GRAVITY } from '../../quantity';
import { baseMetalStrengthNPerMm, filletStrengthNPerMm } from '../../mechanics';
import { chosenLegMm, FILLER_TENSILE_MPA } from '../../reference';
import type { Measure, WorkFinding, WorkPlace, WorkWhyNot } from './work';

export const inch = inchesToMm;

/** Bump: three times what hangs there standing (common practice, no source). */
export const BUMP = 3;
export const bumpN = (loadKg: number): number => BUMP * STANDARD_GRAVITY * loadKg;

export const length = (key: string, start: Measure['start'], least = 1, most = 5000): Measure => ({
  key,
  as: 'length',
  start,
  least,
  most,
});
/** A place along the member, from its own start; told from the datum. */
export const station = (key: string, start: Measure['start'], most = 40_000): Measure => ({
  key,
  as: 'station',
  start,
  least: 0,
  most,
});
export const thickness = (key: string, start: Measure['start'], least = 0.4, most = 40): Measure => ({
  key,
  as: 'thickness',
  start,
  least,
  most,
});
export const count = (key: string, start: number, least = 1, most = 200): Measure => ({
  key,
  as: 'count',
  start: () => start,
  least,
  most,
});
export const load = (): Measure => ({
  key: 'loadKg',
  as: 'mass',
  start: ({ loadKg }) => loadKg,
  least: 0,
  most: 30_000,
});
export const choice = (key: string, options: readonly string[], start = 0): Measure => ({
  key,
  as: 'choice',
  start: () => start,
  least: 0,
  most: options.length - 1,
  options,
});

/** The thinnest plate on the shelf that is at least so thick; the thickest where none is. */
export function fromShelf({ practice }: WorkPlace, leastMm: number): number {
  const stock = [...practice.stockThicknessesMm].sort((a, b) => a - b);
  return stock.find((mm) => mm >= leastMm - 0.2) ?? stock.at(-1) ?? leastMm;
}

type Said = readonly [
  weight: WorkFinding['weight'],
  quantity: WorkFinding['quantity'],
  source?: WorkFinding['source'],
];
const said = (code: string, [weight, quantity, source = 'practice']: Said): WorkFinding => ({
  code,
  weight,
  quantity,
  source,
});
/** A finding where something is so. */
export const when = (isSo: boolean, code: string, as: Said): WorkFinding[] => (isSo ? [said(code, as)] : []);
/** A finding where a value is under its limit, or over it. */
export const under = (value: number, limit: number, code: string, as: Said): WorkFinding[] =>
  value < limit - 1e-6 ? [{ ...said(code, as), value, limit }] : [];
export const over = (value: number, limit: number, code: string, as: Said): WorkFinding[] =>
  value > limit + 1e-6 ? [{ ...said(code, as), value, limit }] : [];

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

/** A load nobody gave is not taken for none: what hangs on it was not checked. */
export const loadUnchecked = (loadKg: number): string[] => (loadKg > 0 ? [] : ['load']);

export const wallOf = ({ member }: WorkPlace): number => member.shape.thicknessMm;
