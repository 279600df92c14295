import { measureOf, isToldOnly, type Find, type FindPart, type FindState, type OpenFind } from '../walk';
import type { HostOn } from '../frame';
import type { Basis } from './growth';
import type { Trip } from './trip';

/** What of an open find runs on: a crack, a tear, a gap. */
export type RunsOn = Extract<FindState, { is: 'cracked' | 'torn' | 'gap' }>;
export const runsOn = (state: FindState): state is RunsOn =>
  state.is === 'cracked' || state.is === 'torn' || state.is === 'gap';

export const ELSEWHERE_FLAGS = ['shorter than before', 'odometer backwards', 'before the first'] as const;
export type ElsewhereFlag = (typeof ELSEWHERE_FLAGS)[number];

/** One look at a crack that has a length and no path. */
export interface LookElsewhere {
  readonly find: Find;
  readonly state: RunsOn;
  readonly longMm?: number;
  /** What the unit had done by then, in the basis' unit. */
  readonly used?: number;
  readonly flags: readonly ElsewhereFlag[];
}
/** A crack, tear or gap of a bracket, weld, joint, skin or floor, with every look at it by day. */
export interface CrackElsewhere {
  readonly on: HostOn;
  readonly hostId: string;
  readonly part: FindPart;
  readonly is: RunsOn['is'];
  readonly open: OpenFind;
  readonly looks: readonly LookElsewhere[];
  readonly basis: Basis;
  /** Between the last two looks that somebody made themselves and measured: mm. */
  readonly sinceLastMm?: number;
  /** The same by what the unit did between them, mm per km or hour; absent where nobody noted it or what was noted runs backwards. */
  readonly pace?: number;
}

/** Cracks, tears and gaps among what stands open against brackets, joints, panels and closed spaces. */
export const cracksElsewhere = (open: readonly OpenFind[], trips: readonly Trip[]): CrackElsewhere[] =>
  open.filter(({ find }) => runsOn(find.state)).map((each) => withLooks(each, trips));

function withLooks(open: OpenFind, trips: readonly Trip[]): CrackElsewhere {
  const { on, hostId, part, state } = open.find;
  const byDay = [...open.looks].sort((a, b) => a.at.localeCompare(b.at));
  const { basis, usedBy } = usedOf(byDay, trips);
  const first = open.looks[0]!;
  const looks = byDay.map((find, k): LookElsewhere => {
    const [longMm, used] = [measureOf(find.state), usedBy(find)];
    const before = byDay.slice(0, k);
    const flags: ElsewhereFlag[] = [
      ...(longMm !== undefined && before.some((each) => (measureOf(each.state) ?? 0) > longMm + SAME_MM)
        ? (['shorter than before'] as const)
        : []),
      ...(used !== undefined && before.some((each) => (usedBy(each) ?? 0) > used)
        ? (['odometer backwards'] as const)
        : []),
      ...(find.at < first.at ? (['before the first'] as const) : []),
    ];
    return {
      find,
      state: find.state as RunsOn,
      ...(longMm !== undefined && { longMm }),
      ...(used !== undefined && { used }),
      flags,
    };
  });
  return { on, hostId, part, is: (state as RunsOn).is, open, looks, basis, ...paceOf(looks) };
}
/** Less is rounding, mm. */
const SAME_MM = 0.05;

/** Odometer or hours, whichever was noted more often; trips where neither was. */
function usedOf(
  finds: readonly Find[],
  trips: readonly Trip[],
): { basis: Basis; usedBy: (find: Find) => number | undefined } {
  const noted = (key: 'usedKm' | 'usedHours') => (find: Find) =>
    key in find.state ? (find.state as { usedKm?: number; usedHours?: number })[key] : undefined;
  const has = (key: 'usedKm' | 'usedHours') => finds.filter((find) => noted(key)(find) !== undefined).length;
  if (has('usedHours') > has('usedKm')) return { basis: 'hours', usedBy: noted('usedHours') };
  if (has('usedKm') > 0 || trips.length === 0) return { basis: 'km', usedBy: noted('usedKm') };
  const gone = ({ at }: Find) => trips.filter((trip) => trip.at <= at).reduce((sum, { km }) => sum + km, 0);
  return { basis: 'km', usedBy: gone };
}

/** By the last two looks that were measured and are more than hearsay; what shrank or ran backwards gives no pace. */
function paceOf(looks: readonly LookElsewhere[]): Pick<CrackElsewhere, 'sinceLastMm' | 'pace'> {
  const [before, last] = looks
    .filter(({ longMm, state }) => longMm !== undefined && !isToldOnly(state))
    .slice(-2);
  if (!before || !last || last.flags.length > 0) return {};
  const sinceLastMm = last.longMm! - before.longMm!;
  const done = last.used !== undefined && before.used !== undefined ? last.used - before.used : 0;
  return { sinceLastMm, ...(done > 0 && { pace: sinceLastMm / done }) };
}
