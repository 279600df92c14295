import { axleStationsMm, type Frame, type Member } from '@/core/frame';
import {
  fail,
  lengthDigits,
  ok,
  parseLengthMm,
  parsePlaceMm,
  schemaWords,
  type Outcome,
  type UnitSystem,
} from '@/core/quantity';
import { geometrySchema, type Geometry, type MeasureOf } from '@/core/weigh';
import { parseStationMm, stationDigits } from '../../../../_words/station';

/** A field of a measure: a distance, a place either side of nothing, a station of the member or the frame, degrees, a name, or an end of the wheelbase. */
export interface GeometryField {
  readonly key: string;
  readonly label: string;
  readonly is: 'distance' | 'place' | 'station' | 'frame station' | 'degrees' | 'name' | 'end';
}
const field = (key: string, label: string, is: GeometryField['is']): GeometryField => ({ key, label, is });
export const isLength = ({ is }: GeometryField): boolean => is !== 'degrees' && is !== 'name' && is !== 'end';

const isStation = ({ is }: GeometryField): boolean => is === 'station' || is === 'frame station';

/** What is typed for a measure: single fields, and rows with the fewest there may be. `picks`: what else it asks. */
interface GeometryForm {
  readonly single: readonly GeometryField[];
  readonly rows?: {
    readonly name: 'stations' | 'marks' | 'points';
    readonly fields: readonly GeometryField[];
    readonly least: number;
  };
  readonly onMember?: true;
}
export const GEOMETRY_FORMS: Readonly<Record<MeasureOf, GeometryForm>> = {
  wheelbase: {
    single: [
      field('fromId', 'from', 'end'),
      field('toId', 'to', 'end'),
      field('leftMm', 'left side', 'distance'),
      field('rightMm', 'right side', 'distance'),
    ],
  },
  diagonals: {
    single: [
      field('place', 'between which corners', 'name'),
      field('oneMm', 'one diagonal', 'distance'),
      field('otherMm', 'the other', 'distance'),
    ],
  },
  'level across': {
    single: [],
    rows: {
      name: 'stations',
      least: 2,
      fields: [field('stationMm', 'station', 'frame station'), field('degrees', 'angle, °', 'degrees')],
    },
  },
  'angle along': {
    single: [],
    onMember: true,
    rows: {
      name: 'stations',
      least: 2,
      fields: [field('stationMm', 'station', 'station'), field('degrees', 'angle, °', 'degrees')],
    },
  },
  line: {
    single: [],
    onMember: true,
    rows: {
      name: 'marks',
      least: 2,
      fields: [field('stationMm', 'station', 'station'), field('offMm', 'line to member', 'place')],
    },
  },
  mounts: {
    single: [field('set', 'which set', 'name')],
    rows: {
      name: 'points',
      least: 4,
      fields: [
        field('name', 'mount', 'name'),
        field('xMm', 'x rearward', 'place'),
        field('yMm', 'y right', 'place'),
        field('zMm', 'z up', 'place'),
      ],
    },
  },
  twins: {
    single: [
      field('place', 'which bracket or hole', 'name'),
      field('left alongMm', 'left: along', 'place'),
      field('left upMm', 'left: up', 'place'),
      field('right alongMm', 'right: along', 'place'),
      field('right upMm', 'right: up', 'place'),
    ],
  },
};

/** Where a row's field is typed. */
export const rowKey = (row: number, key: string): string => `${row} ${key}`;
export type GeometryTyped = Readonly<Record<string, string>>;

/** What somebody typed, with what they chose beside it. */
export interface TypedMeasure {
  readonly of: MeasureOf;
  readonly fields: GeometryTyped;
  readonly rows: number;
  readonly direction: 'up' | 'across';
  readonly instrument: Geometry['instrument'];
  readonly stood: Geometry['stood'];
  /** A day, or nothing. */
  readonly checkedOn: string;
  readonly isSimulated: boolean;
}

/** What typed figures are read against. */
interface ReadOn {
  readonly system: UnitSystem;
  readonly member: Member;
}

/** What was typed, as a record without its stamp; the failure names the field. Rows with nothing read are passed over. */
export function readGeometry(
  typed: TypedMeasure,
  on: ReadOn,
  stamp: Pick<Geometry, 'id' | 'by' | 'at'>,
): Outcome<Geometry> {
  const form = GEOMETRY_FORMS[typed.of];
  const measure: Record<string, unknown> = { of: typed.of };
  for (const each of form.single) {
    const value = readField(each, typed.fields[each.key] ?? '', on);
    if (!value.ok) return fail(`${each.label}: ${value.reason}`, each.key);
    const [group, key] = each.key.split(' ');
    if (key === undefined) measure[group!] = value.value;
    else measure[group!] = { ...(measure[group!] as object | undefined), [key]: value.value };
  }
  if (form.rows) {
    const rows = readRows(typed, form.rows.fields, on);
    if (!rows.ok) return rows;
    if (rows.value.length < form.rows.least)
      return fail(
        `${form.rows.least} at least: ${rows.value.length} typed`,
        rowKey(rows.value.length, form.rows.fields[0]!.key),
      );
    measure[form.rows.name] = rows.value;
  }
  if (form.onMember) measure.memberId = on.member.id;
  if (typed.of === 'line') measure.direction = typed.direction;
  const checked = geometrySchema.safeParse(
    {
      kind: 'geometry',
      ...stamp,
      measure,
      instrument: typed.instrument,
      stood: typed.stood,
      ...(typed.checkedOn && { checkedOn: typed.checkedOn }),
      ...(typed.isSimulated && { simulated: true }),
    },
    { error: schemaWords },
  );
  return checked.success ? ok(checked.data) : fail(checked.error.issues[0]!.message);
}

function readRows(
  { fields, rows }: TypedMeasure,
  columns: readonly GeometryField[],
  on: ReadOn,
): Outcome<Record<string, string | number>[]> {
  const read: Record<string, string | number>[] = [];
  for (let row = 0; row < rows; row++) {
    const texts = columns.map((column) => fields[rowKey(row, column.key)] ?? '');
    // A station somebody did not read at is no reading.
    if (texts.every((text, k) => text.trim() === '' || isStation(columns[k]!))) continue;
    const record: Record<string, string | number> = {};
    for (const [k, column] of columns.entries()) {
      const value = readField(column, texts[k]!, on);
      if (!value.ok) return fail(`${column.label}: ${value.reason}`, rowKey(row, column.key));
      record[column.key] = value.value;
    }
    read.push(record);
  }
  return ok(read);
}

function readField(
  { is }: GeometryField,
  text: string,
  { system, member }: ReadOn,
): Outcome<string | number> {
  switch (is) {
    case 'name':
    case 'end':
      return text.trim() === '' ? fail('say which') : ok(text.trim());
    case 'degrees': {
      const degrees = Number(text.replace(',', '.').replace(/[−–]/, '-').replace('°', ''));
      return text.trim() !== '' && Number.isFinite(degrees) ? ok(degrees) : fail('degrees, such as 0.4');
    }
    case 'station':
      return parseStationMm(text, member, system);
    case 'place':
    case 'frame station':
      return parsePlaceMm(text, system);
    case 'distance':
      return parseLengthMm(text, system);
    default:
      return is satisfies never;
  }
}

/** Lengths are turned into the other units; names and degrees stay. */
export function turnedFields(
  fields: GeometryTyped,
  of: MeasureOf,
  as: (text: string) => string,
): GeometryTyped {
  const { single, rows } = GEOMETRY_FORMS[of];
  const lengths = new Set([...single, ...(rows?.fields ?? [])].filter(isLength).map(({ key }) => key));
  const isTurned = (key: string) => lengths.has(key) || lengths.has(key.replace(/^\d+ /, ''));
  return Object.fromEntries(
    Object.entries(fields).map(([key, text]) => [key, isTurned(key) ? as(text) : text]),
  );
}

/** Shares of a member's length where a line is read as a rule. */
const ALONG = [0, 0.25, 0.5, 0.75, 1] as const;

/** Stations somebody would measure at: along the member from end to end, across it at its axles. Figures typed take their place. */
export function suggestedStations(
  of: MeasureOf,
  { frame, member, system }: ReadOn & { readonly frame: Frame },
): GeometryTyped {
  const stations =
    of === 'level across'
      ? (axleStationsMm(frame).length > 1 ? axleStationsMm(frame) : [0, frame.lengthMm]).map((mm) =>
          lengthDigits(mm, system, 'length'),
        )
      : GEOMETRY_FORMS[of].onMember
        ? ALONG.map((share) => stationDigits(member, share * member.lengthMm, system))
        : [];
  return Object.fromEntries(stations.map((text, row) => [rowKey(row, 'stationMm'), text]));
}
