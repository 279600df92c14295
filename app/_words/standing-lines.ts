import { memberOf } from '@/core/frame';
import { jobTimeLeft, mayMove, type JobFile, type MoveBasis } from '@/core/job';
import type { UnitSystem } from '@/core/quantity';
import { moveReasonWords, MOVE_WORDS, timeLeftWords } from './trace';
import { printStation } from './station';

type Notice = JobFile['notices'][number];

/** Temporary repairs of a job, said like the unit's standing notices: what is left of each, by whom and since when. */
export const temporaryNotices = (file: JobFile, system: UnitSystem, today: string): Notice[] =>
  jobTimeLeft(file, today).map((left) => ({
    id: left.repair.id,
    unitId: file.unit.id,
    words: `${left.isOver ? 'Do not move it. ' : ''}Temporary ${timeLeftWords(left, system)} (${memberOf(file.frame, left.repair.memberId)?.name.toLowerCase() ?? 'a member gone from the frame'})`,
    by: left.repair.by,
    at: left.repair.at,
  }));

/** Whether it may move, in one sentence with its worst reason; nothing where nothing speaks against it. */
export function moveSentence(
  file: JobFile,
  system: UnitSystem,
  today: string,
  basis: MoveBasis,
): string | undefined {
  const { answer, reasons } = mayMove(file, today, basis);
  const [worst] = reasons;
  if (!worst) return undefined;
  const station = ({ memberId, stationMm }: { memberId: string; stationMm: number }) => {
    const member = memberOf(file.frame, memberId);
    return member ? printStation(member, stationMm, system) : '';
  };
  const more = reasons.length > 1 ? `, and ${reasons.length - 1} more` : '';
  return `May it move until it is mended? ${MOVE_WORDS[answer]}: ${moveReasonWords(worst, system, station)}${more}.`;
}
