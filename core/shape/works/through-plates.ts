import { boltHoleMm, boltLengthMm, proofLoadN } from '../../reference';
import { inchesToMm as inch } from '../../quantity';
import { under, when, over } from './findings';
import { bumpN, loadUnchecked } from './loads';
import { boltMarks, isNoBolt, length, load, marksOf, thickness } from './measures';
import { fromShelf, wallOf } from './metal';
import { isAtBracket } from './places';
import type { WorkForm } from './work';

/** Allowable shear of sheet round a plate that is pulled through it, of its yield, and bending of a plate, of its yield (AISC ASD, from memory). */
const SHEAR = 0.4;
const BENDING = 0.75;

const ASKS = [
  'sheet cut back to sound',
  'coat every face',
  'corners rounded',
  'bolt through, washers under head and nut',
  'sealed against water',
  'torque, looked at again after a day',
];

/** A nut plate, or a bolt right through between plates above and below, in place of a blind fixing that tore out of its sheet. */
export const throughPlates: WorkForm = {
  id: 'through plates',
  whyNot: (place) => (isAtBracket(place) || place.on === 'panel' ? undefined : 'not at such a place'),
  measures: [
    length('plateMm', () => inch(3), 10, 600),
    thickness('thicknessMm', (place) => fromShelf(place, inch(3 / 16))),
    thickness('sheetMm', (place) => place.made.plate ?? wallOf(place)),
    length('gapMm', () => 0, 0, 400),
    length('boltMm', () => inch(1 / 2), 4, 40),
    boltMarks(),
    length('soundPastMm', () => inch(1), 0, 300),
    load(),
  ],
  judge: (place, of) => {
    const { yieldMpa } = place.steel;
    const pullN = 4 * of.plateMm! * of.sheetMm! * SHEAR * yieldMpa;
    // A square plate pushed at its middle through a washer of two bolt diameters: bends over what stands out on each side.
    const outMm = Math.max(1, (of.plateMm! - 2 * of.boltMm!) / 2);
    const bendN = (BENDING * yieldMpa * of.plateMm! * of.thicknessMm! ** 2) / 6 / (outMm / 4);
    const boltN = (proofLoadN(marksOf(of), of.boltMm!) ?? 0) / 2;
    const takesN = Math.min(pullN, bendN, boltN);
    const gripMm = 2 * of.thicknessMm! + of.sheetMm! + of.gapMm!;
    return {
      figures: [
        { id: 'sheet lets the plate through at', value: pullN, quantity: 'force' },
        { id: 'plate bends at', value: bendN, quantity: 'force' },
        { id: 'bolt takes', value: boltN, quantity: 'force' },
        {
          id: 'all of it takes',
          value: takesN,
          quantity: 'force',
          ...(of.loadKg! > 0 && { limit: bumpN(of.loadKg!) }),
        },
        { id: 'grip', value: gripMm, quantity: 'length' },
        { id: 'bolt to buy', value: boltLengthMm(of.boltMm!, gripMm), quantity: 'length' },
      ],
      findings: [
        ...under(of.plateMm!, 4 * of.boltMm!, 'plate no wider than its washer', ['broken', 'length']),
        ...under(of.soundPastMm!, inch(1 / 2), 'no sound sheet round it', ['broken', 'length']),
        ...when(isNoBolt(of), 'no such bolt', ['broken', 'length', 'bolted']),
        ...over(of.gapMm!, 0, 'a sleeve in the gap', ['deviation', 'length']),
        ...(of.loadKg! > 0
          ? under(takesN, bumpN(of.loadKg!), 'pulls through', ['broken', 'force', 'bolted'])
          : []),
      ],
      parts: [
        {
          name: 'plate',
          lengthMm: of.plateMm!,
          widthMm: of.plateMm!,
          thicknessMm: of.thicknessMm!,
          count: 2,
          holes: [{ at: [of.plateMm! / 2, of.plateMm! / 2], diameterMm: boltHoleMm(of.boltMm!) }],
        },
      ],
      seams: [],
      asks: ASKS,
      unchecked: [...loadUnchecked(of.loadKg!), 'the other side'],
    };
  },
};
