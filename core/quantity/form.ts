import type { z } from 'zod';
import { fail, ok, type Outcome } from './outcome';
import { schemaWords } from './schema-words';

/** A record as it was written down, before its schema has seen it. */
export type Body = Readonly<Record<string, unknown>>;

/**
 * How a kind of record is written down. `version` is today's; `upcasts[n]` turns a body of version n into one of version n + 1, so that whatever
 * was ever kept can still be opened. A body without a version is version 1.
 */
export interface Form<Rec> {
  readonly name: string;
  readonly version: number;
  readonly schema: z.ZodType<Rec>;
  readonly upcasts: Readonly<Record<number, (body: Body) => Body>>;
}

/** A record ready to be kept or sent: it says which version it is. */
export const packed = <Rec extends object>(
  form: Form<Rec>,
  record: Rec,
): Rec & { readonly version: number } => ({
  ...record,
  version: form.version,
});

/** A body of some version in today's shape, unchecked: half-typed records need not be records yet. */
export function lifted<Rec>(form: Form<Rec>, body: Body, version: number): Body {
  let lifting = body;
  for (let from = version; from < form.version; from++) lifting = form.upcasts[from]?.(lifting) ?? lifting;
  return lifting;
}

/**
 * Reads a record of any version that ever was. Fails, naming the first place that is wrong, on what no version allows, and on what a newer
 * program wrote: reading that as today's would lose what it says.
 */
export function opened<Rec>(form: Form<Rec>, raw: unknown): Outcome<Rec> {
  if (raw === null || typeof raw !== 'object') return fail(`this is no ${form.name}`);
  const version = (raw as { version?: unknown }).version ?? 1;
  if (typeof version !== 'number' || !(version >= 1)) return fail(`${form.name}: its version cannot be read`);
  if (version > form.version)
    return fail(
      `this ${form.name} was written by a newer Ossatura (version ${version}; this one reads up to ${form.version})`,
    );
  const parsed = form.schema.safeParse(lifted(form, raw as Body, version), { error: schemaWords });
  if (parsed.success) return ok(parsed.data);
  const issue = parsed.error.issues[0]!;
  return fail(issue.message, issue.path.join('.') || undefined);
}
