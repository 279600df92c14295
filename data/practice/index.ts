import {
  DEFAULT_PRACTICE,
  overridesForm,
  overridesOf,
  practiceForm,
  practiceWith,
  type Practice,
} from '@/core/reference';
import { opened, packed, valueOf, type Body } from '@/core/quantity';
import type { Db } from '../connection';
import type { Stamp } from '../frame';

/** A job's practice with the revision that a change must name, and the revision of the shop's practice that it keeps to. */
export interface PracticeRevision {
  readonly revision: number;
  readonly shopRevision: number;
  readonly practice: Practice;
  /** The shop's practice at that revision, and the shop's newest one's. */
  readonly shop: Practice;
  readonly shopNewest: number;
  /** Why it differs from its shop, as it was last said. */
  readonly why: string;
}

/** The shop's practice as it was at a revision; revision 0 is the product's own defaults. */
export function shopPracticeAt(db: Db, revision: number): Practice {
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
export const newestShopRevision = (db: Db): number =>
  db.prepare<[], { newest: number | null }>('SELECT max(revision) AS newest FROM shop_practice').get()!
    .newest ?? 0;

interface Row {
  revision: number;
  shop_revision: number;
  version: number;
  overrides: string;
  why: string;
}

export function currentPractice(db: Db, jobId: string): PracticeRevision | undefined {
  const row = db
    .prepare<[string], Row>(
      'SELECT revision, shop_revision, version, overrides, why FROM job_practice WHERE job_id = ? ORDER BY revision DESC LIMIT 1',
    )
    .get(jobId);
  if (!row) return undefined;
  const overrides = valueOf(
    opened(overridesForm, { ...(JSON.parse(row.overrides) as Body), version: row.version }),
  );
  const shop = shopPracticeAt(db, row.shop_revision);
  return {
    revision: row.revision,
    shopRevision: row.shop_revision,
    practice: practiceWith(shop, overrides),
    shop,
    shopNewest: newestShopRevision(db),
    why: row.why,
  };
}

/** Writes what a job says otherwise than its shop. A new job keeps to the shop's newest revision. */
export function insertPractice(
  db: Db,
  jobId: string,
  next: {
    readonly revision: number;
    readonly shopRevision?: number;
    readonly practice: Practice;
    readonly why?: string;
  },
  stamp: Stamp,
): void {
  const shopRevision = next.shopRevision ?? newestShopRevision(db);
  const { version, ...overrides } = packed(
    overridesForm,
    overridesOf(shopPracticeAt(db, shopRevision), next.practice),
  );
  db.prepare(
    'INSERT INTO job_practice (job_id, revision, shop_revision, version, overrides, by_whom, at, why) VALUES (@jobId, @revision, @shopRevision, @version, @overrides, @by, @at, @why)',
  ).run({
    jobId,
    revision: next.revision,
    shopRevision,
    version,
    overrides: JSON.stringify(overrides),
    why: next.why ?? '',
    ...stamp,
  });
}
