import { pathLength, type Point } from '../../geometry';
import { developedWidthMm, isClosed, midlinePoint, faceAtU, onSheet, type MemberShape } from '../../frame';
import { inchesToMm } from '../../quantity';
import type { WeldLine } from '../weld-line';

/** A stretch of weld laid in one go, from `path[0]` to its last point, on the unrolled wall (station, u). */
export interface WeldRun {
  /** The line's key and which of its runs, counted from the line's first point: `p upper edge 1 #3`. */
  readonly id: string;
  readonly seam: string;
  /** What stands beside the line on the steel: A1. */
  readonly mark: string;
  readonly nth: number;
  readonly path: readonly Point[];
  readonly lengthMm: number;
  /** Laid metal, mm³. */
  readonly volumeMm3: number;
  /** The thinner part's thickness: what heat spreads in. */
  readonly thicknessMm: number;
  /** Where it lies in the section, mm. */
  readonly at: readonly [x: number, y: number];
}

/** A continuous seam is laid in steps about so long (common practice, no source: 3 to 6 in back-steps); in sheet in stitches of 1 in. */
const STEP_MM = inchesToMm(4);
const SHEET_STEP_MM = inchesToMm(1);
const SHEET_TO_MM = inchesToMm(1 / 8) - 0.05;
/** More runs than this nobody follows at the rail: they are made longer. */
export const MOST_RUNS = 240;

/** What of a repair's lines is welded, as runs; lines left open on purpose have none. `plateMm`: of the piece a line is on. */
export function weldRuns(
  shape: MemberShape,
  lines: readonly WeldLine[],
  plateMm: (pieceId: string) => number,
): WeldRun[] {
  const laid = lines.filter(({ leftOpen }) => leftOpen === undefined);
  const stepOf = (line: WeldLine) =>
    line.style === 'continuous' ? continuousStepMm(line, plateMm(line.pieceId)) : line.runs!.lengthMm;
  const counted = laid.reduce((sum, line) => sum + countOf(line, stepOf(line)), 0);
  const longer = Math.max(1, counted / MOST_RUNS);
  return laid.flatMap((line) => {
    const thicknessMm = Math.max(0.3, Math.min(line.wallMm || Infinity, plateMm(line.pieceId)));
    return line.plugs
      ? plugRuns(shape, line, plateMm(line.pieceId), thicknessMm)
      : lineRuns(shape, line, stepOf(line) * (line.style === 'skip' ? 1 : longer), thicknessMm);
  });
}

const continuousStepMm = ({ wallMm }: WeldLine, plateMm: number): number =>
  Math.min(wallMm, plateMm) < SHEET_TO_MM ? SHEET_STEP_MM : STEP_MM;

const countOf = (line: WeldLine, stepMm: number): number =>
  line.plugs
    ? line.plugs.count
    : line.style === 'skip'
      ? skipCount(line)
      : Math.max(1, Math.round(line.lengthMm / stepMm));

const skipCount = ({ lengthMm, runs }: WeldLine): number =>
  Math.max(1, Math.floor((lengthMm - runs!.lengthMm) / runs!.pitchMm) + 1);

function lineRuns(shape: MemberShape, line: WeldLine, stepMm: number, thicknessMm: number): WeldRun[] {
  const whole = pathLength(line.path);
  const isSkip = line.style === 'skip';
  const count = countOf(line, stepMm);
  const [longMm, pitchMm] = isSkip
    ? [Math.min(line.runs!.lengthMm, whole), line.runs!.pitchMm]
    : [whole / count, whole / count];
  return Array.from({ length: count }, (_, k): WeldRun => {
    const along = pathBetween(line.path, k * pitchMm, Math.min(whole, k * pitchMm + longMm));
    // Back-step: each run towards the middle of its line, so that it runs onto metal not yet shrunk from a cold edge.
    const path = k < count / 2 ? along : [...along].reverse();
    return {
      ...runBase(shape, line, k, path),
      lengthMm: longMm,
      volumeMm3: (line.legMm ** 2 / 2) * longMm,
      thicknessMm,
    };
  });
}

const plugRuns = (shape: MemberShape, line: WeldLine, plateMm: number, thicknessMm: number): WeldRun[] =>
  line.path.map((point, k) => ({
    ...runBase(shape, line, k, [point]),
    lengthMm: 0,
    volumeMm3: ((Math.PI * line.plugs!.diameterMm ** 2) / 4) * plateMm,
    thicknessMm,
  }));

function runBase(shape: MemberShape, line: WeldLine, k: number, path: readonly Point[]) {
  const u = onSheet(shape, middleOf(path)[1]);
  return {
    id: `${line.key} #${k + 1}`,
    seam: line.key,
    mark: line.id,
    nth: k + 1,
    path,
    at: midlinePoint(shape, faceAtU(shape, u), u),
  };
}

/** Halfway along a course, whichever way it is laid. */
function middleOf(path: readonly Point[]): Point {
  const halfMm = pathLength(path) / 2;
  return pathBetween(path, halfMm, halfMm)[0] ?? path[0]!;
}

/** The part of a course between two distances along it. */
export function pathBetween(path: readonly Point[], fromMm: number, toMm: number): Point[] {
  const out: Point[] = [];
  let gone = 0;
  for (let k = 1; k < path.length; k++) {
    const [a, b] = [path[k - 1]!, path[k]!];
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const at = (mm: number): Point => {
      const share = long > 0 ? Math.min(1, Math.max(0, (mm - gone) / long)) : 0;
      return [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share];
    };
    if (gone + long >= fromMm - 1e-9 && gone <= toMm + 1e-9) {
      if (out.length === 0) out.push(at(fromMm));
      out.push(at(toMm));
    }
    gone += long;
  }
  return out;
}

/** Squared distance on the wall between two places, the shorter way round a closed section. */
export function squareApart(shape: MemberShape): (a: Point, b: Point) => number {
  const round = isClosed(shape) ? developedWidthMm(shape) : Infinity;
  return ([s1, u1], [s2, u2]) => {
    const across = Math.abs(u1 - u2) % round;
    const shorter = Math.min(across, round - across);
    return (s1 - s2) ** 2 + shorter ** 2;
  };
}
