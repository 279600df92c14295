import { inchesToMm, type UnitSystem } from '@/core/quantity';
import type { SignDetail } from '@/core/walk';

/** Something found by hand that one touch keeps. */
export interface QuickFind {
  readonly id: string;
  readonly words: string;
  readonly detail: SignDetail;
  /** Bad metal is drawn heavier. */
  readonly bad: boolean;
}

const struck = (
  id: string,
  words: string,
  answer: 'even ring' | 'dull' | 'dead' | 'gave way',
  bad: boolean,
) => ({
  id,
  words,
  detail: { sign: 'struck', tool: 'hammer', answer } as const,
  bad,
});
/** Sizes a hole is called by, half the width of a thumb to two of them. */
const HOLES: Readonly<Record<UnitSystem, readonly (readonly [words: string, acrossMm: number])[]>> = {
  in: [
    ['1/2 in', inchesToMm(1 / 2)],
    ['1 in', inchesToMm(1)],
    ['2 in', inchesToMm(2)],
  ],
  mm: [
    ['12 mm', 12],
    ['25 mm', 25],
    ['50 mm', 50],
  ],
};

/** What hammer, pick and eye find most, worst first; none of them chosen beforehand. */
export const quickFinds = (system: UnitSystem): readonly QuickFind[] => [
  struck('went in', 'Hammer went in', 'gave way', true),
  ...HOLES[system].map(([words, acrossMm]) => ({
    id: `hole ${words}`,
    words: `Hole ${words}`,
    detail: { sign: 'hole', acrossMm } as const,
    bad: true,
  })),
  { id: 'torn', words: 'Torn', detail: { sign: 'out of shape', is: 'torn', offMm: 0 }, bad: true },
  struck('dead', 'Dead note', 'dead', false),
  struck('dull', 'Dull note', 'dull', false),
  { id: 'layers', words: 'Layers part', detail: { sign: 'delamination' }, bad: false },
  {
    id: 'skin',
    words: 'Skin over rust',
    detail: { sign: 'old repair', cover: 'skin over rust' },
    bad: false,
  },
  {
    id: 'loose',
    words: 'Loose',
    detail: { sign: 'fastener', is: 'bolt', state: 'loose', clamps: '' },
    bad: false,
  },
  struck('rings', 'Rings evenly', 'even ring', false),
];
