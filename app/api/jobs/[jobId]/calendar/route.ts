import { database, jobById, unitById } from '@/data';
import { answer, download, guarded, notFound } from '../../../_door';
import { calendarOf } from '../../../calendar/_dates';

/** One job's days as iCalendar, among all the others of the shop. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const job = jobById(database(), (await params).jobId);
    const unit = job && unitById(database(), job.unitId);
    if (!job || !unit) return notFound('job');
    const text = calendarOf(job.id);
    return text.ok ? download(text.value, 'text/calendar; charset=utf-8', `${unit.tag}.ics`) : answer(text);
  });
