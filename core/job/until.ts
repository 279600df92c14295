import { randomLcg } from 'd3-random';
import { memberOf } from '../frame';
import { foretell, type Crack } from '../trace';
import { stressAtCrack } from './crack-stress';
import { openCracks } from './cracks';
import type { JobDemand } from './demand';
import { stands, type JobRecords } from './records';

/** A crack that is watched, and how far the unit may go between two looks at it. */
export interface WatchedCrack {
  readonly crack: Crack;
  readonly name: string;
  readonly everyKm: number;
}

/** The same crack is resampled the same way each time it is looked at. */
export const seedOf = (id: string): number => parseInt(id.replace(/-/g, '').slice(0, 8), 16) / 0xffffffff;

/** Cracks whose growth by distance is foretold, the one to be looked at soonest first. Nothing is eased: the unit goes on as it went. */
export function watchedCracks(records: JobRecords, demand: JobDemand | undefined): WatchedCrack[] {
  const looks = stands(records, 'crack look');
  return openCracks(records)
    .flatMap((seen): WatchedCrack[] => {
      const member = memberOf(records.frame, seen.memberId);
      const crack = stands(records, 'crack').find(({ id }) => id === seen.id);
      if (!member || !crack) return [];
      const growth = foretell(
        member,
        crack,
        { looks: looks.filter(({ crackId }) => crackId === crack.id), trips: stands(records, 'trip') },
        stressAtCrack(records, demand, member, crack),
        { easing: { load: 1, road: 1, braced: 1 }, random: randomLcg(seedOf(crack.id)) },
      );
      return growth.ok && growth.foretold.basis === 'km' && growth.foretold.lookEvery > 0
        ? [{ crack, name: member.name, everyKm: growth.foretold.lookEvery }]
        : [];
    })
    .sort((a, b) => a.everyKm - b.everyKm);
}
