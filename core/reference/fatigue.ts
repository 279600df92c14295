import { ksiToMpa } from '../quantity';
import type { Source } from './source';

/** Fatigue categories of details: N = C_f / Δσ³ (ksi) above a threshold below which no crack grows. */
export const FATIGUE_IDS = ['B', 'C', 'D', 'E', 'E′'] as const;
export type FatigueId = (typeof FATIGUE_IDS)[number];
export interface FatigueCategory {
  readonly id: FatigueId;
  readonly constantKsi3: number;
  readonly thresholdMpa: number;
}
export const FATIGUE_SOURCE: Source = { document: 'AISC 360, Appendix 3, Table A-3.1', fromMemory: true };

const CATEGORIES: Readonly<Record<FatigueId, FatigueCategory>> = {
  B: { id: 'B', constantKsi3: 120e8, thresholdMpa: ksiToMpa(16) },
  C: { id: 'C', constantKsi3: 44e8, thresholdMpa: ksiToMpa(10) },
  D: { id: 'D', constantKsi3: 22e8, thresholdMpa: ksiToMpa(7) },
  E: { id: 'E', constantKsi3: 11e8, thresholdMpa: ksiToMpa(4.5) },
  'E′': { id: 'E′', constantKsi3: 3.9e8, thresholdMpa: ksiToMpa(2.6) },
};
export const fatigue = (id: FatigueId): FatigueCategory => CATEGORIES[id];

/** Cycles to a crack at a stress range; Infinity under the threshold. */
export function cyclesToCrack(id: FatigueId, rangeMpa: number): number {
  const { constantKsi3, thresholdMpa } = CATEGORIES[id];
  return rangeMpa <= thresholdMpa ? Infinity : constantKsi3 / (rangeMpa / ksiToMpa(1)) ** 3;
}
