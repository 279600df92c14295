import { bendAllowanceMm } from '../flat/bend';
import { inchesToMm as inch } from '../../quantity';
import { over, under, when } from './findings';
import { choice, count, length, thickness } from './measures';
import { fillet, unlessWelded, wallOf } from './metal';
import { isOfRole } from './places';
import { buttSeam, filletSeam, type WorkSeam } from './seam';
import type { Measures, PartBend, WorkForm, WorkPart, WorkPlace } from './work';

export const JOINS = ['lapped, plug welded', 'lapped, seam all round', 'butt, backed'] as const;

/** Plug holes in sheet and how far apart (common practice, no source: 5/16 in at 1 1/2 in, or the maker's own spots). */
const PLUG_MM = inch(5 / 16);
const PITCH_MM = inch(1.5);
/** A lap that takes a row of plugs (common practice, no source). */
const LAP_MM = inch(3 / 4);
/** A seam in sheet is laid in stitches no longer than this, one here and one there (common practice, no source). */
const STITCH_MM = inch(1);
const CORNER_MM = inch(1 / 2);

/** Sheet is what a panel is, or a member made under 1/8 in. */
const isSheet = ({ on, member }: WorkPlace): boolean =>
  on === 'panel' || (on === 'member' && member.shape.thicknessMm < inch(1 / 8));

/**
 * Size of the flat: the opening and its laps, and for every edge turned up its flange by the bend's allowance instead of its two outside lengths.
 */
export function patchFlatMm(
  openMm: number,
  lapMm: number,
  edges: {
    readonly turned: number;
    readonly flangeMm: number;
    readonly thicknessMm: number;
    readonly k: number;
  },
): number {
  const { turned, flangeMm, thicknessMm, k } = edges;
  const radiusMm = thicknessMm;
  const perEdge =
    flangeMm + bendAllowanceMm(Math.PI / 2, radiusMm, thicknessMm, k) - 2 * (radiusMm + thicknessMm);
  return openMm + (2 - turned) * lapMm + turned * perEdge;
}

/** Edges turned up at the ends of its length, one or both, the bend as tight as the sheet is thick. */
function turnedEdges({ turned, flangeMm, sheetMm }: Measures, k: number): PartBend[] {
  const allowanceMm = bendAllowanceMm(Math.PI / 2, sheetMm!, sheetMm!, k);
  const atMm = flangeMm! - 2 * sheetMm! + allowanceMm / 2;
  const bend = { runs: 'across', atMm, insideRadiusMm: sheetMm!, allowanceMm } as const;
  return [bend, { ...bend, fromEnd: true } as const].slice(0, turned);
}

/** The patch but for its size: corners round outside its lap, tight where an edge is turned up. */
const patchOf = (of: Measures, k: number, lapMm: number): Omit<WorkPart, 'lengthMm' | 'widthMm'> => ({
  name: 'patch',
  thicknessMm: of.sheetMm!,
  count: 1,
  shape: {
    is: 'sheet',
    cornerMm: of.turned! > 0 ? Math.min(of.cornerMm!, of.flangeMm! / 3) : of.cornerMm! + lapMm,
    bends: turnedEdges(of, k),
  },
});

/** Spots drilled out and restored as plugs, a stitched lap, or a stitched butt over its backing. */
function patchSeams(
  place: WorkPlace,
  of: Measures,
  { plugs, roundMm }: { readonly plugs: number; readonly roundMm: number },
): WorkSeam[] {
  const thinnerMm = Math.min(of.sheetMm!, of.aroundMm!);
  const stitched = (seams: WorkSeam[]) => seams.map((seam) => ({ ...seam, stitchMm: of.stitchMm! }));
  if (of.join === 0)
    return [
      {
        what: 'patch, spots drilled out and restored',
        type: 'spots restored',
        lengthMm: roundMm,
        count: plugs,
        diameterMm: PLUG_MM,
        pitchMm: of.pitchMm!,
        thinnerMm,
      },
    ];
  if (of.join === 2) return stitched(buttSeam('patch, all round, backed', roundMm, thinnerMm));
  const { legMm } = fillet(place, of.sheetMm!, of.aroundMm!);
  return stitched(filletSeam('patch, all round', roundMm, { legMm, thinnerMm }, 'lap'));
}

const sheetUnknown = ({ on }: WorkPlace): string[] => (on === 'panel' ? ['what the sheet is'] : []);

const isSeamAsked = ({ practice: { legal } }: WorkPlace): boolean =>
  legal.profiles.some(({ id, seamsContinuous }) => id === legal.chosen && seamsContinuous);

/** A patch let into floor, bulkhead, sill or wheel-arch ledge: lapped and plugged, lapped and seamed, or butted over a backing. */
export const sheetPatch: WorkForm = {
  id: 'sheet patch',
  whyNot: (place) => {
    if (!isSheet(place) && !isOfRole(place, 'sill', 'floor rail')) return 'not at such a place';
    if (place.steel.youngsMpa !== undefined) return 'not of this metal';
    // A panel's own steel is on no record: what is behind it tells nothing of it.
    return place.on === 'panel' ? undefined : unlessWelded(place);
  },
  measures: [
    length('openLongMm', () => inch(8), 10, 3000),
    length('openWideMm', () => inch(6), 10, 3000),
    thickness(
      'madeMm',
      (place) => (place.on === 'panel' ? (place.made.plate ?? inch(0.036)) : wallOf(place)),
      0.4,
      6,
    ),
    thickness(
      'sheetMm',
      (place) => (place.on === 'panel' ? (place.made.plate ?? inch(0.048)) : wallOf(place)),
      0.4,
      6,
    ),
    thickness('aroundMm', (place) => (place.on === 'panel' ? inch(0.036) : wallOf(place)), 0.1, 6),
    choice('join', JOINS),
    length('lapMm', () => LAP_MM, 0, 100),
    length('pitchMm', () => PITCH_MM, 10, 300),
    length('cornerMm', () => inch(1), 0, 300),
    { ...count('turned', 0, 0, 2) },
    length('flangeMm', () => inch(1), 0, 300),
    length('stitchMm', () => STITCH_MM, 3, 300),
  ],
  judge: (place, of) => {
    const isPlugged = of.join === 0;
    const isButt = of.join === 2;
    const lapMm = isButt ? 0 : of.lapMm!;
    const edges = { flangeMm: of.flangeMm!, thicknessMm: of.sheetMm!, k: place.practice.bendK };
    const flatLong = patchFlatMm(of.openLongMm!, lapMm, { ...edges, turned: of.turned! });
    const flatWide = patchFlatMm(of.openWideMm!, lapMm, { ...edges, turned: 0 });
    const roundMm = 2 * (of.openLongMm! + of.openWideMm!);
    const plugs = isPlugged ? Math.ceil((roundMm + 4 * lapMm) / of.pitchMm!) : 0;
    return {
      figures: [
        { id: 'flat, long', value: flatLong, quantity: 'length' },
        { id: 'flat, wide', value: flatWide, quantity: 'length' },
        ...(isPlugged ? [{ id: 'plug welds', value: plugs, quantity: 'count' } as const] : []),
        ...(isPlugged
          ? []
          : [{ id: 'stitches', value: Math.ceil(roundMm / of.stitchMm!), quantity: 'count' } as const]),
      ],
      findings: [
        ...under(of.sheetMm!, 0.97 * of.madeMm!, 'thinner than made', ['broken', 'thickness']),
        ...over(of.sheetMm! / of.madeMm!, 2, 'much thicker than made', ['deviation', 'fraction']),
        ...under(of.aroundMm!, 0.65 * of.madeMm!, 'sheet round it too thin', [
          'broken',
          'thickness',
          'sound',
        ]),
        ...(isButt
          ? []
          : under(lapMm, isPlugged ? LAP_MM : LAP_MM / 2, 'lap too narrow', ['broken', 'length'])),
        ...(isPlugged ? over(of.pitchMm!, PITCH_MM, 'plugs too far apart', ['deviation', 'length']) : []),
        ...under(of.cornerMm!, CORNER_MM, 'corners not round', ['broken', 'length']),
        ...(isPlugged ? [] : over(of.stitchMm!, STITCH_MM, 'stitches too long', ['deviation', 'length'])),
        ...when(isPlugged && isSeamAsked(place), 'a seam all round is asked', [
          'broken',
          'count',
          'ukStructure',
        ]),
      ],
      parts: [{ ...patchOf(of, edges.k, lapMm), lengthMm: flatLong, widthMm: flatWide }],
      seams: patchSeams(place, of, { plugs, roundMm }),
      asks: [
        'what is behind it looked at first',
        'cut back to sheet that rings',
        'template of card, cut outside, trimmed',
        ...(isPlugged ? ['spots drilled out, plug holes punched'] : []),
        'weld-through primer on the laps',
        'stitch here and there, hand-warm between',
        'seam sealer, then wax behind',
      ],
      unchecked: ['what is behind it', ...sheetUnknown(place)],
    };
  },
};
