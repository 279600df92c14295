import { mutation } from '../../../_door';
import { noticeSchema } from '@/core/frame';
import { addNotice, database, refused } from '@/data';

export const POST = async (request: Request, { params }: { params: Promise<{ unitId: string }> }) => {
  const { unitId } = await params;
  return mutation(request, noticeSchema, (notice) =>
    notice.unitId === unitId
      ? addNotice(database(), notice)
      : refused('invalid', 'the notice names another unit', 'Nothing was added.', 'unitId'),
  );
};
