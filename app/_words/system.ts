import type { UnitSystem } from '@/core/quantity';

/** What a file's bare numbers are in, where “in in” would be read twice. */
export const SYSTEM_WORDS: Readonly<Record<UnitSystem, string>> = { in: 'inches', mm: 'millimetres' };
