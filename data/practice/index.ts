import {
  DEFAULT_PRACTICE,
  overridesForm,
  overridesOf,
  practiceFor,
  practiceForm,
  practiceWith,
  type Practice,
  type UnitForPractice,
} from '@/core/reference';
import { opened, packed, valueOf, type Body } from '@/core/quantity';
import type { Db } from '../connection';
import type { Stamp } from '../frame';

/** A job's practice with the revision that a change must name, and the revision of the shop's practice that it keeps to. */
export interface PracticeRevision {
  readonly revision: number;
  readonly shopRevision: number;
  readonly practice: Practice;
  /** The shop's practice at that revision, for such a unit, and the number of the shop's newest. */
  readonly shop: Practice;
  readonly shopNewest: number;
  /** Why it differs from its shop, as it was last said. */
  readonly why: string;
  readonly unit: PracticeUnit | undefined;
}

/** The shop's practice as it was at a revision; revision 0 is the product's own defaults. */
function shopPracticeAt(db: Db, revision: number): Practice {
  const row = db
    .prepare<[number], { version: number; practice: string }>(
      'SELECT version, practice FROM shop_practice WHERE revision = ?',
    )
    .get(revision);
  return row
    ? valueOf(opened(practiceForm, { ...(JSON.parse(row.practice) as Body), version: row.version }))
    : DEFAULT_PRACTICE;
}

/** The shop's newest revision: what a job keeps to when it is opened. */
const newestShopRevision = (db: Db): number =>
  db.prepare<[], { newest: number | null }>('SELECT max(revision) AS newest FROM shop_practice').get()!
    .newest ?? 0;

interface Row {
  revision: number;
  shop_revision: number;
  version: number;
  overrides: string;
  why: string;
  unit_kind: string | null;
  unit_duty: string | null;
  unit_gross_kg: number | null;
}

/** What decides which of a shop's legal profiles and load factors hold for a job. */
type PracticeUnit = UnitForPractice;

/** The shop's practice at a revision as it holds for a unit. */
const shopFor = (db: Db, revision: number, unit: PracticeUnit | undefined): Practice =>
  unit ? practiceFor(shopPracticeAt(db, revision), unit) : shopPracticeAt(db, revision);

export function currentPractice(db: Db, jobId: string): PracticeRevision | undefined {
  const row = db
    .prepare<[string], Row>(
      'SELECT revision, shop_revision, version, overrides, why, unit_kind, unit_duty, unit_gross_kg FROM job_practice WHERE job_id = ? ORDER BY revision DESC LIMIT 1',
    )
    .get(jobId);
  if (!row) return undefined;
  const overrides = valueOf(
    opened(overridesForm, { ...(JSON.parse(row.overrides) as Body), version: row.version }),
  );
  const unit =
    row.unit_kind !== null && row.unit_duty !== null
      ? { kind: row.unit_kind, duty: row.unit_duty, grossMassKg: row.unit_gross_kg ?? undefined }
      : undefined;
  const shop = shopFor(db, row.shop_revision, unit);
  return {
    revision: row.revision,
    shopRevision: row.shop_revision,
    practice: practiceWith(shop, overrides),
    shop,
    shopNewest: newestShopRevision(db),
    why: row.why,
    unit,
  };
}

/** Writes what a job says otherwise than its shop. A new job keeps to the shop's newest revision. */
export function insertPractice(
  db: Db,
  jobId: string,
  next: {
    readonly revision: number;
    readonly shopRevision?: number;
    /** By the shop alone where none is given. */
    readonly practice?: Practice;
    readonly unit: PracticeUnit | undefined;
    readonly why?: string;
  },
  stamp: Stamp,
): void {
  const shopRevision = next.shopRevision ?? newestShopRevision(db);
  const shop = shopFor(db, shopRevision, next.unit);
  const { version, ...overrides } = packed(overridesForm, overridesOf(shop, next.practice ?? shop));
  db.prepare(
    'INSERT INTO job_practice (job_id, revision, shop_revision, version, overrides, by_whom, at, why, unit_kind, unit_duty, unit_gross_kg) VALUES (@jobId, @revision, @shopRevision, @version, @overrides, @by, @at, @why, @kind, @duty, @grossKg)',
  ).run({
    jobId,
    revision: next.revision,
    shopRevision,
    version,
    overrides: JSON.stringify(overrides),
    why: next.why ?? '',
    kind: next.unit?.kind ?? null,
    duty: next.unit?.duty ?? null,
    grossKg: next.unit?.grossMassKg ?? null,
    ...stamp,
  });
}

/** What a job would be judged by under the shop's newest practice: that, for its unit, with what the job says otherwise. */
export function practiceUnderNewest(
  db: Db,
  jobId: string,
  unit: PracticeUnit,
): { readonly shopRevision: number; readonly practice: Practice } | undefined {
  const current = currentPractice(db, jobId);
  if (!current) return undefined;
  const own = overridesOf(current.shop, current.practice);
  const shopRevision = current.shopNewest;
  return { shopRevision, practice: practiceWith(shopFor(db, shopRevision, unit), own) };
}
