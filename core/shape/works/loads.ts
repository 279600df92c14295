import { STANDARD_GRAVITY } from '../../quantity';

/** Bump: three times what hangs there standing (common practice, no source). */
export const BUMP = 3;
export const bumpN = (loadKg: number): number => BUMP * STANDARD_GRAVITY * loadKg;

/** A load nobody gave is not taken for none: what hangs on it was not checked. */
export const loadUnchecked = (loadKg: number): string[] => (loadKg > 0 ? [] : ['load']);
