import { crackExtent } from '../../trace';
import type { Finding } from '../finding';
import type { MemberPicture } from '../picture';

/**
 * What was put right once and is bad again at the same place points past itself: to what loads it, or to what was left. It asks for nothing by
 * itself; the bad metal does.
 */
export function failedAgain(picture: MemberPicture): Finding[] {
  const { zones, cracks, practice } = picture;
  const bad = [...zones, ...cracks.map(crackExtent)];
  return putRight(picture)
    .filter(({ fromMm, toMm }) =>
      bad.some(
        (run) => run.fromMm <= toMm + practice.walk.reachMm && run.toMm >= fromMm - practice.walk.reachMm,
      ),
    )
    .slice(0, 1)
    .map(({ fromMm, toMm, at }) => ({
      code: 'failed-again',
      verdict: 'Leave',
      quantity: 'count',
      source: 'practice',
      name: at.slice(0, 10),
      at: { fromMm, toMm },
      firmness: 'firm',
    }));
}

/** Stretches that this job, or a closed one of the unit, noted as put right. */
const putRight = ({ signs = [], mendedBefore = [] }: MemberPicture) => [
  ...mendedBefore,
  ...signs.flatMap(({ detail, stationMm, toMm, at }) =>
    detail.sign === 'put right' ? [{ fromMm: stationMm, toMm: toMm ?? stationMm, at }] : [],
  ),
];
