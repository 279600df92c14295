import type { GeometryPractice } from '../reference';
import {
  angleErrorDeg,
  isOutOfDate,
  keyOfMeasure,
  lengthErrorMm,
  readingErrorMm,
  straightOrNot,
  type Geometry,
  type GeometryMeasure,
} from '../weigh';

/** Whether a thing measured before and after is where it was. */
export const MOVED_SAYS = ['as it was', 'can’t say', 'moved'] as const;
export type MovedSays = (typeof MOVED_SAYS)[number];

/** One thing measured before the repair and after it. */
export interface Change {
  readonly key: string;
  readonly name: string;
  /** Where along its member, mm; from where to where for an angle. */
  readonly atMm?: readonly number[];
  readonly memberId?: string;
  readonly quantity: 'length' | 'angle';
  readonly was: number;
  readonly is: number;
  /** After less before, mm or degrees, and its error: two standard deviations of the difference of both. */
  readonly by: number;
  readonly plusMinus: number;
  readonly limit: number;
  readonly says: MovedSays;
  /** Why nothing can be said. */
  readonly notSaid?: 'near its limit' | 'stood differently' | 'instrument out of date';
  readonly before: Geometry;
  readonly after: Geometry;
}

/** A figure of a measure that is compared: by name, what it came to, its own error, what it may move. */
interface Figure {
  readonly name: string;
  readonly atMm?: readonly number[];
  readonly value: number;
  readonly plusMinus: number;
  readonly limit: number;
  /** It changes with the load, and with what holds the unit up. */
  readonly bends: boolean;
}

/** Errors of independent readings add as squares (GUM, JCGM 100:2008, 5.1.2). */
const together = (...errors: readonly number[]): number => Math.hypot(...errors);

/** What of a measure is held against the same measure taken later. */
function figuresOf(record: Geometry, limits: GeometryPractice): readonly Figure[] {
  const { measure, instrument, plusMinus } = record;
  const lengthError = (mm: number) => plusMinus ?? lengthErrorMm(instrument, mm);
  const own = plusMinus ?? readingErrorMm(instrument);
  const degrees = plusMinus ?? angleErrorDeg(instrument);
  const length = (name: string, value: number, limit: number): Figure => ({
    name,
    value,
    plusMinus: lengthError(value),
    limit,
    bends: false,
  });
  switch (measure.of) {
    case 'wheelbase':
      return [
        length('wheelbase, left', measure.leftMm, limits.sidesMm),
        length('wheelbase, right', measure.rightMm, limits.sidesMm),
      ];
    case 'diagonals':
      return [
        length(`${measure.place}, one diagonal`, measure.oneMm, limits.diagonalsMm),
        length(`${measure.place}, the other diagonal`, measure.otherMm, limits.diagonalsMm),
      ];
    case 'level across':
    case 'angle along': {
      const [first, ...others] = [...measure.stations].sort((a, b) => a.stationMm - b.stationMm);
      return others.map((each) => ({
        name: measure.of,
        atMm: [first!.stationMm, each.stationMm],
        value: each.degrees - first!.degrees,
        plusMinus: together(degrees, degrees),
        limit: limits.angleDeg,
        bends: true,
      }));
    }
    case 'line':
      return bows(measure, own, limits);
    case 'mounts':
      return measure.points.flatMap((one, k) =>
        measure.points.slice(k + 1).map((other) => ({
          name: `${measure.set}, ${[one.name, other.name].sort().join(' to ')}`.toLowerCase(),
          value: Math.hypot(one.xMm - other.xMm, one.yMm - other.yMm, one.zMm - other.zMm),
          plusMinus: together(own, own),
          limit: limits.placeMm,
          bends: false,
        })),
      );
    case 'twins':
      return (['alongMm', 'upMm'] as const).map((way) => ({
        name: `${measure.place}, left against right ${way === 'upMm' ? 'up' : 'along'}`,
        value: measure.left[way] - measure.right[way],
        plusMinus: together(own, own),
        limit: limits.placeMm,
        bends: false,
      }));
    default:
      return measure satisfies never;
  }
}

/** Each mark between the first and the last, off the straight between those two. */
function bows(
  { marks, direction }: Extract<GeometryMeasure, { of: 'line' }>,
  own: number,
  { lineShare }: GeometryPractice,
): Figure[] {
  const sorted = [...marks].sort((a, b) => a.stationMm - b.stationMm);
  const [first, last] = [sorted[0]!, sorted.at(-1)!];
  const lengthMm = last.stationMm - first.stationMm;
  return sorted.slice(1, -1).map(({ stationMm, offMm }) => {
    const share = (stationMm - first.stationMm) / lengthMm;
    return {
      name: `line, ${direction}`,
      atMm: [stationMm],
      value: offMm - (first.offMm + share * (last.offMm - first.offMm)),
      plusMinus: together(own, (1 - share) * own, share * own),
      limit: lengthMm * lineShare,
      bends: direction === 'up',
    };
  });
}

/** Two lines are compared where their ends are the same marks, mm apart at most: a chord between other marks is another line. */
const SAME_MARK_MM = 5;
function isSameSpan(one: GeometryMeasure, other: GeometryMeasure): boolean {
  if (one.of !== 'line' || other.of !== 'line') return true;
  const ends = ({ marks }: typeof one) => {
    const stations = marks.map(({ stationMm }) => stationMm);
    return [Math.min(...stations), Math.max(...stations)];
  };
  const [a, b] = [ends(one), ends(other)];
  return a.every((end, k) => Math.abs(end - b[k]!) <= SAME_MARK_MM);
}

/** The same figure of the same place, however that is written; marks are put where they were. */
const isSameFigure = (one: Figure, other: Figure): boolean =>
  one.name.toLowerCase() === other.name.toLowerCase() &&
  (one.atMm ?? []).every((mm, k) => Math.abs(mm - other.atMm![k]!) <= SAME_MARK_MM);

/** How far the marks of two figures lie apart in all, mm. */
const apartMm = (one: Figure, other: Figure): number =>
  (one.atMm ?? []).reduce((sum, mm, k) => sum + Math.abs(mm - other.atMm![k]!), 0);

/** The same figure at the same place, to the millimetre. */
export const placeKey = ({ name, atMm = [] }: Pick<Figure, 'name' | 'atMm'>): string =>
  [name, ...atMm.map(Math.round)].join(' ');

/** What one thing measured twice says: each figure that both have. */
export function changesBetween(before: Geometry, after: Geometry, limits: GeometryPractice): Change[] {
  if (
    keyOfMeasure(before.measure) !== keyOfMeasure(after.measure) ||
    !isSameSpan(before.measure, after.measure)
  )
    return [];
  const had = figuresOf(before, limits);
  const memberId = 'memberId' in after.measure ? after.measure.memberId : undefined;
  const isAngle = after.measure.of === 'level across' || after.measure.of === 'angle along';
  return figuresOf(after, limits).flatMap((now): Change[] => {
    const [was] = had
      .filter((each) => isSameFigure(each, now))
      .sort((a, b) => apartMm(a, now) - apartMm(b, now));
    if (!was) return [];
    const by = now.value - was.value;
    const plusMinus = together(now.plusMinus, was.plusMinus);
    const is = straightOrNot(by, plusMinus, now.limit);
    const stoodElse = now.bends && before.stood !== after.stood;
    const isOld = isOutOfDate(before) || isOutOfDate(after);
    const says =
      is === 'straight' && !stoodElse && !isOld
        ? 'as it was'
        : is === 'out' && !stoodElse
          ? 'moved'
          : 'can’t say';
    return [
      {
        key: keyOfMeasure(after.measure),
        name: now.name,
        ...(now.atMm && { atMm: now.atMm }),
        ...(memberId !== undefined && { memberId }),
        quantity: isAngle ? 'angle' : 'length',
        was: was.value,
        is: now.value,
        by,
        plusMinus,
        limit: now.limit,
        says,
        ...(says === 'can’t say' && {
          notSaid: stoodElse
            ? ('stood differently' as const)
            : is === 'straight'
              ? ('instrument out of date' as const)
              : ('near its limit' as const),
        }),
        before,
        after,
      },
    ];
  });
}

/** What a measure says against the earlier ones of the same thing: each of its figures against the last of them, by time, that has it. */
export function changesFrom(
  earlier: readonly Geometry[],
  after: Geometry,
  limits: GeometryPractice,
): readonly Change[] {
  const found = new Map<string, Change>();
  for (const before of [...earlier].sort((a, b) => b.at.localeCompare(a.at)))
    for (const change of changesBetween(before, after, limits)) {
      const key = placeKey(change);
      if (!found.has(key)) found.set(key, change);
    }
  return [...found.values()];
}

/**
 * Everything measured before the first cut and again since: the last after against the last before of the same figures, what moved first. `cutAt` is when
 * metal was first cut; `since` when the last was laid: what was measured between is neither.
 */
export function changesSince(
  measured: readonly Geometry[],
  { cutAt, since }: { readonly cutAt: string; readonly since: string },
  limits: GeometryPractice,
): Change[] {
  const inOrder = [...measured].sort((a, b) => a.at.localeCompare(b.at));
  const before = inOrder.filter(({ at }) => at < cutAt);
  const after = inOrder.filter(({ at }) => at > since);
  const last = new Map(after.map((each) => [keyOfMeasure(each.measure), each]));
  return [...last.values()]
    .flatMap((now) => changesFrom(before, now, limits))
    .sort((a, b) => MOVED_SAYS.indexOf(b.says) - MOVED_SAYS.indexOf(a.says) || over(b) - over(a));
}
const over = ({ by, limit }: Change) => Math.abs(by) / limit;
