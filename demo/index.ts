import type { JobBundle } from '@/core/exchange';
import { boatTrailer } from './boat-trailer';
import { gritter } from './gritter';
import { boatTrailerWaits, diversAtTheGate, gritterInMidPlan } from './order';
import { diversTrailer, libraryTrailer, surveyVan, surveyVanBefore } from './others';
import { provedAndClosed } from './proved';
import { sisterBundles } from './sister';

/** The invented scenario: every unit's bundle, the same on each seeding. */
export const demoBundles = (): JobBundle[] => [
  gritterInMidPlan(gritter()),
  boatTrailerWaits(boatTrailer()),
  libraryTrailer(),
  diversAtTheGate(diversTrailer()),
  surveyVan(),
];

interface ClosedBundle {
  readonly bundle: JobBundle;
  readonly closedAt: string;
  readonly by: string;
}
/** Jobs that were done with before: seeded, then closed. */
export function closedBundles(): ClosedBundle[] {
  const { capped, lookedAt } = sisterBundles();
  return [
    { bundle: provedAndClosed(surveyVanBefore()), closedAt: '2024-10-11T16:00:00Z', by: 'RK' },
    { bundle: capped, closedAt: '2024-05-27T15:00:00Z', by: 'RK' },
    { bundle: lookedAt, closedAt: '2025-06-02T11:00:00Z', by: 'TM' },
  ];
}

export { demoPattern } from './sister';
export { DEMO_LISTS } from './order';
