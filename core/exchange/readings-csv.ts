import { parse, type Info } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { faceIdSchema, facesOf, type Frame, type Member, type Strike } from '../frame';
import { checkReading, methodSchema, readingSchema, type Reading } from '../probe';
import { delimiterOf, mappedRow, missingFields, type ColumnMap } from './csv-columns';
import { fail, MM_PER_INCH, ok, parseLengthMm, type Outcome, type UnitSystem } from '../quantity';

/**
 * Readings as CSV. Columns, in the order they are written:
 *   id          uuid; optional on the way in
 *   member      member id or name
 *   station, height, thickness   in `unit`; lengths may also be written 14-3/8, 10ga, 4.7mm
 *   face        top, web, bottom, outer, inner
 *   unit        in or mm; what bare numbers on this row are in
 *   method      ultrasonic, caliper, cut sample, feel; optional on the way in
 *   by, at      who (role or initials) and when (ISO 8601 UTC); optional on the way in
 *   note
 *   struck_by, struck_at, struck_why   filled for a struck reading; ignored on the way in
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
] as const;
/** More rows than anybody measures on one frame; a file with more is another kind of file. */
const MOST_ROWS = 100_000;
const REQUIRED = ['member', 'station', 'face', 'height', 'thickness'] as const;

/** A cell that a spreadsheet would run as a formula is written as text. */
const asText = (words: string): string => (/^[=+\-@\t\r]/.test(words) ? `'${words}` : words);
const plain = (mm: number, system: UnitSystem): string =>
  String(Number((system === 'in' ? mm / MM_PER_INCH : mm).toFixed(6)));

export function readingsToCsv(
  frame: Frame,
  readings: readonly Reading[],
  strikes: readonly Strike[],
  system: UnitSystem,
): string {
  const nameOf = new Map(frame.members.map((member) => [member.id, member.name]));
  const strikeOf = new Map(strikes.map((strike) => [strike.evidenceId, strike]));
  const rows = readings.map((reading) => {
    const strike = strikeOf.get(reading.id);
    return [
      reading.id,
      asText(nameOf.get(reading.memberId) ?? reading.memberId),
      plain(reading.stationMm, system),
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
  const idOf = rowIds(defaults.idFor);
  let already = 0;
  for (const { record, line } of table.value) {
    const row = readRow(frame, record, defaults);
    const reading = row.ok
      ? { ...row.value.reading, id: record.id || idOf(row.value.reading, record) }
      : undefined;
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
function rowIds(idFor: ImportDefaults['idFor']): (reading: Reading, row: Row) => string {
  const seen = new Map<string, number>();
  return (reading, row) => {
    const says = [
      reading.memberId,
      reading.face,
      reading.stationMm.toFixed(3),
      reading.heightMm.toFixed(3),
      reading.thicknessMm.toFixed(4),
      reading.method,
      row.by ?? '',
      row.at ?? '',
    ].join('|');
    const times = (seen.get(says) ?? 0) + 1;
    seen.set(says, times);
    return idFor(`${says}|${times}`);
  };
}

/** The same place and figure, to the thousandth of a millimetre that a written file keeps. */
const sameReading = (one: Reading, other: Reading): boolean =>
  one.memberId === other.memberId &&
  one.face === other.face &&
  one.method === other.method &&
  (['stationMm', 'heightMm', 'thicknessMm'] as const).every((key) => Math.abs(one[key] - other[key]) < 1e-3);

type Row = Readonly<Record<string, string | undefined>>;

function rowsOf(text: string, columns: ColumnMap | undefined): Outcome<{ record: Row; line: number }[]> {
  let header: string[] = [];
  const parsed = attempt(
    () =>
      parse(text, {
        bom: true,
        trim: true,
        skip_empty_lines: true,
        relax_column_count: true,
        relax_quotes: true,
        info: true,
        delimiter: delimiterOf(text),
        columns: (names: string[]) => (header = names.map((name) => name.trim().toLowerCase())),
      }) as unknown as { record: Row; info: Info }[],
  );
  if (!parsed.ok) return fail(`this is not CSV: ${parsed.reason}. Nothing was imported.`);
  const missing = columns ? missingFields(columns) : REQUIRED.filter((column) => !header.includes(column));
  if (missing.length)
    return fail(
      `the first line must name the columns ${REQUIRED.join(', ')}; missing: ${missing.join(', ')}. Nothing was imported.`,
    );
  if (parsed.value.length > MOST_ROWS)
    return fail(
      `the file has ${parsed.value.length} rows, and at most ${MOST_ROWS} are taken in at once. Nothing was imported.`,
    );
  const decimalComma = delimiterOf(text) === ';';
  return ok(
    parsed.value.map(({ record, info }) => ({
      record: columns ? mappedRow(record, columns, decimalComma) : record,
      line: info.lines,
    })),
  );
}

function attempt<Value>(work: () => Value): Outcome<Value> {
  try {
    return ok(work());
  } catch (error) {
    return fail(error instanceof Error ? error.message : 'unreadable');
  }
}

/** Stands in while a row without an id is read. */
const NO_ID = '00000000-0000-4000-8000-000000000000';

function readRow(
  frame: Frame,
  row: Row,
  defaults: ImportDefaults,
): Outcome<{ reading: Reading; warning?: string }> {
  const member = memberNamed(frame, row.member);
  if (!member.ok) return member;
  const face = faceIdSchema.safeParse(row.face?.toLowerCase());
  if (!face.success)
    return fail(
      `face "${row.face ?? ''}" is not one of ${facesOf(member.value.shape)
        .map((each) => each.id)
        .join(', ')}`,
    );
  const system = row.unit ? (row.unit === 'in' || row.unit === 'mm' ? row.unit : undefined) : defaults.system;
  if (!system) return fail(`unit "${row.unit}" is neither in nor mm`);
  const [station, height, thickness] = (['station', 'height', 'thickness'] as const).map((column) =>
    named(column, parseLengthMm(row[column] ?? '', system)),
  );
  for (const length of [station!, height!, thickness!]) if (!length.ok) return length;
  const method = methodSchema.safeParse(row.method ? row.method.toLowerCase() : 'ultrasonic');
  if (!method.success) return fail(`method "${row.method}" is not known`);
  const candidate = readingSchema.safeParse({
    kind: 'reading',
    id: row.id || NO_ID,
    memberId: member.value.id,
    face: face.data,
    method: method.data,
    stationMm: station!.ok && station!.value,
    heightMm: height!.ok && height!.value,
    thicknessMm: thickness!.ok && thickness!.value,
    by: row.by || defaults.by,
    at: row.at || defaults.at,
    note: row.note ?? '',
  });
  if (!candidate.success)
    return fail(
      candidate.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('; '),
    );
  const check = checkReading(member.value, candidate.data);
  if (!check.ok) return check;
  return ok({ reading: candidate.data, ...(check.value.warning && { warning: check.value.warning }) });
}

const named = (column: string, length: Outcome<number>): Outcome<number> =>
  length.ok ? length : fail(`${column}: ${length.reason}`);

function memberNamed(frame: Frame, words: string | undefined): Outcome<Member> {
  const wanted = (words ?? '').trim().toLowerCase();
  const member = frame.members.find(
    (each) => each.id.toLowerCase() === wanted || each.name.toLowerCase() === wanted,
  );
  return member ? ok(member) : fail(`member "${words ?? ''}" is not on this frame`);
}
