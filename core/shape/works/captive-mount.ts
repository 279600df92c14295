import { inchesToMm as inch } from '../../quantity';
import { under, when } from './findings';
import { aboutHost } from './footing';
import { bumpN, loadUnchecked } from './loads';
import { count, length, load, thickness } from './measures';
import { fillet, fromShelf, unlessWelded, wallOf } from './metal';
import { isAt } from './places';
import { filletSeam } from './seam';
import type { WorkForm } from './work';

/** What is gone for good once it is cut: taken first or never. */
const BEFORE = ['threadMm', 'freeBoltMm', 'seatMm', 'heightMm'] as const;

const ASKS = [
  'thread, free bolt length, seat and height taken down',
  'nut block cleaned and tapped',
  'block bolted to what it locates',
  'dry fit before tack',
  'tack, take it off',
  'box and bracing round it',
  'dry fit after tack',
  'free bolt length as before: movement is meant',
  'dry fit before closing',
  'a drain at the box’s low point',
  'new bolts as a set',
];

/** A captive mount whose nut block rusted out: the block bolted to what it locates, tacked, the box built round it, verified, then closed. */
export const captiveMount: WorkForm = {
  id: 'captive mount',
  whyNot: (place) =>
    isAt(place, 'captive mount', 'body mount', 'control arm', 'skid-plate mount')
      ? unlessWelded(place)
      : 'not at such a place',
  measures: [
    length('threadMm', () => 0, 0, 60),
    length('freeBoltMm', () => 0, 0, 500),
    length('seatMm', () => 0, 0, 400),
    length('heightMm', () => 0, 0, 2000),
    length('discMm', () => inch(3), 10, 400),
    thickness('discThickMm', (place) => fromShelf(place, inch(1 / 4))),
    length('boxWideMm', () => inch(4), 20, 600),
    length('boxHighMm', () => inch(3), 20, 600),
    thickness('boxWallMm', (place) => fromShelf(place, wallOf(place))),
    count('reachedSeams', 4, 1, 12),
    load(),
  ],
  standsOn: aboutHost,
  judge: (place, of) => {
    const { legMm, nPerMm } = fillet(place, of.boxWallMm!, wallOf(place));
    const seams = [of.boxWideMm!, of.boxHighMm!, of.boxWideMm!, of.boxHighMm!];
    const weldMm = seams.slice(0, Math.min(4, of.reachedSeams!)).reduce((sum, mm) => sum + mm, 0);
    const takesN = weldMm * nPerMm;
    return {
      figures: [
        {
          id: 'weld takes',
          value: takesN,
          quantity: 'force',
          ...(of.loadKg! > 0 && { limit: bumpN(of.loadKg!) }),
        },
        {
          id: 'seat covered',
          value: of.seatMm! > 0 ? of.discMm! / of.seatMm! : 0,
          quantity: 'fraction',
          limit: 1,
        },
      ],
      findings: [
        ...BEFORE.flatMap((key) => when(!(of[key]! > 0), `not taken down: ${key}`, ['broken', 'length'])),
        ...(of.seatMm! > 0
          ? under(of.discMm!, of.seatMm!, 'disc smaller than its seat', ['broken', 'length'])
          : []),
        ...under(of.discThickMm!, wallOf(place), 'thinner than beneath', ['broken', 'thickness']),
        ...under(of.boxWallMm!, wallOf(place), 'thinner than beneath', ['deviation', 'thickness']),
        ...under(of.reachedSeams!, 4, 'seams left open', ['deviation', 'count']),
        ...(of.loadKg! > 0
          ? under(takesN, bumpN(of.loadKg!), 'weld too weak', ['broken', 'force', 'baseMetal'])
          : []),
      ],
      parts: [
        {
          name: 'disc',
          lengthMm: of.discMm!,
          widthMm: of.discMm!,
          thicknessMm: of.discThickMm!,
          count: 1,
          shape: { is: 'disc' },
        },
        {
          name: 'box side',
          lengthMm: of.boxWideMm!,
          widthMm: of.boxHighMm!,
          thicknessMm: of.boxWallMm!,
          count: 4,
        },
      ],
      seams: [
        ...filletSeam('box', weldMm, { legMm, thinnerMm: Math.min(of.boxWallMm!, wallOf(place)) }),
        ...filletSeam('disc, all round', Math.PI * of.discMm!, {
          legMm,
          thinnerMm: Math.min(of.discThickMm!, of.boxWallMm!),
        }),
      ],
      asks: ASKS,
      unchecked: [...loadUnchecked(of.loadKg!), 'metal under it'],
    };
  },
};
