import { carriedBy, fittingsOn } from '../../frame';
import { crackExtent } from '../../trace';
import type { LimitSource } from '../../reference';
import type { Finding } from '../finding';
import { knownBad } from '../known-bad';
import { actOn } from '../mended';
import type { MemberPicture } from '../picture';

/**
 * Unsound or cracked metal near what carries something: hanger, steering gear, hitch, mount, lift point. The shop's reach, or the legal profile's
 * where that is wider. One finding a fitting, nearest bad metal first.
 */
export function criticalZone(picture: MemberPicture): Finding[] {
  const { frame, member, cracks, legal, practice } = picture;
  const reachMm = Math.max(legal.reachMm ?? 0, practice.walk.reachMm);
  const bad = [
    ...knownBad(picture).map(({ stationMm: mm }) => ({ fromMm: mm, toMm: mm })),
    ...cracks.map(crackExtent),
  ];
  if (bad.length === 0) return [];
  return fittingsOn(frame, member).flatMap((fitting): Finding[] => {
    const carries = carriedBy(fitting);
    const awayMm = Math.min(...bad.map((run) => awayFrom(fitting.stationMm, run)));
    if (!(awayMm <= reachMm) || (carries.length === 0 && fitting.kind !== 'lift point')) return [];
    return [
      {
        code: 'critical-zone',
        verdict: actOn(picture),
        quantity: 'length',
        value: awayMm,
        limit: reachMm,
        source: SOURCES[legal.basis],
        name: carries.length > 0 ? `${fitting.name}, which carries ${carries.join(', ')}` : fitting.name,
        at: { fromMm: fitting.stationMm, toMm: fitting.stationMm },
        firmness: 'firm',
      },
    ];
  });
}

const SOURCES: Readonly<Record<MemberPicture['legal']['basis'], LimitSource>> = {
  us: 'practice',
  uk: 'ukStructure',
  own: 'ownProfile',
};

const awayFrom = (stationMm: number, run: { readonly fromMm: number; readonly toMm: number }): number =>
  Math.max(0, run.fromMm - stationMm, stationMm - run.toMm);
