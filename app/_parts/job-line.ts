import { inputsOf, sortedRecords, stands, weighMember } from '@/core/job';
import { severity } from '@/core/weigh';
import { evidenceMark, jobFile, type Db } from '@/data';

export interface JobLine {
  readonly readings: number;
  readonly cracks: number;
  /** Where the way on leads, and in words. */
  readonly verb: 'walk' | 'probe' | 'shape' | 'weigh';
  readonly next: string;
  readonly toAct: readonly string[];
}

/** Lines worked out before, by job: the Yard shows many jobs of which few have changed since it was last looked at. */
const known = new Map<string, { mark: string; line: JobLine }>();

/** What is known and what is next in a job, in one line. */
export function jobLine(db: Db, jobId: string): JobLine {
  const mark = evidenceMark(db, jobId);
  const before = known.get(jobId);
  if (before?.mark === mark) return before.line;
  const line = workLine(db, jobId);
  known.set(jobId, { mark, line });
  return line;
}

function workLine(db: Db, jobId: string): JobLine {
  const file = jobFile(db, jobId)!;
  const sorted = sortedRecords(file);
  const weighed = file.frame.members.map((member) => weighMember(inputsOf(sorted, member)));
  const toAct = weighed.filter(({ verdict }) => severity(verdict.verdict) >= severity('Mend'));
  const unread = weighed.filter(({ picture }) => !picture.map);
  const unreadRail = unread.find(({ picture }) => picture.member.role === 'rail')?.picture.member.name;
  const readings = stands(file, 'reading').length;
  const isUnwalked = readings === 0 && !file.evidence.some((record) => record.kind === 'look');
  return {
    readings,
    cracks: stands(file, 'crack').length,
    verb: isUnwalked ? 'walk' : unreadRail ? 'probe' : toAct.length ? 'shape' : 'weigh',
    next: isUnwalked
      ? 'Walk round it first'
      : readings === 0
        ? 'Take the first readings'
        : unreadRail
          ? `${unreadRail} not measured yet`
          : toAct.length
            ? `Look at the plates for ${toAct[0]!.picture.member.name.toLowerCase()}`
            : unread.length
              ? `${unread.length} crossmembers not measured`
              : 'Read the verdicts',
    toAct: toAct.map(({ picture, verdict }) => `${picture.member.name} ${verdict.verdict}`),
  };
}
