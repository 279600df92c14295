import { axleStationsMm, CRITICAL_REACH_MM, crossingsOn, developedWidthMm, fittingsOn } from '../../frame';
import { BETWEEN_HEAT_ZONES_MM, waysFor } from '../../reference';
import { inchesToMm as inch } from '../../quantity';
import { over, under, when } from './findings';
import { pastCuts } from './footing';
import { choice, length, station, thickness } from './measures';
import { fillet, fromShelf, unlessWelded, wallOf } from './metal';
import { isOfRole } from './places';
import { buttSeam, filletSeam, type WorkSeam } from './seam';
import type { Measures, WorkFinding, WorkForm, WorkPlace } from './work';

export const CUTS = ['at 45°', 'stepped', 'square'] as const;
/** A fish plate over a joint reaches so many depths past it each way (common practice, no source). */
const PAST_DEPTHS = 1;

const ASKS = [
  'baseline measured, both sides',
  'both sides of the cut held, level',
  'one side at a time',
  'new length tacked in line, diagonals measured',
  'groove, back-gouge, flush',
  'look with dye',
  'plates over the joints, tapered, staggered',
  'measured again against the baseline',
];

/** On both sides of each of the two joints. */
const FISH_PLATES = 4;

/** A length of rail let in: the joints ground flush, staggered from the twin's, plated past on both sides. */
export const splice: WorkForm = {
  id: 'splice',
  whyNot: (place) => (isOfRole(place, 'rail', 'sill') ? unlessWelded(place) : 'not at such a place'),
  measures: [
    station('fromMm', ({ stationMm }) => Math.max(0, Math.round(stationMm - 300))),
    station('toMm', ({ stationMm }) => Math.round(stationMm + 300)),
    choice('cut', CUTS),
    thickness('newWallMm', wallOf),
    thickness('fishMm', (place) => fromShelf(place, 0.7 * wallOf(place))),
    length('pastMm', ({ member }) => Math.ceil(1.25 * member.shape.depthMm), 0, 2000),
    length('twinApartMm', () => inch(6), 0, 5000),
  ],
  standsOn: ({ member }, of) => pastCuts(member, of),
  judge: (place, of) => {
    const { member } = place;
    const { depthMm } = member.shape;
    const longMm = of.toMm! - of.fromMm!;
    const share = longMm / member.lengthMm;
    const aroundMm = developedWidthMm(member.shape);
    const { legMm } = fillet(place, of.fishMm!, wallOf(place));
    const { spliceShare } = waysFor(place.practice, { family: place.frame.family, madeMm: wallOf(place) });
    const plateHigh = Math.max(20, depthMm - 2 * (wallOf(place) * 2 + legMm));
    return {
      figures: [
        { id: 'of the member', value: share, quantity: 'fraction', limit: spliceShare },
        { id: 'joint to fill', value: 2 * aroundMm * (of.cut === 2 ? 1 : Math.SQRT2), quantity: 'length' },
      ],
      findings: [
        ...when(!(longMm > 0), 'ends before it starts', ['broken', 'length']),
        ...over(of.toMm!, member.lengthMm, 'off the member', ['broken', 'length']),
        ...over(share, spliceShare, 'more than this shop splices', ['deviation', 'fraction']),
        ...under(of.newWallMm!, 0.97 * wallOf(place), 'thinner than made', ['broken', 'thickness']),
        ...over(of.newWallMm! / wallOf(place), 1.25, 'much thicker than made', ['deviation', 'fraction']),
        ...when(of.cut === 2, 'square cut', ['broken', 'count']),
        ...under(of.pastMm!, PAST_DEPTHS * depthMm, 'plates too short past the joint', ['broken', 'length']),
        ...under(of.twinApartMm!, BETWEEN_HEAT_ZONES_MM, 'level with the twin’s joint', [
          'deviation',
          'length',
        ]),
        ...nearJoints(place, [of.fromMm!, of.toMm!]),
      ],
      parts: [
        {
          name: 'new length',
          lengthMm: Math.max(0, longMm),
          widthMm: aroundMm,
          thicknessMm: of.newWallMm!,
          count: 1,
          shape: { is: 'length' },
        },
        {
          name: 'fish plate',
          lengthMm: 2 * of.pastMm!,
          widthMm: plateHigh,
          thicknessMm: of.fishMm!,
          count: FISH_PLATES,
        },
      ],
      seams: spliceSeams(place, of, { aroundMm, plateHigh, legMm }),
      asks: ASKS,
      unchecked: ['metal under it', 'what hangs between the cuts'],
    };
  },
};

/** Both joints right round, and the plates over them. */
function spliceSeams(
  place: WorkPlace,
  of: Measures,
  size: {
    readonly aroundMm: number;
    readonly plateHigh: number;
    readonly legMm: number;
  },
): WorkSeam[] {
  const { aroundMm, plateHigh, legMm } = size;
  return [
    ...buttSeam(
      'both joints, right round',
      2 * aroundMm * (of.cut === 2 ? 1 : Math.SQRT2),
      Math.min(of.newWallMm!, wallOf(place)),
    ),
    ...filletSeam(
      'fish plates, all round',
      FISH_PLATES * 2 * (2 * of.pastMm! + plateHigh),
      { legMm, thinnerMm: Math.min(of.fishMm!, wallOf(place)) },
      'lap',
    ),
  ];
}

/** Joints keep off axles, brackets and crossmembers: said once, of the nearer one. */
function nearJoints({ frame, member }: WorkPlace, jointsMm: readonly number[]): WorkFinding[] {
  const startMm = member.startMm ?? 0;
  const away = (stations: readonly number[]) =>
    Math.min(Infinity, ...stations.flatMap((mm) => jointsMm.map((joint) => Math.abs(joint - mm))));
  const bracketMm = away([
    ...fittingsOn(frame, member).map(({ stationMm }) => stationMm),
    ...axleStationsMm(frame).map((mm) => mm - startMm),
  ]);
  const crossingMm = away(crossingsOn(frame, member).map(({ stationMm }) => stationMm));
  return [
    ...under(bracketMm, CRITICAL_REACH_MM, 'near a bracket', ['deviation', 'length']),
    ...under(crossingMm, BETWEEN_HEAT_ZONES_MM, 'near another weld', ['broken', 'length']),
  ];
}
