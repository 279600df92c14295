import { bendAllowanceMm } from '../flat/bend';
import { inchesToMm as inch } from '../../quantity';
import { over, under } from './findings';
import { length, thickness } from './measures';
import { unlessWelded, wallOf } from './metal';
import { isAtBracket, isOfRole } from './places';
import { chosenLegMm } from '../../reference';
import { filletSeam } from './seam';
import type { WorkForm } from './work';

/** Hammered over by hand, steel bends no tighter than its own thickness without cracking (common practice, no source); over 1/8 in it is heated. */
const BY_HAND_MM = inch(1 / 8);

const ASKS = [
  'clamp and tack one edge',
  'hammer over from the middle',
  'gap closed before the seam',
  'weld it all round',
  'look at the bend for cracks',
];

/** A piece formed in place: its tab left long, tacked at one edge, hammered over and welded. */
export const formedTab: WorkForm = {
  id: 'formed tab',
  whyNot: (place) =>
    isAtBracket(place) ||
    place.on === 'panel' ||
    isOfRole(place, 'rail', 'sill', 'floor rail', 'crossmember', 'outrigger')
      ? unlessWelded(place)
      : 'not at such a place',
  measures: [
    length('longMm', () => inch(6), 10, 2000),
    length('standsMm', () => inch(3), 5, 500),
    length('tabMm', () => inch(2), 2, 500),
    thickness('thicknessMm', () => inch(1 / 8), 0.4, 12),
    length('radiusMm', () => inch(1 / 8), 0, 100),
    length('tackMm', () => inch(1.5), 5, 300),
  ],
  judge: (place, of) => {
    const { longMm, standsMm, tabMm, thicknessMm, radiusMm, tackMm } = of as Record<string, number>;
    const allowanceMm = bendAllowanceMm(Math.PI / 2, radiusMm!, thicknessMm!, place.practice.bendK);
    const flatMm = standsMm! + tabMm! + allowanceMm - 2 * (radiusMm! + thicknessMm!);
    const bendAtMm = standsMm! - radiusMm! - thicknessMm! + allowanceMm / 2;
    return {
      figures: [
        { id: 'flat, wide', value: flatMm, quantity: 'length' },
        {
          id: 'bend line from the long edge',
          value: bendAtMm,
          quantity: 'length',
        },
        { id: 'tacks', value: Math.max(2, Math.ceil(longMm! / tackMm!) + 1), quantity: 'count' },
      ],
      findings: [
        ...under(radiusMm!, thicknessMm!, 'bend too tight', ['broken', 'length']),
        ...under(tabMm!, radiusMm! + 3 * thicknessMm!, 'tab too short', ['broken', 'length']),
        ...over(thicknessMm!, BY_HAND_MM, 'too thick by hand', ['deviation', 'thickness']),
        ...over(tackMm!, 16 * thicknessMm!, 'tacks too far apart', ['deviation', 'length']),
        ...under(thicknessMm!, 0.97 * wallOf(place), 'thinner than beneath', ['deviation', 'thickness']),
      ],
      parts: [
        {
          name: 'tab piece',
          lengthMm: longMm!,
          widthMm: flatMm,
          thicknessMm: thicknessMm!,
          count: 1,
          shape: {
            is: 'sheet',
            bends: [{ runs: 'along', atMm: bendAtMm, insideRadiusMm: radiusMm!, allowanceMm }],
          },
        },
      ],
      seams: filletSeam(
        'tab, all round',
        2 * longMm! + 2 * tabMm!,
        {
          legMm: chosenLegMm(thicknessMm!, wallOf(place)),
          thinnerMm: Math.min(thicknessMm!, wallOf(place)),
        },
        'edge',
      ),
      asks: ASKS,
      unchecked: ['metal under it'],
    };
  },
};
