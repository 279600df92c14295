import type { JobBundle } from '@/core/exchange';
import { boatTrailer } from './boat-trailer';
import { gritter } from './gritter';
import { boatTrailerWaits, diversAtTheGate, gritterInMidPlan } from './order';
import { diversTrailer, libraryTrailer, surveyVan, surveyVanBefore } from './others';
import { provedAndClosed } from './proved';

/** The invented scenario: every unit's bundle, the same on each seeding. */
export const demoBundles = (): JobBundle[] => [
  gritterInMidPlan(gritter()),
  boatTrailerWaits(boatTrailer()),
  libraryTrailer(),
  diversAtTheGate(diversTrailer()),
  surveyVan(),
];

/** Jobs that were done with before: seeded, then closed. */
export const closedBundles = (): {
  readonly bundle: JobBundle;
  readonly closedAt: string;
  readonly by: string;
}[] => [{ bundle: provedAndClosed(surveyVanBefore()), closedAt: '2024-10-11T16:00:00Z', by: 'RK' }];

export { DEMO_LISTS } from './order';
