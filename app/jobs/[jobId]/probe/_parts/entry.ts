import { faceOf, startsAtMm, type Member } from '@/core/frame';
import { checkReading, type Method, type Reading } from '@/core/probe';
import { fail, parseLengthMm, type Outcome, type UnitSystem } from '@/core/quantity';
import { parseStationMm } from '../../../../_words/station';
import type { Cursor } from '@/ui/strip';

export interface EntryFields {
  readonly station: string;
  readonly height: string;
  readonly thickness: string;
}
export type FieldProblems = Partial<Record<keyof EntryFields, string>>;

export type EntryOutcome =
  { ok: true; reading: Reading; warning?: string } | { ok: false; problems: FieldProblems };

/** The field that holds what a reading’s own check finds wrong. */
const FIELD_AT: Readonly<Record<string, keyof EntryFields>> = { stationMm: 'station', heightMm: 'height' };

/** What was typed as a reading, or what is wrong with which field. */
export function readEntry(
  member: Member,
  face: Cursor['face'],
  fields: EntryFields,
  taken: {
    readonly method: Method;
    readonly system: UnitSystem;
    readonly stamp: { id: string; by: string; at: string };
  },
): EntryOutcome {
  const { method, system, stamp } = taken;
  const parsed = {
    station: parseStationMm(fields.station, member, system),
    height: parseLengthMm(fields.height, system),
    thickness: parseThickness(fields.thickness, system),
  };
  const problems: FieldProblems = {};
  for (const field of ['station', 'height', 'thickness'] as const) {
    const outcome = parsed[field];
    if (!outcome.ok) problems[field] = outcome.reason;
  }
  if (!parsed.station.ok || !parsed.height.ok || !parsed.thickness.ok) return { ok: false, problems };
  const reading: Reading = {
    kind: 'reading',
    ...stamp,
    memberId: member.id,
    face,
    method,
    note: '',
    stationMm: parsed.station.value,
    heightMm: parsed.height.value,
    thicknessMm: parsed.thickness.value,
  };
  const check = checkReading(member, reading);
  if (check.ok) return { ok: true, reading, ...(check.value.warning && { warning: check.value.warning }) };
  const field = FIELD_AT[check.at ?? ''] ?? 'thickness';
  return { ok: false, problems: { [field]: check.reason } };
}

/** Under this nothing a frame is made of is left: bare figures so small in millimetres were meant as inches. Our judgement. */
const FOIL_MM = 0.5;
const BARE_FIGURES = /^\s*[\d.,]+\s*$/;

/** A thickness as typed. `.148` while millimetres are shown is asked about: it is 3.8 mm of steel or nothing at all. */
function parseThickness(text: string, system: UnitSystem): Outcome<number> {
  const read = parseLengthMm(text, system);
  const isFoil = read.ok && read.value > 0 && read.value < FOIL_MM;
  if (system === 'mm' && isFoil && BARE_FIGURES.test(text))
    return fail(
      `${text.trim()} mm is foil: write ${text.trim()} in, or ${text.trim()} mm if that is what is left`,
    );
  return read;
}

/** Thicknesses pasted as a column, one a line; undefined where it is a single one, which any field takes by itself. */
export function pastedColumn(text: string): readonly string[] | undefined {
  const lines = text
    .split(/[\r\n\t]+/)
    .map((line) => line.trim())
    .filter(Boolean);
  return lines.length > 1 ? lines : undefined;
}

/** Where the cursor goes after a reading is kept: along the rail by the step, or down the face in a column and then on. */
export function nextSpot(
  member: Member,
  cursor: Cursor,
  step: { alongMm: number; columnMm: readonly number[] },
): Cursor {
  const at = step.columnMm.findIndex((height) => Math.abs(height - cursor.heightMm) < 1);
  const below = at >= 0 ? step.columnMm[at + 1] : undefined;
  if (below !== undefined) return { ...cursor, heightMm: below };
  const stationMm = Math.min(Math.max(cursor.stationMm + step.alongMm, 0), member.lengthMm);
  return { ...cursor, stationMm, heightMm: step.columnMm[0] ?? cursor.heightMm };
}

/** Heights for reading a face in columns: even, ends an inch (or a sixth) in from the corners, from the top down. */
export function columnHeights(member: Member, face: Cursor['face'], count: number): number[] {
  const widthMm = faceOf(member.shape, face)!.widthMm;
  const inset = Math.min(25.4, widthMm / 6);
  if (count <= 1) return [widthMm / 2];
  return Array.from({ length: count }, (_, k) => widthMm - inset - ((widthMm - 2 * inset) * k) / (count - 1));
}

/** A reading can be taken back at once for this long; older ones, and another's, are struck with a reason. */
const AT_ONCE_MS = 10 * 60 * 1000;

/** The last standing reading of a member, where the same hand kept it just now. */
export function lastToTakeBack(
  readings: readonly Reading[],
  struck: ReadonlySet<string>,
  memberId: string,
  by: string,
  now: number,
): Reading | undefined {
  const last = readings.filter((reading) => reading.memberId === memberId && !struck.has(reading.id)).at(-1);
  return last && last.by === by && now - Date.parse(last.at) < AT_ONCE_MS ? last : undefined;
}

/** The reading nearest a place on its face; along the rail counts a quarter of across. */
export function nearestReading(
  readings: readonly Reading[],
  at: Pick<Reading, 'stationMm' | 'face' | 'heightMm'>,
): Reading | undefined {
  const away = (reading: Reading) =>
    Math.hypot((reading.stationMm - at.stationMm) / 4, reading.heightMm - at.heightMm);
  return readings
    .filter((reading) => reading.face === at.face)
    .reduce<Reading | undefined>((best, each) => (!best || away(each) < away(best) ? each : best), undefined);
}

/** A column as it was pasted: all its readings and where the cursor goes after them, or the first line that will not do. */
export type ColumnOutcome =
  | { readonly ok: true; readonly readings: readonly Reading[]; readonly next: Cursor }
  | { readonly ok: false; readonly reason: string };

/** Reads a pasted column from the cursor on, place after place; all of it is read before any of it may be kept. */
export function readColumn(
  member: Member,
  from: Cursor,
  lines: readonly string[],
  taken: {
    readonly after: (spot: Cursor) => Cursor;
    readonly method: Method;
    readonly system: UnitSystem;
    readonly stamp: () => { id: string; by: string; at: string };
  },
): ColumnOutcome {
  const wrong = (line: number, why: string): ColumnOutcome => ({
    ok: false,
    reason: `line ${line}: ${why}; nothing of the column was kept`,
  });
  const readings: Reading[] = [];
  let at = from;
  for (const [k, thickness] of lines.entries()) {
    const fields = {
      station: `${startsAtMm(member) + at.stationMm}mm`,
      height: `${at.heightMm}mm`,
      thickness,
    };
    const outcome = readEntry(member, at.face, fields, { ...taken, stamp: taken.stamp() });
    if (!outcome.ok) return wrong(k + 1, Object.values(outcome.problems)[0]!);
    readings.push(outcome.reading);
    const next = taken.after(at);
    const isStuck = next.stationMm === at.stationMm && next.heightMm === at.heightMm;
    if (isStuck && k < lines.length - 1) return wrong(k + 2, `it would lie past the end of ${member.name}`);
    at = next;
  }
  return { ok: true, readings, next: at };
}
