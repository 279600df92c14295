import { inchesToMm as inch } from '../../quantity';
import { over } from './findings';
import { aboutHost } from './footing';
import { choice, length, thickness } from './measures';
import { fillet, unlessWelded } from './metal';
import { isAt } from './places';
import { filletSeam } from './seam';
import type { WorkForm } from './work';

/** What is left of the moment at a hanger's foot once both are tied: welded at both ends they work as a portal, with a diagonal the tie holds them. */
export const TIES = ['straight, welded at both ends', 'with a diagonal'] as const;

/**
 * Moment left at the feet of two hangers pushed the same way, of what each had alone: (3k+1)/(6k+1), k the tie's bending stiffness over the hangers',
 * I2 h / (I1 L) (portal frame with fixed feet under a push at its corner, Kleinlogel's formulas, from memory).
 */
export const portalShare = (k: number): number => (3 * k + 1) / (6 * k + 1);

const MOST_SLENDER = 200;

const ASKS = [
  'springs and axle clear through their travel',
  'hangers plumb and parallel first',
  'ends closed or drained',
  'tack and square',
  'weld on the hanger’s middle, not its edge',
];

/** A tube between two tall hangers that lever their flange in tight turns. */
export const crossBrace: WorkForm = {
  id: 'cross-brace',
  whyNot: (place) =>
    isAt(place, 'spring hanger', 'equaliser') ? unlessWelded(place) : 'not at such a place',
  measures: [
    length('dropMm', ({ made }) => made.drop ?? inch(10), 30, 2000),
    length('apartMm', ({ frame }) => frame.widthMm, 200, 4000),
    length('hangerDeepMm', () => inch(3), 5, 500),
    thickness('hangerThickMm', ({ made }) => made.plate ?? inch(1 / 4)),
    length('tubeMm', () => inch(2), 10, 300),
    thickness('tubeWallMm', () => inch(3 / 16)),
    choice('tie', TIES),
  ],
  standsOn: aboutHost,
  judge: (place, of) => {
    const { tubeMm, tubeWallMm, apartMm, dropMm, hangerDeepMm, hangerThickMm } = of as Record<string, number>;
    const insideMm = Math.max(0, tubeMm! - 2 * tubeWallMm!);
    const area = tubeMm! ** 2 - insideMm ** 2;
    const i2 = (tubeMm! ** 4 - insideMm ** 4) / 12;
    // Two plates side by side across the frame's axis, each bending about its own strong way sideways.
    const i1 = (2 * hangerThickMm! * hangerDeepMm! ** 3) / 12;
    const k = (i2 * dropMm!) / (i1 * apartMm!);
    const share = of.tie === 1 ? 0 : portalShare(k);
    const slender = apartMm! / Math.sqrt(i2 / area);
    const { legMm, nPerMm } = fillet(place, tubeWallMm!, hangerThickMm!);
    const roundMm = 4 * tubeMm!;
    return {
      figures: [
        { id: 'moment left at the flange', value: share, quantity: 'fraction' },
        { id: 'tie carries', value: 0.67 * place.steel.yieldMpa * area, quantity: 'force' },
        { id: 'weld takes', value: roundMm * nPerMm, quantity: 'force' },
      ],
      findings: [
        ...over(slender, MOST_SLENDER, 'tie buckles', ['broken', 'count', 'slenderTie']),
        ...over(share, 0.75, 'tie hardly helps', ['broken', 'fraction', 'portal']),
        ...over(insideMm < tubeMm! * 0.2 ? 1 : 0, 0, 'no such tube', ['broken', 'count']),
        ...over(tubeWallMm! / hangerThickMm!, 1.5, 'stiffer than its wall', ['deviation', 'fraction']),
      ],
      parts: [
        {
          name: 'tube',
          lengthMm: apartMm!,
          widthMm: area / tubeWallMm!,
          thicknessMm: tubeWallMm!,
          count: of.tie === 1 ? 2 : 1,
          shape: { is: 'length' },
        },
      ],
      seams: filletSeam('tube to hangers, all round', 2 * roundMm * (of.tie === 1 ? 2 : 1), {
        legMm,
        thinnerMm: Math.min(tubeWallMm!, hangerThickMm!),
      }),
      asks: ASKS,
      unchecked: ['travel', 'metal under it'],
    };
  },
};
