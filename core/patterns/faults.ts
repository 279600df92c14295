import type { Family, Frame, Member } from '../frame';
import type { FoundThere } from './found';
import { landmarksOn, type Landmark, type LandmarkKind } from './landmarks';

export const ZONES = ['ahead of', 'at', 'behind'] as const;
export type Zone = (typeof ZONES)[number];

/**
 * A place that frames of one family have in common: at, ahead of or behind the nth of so many landmarks on a member, left or right alike. Between two
 * landmarks the middle parts them, so that every place of a member is in one of them and in no two.
 *
 *        ahead │  at  │ behind : ahead │  at  │ behind
 *   ───────────┼──●───┼────────:───────┼──●───┼──────────
 *              hanger 1      middle     hanger 2
 */
export interface FaultPlace {
  /** The member by its id without its side, and its name without its side. */
  readonly on: string;
  readonly onName: string;
  readonly role: Member['role'];
  readonly kind: LandmarkKind;
  readonly nth: number;
  readonly of: number;
  readonly zone: Zone;
}

/** As far as this from a landmark is at it, mm (ours: a hanger's own plate and its welds). */
export const AT_MM = 150;

const withoutSide = (id: string): string => id.replace(/-(left|right)(?=-|$)/, '');
const nameWithoutSide = (name: string): string => {
  const bare = name.replace(/\b(left|right)\b ?/i, '').trim();
  return bare.charAt(0).toUpperCase() + bare.slice(1);
};
export const placeKey = ({ on, kind, nth, of, zone }: FaultPlace): string =>
  `${on} ${zone} ${kind} ${nth}/${of}`;

interface Cell {
  readonly place: FaultPlace;
  readonly fromMm: number;
  readonly toMm: number;
}

/** The places of a member, front to rear; landmarks at one station are told by the first of them. */
function cellsOf(frame: Frame, member: Member): Cell[] {
  const marks = landmarksOn(frame, member).filter(
    (mark, k, all) => k === 0 || mark.stationMm - all[k - 1]!.stationMm > 1,
  );
  const between = (a: Landmark | undefined, b: Landmark | undefined): number =>
    a && b ? (a.stationMm + b.stationMm) / 2 : a ? Infinity : -Infinity;
  return marks.flatMap((mark, k) => {
    const { kind, nth, of, stationMm } = mark;
    const [from, to] = [between(marks[k - 1], mark), between(mark, marks[k + 1])];
    const [near, far] = [Math.max(from, stationMm - AT_MM), Math.min(to, stationMm + AT_MM)];
    const cell = (zone: Zone, fromMm: number, toMm: number): Cell => ({
      place: {
        on: withoutSide(member.id),
        onName: nameWithoutSide(member.name),
        role: member.role,
        kind,
        nth,
        of,
        zone,
      },
      fromMm,
      toMm,
    });
    return [cell('ahead of', from, near), cell('at', near, far), cell('behind', far, to)].filter(
      ({ fromMm, toMm }) => toMm > fromMm,
    );
  });
}

/** The places that a stretch of a member reaches into. */
export const placesOver = (frame: Frame, member: Member, fromMm: number, toMm: number): FaultPlace[] =>
  cellsOf(frame, member)
    .filter((cell) =>
      fromMm === toMm
        ? fromMm >= cell.fromMm && fromMm < cell.toMm
        : cell.fromMm < toMm && cell.toMm > fromMm,
    )
    .map(({ place }) => place);

/** What one job says of its frame's places: where something was bad, and where anybody looked at all. */
export interface JobPlaces {
  readonly family: Family;
  readonly bad: readonly { readonly place: FaultPlace; readonly what: string; readonly at: string }[];
  readonly looked: readonly string[];
}

/** A finding is of the place that its middle lies in; a look is of every place that it reaches into. What was only told is neither. */
export function jobPlaces(frame: Frame, found: readonly FoundThere[]): JobPlaces {
  const members = new Map(frame.members.map((member) => [member.id, member]));
  const looked = new Set<string>();
  const seen = found.filter(({ isTold }) => !isTold);
  const bad = seen.flatMap(({ memberId, fromMm, toMm, is, what, at }) => {
    const member = members.get(memberId);
    if (!member) return [];
    for (const place of placesOver(frame, member, fromMm, toMm)) looked.add(placeKey(place));
    const middleMm = (fromMm + toMm) / 2;
    const [place] = is === 'bad' ? placesOver(frame, member, middleMm, middleMm) : [];
    return place ? [{ place, what, at }] : [];
  });
  return { family: frame.family, bad, looked: [...looked] };
}

/** A unit with what its jobs said of its places. */
export interface UnitPlaces {
  readonly unitId: string;
  readonly tag: string;
  readonly builtYear?: number;
  readonly isHere: boolean;
  readonly jobs: readonly (JobPlaces & { readonly jobId: string })[];
}

export interface FailedUnit {
  readonly unitId: string;
  readonly tag: string;
  readonly builtYear?: number;
  readonly jobId: string;
  readonly what: readonly string[];
  /** When it was found first. */
  readonly at: string;
}
/** A unit that nobody looked at there, though it is like those that failed. */
export interface ToCallIn {
  readonly unitId: string;
  readonly tag: string;
  readonly builtYear?: number;
  /** It stands in the shop now: look, nobody need be called. */
  readonly isHere: boolean;
}

/** A place where frames of one family failed in this shop: on which units, of how many that were looked at there. */
export interface Fault {
  readonly family: Family;
  readonly place: FaultPlace;
  readonly failed: readonly FailedUnit[];
  readonly looked: number;
  /** The first and the last year that those which failed were built in, where that is known of any. */
  readonly years?: readonly [number, number];
  readonly toCallIn: readonly ToCallIn[];
}

/** Units built as much as this before or after those that failed count as like them, years (ours: a run of one frame lasts some years). */
export const LIKE_YEARS = 2;

/** Every place where something was bad, those that failed on most units first. One unit counts once, however many of its jobs found it. */
export function faultsOf(units: readonly UnitPlaces[]): Fault[] {
  const places = new Map<string, { family: Family; place: FaultPlace }>();
  for (const { jobs } of units)
    for (const { family, bad } of jobs)
      for (const { place } of bad) places.set(`${family} ${placeKey(place)}`, { family, place });
  return [...places.values()]
    .map((each) => faultAt(units, each))
    .sort(
      (a, b) =>
        b.failed.length - a.failed.length ||
        b.failed.length / b.looked - a.failed.length / a.looked ||
        placeKey(a.place).localeCompare(placeKey(b.place)),
    );
}

function faultAt(
  units: readonly UnitPlaces[],
  { family, place }: { readonly family: Family; readonly place: FaultPlace },
): Fault {
  const key = placeKey(place);
  const alike = units.filter(({ jobs }) => jobs.some((job) => job.family === family));
  const failed = alike.flatMap((unit) => failedThere(unit, family, key) ?? []);
  const built = failed.flatMap(({ builtYear }) => builtYear ?? []);
  const years = built.length > 0 ? ([Math.min(...built), Math.max(...built)] as const) : undefined;
  const isLooked = ({ jobs }: UnitPlaces) => jobs.some(({ looked }) => looked.includes(key));
  return {
    family,
    place,
    failed,
    looked: alike.filter(isLooked).length,
    ...(years && { years }),
    toCallIn: alike
      .filter((unit) => !isLooked(unit) && isLike(unit.builtYear, years))
      .map(({ unitId, tag, builtYear, isHere }) => ({
        unitId,
        tag,
        isHere,
        ...(builtYear !== undefined && { builtYear }),
      })),
  };
}

/** Where a year is not known on either side, nothing says that it is unlike. */
const isLike = (year: number | undefined, years: readonly [number, number] | undefined): boolean =>
  year === undefined || !years || (year >= years[0] - LIKE_YEARS && year <= years[1] + LIKE_YEARS);

function failedThere(
  { unitId, tag, builtYear, jobs }: UnitPlaces,
  family: Family,
  key: string,
): FailedUnit | undefined {
  const found = jobs
    .filter((job) => job.family === family)
    .flatMap(({ jobId, bad }) =>
      bad.filter(({ place }) => placeKey(place) === key).map((each) => ({ ...each, jobId })),
    )
    .sort((a, b) => a.at.localeCompare(b.at));
  const [first] = found;
  if (!first) return undefined;
  return {
    unitId,
    tag,
    ...(builtYear !== undefined && { builtYear }),
    jobId: first.jobId,
    what: [...new Set(found.map(({ what }) => what))],
    at: first.at,
  };
}

/** Faults that a stretch of a member reaches into, other units' only: what this one's own records say is known of it already. */
export function faultsOver(
  faults: readonly Fault[],
  { frame, unitId }: { readonly frame: Frame; readonly unitId: string },
  { memberId, fromMm, toMm }: Pick<FoundThere, 'memberId' | 'fromMm' | 'toMm'>,
): Fault[] {
  const member = frame.members.find(({ id }) => id === memberId);
  if (!member) return [];
  const keys = new Set(placesOver(frame, member, fromMm, toMm).map(placeKey));
  return faults.filter(
    ({ family, place, failed }) =>
      family === frame.family && keys.has(placeKey(place)) && failed.some((each) => each.unitId !== unitId),
  );
}
