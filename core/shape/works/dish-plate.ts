import { boltShearN, leastEdgeMm } from '../../reference';
import { inchesToMm as inch } from '../../quantity';
import { under, when } from './findings';
import { bumpN, loadUnchecked } from './loads';
import { boltMarks, count, isNoBolt, length, load, marksOf, thickness } from './measures';
import { fromShelf } from './metal';
import { isAt, isOfRole } from './places';
import type { WorkForm } from './work';

/** A pressed dome carries its load out as a shell as long as it rises at least so much of its width (our judgement: a twelfth). */
const RISE = 1 / 12;
/** Threads that must stand past the nut: three (common practice, no source), taken at 1.5 mm each. */
const THREADS_MM = 4.5;

const ASKS = [
  'spring held, unloaded',
  'rim scaled and read all round',
  'coat every face',
  'dish tried on the stem',
  'bolts to torque, crosswise',
  'wheel geometry measured after',
];

/** A dished plate bolted under a tower whose top rusted through in the middle while its rim is sound. */
export const dishPlate: WorkForm = {
  id: 'dish plate',
  whyNot: (place) =>
    isAt(place, 'tower top') || isOfRole(place, 'tower') ? undefined : 'not at such a place',
  measures: [
    length('rustedMm', () => inch(3.25), 5, 600),
    length('rimMm', () => inch(7), 10, 800),
    length('dishMm', () => inch(6.5), 10, 800),
    length('riseMm', () => inch(3 / 4), 0, 200),
    thickness('thicknessMm', (place) => fromShelf(place, inch(1 / 8))),
    length('stemMm', () => inch(2), 5, 300),
    length('gripMm', () => inch(1), 0, 300),
    length('nutMm', () => inch(7 / 16), 3, 60),
    length('collarMm', () => inch(1), 2, 200),
    length('collarHoleMm', () => inch(1) + 1, 2, 200),
    count('bolts', 6, 3, 24),
    length('boltMm', () => inch(3 / 8), 4, 20),
    boltMarks(),
    load(),
  ],
  judge: (_, of) => {
    const edgeMm = leastEdgeMm(of.boltMm!);
    // The ring between what is rusted and the dish's own edge has to hold the bolts with their edges on both sides.
    const ringMm = (of.dishMm! - of.rustedMm!) / 2;
    const left = of.stemMm! - of.gripMm! - of.thicknessMm! - of.nutMm!;
    // A pressed cap has the area of the disc it was: d² + 4 h² of its rim and rise.
    const discMm = Math.hypot(of.dishMm!, 2 * of.riseMm!);
    const boltsN = of.bolts! * (boltShearN(marksOf(of), of.boltMm!) ?? 0);
    return {
      figures: [
        { id: 'ring on sound metal', value: ringMm, quantity: 'length', limit: 2 * edgeMm },
        { id: 'thread left', value: left, quantity: 'length', limit: THREADS_MM },
        {
          id: 'bolts take',
          value: boltsN,
          quantity: 'force',
          ...(of.loadKg! > 0 && { limit: bumpN(of.loadKg!) }),
        },
      ],
      findings: [
        ...when(isNoBolt(of), 'no such bolt', ['broken', 'length', 'bolted']),
        ...under(ringMm, 2 * edgeMm, 'does not reach the rim', ['broken', 'length', 'bolted']),
        ...under(of.rimMm!, of.dishMm!, 'dish over the rim', ['broken', 'length']),
        ...under(left, THREADS_MM, 'stem too short', ['broken', 'length']),
        ...under(of.riseMm! / of.dishMm!, RISE, 'dish too flat', ['deviation', 'fraction']),
        ...under(of.collarHoleMm!, of.collarMm!, 'collar does not fit', ['broken', 'thickness']),
        ...under(of.thicknessMm!, inch(1 / 8), 'thinner than usual', ['deviation', 'thickness']),
        ...(of.loadKg! > 0
          ? under(boltsN, bumpN(of.loadKg!), 'bolts too weak', ['broken', 'force', 'bolted'])
          : []),
      ],
      parts: [
        {
          name: 'dish',
          lengthMm: discMm,
          widthMm: discMm,
          thicknessMm: of.thicknessMm!,
          count: 1,
          shape: { is: 'disc' },
          holes: [{ at: [discMm / 2, discMm / 2], diameterMm: of.collarHoleMm! }],
        },
      ],
      seams: [],
      asks: ASKS,
      unchecked: [...loadUnchecked(of.loadKg!), 'the rim'],
    };
  },
};
