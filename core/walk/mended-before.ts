import type { Sign } from './sign';

/** A stretch that an earlier, closed job of the same unit renewed or plated, and looked at. Stations are the member's own. */
export interface MendedBefore {
  readonly memberId: string;
  readonly fromMm: number;
  readonly toMm: number;
  /** When it was noted as done. */
  readonly at: string;
}

/** What the standing signs of a closed job say was put right with new metal; a straightened wall is the old one. */
export const mendedIn = (signs: readonly Sign[]): MendedBefore[] =>
  signs.flatMap(({ memberId, stationMm, toMm, at, detail }) =>
    detail.sign === 'put right' && detail.done !== 'straightened and checked'
      ? [{ memberId, fromMm: stationMm, toMm: toMm ?? stationMm, at }]
      : [],
  );
