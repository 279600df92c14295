import { guarded, answer, notFound } from '../../../_door';
import { readScaleTicket } from '@/core/exchange';
import { askOffice } from '../../../../_office';
import { database, jobFile, refused, written } from '@/data';
import { weighOnScale } from '@/stand-ins/axle-scale';

/** Asks the scale: the frame as built stands on it with what is listed. */
export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    if (!file) return notFound('job');
    const plain = { ...file, evidence: [], repairs: [] };
    const asked = await askOffice('wheels', plain);
    if (!asked.ok) return answer(asked);
    const built = asked.value;
    if (built.wheels.length === 0)
      return answer(refused('invalid', 'this frame stands on no axles', 'Nothing was weighed.'));
    const ticket = readScaleTicket(weighOnScale(file.frame, built.wheels, built.couplerKg, file.unit.tag));
    return answer(
      ticket.ok
        ? written({ ...ticket.value, simulated: true })
        : refused('unreadable', ticket.reason, 'Nothing was weighed.'),
    );
  });
