import { COMMON_PRACTICE, MILL_STRAIGHTNESS, type GeometryPractice, type Source } from '../../reference';
import { keyOfFigure, type Figure } from './figure';
import { bowsOf, diagonalsOf, distanceMm, offLine, offPlane, type Bow } from './fit';
import { angleErrorDeg, differenceErrorMm, lengthErrorMm, readingErrorMm } from './instruments';
import {
  isOutOfDate,
  keyOfMeasure,
  tellsNothing,
  type Geometry,
  type GeometryMeasure,
  type MountPlace,
  type Stood,
} from './measure';

/** What a measure says of the frame. */
export const GEOMETRY_SAYS = [
  'one side longer',
  'off its figure',
  'diagonals differ',
  'twisted',
  'bent along',
  'bowed up or down',
  'bowed to a side',
  'mount off its plane',
  'mount off its figure',
  'twin off its place',
] as const;
export type GeometrySays = (typeof GEOMETRY_SAYS)[number];
export const STRAIGHT_OR_NOT = ['straight', 'can’t say', 'out'] as const;
export type StraightOrNot = (typeof STRAIGHT_OR_NOT)[number];
/** Why nothing can be said: too near its limit for the instrument; the unit stood so that it may be its load; what can show that it is out, and never that it is straight. */
export const NOT_SAID = [
  'near its limit',
  'as it stood',
  'two marks',
  'instrument out of date',
  'another unit',
] as const;
export type NotSaid = (typeof NOT_SAID)[number];

/** One thing compared, as data. `value` is held against `limit`; straight and out only beyond doubt of the instrument. */
export interface GeometryCheck {
  readonly says: GeometrySays;
  readonly is: StraightOrNot;
  readonly notSaid?: NotSaid;
  readonly quantity: 'length' | 'angle';
  readonly value: number;
  readonly plusMinus: number;
  readonly limit: number;
  readonly source: Source;
  /** Of what: an axle pair, a place, a mount. */
  readonly of: readonly string[];
  readonly memberId?: string;
  readonly at?: { readonly fromMm: number; readonly toMm: number };
  /** What it was held against, where that is a figure from elsewhere. */
  readonly against?: Figure;
  /** The one mark that makes all of a bow: misread, or a dent or kink right there. */
  readonly lone?: { readonly atMm: number; readonly offMm: number };
  readonly measured: Geometry;
}

/** What other jobs of the same unit measured: a frame that was out is out until it is measured again. */
export interface MeasuredElsewhere {
  readonly geometry: readonly Geometry[];
  readonly figures: readonly Figure[];
}

/** What compares to what: all of a check but what follows from it. */
type Compared = Omit<GeometryCheck, 'is' | 'notSaid' | 'measured'>;

/**
 * Each thing measured, compared with itself, its twin and what is known from elsewhere, the worst first. The last measure of it counts; but what
 * was out stays out until a measure that can tell says that it is straight: a tape that cannot see what a trammel saw clears nothing.
 */
export function geometryChecks(
  measured: readonly Geometry[],
  figures: readonly Figure[],
  limits: GeometryPractice,
): GeometryCheck[] {
  const against = lastOf(figures, keyOfFigure);
  const byThing = new Map<string, GeometryCheck>();
  for (const record of [...measured].sort((a, b) => a.at.localeCompare(b.at))) {
    const key = keyOfMeasure(record.measure);
    const checks = [
      ...within(record, limits),
      ...against
        .filter((figure) => keyOfFigure(figure) === key)
        .flatMap((figure) => withFigure(record, figure, limits)),
    ];
    for (const check of checks) {
      const thing = `${key} ${check.says}`;
      if (check.is !== 'can’t say' || byThing.get(thing)?.is !== 'out') byThing.set(thing, check);
    }
  }
  return [...byThing.values()].sort((a, b) => rank(b) - rank(a) || overLimit(b) - overLimit(a));
}

const rank = ({ is }: GeometryCheck) => STRAIGHT_OR_NOT.indexOf(is);
const overLimit = ({ value, limit }: GeometryCheck) => value / limit;

function lastOf<Rec extends { readonly at: string }>(
  records: readonly Rec[],
  keyOf: (record: Rec) => string,
): Rec[] {
  const last = new Map<string, Rec>();
  for (const record of records) {
    const before = last.get(keyOf(record));
    if (!before || record.at >= before.at) last.set(keyOf(record), record);
  }
  return [...last.values()];
}

/** Straight only where even its error keeps it within the limit, out only where even its error leaves it beyond. */
export function straightOrNot(value: number, plusMinus: number, limit: number): StraightOrNot {
  if (!(Math.abs(value) - plusMinus <= limit + ROUNDING)) return 'out';
  return Math.abs(value) + plusMinus <= limit + ROUNDING ? 'straight' : 'can’t say';
}
/** Sizes come as sixteenths turned into millimetres: at the limit is within it. */
const ROUNDING = 1e-6;

/** What a load, or what holds a unit up, does by itself to a good frame: it sags, hogs and twists. */
const BENT_BY_HOW_IT_STOOD: ReadonlySet<GeometrySays> = new Set<GeometrySays>([
  'bowed up or down',
  'twisted',
  'bent along',
]);
const CARRIED_ELSEWISE: readonly Stood[] = ['on its wheels, loaded', 'on a lift', 'on stands'];

function checked(compared: Compared, measured: Geometry): GeometryCheck {
  const is = straightOrNot(compared.value, compared.plusMinus, compared.limit);
  const mayBeLoad = BENT_BY_HOW_IT_STOOD.has(compared.says) && CARRIED_ELSEWISE.includes(measured.stood);
  if (is === 'out' && mayBeLoad) return { ...compared, is: 'can’t say', notSaid: 'as it stood', measured };
  if (is === 'out') return { ...compared, is, measured };
  const notSaid = is === 'can’t say' ? 'near its limit' : doubtOf(compared, measured);
  return notSaid ? { ...compared, is: 'can’t say', notSaid, measured } : { ...compared, is, measured };
}

/** Why what seems straight is not said to be. */
function doubtOf({ against }: Compared, measured: Geometry): NotSaid | undefined {
  if (isOutOfDate(measured)) return 'instrument out of date';
  return against?.from === 'a known-good frame' ? 'another unit' : undefined;
}

/** What a measure says by itself. */
function within(record: Geometry, limits: GeometryPractice): GeometryCheck[] {
  const { measure } = record;
  if (measure.of === 'line' && tellsNothing(measure)) return [ofTwoMarks(record, measure, limits)];
  return comparedWithin(record, measure, limits).map((compared) => checked(compared, record));
}

function comparedWithin(record: Geometry, measure: GeometryMeasure, limits: GeometryPractice): Compared[] {
  switch (measure.of) {
    case 'wheelbase':
      return [
        {
          ...difference(record, measure.leftMm, measure.rightMm, limits.sidesMm),
          says: 'one side longer',
          of: [measure.fromId, measure.toId],
        },
      ];
    case 'diagonals':
      return [
        {
          ...difference(record, measure.oneMm, measure.otherMm, limits.diagonalsMm),
          says: 'diagonals differ',
          of: [measure.place],
        },
      ];
    case 'level across':
      return [{ ...angles(record, measure.stations, limits), says: 'twisted', of: [] }];
    case 'angle along':
      return [
        {
          ...angles(record, measure.stations, limits),
          says: 'bent along',
          of: [],
          memberId: measure.memberId,
        },
      ];
    case 'line': {
      const compared = bowed(record, measure, limits);
      const lone = loneMark(record, measure, compared);
      return [{ ...compared, ...(lone && { lone }) }];
    }
    case 'mounts':
      return mountsWithin(record, measure, limits);
    case 'twins':
      return [twins(record, measure, limits)];
    default:
      return measure satisfies never;
  }
}

type Figures = Pick<Compared, 'quantity' | 'value' | 'plusMinus' | 'limit' | 'source'>;
const byPractice = (value: number, plusMinus: number, limit: number): Figures => ({
  quantity: 'length',
  value,
  plusMinus,
  limit,
  source: COMMON_PRACTICE,
});

function ofTwoMarks(
  measured: Geometry,
  { marks, memberId, direction }: Extract<GeometryMeasure, { of: 'line' }>,
  { lineShare }: GeometryPractice,
): GeometryCheck {
  const stations = marks.map(({ stationMm }) => stationMm);
  const [fromMm, toMm] = [Math.min(...stations), Math.max(...stations)];
  return {
    quantity: 'length',
    value: 0,
    plusMinus: 0,
    limit: lineShare * (toMm - fromMm),
    source: MILL_STRAIGHTNESS,
    says: direction === 'up' ? 'bowed up or down' : 'bowed to a side',
    is: 'can’t say',
    notSaid: 'two marks',
    of: [],
    memberId,
    at: { fromMm, toMm },
    measured,
  };
}

/** One length against another read with the same instrument. */
function difference(record: Geometry, oneMm: number, otherMm: number, limitMm: number): Figures {
  const error =
    record.plusMinus === undefined
      ? differenceErrorMm(record.instrument, oneMm, otherMm)
      : Math.SQRT2 * record.plusMinus;
  return byPractice(Math.abs(oneMm - otherMm), error, limitMm);
}

function angles(
  record: Geometry,
  stations: readonly { readonly stationMm: number; readonly degrees: number }[],
  { angleDeg }: GeometryPractice,
): Omit<Compared, 'says' | 'of' | 'memberId'> {
  const sorted = [...stations].sort((a, b) => a.degrees - b.degrees);
  const [least, most] = [sorted[0]!, sorted[sorted.length - 1]!];
  const ends = [least.stationMm, most.stationMm];
  return {
    quantity: 'angle',
    value: most.degrees - least.degrees,
    plusMinus: Math.SQRT2 * (record.plusMinus ?? angleErrorDeg(record.instrument)),
    limit: angleDeg,
    source: COMMON_PRACTICE,
    at: { fromMm: Math.min(...ends), toMm: Math.max(...ends) },
  };
}

/**
 * The line as a whole says whether it is straight; a shorter stretch of it can only show that it is not: over a foot the mill's own limit is less
 * than anybody reads.
 */
function bowed(
  record: Geometry,
  { marks, memberId, direction }: Extract<GeometryMeasure, { of: 'line' }>,
  { lineShare }: GeometryPractice,
): Compared {
  const error = record.plusMinus ?? readingErrorMm(record.instrument);
  const compared = bowsOf(marks).map((bow): Figures & { readonly bow: Bow } => ({
    bow,
    quantity: 'length',
    value: Math.abs(bow.bowMm),
    plusMinus: error * bow.errors,
    limit: lineShare * (bow.toMm - bow.fromMm),
    source: MILL_STRAIGHTNESS,
  }));
  const beyond = ({ value, plusMinus, limit }: Figures) => (value - plusMinus) / limit;
  const worst = compared.reduce((a, b) => (beyond(b) > beyond(a) ? b : a));
  const { bow, ...figures } =
    straightOrNot(worst.value, worst.plusMinus, worst.limit) === 'out' ? worst : compared[0]!;
  return {
    ...figures,
    says: direction === 'up' ? 'bowed up or down' : 'bowed to a side',
    of: [],
    memberId,
    at: { fromMm: bow.fromMm, toMm: bow.toMm },
  };
}

/** So much straighter than the one mark is off are the others where it alone makes a bow (ours: a bow of the whole member is shared by all of its marks). */
const LONE_SHARE = 1 / 3;
/** The others still show a bow: one mark between their ends and one more. */
const LEAST_MARKS = 4;

/** The mark without which nothing of a bow is left, where there is just one such and the bow is out. */
function loneMark(
  record: Geometry,
  { marks }: Extract<GeometryMeasure, { of: 'line' }>,
  { value, plusMinus, limit }: Compared,
): GeometryCheck['lone'] {
  if (marks.length < LEAST_MARKS || straightOrNot(value, plusMinus, limit) !== 'out') return undefined;
  const error = record.plusMinus ?? readingErrorMm(record.instrument);
  const alone = offLine(marks).filter(({ atMm, offMm, errors }) => {
    const others = bowsOf(marks.filter(({ stationMm }) => stationMm !== atMm));
    const bow = Math.max(...others.map(({ bowMm }) => Math.abs(bowMm)));
    return bow <= Math.abs(offMm) * LONE_SHARE && Math.abs(offMm) - error * errors > limit;
  });
  const [only] = alone;
  return alone.length === 1 ? { atMm: only!.atMm, offMm: only!.offMm } : undefined;
}

const heightErrorMm = (record: Geometry): number => record.plusMinus ?? readingErrorMm(record.instrument);
/** Both ends' errors make a distance's. */
const mountErrorMm = (record: Geometry): number => Math.SQRT2 * heightErrorMm(record);

function mountsWithin(
  record: Geometry,
  { set, points }: Extract<GeometryMeasure, { of: 'mounts' }>,
  limits: GeometryPractice,
): Compared[] {
  const error = mountErrorMm(record);
  const diagonals = diagonalsOf(points);
  const off = points.length > 3 ? offPlane(points) : undefined;
  const furthestOff = off?.sort((a, b) => Math.abs(b.offMm) - Math.abs(a.offMm))[0];
  return [
    ...(diagonals
      ? [
          {
            ...byPractice(Math.abs(diagonals[0] - diagonals[1]), Math.SQRT2 * error, limits.diagonalsMm),
            says: 'diagonals differ' as const,
            of: [set],
          },
        ]
      : []),
    ...(furthestOff
      ? [
          {
            ...byPractice(
              Math.abs(furthestOff.offMm),
              furthestOff.errors * heightErrorMm(record),
              limits.placeMm,
            ),
            says: 'mount off its plane' as const,
            of: [set, furthestOff.name],
          },
        ]
      : []),
  ];
}

function twins(
  record: Geometry,
  { place, left, right }: Extract<GeometryMeasure, { of: 'twins' }>,
  limits: GeometryPractice,
): Compared {
  const along = difference(record, left.alongMm, right.alongMm, limits.placeMm);
  const up = difference(record, left.upMm, right.upMm, limits.placeMm);
  return { ...(along.value >= up.value ? along : up), says: 'twin off its place', of: [place] };
}

/** What a measure says beside a figure from elsewhere; each side by itself. */
function withFigure(record: Geometry, against: Figure, limits: GeometryPractice): GeometryCheck[] {
  const { measure } = record;
  const { figure } = against;
  const limit = against.toleranceMm ?? (figure.of === 'mounts' ? limits.placeMm : limits.figureMm);
  if (measure.of === 'mounts' && figure.of === 'mounts') {
    const worst = furthestPair(measure.points, figure.points);
    if (!worst) return [];
    const compared = byPractice(worst.offMm, Math.SQRT2 * mountErrorMm(record), limit);
    return [
      checked(
        { ...compared, says: 'mount off its figure', of: [measure.set, ...worst.names], against },
        record,
      ),
    ];
  }
  const [lengths, of] =
    measure.of === 'wheelbase'
      ? [
          [measure.leftMm, measure.rightMm],
          [measure.fromId, measure.toId],
        ]
      : measure.of === 'diagonals'
        ? [[measure.oneMm, measure.otherMm], [measure.place]]
        : [[], []];
  if (figure.of === 'mounts' || lengths.length === 0) return [];
  const furthestOff = Math.max(...lengths.map((each) => Math.abs(each - figure.mm)));
  const error = record.plusMinus ?? lengthErrorMm(record.instrument, figure.mm);
  return [checked({ ...byPractice(furthestOff, error, limit), says: 'off its figure', of, against }, record)];
}

/** The two mounts whose distance differs most from its figure: distances need no common corner to measure from. */
function furthestPair(
  measured: readonly MountPlace[],
  figures: readonly MountPlace[],
): { readonly names: readonly string[]; readonly offMm: number } | undefined {
  const known = new Map(figures.map((point) => [point.name.toLowerCase(), point]));
  const both = measured.flatMap((point) => {
    const figure = known.get(point.name.toLowerCase());
    return figure ? [{ point, figure }] : [];
  });
  return both
    .flatMap((one, k) =>
      both.slice(k + 1).map((other) => ({
        names: [one.point.name, other.point.name],
        offMm: Math.abs(distanceMm(one.point, other.point) - distanceMm(one.figure, other.figure)),
      })),
    )
    .sort((a, b) => b.offMm - a.offMm)[0];
}

/** Straight where nothing that was measured is out or undecided; nothing measured says nothing. */
export function frameIs(checks: readonly GeometryCheck[]): StraightOrNot | 'not measured' {
  return checks[0]?.is ?? 'not measured';
}
