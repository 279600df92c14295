import { leastEdgeMm } from '../../reference';
import { inchesToMm as inch } from '../../quantity';
import { under } from './findings';
import { aboutStation } from './footing';
import { length, thickness } from './measures';
import { fillet, fromShelf, unlessWelded, wallOf } from './metal';
import { filletSeam } from './seam';
import type { WorkForm } from './work';

/** A washer and a fillet find room round the hole: so many holes across (common practice, no source). */
const ACROSS = 3;

const ASKS = [
  'place from the datum first',
  'weld the hole shut',
  'grind flush',
  'look with dye',
  'weld it all round',
  'drill to size at its place',
  'new bolt, washer and torque',
];

/** A worn hole welded shut, ground flush, a thicker plate over it, and drilled again at its exact place. */
export const holeDoubler: WorkForm = {
  id: 'hole doubler',
  whyNot: (place) =>
    place.on === 'fitting' || place.on === 'member' ? unlessWelded(place) : 'not at such a place',
  measures: [
    length('holeMm', ({ made }) => made.hole ?? inch(5 / 8), 2, 150),
    length('wornMm', ({ made }) => made.hole ?? inch(5 / 8), 2, 200),
    length('acrossMm', ({ made }) => Math.max(inch(2.5), ACROSS * (made.hole ?? inch(5 / 8))), 10, 600),
    thickness('thicknessMm', (place) => fromShelf(place, place.made.plate ?? wallOf(place))),
    length('edgeMm', () => inch(2), 1, 1000),
  ],
  standsOn: (place, of) => (place.on === 'member' ? [aboutStation(place, of.acrossMm! / 2)] : []),
  judge: (place, of) => {
    const { holeMm, wornMm, acrossMm, thicknessMm, edgeMm } = of as Record<string, number>;
    const wallMm = place.made.plate ?? wallOf(place);
    const { legMm } = fillet(place, thicknessMm!, wallMm);
    return {
      figures: [
        { id: 'pin’s pressure on it', value: wallMm / (wallMm + thicknessMm!), quantity: 'fraction' },
        { id: 'worn by', value: wornMm! - holeMm!, quantity: 'thickness' },
      ],
      findings: [
        ...under(thicknessMm!, wallMm, 'thinner than beneath', ['broken', 'thickness']),
        ...under(acrossMm!, ACROSS * holeMm!, 'no room round the hole', ['broken', 'length']),
        ...under(edgeMm!, acrossMm! / 2 + legMm, 'off the flat', ['broken', 'length']),
        ...under(edgeMm!, leastEdgeMm(holeMm!), 'hole too near the edge', ['broken', 'length', 'bolted']),
        ...under(wornMm!, holeMm!, 'not worn', ['note', 'thickness']),
      ],
      parts: [
        {
          name: 'doubler',
          lengthMm: acrossMm!,
          widthMm: acrossMm!,
          thicknessMm: thicknessMm!,
          count: 1,
          shape: { is: 'disc' },
          drillLater: [{ at: [acrossMm! / 2, acrossMm! / 2], diameterMm: holeMm! }],
        },
      ],
      seams: [
        {
          what: 'old hole, filled flush',
          type: 'plug',
          lengthMm: wornMm!,
          count: 1,
          diameterMm: wornMm!,
          thinnerMm: wallMm,
        },
        ...filletSeam(
          'doubler, all round',
          Math.PI * acrossMm!,
          { legMm, thinnerMm: Math.min(thicknessMm!, wallMm) },
          'lap',
        ),
      ],
      asks: ASKS,
      unchecked: ['metal under it'],
    };
  },
};
