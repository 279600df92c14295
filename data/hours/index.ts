import { ofKind, standing } from '@/core/frame';
import { hoursSeen, type HoursSeen } from '@/core/patterns';
import { isClosed } from '../closing';
import type { Db } from '../connection';
import { evidenceOf } from '../evidence';
import { currentFrame } from '../frame';
import { currentPractice } from '../practice';
import { noting } from '../readable';
import { strikesOf } from '../strike';
import { jobMarks, keepWorkedOut } from '../worked-out';

/** How what a job says of the norms is kept; another way of telling it takes another name. */
const HOURS = 'hours 1';

interface Row {
  jobId: string;
  tag: string;
  mark: string | null;
  body: string | null;
}

/** What closed jobs say of the shop's norms: of those that kept a plan and ran clocks. Each is read once and kept until something of it changes. */
export function shopHours(db: Db): HoursSeen[] {
  const marks = jobMarks(db);
  return db
    .prepare<[string], Row>(
      `SELECT job.id AS jobId, unit.tag AS tag, worked_out.mark AS mark, worked_out.body AS body
       FROM job JOIN unit ON unit.id = job.unit_id
       LEFT JOIN worked_out ON worked_out.job_id = job.id AND worked_out.what = ?
       WHERE job.id IN (SELECT job_id FROM job_closing)
       ORDER BY job.opened_at, job.id`,
    )
    .all(HOURS)
    .filter(({ jobId }) => isClosed(db, jobId))
    .flatMap((row) => {
      const now = `${marks.get(row.jobId)!} ${currentPractice(db, row.jobId)?.revision ?? 0}`;
      if (row.mark === now) return JSON.parse(row.body!) as HoursSeen[];
      const value = seenOn(db, row);
      keepWorkedOut(db, row.jobId, HOURS, { mark: now, value });
      return value;
    });
}

function seenOn(db: Db, { jobId, tag }: Row): HoursSeen[] {
  const unread = noting();
  const all = evidenceOf(db, jobId, ['job plan', 'task'], unread.of('evidence'));
  const evidence = standing(all, strikesOf(db, jobId, unread.of('strike')));
  const [frame, practised] = [currentFrame(db, jobId)?.frame, currentPractice(db, jobId)];
  if (!frame || !practised) return [];
  return hoursSeen({
    jobId,
    tag,
    family: frame.family,
    norms: practised.practice.money.norms,
    plans: ofKind(evidence, 'job plan'),
    said: [...ofKind(evidence, 'task')].sort((a, b) => a.at.localeCompare(b.at)),
  });
}
