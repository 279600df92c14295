import type { Compared } from '../../order';
import type { GeometryPractice } from '../../reference';
import { keyOfMeasure, type Geometry, type GeometryMeasure } from '../../weigh';

/** How far a thing measured twice moved between, beside what it may; of two things, nothing. */
export function movedBetween(
  { measure: a }: Pick<Geometry, 'measure'>,
  { measure: b }: Pick<Geometry, 'measure'>,
  limits: GeometryPractice,
): Compared[] {
  if (keyOfMeasure(a) !== keyOfMeasure(b)) return [];
  const now = lengthsOf(b, limits);
  const lengths = lengthsOf(a, limits).map(({ mm, name, limitMm }, k) => ({
    name,
    movedMm: Math.abs(now[k]!.mm - mm),
    limitMm,
  }));
  return [...lengths, ...bowMoved(a, b, limits)];
}

interface Length {
  readonly name: string;
  readonly mm: number;
  readonly limitMm: number;
}
function lengthsOf(measure: GeometryMeasure, { sidesMm, diagonalsMm }: GeometryPractice): Length[] {
  if (measure.of === 'wheelbase')
    return [
      { name: 'wheelbase, left', mm: measure.leftMm, limitMm: sidesMm },
      { name: 'wheelbase, right', mm: measure.rightMm, limitMm: sidesMm },
    ];
  if (measure.of === 'diagonals')
    return [
      { name: `${measure.place}, one diagonal`, mm: measure.oneMm, limitMm: diagonalsMm },
      { name: `${measure.place}, the other diagonal`, mm: measure.otherMm, limitMm: diagonalsMm },
    ];
  return [];
}

/** Marks closer along the line than this are one, mm: they are put where they were. */
const SAME_MARK_MM = 1;

/** How the bow of a line changed: what each mark measured both times moved, off the straight between the outermost of them. */
function bowMoved(a: GeometryMeasure, b: GeometryMeasure, { lineShare }: GeometryPractice): Compared[] {
  if (a.of !== 'line' || b.of !== 'line') return [];
  const marks = a.marks
    .flatMap(({ stationMm, offMm }) => {
      const now = b.marks.find((each) => Math.abs(each.stationMm - stationMm) < SAME_MARK_MM);
      return now ? [{ stationMm, byMm: now.offMm - offMm }] : [];
    })
    .sort((one, other) => one.stationMm - other.stationMm);
  if (marks.length < 3) return [];
  const [first, last] = [marks[0]!, marks.at(-1)!];
  const lengthMm = last.stationMm - first.stationMm;
  const moved = marks.map(({ stationMm, byMm }) => {
    const share = (stationMm - first.stationMm) / lengthMm;
    return Math.abs(byMm - first.byMm - share * (last.byMm - first.byMm));
  });
  return [{ name: `line, ${a.direction}`, movedMm: Math.max(...moved), limitMm: lengthMm * lineShare }];
}
