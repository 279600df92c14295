import { inchesToMm, ksiToMpa, MM_PER_INCH } from '../quantity';
import type { Source } from './source';

export const BOLT_SOURCE: Source = {
  document: 'SAE J429',
  clause: 'grade marks and strengths',
  fromMemory: true,
};

/** A bolt's grade as its head marks say it. Strengths MPa. */
export interface BoltGrade {
  readonly grade: '2' | '5' | '8' | '8.8' | '10.9';
  readonly marks: number;
  readonly proofMpa: number;
  readonly tensileMpa: number;
  readonly upToMm: number;
}

/** SAE J429 (from memory): no mark grade 2, three radial lines grade 5, six grade 8. The larger sizes of grades 2 and 5 are weaker. */
export const BOLT_GRADES: readonly BoltGrade[] = [
  { grade: '2', marks: 0, proofMpa: ksiToMpa(55), tensileMpa: ksiToMpa(74), upToMm: inchesToMm(3 / 4) },
  { grade: '2', marks: 0, proofMpa: ksiToMpa(33), tensileMpa: ksiToMpa(60), upToMm: inchesToMm(1.5) },
  { grade: '5', marks: 3, proofMpa: ksiToMpa(85), tensileMpa: ksiToMpa(120), upToMm: inchesToMm(1) },
  { grade: '5', marks: 3, proofMpa: ksiToMpa(74), tensileMpa: ksiToMpa(105), upToMm: inchesToMm(1.5) },
  { grade: '8', marks: 6, proofMpa: ksiToMpa(120), tensileMpa: ksiToMpa(150), upToMm: inchesToMm(1.5) },
];

/** ISO 898-1 (from memory): the class stands on the head itself. */
export const METRIC_GRADES: readonly BoltGrade[] = [
  { grade: '8.8', marks: 8.8, proofMpa: 580, tensileMpa: 800, upToMm: 16 },
  { grade: '8.8', marks: 8.8, proofMpa: 600, tensileMpa: 830, upToMm: 39 },
  { grade: '10.9', marks: 10.9, proofMpa: 830, tensileMpa: 1040, upToMm: 39 },
];

/** What stands on the heads of bolts that are bought for a repair: 3 or 6 lines for grades 5 and 8, 8.8 or 10.9 in figures. */
export const BOLT_MARKS = [3, 6, 8.8, 10.9] as const;
export type BoltMarks = (typeof BOLT_MARKS)[number];

/** A bolt of whole millimetres: no inch size is. */
export const isMetricBolt = (diameterMm: number): boolean =>
  Math.abs(diameterMm - Math.round(diameterMm)) < 1e-6;

/** The grade by head marks and size; undefined where the marks belong to no grade of its inches or millimetres, or the bolt is larger than they go. */
export const boltGrade = (marks: number, diameterMm: number): BoltGrade | undefined =>
  diameterMm > 0
    ? (isMetricBolt(diameterMm) ? METRIC_GRADES : BOLT_GRADES).find(
        (each) => each.marks === marks && diameterMm <= each.upToMm + 1e-9,
      )
    : undefined;

/** Unified coarse threads an inch, by nominal diameter in inches (ASME B1.1, from memory). */
export const UNC_THREADS: ReadonlyMap<number, number> = new Map([
  [1 / 4, 20],
  [5 / 16, 18],
  [3 / 8, 16],
  [7 / 16, 14],
  [1 / 2, 13],
  [9 / 16, 12],
  [5 / 8, 11],
  [3 / 4, 10],
  [7 / 8, 9],
  [1, 8],
  [1.125, 7],
  [1.25, 7],
  [1.375, 6],
  [1.5, 6],
]);

/** A metric bolt with coarse thread: pitch (ISO 261), nut (ISO 4032, style 1), plain washer (ISO 7089), hole (EN 1090-2, normal round). mm, from memory. */
export interface MetricBolt {
  readonly pitchMm: number;
  readonly nutMm: number;
  readonly washerMm: number;
  readonly holeMm: number;
}
export const METRIC_BOLTS: ReadonlyMap<number, MetricBolt> = new Map([
  [6, { pitchMm: 1, nutMm: 5.2, washerMm: 1.6, holeMm: 7 }],
  [8, { pitchMm: 1.25, nutMm: 6.8, washerMm: 1.6, holeMm: 9 }],
  [10, { pitchMm: 1.5, nutMm: 8.4, washerMm: 2, holeMm: 11 }],
  [12, { pitchMm: 1.75, nutMm: 10.8, washerMm: 2.5, holeMm: 13 }],
  [14, { pitchMm: 2, nutMm: 12.8, washerMm: 2.5, holeMm: 15 }],
  [16, { pitchMm: 2, nutMm: 14.8, washerMm: 3, holeMm: 18 }],
  [20, { pitchMm: 2.5, nutMm: 18, washerMm: 3, holeMm: 22 }],
  [24, { pitchMm: 3, nutMm: 21.5, washerMm: 4, holeMm: 26 }],
  [30, { pitchMm: 3.5, nutMm: 25.6, washerMm: 4, holeMm: 33 }],
]);
export const metricBolt = (diameterMm: number): MetricBolt | undefined =>
  isMetricBolt(diameterMm) ? METRIC_BOLTS.get(Math.round(diameterMm)) : undefined;

/**
 * Tensile stress area, mm²: 0.7854 (D − 0.9743/n)² in inches (ASME B1.1), 0.7854 (d − 0.9382 p)² in millimetres (ISO 898-1). Undefined for a diameter
 * that is no coarse size.
 */
export function tensileStressAreaMm2(diameterMm: number): number | undefined {
  if (isMetricBolt(diameterMm)) {
    const metric = metricBolt(diameterMm);
    return metric && 0.7854 * (diameterMm - 0.9382 * metric.pitchMm) ** 2;
  }
  const inches = diameterMm / MM_PER_INCH;
  const size = [...UNC_THREADS.keys()].find((each) => Math.abs(each - inches) < 0.01);
  return size === undefined
    ? undefined
    : 0.7854 * (size - 0.9743 / UNC_THREADS.get(size)!) ** 2 * MM_PER_INCH ** 2;
}

export function proofLoadN(marks: number, diameterMm: number): number | undefined {
  const [grade, area] = [boltGrade(marks, diameterMm), tensileStressAreaMm2(diameterMm)];
  return grade && area !== undefined ? grade.proofMpa * area : undefined;
}
