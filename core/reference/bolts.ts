import { inchesToMm, ksiToMpa, MM_PER_INCH } from '../quantity';
import type { Source } from './source';

export const BOLT_SOURCE: Source = {
  document: 'SAE J429',
  clause: 'grade marks and strengths',
  fromMemory: true,
};

/** A bolt's grade as its head marks say it. Strengths MPa. */
export interface BoltGrade {
  readonly grade: '2' | '5' | '8';
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

/** The grade by head marks and size; undefined where the marks belong to no inch grade or the bolt is over 1 1/2 in. */
export const boltGrade = (marks: number, diameterMm: number): BoltGrade | undefined =>
  diameterMm > 0
    ? BOLT_GRADES.find((each) => each.marks === marks && diameterMm <= each.upToMm + 1e-9)
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

/** Tensile stress area, mm²: 0.7854 (D − 0.9743/n)² in inches (ASME B1.1). Undefined for a diameter that is no coarse size. */
export function tensileStressAreaMm2(diameterMm: number): number | undefined {
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
