import { answer, guarded } from '../../../../../_door';
import { database, withdrawRepair } from '@/data';

export const POST = (
  request: Request,
  { params }: { params: Promise<{ jobId: string; repairId: string }> },
) =>
  guarded(request, async () => {
    const { jobId, repairId } = await params;
    return answer(withdrawRepair(database(), jobId, repairId));
  });
