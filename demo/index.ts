import type { JobBundle } from '@/core/exchange';
import { boatTrailer } from './boat-trailer';
import { gritter } from './gritter';
import { boatTrailerWaits, diversAtTheGate, gritterInMidPlan } from './order';
import { diversTrailer, libraryTrailer, surveyVan, surveyVanBefore } from './others';
import { provedAndClosed } from './proved';
import { sisterBundles } from './sister';

/** The invented scenario's open jobs, by their units' tags. */
const OPEN = {
  'GR-7': () => gritterInMidPlan(gritter()),
  'BM-2': () => boatTrailerWaits(boatTrailer()),
  'BK-1': libraryTrailer,
  'DV-3': () => diversAtTheGate(diversTrailer()),
  'SV-9': surveyVan,
} as const satisfies Readonly<Record<string, () => JobBundle>>;
export type DemoTag = keyof typeof OPEN;
export const DEMO_TAGS = Object.keys(OPEN) as readonly DemoTag[];

/** One unit's bundle, the same on each seeding. Some are worked out while they are made: whoever needs one asks for that one. */
export const demoBundle = (tag: DemoTag): JobBundle => OPEN[tag]();
/** Every unit's bundle. */
export const demoBundles = (): JobBundle[] => DEMO_TAGS.map(demoBundle);

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
