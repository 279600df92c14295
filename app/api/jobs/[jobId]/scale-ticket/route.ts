import { guarded, answer, notFound } from '../../../_door';
import { jobDemand, workJob } from '@/core/job';
import { readScaleTicket } from '@/core/exchange';
import { database, jobFile, refused, written } from '@/data';
import { weighOnScale } from '@/stand-ins/axle-scale';

/** Asks the scale: the frame as built stands on it with what is listed. */
export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    if (!file) return notFound('job');
    const plain = { ...file, evidence: [], repairs: [] };
    const works = new Map(workJob(plain).map((work) => [work.picture.member.id, work]));
    const built = jobDemand(plain, works, ['as built'])['as built']!;
    if (built.wheels.length === 0)
      return answer(refused('invalid', 'this frame stands on no axles', 'Nothing was weighed.'));
    const ticket = readScaleTicket(weighOnScale(file.frame, built.wheels, built.couplerKg, file.unit.tag));
    return answer(
      ticket.ok
        ? written({ ...ticket.value, simulated: true })
        : refused('unreadable', ticket.reason, 'Nothing was weighed.'),
    );
  });
