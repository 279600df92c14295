import { z } from 'zod';
import { inchesToMm, poundsToKg } from '../quantity';
import type { Source } from './source';

/** Where a legal profile's rules stand. */
export const LEGAL_BASES = ['us', 'uk', 'own'] as const;
export type LegalBasis = (typeof LEGAL_BASES)[number];

/**
 * What a place's rules ask of a frame and of work on it, as far as this product minds it. Always under local code and licensed practice: a shop
 * copies one to make its own.
 */
export const legalSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1).max(80),
  basis: z.enum(LEGAL_BASES),
  /** Flanges between the axles are not cut or notched but as the maker says. */
  flangesUncut: z.boolean(),
  /** No holes in flanges but as the maker says. */
  flangesUndrilled: z.boolean(),
  /** Welding on the frame only as the maker allows. */
  weldAsMaker: z.boolean(),
  /** Patches welded all round, no gaps. */
  seamsContinuous: z.boolean(),
  /** Who welds has a paper on record that says so. */
  welderQualified: z.boolean().optional(),
  /** How long somebody watches after hot work, minutes; absent: the longer of the two published ones. */
  watchMin: z.number().int().gte(30, 'half an hour at the least').lte(480).optional(),
  /** Metal is looked at this far round a mount. */
  reachMm: z.number().gte(50).lte(1000).optional(),
  /** Kinds and uses of unit it is meant for, by their names; empty: any. */
  kinds: z.array(z.string().min(1).max(40)).max(20),
  uses: z.array(z.string().min(1).max(40)).max(20),
  /** From this gross mass on, kg; a unit whose mass nobody gave counts as over, and a towed one: what tows it counts with it. */
  fromKg: z.number().gt(0).lt(100_000).optional(),
});
export type Legal = z.infer<typeof legalSchema>;

/** NFPA 51B asks for an hour since its 2019 edition; OSHA 1910.252(a)(2)(iii)(B) for half an hour. */
const WATCH_MIN = 60;
export const WATCH_SOURCE: Source = {
  document: 'NFPA 51B (2019 on): 60 min; 29 CFR 1910.252(a)(2)(iii)(B): 30 min',
  fromMemory: true,
};
export const watchMinutes = ({ watchMin = WATCH_MIN }: Pick<Legal, 'watchMin'>): number => watchMin;

const NONE: Legal = {
  id: 'none',
  name: 'None named: common practice',
  basis: 'own',
  flangesUncut: false,
  flangesUndrilled: false,
  weldAsMaker: false,
  seamsContinuous: false,
  kinds: [],
  uses: [],
};
/** 49 CFR 393.201 (from memory): (c) flanges, (d) welding, (e) holes. It is written for commercial vehicles: 390.5, 10,001 lb and more, alone or as a combination. */
const US_COMMERCIAL: Legal = {
  ...NONE,
  id: 'us-commercial',
  name: 'US federal, commercial vehicles (49 CFR 393.201)',
  basis: 'us',
  flangesUncut: true,
  flangesUndrilled: true,
  weldAsMaker: true,
  reachMm: inchesToMm(12),
  kinds: ['truck', 'trailer', 'motorhome'],
  uses: ['work', 'towing'],
  fromKg: poundsToKg(10_001),
};
/** The UK inspection manual (from memory): patches seam-welded all round; a prescribed area of 300 mm round a mounting. */
const UK_INSPECTION: Legal = {
  ...NONE,
  id: 'uk-inspection',
  name: 'UK, inspection manual',
  basis: 'uk',
  seamsContinuous: true,
  reachMm: 300,
};
export const SHIPPED_LEGAL = [NONE, US_COMMERCIAL, UK_INSPECTION] as const;

/** The profiles a shop goes by, and which of them: one by name, or by what kind of unit it is and what it is used for. */
export const shopLegalSchema = z
  .object({
    profiles: z.array(legalSchema).min(1).max(20),
    chosen: z.string().min(1).max(40),
  })
  .refine(
    ({ profiles, chosen }) => profiles.some(({ id }) => id === chosen),
    'the profile chosen is not there',
  )
  .refine(
    ({ profiles }) => new Set(profiles.map(({ id }) => id)).size === profiles.length,
    'two profiles have one name',
  );
export type ShopLegal = z.infer<typeof shopLegalSchema>;
export const DEFAULT_LEGAL: ShopLegal = { profiles: [...SHIPPED_LEGAL], chosen: 'us-commercial' };

export const legalOf = ({ profiles, chosen }: ShopLegal): Legal =>
  profiles.find(({ id }) => id === chosen) ?? profiles[0]!;

/** What of a unit decides how it is judged. */
export interface UnitForPractice {
  readonly kind: string;
  readonly duty: string;
  readonly grossMassKg?: number | undefined;
}
/** Kinds that something tows. */
const TOWED = ['trailer', 'travel trailer', 'gooseneck'];
const isOfClass = ({ kind, grossMassKg }: UnitForPractice, fromKg: number | undefined): boolean =>
  fromKg === undefined || grossMassKg === undefined || grossMassKg >= fromKg || TOWED.includes(kind);

/** The profile for a unit: the chosen one where it is meant for it, else the first that is. */
export function legalFor(legal: ShopLegal, unit: UnitForPractice): string {
  const isFor = ({ kinds, uses, fromKg }: Legal) =>
    (kinds.length === 0 || kinds.includes(unit.kind)) &&
    (uses.length === 0 || uses.includes(unit.duty)) &&
    isOfClass(unit, fromKg);
  const chosen = legalOf(legal);
  return isFor(chosen) ? chosen.id : (legal.profiles.find(isFor) ?? chosen).id;
}

export const LEGAL_SOURCES: Readonly<Record<LegalBasis, Source>> = {
  us: { document: '49 CFR 393.201', fromMemory: true },
  uk: { document: 'UK inspection manual, structure and attachments', fromMemory: true },
  own: { document: 'Common practice, or the shop’s own profile' },
};
