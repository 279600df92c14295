import { isDoubtful, signWeight, standingLook, type Look } from '@/core/walk';
import { stands, type JobRecords } from '@/core/job';
import { crackExtent } from '@/core/trace';
import type { MemberMark } from '@/ui/skeleton';
import type { Summaries } from './work-context';

interface FoundThere {
  readonly memberId: string;
  readonly stationMm: number;
  readonly seen: boolean;
}

/** Places where something was found on foot, or where somebody could not look. */
function foundOnFoot(records: Pick<JobRecords, 'evidence' | 'strikes'>): FoundThere[] {
  const signs = stands(records, 'sign').filter(
    (sign) => !['note', 'sound'].includes(signWeight(sign.detail)),
  );
  const looks = looksThatStand(stands(records, 'look'));
  return [
    ...signs.map(({ memberId, stationMm }) => ({ memberId, stationMm, seen: true })),
    ...looks.flatMap(({ memberId, stationMm, result }) =>
      memberId !== undefined && stationMm !== undefined && (result === 'not seen' || isDoubtful(result))
        ? [{ memberId, stationMm, seen: result !== 'not seen' }]
        : [],
    ),
  ];
}

/** Of each spot’s looks those that stand, of the member and of what hangs on it: failed metal is not answered by a look that found nothing. */
function looksThatStand(looks: readonly Look[]): Look[] {
  const bySpot = new Map<string, Look[]>();
  for (const look of looks) bySpot.set(look.spotId, [...(bySpot.get(look.spotId) ?? []), look]);
  const standing = [...bySpot.values()].flatMap((all) =>
    (['fitting', 'member'] as const).flatMap(
      (other) =>
        standingLook(
          all.filter(({ on }) => on !== other),
          () => false,
        ).look ?? [],
    ),
  );
  return [...new Set(standing)];
}

/** Nothing of these is left to be done. */
const GOOD: ReadonlySet<string> = new Set(['Leave', 'Leave by hand']);

/** What the Skeleton marks on each member that is worked out. */
export function skeletonMarks(
  records: Pick<JobRecords, 'evidence' | 'strikes'>,
  summaries: Summaries,
): Map<string, MemberMark> {
  const found = foundOnFoot(records);
  const cracks = stands(records, 'crack');
  const left = new Set(stands(records, 'left undone').map(({ memberId }) => memberId));
  const middle = (crack: (typeof cracks)[number]) => {
    const { fromMm, toMm } = crackExtent(crack);
    return (fromMm + toMm) / 2;
  };
  return new Map(
    [...summaries].map(([id, { verdict, sections, measured }]) => [
      id,
      {
        verdict: verdict.verdict,
        sections,
        measured,
        found: found.filter((each) => each.memberId === id),
        stays: left.has(id) && !GOOD.has(verdict.verdict),
        crackStationsMm: cracks.filter((crack) => crack.memberId === id).map(middle),
      },
    ]),
  );
}
