import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { asText } from './as-text';
import { faceIdSchema, facesOf, startsAtMm, type Frame, type Member, type Strike } from '../frame';
import { checkReading, methodSchema, readingSchema, type Reading } from '../probe';
import { delimiterOf, mappedRow, missingFields, type ColumnMap } from './csv-columns';
import { fail, MM_PER_INCH, ok, parseLengthMm, type Outcome, type UnitSystem } from '../quantity';

/**
 * Readings as CSV. Columns, in the order they are written:
 *   id          uuid; optional on the way in
 *   member      member id or name
 *   station, height, thickness   in `unit`, station from the frame's datum; lengths may also be written 14-3/8, 10ga, 4.7mm
 *   face        top, web, bottom, outer, inner
 *   unit        in or mm; what bare numbers on this row are in
 *   method      ultrasonic, caliper, cut sample, feel; optional on the way in
 *   by, at      who (role or initials) and when (ISO 8601 UTC); optional on the way in
 *   note
 *   struck_by, struck_at, struck_why   filled for a struck reading; ignored on the way in
 *   simulated   yes where the gauge's stand-in invented it: no metal was measured
 */
export const READING_COLUMNS = [
  'id',
  'member',
  'station',
  'face',
  'height',
  'thickness',
  'unit',
  'method',
  'by',
  'at',
  'note',
  'struck_by',
  'struck_at',
  'struck_why',
  'simulated',
] as const;
/** More rows than anybody measures on one frame; a file with more is another kind of file. */
const MOST_ROWS = 100_000;
const REQUIRED = ['member', 'station', 'face', 'height', 'thickness'] as const;

const plain = (mm: number, system: UnitSystem): string =>
  String(Number((system === 'in' ? mm / MM_PER_INCH : mm).toFixed(6)));

export function readingsToCsv(
  frame: Frame,
  readings: readonly Reading[],
  strikes: readonly Strike[],
  system: UnitSystem,
): string {
  const byId = new Map(frame.members.map((member) => [member.id, member]));
  const strikeOf = new Map(strikes.map((strike) => [strike.evidenceId, strike]));
  const rows = readings.map((reading) => {
    const strike = strikeOf.get(reading.id);
    const member = byId.get(reading.memberId);
    return [
      reading.id,
      asText(member?.name ?? reading.memberId),
      plain((member ? startsAtMm(member) : 0) + reading.stationMm, system),
      reading.face,
      plain(reading.heightMm, system),
      plain(reading.thicknessMm, system),
      system,
      reading.method,
      asText(reading.by),
      reading.at,
      asText(reading.note),
      asText(strike?.by ?? ''),
      strike?.at ?? '',
      asText(strike?.why ?? ''),
      reading.simulated ? 'yes' : '',
    ];
  });
  return stringify([READING_COLUMNS as readonly string[], ...rows]);
}

export interface RejectedRow {
  readonly line: number;
  readonly reason: string;
}
/** `already`: rows that say what is on record; they are passed over, so a file that was corrected can be taken in again. */
export interface ReadingImport {
  readonly readings: Reading[];
  readonly rejected: RejectedRow[];
  readonly warnings: RejectedRow[];
  readonly already: number;
}

export interface ImportDefaults {
  readonly by: string;
  readonly at: string;
  readonly system: UnitSystem;
  /** An id made from what a row says: the same row gets the same id however often it is sent. */
  readonly idFor: (says: string) => string;
  /** What is on record already. */
  readonly existing: readonly Reading[];
  /** Another tool's columns, where they are called otherwise. */
  readonly columns?: ColumnMap;
}

/** Reads a CSV of readings: good rows are kept, bad ones come back by line and reason. Fails whole only when it is no such table. */
export function readingsFromCsv(
  frame: Frame,
  text: string,
  defaults: ImportDefaults,
): Outcome<ReadingImport> {
  const table = rowsOf(text, defaults.columns);
  if (!table.ok) return table;
  const readings = new Map<string, Reading>();
  const [rejected, warnings]: [RejectedRow[], RejectedRow[]] = [[], []];
  const onRecord = new Map(defaults.existing.map((reading) => [reading.id, reading]));
  const readRow = rowReader(frame, defaults);
  let already = 0;
  for (const { record, line } of table.value) {
    const row = readRow(record);
    const reading = row.ok ? row.value.reading : undefined;
    const before = reading && (onRecord.get(reading.id) ?? readings.get(reading.id));
    if (!row.ok) rejected.push({ line, reason: row.reason });
    else if (before && sameReading(before, reading!)) already++;
    else if (before)
      rejected.push({
        line,
        reason: `id ${reading!.id} is on record with other figures, which stand; strike that reading through and leave the id of the new one empty`,
      });
    else {
      readings.set(reading!.id, reading!);
      if (row.value.warning) warnings.push({ line, reason: row.value.warning });
    }
  }
  return ok({ readings: [...readings.values()], rejected, warnings, already });
}

/** Rows without an id get one from what they say; a row repeated within a file is another reading. */
function rowIds(idFor: ImportDefaults['idFor']): (memberId: string, says: RowSays, row: Row) => string {
  const seen = new Map<string, number>();
  return (memberId, { face, stationMm, heightMm, thicknessMm, method }, { by = '', at = '' }) => {
    const place = `${memberId}|${face}|${stationMm.toFixed(3)}|${heightMm.toFixed(3)}`;
    const says = `${place}|${thicknessMm.toFixed(4)}|${method}|${by}|${at}`;
    const times = (seen.get(says) ?? 0) + 1;
    seen.set(says, times);
    return idFor(`${says}|${times}`);
  };
}

type RowSays = Place & Pick<Reading, 'method'>;

/** The same place and figure, to the thousandth of a millimetre that a written file keeps. */
const sameReading = (one: Reading, other: Reading): boolean =>
  one.memberId === other.memberId &&
  one.face === other.face &&
  one.method === other.method &&
  (['stationMm', 'heightMm', 'thicknessMm'] as const).every((key) => Math.abs(one[key] - other[key]) < 1e-3);

type Row = Readonly<Record<string, string | undefined>>;

function rowsOf(
  text: string,
  columns: ColumnMap | undefined,
): Outcome<Iterable<{ record: Row; line: number }>> {
  const delimiter = delimiterOf(text);
  const parsed = attempt(
    () =>
      parse(text, {
        bom: true,
        trim: true,
        relax_column_count: true,
        relax_quotes: true,
        delimiter,
      }) as string[][],
  );
  if (!parsed.ok) return fail(`this is not CSV: ${parsed.reason}. Nothing was imported.`);
  const lines = parsed.value;
  const header = lines.find(isFilled)?.map((name) => name.trim().toLowerCase()) ?? [];
  const missing = columns ? missingFields(columns) : REQUIRED.filter((column) => !header.includes(column));
  if (missing.length)
    return fail(
      `the first line must name the columns ${REQUIRED.join(', ')}; missing: ${missing.join(', ')}. Nothing was imported.`,
    );
  const count = lines.filter(isFilled).length - 1;
  if (count > MOST_ROWS)
    return fail(
      `the file has ${count} rows, and at most ${MOST_ROWS} are taken in at once. Nothing was imported.`,
    );
  const mapped = (record: Row) => (columns ? mappedRow(record, columns, delimiter === ';') : record);
  return ok(recordsOf(lines, header, mapped));
}

const isFilled = (cells: readonly string[]): boolean => cells.length > 1 || cells[0] !== '';

/**
 * The rows under the header one at a time, by the line of the file each ends on: a quoted note may run over several, and empty lines are
 * counted and passed over. A hundred thousand records never lie in memory together.
 */
function* recordsOf(
  lines: readonly (readonly string[])[],
  header: readonly string[],
  mapped: (record: Row) => Row,
) {
  let [line, underHeader] = [0, false];
  for (const cells of lines) {
    for (const cell of cells) line += breaksIn(cell);
    line++;
    if (!isFilled(cells)) continue;
    if (underHeader) yield { record: mapped(recordOf(header, cells)), line };
    underHeader = true;
  }
}

/** A row's cells by their columns' names. Filled in place: a hundred thousand lists of pairs are a second's work. */
function recordOf(header: readonly string[], cells: readonly string[]): Row {
  const record: Record<string, string> = {};
  for (let k = 0; k < cells.length; k++) record[header[k] ?? ''] = cells[k]!;
  return record;
}
const breaksIn = (cell: string): number =>
  cell.includes('\n') || cell.includes('\r') ? cell.split(/\r\n|\n|\r/).length - 1 : 0;

function attempt<Value>(work: () => Value): Outcome<Value> {
  try {
    return ok(work());
  } catch (error) {
    return fail(error instanceof Error ? error.message : 'unreadable');
  }
}

/** Stands in while a row without an id is read. */
const NO_ID = '00000000-0000-4000-8000-000000000000';
const stampSchema = readingSchema.pick({ id: true, by: true, at: true, note: true });
type Stamp = Pick<Reading, 'id' | 'by' | 'at' | 'note'>;
type ReadRow = (row: Row) => Outcome<{ reading: Reading; warning?: string }>;

/** Reads rows one by one; what most rows share (members, who and when) is looked up once. */
function rowReader(frame: Frame, defaults: ImportDefaults): ReadRow {
  const memberNamed = membersByName(frame);
  const stampOf = stampReader(defaults);
  const idOf = rowIds(defaults.idFor);
  return (row) => {
    const member = memberNamed(row.member);
    if (!member.ok) return member;
    const place = placeOf(row, member.value, defaults.system);
    if (!place.ok) return place;
    const method = methodSchema.safeParse(row.method ? row.method.toLowerCase() : 'ultrasonic');
    if (!method.success) return fail(`method "${row.method}" is not known`);
    const stamp = stampOf(row);
    if (!stamp.ok) return stamp;
    const { face, stationMm, heightMm, thicknessMm } = place.value;
    const measured = { face, stationMm, heightMm, thicknessMm, method: method.data };
    const check = checkReading(member.value, measured);
    if (!check.ok) return check;
    const { by, at, note } = stamp.value;
    const id = row.id || idOf(member.value.id, measured, row);
    const reading = { kind: 'reading' as const, id, by, at, note, memberId: member.value.id, ...measured };
    return ok({
      reading: row.simulated?.toLowerCase() === 'yes' ? { ...reading, simulated: true } : reading,
      ...check.value,
    });
  };
}

type Place = Pick<Reading, 'face' | 'stationMm' | 'heightMm' | 'thicknessMm'>;

function placeOf(row: Row, member: Member, bareUnit: UnitSystem): Outcome<Place> {
  const face = faceIdSchema.safeParse(row.face?.toLowerCase());
  if (!face.success) {
    const faces = facesOf(member.shape).map((each) => each.id);
    return fail(`face "${row.face ?? ''}" is not one of ${faces.join(', ')}`);
  }
  if (row.unit && row.unit !== 'in' && row.unit !== 'mm')
    return fail(`unit "${row.unit}" is neither in nor mm`);
  const system = row.unit ? (row.unit as UnitSystem) : bareUnit;
  const fromDatumMm = named('station', parseLengthMm(row.station ?? '', system));
  if (!fromDatumMm.ok) return fromDatumMm;
  const heightMm = named('height', parseLengthMm(row.height ?? '', system));
  if (!heightMm.ok) return heightMm;
  const thicknessMm = named('thickness', parseLengthMm(row.thickness ?? '', system));
  if (!thicknessMm.ok) return thicknessMm;
  return ok({
    face: face.data,
    stationMm: fromDatumMm.value - startsAtMm(member),
    heightMm: heightMm.value,
    thicknessMm: thicknessMm.value,
  });
}

/** Who, when, id and note of a row; rows that say the same of it are checked once. */
function stampReader(defaults: ImportDefaults): (row: Row) => Outcome<Stamp> {
  const known = new Map<string, Outcome<Stamp>>();
  const read = (row: Row): Outcome<Stamp> => {
    const stamp = stampSchema.safeParse({
      id: row.id || NO_ID,
      by: row.by || defaults.by,
      at: row.at || defaults.at,
      note: row.note ?? '',
    });
    if (stamp.success) return ok(stamp.data);
    return fail(stamp.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; '));
  };
  return (row) => {
    if (row.id || row.note) return read(row);
    const key = `${row.by ?? ''}|${row.at ?? ''}`;
    const stamp = known.get(key) ?? read(row);
    if (known.size < MOST_STAMPS) known.set(key, stamp);
    return stamp;
  };
}
/** More than this many different moments are not remembered: then each is checked by itself. */
const MOST_STAMPS = 1000;

const named = (column: string, length: Outcome<number>): Outcome<number> =>
  length.ok ? length : fail(`${column}: ${length.reason}`);

/** Members by id or name, however they are written. */
function membersByName(frame: Frame): (words: string | undefined) => Outcome<Member> {
  const known = new Map(
    frame.members.flatMap((member) => [member.id, member.name].map((name) => [name.toLowerCase(), member])),
  );
  for (const member of frame.members) known.set(member.id.toLowerCase(), member);
  return (words) => {
    const member = known.get((words ?? '').trim().toLowerCase());
    return member ? ok(member) : fail(`member "${words ?? ''}" is not on this frame`);
  };
}
