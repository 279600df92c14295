import type { FaceId, Frame, Member } from '../frame';
import { crackExtent } from '../trace';
import { knownBad, type MemberPicture } from '../weigh';
import { facesCovered, workForm, type Footing, type Renewal, type WorkFinding } from '../shape';
import { endsOn } from './renewals';
import { brokenRules, type WorkedRepair } from './worked-repair';
import type { PlannedWork } from './works';

/** Where on one member a work of the job, or a crossmember made anew, is made fast. */
export interface WorkFooting extends Footing {
  /** The record that plans it. */
  readonly workId: string;
}

export const UNDER_WORK_CODES = ['bad metal under it', 'cracked under it', 'plated first'] as const;

/** What the metal found there says of a work. */
export interface UnderWork {
  readonly workId: string;
  readonly finding: WorkFinding;
}

/** Where works that are still to be done, and crossmembers to be made anew, are made fast to a member. */
export const footingsOn = (
  frame: Frame,
  { works, renewals }: { readonly works: readonly PlannedWork[]; readonly renewals: readonly Renewal[] },
  memberId: string,
): WorkFooting[] =>
  [
    ...worksFootings(works),
    ...renewals.flatMap((renewal) =>
      endsOn(frame, renewal).map((footing) => ({ ...footing, workId: renewal.id })),
    ),
  ].filter((footing) => footing.memberId === memberId);

const worksFootings = (works: readonly PlannedWork[]): WorkFooting[] =>
  works
    .filter(({ isDone }) => !isDone)
    .flatMap(({ work, place }) =>
      footingsOf(place, work).map((footing) => ({ ...footing, workId: work.id })),
    );

/** Where a work is made fast to the frame, member by member. */
export const footingsOf = (
  place: PlannedWork['place'],
  { form, measures }: Pick<PlannedWork['work'], 'form' | 'measures'>,
): readonly Footing[] => workForm(form).standsOn?.(place, measures) ?? [];

/** What was decided of a member, as far as a work on it asks. */
interface Under {
  readonly picture: MemberPicture;
  readonly repairs: readonly WorkedRepair[];
}

/**
 * What speaks against each work by the metal found where it is made fast: nothing is welded to what is gone, too thin or cracked, nor bent back through
 * it. Where a plate that breaks no rule goes over it, that goes on first. Common practice, no source.
 */
export function underWorks<F extends Footing>(
  under: Under,
  footings: readonly F[],
): { readonly footing: F; readonly finding: WorkFinding }[] {
  if (footings.length === 0) return [];
  const bad: (Bad & { readonly code: string })[] = [
    ...under.picture.cracks.map((crack) => ({ code: CRACKED, ...crackExtent(crack) })),
    ...knownBad(under.picture).map(({ stationMm: mm, faces }) => ({
      code: BAD,
      fromMm: mm,
      toMm: mm,
      faces,
    })),
  ];
  return footings.flatMap((footing) => {
    const met = bad.filter(({ fromMm, toMm }) => fromMm <= footing.toMm && toMm >= footing.fromMm);
    const open = met.filter((each) => !(footing.overPlate && isPlatedOver(under, each)));
    const [first] = open.length > 0 ? open : met;
    return first ? [{ footing, finding: findingOf(under.picture.member, first, open.length > 0) }] : [];
  });
}

const [BAD, CRACKED, PLATED] = UNDER_WORK_CODES;

const findingOf = (
  { name }: Pick<Member, 'name'>,
  { code, fromMm }: { readonly code: string; readonly fromMm: number },
  isOpen: boolean,
): WorkFinding => ({
  code: isOpen ? code : PLATED,
  weight: isOpen ? 'broken' : 'note',
  quantity: 'length',
  value: fromMm,
  source: 'practice',
  along: name,
});

/**
 * Whether somebody decided on plates there that break no rule, over every face that is bad: what is only proposed mends nothing. That a crack is covered
 * whole is such a rule.
 */
function isPlatedOver({ picture, repairs }: Under, { fromMm, toMm, faces = NONE }: Bad): boolean {
  return repairs
    .filter((worked) => !worked.isProposal && brokenRules(worked).length === 0)
    .some(({ repair: { pieces } }) => {
      const over = pieces.filter(({ startMm, endMm }) => startMm <= fromMm && endMm >= toMm);
      const covered = new Set(over.flatMap((piece) => [...facesCovered(picture.member.shape, piece)]));
      return over.length > 0 && [...faces].every((face) => covered.has(face));
    });
}

interface Bad {
  readonly fromMm: number;
  readonly toMm: number;
  readonly faces?: ReadonlySet<FaceId>;
}
const NONE: ReadonlySet<FaceId> = new Set();

/** What is judged of a work by its measures, with what the metal found under it says; what was looked at is not called unchecked. */
export const withMetal = <J extends PlannedWork['judged']>(judged: J, found: readonly WorkFinding[]): J =>
  found.length === 0
    ? judged
    : {
        ...judged,
        findings: [...found, ...judged.findings],
        unchecked: judged.unchecked.filter((each) => each !== 'metal under it'),
      };

/** What the members' metal says of one work, or of one crossmember made anew. */
export const foundUnder = (
  members: Iterable<{ readonly underWorks?: readonly UnderWork[] }>,
  workId: string,
): WorkFinding[] =>
  [...members].flatMap(({ underWorks: found = [] }) =>
    found.flatMap((each) => (each.workId === workId ? [each.finding] : [])),
  );
