import { leastEdgeMm } from '../../reference';
import { inchesToMm as inch } from '../../quantity';
import { over, under, when } from './findings';
import { aboutHost } from './footing';
import { choice, length, thickness } from './measures';
import { fillet, fromShelf, unlessWelded, wallOf } from './metal';
import { isAtBracket } from './places';
import { filletSeam } from './seam';
import type { JudgedWork, Measures, WorkForm, WorkPlace } from './work';

export const SPREAD = [
  'a plate on the rail beneath it',
  'tied back to the next crossmember',
  'edge trimmed alone',
] as const;
/** A tie slopes no more than this along its length, or it pulls sideways more than back (our judgement: 1 in 3). */
const STEEPEST = 1 / 3;

/** A bracket whose edge saws at the rail, or that levers a thin wall: its edge cut back, the rail plated beneath it, or the bracket tied back. */
export const bracketTrimmed: WorkForm = {
  id: 'bracket trimmed',
  whyNot: (place) => (isAtBracket(place) ? unlessWelded(place) : 'not at such a place'),
  measures: [
    choice('how', SPREAD),
    length('trimMm', () => inch(1 / 2), 0, 300),
    length('leftToHoleMm', () => inch(1), 0, 300),
    length('holeMm', ({ made }) => made.hole ?? inch(1 / 2), 2, 150),
    length('plateLongMm', ({ made }) => (made.along ?? inch(4)) + inch(4), 0, 2000),
    length('plateHighMm', () => inch(4), 0, 1000),
    thickness('thicknessMm', (place) => fromShelf(place, wallOf(place))),
    length('tieLongMm', () => inch(12), 0, 4000),
    length('tieRiseMm', () => inch(2), 0, 2000),
  ],
  standsOn: aboutHost,
  judge: (place, of) => {
    const { legMm, nPerMm } = fillet(place, of.thicknessMm!, wallOf(place));
    const how = HOWS[of.how!]!;
    const { findings, parts, weldMm, what, asks, figures } = how(place, of);
    const leastMm = leastEdgeMm(of.holeMm!);
    return {
      figures: [
        ...figures,
        ...(weldMm > 0 ? [{ id: 'weld takes', value: weldMm * nPerMm, quantity: 'force' } as const] : []),
        { id: 'metal left at its hole', value: of.leftToHoleMm!, quantity: 'length', limit: leastMm },
      ],
      findings: [
        ...under(of.leftToHoleMm!, leastMm, 'hole too near the edge', ['broken', 'length', 'bolted']),
        ...findings,
      ],
      parts,
      seams: filletSeam(what, weldMm, { legMm, thinnerMm: Math.min(of.thicknessMm!, wallOf(place)) }),
      asks: ['what hangs on it held up', 'edge ground round, no nick', ...asks, 'look with dye'],
      unchecked: ['metal under it'],
    };
  },
};

type How = (
  place: WorkPlace,
  of: Measures,
) => Pick<JudgedWork, 'figures' | 'findings' | 'parts' | 'asks'> & {
  readonly weldMm: number;
  readonly what: string;
};

/** The rail plated beneath it: the same push over a longer stretch. */
const plated: How = (place, { plateLongMm, plateHighMm, thicknessMm }) => {
  const bracketMm = place.made.along ?? inch(4);
  return {
    figures: [
      { id: 'pressure on the wall', value: bracketMm / Math.max(1, plateLongMm!), quantity: 'fraction' },
    ],
    findings: [
      ...under(plateLongMm!, bracketMm + 2 * inch(1), 'plate no longer than the bracket', [
        'broken',
        'length',
      ]),
      ...under(thicknessMm!, wallOf(place), 'thinner than beneath', ['deviation', 'thickness']),
    ],
    parts: [
      {
        name: 'plate beneath',
        lengthMm: plateLongMm!,
        widthMm: plateHighMm!,
        thicknessMm: thicknessMm!,
        count: 1,
      },
    ],
    weldMm: 2 * (plateLongMm! + plateHighMm!),
    what: 'plate beneath, all round',
    asks: ['plate tapered and rounded', 'weld it all round'],
  };
};

const TIE_WIDE_MM = inch(2);
/** Tied back: what levered the wall is pulled to where the frame is stiff. */
const tied: How = (_, { tieLongMm, tieRiseMm, thicknessMm }) => ({
  figures: [],
  findings: over(tieRiseMm! / Math.max(1, tieLongMm!), STEEPEST, 'tie too steep', ['broken', 'fraction']),
  parts: [{ name: 'tie', lengthMm: tieLongMm!, widthMm: TIE_WIDE_MM, thicknessMm: thicknessMm!, count: 1 }],
  weldMm: 4 * TIE_WIDE_MM,
  what: 'tie, both ends, both sides',
  asks: ['tie to the crossmember’s web'],
});

const alone: How = () => ({
  figures: [],
  findings: when(true, 'cause still there', ['deviation', 'count']),
  parts: [],
  weldMm: 0,
  what: '',
  asks: [],
});
const HOWS: readonly How[] = [plated, tied, alone];
