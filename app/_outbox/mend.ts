import { lengthDigits, parseLengthMm, type Outcome, type UnitSystem } from '@/core/quantity';
import type { Contents, Draft, Parcel } from './parcel';

/** One thing a record says that can be put right by hand. */
export interface Mendable {
  /** Its place in the record, as a refusal names it. */
  readonly path: string;
  readonly label: string;
  readonly kind: 'length' | 'thickness' | 'words';
  readonly value: number | string;
}

/** Said in words by whoever recorded it. */
const WORDS = new Set(['note', 'why', 'words', 'caption']);
const THICKNESS = /thickness|leg|wall/i;

const labelOf = (key: string): string =>
  // As it is kept: which member it is on, and so where that begins, is not known here.
  key === 'stationMm'
    ? 'from the member’s own end'
    : key
        .replace(/Mm$/, '')
        .replace(/([A-Z])/g, ' $1')
        .toLowerCase();

/** What can be mended in a parcel: every length and every remark, wherever it stands. What a record is about, and by whom, is not for mending. */
export function mendables(parcel: Pick<Parcel, 'body'>): Mendable[] {
  const found: Mendable[] = [];
  const walk = (value: unknown, path: readonly string[]): void => {
    if (value === null || typeof value !== 'object') return;
    for (const [key, each] of Object.entries(value)) {
      const at = [...path, key];
      const place = { path: at.join('.'), label: labelOf(key) };
      if (typeof each === 'number' && key.endsWith('Mm'))
        found.push({ ...place, kind: THICKNESS.test(key) ? 'thickness' : 'length', value: each });
      else if (typeof each === 'string' && WORDS.has(key))
        found.push({ ...place, kind: 'words', value: each });
      else walk(each, at);
    }
  };
  walk(parcel.body, []);
  return found;
}

/** What stands in the field of a thing to mend. */
export const typed = ({ kind, value }: Mendable, system: UnitSystem): string =>
  typeof value === 'string' || kind === 'words' ? String(value) : lengthDigits(value, system, kind);

/** The parcel with what was typed in place of what it said; a field left as it was shown keeps its full figure. */
export function mended(
  parcel: Parcel,
  entries: Readonly<Record<string, string>>,
  { system, newId }: { readonly system: UnitSystem; readonly newId?: string },
): Outcome<Draft> {
  const body = structuredClone(parcel.body) as Record<string, unknown>;
  for (const field of mendables(parcel)) {
    const entry = entries[field.path];
    if (entry === undefined || entry === typed(field, system)) continue;
    const read = field.kind === 'words' ? { ok: true as const, value: entry } : parseLengthMm(entry, system);
    if (!read.ok) return { ok: false, reason: `${field.label}: ${read.reason}`, at: field.path };
    put(body, field.path.split('.'), read.value);
  }
  const contents = { ...parcel, body: newId === undefined ? body : withId(body, newId) } as Contents;
  return { ok: true, value: { ...contents, id: newId ?? parcel.id, jobId: parcel.jobId } };
}

function put(body: Record<string, unknown>, [key, ...rest]: readonly string[], value: unknown): void {
  if (rest.length === 0) body[key!] = value;
  else put(body[key!] as Record<string, unknown>, rest, value);
}

/** A record whose id stands for other facts on the server goes under a new one. */
function withId(body: Record<string, unknown>, id: string): Record<string, unknown> {
  if (Array.isArray(body.evidence))
    return { evidence: body.evidence.map((each: object) => ({ ...each, id })) };
  return 'changeId' in body ? { ...body, changeId: id } : { ...body, id };
}
