import { answer, guarded } from '../../../_door';
import { database, earlierSurveys } from '@/data';

/** What the unit's earlier jobs read: to compare this survey with. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => answer({ ok: true, value: earlierSurveys(database(), (await params).jobId) }));
