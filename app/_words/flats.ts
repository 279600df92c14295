import { lengthDigits, printLength, type UnitSystem } from '@/core/quantity';
import {
  blankFigures,
  type Blank,
  type BlankBend,
  type BlankHole,
  type FlatFinding,
  type FlatFindingCode,
} from '@/core/shape';
import type { Say, Words } from './finding';
import { ownSystem } from './shape';

/** What a brake or a table would say of a flat, in words. */
const FLAT_WORDS: Readonly<Record<FlatFindingCode, Say<FlatFinding>>> = {
  'radius-tight': (f, s) => ({
    title: `Bent tighter than this steel bears: ${printLength(f.value!, s, 'thickness')}`,
    detail: `at least ${printLength(f.limit!, s, 'thickness')} inside, across the rolling direction; half as much again along it`,
    change: 'a wider die, under How it is judged',
  }),
  'corner-stands-off': (f, s) => ({
    title: `Stands off its rail at the corner by ${printLength(f.value!, s, 'thickness')}`,
    detail: `its bend is wider than the corner it goes round, taken as two walls; a gap of ${printLength(f.limit!, s, 'thickness')} can be welded`,
    change: 'measure the corner; a smaller radius if the steel bears it, or grind',
  }),
  'leg-short': (f, s) => ({
    title: `A leg of ${printLength(f.value!, s, 'length')} is too short for a brake to hold`,
    detail: `at least ${printLength(f.limit!, s, 'length')} over the outside`,
    change: 'bend it longer and trim, or a higher edge',
  }),
  'hole-near-bend': (f, s) => ({
    title: `A hole ${f.value! < 0 ? 'lies in a bend' : `stands ${printLength(f.value!, s, 'thickness')} from a bend`}`,
    detail: `nearer than ${printLength(f.limit!, s, 'thickness')} it is drawn out of round`,
    change: 'drill it after bending',
  }),
  'bend-relieved': () => ({
    title: 'A notch goes on past its bend',
    detail: 'one that stops in a bend leaves a strip that tears',
    change: 'nothing, where it passes what it was cut for',
  }),
  rolled: () => ({
    title: 'Rolled, not bent',
    detail: 'its width is the circle through the middle of its own wall',
    change: 'roll it round the tube, or a pipe of its size',
  }),
};
export const flatFindingWords = (finding: FlatFinding, system: UnitSystem): Words =>
  FLAT_WORDS[finding.code](finding, system);

/** A flat by its name and where it lies: two of one form are told apart. */
export function blankTitle({ name, place }: Pick<Blank, 'name' | 'place'>, system: UnitSystem): string {
  const [first, last] = [place?.ticks[0], place?.ticks[place.ticks.length - 1]];
  if (!first || !last) return name;
  const [from, to] = [first, last].map(({ stationMm }) => lengthDigits(stationMm, system, 'length'));
  return `${name}, ${from} to ${to} ${system}`;
}

/** An outline taken from an opening, as a line of the work order. */
export function outlineLine(blank: Blank, system: UnitSystem): string {
  const { lengthMm, widthMm } = blankFigures(blank);
  const [long, wide] = [lengthMm, widthMm].map((mm) => printLength(mm, system, 'length'));
  return `Cut from its own outline: ${blank.name}, ${long} by ${wide} of ${printLength(blank.thicknessMm, system, 'thickness')}; ${blank.for.toLowerCase()}`;
}

const HOLE_WORDS: Readonly<Record<BlankHole['purpose'], string>> = {
  drain: 'drains',
  'plug weld': 'plug holes',
  'kept hole': 'holes of the maker’s kept open',
  bolt: 'bolt holes',
  hole: 'holes',
};

/** Holes of a blank, a line a purpose. */
export const holeLines = ({ holes }: Blank, system: UnitSystem): string[] =>
  (Object.keys(HOLE_WORDS) as BlankHole['purpose'][]).flatMap((purpose) => {
    const some = holes.filter((hole) => hole.purpose === purpose);
    if (some.length === 0) return [];
    const drilled = (mm: number) => (purpose === 'bolt' ? ownSystem(mm, system) : system);
    const sizes = [...new Set(some.map(({ cutMm }) => printLength(cutMm, drilled(cutMm), 'length')))].join(
      ' and ',
    );
    const flared = some[0]!.flaredMm;
    return [
      `${some.length} ${HOLE_WORDS[purpose]}, ${flared === undefined ? '' : 'cut '}Ø ${sizes}${flared === undefined ? '' : `, edges turned down ${printLength(some[0]!.lipMm ?? 0, system, 'length')} to Ø ${printLength(flared, system, 'length')}`}`,
    ];
  });

/** A bend for whoever stands at the brake: its lines from the edge it is nearer to. */
export function bendLine({ from, to, ...bend }: BlankBend, k: number, system: UnitSystem): string {
  const isAlong = Math.abs(to[0] - from[0]) >= Math.abs(to[1] - from[1]);
  const middle = isAlong ? from[1] : from[0];
  const [one, other] = [middle - bend.halfWidthMm, middle + bend.halfWidthMm].map((mm) =>
    lengthDigits(mm, system, 'thickness'),
  );
  return `Bend ${k + 1}: ${Math.round((bend.angleRad * 180) / Math.PI)}° ${bend.way}, between lines ${one} and ${other} ${system} from the ${isAlong ? 'lower' : 'left'} edge; inside radius ${printLength(bend.insideRadiusMm, system, 'thickness')}, allowance ${printLength(bend.allowanceMm, system, 'thickness')}`;
}
