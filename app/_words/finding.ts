import type { UnitSystem } from '@/core/quantity';
import { LIMIT_SOURCES, printSource, type LimitSource } from '@/core/reference';
import type { Quantity } from '@/core/weigh';
import { geometryFigure } from './geometry';

/** A finding in words: what, the numbers behind it, and what would change it. */
export interface Words {
  readonly title: string;
  readonly detail: string;
  readonly change: string;
}
export type Say<F> = (finding: F, system: UnitSystem) => Words;

export const sourceWords = (source: LimitSource): string => printSource(LIMIT_SOURCES[source]);

/** How far something is off its line or its level. */
export const bend = (
  value: number,
  { quantity }: { readonly quantity: Quantity },
  system: UnitSystem,
): string => geometryFigure(value, quantity === 'angle' ? 'angle' : 'length', system);
