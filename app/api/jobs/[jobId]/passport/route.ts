import { parsePassportCode } from '@/core/exchange';
import { bundleOf, database, refused, written } from '@/data';
import { answer, guarded, notFound } from '../../../_door';
import { recordSum } from '../../../_door/record-sum';

/** The sum of a job's record as it stands, to be kept with a passport; or, with a passport's `code`, whether the record is still the one it was printed from. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const bundle = bundleOf(database(), (await params).jobId);
    if (!bundle) return notFound('job');
    const asked = new URL(request.url).searchParams;
    const text = asked.get('code');
    if (text === null) {
      const upTo = asked.get('upTo') ?? '';
      if (Number.isNaN(Date.parse(upTo)))
        return answer(refused('invalid', 'upTo: an instant', 'Nothing was changed.'));
      return answer(written({ sha256: recordSum(bundle, upTo) }));
    }
    const code = parsePassportCode(text);
    if (!code) return answer(refused('invalid', 'this is no passport’s code', 'Nothing was changed.'));
    if (code.jobId !== bundle.job.id)
      return answer(refused('invalid', 'this passport is of another job', 'Nothing was changed.'));
    return answer(written({ isSame: recordSum(bundle, code.upTo) === code.sha256 }));
  });
