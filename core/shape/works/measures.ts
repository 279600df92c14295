import { BOLT_MARKS, proofLoadN, type BoltMarks } from '../../reference';
import type { Measure, Measures } from './work';

export const length = (key: string, start: Measure['start'], least = 1, most = 5000): Measure => ({
  key,
  as: 'length',
  start,
  least,
  most,
});
/** A place along the member, from its own start; told from the datum. */
export const station = (key: string, start: Measure['start'], most = 40_000): Measure => ({
  key,
  as: 'station',
  start,
  least: 0,
  most,
});
export const thickness = (key: string, start: Measure['start'], least = 0.4, most = 40): Measure => ({
  key,
  as: 'thickness',
  start,
  least,
  most,
});
export const count = (key: string, start: number, least = 1, most = 200): Measure => ({
  key,
  as: 'count',
  start: () => start,
  least,
  most,
});
export const load = (): Measure => ({
  key: 'loadKg',
  as: 'mass',
  start: ({ loadKg }) => loadKg,
  least: 0,
  most: 30_000,
});
export const choice = (key: string, options: readonly string[], start = 0): Measure => ({
  key,
  as: 'choice',
  start: () => start,
  least: 0,
  most: options.length - 1,
  options,
});

/** Head marks of a work's bolts, in the order in which they are kept by their number. */
export const boltMarks = (start: 0 | 1 = 0): Measure =>
  choice('marks', ['3 marks, grade 5', '6 marks, grade 8', 'class 8.8, metric', 'class 10.9, metric'], start);
export const marksOf = (of: Measures): BoltMarks => BOLT_MARKS[of.marks!] ?? BOLT_MARKS[0];
/** No such bolt is made: no coarse size, or marks of the other measure. */
export const isNoBolt = (of: Measures): boolean => proofLoadN(marksOf(of), of.boltMm!) === undefined;
