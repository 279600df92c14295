import { answer, download, guarded, notFound, systemOf } from '../../../_door';
import { cutListCsv } from '@/core/exchange';
import { flatsOf, toBuy, toCut } from '@/core/job';
import { askOffice } from '../../../../_office';
import { database, jobFile } from '@/data';

/** Everything of a job that is cut, a row a part, as CSV. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    if (!file) return notFound('job');
    const works = await askOffice('worked', file);
    if (!works.ok) return answer(works);
    const flats = works.value.flatMap(({ repairs }) => flatsOf(repairs));
    const blanks = toCut(flats, file).map(({ blank }) => blank);
    return download(
      cutListCsv(blanks, toBuy(file), systemOf(request)),
      'text/csv; charset=utf-8',
      `${file.unit.tag}-cut-list.csv`,
    );
  });
