import { answer, download, guarded, notFound, systemOf } from '../../../../_door';
import { flatPatternDxf } from '@/core/exchange';
import { brokenRules } from '@/core/job';
import { askOffice } from '../../../../../_office';
import { database, jobFile } from '@/data';

/** A piece's flat pattern as DXF; `twin=1` mirrors it for the other side. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string; pieceId: string }> }) =>
  guarded(request, async () => {
    const { jobId, pieceId } = await params;
    const file = jobFile(database(), jobId);
    if (!file) return notFound('job');
    const works = await askOffice('worked', file);
    if (!works.ok) return answer(works);
    const found = works.value
      .flatMap((work) => work.repairs)
      .flatMap((repair) => repair.patterns.map((pattern) => ({ repair, pattern })))
      .find(({ pattern }) => pattern.piece.id === pieceId);
    if (!found) return notFound('piece');
    const broken = brokenRules(found.repair).length;
    const twin = new URL(request.url).searchParams.get('twin') === '1';
    return download(
      flatPatternDxf(found.pattern, systemOf(request), {
        twin,
        ...(broken > 0 && { warning: `DO NOT CUT: RULES BROKEN: ${broken}` }),
      }),
      'application/dxf',
      `${file.unit.tag}-${pieceId}${twin ? '-twin' : ''}.dxf`,
    );
  });
