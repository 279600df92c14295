import { mutation } from '../../../_door';
import { closingSchema, stands, type Closing, type JobFile } from '@/core/job';
import { closeIfBack, database, jobFile, refused, type Written } from '@/data';
import { askOffice } from '../../../../_office';

/** Records of metal being worked: what has some is signed off before it is closed. */
const WORKS = ['task', 'run', 'seam log', 'tightened', 'sign off'] as const;
const mayBeWorked = (file: JobFile): boolean => WORKS.some((kind) => stands(file, kind).length > 0);

/** Closed, or opened again. Metal that was cut or welded is signed off first, as everything stands now. */
async function closed(jobId: string, closing: Closing): Promise<Written<Closing>> {
  const file = closing.closed ? jobFile(database(), jobId) : undefined;
  if (file && mayBeWorked(file)) {
    const proof = await askOffice('proof', file);
    if (!proof.ok) return proof;
    const { wasWorked, isSignedOff, items, signOff } = proof.value;
    const open = items.filter(({ left, passed }) => !left && !passed).length;
    if ((wasWorked || signOff) && !isSignedOff)
      return refused(
        'invalid',
        signOff
          ? `not closed: ${open === 1 ? 'one thing is' : `${open} things are`} open that the sign-off does not name. Prove, Sign off`
          : 'not closed before it is signed off: Prove, Sign off',
        'Nothing was changed.',
      );
  }
  return closeIfBack(database(), jobId, closing);
}

export const POST = async (request: Request, { params }: { params: Promise<{ jobId: string }> }) => {
  const { jobId } = await params;
  return mutation(request, closingSchema, (closing) => closed(jobId, closing));
};
