import { memberOf } from '@/core/frame';
import { jobGeometry, jobTimeLeft, leftUndone, overridesOf, stands, type JobFile } from '@/core/job';
import type { UnitSystem } from '@/core/quantity';
import { releaseOf, type TimeLeft } from '@/core/trace';
import { checkLine } from './geometry';
import { RELEASE_WORDS, timeLeftWords } from './trace';

type Notice = JobFile['notices'][number];

/** What is left of one, whether it is over, and that it moves where a load test showed it. */
function temporaryWords(file: JobFile, left: TimeLeft, system: UnitSystem): string {
  const { memberId } = left.repair;
  const where = memberOf(file.frame, memberId)?.name.toLowerCase() ?? 'a member gone from the frame';
  const isMoving = releaseOf(stands(file, 'load test'), left.repair) === 'moves';
  return `${left.isOver ? 'Do not move it. ' : ''}Temporary ${timeLeftWords(left, system)} (${where})${isMoving ? `; ${RELEASE_WORDS.moves}` : ''}`;
}

/** Temporary repairs of a job, said like the unit's standing notices: what is left of each, by whom and since when. */
export const temporaryNotices = (file: JobFile, system: UnitSystem, today: string): Notice[] =>
  jobTimeLeft(file, today).map((left) => ({
    id: left.repair.id,
    unitId: file.unit.id,
    words: temporaryWords(file, left, system),
    by: left.repair.by,
    at: left.repair.at,
  }));

/** What owners chose to leave undone: on every paper after. */
export const leftWords = (file: JobFile): string[] =>
  leftUndone(file).map(({ left, by, at }) => `Left undone by choice: ${left} (${by} ${at.slice(0, 10)})`);

/** Verdicts that a technician put beside the computed ones: on every paper after. */
export const overrideWords = (file: JobFile): string[] =>
  [...overridesOf(file).values()].map(
    ({ memberId, verdict, why, by, at }) =>
      `${by} says ${verdict} of ${memberOf(file.frame, memberId)?.name.toLowerCase() ?? memberId}, beside what is computed: ${why} (${at.slice(0, 10)})`,
  );

/** What was measured out of straight or square: nothing is plated on it before. */
export const outOfTrueWords = (file: JobFile, system: UnitSystem): string[] =>
  jobGeometry(file)
    .filter(({ is }) => is === 'out')
    .map((check) => `Straighten first. ${checkLine(check, file.frame, system)}`);
