import type { Source } from '../../reference';
import { COMMON_PRACTICE } from '../../reference';

/** What a frame's geometry is measured with. */
export const INSTRUMENTS = [
  'tape',
  'trammel',
  'laser distance',
  'plumbed to the floor',
  'laser line',
  'string',
  'straightedge',
  'angle finder',
  'spirit level',
] as const;
export type Instrument = (typeof INSTRUMENTS)[number];

/** How exactly an instrument reads, two standard deviations. `perMetre` is its scale's error: the same on both sides of one unit. */
interface Reads {
  readonly mm?: number;
  readonly perMetreMm?: number;
  readonly degrees?: number;
  readonly source: Source;
}

/** Class II: 0.3 mm and 0.2 mm for every metre begun; what hook, hole centre and eye add is common practice. */
const TAPE: Source = {
  document: 'Directive 2014/32/EU, annex X (MI-008), class II: 0.3 + 0.2 L mm; 1 mm more for hook and eye',
  fromMemory: true,
};
const READS: Readonly<Record<Instrument, Reads>> = {
  tape: { mm: 1.3, perMetreMm: 0.2, source: TAPE },
  trammel: { mm: 0.7, source: COMMON_PRACTICE },
  'laser distance': { mm: 2, source: COMMON_PRACTICE },
  'plumbed to the floor': { mm: 2, perMetreMm: 0.2, source: COMMON_PRACTICE },
  'laser line': { mm: 0.7, source: COMMON_PRACTICE },
  string: { mm: 1.5, source: COMMON_PRACTICE },
  straightedge: { mm: 0.4, source: COMMON_PRACTICE },
  'angle finder': { degrees: 0.1, source: COMMON_PRACTICE },
  'spirit level': { degrees: 0.06, source: COMMON_PRACTICE },
};

export const instrumentSource = (instrument: Instrument): Source => READS[instrument].source;
/** Instruments that read lengths, and those that read angles. */
export const readsLengths = (instrument: Instrument): boolean => READS[instrument].mm !== undefined;
export const readsAngles = (instrument: Instrument): boolean => READS[instrument].degrees !== undefined;

/** One reading's own error, mm, whatever its length. */
export const readingErrorMm = (instrument: Instrument): number => READS[instrument].mm ?? 0;
/** A length's whole error, mm: for comparing it with a figure from elsewhere. A scale's error grows by every metre begun. */
export const lengthErrorMm = (instrument: Instrument, lengthMm: number): number =>
  readingErrorMm(instrument) + (READS[instrument].perMetreMm ?? 0) * Math.ceil(lengthMm / 1000);
/** The error of a difference of two lengths read with one instrument, mm: its scale's error cancels but over what they differ by. */
export const differenceErrorMm = (instrument: Instrument, oneMm: number, otherMm: number): number =>
  Math.SQRT2 * readingErrorMm(instrument) +
  (READS[instrument].perMetreMm ?? 0) * (Math.abs(oneMm - otherMm) / 1000);
export const angleErrorDeg = (instrument: Instrument): number => READS[instrument].degrees ?? 0;
