import type { LimitSource } from '../reference';

/**
 * What is to be done with a member, and the word for not knowing. *Leave by hand* rests on hammer and finger, and is looked at again sooner.
 * Ascending: the last one present governs.
 */
export const VERDICTS = [
  'Leave',
  'Leave by hand',
  'Watch',
  'Can’t say',
  'Mend',
  'Splice',
  'Renew',
  'Retire',
] as const;
export type Verdict = (typeof VERDICTS)[number];

export const FINDING_CODES = [
  'not-measured',
  'mostly-guessed',
  'section-alone',
  'face-unknown',
  'stands-without',
  'falls-without',
  'area-kept',
  'inertia-kept',
  'modulus-kept',
  'torsion-kept',
  'parted',
  'parted-by-hand',
  'margin-short',
  'margin-enough',
  'edge-not-bracketed',
  'edge-open-between',
  'thin-landing',
  'thin-read',
  'top-flange-gone',
  'both-flanges-gone',
  'crack',
  'crack-end-open',
  'weld-cracked',
  'steel-unknown',
  'steel-presumed',
  'steel-heat-treated',
  'spots-unseen',
  'twin-unseen',
  'looked-failed',
  'looked-doubtful',
  'crack-not-traced',
  'struck-failed',
  'layered-repair',
  'coated-over',
  'fastener',
  'maker-weld',
  'welded-solid',
  'demand-over',
  'demand-over-as-made',
  'demand-over-by-others',
  'demand-near',
  'demand-within',
  'lift-over',
  'pad-cripples',
  'fatigue-range',
  'fatigue-worse',
  'preserved',
  'crack-many',
  'crack-at-weld',
  'critical-zone',
  'cause-known',
  'cause-unknown',
  'carries',
  'plate-end',
  'crack-at-plate-end',
  'failed-again',
  'fastener-grade',
  'zinc-coated',
  'complaint-unexplained',
  'not-straight',
  'straight-undecided',
  'straight',
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];

/** What a number is, so that it can be printed in either unit system. */
export type Quantity = 'fraction' | 'length' | 'thickness' | 'count' | 'stress' | 'force' | 'angle';

/** One reason, as data: the sentence is put together where it is shown. `value` is held against `limit`. */
export interface Finding {
  readonly code: FindingCode;
  readonly verdict: Verdict;
  readonly quantity: Quantity;
  readonly value?: number;
  readonly plusMinus?: number;
  readonly limit?: number;
  readonly source: LimitSource;
  /** What it was found in or at: a load case, a bracket. */
  readonly name?: string;
  /** The same figure for the member as it was made. */
  readonly made?: number;
  /** Members that it rests on and that nobody has looked at. */
  readonly restsOn?: readonly string[];
  readonly at?: { readonly fromMm: number; readonly toMm: number };
  readonly firmness: 'firm' | 'could flip with one more reading' | 'open';
}

/** Used this many times over, a member holds nothing together there: it is parted, not a percentage (our judgement). */
export const PARTED_FROM = 5;

export const severity = (verdict: Verdict): number => VERDICTS.indexOf(verdict);
