import { carriedByMember } from '../../frame';
import { crackExtent } from '../../trace';
import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';

/**
 * What is asked beside the metal of a member that is bad: what made it so, by
 * what was noted within reach of the bad metal, since a repair that leaves the cause comes back; and what falls or
 * steers if it parts. They ask for nothing by themselves.
 */
export function causeAndCarried(picture: MemberPicture): Finding[] {
  const { frame, member, zones, cracks, signs = [], walk, practice } = picture;
  if (zones.length + cracks.length === 0) return [];
  const bad = [...zones, ...cracks.map(crackExtent)];
  const isNear = (fromMm: number, toMm: number) =>
    bad.some(
      (run) => fromMm <= run.toMm + practice.walk.reachMm && toMm >= run.fromMm - practice.walk.reachMm,
    );
  const causes = [
    ...signs.filter(({ stationMm, toMm }) => isNear(stationMm, toMm ?? stationMm)).map(({ cause }) => cause),
    ...(walk?.spots ?? [])
      .filter(({ spot }) => isNear(spot.fromMm ?? 0, spot.toMm ?? spot.fromMm ?? 0))
      .map(({ look }) => look?.cause),
  ];
  const known = [...new Set(causes.filter((cause) => cause !== undefined && cause !== 'unknown'))];
  const carried = carriedByMember(frame, member);
  const said = { verdict: 'Leave', quantity: 'count', source: 'practice' } as const;
  return [
    known.length > 0
      ? { ...said, code: 'cause-known', name: known.join(', '), firmness: 'firm' }
      : { ...said, code: 'cause-unknown', firmness: 'could flip with one more reading' },
    ...(carried.length > 0
      ? [{ ...said, code: 'carries', name: carried.join(', '), firmness: 'firm' } as const]
      : []),
  ];
}
