import { memberOf } from '../frame';
import {
  blankFigures,
  blankOfOutline,
  massOfPartKg,
  weldOf,
  workForm,
  workPlace,
  type Access,
  type Blank,
  type JudgedWork,
  type LetIn,
  type Work,
  type WorkFinding,
  type WorkPlace,
  type WorkWhyNot,
} from '../shape';
import { openRenewals, plannedTube } from './renewals';
import { stands, type JobRecords } from './records';

/** A work as somebody specified it, judged on the frame as it stands today. */
export interface PlannedWork {
  readonly work: Work;
  readonly place: WorkPlace;
  /** It no longer goes there: the frame was changed under it. */
  readonly whyNot?: WorkWhyNot;
  readonly judged: JudgedWork;
  readonly massKg: number;
  /** Somebody recorded since that the host was put right. */
  readonly isDone: boolean;
}

type Kept = Pick<JobRecords, 'evidence' | 'strikes' | 'frame' | 'practice'>;

const keyOf = ({ on, hostId, form }: Pick<Work, 'on' | 'hostId' | 'form'>): string =>
  `${on} ${hostId} ${form}`;

/** The works of a job, the last of each form at a host; what its frame no longer has a place for is left out. */
export function worksOf(records: Kept): PlannedWork[] {
  const { frame, practice } = records;
  const last = new Map(stands(records, 'work').map((work) => [keyOf(work), work]));
  return [...last.values()].flatMap((work): PlannedWork[] => {
    const place = workPlace(frame, practice, work);
    if (!place) return [];
    const form = workForm(work.form);
    const whyNot = form.whyNot(place);
    const judged = form.judge(place, work.measures);
    return [
      {
        work,
        place,
        ...(whyNot && { whyNot }),
        judged,
        massKg: judged.parts.reduce((sum, part) => sum + massOfPartKg(part), 0),
        isDone: isPutRight(records, work),
      },
    ];
  });
}

/** What a work's hours are reckoned from. */
export const stepsOfWork = ({ parts, seams }: Pick<JudgedWork, 'parts' | 'seams'>) => ({
  parts: parts.reduce((sum, { count }) => sum + count, 0),
  weldM: weldOf(seams) / 1000,
  isBonded: seams.some(({ type }) => type === 'bond' || type === 'screws'),
});

/** Where a work's photos are pinned: at its host, by its form, so that they stay with it when its measures are changed. */
export const workSpot = (work: Pick<Work, 'on' | 'hostId' | 'form'>): string =>
  `work ${keyOf(work)}`.slice(0, 120);
/** Photos of a work that stand, as they were taken. */
export const workPhotos = (
  records: Pick<JobRecords, 'evidence' | 'strikes'>,
  work: Pick<Work, 'on' | 'hostId' | 'form'>,
) => stands(records, 'photo').filter(({ spotId }) => spotId === workSpot(work));

/** Works that belong to a member's plan. */
export const worksOn = (works: readonly PlannedWork[], memberId: string): PlannedWork[] =>
  works.filter(({ work }) => work.memberIds.includes(memberId));

/** Why it is not to be done like that: by its measures, and by the metal found under it where that was looked at. */
export const brokenIn = (
  { judged, whyNot }: Pick<PlannedWork, 'judged' | 'whyNot'>,
  underIt: readonly WorkFinding[] = [],
): readonly WorkFinding[] =>
  whyNot
    ? [{ code: whyNot, weight: 'broken', quantity: 'count', source: 'practice' }]
    : [...underIt, ...judged.findings].filter(({ weight }) => weight === 'broken');

const isPutRight = (records: Kept, { on, hostId, at }: Work): boolean =>
  stands(records, 'find').some(
    (find) => find.on === on && find.hostId === hostId && find.state.is === 'put right' && find.at > at,
  );

/** Outlines taken from openings that stand, as they are cut; one on a member that is gone is none. */
export const ownOutlines = (records: Kept): Blank[] =>
  stands(records, 'outline').flatMap((outline) => {
    const member = memberOf(records.frame, outline.memberId);
    return (member && blankOfOutline(outline, member.name)) ?? [];
  });

/** Steel that works, own outlines and renewed crossmembers take, kg, beside the plates: what is done already is bought. */
export const steelOfWorksKg = (records: Kept): number =>
  worksOf(records)
    .filter(({ isDone }) => !isDone)
    .reduce((sum, { massKg }) => sum + massKg, 0) +
  ownOutlines(records).reduce((sum, blank) => sum + blankFigures(blank).massKg * blank.count, 0) +
  openRenewals(records).reduce((sum, renewal) => sum + (plannedTube(records, renewal)?.massKg ?? 0), 0);

/** Openings into a member that break no rule and are not closed again: hand and torch go in there. */
export const accessesOn = (works: readonly PlannedWork[], memberId: string): Access[] =>
  worksOn(works, memberId)
    .filter(
      (planned) =>
        planned.work.form === 'access opening' && !planned.isDone && brokenIn(planned).length === 0,
    )
    .map(({ work: { measures } }) => ({
      fromMm: measures.atMm! - measures.longMm! / 2,
      toMm: measures.atMm! + measures.longMm! / 2,
    }));

/** Lengths let in on a member whose splice breaks no rule: the repaired frame counts on them. */
export const letInOn = (works: readonly PlannedWork[], memberId: string): LetIn[] =>
  worksOn(works, memberId)
    .filter((planned) => planned.work.form === 'splice' && brokenIn(planned).length === 0)
    .map(({ work: { id, measures } }) => ({
      workId: id,
      fromMm: measures.fromMm!,
      toMm: measures.toMm!,
      wallMm: measures.newWallMm!,
    }));
