import { mmToInches, printLength, sixteenths, type UnitSystem } from '@/core/quantity';
import type { SeamType, WorkSeam } from '@/core/shape';

/** How parts are held along a seam, as it is told to who makes it. */
export const SEAM_TYPE_WORDS: Readonly<Record<SeamType, string>> = {
  fillet: 'fillet',
  lap: 'fillet on a lap',
  butt: 'square butt',
  bevel: 'bevel groove, 60° in all, root open 1/16 in (1.6 mm)',
  plug: 'plugs',
  'spots restored': 'spots drilled out, restored as plugs',
  bond: 'bond line',
  screws: 'screws',
  edge: 'edge weld',
};

/** A leg by sixteenths, taken up: nobody is told to lay less than was asked. */
export const legWords = (mm: number, system: UnitSystem): string =>
  system === 'in'
    ? `${sixteenths(Math.ceil(mmToInches(mm) * 16 - 0.01) / 16)} in`
    : printLength(mm, 'mm', 'thickness');

/** One seam of a work in a line. */
export function workSeamWords(seam: WorkSeam, system: UnitSystem): string {
  const { what, type, lengthMm, legMm, count, diameterMm, pitchMm, stitchMm, onBench } = seam;
  const length = (mm: number) => printLength(mm, system, 'length');
  return [
    `${what}: ${SEAM_TYPE_WORDS[type]}`,
    ...(count === undefined
      ? [length(lengthMm)]
      : [
          `${count}${diameterMm === undefined ? '' : ` of Ø ${length(diameterMm)}`}${pitchMm === undefined ? '' : ` at ${length(pitchMm)}`}`,
        ]),
    ...(legMm === undefined ? [] : [`leg ${legWords(legMm, system)}`]),
    ...(stitchMm === undefined ? [] : [`stitches up to ${length(stitchMm)}, here and there`]),
    ...(onBench ? ['on the bench'] : []),
  ].join(', ');
}
