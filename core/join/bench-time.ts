import type { WeldLine, WeldPosition } from './weld-line';

/** Welding against gravity, or where nobody sees, takes so many times the hours of welding flat (common practice, no source). */
const TAKES: Readonly<Record<WeldPosition, number>> = {
  flat: 1,
  horizontal: 1.15,
  vertical: 1.5,
  overhead: 2,
};
const POOR_ACCESS_TAKES = 1.5;
/** Tacked, marked, taken off and put back, a plate (common practice, no source), h. */
const OFF_AND_BACK: readonly [number, number] = [0.5, 1.5];

export interface BenchTime {
  readonly onVehicle: readonly [least: number, most: number];
  readonly onBench: readonly [least: number, most: number];
}

/** Hours of a repair's seams on the vehicle as they lie, and on the bench, all flat, with what taking each plate off and putting it back adds. */
export function benchTime(
  lines: readonly WeldLine[],
  pieces: number,
  { weldPerMetre: [least, most] }: { readonly weldPerMetre: readonly [number, number] },
): BenchTime {
  const metres = (of: (line: WeldLine) => number) =>
    lines
      .filter(({ kind, leftOpen }) => kind === 'fillet' && leftOpen === undefined)
      .reduce((sum, line) => sum + (line.lengthMm / 1000) * of(line), 0);
  const there = metres(
    ({ position, access }) => TAKES[position] * (access === 'poor' ? POOR_ACCESS_TAKES : 1),
  );
  const flat = metres(() => 1);
  return {
    onVehicle: [there * least, there * most],
    onBench: [flat * least + pieces * OFF_AND_BACK[0], flat * most + pieces * OFF_AND_BACK[1]],
  };
}
