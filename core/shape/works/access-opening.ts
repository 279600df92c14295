import { evenWall, facesOf, fittingsOn, CRITICAL_REACH_MM, isClosed, surfaceOf, uOnFace } from '../../frame';
import { sectionProperties } from '../../mechanics';
import { changedSection } from '../../weigh';
import { inchesToMm as inch } from '../../quantity';
import { over, under } from './findings';
import { pastOpening } from './footing';
import { length, station, thickness } from './measures';
import { fillet, fromShelf, unlessWelded, wallOf } from './metal';
import { filletSeam } from './seam';
import type { WorkForm, WorkPlace } from './work';

/** An opening is no higher than a third of its face and its corners no sharper than a quarter of its height (common practice, no source). */
const HIGHEST = 1 / 3;
const SHARPEST = 1 / 4;
/** It may cost no more than this of the section while it is open (our judgement). */
const LEAST_KEPT = 0.9;

/** The face an opening is cut into: a standing one. */
const standing = ({ member: { shape } }: WorkPlace) => facesOf(shape).find(({ upright }) => upright);

/** Share of the member's least section modulus that an opening about the middle of a standing face leaves, as made. */
export function openKept(place: WorkPlace, highMm: number): number {
  const face = standing(place);
  const { shape } = place.member;
  if (!face) return 0;
  const surface = surfaceOf(shape);
  const wall = evenWall(surface, shape.thicknessMm);
  const ends = [face.widthMm / 2 - highMm / 2, face.widthMm / 2 + highMm / 2].map((mm) => uOnFace(face, mm));
  const cut = { uFromMm: Math.min(...ends), uToMm: Math.max(...ends) };
  const [whole, open] = [[], [cut]].map((cuts) =>
    sectionProperties(changedSection(surface, wall, { cuts, plates: [] })),
  );
  return whole && open ? Math.min(open.sTopMm3 / whole.sTopMm3, open.sBottomMm3 / whole.sBottomMm3) : 0;
}

const ASKS = [
  'cut about the middle of the face, never a flange',
  'corners drilled first',
  'the cut-out marked and kept',
  'inside read and coated',
  'weld it all round',
  'a drain stays open at the low point',
];

/** An opening cut to get at the inside of a closed member, and the piece that closes it. */
export const accessOpening: WorkForm = {
  id: 'access opening',
  whyNot: (place) =>
    place.on !== 'member'
      ? 'not at such a place'
      : !isClosed(place.member.shape) || !standing(place)
        ? 'the section does not take it'
        : unlessWelded(place),
  measures: [
    station('atMm', ({ stationMm }) => stationMm),
    length('longMm', () => inch(4), 10, 1000),
    length('highMm', (place) => Math.round((standing(place)?.widthMm ?? 90) * 0.3), 5, 600),
    length('cornerMm', () => inch(1), 0, 300),
    thickness('thicknessMm', (place) => fromShelf(place, wallOf(place))),
    length('lapMm', () => inch(1), 0, 100),
  ],
  standsOn: ({ member }, of) => pastOpening(member, of),
  judge: (place, of) => {
    const faceMm = standing(place)!.widthMm;
    const kept = openKept(place, of.highMm!);
    const { legMm } = fillet(place, of.thicknessMm!, wallOf(place));
    const nearMm = Math.min(
      Infinity,
      ...fittingsOn(place.frame, place.member)
        .filter(({ kind }) => kind !== 'axle')
        .map(({ stationMm }) => Math.abs(stationMm - of.atMm!) - of.longMm! / 2),
    );
    const [closeLong, closeHigh] = [of.longMm! + 2 * of.lapMm!, of.highMm! + 2 * of.lapMm!];
    return {
      figures: [
        { id: 'S while it is open', value: kept, quantity: 'fraction', limit: LEAST_KEPT },
        { id: 'closing piece, long', value: closeLong, quantity: 'length' },
        { id: 'closing piece, high', value: closeHigh, quantity: 'length' },
      ],
      findings: [
        ...over(of.highMm! / faceMm, HIGHEST, 'opening too high', ['broken', 'fraction']),
        ...under(kept, LEAST_KEPT, 'opening costs too much', ['broken', 'fraction']),
        ...under(of.cornerMm!, Math.max(inch(1 / 2), SHARPEST * of.highMm!), 'corners not round', [
          'broken',
          'length',
        ]),
        ...(Number.isFinite(nearMm)
          ? under(nearMm, CRITICAL_REACH_MM, 'near a bracket', ['deviation', 'length'])
          : []),
        ...under(of.thicknessMm!, 0.97 * wallOf(place), 'thinner than beneath', ['broken', 'thickness']),
        ...under(of.lapMm!, inch(1 / 2), 'lap too narrow', ['broken', 'length']),
        ...over(closeHigh, faceMm - 2 * legMm, 'off the flat', ['broken', 'length']),
        ...over(of.atMm!, place.member.lengthMm, 'off the member', ['broken', 'length']),
      ],
      parts: [
        {
          name: 'closing piece',
          lengthMm: closeLong,
          widthMm: closeHigh,
          thicknessMm: of.thicknessMm!,
          count: 1,
          shape: { is: 'sheet', cornerMm: of.cornerMm! + of.lapMm! },
        },
      ],
      seams: filletSeam(
        'closing piece, all round',
        2 * (closeLong + closeHigh),
        { legMm, thinnerMm: Math.min(of.thicknessMm!, wallOf(place)) },
        'lap',
      ),
      asks: ASKS,
      unchecked: ['worn metal: counted as made'],
    };
  },
};
