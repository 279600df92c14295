import { inchesToMm as inch, STANDARD_GRAVITY } from '../../quantity';
import { over, under, when } from './findings';
import { aboutHost } from './footing';
import { loadUnchecked } from './loads';
import { choice, length, load, thickness } from './measures';
import { fillet, fromShelf, unlessWelded, wallOf } from './metal';
import { isAt, isOfRole } from './places';
import { filletSeam } from './seam';
import type { WorkForm } from './work';

/** Legs plumb and alike within this, mm a metre of their length and between both (common practice, no source). */
const PLUMB = 3 / 1000;
const ALIKE_MM = 3;

/** A trailer set down hard on its legs: twice what stands on them (our judgement). */
const setDownN = (loadKg: number): number => 2 * STANDARD_GRAVITY * loadKg;

const ASKS = [
  'nose on stands, brace off',
  'plates that are kept are marked',
  'cut, gouge, grind to the old weld marks',
  'first plate clamped and tacked',
  'cross shaft in',
  'second plate fitted with the legs bolted on',
  'both legs equal and plumb',
  'weld it all round',
  'cranked up and down under load',
];

/** A bent landing-leg structure: old plates cut off and ground to their weld marks, the second plate fitted with the legs bolted on. */
export const legStructure: WorkForm = {
  id: 'leg structure',
  whyNot: (place) =>
    isAt(place, 'landing leg') || isOfRole(place, 'leg') ? unlessWelded(place) : 'not at such a place',
  measures: [
    length('plateLongMm', () => inch(12), 20, 1500),
    length('plateHighMm', () => inch(10), 20, 1500),
    thickness('thicknessMm', (place) => fromShelf(place, inch(1 / 4))),
    length('legLongMm', ({ made }) => made.drop ?? inch(30), 100, 3000),
    length('outOfPlumbMm', () => 0, 0, 500),
    length('unlikeMm', () => 0, 0, 500),
    choice('shaft', ['in before the second plate closes', 'not in yet']),
    choice('fitted', ['with the legs bolted on', 'without the legs']),
    load(),
  ],
  standsOn: aboutHost,
  judge: (place, of) => {
    const { legMm, nPerMm } = fillet(place, of.thicknessMm!, wallOf(place));
    const seamMm = 2 * of.plateHighMm! + of.plateLongMm!;
    const takesN = seamMm * nPerMm;
    const neededN = setDownN(of.loadKg!);
    return {
      figures: [
        { id: 'weld takes', value: takesN, quantity: 'force', ...(of.loadKg! > 0 && { limit: neededN }) },
        { id: 'out of plumb', value: of.outOfPlumbMm!, quantity: 'thickness', limit: PLUMB * of.legLongMm! },
      ],
      findings: [
        ...over(of.outOfPlumbMm!, PLUMB * of.legLongMm!, 'not plumb', ['broken', 'thickness']),
        ...over(of.unlikeMm!, ALIKE_MM, 'legs not alike', ['broken', 'thickness']),
        ...when(of.shaft === 1, 'shaft not in', ['broken', 'count']),
        ...when(of.fitted === 1, 'fitted without its legs', ['broken', 'count']),
        ...over(of.plateHighMm! / of.thicknessMm!, 100, 'plate buckles', ['broken', 'count', 'practice']),
        ...(of.loadKg! > 0 ? under(takesN, neededN, 'weld too weak', ['broken', 'force', 'baseMetal']) : []),
      ],
      parts: [
        {
          name: 'leg plate',
          lengthMm: of.plateLongMm!,
          widthMm: of.plateHighMm!,
          thicknessMm: of.thicknessMm!,
          count: 2,
        },
      ],
      seams: filletSeam('both leg plates', 2 * seamMm, {
        legMm,
        thinnerMm: Math.min(of.thicknessMm!, wallOf(place)),
      }),
      asks: ASKS,
      unchecked: [...loadUnchecked(of.loadKg!), 'metal under it'],
    };
  },
};
