import { pointGroup, worstInGroup } from '../../mechanics';
import { boltShearN } from '../../reference';
import { inchesToMm as inch } from '../../quantity';
import { over, under, when } from './findings';
import { aboutHost } from './footing';
import { bumpN, loadUnchecked } from './loads';
import { boltMarks, choice, count, isNoBolt, length, load, marksOf } from './measures';
import { fillet, unlessWelded, wallOf } from './metal';
import { isAtBracket } from './places';
import { filletSeam } from './seam';
import type { WorkFinding, WorkForm, WorkPlace } from './work';

/** Holes that are to meet may miss each other by this, mm (common practice, no source: half of a standard hole's play). */
export const PATTERN_MM = inch(1 / 32);

/**
 * The most that one of `n` fasteners in two rows carries under a load beside their middle, of the load: direct and turning parts added as vectors
 * (elastic method, AISC Manual part 7, from memory). `gaugeMm` between the rows, `pitchMm` along a row.
 */
export function worstFastenerShare(n: number, gaugeMm: number, pitchMm: number, besideMm: number): number {
  const inRow = Math.max(1, Math.ceil(n / 2));
  const group = pointGroup(
    Array.from({ length: n }, (_, k) => [
      ((n === 1 ? 0 : k % 2) - (n === 1 ? 0 : 0.5)) * gaugeMm,
      (Math.floor(k / 2) - (inRow - 1) / 2) * pitchMm,
    ]),
  )!;
  return worstInGroup(group, { at: [group.middle[0] + besideMm, group.middle[1]], y: 1 }).force;
}

export const PUSHES = ['into its seat', 'away from it'] as const;

const isBolted = ({ attachedBy }: WorkPlace): boolean => attachedBy === 'bolts' || attachedBy === 'rivets';

/** A thin or torn bracket, hanger or bucket renewed: its holes compared before it is bought. */
export const bracketRenewed: WorkForm = {
  id: 'bracket renewed',
  whyNot: (place) =>
    !isAtBracket(place) ? 'not at such a place' : isBolted(place) ? undefined : unlessWelded(place),
  measures: [
    count('fasteners', 4, 1, 40),
    length('oldGaugeMm', () => inch(2), 0, 1000),
    length('oldPitchMm', () => inch(3), 0, 1000),
    length('newGaugeMm', () => inch(2), 0, 1000),
    length('newPitchMm', () => inch(3), 0, 1000),
    length('holeMm', ({ made }) => made.hole ?? inch(9 / 16), 4, 100),
    length('boltMm', () => inch(1 / 2), 4, 40),
    boltMarks(1),
    length('besideMm', () => inch(3), 0, 1000),
    length('seamMm', ({ made }) => 2 * (made.along ?? inch(4)), 0, 5000),
    choice('pushes', PUSHES),
    load(),
  ],
  standsOn: aboutHost,
  judge: (place, of) => {
    const bolted = isBolted(place);
    const plateMm = place.made.plate ?? wallOf(place);
    const { legMm, nPerMm } = fillet(place, plateMm, wallOf(place));
    const boltN = boltShearN(marksOf(of), of.boltMm!) ?? 0;
    const share = worstFastenerShare(of.fasteners!, of.oldGaugeMm!, of.oldPitchMm!, of.besideMm!);
    const takesN = bolted ? boltN / share : of.seamMm! * nPerMm;
    return {
      figures: [
        {
          id: bolted ? 'bolts take' : 'weld takes',
          value: takesN,
          quantity: 'force',
          ...(of.loadKg! > 0 && { limit: bumpN(of.loadKg!) }),
        },
        ...(bolted ? [{ id: 'worst bolt carries', value: share, quantity: 'fraction' } as const] : []),
      ],
      findings: [
        ...(bolted ? patternFindings(of as Record<string, number>) : []),
        ...(bolted ? [] : over(of.pushes!, 0, 'load away from its seat', ['broken', 'count'])),
        ...when(bolted && isNoBolt(of), 'no such bolt', ['broken', 'length', 'bolted']),
        ...when(!bolted && !(of.seamMm! > 0), 'no seam reached', ['broken', 'count']),
        ...(of.loadKg! > 0
          ? under(takesN, bumpN(of.loadKg!), bolted ? 'bolts too weak' : 'weld too weak', [
              'broken',
              'force',
              bolted ? 'bolted' : 'baseMetal',
            ])
          : []),
      ],
      parts: [],
      seams: bolted
        ? []
        : filletSeam('bracket', of.seamMm!, { legMm, thinnerMm: Math.min(plateMm, wallOf(place)) }),
      asks: [
        'place from the datum first',
        'what hangs on it held up',
        ...(place.attachedBy === 'rivets'
          ? ['rivets drilled and punched']
          : bolted
            ? ['bolts out as a set']
            : ['welds ground, not torn']),
        'metal behind it read',
        ...(bolted
          ? ['bolts to torque, looked at again after a day']
          : ['weld every seam that can be reached']),
        'its twin compared',
      ],
      unchecked: [...loadUnchecked(of.loadKg!), 'metal under it'],
    };
  },
};

function patternFindings(of: Record<string, number>): WorkFinding[] {
  const missMm = Math.max(
    Math.abs(of.oldGaugeMm! - of.newGaugeMm!),
    Math.abs(of.oldPitchMm! - of.newPitchMm!),
  );
  return [
    ...over(missMm, PATTERN_MM, 'holes do not meet', ['broken', 'thickness']),
    ...under(of.holeMm!, of.boltMm!, 'bolt over its hole', ['broken', 'thickness']),
    ...over(of.holeMm! - of.boltMm!, inch(1 / 16), 'bolt loose in its hole', [
      'deviation',
      'thickness',
      'bolted',
    ]),
  ];
}
