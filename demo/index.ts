import type { JobBundle } from '@/core/exchange';
import { boatTrailer } from './boat-trailer';
import { gritter } from './gritter';
import { diversTrailer, libraryTrailer, surveyVan } from './others';

/** The invented scenario: every unit's bundle, the same on each seeding. */
export const demoBundles = (): JobBundle[] => [gritter(), boatTrailer(), libraryTrailer(), diversTrailer(), surveyVan()];
