import { chosenLegMm } from '../../reference';
import { isAtBracket } from './places';
import { inchesToMm as inch } from '../../quantity';
import { over, under } from './findings';
import { aboutHost } from './footing';
import { bumpN, loadUnchecked } from './loads';
import { length, load, thickness } from './measures';
import { fillet, fromShelf, unlessWelded, wallOf } from './metal';
import { filletSeam } from './seam';
import type { WorkForm } from './work';

/** A weld kept so far from a flange's free edge, and the corner cut so far back for the other weld to pass, mm (common practice, no source). */
const FROM_EDGE_MM = inch(1 / 2);
const SNIPE_MM = inch(3 / 4);
/** A gusset much thicker than the wall it lands on moves the crack to its toe (our judgement). */
const STIFFEST = 1.5;

/**
 * Slenderness a triangular bracket plate may have: leg along the load over thickness, 250/√Fy where the legs are within half of each other, more by their
 * ratio beyond (Fy in ksi; Salmon and Johnson, Steel Structures, bracket plates, from memory).
 */
export function gussetLimit(alongMm: number, downMm: number, yieldMpa: number): number {
  const ratio = alongMm / downMm;
  const yieldKsi = yieldMpa / 6.894757;
  return (250 / Math.sqrt(yieldKsi)) * Math.max(1, Math.min(2, ratio));
}

const ASKS = [
  'clean to bright metal',
  'tack and square',
  'weld away from the corner',
  'ends wrapped clear of the edge',
  'drain kept',
];

/** Ties a hanger, a cab or bed mount to its rail. */
export const gusset: WorkForm = {
  id: 'gusset',
  whyNot: (place) => (isAtBracket(place) ? unlessWelded(place) : 'not at such a place'),
  measures: [
    length('alongMm', ({ made }) => (made.along ? Math.round(made.along) : inch(4)), 20, 1000),
    length('downMm', ({ made }) => (made.drop ? Math.round(made.drop / 2) : inch(4)), 20, 1000),
    thickness('thicknessMm', (place) =>
      fromShelf(place, Math.min(wallOf(place), place.made.plate ?? Infinity)),
    ),
    length('fromEdgeMm', () => FROM_EDGE_MM, 0, 200),
    length('snipeMm', () => SNIPE_MM, 0, 200),
    load(),
  ],
  standsOn: aboutHost,
  judge: (place, of) => {
    const [alongMm, downMm, thicknessMm] = [of.alongMm!, of.downMm!, of.thicknessMm!];
    const { legMm, nPerMm } = fillet(place, thicknessMm, wallOf(place));
    const weldedMm = Math.max(0, 2 * (alongMm + downMm - 2 * of.snipeMm!));
    const along = Math.max(0, 2 * (alongMm - of.snipeMm!));
    const limit = gussetLimit(alongMm, downMm, place.steel.yieldMpa);
    return {
      figures: [
        {
          id: 'weld takes',
          value: along * nPerMm,
          quantity: 'force',
          ...(of.loadKg! > 0 && { limit: bumpN(of.loadKg!) }),
        },
      ],
      findings: [
        ...over(alongMm / thicknessMm, limit, 'plate buckles', ['broken', 'count', 'bracketPlate']),
        ...over(thicknessMm / wallOf(place), STIFFEST, 'stiffer than its wall', ['deviation', 'fraction']),
        ...under(of.fromEdgeMm!, FROM_EDGE_MM, 'weld over an edge', ['broken', 'length']),
        ...under(
          of.snipeMm!,
          Math.max(SNIPE_MM, chosenLegMm(thicknessMm, wallOf(place))),
          'corner not cut back',
          ['deviation', 'length'],
        ),
        ...(of.loadKg! > 0
          ? under(along * nPerMm, bumpN(of.loadKg!), 'weld too weak', ['broken', 'force', 'baseMetal'])
          : []),
      ],
      parts: [
        {
          name: 'gusset',
          lengthMm: alongMm,
          widthMm: downMm,
          thicknessMm,
          count: 1,
          shape: { is: 'triangle', snipeMm: of.snipeMm! },
        },
      ],
      seams: filletSeam('gusset, both sides', weldedMm, {
        legMm,
        thinnerMm: Math.min(thicknessMm, wallOf(place)),
      }),
      asks: ASKS,
      unchecked: [...loadUnchecked(of.loadKg!), 'metal under it'],
    };
  },
};
