import { noticeLiftedSchema } from '@/core/frame';
import { database, liftNotice, refused } from '@/data';
import { mutation } from '../../../../_door';

/** Lifts a standing notice. */
export const POST = async (
  request: Request,
  { params }: { params: Promise<{ unitId: string; noticeId: string }> },
) => {
  const { unitId, noticeId } = await params;
  return mutation(request, noticeLiftedSchema, (lifted) =>
    lifted.noticeId === noticeId
      ? liftNotice(database(), unitId, lifted)
      : refused('invalid', 'this lifts another notice', 'Nothing was changed.', 'noticeId'),
  );
};
